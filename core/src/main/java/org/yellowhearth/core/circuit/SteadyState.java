package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The periodic steady state of a circuit, found directly: the state that one period of the mains
 * brings back to itself. One period is computed together with how its end moves with its start, and
 * Newton's method moves the start (shooting; Aprille and Trick, Proc. IEEE 60 (1972), from memory):
 * first over coarse steps, then over fine ones.
 *
 * <p>Accuracy, against tight runs of a general-purpose circuit simulator: 1e-4 of direct voltages,
 * 5e-4 of RMS and peak currents, 1e-3 of ripple. See {@code docs/method.md}.
 */
public final class SteadyState {
  private static final int COARSE_STEPS = 32;
  private static final int HALVINGS = 7;
  private static final int COARSE_HALVINGS = 4;
  private static final double COARSE_TURN = 0.3;

  /**
   * Over coarse steps the corners of regulators are so many times as round: at a sharp one the
   * search may step to and fro for ever.
   */
  private static final double COARSE_CORNERS = 5;

  private static final double FINE_TURN = 0.01;
  private static final int MOST_ITERATIONS = 12;

  /** A search from nearby that takes longer than this began far away. */
  private static final int MOST_NEAR = 7;

  /**
   * A search that is not near after so many coarse periods runs in circles, and begins again from
   * elsewhere.
   */
  private static final int MOST_COARSE = 6;

  private static final int FOLLOWED = 120;
  private static final int MOST_FOLLOWED = 600;
  private static final double SETTLED = 2e-6;
  private static final double COARSE_ENOUGH = 3e-2;
  private static final double FINE_ENOUGH = 1e-5;

  /** Further from the steady state than this the steps, and how the end moves, are found anew. */
  private static final double FAR = 1e-2;

  /**
   * A move that is left with more than this share of the one before goes by how the end moved
   * elsewhere: that is found anew.
   */
  private static final double SLOW = 0.2;

  /** A state this much smaller than the largest is not followed more closely than this. */
  private static final double LEAST_SCALE = 1e-4;

  /** A move is not shortened below this share. */
  private static final double LEAST_SHARE = 0.01;

  private final StateSpace space;
  private final Propagator propagator;
  private final double smallest;
  private final Stepper stepper;

  /**
   * How the second half of a period follows from its first, where it does: then only that is worked
   * out.
   */
  private final Optional<Mirror> mirror;

  private int iterations;

  /**
   * How the end of the period moves with its start; once known over fine steps it is kept while the
   * search goes on well.
   */
  private double[][] moves;

  /** The levels of the steps of the last period that chose its own. */
  private final List<Integer> grid = new ArrayList<>();

  private SteadyState(Circuit circuit) {
    this.space = new StateSpace(circuit);
    this.smallest = circuit.period() / COARSE_STEPS / (1 << HALVINGS);
    this.propagator = new Propagator(space, smallest);
    this.stepper = new Stepper(space, propagator, smallest);
    this.mirror = Mirror.of(space);
  }

  /**
   * Finds the steady state.
   *
   * @throws BadCircuitException where the circuit has no settled voltages
   * @throws NoSolutionException where none is found
   */
  public static Waveforms of(Circuit circuit) {
    return new SteadyState(circuit).solve();
  }

  /**
   * The same for a circuit that differs little from one whose steady state is known, or in one
   * place: the search begins there, over fine steps; where it does not find what it looks for, it
   * begins from rest.
   *
   * @param states of the other in its steady state, by the names of the elements, as {@link
   *     Waveforms#namedStates()} gives them; those it does not have are empty
   */
  public static Waveforms of(Circuit circuit, Map<String, Double> states) {
    SteadyState search = new SteadyState(circuit);
    return search
        .near(search.space.fromStates(states, 0, 1))
        .orElseGet(() -> new SteadyState(circuit).solve());
  }

  private Optional<Waveforms> near(double[] start) {
    try {
      return newton(start, true, MOST_NEAR);
    } catch (NoSolutionException _) {
      // The devices do not agree from there: the search from rest is whole in itself.
      return Optional.empty();
    }
  }

  /**
   * Newton's method from rest; where it runs in circles, as between two states of a regulator,
   * again from where the mains leads, and at last simply following the mains until a period ends
   * where it began.
   */
  private Waveforms solve() {
    double[] rest = space.fromStates(new double[space.states], 0, 1);
    return newton(rest, false, MOST_ITERATIONS)
        .or(() -> newton(followed(rest), false, MOST_ITERATIONS))
        .or(() -> settled(followed(rest)))
        .orElseThrow(() -> new NoSolutionException(iterations));
  }

  /** The state some periods after a start, followed as it goes. */
  private double[] followed(double[] start) {
    double[] z = start;
    for (int k = 0; k < FOLLOWED; k++) {
      period(z, new Run(false, false, false), new Waveforms.Recorder(space, false));
      z = stepper.z.clone();
    }
    return z;
  }

  private Optional<Waveforms> settled(double[] start) {
    double[] z = start;
    for (int k = 0; k < MOST_FOLLOWED; k++) {
      iterations++;
      Waveforms.Recorder recorder = new Waveforms.Recorder(space, true);
      double[] scale = period(z, new Run(true, false, false), recorder);
      if (worst(difference(stepper.z, z), scale) < SETTLED) {
        return Optional.of(done(recorder));
      }
      z = stepper.z.clone();
    }
    return Optional.empty();
  }

  private Optional<Waveforms> newton(double[] start, boolean near, int most) {
    int n = space.states;
    int first = iterations;
    double[] z = start;
    double[] base = z;
    double[] move = new double[n];
    double[] gap = new double[n];
    double share = 1;
    double gapBefore = Double.POSITIVE_INFINITY;
    double before = Double.POSITIVE_INFINITY;
    boolean fine = near;
    boolean slow = false;
    while (iterations < first + (fine ? most : MOST_COARSE)) {
      iterations++;
      Waveforms.Recorder recorder = new Waveforms.Recorder(space, fine);
      // Once the steady state is near, the steps stay as they are: steps that change their mind
      // would move the end of the period.
      boolean again = fine && before < FAR;
      double[] scale = period(z, new Run(fine, again, !again || slow), recorder);
      double gapNow = worst(difference(stepper.z, z), scale);
      if (iterations > first + 2 && gapNow > gapBefore && share > LEAST_SHARE) {
        share *= meeting(gap, difference(stepper.z, z), scale);
        z = along(base, share, move);
        slow = true;
        continue;
      }
      gap = difference(stepper.z, z);
      gapBefore = gapNow;
      move = correction(gap);
      base = z;
      share = 1;
      double worst = worst(move, scale);
      if (Double.isNaN(worst)) {
        break;
      }
      if (fine && worst < FINE_ENOUGH) {
        return Optional.of(done(recorder));
      }
      z = along(base, 1, move);
      slow = again && worst > SLOW * before;
      before = fine ? worst : Math.max(worst, FAR);
      if (!fine && worst < COARSE_ENOUGH) {
        fine = true;
        gapBefore = Double.POSITIVE_INFINITY;
      }
    }
    return Optional.empty();
  }

  private Waveforms done(Waveforms.Recorder recorder) {
    mirror.ifPresent(recorder::goOn);
    return recorder.done(iterations);
  }

  private static double[] difference(double[] a, double[] b) {
    double[] d = new double[a.length];
    for (int k = 0; k < d.length; k++) {
      d[k] = a[k] - b[k];
    }
    return d;
  }

  private static double[] along(double[] from, double share, double[] move) {
    double[] to = from.clone();
    for (int k = 0; k < to.length; k++) {
      to[k] += share * move[k];
    }
    return to;
  }

  private static double worst(double[] of, double[] scale) {
    double worst = 0;
    for (int k = 0; k < of.length; k++) {
      worst = Math.max(worst, Math.abs(of[k]) / scale[k]);
    }
    return worst;
  }

  /**
   * What share of a move that went too far is left: where the gap of the worst state, taken for a
   * straight line, closes.
   */
  private static double meeting(double[] gap, double[] beyond, double[] scale) {
    int state = 0;
    for (int k = 1; k < gap.length; k++) {
      if (Math.abs(beyond[k]) / scale[k] > Math.abs(beyond[state]) / scale[state]) {
        state = k;
      }
    }
    boolean crossed = gap[state] * beyond[state] < 0;
    double share = crossed ? gap[state] / (gap[state] - beyond[state]) : 0.3;
    return Math.clamp(share, 0.05, 0.5);
  }

  /**
   * How a period is run.
   *
   * @param fine over fine steps
   * @param again over the steps of the last one
   * @param follow whether it is worked out how its end moves with its start
   */
  private record Run(boolean fine, boolean again, boolean follow) {}

  /** Runs one period, or half of one, from a start; gives how large each state gets. */
  private double[] period(double[] z, Run run, Waveforms.Recorder recorder) {
    boolean fine = run.fine;
    boolean again = run.again;
    double[] scale = new double[space.states];
    int longest = fine && space.hasChoke() ? HALVINGS - 2 : HALVINGS;
    long end = ((long) COARSE_STEPS << HALVINGS) / (mirror.isPresent() ? 2 : 1);
    stepper.takeDown(fine);
    stepper.soften(fine ? 1 : COARSE_CORNERS);
    stepper.begin(z, 0, longest - 3, run.follow);
    if (!again) {
      grid.clear();
    }
    recorder.record(stepper);
    note(scale);
    for (int k = 0; stepper.tick() < end; k++) {
      if (again) {
        stepper.stepOf(grid.get(k));
      } else {
        stepper.step(fine ? FINE_TURN : COARSE_TURN, fine ? 0 : COARSE_HALVINGS, longest, end);
        grid.add(stepper.made());
      }
      recorder.record(stepper);
      note(scale);
    }
    if (run.follow) {
      moves = stepper.moves();
    }
    double most = 0;
    for (double s : scale) {
      most = Math.max(most, s);
    }
    for (int k = 0; k < scale.length; k++) {
      scale[k] = Math.max(scale[k], LEAST_SCALE * most + 1e-9);
    }
    return scale;
  }

  private void note(double[] scale) {
    for (int k = 0; k < scale.length; k++) {
      scale[k] =
          Math.max(scale[k], Math.abs(space.state(k, stepper.z[k], stepper.sin, stepper.cos)));
    }
  }

  /** Where the start must go so that the end meets it: (I − M)·move = end − start. */
  private double[] correction(double[] gap) {
    int n = space.states;
    double[][] m = Dense.zero(n, n + 1);
    for (int r = 0; r < n; r++) {
      for (int c = 0; c < n; c++) {
        m[r][c] = (r == c ? 1 : 0) - moves[r][c];
      }
      m[r][n] = gap[r];
    }
    boolean solved = Dense.solveColumn(m, n);
    double[] move = new double[n];
    for (int r = 0; r < n; r++) {
      move[r] = solved ? m[r][n] : Double.NaN;
    }
    return move;
  }
}
