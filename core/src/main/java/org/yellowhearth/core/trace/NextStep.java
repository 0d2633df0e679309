package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.message.Coded;

/**
 * Something to measure or try next, with what it would show.
 *
 * @param at the point or the part
 * @param kind what the meter is set to, for a reading
 * @param bits how much of the doubt it takes away on the average
 * @param minutes what it takes
 * @param volts what stands there under power; 0 for work on the cold set
 * @param shows what the meter would show under the likeliest explanations
 */
public record NextStep(
    Way way,
    String at,
    Optional<Kind> kind,
    double bits,
    double minutes,
    double volts,
    List<Shown> shows) {
  /** What is done. */
  public enum Way implements Coded {
    /** Read a voltage under power. */
    READ,
    /** Clip a good capacitor across one, with the set off and discharged, and read again. */
    BRIDGE,
    /** Lift a leg and measure the part out of circuit. */
    LIFT,
    /** Take the load off and read again. */
    UNLOAD
  }

  /**
   * What it would show.
   *
   * @param parts of the explanation; none for a sound supply
   * @param volts what the meter shows; of a bridge after it was put
   * @param spread standard uncertainty
   */
  public record Shown(List<String> parts, double probability, double volts, double spread) {
    public Shown {
      parts = List.copyOf(parts);
    }
  }

  public NextStep {
    shows = List.copyOf(shows);
  }

  /** Doubt taken away for each minute, less where the point is dangerous. */
  public double worth() {
    return bits / minutes / (volts > 60 ? 1 + volts / 1000 : 1);
  }
}
