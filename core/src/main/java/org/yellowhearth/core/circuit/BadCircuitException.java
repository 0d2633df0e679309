package org.yellowhearth.core.circuit;

/** A circuit that cannot be, with the element or node that makes it so. */
public final class BadCircuitException extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  private final String where;
  private final String why;

  /** Says where and why, as in {@code C21: expected capacitance in F above zero, not -1}. */
  public BadCircuitException(String where, String why) {
    super(where + ": " + why);
    this.where = where;
    this.why = why;
  }

  /** The name of the element or node. */
  public String where() {
    return where;
  }

  /** What is wrong with it. */
  public String why() {
    return why;
  }
}
