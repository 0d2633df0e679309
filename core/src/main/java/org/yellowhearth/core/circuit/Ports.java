package org.yellowhearth.core.circuit;

import java.util.Arrays;

/**
 * Finds the voltages at which the devices and the network they hang on agree: v = e + D·i(v), by
 * Newton's method. Whole steps are tried first, which is enough for rectifiers; where they do not
 * settle, the search begins again with steps halved until they bring the two nearer, and where that
 * fails too the devices are let grow from nothing. A device that is shut has no slope and is left
 * out of the equations that are solved; one that is dormant is left out of the search, and looked
 * at again at its end.
 */
final class Ports {
  private static final int MOST_WHOLE = 25;

  /** How often a pair taken for dormant may turn out not to be. */
  private static final int MOST_ROUNDS = 4;

  private static final int MOST_HALVED = 80;
  private static final int MOST_HALVINGS = 14;

  /** A step this small is the last: the next would be its square. */
  private static final double LAST_VOLTS = 3e-3;

  private static final double LAST_SHARE = 1e-5;

  /** The corners of a regulator are so much sharper than those of a diode. */
  private static final double SHARP = 0.01;

  /**
   * A device whose slope moves its own voltage, or any where it has several, by less than this
   * share is shut.
   */
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
  private final double[][] g;

  /** The law of the device of a pair, and how warm it is. */
  private final Law[] laws;

  private final double[] warm;

  /** Where the pairs of the device of a pair begin and end. */
  private final int[] blockStart;

  private final int[] blockEnd;
  private final boolean[] dormant;

  /**
   * The pairs that are not dormant, and what the voltage of each would be if these took nothing.
   */
  private final int[] live;

  private int lives;
  private final double[] base;

  /** What the live ones do to each other, row by row: their part of D. */
  private final double[] among;

  /** Which of the live ones conduct. */
  private final int[] open;

  private int opened;
  private final boolean sharp;
  private final double lastVolts;
  private final double lastShare;

  /** What share of their currents the devices take while a hard case is approached. */
  private double grown = 1;

  private final double[] taken;
  private final double[] wrong;
  private final double[] given;
  private final double[] began;
  private final double[] step;
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
    this.warm = new double[n];
    Arrays.fill(warm, 1);
    this.taken = new double[n];
    this.wrong = new double[n];
    this.given = new double[n];
    this.began = new double[n];
    this.step = new double[n];
    this.base = new double[n];
    this.live = new int[n];
    this.among = new double[n * n];
    this.open = new int[n];
    this.dormant = new boolean[n];
    this.m = Dense.zero(n, n + 1);
    sharp = space.devices.stream().anyMatch(Device.Regulator.class::isInstance);
    this.lastVolts = sharp ? SHARP * LAST_VOLTS : LAST_VOLTS;
    this.lastShare = sharp ? SHARP * LAST_SHARE : LAST_SHARE;
    this.blockStart = new int[n];
    this.blockEnd = new int[n];
    this.laws = new Law[n];
    for (int k = 0; k < space.devices.size(); k++) {
      for (int copy = 0; copy < copies; copy++) {
        int from = copy * space.ports + space.firstPort[k];
        int to = from + space.devices.get(k).pairs().size();
        Arrays.fill(blockStart, from, to, from);
        Arrays.fill(blockEnd, from, to, to);
      }
    }
    for (int copy = 0; copy < copies; copy++) {
      System.arraycopy(Law.ofPairs(space), 0, laws, copy * space.ports, space.ports);
    }
  }

  /** How many pairs conducted at the last solution, and which. */
  int opened() {
    return opened;
  }

  int open(int k) {
    return live[open[k]];
  }

  Law law(int k) {
    return laws[k];
  }

  /** From now on sharp corners are so many times as round. */
  void soften(double times) {
    for (Law law : laws) {
      law.soften(times);
    }
  }

  /** How warm a device is from now on. */
  void warm(int device, double share) {
    for (int copy = 0; copy < copies; copy++) {
      int from = copy * space.ports + space.firstPort[device];
      Arrays.fill(warm, from, blockEnd[from], share);
    }
  }

  /** What the live devices take at the voltages. */
  private void ask() {
    for (int k = 0; k < lives; k++) {
      int at = live[k];
      if (blockStart[at] == at) {
        laws[at].at(v, at, warm[at] * grown, i, g);
      }
    }
  }

  /**
   * The currents at the voltages, and how far these are from what the network makes of them; gives
   * the greatest.
   */
  private double disagreement() {
    ask();
    for (int l = 0; l < lives; l++) {
      taken[l] = i[live[l]];
    }
    double most = 0;
    int at = 0;
    for (int k = 0; k < lives; k++) {
      double sum = v[live[k]] - base[k];
      for (int l = 0; l < lives; l++) {
        sum -= among[at++] * taken[l];
      }
      wrong[k] = sum;
      most = Math.max(most, Math.abs(sum));
    }
    return most;
  }

  /**
   * Takes a pair for dormant at its voltage, or not, and works out what the dormant ones do to the
   * others.
   */
  private void part(double[] e, double[][] d, boolean allLive) {
    lives = 0;
    for (int k = 0; k < n; k++) {
      dormant[k] = !allLive && laws[k].dormant(v[k]);
      if (dormant[k]) {
        laws[k].at(v, k, warm[k] * grown, i, g);
      } else {
        live[lives++] = k;
      }
    }
    int at = 0;
    for (int k = 0; k < lives; k++) {
      double sum = e[live[k]];
      double[] row = d[live[k]];
      for (int c = 0; c < n; c++) {
        if (dormant[c]) {
          sum += row[c] * i[c];
        } else {
          among[at++] = row[c];
        }
      }
      base[k] = sum;
    }
  }

  /** The voltages of the dormant pairs; gives whether each of them still is. */
  private boolean stillDormant(double[] e, double[][] d) {
    boolean still = true;
    for (int r = 0; r < n; r++) {
      if (dormant[r]) {
        v[r] = e[r] + Dense.dot(d[r], i);
        still &= laws[r].dormant(v[r]);
      }
    }
    return still;
  }

  /**
   * Solves from the voltages given.
   *
   * @return whether the voltages were found; the currents and slopes then belong to them
   */
  boolean solve(double[] e, double[][] d) {
    System.arraycopy(v, 0, given, 0, n);
    for (int round = 0; round < MOST_ROUNDS; round++) {
      part(e, d, false);
      if (!wholeSteps()) {
        break;
      }
      if (stillDormant(e, d)) {
        return true;
      }
    }
    System.arraycopy(given, 0, v, 0, n);
    part(e, d, true);
    return halvedSteps() || grown(e);
  }

  /**
   * From devices that take nothing, whose voltages are those of the network, to whole ones in
   * growths as small as they must be.
   */
  private boolean grown(double[] e) {
    double[] good = e.clone();
    double from = LEAST_GROWN;
    double growth = GROWTH;
    while (from < 1 && growth > LEAST_GROWTH) {
      System.arraycopy(good, 0, v, 0, n);
      grown = Math.min(1, from * growth);
      if (wholeSteps() || halvedSteps()) {
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

  private boolean wholeSteps() {
    for (int k = 0; k < MOST_WHOLE; k++) {
      disagreement();
      if (!direction()) {
        return false;
      }
      double moved = 0;
      double largest = 0;
      for (int l = 0; l < lives; l++) {
        int r = live[l];
        double move = step[l];
        if (move < 0) {
          move = v[r] - laws[r].limited(v[r], v[r] - move);
          step[l] = move;
        }
        v[r] -= move;
        moved = Math.max(moved, Math.abs(move));
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

  private boolean halvedSteps() {
    double before = disagreement();
    for (int k = 0; k < MOST_HALVED; k++) {
      if (!direction()) {
        return false;
      }
      System.arraycopy(v, 0, began, 0, n);
      double whole = 0;
      double largest = 0;
      for (int l = 0; l < lives; l++) {
        whole = Math.max(whole, Math.abs(step[l]));
        largest = Math.max(largest, Math.abs(v[live[l]]));
      }
      if (whole <= lastShare * largest + lastVolts) {
        along(1);
        return finish();
      }
      double share = 1;
      double after = Double.POSITIVE_INFINITY;
      for (int halving = 0; halving <= MOST_HALVINGS && !(after < before); halving++) {
        along(share);
        after = disagreement();
        share /= 2;
      }
      if (!(after < before)) {
        return false;
      }
      before = after;
    }
    return false;
  }

  private void along(double share) {
    for (int l = 0; l < lives; l++) {
      v[live[l]] = began[live[l]] - share * step[l];
    }
  }

  /**
   * Brings the currents to the last small step along their slopes. The corners of a regulator are
   * sharper than that step: what stands there is asked for anew.
   */
  private boolean finish() {
    if (sharp) {
      ask();
      findOpen();
      return true;
    }
    for (int k = 0; k < opened; k++) {
      int c = live[open[k]];
      for (int r = blockStart[c]; r < blockEnd[c]; r++) {
        i[r] -= g[r][c] * step[open[k]];
      }
    }
    return true;
  }

  /**
   * Solves (I − D·g)·step = wrong for the open pairs; the step of a shut one follows from theirs.
   */
  private boolean direction() {
    findOpen();
    for (int k = 0; k < opened; k++) {
      equation(m[k], k);
      m[k][opened] = wrong[open[k]];
    }
    if (!Dense.solveColumn(m, opened)) {
      return false;
    }
    int next = 0;
    for (int k = 0; k < lives; k++) {
      if (next < opened && open[next] == k) {
        step[k] = m[next++][opened];
      } else {
        double sum = wrong[k];
        for (int c = 0; c < opened; c++) {
          sum += slope(k, open[c]) * m[c][opened];
        }
        step[k] = sum;
      }
    }
    return true;
  }

  private void findOpen() {
    opened = 0;
    for (int k = 0; k < lives; k++) {
      int c = live[k];
      double moves =
          blockEnd[c] - blockStart[c] == 1 ? Math.abs(g[c][c] * among[k * lives + k]) : moves(k);
      if (moves > SHUT) {
        open[opened++] = k;
      }
    }
  }

  /**
   * By how much a pair of a device with several moves any voltage, its own or not: a grid moves its
   * anode and hardly itself.
   */
  private double moves(int k) {
    int c = live[k];
    double most = 0;
    for (int r = blockStart[c]; r < blockEnd[c]; r++) {
      if (g[r][c] != 0) {
        for (int row = 0; row < lives; row++) {
          most = Math.max(most, Math.abs(g[r][c] * among[row * lives + k + r - c]));
        }
      }
    }
    return most;
  }

  /** A row of I − D·g over the open pairs. */
  private void equation(double[] to, int row) {
    for (int c = 0; c < opened; c++) {
      to[c] = -slope(open[row], open[c]);
    }
    to[row] += 1;
  }

  /**
   * Row k, column l of D·g among the live pairs; the slopes of a device are by its own pairs only,
   * which are all live or none.
   */
  private double slope(int k, int l) {
    int c = live[l];
    int start = blockStart[c];
    int end = blockEnd[c];
    int at = k * lives + l;
    if (end - start == 1) {
      return among[at] * g[c][c];
    }
    double sum = 0;
    for (int r = start; r < end; r++) {
      sum += among[at + r - c] * g[r][c];
    }
    return sum;
  }

  /**
   * How the currents move with what moves the voltages of the open pairs by so much while no
   * current moves: g·(I − D·g)⁻¹·b, with the slopes of the last iteration.
   *
   * @param b a row for each open pair; it is destroyed
   * @return a row for each pair; none where no pair is open
   */
  double[][] currents(double[][] b, int columns) {
    if (opened == 0) {
      return b;
    }
    double[][] system = Dense.zero(opened, opened);
    for (int k = 0; k < opened; k++) {
      equation(system[k], k);
    }
    Dense.solve(system, b);
    double[][] moves = Dense.zero(n, columns);
    for (int k = 0; k < opened; k++) {
      int c = live[open[k]];
      for (int r = blockStart[c]; r < blockEnd[c]; r++) {
        for (int column = 0; column < columns; column++) {
          moves[r][column] += g[r][c] * b[k][column];
        }
      }
    }
    return moves;
  }
}
