package org.yellowhearth.core.finaltest;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * A range of an instrument against its limits. The uncertainty of the reference stands between
 * right and wrong: a point passes when its error and that uncertainty together are within the
 * limit, fails when the error less the uncertainty is beyond it, and else is not decided (guard
 * bands as in ISO 14253-1, from memory).
 *
 * @param residual root mean square of the errors, in the unit of the range
 */
public record Accuracy(List<Line> lines, double residual) {
  /** What a point says. */
  public enum AccuracyVerdict implements Coded {
    WITHIN,
    UNDECIDED,
    BEYOND
  }

  /**
   * A point.
   *
   * @param error shown less applied
   * @param ofReading error against what was applied; none at zero
   * @param ofFullScale error against full scale, where there is one
   * @param limit either way
   * @param reference uncertainty of what was applied, either way
   */
  public record Line(
      double applied,
      double shown,
      double error,
      OptionalDouble ofReading,
      OptionalDouble ofFullScale,
      double limit,
      double reference,
      AccuracyVerdict verdict) {}

  public Accuracy {
    lines = List.copyOf(lines);
  }

  /** The points of a range. */
  public static Accuracy of(AccuracyTest test) {
    List<Line> lines = test.points().stream().map(p -> line(test, p)).toList();
    double squares = lines.stream().mapToDouble(l -> l.error * l.error).average().orElse(0);
    return new Accuracy(lines, Math.sqrt(squares));
  }

  private static Line line(AccuracyTest t, AccuracyTest.AccuracyPoint p) {
    double error = p.shown() - p.applied();
    double limit = t.limitAt(p.applied());
    double reference = t.referenceUncertainty() * Math.abs(p.applied());
    AccuracyVerdict verdict =
        Edge.atMost(Math.abs(error) + reference, limit, p.applied())
            ? AccuracyVerdict.WITHIN
            : Edge.atMost(Math.abs(error) - reference, limit, p.applied())
                ? AccuracyVerdict.UNDECIDED
                : AccuracyVerdict.BEYOND;
    return new Line(
        p.applied(),
        p.shown(),
        error,
        p.applied() == 0
            ? OptionalDouble.empty()
            : OptionalDouble.of(error / Math.abs(p.applied())),
        t.fullScale().isPresent()
            ? OptionalDouble.of(error / t.fullScale().getAsDouble())
            : OptionalDouble.empty(),
        limit,
        reference,
        verdict);
  }

  /** What the whole range says: its worst point. */
  public AccuracyVerdict verdict() {
    return lines.stream().map(Line::verdict).max(Enum::compareTo).orElse(AccuracyVerdict.UNDECIDED);
  }

  /**
   * Two references that read one thing: their difference against what both leave uncertain
   * (normalised error, ISO/IEC 17043, from memory). Up to one they agree; beyond it one of them is
   * wrong, and neither is proven to be.
   *
   * @param uncertainty expanded, in the same unit
   */
  public static double apart(
      double first, double uncertainty, double second, double otherUncertainty) {
    double both = Math.hypot(uncertainty, otherUncertainty);
    if (!(both > 0)) {
      throw new IllegalArgumentException("a reference without any uncertainty proves nothing");
    }
    return Math.abs(first - second) / both;
  }
}
