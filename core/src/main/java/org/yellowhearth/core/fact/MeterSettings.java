package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Mode;

/**
 * How the meter at the bench is set and connected until somebody says otherwise: what a typed
 * reading does not say is so.
 *
 * @param hertz the measuring frequency
 * @param instrument what is read with; empty where nobody said
 */
public record MeterSettings(
    OptionalDouble hertz, Mode mode, Connection connection, String instrument) implements Aspect {
  public static final MeterSettings BLANK = of(Conditions.UNSTATED);

  public MeterSettings {
    Checked.within("measuring frequency", hertz, 1, 10e6);
  }

  /** What these conditions say of the meter. */
  public static MeterSettings of(Conditions said) {
    return new MeterSettings(
        said.frequencyHertz(), said.mode(), said.connection(), said.instrument());
  }

  /** As the conditions of a reading that says nothing itself. */
  public Conditions conditions() {
    return Conditions.of(d -> {
      d.frequencyHertz = hertz;
      d.mode = mode;
      d.connection = connection;
      d.instrument = instrument;
    });
  }
}
