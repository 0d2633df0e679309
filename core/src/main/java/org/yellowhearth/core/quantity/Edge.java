package org.yellowhearth.core.quantity;

/**
 * Figures held against limits, everywhere in the same way: what lies at a limit is inside. Decimal
 * figures have no exact double, and 13.8 − 0.1 comes out a hair above 13.7; so a figure that lies
 * beyond its limit by no more than a part in 10<sup>13</sup> of the larger of the numbers compared
 * lies at it. No meter shows so many digits, and the arithmetic here is wrong by less (IEEE 754: a
 * part in 10<sup>16</sup> a step).
 */
public final class Edge {
  /** What is no difference, as a share of the larger number. */
  public static final double NO_DIFFERENCE = 1e-13;

  private Edge() {}

  /** Whether a figure is no more than a limit. */
  public static boolean atMost(double figure, double limit) {
    return atMost(figure, limit, 0);
  }

  /**
   * The same for a figure that is itself a difference.
   *
   * @param of the size of the numbers that it is the difference of
   */
  public static boolean atMost(double figure, double limit, double of) {
    return figure <= limit
        || figure - limit
            <= NO_DIFFERENCE * Math.max(Math.abs(of), Math.max(Math.abs(figure), Math.abs(limit)));
  }

  /** Whether a figure is no less than a limit. */
  public static boolean atLeast(double figure, double limit) {
    return atMost(/* figure= */ limit, /* limit= */ figure);
  }

  /** Whether a figure lies between two limits, or at one. */
  public static boolean within(double figure, double least, double most) {
    return atLeast(figure, least) && atMost(figure, most);
  }

  /** Whether a figure lies no further from a target than it may. */
  public static boolean near(double figure, double target, double tolerance) {
    return atMost(
        Math.abs(figure - target), tolerance, Math.max(Math.abs(figure), Math.abs(target)));
  }
}
