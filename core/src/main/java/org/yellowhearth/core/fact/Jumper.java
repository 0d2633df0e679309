package org.yellowhearth.core.fact;

/** An interlock or a link that was bridged for work on the bench and must come off again. */
public record Jumper(String id, String place, boolean removed) implements Item {
  public Jumper {
    Item.requireId(id);
    Checked.present("where the jumper is", place);
  }

  /** This taken off, or put on again. */
  public Jumper removed(boolean off) {
    return new Jumper(id, place, off);
  }
}
