package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * One thing that a set has to do before it goes back.
 *
 * @param group what belongs together, such as a band or a channel
 */
public record FunctionCheck(
    String id, String group, String what, FunctionOutcome outcome, String note) implements Item {
  /** How it went. */
  public enum FunctionOutcome implements Coded {
    UNSTATED,
    WORKS,
    FAILS,
    /** The set has no such thing, or nobody asked for it. */
    NOT_THERE
  }

  public FunctionCheck {
    Item.requireId(id);
    Checked.present("what the set has to do", what);
  }

  /** This as it went. */
  public FunctionCheck went(FunctionOutcome how, String said) {
    return new FunctionCheck(id, group, what, how, said);
  }
}
