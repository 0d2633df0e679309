package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Group;
import org.yellowhearth.core.fact.Choice.Joined;
import org.yellowhearth.core.fact.Choice.Way;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Edge;

/**
 * One resistor or two that stand for one that is wanted: in series one current flows through both,
 * so that heat divides by their ohms; side by side by what they conduct.
 */
public final class ResistorSearch {
  private static final double PER_PART = 0.02;

  /** One that takes less of the heat than this share helps nobody (our own step). */
  private static final double LEAST_SHARE = 0.05;

  private ResistorSearch() {}

  /**
   * What was found.
   *
   * @param watts what both together may turn to heat until the first is at its limit
   * @param shares how the heat divides, as shares of the whole
   * @param distance log distance of value, a little for another part
   */
  public record Found(
      List<StockPart> parts,
      Joined joined,
      double ohms,
      double watts,
      List<Double> shares,
      double distance) {
    public Found {
      parts = List.copyOf(parts);
      shares = List.copyOf(shares);
    }

    /** This as a choice for a part. */
    public Choice choice(PartRef part) {
      return new Choice(
          Choice.idOf(part),
          part,
          joined,
          parts.stream().map(p -> new Group(List.of(p.taken()))).toList(),
          OptionalDouble.empty(),
          Way.UNSTATED,
          false,
          "");
    }
  }

  /**
   * The best, nearest first, the cheaper where two are alike.
   *
   * @param tolerance how far the value may lie off, as a share
   */
  public static List<Found> of(
      List<StockPart> stock, double ohms, double watts, double tolerance, int most) {
    if (!(ohms > 0 && watts > 0 && tolerance > 0)) {
      throw new IllegalArgumentException("ohms, watts and tolerance above zero are needed");
    }
    List<StockPart> fit =
        stock.stream()
            .filter(s -> s.ware() instanceof ResistorWare r && r.watts() >= watts / 20)
            .sorted(Comparator.comparingDouble(StockPart::value))
            .toList();
    List<Found> all = new ArrayList<>();
    for (int i = 0; i < fit.size(); i++) {
      StockPart a = fit.get(i);
      keep(
          new Found(
              List.of(a),
              Joined.SERIES,
              a.value(),
              watts(a),
              List.of(1.0),
              distance(a.value(), ohms, 1)),
          watts,
          tolerance,
          all);
      for (int j = i; j < fit.size(); j++) {
        StockPart b = fit.get(j);
        if (i == j && a.whence() == Whence.DRAWER && a.quantity().orElse(0) < 2) {
          continue;
        }
        double sum = a.value() + b.value();
        if (near(sum, ohms, tolerance)) {
          keep(pair(a, b, Joined.SERIES, sum, a.value() / sum, ohms), watts, tolerance, all);
        }
        double beside = a.value() * b.value() / sum;
        if (near(beside, ohms, tolerance)) {
          keep(pair(a, b, Joined.PARALLEL, beside, b.value() / sum, ohms), watts, tolerance, all);
        }
      }
    }
    all.sort(
        Comparator.comparingDouble(Found::distance)
            .thenComparingDouble(
                f -> f.parts().stream().mapToDouble(p -> p.price().orElse(0)).sum())
            .thenComparingDouble(Found::watts));
    return List.copyOf(all.subList(0, Math.min(most, all.size())));
  }

  private static Found pair(
      StockPart a, StockPart b, Joined joined, double value, double shareOfA, double wanted) {
    double watts = Math.min(watts(a) / shareOfA, watts(b) / (1 - shareOfA));
    return new Found(
        List.of(a, b),
        joined,
        value,
        watts,
        List.of(shareOfA, 1 - shareOfA),
        distance(value, wanted, 2));
  }

  private static double watts(StockPart s) {
    return ((ResistorWare) s.ware()).watts();
  }

  private static boolean near(double value, double wanted, double tolerance) {
    return Math.abs(value / wanted - 1) <= tolerance;
  }

  private static double distance(double value, double wanted, int parts) {
    return Math.abs(Math.log(value / wanted)) + PER_PART * (parts - 1);
  }

  private static void keep(Found f, double watts, double tolerance, List<Found> all) {
    if (f.shares().stream().allMatch(s -> s >= LEAST_SHARE)
        && Edge.atLeast(f.watts(), watts)
        && f.distance() <= Math.log(1 + tolerance) + PER_PART) {
      all.add(f);
    }
  }
}
