package org.yellowhearth.core.part;

import java.util.OptionalDouble;

/** A meter movement. */
public record Movement(
    PartRef ref,
    String marking,
    OptionalDouble fullScaleAmperes,
    OptionalDouble ohms,
    String dateCode,
    String remark)
    implements Part {
  public Movement {
    Ratings.require(fullScaleAmperes, "full-scale current");
    Ratings.require(ohms, "resistance");
  }
}
