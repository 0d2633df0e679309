package org.yellowhearth.core.supply;

import java.util.OptionalDouble;

/**
 * The output filter and the start-up of a switching converter, in closed form. Figures of a
 * converter whose choke or transformer never runs empty (continuous conduction), by its duty;
 * Erickson and Maksimović, Fundamentals of Power Electronics, from memory.
 */
public final class Converter {
  private Converter() {}

  /**
   * What the filter capacitor of an output sees at the switching frequency.
   *
   * @param capacitorAmperes RMS current through it
   * @param byCharge what its capacitance makes of that, peak to peak
   * @param byResistance what its series resistance makes of it, peak to peak
   */
  public record Ripple(double capacitorAmperes, double byCharge, double byResistance) {
    /**
     * Peak to peak of the output: exactly the sum for a flyback, at most the sum for a forward
     * converter.
     */
    public double peakToPeak() {
      return byCharge + byResistance;
    }
  }

  /**
   * Output of a flyback converter: the load runs from the capacitor while the switch conducts, and
   * all current comes back after it.
   */
  public static Ripple flyback(
      double amperes, double duty, double hertz, double farads, double esrOhms) {
    return new Ripple(
        amperes * Math.sqrt(duty / (1 - duty)),
        amperes * duty / (hertz * farads),
        amperes / (1 - duty) * esrOhms);
  }

  /** Output of a forward converter: a triangle of current from its choke. */
  public static Ripple forward(
      double volts, double duty, double hertz, double henries, double farads, double esrOhms) {
    double swing = volts * (1 - duty) / (hertz * henries);
    return new Ripple(swing / Math.sqrt(12), swing / (8 * hertz * farads), swing * esrOhms);
  }

  /**
   * Seconds until the controller's capacitor, charged through a resistor, comes to where the
   * controller starts; none where what it takes and what leaks keep it below for ever.
   */
  public static OptionalDouble startSeconds(
      double busVolts,
      double startOhms,
      double farads,
      double onVolts,
      double idleAmperes,
      double leakOhms) {
    double ohms = 1 / (1 / startOhms + 1 / leakOhms);
    double end = (busVolts / startOhms - idleAmperes) * ohms;
    return end > onVolts
        ? OptionalDouble.of(-ohms * farads * Math.log1p(-onVolts / end))
        : OptionalDouble.empty();
  }

  /**
   * The least capacitance that carries the controller from where it starts until its own winding
   * feeds it.
   */
  public static double leastStartFarads(
      double runAmperes, double takeoverSeconds, double onVolts, double offVolts) {
    return runAmperes * takeoverSeconds / (onVolts - offVolts);
  }
}
