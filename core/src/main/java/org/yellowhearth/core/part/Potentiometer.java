package org.yellowhearth.core.part;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/** A variable resistor with a wiper. */
public record Potentiometer(
    PartRef ref,
    String marking,
    double ohms,
    Optional<Tolerance> tolerance,
    OptionalDouble watts,
    Taper taper,
    String dateCode,
    String remark)
    implements Part {
  /** How the resistance goes with the angle. */
  public enum Taper implements Coded {
    UNSTATED,
    LINEAR,
    LOGARITHMIC,
    REVERSE_LOGARITHMIC
  }

  public Potentiometer {
    Ratings.require(ohms, "resistance");
    Ratings.require(watts, "power");
  }
}
