package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/**
 * Forecast of a leakage curve at constant voltage by the law
 *
 * <pre>
 * I(t) = a + b·(t + t0)^−n
 * </pre>
 *
 * <p>Method: a grid over the exponent n, the age t0 and the plateau a, each cell with its best b
 * (linear least squares in relative error), weighed by a Student likelihood of the residuals, with
 * a normal prior on n around 1 (the power law of published leakage curves, from memory) and half
 * the weight on curves that hardly have a plateau. Residuals far out count less (Huber's weights,
 * twice over), so a bad contact does not bend the curve. A curve's points tell less than their
 * number, since what the law leaves out is the same from one to the next: their weight is bounded.
 * For the same reason the extrapolation is widened in the logarithm of time, by a share found on
 * simulated and foreign decays and kept by a test.
 *
 * <p>Validity: at least {@link #FEWEST} points at one voltage, the supply not at its current limit;
 * a forecast ahead of more than some hundred times the time passed is a guess.
 */
public final class DecayFit {
  /** Fewer points than this are not extrapolated. */
  public static final int FEWEST = 5;

  /** Two dozen points well spread say about all there is to be said. */
  private static final double MOST_WEIGHT = 24;

  private static final int MOST_POINTS = 80;
  private static final double[] EXPONENTS = steps(0.3, 2.1, 19);
  private static final double[] AGES = {0, 0.02, 0.05, 0.1, 0.2, 0.35, 0.6, 1, 1.7, 3, 5, 9, 16};
  private static final double[] PLATEAUS = {
    0, 0.03, 0.07, 0.12, 0.18, 0.25, 0.32, 0.4, 0.48, 0.56, 0.64, 0.71, 0.77, 0.82, 0.86, 0.9, 0.93,
    0.955, 0.975, 0.99
  };
  private static final double[] STRETCHES = {0.35, 0.42, 0.5, 0.6, 0.72, 0.85, 1};
  private static final double[] TIME_CONSTANTS = {
    0.002, 0.005, 0.012, 0.03, 0.06, 0.1, 0.16, 0.25, 0.36, 0.5, 0.7, 1, 1.5, 2.5
  };
  private static final double[] SLOW = {
    0.1, 0.13, 0.16, 0.2, 0.25, 0.31, 0.38, 0.46, 0.56, 0.68, 0.82, 1, 1.25, 1.6, 2.1, 3, 4.5
  };
  private static final double[] RATIOS = {4, 8, 16, 32, 64};
  private static final double[] NONE = {};
  private static final double[] DRIFTS = {-1.5, -0.9, -0.43, 0, 0.43, 0.9, 1.5};

  /**
   * How far a forecast is widened: the standard deviation of the logarithm of log(time ahead / time
   * passed).
   */
  static final double WIDENING = 0.085;

  private static final double LEAST_ERROR = 0.012;
  private static final double PRIOR_POINTS = 3;
  private static final double HUBER = 2;

  /** A reading this far from its neighbours is doubted from the start. */
  private static final double FAR = 0.3;

  private static final double NEGLIGIBLE = 1e-4;
  private static final int FAN_POINTS = 12;
  private static final double LOW = 0.1;
  private static final double HIGH = 0.9;

  private final double[] t;
  private final double[] current;

  /**
   * What relative errors are relative to: the reading, or its neighbours' median where it stands
   * far off, so that a bad contact weighs no more.
   */
  private final double[] scale;

  private final double[] weight;
  private final List<Cell> cells = new ArrayList<>();

  /** One curve with its weight. */
  private record Cell(DecayShape shape, double plateau, double factor, double share) {
    double at(double seconds) {
      return plateau + factor * shape.at(seconds);
    }

    /** When it has fallen to a limit; infinite where it never does. */
    double reaches(double limit) {
      return plateau >= limit
          ? Double.POSITIVE_INFINITY
          : shape.reaches((limit - plateau) / factor);
    }

    Cell weighing(double other) {
      return new Cell(shape, plateau, factor, other);
    }
  }

  private record Weighed(double value, double share) {}

  private DecayFit(List<Sampled> points) {
    List<Sampled> kept = thinned(points);
    t = kept.stream().mapToDouble(Sampled::seconds).toArray();
    current = kept.stream().mapToDouble(Sampled::amperes).toArray();
    scale = neighbours(current);
    weight = new double[t.length];
    for (int k = 0; k < t.length; k++) {
      double far = Math.abs(current[k] / scale[k] - 1) / FAR;
      weight[k] = recency(k) * (far <= 1 ? 1 : 1 / far / far);
    }
    for (int pass = 0; pass < 3; pass++) {
      fit();
      if (pass < 2) {
        reweigh();
      }
    }
  }

  /**
   * A fit of points in order of time; empty where there are too few, or they do not spread over
   * time.
   */
  public static Optional<DecayFit> of(List<Sampled> points) {
    boolean enough =
        points.size() >= FEWEST && points.getLast().seconds() > 1.5 * points.getFirst().seconds();
    return enough ? Optional.of(new DecayFit(points)) : Optional.empty();
  }

  /** At most so many points, spread over the logarithm of time, the last ones always among them. */
  private static List<Sampled> thinned(List<Sampled> points) {
    if (points.size() <= MOST_POINTS) {
      return points;
    }
    double first = Math.log(points.getFirst().seconds());
    double span = Math.log(points.getLast().seconds()) - first;
    List<Sampled> kept = new ArrayList<>();
    int slot = -1;
    for (Sampled p : points.reversed()) {
      int its = (int) ((Math.log(p.seconds()) - first) / span * MOST_POINTS);
      if (its != slot) {
        kept.add(p);
        slot = its;
      }
    }
    Collections.reverse(kept);
    return kept;
  }

  private static double[] neighbours(double[] all) {
    double[] scales = new double[all.length];
    for (int k = 0; k < all.length; k++) {
      double[] near = Arrays.copyOfRange(all, Math.max(0, k - 2), Math.min(all.length, k + 3));
      Arrays.sort(near);
      double median = near[near.length / 2];
      scales[k] = Math.abs(all[k] / median - 1) > FAR ? median : all[k];
    }
    return scales;
  }

  private static double[] steps(double from, double to, int count) {
    double[] all = new double[count];
    for (int k = 0; k < count; k++) {
      all[k] = from + (to - from) * k / (count - 1);
    }
    return all;
  }

  private void fit() {
    cells.clear();
    double one = shapes().stream().mapToDouble(this::along).max().orElseThrow();
    double best = Math.max(one, alongTwofold());
    List<Cell> likely =
        cells.stream()
            .map(c -> c.weighing(Math.exp(c.share - best)))
            .filter(c -> c.share > NEGLIGIBLE)
            .toList();
    double sum = likely.stream().mapToDouble(Cell::share).sum();
    cells.clear();
    likely.forEach(c -> cells.add(c.weighing(c.share / sum)));
  }

  private List<DecayShape> shapes() {
    double last = t[t.length - 1];
    List<DecayShape> all = new ArrayList<>();
    for (double share : AGES) {
      for (double n : EXPONENTS) {
        all.add(new DecayShape.Power(n, share * last, last));
      }
    }
    for (double s : STRETCHES) {
      for (double share : TIME_CONSTANTS) {
        all.add(new DecayShape.Stretched(s, share * last));
      }
    }
    return all;
  }

  /** Every plateau with one shape; sums that are quadratic in the plateau are made once. */
  private double along(DecayShape shape) {
    double ww = 0;
    double wi = 0;
    double wii = 0;
    double wg = 0;
    double wgi = 0;
    double wgg = 0;
    double total = 0;
    for (int k = 0; k < t.length; k++) {
      double g = shape.at(t[k]);
      double w = weight[k] / square(scale[k]);
      total += weight[k];
      ww += w;
      wi += w * current[k];
      wii += w * square(scale[k]);
      wg += w * g;
      wgi += w * g * current[k];
      wgg += w * square(g);
    }
    double lowest = lowest();
    double best = Double.NEGATIVE_INFINITY;
    for (double share : PLATEAUS) {
      double a = share * lowest;
      double b = (wgi - a * wg) / wgg;
      if (b > 0) {
        best =
            Math.max(
                best, keep(shape, share, a, b, wii - 2 * a * wi + a * a * ww - b * b * wgg, total));
      }
    }
    return best;
  }

  /**
   * Two exponentials with every plateau, both factors by least squares; sums are linear in the
   * plateau and made once.
   */
  private double alongTwofold() {
    double best = Double.NEGATIVE_INFINITY;
    double last = t[t.length - 1];
    double lowest = lowest();
    double total = Arrays.stream(weight).sum();
    double[] one = new double[t.length];
    Arrays.fill(one, 1);
    double ii = product(current, current);
    double i1 = product(current, one);
    double ones = product(one, one);
    for (double slow : SLOW) {
      double[] g = exponential(slow * last);
      double gg = product(g, g);
      double gi = product(g, current);
      double g1 = product(g, one);
      for (double ratio : RATIOS) {
        double[] f = exponential(slow / ratio * last);
        double ff = product(f, f);
        double fg = product(f, g);
        double fi = product(f, current);
        double f1 = product(f, one);
        double det = ff * gg - fg * fg;
        for (double share : det > 1e-6 * ff * gg ? PLATEAUS : NONE) {
          double a = share * lowest;
          double fr = fi - a * f1;
          double gr = gi - a * g1;
          double b = (gg * fr - fg * gr) / det;
          double c = (ff * gr - fg * fr) / det;
          if (b > 0 && c > 0) {
            double squares = ii - 2 * a * i1 + a * a * ones - b * fr - c * gr;
            best =
                Math.max(
                    best,
                    keep(
                        new DecayShape.Twofold(slow / ratio * last, ratio, c / (b + c)),
                        share,
                        a,
                        b + c,
                        squares,
                        total));
          }
        }
      }
    }
    return best;
  }

  private double[] exponential(double tau) {
    double[] all = new double[t.length];
    for (int k = 0; k < t.length; k++) {
      all[k] = Math.exp(-t[k] / tau);
    }
    return all;
  }

  /** The sum of products, each point by its weight and in relative error. */
  private double product(double[] x, double[] y) {
    double sum = 0;
    for (int k = 0; k < t.length; k++) {
      sum += weight[k] / square(scale[k]) * x[k] * y[k];
    }
    return sum;
  }

  private double keep(
      DecayShape shape, double share, double plateau, double factor, double squares, double total) {
    double points = Math.min(total, MOST_WEIGHT);
    double error = Math.max(0, squares) * points / total + PRIOR_POINTS * square(LEAST_ERROR);
    double plateauPrior = share <= 0.12 ? Math.log(0.6 / 4) : Math.log(0.4 / (PLATEAUS.length - 4));
    double log =
        shape.logPrior() + plateauPrior - (points + PRIOR_POINTS - 1) / 2 * Math.log(error);
    cells.add(new Cell(shape, plateau, factor, log));
    return log;
  }

  /** The lower of the last readings: the plateau lies below it. */
  private double lowest() {
    double[] tail = Arrays.copyOfRange(current, Math.max(0, current.length - 3), current.length);
    Arrays.sort(tail);
    return tail[tail.length / 2];
  }

  private void reweigh() {
    Cell likeliest = cells.stream().max(Comparator.comparingDouble(Cell::share)).orElseThrow();
    double[] residual = new double[t.length];
    for (int k = 0; k < t.length; k++) {
      residual[k] = Math.abs(current[k] - likeliest.at(t[k])) / scale[k];
    }
    double[] sorted = residual.clone();
    Arrays.sort(sorted);
    double spread = Math.max(LEAST_ERROR, 1.48 * sorted[sorted.length / 2]);
    for (int k = 0; k < t.length; k++) {
      double far = residual[k] / (HUBER * spread);
      weight[k] = recency(k) * (far <= 1 ? 1 : 1 / far / far);
    }
  }

  /** What is long past says less of what comes. */
  private double recency(int k) {
    return t[k] / t[t.length - 1];
  }

  private static double square(double x) {
    return x * x;
  }

  /**
   * What is to be expected.
   *
   * @param limit the leakage wanted (A)
   * @param patience seconds since the voltage was reached after which nobody waits any more
   */
  public Forecast forecast(double limit, double patience) {
    if (!(limit > 0 && patience > 0)) {
      throw new IllegalArgumentException(
          "no forecast to " + limit + " A within " + patience + " s");
    }
    double now = t[t.length - 1];
    List<Weighed> times = spread(c -> Math.max(c.reaches(limit), 0), now);
    double within =
        times.stream().filter(w -> w.value <= patience).mapToDouble(Weighed::share).sum();
    List<Weighed> ends = new ArrayList<>();
    cells.forEach(c -> ends.add(new Weighed(c.plateau, c.share)));
    return new Forecast(
        finite(quantile(times, 0.5)),
        finite(quantile(times, LOW)),
        finite(quantile(times, HIGH)),
        within,
        quantile(ends, 0.5));
  }

  private List<Weighed> spread(ToDoubleFunction<Cell> when, double now) {
    List<Weighed> all = new ArrayList<>();
    for (Cell c : cells) {
      double at = when.applyAsDouble(c);
      for (double drift : DRIFTS) {
        all.add(new Weighed(widened(at, now, drift), c.share / DRIFTS.length));
      }
    }
    return all;
  }

  /** A time ahead moved by one drift; what is past stays, what never comes stays away. */
  private static double widened(double at, double now, double drift) {
    return at <= now || Double.isInfinite(at)
        ? at
        : now * Math.pow(at / now, Math.exp(WIDENING * drift));
  }

  /**
   * The curve to be expected until a time, with its 80 % band; empty where that time has passed.
   */
  public List<Forecast.Band> fan(double until) {
    double now = t[t.length - 1];
    List<Forecast.Band> bands = new ArrayList<>();
    for (int k = 0; k <= FAN_POINTS && until > now; k++) {
      double at = now * Math.pow(until / now, (double) k / FAN_POINTS);
      List<Weighed> values = new ArrayList<>();
      for (Cell c : cells) {
        for (double drift : DRIFTS) {
          // A curve that reaches a level later by a drift stands, at one time, where the plain one
          // stood earlier.
          values.add(new Weighed(c.at(widened(at, now, -drift)), c.share / DRIFTS.length));
        }
      }
      bands.add(
          new Forecast.Band(
              at, quantile(values, LOW), quantile(values, 0.5), quantile(values, HIGH)));
    }
    return bands;
  }

  private static double quantile(List<Weighed> all, double share) {
    List<Weighed> sorted = all.stream().sorted(Comparator.comparingDouble(Weighed::value)).toList();
    double sum = 0;
    for (Weighed w : sorted) {
      sum += w.share;
      if (sum >= share) {
        return w.value;
      }
    }
    return sorted.getLast().value;
  }

  private static OptionalDouble finite(double value) {
    return Double.isInfinite(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
