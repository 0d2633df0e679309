package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * What a meter showed between a point of the supply and the chassis, under power; or what the whole
 * set takes from the mains.
 *
 * @param volts what it showed; of alternating voltage as the meter reads it; of power in W
 * @param lineVolts the mains at that time
 * @param meterOhms what the meter loads the point with; nothing to speak of where it is not said
 * @param uncertainty standard uncertainty of the meter as a fraction of the reading; 2 % where it
 *     is not said
 * @param secondsOn since the set was switched on
 * @param settings how the controls stood, where that matters
 * @param after the change it was taken after; empty for the set as it came
 * @param bridged capacitors that were clipped across others at that time
 * @param twinVolts what a working twin reads there
 */
public record SupplyReading(
    String id,
    Instant at,
    String point,
    Kind kind,
    double volts,
    OptionalDouble lineVolts,
    OptionalDouble meterOhms,
    OptionalDouble uncertainty,
    State state,
    OptionalDouble secondsOn,
    String settings,
    String after,
    List<SupplyBridge.Clipped> bridged,
    OptionalDouble twinVolts)
    implements SupplyEvidence {
  /** What the meter takes in. */
  public enum Kind implements Coded {
    DIRECT,
    /** Alternating voltage, by its heating. */
    TRUE_RMS,
    /** Alternating voltage, rectified and scaled for sines. */
    AVERAGE,
    /** Alternating voltage from its lowest to its highest, as an oscilloscope shows it. */
    PEAK_TO_PEAK,
    /** Power that the whole set takes from the mains. */
    WATTS;

    /** Whether it reads the ripple and not the rail. */
    public boolean alternating() {
      return this == TRUE_RMS || this == AVERAGE || this == PEAK_TO_PEAK;
    }
  }

  /** What the set was doing; as usual where nothing is said. */
  public enum State implements Coded {
    UNSTATED,
    STANDBY,
    NO_SIGNAL,
    DRIVEN,
    KEYED
  }

  public SupplyReading {
    Item.requireId(id);
    SupplyEvidence.requireNode("the point a reading was taken at", point);
    Checked.within("reading", volts, -100_000, 100_000);
    if (kind != Kind.DIRECT && volts < 0) {
      throw new IllegalArgumentException(
          "an alternating voltage or a power is read as a magnitude, not " + volts);
    }
    if ((kind == Kind.WATTS) != point.equals(SupplyMains.POINT)) {
      throw new IllegalArgumentException(
          "watts, and nothing else, are read at the point " + SupplyMains.POINT);
    }
    Checked.within("mains voltage", lineVolts, 1, 1000);
    Checked.within("resistance of the meter", meterOhms, 100, 1e12);
    Checked.within("uncertainty of the meter", uncertainty, 0.0001, 0.5);
    Checked.within("time since it was switched on", secondsOn, 0, 1e7);
    Checked.within("reading of the twin", twinVolts, -100_000, 100_000);
    bridged = List.copyOf(bridged);
  }
}
