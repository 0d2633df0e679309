package org.yellowhearth.core.circuit;

import java.util.Arrays;

/**
 * Finds the voltages at which the devices and the network they hang on agree: v = e + D·i(v), by Newton's method. Whole steps are tried
 * first, which is enough for rectifiers; where they do not settle, the search begins again with steps halved until they bring the two
 * nearer, and where that fails too the devices are let grow from nothing. A device that is shut has no slope and is left out of the
 * equations that are solved.
 */
final class Ports {
    private static final int MOST_WHOLE = 25;
    private static final int MOST_HALVED = 80;
    private static final int MOST_HALVINGS = 14;
    /** A step this small is the last: the next would be its square. */
    private static final double LAST_VOLTS = 1e-3;
    private static final double LAST_SHARE = 1e-5;
    /** The corners of a regulator are so much sharper than those of a diode. */
    private static final double SHARP = 0.01;
    /** A device whose slope moves its own voltage by less than this share is shut. */
    private static final double SHUT = 1e-7;
    private static final double LEAST_GROWN = 1e-9;
    private static final double GROWTH = 3;
    private static final double LEAST_GROWTH = 1.0005;

    private final StateSpace space;
    private final int copies;
    private final int n;
    /** The voltages of the pairs, kept from one solution as the start of the next. */
    final double[] v;
    final double[] i;
    /** The slopes of the currents at the solution. */
    final double[][] g;

    private final Device[] devices;
    /** Where the pairs of the device of a pair begin and end. */
    private final int[] blockStart;
    private final int[] blockEnd;
    private final boolean[] shut;
    private final double lastVolts;
    private final double lastShare;
    private final double[] warm;
    /** What share of their currents the devices take while a hard case is approached. */
    private double grown = 1;
    private final double[] wrong;
    private final double[] began;
    private final double[] step;
    private final int[] open;
    private int opened;
    private final double[][] m;

    /**
     * A solver.
     *
     * @param copies at how many moments at once the devices are to agree with the network
     */
    Ports(StateSpace space, int copies) {
        this.space = space;
        this.copies = copies;
        this.n = copies * space.ports;
        this.v = new double[n];
        this.i = new double[n];
        this.g = Dense.zero(n, n);
        this.warm = new double[space.devices.size()];
        Arrays.fill(warm, 1);
        this.wrong = new double[n];
        this.began = new double[n];
        this.step = new double[n];
        this.open = new int[n];
        this.m = Dense.zero(n, n + 1);
        boolean sharp = space.devices.stream().anyMatch(Device.Regulator.class::isInstance);
        this.lastVolts = sharp ? SHARP * LAST_VOLTS : LAST_VOLTS;
        this.lastShare = sharp ? SHARP * LAST_SHARE : LAST_SHARE;
        this.shut = new boolean[n];
        this.devices = space.devices.toArray(Device[]::new);
        this.blockStart = new int[n];
        this.blockEnd = new int[n];
        for (int copy = 0; copy < copies; copy++) {
            for (int k = 0; k < devices.length; k++) {
                int from = copy * space.ports + space.firstPort[k];
                int to = from + devices[k].pairs().size();
                Arrays.fill(blockStart, from, to, from);
                Arrays.fill(blockEnd, from, to, to);
            }
        }
    }

    /** Whether no device conducted at the last solution. */
    boolean allShut() {
        return opened == 0;
    }

    /** Takes currents and slopes anew at the voltages found: those of the last iteration are a small step away. */
    void refresh(double[] e, double[][] d) {
        disagreement(e, d);
        findOpen(d);
    }

    /** How warm a device is from now on. */
    void warm(int device, double share) {
        warm[device] = share;
    }

    /** The currents at the voltages, and how far these are from what the network makes of them; gives the greatest. */
    private double disagreement(double[] e, double[][] d) {
        for (int copy = 0; copy < copies; copy++) {
            for (int k = 0; k < warm.length; k++) {
                devices[k].evaluate(v, copy * space.ports + space.firstPort[k], warm[k] * grown, i, g);
            }
        }
        double most = 0;
        for (int r = 0; r < n; r++) {
            double[] row = d[r];
            double sum = v[r] - e[r];
            for (int c = 0; c < n; c++) {
                sum -= row[c] * i[c];
            }
            wrong[r] = sum;
            most = Math.max(most, Math.abs(sum));
        }
        return most;
    }

    /**
     * Solves from the voltages of the last solution.
     *
     * @return whether the voltages were found; the currents and slopes then belong to them
     */
    boolean solve(double[] e, double[][] d) {
        System.arraycopy(v, 0, began, 0, n);
        if (wholeSteps(e, d)) {
            return true;
        }
        System.arraycopy(began, 0, v, 0, n);
        return halvedSteps(e, d) || grown(e, d);
    }

    /** From devices that take nothing, whose voltages are those of the network, to whole ones in growths as small as they must be. */
    private boolean grown(double[] e, double[][] d) {
        double[] good = e.clone();
        double from = LEAST_GROWN;
        double growth = GROWTH;
        while (from < 1 && growth > LEAST_GROWTH) {
            System.arraycopy(good, 0, v, 0, n);
            grown = Math.min(1, from * growth);
            if (wholeSteps(e, d) || halvedSteps(e, d)) {
                System.arraycopy(v, 0, good, 0, n);
                from = grown;
                growth = Math.min(GROWTH, growth * growth);
            } else {
                growth = Math.sqrt(growth);
            }
        }
        grown = 1;
        return from >= 1;
    }

    private boolean wholeSteps(double[] e, double[][] d) {
        for (int k = 0; k < MOST_WHOLE; k++) {
            disagreement(e, d);
            if (!direction(d)) {
                return false;
            }
            double moved = 0;
            double largest = 0;
            for (int r = 0; r < n; r++) {
                v[r] -= step[r];
                moved = Math.max(moved, Math.abs(step[r]));
                largest = Math.max(largest, Math.abs(v[r]));
            }
            if (moved <= lastShare * largest + lastVolts) {
                return finish();
            }
            if (Double.isNaN(moved)) {
                return false;
            }
        }
        return false;
    }

    private boolean halvedSteps(double[] e, double[][] d) {
        double before = disagreement(e, d);
        for (int k = 0; k < MOST_HALVED; k++) {
            if (!direction(d)) {
                return false;
            }
            System.arraycopy(v, 0, began, 0, n);
            double whole = 0;
            double largest = 0;
            for (int r = 0; r < n; r++) {
                whole = Math.max(whole, Math.abs(step[r]));
                largest = Math.max(largest, Math.abs(v[r]));
            }
            if (whole <= lastShare * largest + lastVolts) {
                for (int r = 0; r < n; r++) {
                    v[r] -= step[r];
                }
                return finish();
            }
            double share = 1;
            double after = Double.POSITIVE_INFINITY;
            for (int halving = 0; halving <= MOST_HALVINGS && !(after < before); halving++) {
                for (int r = 0; r < n; r++) {
                    v[r] = began[r] - share * step[r];
                }
                after = disagreement(e, d);
                share /= 2;
            }
            if (!(after < before)) {
                return false;
            }
            before = after;
        }
        return false;
    }

    /** Brings the currents to the last small step along their slopes. */
    private boolean finish() {
        for (int k = 0; k < opened; k++) {
            int c = open[k];
            for (int r = 0; r < n; r++) {
                if (g[r][c] != 0) {
                    i[r] -= g[r][c] * step[c];
                }
            }
        }
        return true;
    }

    /** Solves (I − D·g)·step = wrong. */
    private boolean direction(double[][] d) {
        findOpen(d);
        if (!system(d)) {
            return false;
        }
        for (int r = 0; r < n; r++) {
            step[r] = wrong[r];
        }
        for (int k = 0; k < opened; k++) {
            step[open[k]] = m[k][opened];
        }
        // A shut device follows from the open ones.
        for (int r = 0; r < n; r++) {
            if (shut[r]) {
                for (int k = 0; k < opened; k++) {
                    step[r] += slope(d, r, open[k]) * step[open[k]];
                }
            }
        }
        return true;
    }

    private void findOpen(double[][] d) {
        opened = 0;
        for (int c = 0; c < n; c++) {
            double most = 0;
            for (int r = blockStart[c]; r < blockEnd[c]; r++) {
                most = Math.max(most, Math.abs(g[r][c] * d[c][r]));
            }
            shut[c] = most <= SHUT;
            if (!shut[c]) {
                open[opened++] = c;
            }
        }
    }

    /** Row r, column c of D·g; the slopes of a device are those by its own pairs only. */
    private double slope(double[][] d, int r, int c) {
        double sum = 0;
        double[] row = d[r];
        for (int k = blockStart[c]; k < blockEnd[c]; k++) {
            sum += row[k] * g[k][c];
        }
        return sum;
    }

    /** The system of the open devices, solved in place with the disagreement as its last column. */
    private boolean system(double[][] d) {
        for (int r = 0; r < opened; r++) {
            for (int c = 0; c < opened; c++) {
                m[r][c] = (r == c ? 1 : 0) - slope(d, open[r], open[c]);
            }
            m[r][opened] = wrong[open[r]];
        }
        return Dense.solveColumn(m, opened);
    }

    /** Puts (I − D·g)⁻¹·b in the place of b, at the solution. */
    void invert(double[][] d, double[][] b) {
        double[][] system = Dense.zero(opened, opened);
        double[][] right = new double[opened][];
        for (int r = 0; r < opened; r++) {
            for (int c = 0; c < opened; c++) {
                system[r][c] = (r == c ? 1 : 0) - slope(d, open[r], open[c]);
            }
            right[r] = b[open[r]];
        }
        Dense.solve(system, right);
        for (int k = 0; k < opened; k++) {
            b[open[k]] = right[k];
        }
        for (int r = 0; r < n; r++) {
            for (int k = 0; k < opened && shut[r]; k++) {
                double f = slope(d, r, open[k]);
                for (int c = 0; c < b[r].length; c++) {
                    b[r][c] += f * right[k][c];
                }
            }
        }
    }
}
