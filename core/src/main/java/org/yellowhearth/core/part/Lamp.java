package org.yellowhearth.core.part;

import java.util.OptionalDouble;

/** A lamp: dial, neon or pilot. */
public record Lamp(
    PartRef ref,
    String marking,
    OptionalDouble volts,
    OptionalDouble amperes,
    String dateCode,
    String remark)
    implements Part {
  public Lamp {
    Ratings.require(volts, "voltage");
    Ratings.require(amperes, "current");
  }
}
