package org.yellowhearth.core.part;

import java.util.OptionalDouble;

/** What every rating of a part must be: finite and above zero. */
final class Ratings {
  private Ratings() {}

  static void require(double value, String what) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(
          what + " must be a finite figure above zero, not " + value);
    }
  }

  static void require(OptionalDouble value, String what) {
    value.ifPresent(v -> require(v, what));
  }
}
