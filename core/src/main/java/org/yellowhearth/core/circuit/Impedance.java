package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.List;

/**
 * An impedance at one frequency: its series resistance and reactance in Ω. Devices that are shut
 * let through what a shut device leaks.
 */
public record Impedance(double ohms, double reactance) {
  private static final double WIRE_OHMS = 1e-4;

  /** Ties what nothing else ties, so that the equations have an answer. */
  private static final double TIE = 1e-12;

  /** Its magnitude in Ω. */
  public double magnitude() {
    return Math.hypot(ohms, reactance);
  }

  /** What is left of it when a share of another that lies in parallel is taken off. */
  public Impedance without(Impedance other, double share) {
    double[] whole = inverse(ohms, reactance);
    double[] off = inverse(other.ohms, other.reactance);
    double[] left = inverse(whole[0] - share * off[0], whole[1] - share * off[1]);
    return new Impedance(left[0], left[1]);
  }

  /**
   * The impedance between two nodes of a network without power, by an ampere sent through: exact
   * nodal analysis.
   *
   * @throws BadCircuitException where nothing joins them
   */
  public static Impedance between(List<Element> elements, String a, String b, double hertz) {
    double omega = 2 * Math.PI * hertz;
    List<String> nodes = new ArrayList<>();
    elements.forEach(e ->
        e.nodes().stream().filter(n -> !n.equals(b) && !nodes.contains(n)).forEach(nodes::add));
    int n = nodes.size();
    // Complex equations as real ones of twice the size: [G −B; B G].
    double[][] m = new double[2 * n][2 * n + 1];
    for (int k = 0; k < n; k++) {
      m[k][k] += TIE;
      m[k + n][k + n] += TIE;
    }
    for (Element e : elements) {
      switch (e) {
        case Element.Resistance r ->
            stamp(m, nodes, r.a(), r.b(), 1 / Math.max(r.ohms(), WIRE_OHMS), 0);
        case Element.Capacitance c -> {
          double[] y = inverse(c.esrOhms(), -1 / (omega * c.farads()));
          stamp(m, nodes, c.a(), c.b(), y[0] + 1 / c.leakOhms(), y[1]);
        }
        case Element.Inductance l -> {
          double[] core = inverse(1 / l.lossOhms(), -1 / (omega * l.henries()));
          double[] y = inverse(core[0] + l.ohms(), core[1]);
          stamp(m, nodes, l.a(), l.b(), y[0], y[1]);
        }
        case Element.Source s ->
            stamp(m, nodes, s.a(), s.b(), 1 / Math.max(s.ohms(), WIRE_OHMS), 0);
        case Element.IdealTransformer t -> {
          // Unplugged, its core magnetised by nothing: only windings on one another would count,
          // through devices that are shut.
          t.windings()
              .forEach(w -> stamp(m, nodes, w.a(), w.b(), 1 / Math.max(w.ohms(), WIRE_OHMS), 0));
        }
        case Device d ->
            d.pairs().forEach(p -> stamp(m, nodes, p.plus(), p.minus(), 1 / Device.SHUT_OHMS, 0));
      }
    }
    int at = nodes.indexOf(a);
    if (at < 0) {
      throw new BadCircuitException(a, "is no node of this network");
    }
    m[at][2 * n] = 1;
    if (!Dense.solveColumn(m, 2 * n)) {
      throw new BadCircuitException(a, "is not joined to " + b);
    }
    return new Impedance(m[at][2 * n], m[at + n][2 * n]);
  }

  private static double[] inverse(double re, double im) {
    double square = re * re + im * im;
    return new double[] {re / square, -im / square};
  }

  private static void stamp(
      double[][] m, List<String> nodes, String a, String b, double g, double s) {
    int i = nodes.indexOf(a);
    int j = nodes.indexOf(b);
    add(m, i, i, g, s);
    add(m, j, j, g, s);
    add(m, i, j, -g, -s);
    add(m, j, i, -g, -s);
  }

  private static void add(double[][] m, int row, int column, double g, double s) {
    if (row >= 0 && column >= 0) {
      int n = m.length / 2;
      m[row][column] += g;
      m[row][column + n] -= s;
      m[row + n][column] += s;
      m[row + n][column + n] += g;
    }
  }
}
