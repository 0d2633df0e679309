package org.yellowhearth.core.part;

import java.util.Optional;
import java.util.OptionalDouble;

/** A voltage reference diode. */
public record Zener(
    PartRef ref,
    String marking,
    double volts,
    Optional<Tolerance> tolerance,
    OptionalDouble watts,
    String dateCode,
    String remark)
    implements Part {
  public Zener {
    Ratings.require(volts, "voltage");
    Ratings.require(watts, "power");
  }
}
