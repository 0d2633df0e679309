package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/** Work beyond making it go: wanted, not wanted, or not yet talked about. */
public record Wish(String id, Kind kind, String text, Wanted wanted) implements Item {
  /** What sort of work. */
  public enum Kind implements Coded {
    COSMETIC,
    CLEANING,
    WASHING,
    MODIFICATION,
    OTHER
  }

  /** What the owner says to it. */
  public enum Wanted implements Coded {
    UNDECIDED,
    WANTED,
    NOT_WANTED
  }

  public Wish {
    Item.requireId(id);
    Checked.present("what is to be done", text);
  }

  /** This as the owner decided. */
  public Wish decided(Wanted decision) {
    return new Wish(id, kind, text, decision);
  }
}
