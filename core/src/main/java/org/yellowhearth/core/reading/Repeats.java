package org.yellowhearth.core.reading;

import java.util.List;

/**
 * Several readings of one thing: their median, and those that lie so far from it that the clip is
 * to blame. The distance is measured in median absolute deviations, scaled to a standard deviation
 * (B. Iglewicz and D. C. Hoaglin, How to Detect and Handle Outliers, 1993: 3.5 such deviations,
 * from memory); three readings or more are needed to single one out.
 *
 * @param spread half the range of all of them as a fraction of the median
 * @param outliers those that lie far off
 */
public record Repeats(double median, double spread, List<Double> outliers) {
  private static final double MODIFIED_Z = 3.5;
  private static final double TO_SIGMA = 0.6745;

  /**
   * Readings nearer to the median than this share of it are never called far off: no meter repeats
   * better.
   */
  private static final double LEAST_SHARE = 0.02;

  private static final int ENOUGH = 3;

  public Repeats {
    outliers = List.copyOf(outliers);
  }

  /** The statistics of at least one reading. */
  public static Repeats of(List<Double> all) {
    double median = median(all);
    double deviation = median(all.stream().map(v -> Math.abs(v - median)).toList());
    double far = Math.max(MODIFIED_Z * deviation / TO_SIGMA, LEAST_SHARE * Math.abs(median));
    double lowest = all.stream().mapToDouble(Double::doubleValue).min().orElseThrow();
    double highest = all.stream().mapToDouble(Double::doubleValue).max().orElseThrow();
    return new Repeats(
        median,
        median == 0 ? 0 : (highest - lowest) / 2 / Math.abs(median),
        all.size() < ENOUGH
            ? List.of()
            : all.stream().filter(v -> Math.abs(v - median) > far).toList());
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    int n = sorted.size();
    return n % 2 == 1 ? sorted.get(n / 2) : (sorted.get(n / 2 - 1) + sorted.get(n / 2)) / 2;
  }
}
