package org.yellowhearth.core.fact;

/** One line of an estimate: hours of work and money for parts. */
public record EstimateLine(String id, Phase phase, String text, ThreePoint hours, ThreePoint money)
    implements Item {
  public EstimateLine {
    Item.requireId(id);
    Checked.present("what the line is for", text);
  }
}
