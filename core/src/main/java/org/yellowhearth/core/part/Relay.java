package org.yellowhearth.core.part;

import java.util.OptionalDouble;

/** A relay. */
public record Relay(
    PartRef ref,
    String marking,
    OptionalDouble coilVolts,
    OptionalDouble ohms,
    String dateCode,
    String remark)
    implements Part {
  public Relay {
    Ratings.require(coilVolts, "coil voltage");
    Ratings.require(ohms, "coil resistance");
  }
}
