package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The limits of one kind of capacitor in one profile. Capacitances are fractions of the marked
 * value.
 *
 * @param kept the window of capacitance against marking
 * @param dissipation limits at 100 Hz by rated voltage, rising; empty where dissipation is not
 *     judged
 * @param oxideDissipation the part of the dissipation that stays the same at all frequencies (see
 *     {@link DissipationLimit})
 */
public record Limits(
    Kept kept,
    List<DissipationLimit> dissipation,
    double oxideDissipation,
    Optional<LeakageLimit> leakage,
    Optional<InsulationLimit> insulation,
    Cited cited) {
  public Limits {
    dissipation = List.copyOf(dissipation);
  }

  /** Capacitance below or above which a part is watched, and below or above which it is renewed. */
  public record Kept(double renewBelow, double watchBelow, double watchAbove, double renewAbove) {}

  /**
   * Dissipation at 100 Hz above which a part up to a rated voltage is watched or renewed. At other
   * frequencies the limit follows from a constant resistance of the electrolyte and a constant
   * dissipation of the oxide: ESR(f) = (D − Dox)/(2π·100 Hz·C) + Dox/(2π·f·C).
   */
  public record DissipationLimit(double upToVolts, double watchAbove, double renewAbove) {}

  /**
   * Insulation as R·C in seconds (MΩ·µF) below which a part is watched or renewed; never more than
   * a resistance asked.
   */
  public record InsulationLimit(
      double renewBelowSeconds, double watchBelowSeconds, double enoughOhms) {}

  /** The ids of the sources behind each criterion. */
  public record Cited(String kept, String dissipation, String leakage, String insulation) {}

  /**
   * The dissipation limit for a rated voltage; for an unknown voltage the loosest, empty where none
   * is set.
   */
  public Optional<DissipationLimit> dissipationFor(OptionalDouble ratedVolts) {
    if (dissipation.isEmpty()) {
      return Optional.empty();
    }
    if (ratedVolts.isEmpty()) {
      return dissipation.stream().max((a, b) -> Double.compare(a.renewAbove, b.renewAbove));
    }
    return dissipation.stream().filter(l -> ratedVolts.getAsDouble() <= l.upToVolts).findFirst();
  }
}
