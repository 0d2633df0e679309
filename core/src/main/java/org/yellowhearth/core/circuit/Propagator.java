package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.List;

/**
 * Carries the states over a step exactly, for steps that are a smallest step times a power of two.
 * Over a step h in which the device currents are i(s) = a0 + a1·s + a2·s²/2,
 *
 * <pre>
 * z(h) = E z(0) + P1 a0 + P2 a1 + P3 a2
 * </pre>
 *
 * with E = exp(Ah) and Pk the k-fold integrals of the exponential times B. The parabola goes
 * through the currents at the start, at a third of the step and at its end, where devices and
 * network must agree: collocation at the points of Radau (order 3, and it stays accurate where a
 * choke forces the current; Hairer and Wanner, Solving Ordinary Differential Equations II, from
 * memory).
 *
 * <p>The matrices of the smallest step are summed as a power series after halving it until ‖A‖h is
 * small; each longer one follows from the one of half its length (scaling and squaring; Moler and
 * Van Loan, SIAM Review 45 (2003), from memory).
 */
final class Propagator {
  private static final double SMALL = 0.25;
  private static final int TERMS = 10;

  private final StateSpace space;
  private final List<Integrals> thirds = new ArrayList<>();
  private final List<Integrals> wholes = new ArrayList<>();
  private final List<Step> steps = new ArrayList<>();

  /** The exponential over a length of time and its integrals times B, constant part last. */
  private static final class Integrals {
    private final double h;
    private final double[][] e;
    private final double[][] p1;
    private final double[][] p2;
    private final double[][] p3;

    private Integrals(double h, double[][] e, double[][] p1, double[][] p2, double[][] p3) {
      this.h = h;
      this.e = e;
      this.p1 = p1;
      this.p2 = p2;
      this.p3 = p3;
    }
  }

  /**
   * All that a step of one length needs; the currents at the third and at the end stand one after
   * the other.
   */
  static final class Step {
    final double h;

    /** How far the mains turns in the step, and in its first third. */
    final double sin;

    final double cos;
    final double sinThird;
    final double cosThird;

    /**
     * States at the end: from the states and, after them, the currents at the start; from the
     * currents at the third and the end.
     */
    final double[][] ends;

    final double[][] endsBy;
    final double[] endsFlat;

    /** The same for the states at the third. */
    final double[][] thirds;

    final double[][] thirdsBy;
    final double[] thirdsFlat;

    /** The same for the pairs at the third and at the end. */
    final double[][] pairs;

    final double[][] pairsBy;
    final double[] pairsFlat;

    private Step(StateSpace space, Integrals third, Integrals whole) {
      int n = space.states;
      int p = space.ports;
      h = whole.h;
      sin = Math.sin(space.omega * h);
      cos = Math.cos(space.omega * h);
      sinThird = Math.sin(space.omega * h / 3);
      cosThird = Math.cos(space.omega * h / 3);
      ends = Dense.zero(n, n + p);
      endsBy = Dense.zero(n, 2 * p);
      endsFlat = new double[n];
      weigh(whole, n, p, ends, endsBy, endsFlat);
      thirds = Dense.zero(n, n + p);
      thirdsBy = Dense.zero(n, 2 * p);
      thirdsFlat = new double[n];
      weigh(third, n, p, thirds, thirdsBy, thirdsFlat);
      pairs = Dense.zero(2 * p, n + p);
      pairsBy = Dense.zero(2 * p, 2 * p);
      pairsFlat = new double[2 * p];
      for (int k = 0; k < p; k++) {
        StateSpace.Row row = space.pairs[k];
        output(row, thirds, thirdsBy, thirdsFlat, k);
        output(row, ends, endsBy, endsFlat, p + k);
        for (int c = 0; c < p; c++) {
          pairsBy[k][c] += row.p()[c];
          pairsBy[p + k][p + c] += row.p()[c];
        }
      }
    }

    /** From a1 = (9i⅓ − i1 − 8i0)/2h and a2 = (3i1 − 9i⅓ + 6i0)/h². */
    private void weigh(
        Integrals f, int n, int p, double[][] fromStart, double[][] fromBoth, double[] flat) {
      for (int r = 0; r < n; r++) {
        System.arraycopy(f.e[r], 0, fromStart[r], 0, n);
        for (int c = 0; c < p; c++) {
          double slope = f.p2[r][c] / h;
          double bend = f.p3[r][c] / (h * h);
          fromStart[r][n + c] = f.p1[r][c] - 4 * slope + 6 * bend;
          fromBoth[r][c] = 4.5 * slope - 9 * bend;
          fromBoth[r][p + c] = -0.5 * slope + 3 * bend;
        }
        flat[r] = f.p1[r][p];
      }
    }

    private void output(
        StateSpace.Row row, double[][] states, double[][] by, double[] flat, int to) {
      pairsFlat[to] = row.constant() + Dense.dot(row.x(), flat);
      Dense.addTimes(pairs[to], row.x(), states);
      Dense.addTimes(pairsBy[to], row.x(), by);
    }
  }

  Propagator(StateSpace space, double smallest) {
    this.space = space;
    thirds.add(first(smallest / 3));
    Integrals third = thirds.getFirst();
    wholes.add(after(twice(third), third));
    steps.add(new Step(space, thirds.getFirst(), wholes.getFirst()));
  }

  /** The step of the smallest length times two to the power of a level. */
  Step level(int level) {
    while (steps.size() <= level) {
      thirds.add(twice(thirds.getLast()));
      wholes.add(twice(wholes.getLast()));
      steps.add(new Step(space, thirds.getLast(), wholes.getLast()));
    }
    return steps.get(level);
  }

  private Integrals first(double length) {
    int halvings = 0;
    double h = length;
    double norm = Dense.norm(space.a) * h;
    while (norm > SMALL) {
      norm /= 2;
      h /= 2;
      halvings++;
    }
    int n = space.states;
    int p = space.ports + 1;
    // e^{Ah} = Σ (Ah)^k/k!; P1 = Σ A^k h^{k+1}/(k+1)!·B, and so on.
    double[][] e = Dense.zero(n, n);
    double[][] term = Dense.zero(n, n);
    for (int k = 0; k < n; k++) {
      e[k][k] = 1;
      term[k][k] = 1;
    }
    double[][] f1 = Dense.zero(n, n);
    double[][] f2 = Dense.zero(n, n);
    double[][] f3 = Dense.zero(n, n);
    for (int k = 0; k < TERMS; k++) {
      Dense.add(f1, h / (k + 1), term);
      Dense.add(f2, h * h / ((k + 1.0) * (k + 2)), term);
      Dense.add(f3, h * h * h / ((k + 1.0) * (k + 2) * (k + 3)), term);
      term = Dense.times(term, space.a, n);
      for (double[] row : term) {
        for (int c = 0; c < n; c++) {
          row[c] *= h / (k + 1);
        }
      }
      Dense.add(e, 1, term);
    }
    Integrals step =
        new Integrals(
            h,
            e,
            Dense.times(f1, space.b, p),
            Dense.times(f2, space.b, p),
            Dense.times(f3, space.b, p));
    for (int k = 0; k < halvings; k++) {
      step = twice(step);
    }
    return step;
  }

  private Integrals twice(Integrals s) {
    return after(s, s);
  }

  /** Over one length of time and then another. */
  private Integrals after(Integrals s, Integrals then) {
    int n = space.states;
    int p = space.ports + 1;
    double[][] p1 = Dense.times(then.e, s.p1, p);
    double[][] p2 = Dense.times(then.e, s.p2, p);
    double[][] p3 = Dense.times(then.e, s.p3, p);
    Dense.add(p1, 1, then.p1);
    Dense.add(p2, s.h, then.p1);
    Dense.add(p2, 1, then.p2);
    Dense.add(p3, s.h * s.h / 2, then.p1);
    Dense.add(p3, s.h, then.p2);
    Dense.add(p3, 1, then.p3);
    return new Integrals(s.h + then.h, Dense.times(then.e, s.e, n), p1, p2, p3);
  }
}
