package org.yellowhearth.core.circuit;

import java.util.Arrays;

/**
 * Carries a circuit from moment to moment in steps that are halved where the currents of the devices turn away from where they were
 * heading, as they do when a rectifier begins or ceases to conduct, and doubled where they do not.
 */
final class Stepper {
    /** How much smoother than asked the currents must be before the step is doubled. */
    private static final double SMOOTH = 0.25;
    /** Currents below this share of the greatest one in the circuit are not followed more closely. */
    private static final double LEAST_SHARE = 1e-3;
    private static final double NOT_NOTHING = 0.01;

    final StateSpace space;
    private final Ports first;
    private final Ports ports;
    private final Propagator propagator;
    private final int n;
    private final int p;
    private final double smallest;

    /** Time in smallest steps, from the moment that {@link #begin} was given. */
    private long tick;
    private double start;
    private int level;
    private int made;
    double[] z;
    double[] i;
    private double[] v;
    private final double[] vThird;
    private final double[] vOld;
    /** The currents at a third of the last step and at its start, and its length; no length at a start. */
    private final double[] third;
    private final double[] old;
    private double last;
    /** The greatest currents of the run before this one, and of this one so far. */
    private double[] greatest;
    private double[] now;

    /** How the state and the currents move with the state at the start, where that is followed. */
    double[][] dz;
    private double[][] di;
    private boolean following;
    /** Whether no device conducted at the end of the last step, so that the currents do not move with the state. */
    private boolean stillShut;

    private final double[] e;
    private final double[] zNext;
    double sin;
    double cos;
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
        this.zNext = new double[n];
        this.third = new double[p];
        this.old = new double[p];
        this.vThird = new double[p];
        this.vOld = new double[p];
        this.e = new double[2 * p];
    }

    double time() {
        return start + tick * smallest;
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

    /** How warm a device is from now on. */
    void warm(int device, double share) {
        first.warm(device, share);
        ports.warm(device, share);
    }

    /** Starts from a state at a time; the level is that of the first step to try. */
    void begin(double[] state, double time, int firstLevel, boolean follow) {
        z = state.clone();
        start = time;
        tick = 0;
        level = firstLevel;
        last = 0;
        following = follow;
        stillShut = false;
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
            dz = Dense.zero(n, n);
            double[][] c = new double[p][];
            for (int k = 0; k < n; k++) {
                dz[k][k] = 1;
            }
            for (int k = 0; k < p; k++) {
                c[k] = space.pairs[k].x().clone();
            }
            first.invert(d, c);
            di = Dense.times(first.g, c, n);
        }
    }

    private void noteGreatest() {
        for (int k = 0; k < p; k++) {
            now[k] = Math.max(now[k], Math.abs(i[k]));
        }
    }

    /**
     * Makes one step, as long as the currents allow.
     *
     * @param tolerance by how much of its greatest value a current may turn away from where it was heading
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
     * How far the currents, at the third and at the end, are from the parabola of the last step, as a share of the greatest they were;
     * endless where a device that is shut at all three points would have opened between them.
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
            boolean shut = Math.max(Math.abs(i[k]), Math.max(Math.abs(atThird), Math.abs(atEnd))) < LEAST_SHARE * scale;
            if (shut && opensBetween(v[k], ports.v[k], ports.v[p + k])) {
                return Double.POSITIVE_INFINITY;
            }
        }
        return most;
    }

    /** Whether a voltage that is negative at the start, the third and the end of a step comes up between them to where a device opens. */
    private static boolean opensBetween(double start, double third, double end) {
        double c = Parabola.c(start, third, end);
        double vertex = -Parabola.b(start, third, end) / (2 * c);
        double highest = Parabola.at(vertex, start, third, end);
        return c < 0 && vertex > 0 && vertex < 1 && highest > 0 && highest > Math.max(third, end) + NOT_NOTHING * Math.abs(c);
    }

    /** What a current is measured by: the greatest it was in the run before, or in the first run so far. */
    private double scale(int k) {
        return greatest[k] > 0 ? greatest[k] : now[k];
    }

    private boolean attempt(Propagator.Step s) {
        double end = time() + s.h;
        sin = Math.sin(space.omega * end);
        cos = Math.cos(space.omega * end);
        double sinThird = Math.sin(space.omega * (end - s.h * 2 / 3));
        double cosThird = Math.cos(space.omega * (end - s.h * 2 / 3));
        for (int k = 0; k < p; k++) {
            StateSpace.Row row = space.pairs[k];
            e[k] = s.vc[k] + Dense.dot(s.vz[k], z) + Dense.dot(s.vi[k], i) + row.sine() * sinThird + row.cosine() * cosThird;
            e[p + k] = s.vc[p + k] + Dense.dot(s.vz[p + k], z) + Dense.dot(s.vi[p + k], i) + row.sine() * sin
                    + row.cosine() * cos;
        }
        guess(s.h);
        return p == 0 || ports.solve(e, s.vij);
    }

    /** The voltages go on as they went in the last step; what is found does not depend on it. */
    private void guess(double h) {
        if (ports.allShut()) {
            System.arraycopy(e, 0, ports.v, 0, 2 * p);
            return;
        }
        double ratio = last > 0 ? h / last : 0;
        for (int k = 0; k < p; k++) {
            ports.v[k] = Parabola.at(1 + ratio / 3, vOld[k], vThird[k], v[k]);
            ports.v[p + k] = Parabola.at(1 + ratio, vOld[k], vThird[k], v[k]);
        }
    }

    private void accept(Propagator.Step s) {
        for (int k = 0; k < n; k++) {
            zNext[k] = s.zc[k] + Dense.dot(s.zz[k], z) + Dense.dot(s.zi[k], i) + Dense.dot(s.zij[k], ports.i);
        }
        if (following) {
            follow(s);
        }
        if (takingDown) {
            zThird = new double[n];
            for (int k = 0; k < n; k++) {
                zThird[k] = s.thirdC[k] + Dense.dot(s.thirdZ[k], z) + Dense.dot(s.thirdI[k], i)
                        + Dense.dot(s.thirdIj[k], ports.i);
            }
        }
        System.arraycopy(i, 0, old, 0, p);
        System.arraycopy(ports.i, 0, third, 0, p);
        System.arraycopy(ports.i, p, i, 0, p);
        System.arraycopy(v, 0, vOld, 0, p);
        System.arraycopy(ports.v, 0, vThird, 0, p);
        System.arraycopy(ports.v, p, v, 0, p);
        System.arraycopy(zNext, 0, z, 0, n);
        last = s.h;
        tick += 1L << level;
        noteGreatest();
    }

    /** The same step for small changes of the state at the start. */
    private void follow(Propagator.Step s) {
        ports.refresh(e, s.vij);
        if (ports.allShut() && stillShut) {
            dz = Dense.times(s.zz, dz, n);
            return;
        }
        stillShut = ports.allShut();
        double[][] dv = Dense.times(s.vz, dz, n);
        Dense.add(dv, 1, Dense.times(s.vi, di, n));
        ports.invert(s.vij, dv);
        double[][] both = Dense.times(ports.g, dv, n);
        double[][] next = Dense.times(s.zz, dz, n);
        Dense.add(next, 1, Dense.times(s.zi, di, n));
        Dense.add(next, 1, Dense.times(s.zij, both, n));
        dz = next;
        for (int k = 0; k < p; k++) {
            di[k] = both[p + k];
        }
    }
}
