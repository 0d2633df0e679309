package org.yellowhearth.core.numeric;

import java.util.function.DoublePredicate;

/**
 * Where a condition stops to hold, closed in by halving (bisection).
 *
 * @param holds the last place at which it was seen to hold
 * @param fails the first at which it was seen not to
 */
public record Halving(double holds, double fails) {
  /** Once a double lies between the two, halving goes no further. */
  private static final int MOST = 64;

  /**
   * Halves what lies between two places until they differ by no more than a share of themselves.
   */
  public static Halving between(
      double holds, double fails, double share, DoublePredicate condition) {
    double yes = holds;
    double no = fails;
    for (int k = 0;
        k < MOST && Math.abs(no - yes) > share * Math.max(Math.abs(no), Math.abs(yes));
        k++) {
      double middle = (yes + no) / 2;
      if (condition.test(middle)) {
        yes = middle;
      } else {
        no = middle;
      }
    }
    return new Halving(yes, no);
  }

  /** Half way between the two. */
  public double middle() {
    return (holds + fails) / 2;
  }
}
