package org.yellowhearth.core.circuit;

import java.util.Arrays;
import java.util.Optional;

/**
 * Half a period of the mains later every sine has turned its sign. Where the circuit with all its
 * sines turned is the same circuit with some of its devices exchanged for others, as in a bridge or
 * in a full-wave rectifier with two equal legs, the second half of a period is the first one with
 * those exchanged, and need not be worked out. A leg that is weak or open breaks this, and so does
 * a state that swings with the mains.
 */
final class Mirror {
  /** What differs by no more than this share is rounding. */
  private static final double ROUNDING = 1e-10;

  private final StateSpace space;
  private final Law[] laws;
  private final double volts;

  /** The pair that did half a period ago what a pair does now; −1 while none is found. */
  private final int[] before;

  private Mirror(StateSpace space) {
    this.space = space;
    this.laws = Law.ofPairs(space);
    this.before = new int[space.ports];
    Arrays.fill(before, -1);
    this.volts =
        Arrays.stream(space.pairs)
            .mapToDouble(r -> Math.max(Math.abs(r.sine()), Math.abs(r.cosine())))
            .max()
            .orElse(0);
  }

  /** How the halves of a period follow from each other, if they do. */
  static Optional<Mirror> of(StateSpace space) {
    Mirror mirror = new Mirror(space);
    return space.statesStandStill(ROUNDING * mirror.volts) && mirror.place(0)
        ? Optional.of(mirror)
        : Optional.empty();
  }

  /** What the pairs do half a period after they did something. */
  double[] later(double[] currents) {
    double[] later = new double[currents.length];
    for (int k = 0; k < later.length; k++) {
      later[k] = currents[before[k]];
    }
    return later;
  }

  private boolean place(int k) {
    if (k == before.length) {
      return true;
    }
    for (int other = 0; other < before.length; other++) {
      if (fits(k, other)) {
        before[k] = other;
        if (place(k + 1)) {
          return true;
        }
        before[k] = -1;
      }
    }
    return false;
  }

  private boolean fits(int k, int other) {
    StateSpace.Row a = space.pairs[k];
    StateSpace.Row b = space.pairs[other];
    boolean same =
        (k == other || laws[k].alike(laws[other]))
            && near(a.sine(), -b.sine(), volts)
            && near(a.cosine(), -b.cosine(), volts)
            && near(a.constant(), b.constant(), volts);
    for (int s = 0; same && s < space.states; s++) {
      same =
          near(a.x()[s], b.x()[s], largest(a.x()))
              && near(space.b[s][k], space.b[s][other], largest(space.b[s]));
    }
    for (int l = 0; same && l <= k; l++) {
      int m = l == k ? other : before[l];
      same =
          (l == k || m != other)
              && near(a.p()[l], b.p()[m], largest(a.p()))
              && near(
                  space.pairs[l].p()[k], space.pairs[m].p()[other], largest(space.pairs[l].p()));
    }
    return same;
  }

  private static double largest(double[] row) {
    double most = 0;
    for (double x : row) {
      most = Math.max(most, Math.abs(x));
    }
    return most;
  }

  private static boolean near(double a, double b, double size) {
    return Math.abs(a - b) <= ROUNDING * size;
  }
}
