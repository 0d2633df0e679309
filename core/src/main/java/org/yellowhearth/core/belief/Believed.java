package org.yellowhearth.core.belief;

import java.util.Optional;
import org.yellowhearth.core.reading.Reading;

/**
 * One value of a part as it is taken to be.
 *
 * @param value in SI units
 * @param from the reading that it rests on, where it was measured
 */
public record Believed(double value, Origin origin, Optional<Reading> from) {
  static Believed of(double value, Origin origin) {
    return new Believed(value, origin, Optional.empty());
  }

  static Believed measured(double value, Reading from) {
    return new Believed(value, Origin.MEASURED, Optional.of(from));
  }
}
