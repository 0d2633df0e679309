package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.OptionalDouble;

/**
 * The series resistance that the trade expects of a sound capacitor at high frequency at most, by
 * capacitance and rated voltage; rough, makers differ by a factor of two.
 *
 * @param family of which it speaks
 * @param leastHertz below this frequency the losses of the oxide count too and it does not hold
 * @param columns by rated voltage, rising
 */
public record EsrChart(Family family, double leastHertz, List<Column> columns, String source) {
  /** So far beyond its last point a column is still carried on. */
  private static final double BEYOND = 4;

  public EsrChart {
    columns = List.copyOf(columns);
  }

  /**
   * The values for all parts up to a rated voltage.
   *
   * @param points by rising capacitance
   */
  public record Column(double upToVolts, List<Point> points) {
    public Column {
      points = List.copyOf(points);
      if (points.size() < 2) {
        throw new IllegalArgumentException("a column of the chart needs two points");
      }
    }
  }

  /** One value of the chart. */
  public record Point(double farads, double ohms) {}

  /**
   * What is expected at most in Ω, between the points by straight lines of the logarithms; of an
   * unknown rating the loosest. Empty where the chart says nothing.
   */
  public OptionalDouble ohms(Family of, double farads, OptionalDouble ratedVolts) {
    if (of != family) {
      return OptionalDouble.empty();
    }
    return ratedVolts.isPresent()
        ? columns.stream()
            .filter(c -> ratedVolts.getAsDouble() <= c.upToVolts)
            .limit(1)
            .flatMapToDouble(c -> ohms(c.points, farads).stream())
            .findFirst()
        : columns.stream().flatMapToDouble(c -> ohms(c.points, farads).stream()).max();
  }

  private static OptionalDouble ohms(List<Point> points, double farads) {
    if (farads < points.getFirst().farads / BEYOND || farads > points.getLast().farads * BEYOND) {
      return OptionalDouble.empty();
    }
    int at = 1;
    while (at < points.size() - 1 && farads > points.get(at).farads) {
      at++;
    }
    Point low = points.get(at - 1);
    Point high = points.get(at);
    double share = Math.log(farads / low.farads) / Math.log(high.farads / low.farads);
    return OptionalDouble.of(low.ohms * Math.pow(high.ohms / low.ohms, share));
  }
}
