package org.yellowhearth.core.reform;

import java.util.List;
import java.util.OptionalDouble;

/**
 * When leakage will have fallen to a limit, as far as the curve so far can tell.
 *
 * @param median seconds since the voltage was reached; empty where it more likely never gets there
 * @param low a tenth of the chances lie before it; empty where even that is never
 * @param high nine tenths lie before it; empty where the upper end is open
 * @param withinPatience the chance that the limit is met before the patience is used up
 * @param plateau where the leakage would end (A), the middle of what fits
 */
public record Forecast(
    OptionalDouble median,
    OptionalDouble low,
    OptionalDouble high,
    double withinPatience,
    double plateau) {
  /** A point of the fan: leakage (A) at a time, the middle and the ends of the 80 % band. */
  public record Band(double seconds, double low, double middle, double high) {}

  /** Below this chance waiting is called useless. */
  private static final double HOPELESS = 0.05;

  /** No hope is given up before this share of the patience is used, nor on fewer readings. */
  private static final double EARLIEST = 0.1;

  private static final int FEWEST = 8;

  /** Whether the limit will hardly be met within the patience, however early that is to say. */
  public boolean unlikely() {
    return withinPatience < HOPELESS;
  }

  /** Whether waiting on is useless: unlikely to end well, and seen long enough to say so. */
  public boolean useless(List<Sampled> seen, double patience) {
    return unlikely() && seen.size() >= FEWEST && seen.getLast().seconds() >= EARLIEST * patience;
  }
}
