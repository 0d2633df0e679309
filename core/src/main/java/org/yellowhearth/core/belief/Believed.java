package org.yellowhearth.core.belief;

import java.util.Optional;
import org.yellowhearth.core.reading.Reading;

/**
 * One value of a part as it is taken to be.
 *
 * @param value in SI units
 * @param spread what one standard deviation is off, as a natural logarithm of the value; 0 where
 *     its origin says it
 * @param from the reading that it rests on, where it was measured
 */
public record Believed(double value, double spread, Origin origin, Optional<Reading> from) {
  static Believed of(double value, Origin origin) {
    return new Believed(value, 0, origin, Optional.empty());
  }

  static Believed measured(double value, Reading from) {
    return new Believed(
        value, from.conditions().uncertainty().orElse(0), Origin.MEASURED, Optional.of(from));
  }

  /** A value that no reading gives but what the part was found to be. */
  public static Believed by(double value, double spread) {
    return new Believed(value, spread, Origin.FOUND, Optional.empty());
  }
}
