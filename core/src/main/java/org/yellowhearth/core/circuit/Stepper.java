package org.yellowhearth.core.circuit;

import java.util.Arrays;

/**
 * Carries a circuit from moment to moment in steps that are halved where the currents of the
 * devices turn away from where they were heading, as they do when a rectifier begins or ceases to
 * conduct, and doubled where they do not.
 */
final class Stepper {
  /** How much smoother than asked the currents must be before the step is doubled. */
  private static final double SMOOTH = 0.25;

  /** Currents below this share of the greatest one in the circuit are not followed more closely. */
  private static final double LEAST_SHARE = 1e-3;

  private static final double NOT_NOTHING = 0.01;
  private static final double NEXT_TO_NOTHING = 1e-6;

  final StateSpace space;
  private final Ports first;
  private final Ports ports;
  private final Propagator propagator;
  private final int n;
  private final int p;
  private final double smallest;

  /** Time in smallest steps, from the moment that {@link #begin} was given. */
  private long tick;

  private double began;
  private int level;
  private int made;
  double[] z;
  double[] i;
  private double[] v;
  private final double[] vThird;
  private final double[] vOld;

  /**
   * The currents at a third of the last step and at its start, and its length; no length at a
   * start.
   */
  private final double[] third;

  private final double[] old;
  private double last;

  /** The greatest currents of the run before this one, and of this one so far. */
  private double[] greatest;

  private double[] now;

  /**
   * How the states and then the currents, if any flow, move with the states at the start, where
   * that is followed.
   */
  private double[][] moves;

  private boolean following;

  /**
   * The states and then the currents at the start of the step, and the voltages of the pairs if no
   * current came after it.
   */
  private final double[] start;

  private final double[] e;

  /** Where the mains stands, and where it will at the end of the step that is tried. */
  double sin;

  double cos;
  private double sinNext;
  private double cosNext;

  /** The states at a third of the last step, and the currents there, where they are taken down. */
  double[] zThird;

  private boolean takingDown;

  Stepper(StateSpace space, Propagator propagator, double smallest) {
    this.space = space;
    this.propagator = propagator;
    this.smallest = smallest;
    this.n = space.states;
    this.p = space.ports;
    this.first = new Ports(space, 1);
    this.ports = new Ports(space, 2);
    this.greatest = new double[p];
    this.now = new double[p];
    this.start = new double[n + p];
    this.third = new double[p];
    this.old = new double[p];
    this.vThird = new double[p];
    this.vOld = new double[p];
    this.e = new double[2 * p];
  }

  double time() {
    return began + tick * smallest;
  }

  long tick() {
    return tick;
  }

  /** From now on the states at the thirds are kept as well. */
  void takeDown(boolean is) {
    takingDown = is;
  }

  /** The currents at a third of the last step. */
  double[] iThird() {
    return third.clone();
  }

  /** The length of the last step. */
  double lastStep() {
    return last;
  }

  /** From now on sharp corners are so many times as round. */
  void soften(double times) {
    first.soften(times);
    ports.soften(times);
  }

  /** How warm a device is from now on. */
  void warm(int device, double share) {
    first.warm(device, share);
    ports.warm(device, share);
  }

  /** Starts from a state at a time; the level is that of the first step to try. */
  void begin(double[] state, double time, int firstLevel, boolean follow) {
    z = state.clone();
    began = time;
    tick = 0;
    level = firstLevel;
    last = 0;
    following = follow;
    sin = Math.sin(space.omega * time);
    cos = Math.cos(space.omega * time);
    double[][] d = new double[p][];
    double[] nothing = new double[p];
    for (int k = 0; k < p; k++) {
      e[k] = space.pairs[k].at(z, nothing, sin, cos);
      d[k] = space.pairs[k].p();
    }
    if (p > 0 && !first.solve(e, d)) {
      throw new NoSolutionException(time);
    }
    i = first.i.clone();
    double[] spare = greatest;
    greatest = now;
    now = spare;
    Arrays.fill(now, 0);
    v = first.v.clone();
    noteGreatest();
    if (follow) {
      double[][] c = new double[first.opened()][];
      for (int k = 0; k < c.length; k++) {
        c[k] = space.pairs[first.open(k)].x().clone();
      }
      double[][] currents = first.currents(c, n);
      moves = Dense.zero(n + currents.length, n);
      for (int k = 0; k < n; k++) {
        moves[k][k] = 1;
      }
      System.arraycopy(currents, 0, moves, n, currents.length);
    }
  }

  /** How the states move with those at the start. */
  double[][] moves() {
    return Arrays.copyOf(moves, n);
  }

  private void noteGreatest() {
    for (int k = 0; k < p; k++) {
      now[k] = Math.max(now[k], Math.abs(i[k]));
    }
  }

  /**
   * Makes one step, as long as the currents allow.
   *
   * @param tolerance by how much of its greatest value a current may turn away from where it was
   *     heading
   * @param shortest the level of the shortest step
   * @param longest the level of the longest step
   * @param end the tick that the step may not pass
   */
  void step(double tolerance, int shortest, int longest, long end) {
    level = Math.clamp(level, shortest, longest);
    while (level > shortest && ((tick & ((1L << level) - 1)) != 0 || tick + (1L << level) > end)) {
      level--;
    }
    while (true) {
      Propagator.Step s = propagator.level(level);
      boolean solved = attempt(s);
      double turned = solved ? turned(s.h) : Double.POSITIVE_INFINITY;
      if (level <= shortest || turned <= tolerance) {
        if (!solved) {
          throw new NoSolutionException(time());
        }
        made = level;
        accept(s);
        if (turned < SMOOTH * tolerance && level < longest) {
          level++;
        }
        return;
      }
      level = Math.max(shortest, level - (turned > 16 * tolerance ? 2 : 1));
    }
  }

  /** Makes one step of a given level. */
  void stepOf(int given) {
    level = given;
    made = given;
    Propagator.Step s = propagator.level(given);
    if (!attempt(s)) {
      throw new NoSolutionException(time());
    }
    accept(s);
  }

  /** The level of the last step. */
  int made() {
    return made;
  }

  /**
   * How far the currents, at the third and at the end, are from the parabola of the last step, as a
   * share of the greatest they were; endless where a device that is shut at all three points would
   * have opened between them.
   */
  private double turned(double h) {
    double all = 0;
    for (int k = 0; k < p; k++) {
      all = Math.max(all, scale(k));
    }
    double ratio = last > 0 ? h / last : 0;
    double most = 0;
    for (int k = 0; k < p; k++) {
      double atThird = ports.i[k];
      double atEnd = ports.i[p + k];
      double toThird = atThird - Parabola.at(1 + ratio / 3, old[k], third[k], i[k]);
      double toEnd = atEnd - Parabola.at(1 + ratio, old[k], third[k], i[k]);
      double scale = Math.max(Math.max(scale(k), Math.abs(atEnd)), LEAST_SHARE * all);
      if (scale > 0) {
        most = Math.max(most, Math.max(Math.abs(toThird), Math.abs(toEnd)) / scale);
      }
      boolean shut =
          Math.max(Math.abs(i[k]), Math.max(Math.abs(atThird), Math.abs(atEnd)))
              < LEAST_SHARE * scale;
      if (shut && opensBetween(v[k], ports.v[k], ports.v[p + k])) {
        return Double.POSITIVE_INFINITY;
      }
    }
    return most;
  }

  /**
   * Whether a voltage that is negative at the start, the third and the end of a step comes up
   * between them to where a device opens.
   */
  private static boolean opensBetween(double start, double third, double end) {
    double c = Parabola.c(start, third, end);
    double vertex = -Parabola.b(start, third, end) / (2 * c);
    double highest = Parabola.at(vertex, start, third, end);
    return c < 0
        && vertex > 0
        && vertex < 1
        && highest > 0
        && highest > Math.max(third, end) + NOT_NOTHING * Math.abs(c);
  }

  /**
   * What a current is measured by: the greatest it was in the run before, or in the first run so
   * far.
   */
  private double scale(int k) {
    return greatest[k] > 0 ? greatest[k] : now[k];
  }

  private boolean attempt(Propagator.Step s) {
    sinNext = sin * s.cos + cos * s.sin;
    cosNext = cos * s.cos - sin * s.sin;
    double sinThird = sin * s.cosThird + cos * s.sinThird;
    double cosThird = cos * s.cosThird - sin * s.sinThird;
    System.arraycopy(z, 0, start, 0, n);
    System.arraycopy(i, 0, start, n, p);
    for (int k = 0; k < p; k++) {
      StateSpace.Row row = space.pairs[k];
      e[k] =
          s.pairsFlat[k]
              + Dense.dot(s.pairs[k], start)
              + row.sine() * sinThird
              + row.cosine() * cosThird;
      e[p + k] =
          s.pairsFlat[p + k]
              + Dense.dot(s.pairs[p + k], start)
              + row.sine() * sinNext
              + row.cosine() * cosNext;
    }
    guess(s);
    return p == 0 || ports.solve(e, s.pairsBy);
  }

  /**
   * The voltages go on as they went in the last step, but what takes nothing is not taken to
   * conduct: a law is followed upwards much sooner than down. What is found does not depend on it.
   */
  private void guess(Propagator.Step s) {
    boolean shut = ports.opened() == 0;
    double ratio = last > 0 ? s.h / last : 0;
    double all = 0;
    for (int k = 0; k < p; k++) {
      all = Math.max(all, scale(k));
    }
    for (int k = 0; k < p; k++) {
      double atThird = Parabola.at(1 + ratio / 3, vOld[k], vThird[k], v[k]);
      double atEnd = Parabola.at(1 + ratio, vOld[k], vThird[k], v[k]);
      if (Math.abs(i[k]) < NEXT_TO_NOTHING * all || shut) {
        atThird = alone(s, k, shut ? e[k] : Math.min(atThird, e[k]));
        atEnd = alone(s, p + k, shut ? e[p + k] : Math.min(atEnd, e[p + k]));
      }
      ports.v[k] = atThird;
      ports.v[p + k] = atEnd;
    }
  }

  private double alone(Propagator.Step s, int k, double volts) {
    return ports.law(k).behind(volts, -s.pairsBy[k][k]);
  }

  private void accept(Propagator.Step s) {
    for (int k = 0; k < n; k++) {
      z[k] = s.endsFlat[k] + Dense.dot(s.ends[k], start) + Dense.dot(s.endsBy[k], ports.i);
    }
    if (following) {
      follow(s);
    }
    if (takingDown) {
      zThird = new double[n];
      for (int k = 0; k < n; k++) {
        zThird[k] =
            s.thirdsFlat[k] + Dense.dot(s.thirds[k], start) + Dense.dot(s.thirdsBy[k], ports.i);
      }
    }
    System.arraycopy(i, 0, old, 0, p);
    System.arraycopy(ports.i, 0, third, 0, p);
    System.arraycopy(ports.i, p, i, 0, p);
    System.arraycopy(v, 0, vOld, 0, p);
    System.arraycopy(ports.v, 0, vThird, 0, p);
    System.arraycopy(ports.v, p, v, 0, p);
    sin = sinNext;
    cos = cosNext;
    last = s.h;
    tick += 1L << level;
    noteGreatest();
  }

  /** The same step for small changes of the state at the start. */
  private void follow(Propagator.Step s) {
    double[][] dv = Dense.zero(ports.opened(), n);
    for (int k = 0; k < dv.length; k++) {
      Dense.addTimes(dv[k], s.pairs[ports.open(k)], moves);
    }
    double[][] both = ports.currents(dv, n);
    double[][] next = Dense.zero(dv.length > 0 ? n + p : n, n);
    for (int k = 0; k < n; k++) {
      Dense.addTimes(next[k], s.ends[k], moves);
      Dense.addTimes(next[k], s.endsBy[k], both);
    }
    System.arraycopy(both, Math.min(p, both.length), next, n, next.length - n);
    moves = next;
  }
}
