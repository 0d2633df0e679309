package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.function.Function;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.replace.Combination.One;
import org.yellowhearth.core.replace.Combination.Parallel;
import org.yellowhearth.core.replace.Combination.Series;

/**
 * Finds which one to four capacitors of a drawer together stand best for one that is wanted.
 *
 * <p>Of one, two and three every way of connecting them is looked at; of four those that are two
 * pairs, as many as the bound allows. Method: the drawer is sorted by value; to each pair the
 * values that a third, or another pair, may have are one stretch of the sorted list, which grows
 * narrower as better ones are found.
 */
public final class CombinationSearch {
  /**
   * What another part in it is worth in log distance of value: two near parts are better than three
   * nearer ones.
   */
  static final double PER_PART = 0.03;

  private static final int MOST_OF_FOUR = 400_000;

  private final Candidate[] drawer;
  private final double[] farads;
  private final Wanted wanted;
  private final int most;
  private final PriorityQueue<Found> best = new PriorityQueue<>(Comparator.reverseOrder());
  private final Map<String, Found> alike = new HashMap<>();
  private int looks;
  private boolean complete = true;

  /**
   * What is wanted.
   *
   * @param farads the value to come near to
   * @param leastFarads the lower edge of what will do
   * @param mostFarads the upper edge
   * @param volts it has to stand for good
   * @param rippleAmperes it has to stand; 0 where that does not matter
   * @param unpolarised whether it must not mind either way round
   */
  public record Wanted(
      double farads,
      double leastFarads,
      double mostFarads,
      double volts,
      double rippleAmperes,
      boolean unpolarised) {
    public Wanted {
      if (!(leastFarads > 0
          && leastFarads <= farads
          && farads <= mostFarads
          && volts > 0
          && rippleAmperes >= 0)) {
        throw new IllegalArgumentException(
            "no such wish: "
                + farads
                + " F within "
                + leastFarads
                + " to "
                + mostFarads
                + ", "
                + volts
                + " V, "
                + rippleAmperes
                + " A");
      }
    }
  }

  /**
   * A combination and how far it is from what is wanted: log distance of value, a little for each
   * part, then the price.
   */
  public record Found(Combination combination, double distance) implements Comparable<Found> {
    @Override
    public int compareTo(Found other) {
      int byDistance = Double.compare(distance, other.distance);
      return byDistance != 0
          ? byDistance
          : Double.compare(combination.price(), other.combination.price());
    }
  }

  /**
   * What came of it, best first.
   *
   * @param complete whether every pair of pairs was looked at too
   */
  public record Result(List<Found> best, boolean complete) {}

  private record Pair(int a, int b, boolean series, double farads) {
    boolean has(int k) {
      return k == a || k == b;
    }
  }

  private CombinationSearch(List<Candidate> all, Wanted wanted, int most) {
    this.wanted = wanted;
    this.most = most;
    drawer =
        all.stream()
            .filter(c -> !(wanted.unpolarised && c.polar()))
            .sorted(Comparator.comparingDouble(Candidate::farads))
            .toArray(Candidate[]::new);
    farads = Arrays.stream(drawer).mapToDouble(Candidate::farads).toArray();
  }

  /** The best combinations out of a drawer. */
  public static Result of(List<Candidate> drawer, Wanted wanted, int most) {
    CombinationSearch search = new CombinationSearch(drawer, wanted, most);
    search.run();
    List<Found> found = new ArrayList<>(search.best);
    found.sort(null);
    return new Result(List.copyOf(found), search.complete);
  }

  private void run() {
    List<Pair> pairs = new ArrayList<>();
    for (int a = 0; a < drawer.length; a++) {
      offer(farads[a], 1, one(a), Function.identity());
      for (int b = a + 1; b < drawer.length; b++) {
        pairs.add(new Pair(a, b, false, farads[a] + farads[b]));
        pairs.add(new Pair(a, b, true, farads[a] * farads[b] / (farads[a] + farads[b])));
      }
    }
    pairs.forEach(p -> offer(p.farads, 2, p, this::made));
    pairs.forEach(this::withAThird);
    pairs.sort(Comparator.comparingDouble(Pair::farads));
    double[] values = pairs.stream().mapToDouble(Pair::farads).toArray();
    for (int k = 0; k < values.length && complete; k++) {
      withAnother(pairs, values, k);
    }
  }

  private Combination one(int k) {
    return new One(drawer[k]);
  }

  private Combination made(Pair p) {
    List<Combination> both = List.of(one(p.a), one(p.b));
    return p.series ? new Series(both) : new Parallel(both);
  }

  /** How far a value may still be from what is wanted to be of interest. */
  private double reach(int parts) {
    double edge =
        Math.max(
            Math.log(wanted.mostFarads / wanted.farads),
            Math.log(wanted.farads / wanted.leastFarads));
    return best.size() < most
        ? edge
        : Math.min(edge, best.peek().distance - PER_PART * (parts - 1));
  }

  private double low(int parts) {
    return Math.max(wanted.leastFarads, wanted.farads * Math.exp(-reach(parts)));
  }

  private double high(int parts) {
    return Math.min(wanted.mostFarads, wanted.farads * Math.exp(reach(parts)));
  }

  private void withAThird(Pair p) {
    // Of three alike, each only once: the third stands behind the other two.
    int from = p.series ? 0 : p.b + 1;
    for (int k = Math.max(from, first(farads, low(3) - p.farads));
        k < farads.length && farads[k] <= high(3) - p.farads;
        k++) {
      int third = k;
      if (!p.has(k)) {
        offer(
            p.farads + farads[k],
            3,
            p,
            q ->
                q.series
                    ? new Parallel(List.of(one(third), made(q)))
                    : new Parallel(List.of(one(q.a), one(q.b), one(third))));
      }
    }
    int behind = p.series ? p.b + 1 : 0;
    for (int k = Math.max(behind, first(farads, inverse(1 / low(3) - 1 / p.farads)));
        k < farads.length && farads[k] <= inverse(1 / high(3) - 1 / p.farads);
        k++) {
      int third = k;
      if (!p.has(k)) {
        offer(
            1 / (1 / p.farads + 1 / farads[k]),
            3,
            p,
            q ->
                q.series
                    ? new Series(List.of(one(q.a), one(q.b), one(third)))
                    : new Series(List.of(one(third), made(q))));
      }
    }
  }

  private void withAnother(List<Pair> pairs, double[] values, int at) {
    Pair p = pairs.get(at);
    for (int k = Math.max(at + 1, first(values, low(4) - p.farads));
        k < values.length && values[k] <= high(4) - p.farads;
        k++) {
      Pair other = pairs.get(k);
      if (goesWith(p, other)) {
        offer(p.farads + other.farads, 4, p, q -> new Parallel(List.of(made(q), made(other))));
      }
    }
    for (int k = Math.max(at + 1, first(values, inverse(1 / low(4) - 1 / p.farads)));
        k < values.length && values[k] <= inverse(1 / high(4) - 1 / p.farads);
        k++) {
      Pair other = pairs.get(k);
      if (goesWith(p, other)) {
        offer(
            1 / (1 / p.farads + 1 / other.farads),
            4,
            p,
            q -> new Series(List.of(made(q), made(other))));
      }
    }
  }

  private boolean goesWith(Pair p, Pair other) {
    complete = ++looks <= MOST_OF_FOUR;
    return complete && !p.has(other.a) && !p.has(other.b);
  }

  /** A capacitance from its reciprocal; without end where none is small enough. */
  private static double inverse(double reciprocal) {
    return reciprocal > 0 ? 1 / reciprocal : Double.POSITIVE_INFINITY;
  }

  /** The first of the sorted values that is not below a bound. */
  private static int first(double[] sorted, double bound) {
    int k = Arrays.binarySearch(sorted, bound);
    if (k < 0) {
      return -k - 1;
    }
    while (k > 0 && sorted[k - 1] == bound) {
      k--;
    }
    return k;
  }

  private <T> void offer(double value, int parts, T of, Function<T, ? extends Combination> made) {
    if (value < wanted.leastFarads || value > wanted.mostFarads) {
      return;
    }
    double distance = Math.abs(Math.log(value / wanted.farads)) + PER_PART * (parts - 1);
    if (best.size() == most && distance > best.peek().distance) {
      return;
    }
    Combination c = made.apply(of);
    if (!Edge.atLeast(c.ratedVolts(), wanted.volts)
        || c.rippleAmperes().orElse(0) < wanted.rippleAmperes) {
      return;
    }
    Found found = new Found(c, distance);
    Found same = alike.get(c.make());
    if (same != null) {
      // The same of other boxes is no other proposal: the cheaper stands.
      if (found.compareTo(same) >= 0) {
        return;
      }
      best.remove(same);
    }
    alike.put(c.make(), found);
    best.add(found);
    if (best.size() > most) {
      alike.remove(best.poll().combination.make());
    }
  }
}
