package org.yellowhearth.core.finaltest;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.numeric.StraightLine;

/**
 * Whether something moves: a straight line through its readings by least squares, its slope with
 * the uncertainty that their own scatter gives it (Student, 95 %), and what both come to over the
 * hours of the burn-in, against the bound.
 *
 * @param perHour the slope
 * @param over what it comes to over the whole time
 * @param unsure either way of that
 * @param readings that count: those after the warm-up
 */
public record Drift(
    DriftVerdict verdict, double perHour, double over, double unsure, int readings) {
  /** Everything moves while it warms up (common practice: an hour). */
  public static final double WARM_UP_HOURS = 1;

  private static final int FEWEST = 4;
  private static final double NORMAL = 1.959964;
  private static final double[] FEW = {12.706, 4.303};

  /** What it says. */
  public enum DriftVerdict implements Coded {
    /** Too few readings after the warm-up. */
    TOO_FEW,
    /** It stays within the bound. */
    STEADY,
    /** The readings scatter too much to tell. */
    UNDECIDED,
    /** It moves by more than the bound. */
    DRIFTS
  }

  /** A reading at a time. */
  public record At(double hours, double value) {}

  /**
   * The drift of a channel.
   *
   * @param hours of the whole burn-in
   * @param bound how far it may move over them
   */
  public static Drift of(List<At> readings, double hours, double bound) {
    List<At> warm = readings.stream().filter(r -> r.hours >= WARM_UP_HOURS).toList();
    int n = warm.size();
    if (n < FEWEST) {
      return new Drift(DriftVerdict.TOO_FEW, 0, 0, Double.POSITIVE_INFINITY, n);
    }
    Optional<StraightLine> through =
        StraightLine.through(
            warm.stream().map(r -> new StraightLine.Point(r.hours, r.value)).toList());
    if (through.isEmpty()) {
      return new Drift(DriftVerdict.TOO_FEW, 0, 0, Double.POSITIVE_INFINITY, n);
    }
    StraightLine line = through.orElseThrow();
    double slope = line.slope();
    double unsure = student(n - 2) * line.slopeSpread().orElseThrow() * hours;
    double over = slope * hours;
    DriftVerdict verdict =
        Math.abs(over) - unsure > bound
            ? DriftVerdict.DRIFTS
            : Math.abs(over) + unsure < bound ? DriftVerdict.STEADY : DriftVerdict.UNDECIDED;
    return new Drift(verdict, slope, over, unsure, n);
  }

  /**
   * Student's factor for 95 % either way (Abramowitz and Stegun 26.7.5; its table for one and two).
   */
  static double student(int freedom) {
    if (freedom <= FEW.length) {
      return FEW[freedom - 1];
    }
    double z = NORMAL;
    double n = freedom;
    double z3 = z * z * z;
    double z5 = z3 * z * z;
    double z7 = z5 * z * z;
    double z9 = z7 * z * z;
    return z
        + (z3 + z) / (4 * n)
        + (5 * z5 + 16 * z3 + 3 * z) / (96 * n * n)
        + (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * n * n * n)
        + (79 * z9 + 776 * z7 + 1482 * z5 - 1920 * z3 - 945 * z) / (92_160 * n * n * n * n);
  }
}
