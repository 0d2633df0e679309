package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * Something to be done at the bench that is no exchange of a part: a link left open until the first
 * test, a guard over a coil, a joint to be cleaned.
 *
 * @param where at which place of the set
 * @param what in words
 */
public record BenchTask(String id, Doing doing, String where, String what, boolean done)
    implements Item {
  /** What sort of thing. */
  public enum Doing implements Coded {
    /** A link taken out on purpose; it counts as open until it is closed. */
    OPEN_LINK,
    /** Something held away from the iron. */
    GUARD,
    /** Spilled electrolyte, flux, wax. */
    CLEAN,
    /** A terminal that is used no more and must be insulated. */
    SPARE_TERMINAL,
    /** A heat sink, screen or bead to go back on. */
    PUT_BACK,
    /** Stop here and test before going on. */
    TEST,
    OTHER
  }

  public BenchTask {
    Item.requireId(id);
    Checked.present("what is to be done", what);
  }

  /** This done, or not done after all. */
  public BenchTask done(boolean is) {
    return new BenchTask(id, doing, where, what, is);
  }
}
