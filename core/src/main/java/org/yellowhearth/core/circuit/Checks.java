package org.yellowhearth.core.circuit;

/** Refuses values that no element can have. */
final class Checks {
  private Checks() {}

  static void aboveZero(String name, String what, double value) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new BadCircuitException(name, "expected " + what + " above zero, not " + value);
    }
  }

  static void zeroOrMore(String name, String what, double value) {
    if (!(value >= 0) || Double.isInfinite(value)) {
      throw new BadCircuitException(name, "expected " + what + " of zero or more, not " + value);
    }
  }

  static void finite(String name, String what, double value) {
    if (Double.isNaN(value) || Double.isInfinite(value)) {
      throw new BadCircuitException(name, "expected a finite " + what + ", not " + value);
    }
  }
}
