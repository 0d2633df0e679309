package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/** What the figures of a fact must keep to; a refusal says what was expected. */
final class Checked {
  private Checked() {}

  static void within(String what, OptionalDouble value, double low, double high) {
    value.ifPresent(v -> within(what, v, low, high));
  }

  static void within(String what, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          what + " of " + value + " is out of range; expected " + low + " to " + high);
    }
  }

  static void present(String what, String text) {
    if (text.isBlank()) {
      throw new IllegalArgumentException(what + " must be said");
    }
  }
}
