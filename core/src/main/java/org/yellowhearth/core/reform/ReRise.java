package org.yellowhearth.core.reform;

import java.time.Duration;

/**
 * What leakage is to be expected after a rest: the oxide relaxes without voltage, by a share of its
 * formation voltage for every decade of days, and the leakage rises by exp(β·V/Vf·(Vf/Vf' − 1));
 * see {@link FormingCapacitor}. The share differs from part to part by several times, so that only
 * a range is given (common practice: little after a day, several times after months).
 *
 * @param low the least factor that is likely
 * @param high the most
 */
public record ReRise(double low, double high) {
  private static final double LEAST_SHARE = 0.005;
  private static final double MOST_SHARE = 0.03;
  private static final double STEEPNESS = 22;

  /** Where a run stops, the voltage stands a little below the formation voltage. */
  private static final double NEARNESS = 0.9;

  /** After a rest. */
  public static ReRise after(Duration rest) {
    if (rest.isNegative()) {
      throw new IllegalArgumentException("a rest of " + rest);
    }
    double decades = Math.log10(1 + rest.toMillis() / 86_400_000.0);
    return new ReRise(factor(LEAST_SHARE * decades), factor(MOST_SHARE * decades));
  }

  private static double factor(double lost) {
    double kept = Math.max(0.05, 1 - lost);
    return Math.exp(STEEPNESS * NEARNESS * (1 / kept - 1));
  }
}
