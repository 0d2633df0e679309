package org.yellowhearth.core.fact;

/** A paper at hand: drawing, manual, parts list. Often of another revision than the set. */
public record Paper(String id, String title, String revision) implements Item {
  public Paper {
    Item.requireId(id);
    Checked.present("the title of a paper", title);
  }
}
