package org.yellowhearth.core.numeric;

import java.util.List;
import java.util.Optional;

/**
 * The straight line through points by least squares (any textbook of statistics, for example
 * Bevington and Robinson, Data Reduction and Error Analysis for the Physical Sciences, chapter 6,
 * from memory).
 *
 * @param at0 its value where x is 0
 * @param slope how much it rises for each of x
 * @param slopeSpread the standard deviation of the slope, from how far the points lie from the
 *     line; two points say nothing of it
 */
public record StraightLine(double at0, double slope, Optional<Double> slopeSpread) {
  /** A point. */
  public record Point(double x, double y) {}

  /** The line; empty where the points do not differ in x. */
  public static Optional<StraightLine> through(List<Point> points) {
    double meanX = points.stream().mapToDouble(Point::x).average().orElse(0);
    double meanY = points.stream().mapToDouble(Point::y).average().orElse(0);
    double xx = points.stream().mapToDouble(p -> (p.x - meanX) * (p.x - meanX)).sum();
    double xy = points.stream().mapToDouble(p -> (p.x - meanX) * (p.y - meanY)).sum();
    if (!(xx > 0)) {
      return Optional.empty();
    }
    double slope = xy / xx;
    double squares =
        points.stream()
            .mapToDouble(p -> p.y - meanY - slope * (p.x - meanX))
            .map(off -> off * off)
            .sum();
    int freedom = points.size() - 2;
    return Optional.of(
        new StraightLine(
            meanY - slope * meanX,
            slope,
            freedom > 0 ? Optional.of(Math.sqrt(squares / freedom / xx)) : Optional.empty()));
  }

  /** Its value at a place. */
  public double at(double x) {
    return at0 + slope * x;
  }
}
