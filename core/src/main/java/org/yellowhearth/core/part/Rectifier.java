package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * A rectifier or diode without vacuum.
 *
 * @param plates the plates in series of a selenium or copper oxide stack
 * @param inverseVolts the peak inverse voltage it is rated for
 */
public record Rectifier(
    PartRef ref,
    String marking,
    RectifierTechnology make,
    OptionalInt plates,
    OptionalDouble inverseVolts,
    OptionalDouble amperes,
    String dateCode,
    String remark)
    implements Part {
  public Rectifier {
    if (!(make.law() instanceof RectifierTechnology.Stack)) {
      throw new IllegalArgumentException(
          "a rectifier with a vacuum or gas in it is listed as a valve");
    }
    Ratings.require(inverseVolts, "inverse voltage");
    Ratings.require(amperes, "current");
    if (plates.isPresent() && plates.getAsInt() < 1) {
      throw new IllegalArgumentException(
          "a stack has at least one plate, not " + plates.getAsInt());
    }
  }
}
