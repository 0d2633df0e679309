package org.yellowhearth.core.reading;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;

/** The frequencies that bench LCR and ESR meters measure at (common practice). */
public final class MeterFrequency {
  /** In hertz, rising. */
  public static final List<Double> USUAL = List.of(100.0, 120.0, 1e3, 10e3, 100e3);

  private MeterFrequency() {}

  /**
   * The usual frequency at which ESR, series capacitance and dissipation agree within the meter's
   * uncertainty, the nearest.
   */
  public static OptionalDouble agreeing(double esrOhms, double seriesFarads, double dissipation) {
    double exact = SeriesEquivalent.frequency(dissipation, seriesFarads, esrOhms);
    return USUAL.stream()
        .filter(f -> {
          double computed = SeriesEquivalent.esr(dissipation, f, seriesFarads);
          return Math.abs(esrOhms - computed)
              <= Uncertainty.ofAgreement(esrOhms, computed, dissipation);
        })
        .min(Comparator.comparingDouble(f -> Math.abs(Math.log(exact / f))))
        .map(OptionalDouble::of)
        .orElse(OptionalDouble.empty());
  }
}
