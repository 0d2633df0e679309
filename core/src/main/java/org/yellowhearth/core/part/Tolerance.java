package org.yellowhearth.core.part;

import org.yellowhearth.core.quantity.Quantity;

/** How far a part may lie from its marked value, as fractions: −0.2 and +0.5 for −20 / +50 %. */
public record Tolerance(double below, double above) {
  public Tolerance {
    if (!(below <= 0 && below >= -1 && above >= 0 && above <= 10)) {
      throw new IllegalArgumentException("not a tolerance: " + below + " to " + above);
    }
  }

  /** The same either way: 0.1 for ±10 %. */
  public static Tolerance plusMinus(double fraction) {
    return new Tolerance(-fraction, fraction);
  }

  @Override
  public String toString() {
    return -below == above
        ? "±" + Quantity.percent(above)
        : "−" + Quantity.percent(-below) + " +" + Quantity.percent(above);
  }
}
