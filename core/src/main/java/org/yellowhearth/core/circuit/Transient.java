package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;

/**
 * What a circuit does from a moment on: after it is switched on cold, or after its source is taken
 * away. The same steps as in the steady state, over as many periods as wanted; what is kept of each
 * stretch of time is the least, the greatest and the last value.
 */
public final class Transient {
  private static final int COARSE_STEPS = 32;
  private static final int HALVINGS = 7;
  private static final double TURN = 0.02;
  private static final int PHASES = 24;

  /** Means this near to those of the steady state, in so many stretches one after the other. */
  private static final double NEAR = 1e-3;

  private static final int NEAR_STRETCHES = 25;

  private final StateSpace space;
  private final Propagator propagator;
  private final double smallest;

  private Transient(Circuit circuit) {
    this.space = new StateSpace(circuit);
    this.smallest = circuit.period() / COARSE_STEPS / (1 << HALVINGS);
    this.propagator = new Propagator(space, smallest);
  }

  /** A circuit to be followed. */
  public static Transient of(Circuit circuit) {
    return new Transient(circuit);
  }

  /** How warm the devices are, some seconds after the start: 0 cold to 1 hot. */
  @FunctionalInterface
  public interface Warmth {
    /** All of them hot from the start. */
    Warmth HOT = (_, _) -> 1;

    double of(Device device, double seconds);
  }

  /** One quantity over the run, by stretches of time. */
  public static final class Course {
    private final double[] ends;
    private final double[] least;
    private final double[] most;
    private final double[] last;
    private final double[] squares;
    private final double[] means;

    private Course(int stretches) {
      ends = new double[stretches];
      least = new double[stretches];
      most = new double[stretches];
      last = new double[stretches];
      squares = new double[stretches];
      means = new double[stretches];
    }

    /** The first stretches of a course. */
    private Course(Course whole, int stretches) {
      ends = Arrays.copyOf(whole.ends, stretches);
      least = Arrays.copyOf(whole.least, stretches);
      most = Arrays.copyOf(whole.most, stretches);
      last = Arrays.copyOf(whole.last, stretches);
      squares = Arrays.copyOf(whole.squares, stretches);
      means = Arrays.copyOf(whole.means, stretches);
    }

    /** Whether the mean of its last stretches, up to one, has come to a value and stays there. */
    private boolean settledAt(double value, int stretch) {
      for (int k = stretch; k > stretch - NEAR_STRETCHES; k--) {
        double wide = Math.max(Math.abs(value), most[k] - least[k]);
        if (k < 0 || !(Math.abs(means[k] - value) <= NEAR * wide)) {
          return false;
        }
      }
      return true;
    }

    /** When each stretch ended, in seconds from the start. */
    public double[] ends() {
      return ends.clone();
    }

    /** The least value in each. */
    public double[] least() {
      return least.clone();
    }

    /** The greatest value in each. */
    public double[] most() {
      return most.clone();
    }

    /** The value at the end of each. */
    public double[] last() {
      return last.clone();
    }

    /** The mean of each stretch. */
    public double[] means() {
      return means.clone();
    }

    /**
     * The greatest integral of its square over a stretch, to about 3 %: of a current in A²s, what a
     * surge does to a junction or a fuse.
     */
    public double greatestSquareSeconds() {
      double all = 0;
      for (double q : squares) {
        all = Math.max(all, q);
      }
      return all;
    }

    /** The greatest value of all. */
    public double greatest() {
      double all = Double.NEGATIVE_INFINITY;
      for (double m : most) {
        all = Math.max(all, m);
      }
      return all;
    }

    /** The least value of all. */
    public double lowest() {
      double all = Double.POSITIVE_INFINITY;
      for (double m : least) {
        all = Math.min(all, m);
      }
      return all;
    }

    /** The end of the first stretch in which it comes to a value; infinite where it never does. */
    public double reaches(double value) {
      for (int k = 0; k < ends.length; k++) {
        if (most[k] >= value) {
          return ends[k];
        }
      }
      return Double.POSITIVE_INFINITY;
    }

    /**
     * The end of the first stretch in which it comes down to a value; infinite where it never does.
     */
    public double fallsTo(double value) {
      for (int k = 0; k < ends.length; k++) {
        if (least[k] <= value) {
          return ends[k];
        }
      }
      return Double.POSITIVE_INFINITY;
    }

    /**
     * The end of the stretch after which it stays below a value in magnitude; infinite where it
     * does not.
     */
    public double fallsBelow(double value) {
      double since = Double.POSITIVE_INFINITY;
      for (int k = ends.length - 1; k >= 0; k--) {
        if (Math.max(Math.abs(least[k]), Math.abs(most[k])) > value) {
          return Math.abs(last[k]) <= value ? ends[k] : since;
        }
        since = ends[k];
      }
      return since;
    }
  }

  /**
   * Switches it on with everything empty.
   *
   * @param phase the angle of the mains at that moment, in radians
   */
  public List<Course> coldStart(
      double phase, double seconds, Warmth warmth, List<Probe> probes, Watcher watcher) {
    return run(
        new double[space.states],
        phase / space.omega,
        new Span(seconds, space.circuit.period(), 0, List.of()),
        warmth,
        probes,
        watcher);
  }

  /**
   * Switches it on with everything empty, at a zero of the mains, and follows it until it is in its
   * steady state, all devices hot.
   *
   * @param steady the means of the probes in the steady state
   * @param most how long it is followed where it does not come there
   */
  public List<Course> coldStart(
      List<Double> steady, double most, Warmth warmth, List<Probe> probes, Watcher watcher) {
    return run(
        new double[space.states],
        0,
        new Span(most, space.circuit.period(), 0, steady),
        warmth,
        probes,
        watcher);
  }

  /**
   * The angle of the mains at which switching on drives a quantity highest within the first period.
   */
  public double worstPhase(Probe probe, Warmth warmth) {
    double worst = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < PHASES; k++) {
      double phase = 2 * Math.PI * k / PHASES;
      Course c =
          coldStart(phase, space.circuit.period(), warmth, List.of(probe), Watcher.NOBODY)
              .getFirst();
      double peak = Math.max(c.greatest(), -c.lowest());
      if (peak > most) {
        most = peak;
        worst = phase;
      }
    }
    return worst;
  }

  /**
   * Lets it run down from the states that another circuit of the same elements had. The sources are
   * best set to nothing behind a resistance that stands for the open switch.
   *
   * @param states as {@link Waveforms#states()} gives them
   * @param stretch how long one stretch is
   */
  public List<Course> runDown(double[] states, double seconds, double stretch, List<Probe> probes) {
    int longer = Math.max(0, (int) (Math.log(stretch / space.circuit.period() / 4) / Math.log(2)));
    return run(
        states,
        0,
        new Span(seconds, stretch, longer, List.of()),
        Warmth.HOT,
        probes,
        Watcher.NOBODY);
  }

  /**
   * How long, in what stretches, and by how many doublings the steps may pass those of a mains
   * period.
   *
   * @param steady the means at which it is settled and need not be followed further; none where all
   *     of the time is wanted
   */
  private record Span(double seconds, double stretch, int longer, List<Double> steady) {}

  private List<Course> run(
      double[] states,
      double start,
      Span span,
      Warmth warmth,
      List<Probe> probes,
      Watcher watcher) {
    Stepper stepper = new Stepper(space, propagator, smallest);
    List<StateSpace.Row> rows = probes.stream().map(this::row).toList();
    int count = (int) Math.max(1, Math.ceil(span.seconds / span.stretch - 1e-9));
    List<Course> courses = new ArrayList<>();
    rows.forEach(_ -> courses.add(new Course(count)));
    warm(stepper, warmth, 0);
    double sin = Math.sin(space.omega * start);
    double cos = Math.cos(space.omega * start);
    stepper.begin(space.fromStates(states, sin, cos), start, HALVINGS - 4, false);
    long ticks = Math.round(span.stretch / smallest);
    double[] value = new double[rows.size()];
    for (int r = 0; r < value.length; r++) {
      value[r] = rows.get(r).at(stepper.z, stepper.i, stepper.sin, stepper.cos);
    }
    for (int k = 0; k < count; k++) {
      for (int r = 0; r < value.length; r++) {
        courses.get(r).least[k] = value[r];
        courses.get(r).most[k] = value[r];
        courses.get(r).ends[k] = (k + 1) * span.stretch;
      }
      while (stepper.tick() < (k + 1) * ticks) {
        warm(stepper, warmth, stepper.tick() * smallest);
        stepper.step(TURN, 0, HALVINGS + span.longer, (k + 1) * ticks);
        for (int r = 0; r < value.length; r++) {
          double before = value[r];
          value[r] = rows.get(r).at(stepper.z, stepper.i, stepper.sin, stepper.cos);
          courses.get(r).means[k] += stepper.lastStep() / span.stretch * (before + value[r]) / 2;
          courses.get(r).squares[k] +=
              stepper.lastStep() * (before * before + before * value[r] + value[r] * value[r]) / 3;
          courses.get(r).least[k] = Math.min(courses.get(r).least[k], value[r]);
          courses.get(r).most[k] = Math.max(courses.get(r).most[k], value[r]);
        }
      }
      for (int r = 0; r < value.length; r++) {
        courses.get(r).last[k] = value[r];
      }
      if (!watcher.goOn((k + 1.0) / count)) {
        throw new StoppedException();
      }
      if (settled(courses, span.steady, k) && hot(warmth, (k + 1) * span.stretch)) {
        int made = k + 1;
        return courses.stream().map(c -> new Course(c, made)).toList();
      }
    }
    return courses;
  }

  private static boolean settled(List<Course> courses, List<Double> steady, int stretch) {
    boolean all = !steady.isEmpty();
    for (int r = 0; all && r < steady.size(); r++) {
      all = courses.get(r).settledAt(steady.get(r), stretch);
    }
    return all;
  }

  private boolean hot(Warmth warmth, double seconds) {
    return space.devices.stream().allMatch(d -> warmth.of(d, seconds) >= 1);
  }

  private StateSpace.Row row(Probe probe) {
    return switch (probe) {
      case Probe.Voltage v -> space.voltage(v.plus(), v.minus());
      case Probe.Current c -> space.current(c.element(), c.part());
    };
  }

  private void warm(Stepper stepper, Warmth warmth, double seconds) {
    if (!warmth.equals(Warmth.HOT)) {
      for (int k = 0; k < space.devices.size(); k++) {
        stepper.warm(k, Math.clamp(warmth.of(space.devices.get(k), seconds), 0, 1));
      }
    }
  }
}
