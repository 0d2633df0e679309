package org.yellowhearth.core.reading;

/**
 * Identities of a lossy capacitor between its series and parallel equivalents at one frequency (any
 * textbook of circuit theory): D = ω·Cs·ESR, Cp = Cs / (1 + D²), Rp = ESR · (1 + 1/D²).
 */
public final class SeriesEquivalent {
  private SeriesEquivalent() {}

  /** ESR in ohms from dissipation, frequency in hertz and series capacitance in farads. */
  public static double esr(double dissipation, double hertz, double seriesFarads) {
    return dissipation / (2 * Math.PI * hertz * seriesFarads);
  }

  /** Dissipation factor from series capacitance, ESR and frequency. */
  public static double dissipation(double seriesFarads, double esrOhms, double hertz) {
    return 2 * Math.PI * hertz * seriesFarads * esrOhms;
  }

  /** The frequency at which capacitance, ESR and dissipation agree. */
  public static double frequency(double dissipation, double seriesFarads, double esrOhms) {
    return dissipation / (2 * Math.PI * seriesFarads * esrOhms);
  }

  /** Series capacitance from the parallel one. */
  public static double seriesFromParallel(double parallelFarads, double dissipation) {
    return parallelFarads * (1 + dissipation * dissipation);
  }

  /** Parallel capacitance from the series one. */
  public static double parallelFromSeries(double seriesFarads, double dissipation) {
    return seriesFarads / (1 + dissipation * dissipation);
  }

  /** Magnitude of the impedance in ohms. */
  public static double impedance(double seriesFarads, double esrOhms, double hertz) {
    return Math.hypot(esrOhms, 1 / (2 * Math.PI * hertz * seriesFarads));
  }
}
