package org.yellowhearth.instruments.scpi;

/** A message that cannot be carried out. */
public final class ScpiException extends RuntimeException {
  private final ScpiFault fault;

  public ScpiException(ScpiFault fault, String detail) {
    super(fault.words() + "; " + detail);
    this.fault = fault;
  }

  public ScpiFault fault() {
    return fault;
  }
}
