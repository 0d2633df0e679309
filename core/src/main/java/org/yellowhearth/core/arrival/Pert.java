package org.yellowhearth.core.arrival;

import org.yellowhearth.core.fact.ThreePoint;

/**
 * A sum of three-point estimates, each taken as beta-PERT: mean {@code (a + 4m + b)/6}, standard
 * deviation {@code (b − a)/6} (Malcolm, Roseboom, Clark and Fazar, Operations Research 7, 1959,
 * from memory). Lines are taken as independent, so their variances add; the range of the sum is
 * that of a normal distribution, kept within the sum of the extremes.
 */
public record Pert(double low, double mean, double high, double deviation) {
  public static final Pert NOTHING = new Pert(0, 0, 0, 0);

  /** Nine times in ten the outcome lies within this many standard deviations. */
  private static final double NINE_IN_TEN = 1.645;

  private static final double SIX = 6;

  /** One estimate. */
  public static Pert of(ThreePoint e) {
    return new Pert(
        e.low(), (e.low() + 4 * e.likely() + e.high()) / SIX, e.high(), (e.high() - e.low()) / SIX);
  }

  /** The sum of this and another that does not depend on it. */
  public Pert plus(Pert other) {
    return new Pert(
        low + other.low,
        mean + other.mean,
        high + other.high,
        Math.hypot(deviation, other.deviation));
  }

  /** The same in another measure, for example hours at a rate. */
  public Pert times(double factor) {
    return new Pert(low * factor, mean * factor, high * factor, deviation * factor);
  }

  /** The lower end of the range that holds nine times in ten. */
  public double from() {
    return Math.max(low, mean - NINE_IN_TEN * deviation);
  }

  /** The upper end of it. */
  public double to() {
    return Math.min(high, mean + NINE_IN_TEN * deviation);
  }
}
