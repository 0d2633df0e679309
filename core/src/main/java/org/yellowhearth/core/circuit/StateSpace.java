package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The linear part of a circuit as seen by its states (capacitor voltages, inductor currents) and by
 * the currents of its devices:
 *
 * <pre>
 * x' = A x + B i + b + (sines)        v = C x + D i + d + (sines)
 * </pre>
 *
 * where i are the currents that the devices take and v the voltages across their pairs. The sines
 * are taken out: x = z + X(t) with X the linear network's own answer to its sources while all
 * devices take nothing, so that z' = A z + B i + b.
 *
 * <p>Capacitors count as voltage sources and inductors and devices as current sources; what is left
 * is a network of resistances that is solved once. Branch voltages and currents come from the same
 * solution.
 */
final class StateSpace {
  final Circuit circuit;
  final int states;
  final int ports;
  final double omega;
  final List<Device> devices = new ArrayList<>();

  /** Where the pairs of each device begin. */
  final int[] firstPort;

  /** [states][states]. */
  final double[][] a;

  /** [states][ports + 1]: the last column is the constant part. */
  final double[][] b;

  /** Rows that give voltages of pairs. */
  final Row[] pairs;

  private final Map<String, Integer> nodes = new HashMap<>();
  private final Map<String, Integer> branches = new HashMap<>();
  private final Map<String, Integer> stateOf = new HashMap<>();

  /**
   * The solved network: a row for each node voltage and branch current, by state, port, constant,
   * sine and cosine.
   */
  private final double[][] solved;

  /** The network's own answer of the states: X(t) = sine·sin ωt + cosine·cos ωt. */
  private final double[] stateSine;

  private final double[] stateCosine;

  /** A value that follows from the state: x·z + p·i + constant + sine·sin ωt + cosine·cos ωt. */
  static final class Row {
    private final double[] x;
    private final double[] p;
    private final double constant;
    private final double sine;
    private final double cosine;

    private Row(double[] x, double[] p, double constant, double sine, double cosine) {
      this.x = x;
      this.p = p;
      this.constant = constant;
      this.sine = sine;
      this.cosine = cosine;
    }

    double[] x() {
      return x;
    }

    double[] p() {
      return p;
    }

    double constant() {
      return constant;
    }

    double sine() {
      return sine;
    }

    double cosine() {
      return cosine;
    }

    double at(double[] z, double[] i, double sin, double cos) {
      return Dense.dot(x, z) + Dense.dot(p, i) + constant + sine * sin + cosine * cos;
    }
  }

  StateSpace(Circuit circuit) {
    this.circuit = circuit;
    this.omega = 2 * Math.PI * circuit.hertz();
    int count = 0;
    for (Element e : circuit.elements()) {
      for (String n : e.nodes()) {
        if (!n.equals(Circuit.REFERENCE) && !nodes.containsKey(n)) {
          nodes.put(n, nodes.size());
        }
      }
      if (e instanceof Element.Capacitance || e instanceof Element.Inductance) {
        stateOf.put(e.name(), stateOf.size());
      }
      if (e instanceof Device d) {
        devices.add(d);
        count += d.pairs().size();
      }
    }
    this.states = stateOf.size();
    this.ports = count;
    this.firstPort = new int[devices.size()];
    int size = nodes.size();
    for (Element e : circuit.elements()) {
      switch (e) {
        case Element.Capacitance _, Element.Source _ -> branches.put(e.name(), size++);
        case Element.Resistance r when r.ohms() == 0 -> branches.put(e.name(), size++);
        case Element.IdealTransformer t -> {
          branches.put(e.name(), size);
          size += t.windings().size();
        }
        default -> {}
      }
    }
    int columns = states + ports + 3;
    double[][] m = Dense.zero(size, size);
    double[][] right = Dense.zero(size, columns);
    fill(m, right);
    int stuck = Dense.solve(m, right);
    if (stuck >= 0) {
      throw new BadCircuitException(
          "the circuit",
          "its voltages are not settled: sources or capacitors without resistance are "
              + "in a loop, or a node hangs on chokes alone");
    }
    this.solved = right;
    this.a = Dense.zero(states, states);
    this.b = Dense.zero(states, ports + 1);
    double[] sine = new double[states];
    double[] cosine = new double[states];
    derivatives(sine, cosine);
    double[][] own = ownAnswer(sine, cosine);
    this.stateSine = own[0];
    this.stateCosine = own[1];
    this.pairs = new Row[ports];
    int at = 0;
    for (Device d : devices) {
      for (Device.Pair p : d.pairs()) {
        pairs[at++] = voltage(p.plus(), p.minus());
      }
    }
  }

  private int port(int device, int pair) {
    return states + firstPort[device] + pair;
  }

  private void fill(double[][] m, double[][] right) {
    int constant = states + ports;
    int device = 0;
    int port = 0;
    for (Element e : circuit.elements()) {
      switch (e) {
        case Element.Resistance r when r.ohms() == 0 ->
            branch(m, branches.get(r.name()), r.a(), r.b(), 0);
        case Element.Resistance r -> conductance(m, r.a(), r.b(), 1 / r.ohms());
        case Element.Capacitance c -> {
          int row = branches.get(c.name());
          branch(m, row, c.a(), c.b(), c.esrOhms());
          conductance(m, c.a(), c.b(), 1 / c.leakOhms());
          right[row][stateOf.get(c.name())] = 1;
        }
        case Element.Inductance l -> {
          conductance(m, l.a(), l.b(), 1 / l.lossOhms());
          current(right, l.a(), l.b(), stateOf.get(l.name()));
        }
        case Element.Source s -> {
          int row = branches.get(s.name());
          branch(m, row, s.a(), s.b(), s.ohms());
          right[row][constant] = s.dcVolts();
          right[row][constant + 1] = s.peakVolts() * Math.cos(s.phase());
          right[row][constant + 2] = s.peakVolts() * Math.sin(s.phase());
        }
        case Element.IdealTransformer t -> transformer(m, t);
        case Device d -> {
          firstPort[device++] = port;
          for (Device.Pair p : d.pairs()) {
            conductance(m, p.plus(), p.minus(), 1 / Device.SHUT_OHMS);
            current(right, p.plus(), p.minus(), states + port++);
          }
        }
      }
    }
  }

  private int node(String name) {
    return name.equals(Circuit.REFERENCE) ? -1 : nodes.get(name);
  }

  private void conductance(double[][] m, String from, String to, double amperesPerVolt) {
    int p = node(from);
    int q = node(to);
    if (p >= 0) {
      m[p][p] += amperesPerVolt;
    }
    if (q >= 0) {
      m[q][q] += amperesPerVolt;
    }
    if (p >= 0 && q >= 0) {
      m[p][q] -= amperesPerVolt;
      m[q][p] -= amperesPerVolt;
    }
  }

  /** A current that leaves a node and enters another, as a column of the right side. */
  private void current(double[][] right, String from, String to, int column) {
    if (node(from) >= 0) {
      right[node(from)][column] -= 1;
    }
    if (node(to) >= 0) {
      right[node(to)][column] += 1;
    }
  }

  /** A branch whose current is asked for: v_a − v_b − ohms·i = what stands at the right. */
  private void branch(double[][] m, int row, String from, String to, double ohms) {
    if (node(from) >= 0) {
      m[node(from)][row] += 1;
      m[row][node(from)] += 1;
    }
    if (node(to) >= 0) {
      m[node(to)][row] -= 1;
      m[row][node(to)] -= 1;
    }
    m[row][row] -= ohms;
  }

  /**
   * Volts per turn of every winding are those of the first; the ampere turns add up to nothing,
   * which the first row says.
   */
  private void transformer(double[][] m, Element.IdealTransformer t) {
    int first = branches.get(t.name());
    Element.IdealTransformer.Winding one = t.windings().getFirst();
    for (int w = 0; w < t.windings().size(); w++) {
      Element.IdealTransformer.Winding winding = t.windings().get(w);
      int column = first + w;
      if (node(winding.a()) >= 0) {
        m[node(winding.a())][column] += 1;
      }
      if (node(winding.b()) >= 0) {
        m[node(winding.b())][column] -= 1;
      }
      m[first][column] += winding.turns() / one.turns();
      if (w > 0) {
        double ratio = winding.turns() / one.turns();
        coefficient(m, column, winding.a(), 1);
        coefficient(m, column, winding.b(), -1);
        m[column][column] -= winding.ohms();
        coefficient(m, column, one.a(), -ratio);
        coefficient(m, column, one.b(), ratio);
        m[column][first] += ratio * one.ohms();
      }
    }
  }

  private void coefficient(double[][] m, int row, String at, double factor) {
    if (node(at) >= 0) {
      m[row][node(at)] += factor;
    }
  }

  /** C·dv/dt is the branch current; L·di/dt is the branch voltage less what its copper drops. */
  private void derivatives(double[] sine, double[] cosine) {
    for (Element e : circuit.elements()) {
      Integer state = stateOf.get(e.name());
      double[] row = null;
      double scale = 0;
      if (e instanceof Element.Capacitance c) {
        row = solved[branches.get(c.name())];
        scale = 1 / c.farads();
      } else if (e instanceof Element.Inductance l) {
        row = difference(l.a(), l.b());
        scale = 1 / l.henries();
        a[state][state] -= l.ohms() / l.henries();
      }
      if (row != null) {
        for (int k = 0; k < states; k++) {
          a[state][k] += scale * row[k];
        }
        for (int k = 0; k <= ports; k++) {
          b[state][k] = scale * row[states + k];
        }
        sine[state] = scale * row[states + ports + 1];
        cosine[state] = scale * row[states + ports + 2];
      }
    }
  }

  private double[] difference(String plus, String minus) {
    double[] row = new double[states + ports + 3];
    if (node(plus) >= 0) {
      add(row, 1, solved[node(plus)]);
    }
    if (node(minus) >= 0) {
      add(row, -1, solved[node(minus)]);
    }
    return row;
  }

  private static void add(double[] to, double f, double[] row) {
    for (int k = 0; k < to.length; k++) {
      to[k] += f * row[k];
    }
  }

  /**
   * The sines that the states themselves perform: with X = s·sin ωt + c·cos ωt, −ωc = A s + s0 and
   * ωs = A c + c0.
   */
  private double[][] ownAnswer(double[] sine, double[] cosine) {
    int n = states;
    double[][] m = Dense.zero(2 * n, 2 * n);
    double[][] right = Dense.zero(2 * n, 1);
    for (int r = 0; r < n; r++) {
      for (int k = 0; k < n; k++) {
        m[r][k] = a[r][k];
        m[n + r][n + k] = a[r][k];
      }
      m[r][n + r] += omega;
      m[n + r][r] -= omega;
      right[r][0] = -sine[r];
      right[n + r][0] = -cosine[r];
    }
    Dense.solve(m, right);
    double[][] own = new double[2][n];
    for (int r = 0; r < n; r++) {
      own[0][r] = right[r][0];
      own[1][r] = right[n + r][0];
    }
    return own;
  }

  private Row row(double[] raw) {
    double[] x = Arrays.copyOf(raw, states);
    return new Row(
        x,
        Arrays.copyOfRange(raw, states, states + ports),
        raw[states + ports],
        raw[states + ports + 1] + Dense.dot(x, stateSine),
        raw[states + ports + 2] + Dense.dot(x, stateCosine));
  }

  /** The states proper at a moment, of a z. */
  double state(int k, double z, double sin, double cos) {
    return z + stateSine[k] * sin + stateCosine[k] * cos;
  }

  /** The z of given states at a moment. */
  double[] fromStates(Map<String, Double> x, double sin, double cos) {
    double[] all = new double[states];
    stateOf.forEach((name, k) -> all[k] = x.getOrDefault(name, 0.0));
    return fromStates(all, sin, cos);
  }

  /** The names of the states, by their numbers. */
  Map<String, Integer> stateNames() {
    return stateOf;
  }

  /** The same by their numbers. */
  double[] fromStates(double[] x, double sin, double cos) {
    double[] z = new double[states];
    for (int k = 0; k < states; k++) {
      z[k] = x[k] - stateSine[k] * sin - stateCosine[k] * cos;
    }
    return z;
  }

  /** Whether no state swings with the mains of itself, but for so many volts or amperes. */
  boolean statesStandStill(double within) {
    double most = 0;
    for (int k = 0; k < states; k++) {
      most = Math.max(most, Math.max(Math.abs(stateSine[k]), Math.abs(stateCosine[k])));
    }
    return most <= within;
  }

  /** Whether a choke forces currents, which asks for shorter steps. */
  boolean hasChoke() {
    return circuit.elements().stream().anyMatch(Element.Inductance.class::isInstance);
  }

  /** The voltage between two nodes. */
  Row voltage(String plus, String minus) {
    for (String n : List.of(plus, minus)) {
      if (!n.equals(Circuit.REFERENCE) && !nodes.containsKey(n)) {
        throw new BadCircuitException("node " + n, "is not in the circuit");
      }
    }
    return row(difference(plus, minus));
  }

  /**
   * The current through an element, from its first node to its second; of a capacitor through its
   * plates, without its leak; of a transformer through one winding, of a device through one of its
   * pairs.
   */
  Row current(String name, int part) {
    Element e =
        circuit.elements().stream()
            .filter(x -> x.name().equals(name))
            .findFirst()
            .orElseThrow(() -> new BadCircuitException(name, "is not in the circuit"));
    return switch (e) {
      case Element.Resistance r when r.ohms() > 0 ->
          row(scaled(difference(r.a(), r.b()), 1 / r.ohms()));
      case Element.Resistance _, Element.Capacitance _, Element.Source _ ->
          row(solved[branches.get(name)]);
      case Element.IdealTransformer _ -> row(solved[branches.get(name) + part]);
      case Element.Inductance l -> {
        double[] raw = scaled(difference(l.a(), l.b()), 1 / l.lossOhms());
        raw[stateOf.get(name)] += 1;
        yield row(raw);
      }
      case Device d -> {
        Device.Pair pair = d.pairs().get(part);
        double[] raw = scaled(difference(pair.plus(), pair.minus()), 1 / Device.SHUT_OHMS);
        raw[port(devices.indexOf(d), part)] += 1;
        yield row(raw);
      }
    };
  }

  private static double[] scaled(double[] row, double f) {
    for (int k = 0; k < row.length; k++) {
      row[k] *= f;
    }
    return row;
  }
}
