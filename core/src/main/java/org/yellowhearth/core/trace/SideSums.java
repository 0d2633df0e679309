package org.yellowhearth.core.trace;

import java.util.OptionalDouble;

/**
 * Small sums beside the supply model: a relay that comes late, a divider, an adjuster, a regulator
 * that runs hot.
 */
public final class SideSums {
  private SideSums() {}

  /**
   * A capacitor that is charged through a resistor until a relay or gate acts.
   *
   * @param endVolts what it comes to: V·R_leak/(R + R_leak)
   * @param secondsConstant its time constant (R ∥ R_leak)·C
   * @param delaySeconds until the threshold is reached; none where it never is
   */
  public record Delay(double endVolts, double secondsConstant, OptionalDouble delaySeconds) {}

  /** A delay of a timing circuit; a leak of infinite ohms is a sound capacitor. */
  public static Delay delay(
      double volts, double ohms, double farads, double leakOhms, double thresholdVolts) {
    require(
        volts > 0 && ohms > 0 && farads > 0 && leakOhms > 0 && thresholdVolts > 0,
        "supply, resistor, capacitance, leakage and threshold must be above zero");
    double share = Double.isInfinite(leakOhms) ? 1 : leakOhms / (ohms + leakOhms);
    double end = volts * share;
    double tau = ohms * share * farads;
    return new Delay(
        end,
        tau,
        thresholdVolts < end
            ? OptionalDouble.of(-tau * Math.log1p(-thresholdVolts / end))
            : OptionalDouble.empty());
  }

  /** The middle of a divider, with a load across its lower part; an infinite load is none. */
  public static double divider(double volts, double upperOhms, double lowerOhms, double loadOhms) {
    require(
        upperOhms >= 0 && lowerOhms > 0 && loadOhms > 0,
        "the resistors of a divider must be above zero");
    double lower =
        Double.isInfinite(loadOhms) ? lowerOhms : lowerOhms * loadOhms / (lowerOhms + loadOhms);
    return volts * lower / (upperOhms + lower);
  }

  /** What a control between two resistors can reach. */
  public record Reach(double lowest, double highest) {}

  /** The reach of a control with a resistor above it and one below. */
  public static Reach adjuster(
      double volts, double upperOhms, double controlOhms, double lowerOhms) {
    require(
        upperOhms >= 0 && controlOhms > 0 && lowerOhms >= 0,
        "the control must be above zero ohms, its neighbours zero or more");
    double whole = upperOhms + controlOhms + lowerOhms;
    double a = volts * lowerOhms / whole;
    double b = volts * (lowerOhms + controlOhms) / whole;
    return new Reach(Math.min(a, b), Math.max(a, b));
  }

  /**
   * The temperature inside a regulator: that around it and its power times the thermal resistance,
   * Ta + P·θ.
   */
  public static double junctionCelsius(double aroundCelsius, double watts, double kelvinPerWatt) {
    require(watts >= 0 && kelvinPerWatt > 0, "power and thermal resistance must not be below zero");
    return aroundCelsius + watts * kelvinPerWatt;
  }

  private static void require(boolean so, String why) {
    if (!so) {
      throw new IllegalArgumentException(why);
    }
  }
}
