package org.yellowhearth.core.learn;

import java.util.Map;
import java.util.TreeMap;

/**
 * How readings are spread, from counts in classes: within a class they are taken as evenly spread,
 * so that no figure is more exact than its class is wide.
 *
 * @param tenth one in ten lies below
 * @param median half lie below
 * @param ninth one in ten lies above
 */
public record Spread(long seen, double tenth, double median, double ninth) {
  private static final double TENTH = 0.1;
  private static final double HALF = 0.5;

  /**
   * The spread of counted classes.
   *
   * @param classes how many lie in each class; class k holds what lies from k to k + 1 widths
   * @param width of a class
   */
  static Spread of(Map<Integer, Long> classes, double width) {
    TreeMap<Integer, Long> sorted = new TreeMap<>(classes);
    long seen = sorted.values().stream().mapToLong(Long::longValue).sum();
    return new Spread(
        seen,
        at(sorted, TENTH * seen) * width,
        at(sorted, HALF * seen) * width,
        at(sorted, (1 - TENTH) * seen) * width);
  }

  private static double at(TreeMap<Integer, Long> sorted, double rank) {
    double before = 0;
    for (Map.Entry<Integer, Long> e : sorted.entrySet()) {
      if (before + e.getValue() >= rank) {
        return e.getKey() + (rank - before) / e.getValue();
      }
      before += e.getValue();
    }
    return sorted.lastKey() + 1.0;
  }
}
