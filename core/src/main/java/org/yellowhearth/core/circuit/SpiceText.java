package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A circuit as a netlist for a general-purpose circuit simulator, element for element the same
 * model that is solved here: the internal nodes of lossy parts are written out, devices that have
 * no card of their own are arbitrary sources.
 */
public final class SpiceText {
  /** Long enough for supplies with filters of some seconds; steps as fine as a reference wants. */
  private static final double SECONDS = 2;

  private static final double LONGEST_STEP = 1e-5;

  private final Circuit circuit;
  private final List<String> lines = new ArrayList<>();

  private SpiceText(Circuit circuit) {
    this.circuit = circuit;
  }

  /** The cards of the elements, a line each, without title, analysis and end. */
  private static List<String> cards(Circuit circuit) {
    SpiceText text = new SpiceText(circuit);
    circuit.elements().forEach(text::element);
    return List.copyOf(text.lines);
  }

  /**
   * A whole netlist that runs from the cold for some seconds, with steps of at most so many, and
   * keeps the last two periods. A picofarad from every node to the reference, a matter of the
   * simulator alone, lets it find its way where only diodes tie a node.
   */
  public static String netlist(
      Circuit circuit, String title, double seconds, double longestStep, List<String> measures) {
    List<String> all = new ArrayList<>(List.of("* " + title.replaceAll("\\R", " ")));
    all.addAll(cards(circuit));
    all.add(".options reltol=1e-6 abstol=1e-12 vntol=1e-8 method=gear maxord=2 cshunt=1e-12");
    all.add(
        card(
            ".tran",
            number(longestStep),
            number(seconds),
            number(Math.max(0, seconds - 2 * circuit.period())),
            number(longestStep),
            "uic"));
    all.addAll(measures);
    all.add(".end");
    return String.join("\n", all) + "\n";
  }

  /**
   * A whole netlist that runs as it is, from the cold for two seconds, and prints the direct
   * voltage and the ripple of points over the last period.
   */
  public static String study(Circuit circuit, String title, List<String> points) {
    String window = card("from=" + number(SECONDS - circuit.period()), "to=" + number(SECONDS));
    List<String> measures = new ArrayList<>();
    for (String point : points) {
      String volts = "v(" + node(point) + ")";
      measures.add(card(".meas tran", "dc_" + node(point), "avg", volts, window));
      measures.add(card(".meas tran", "pp_" + node(point), "pp", volts, window));
    }
    return netlist(circuit, title, SECONDS, LONGEST_STEP, measures);
  }

  /** How a node of the circuit is called in the netlist. */
  public static String node(String name) {
    return name.equals(Circuit.REFERENCE) ? "0" : "n_" + id(name);
  }

  /**
   * A name in the letters that a netlist knows; two names that differ by a sign or a foreign letter
   * stay two.
   */
  private static String id(String name) {
    StringBuilder id = new StringBuilder();
    name.codePoints()
        .forEach(c -> {
          if (c < 128 && Character.isLetterOrDigit(c)) {
            id.appendCodePoint(Character.toLowerCase(c));
          } else {
            id.append(
                c == '.'
                    ? "_"
                    : c == '+'
                        ? "p_"
                        : c == '-' || c == '−' ? "m_" : "x" + Integer.toHexString(c) + "_");
          }
        });
    return id.toString();
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.9g", value);
  }

  private static String card(String... words) {
    return String.join(" ", words);
  }

  private void add(String... words) {
    lines.add(card(words));
  }

  private static String volts(Device.Pair pair) {
    return volts(node(pair.plus()), node(pair.minus()));
  }

  private static String volts(String plus, String minus) {
    return minus.equals("0")
        ? "v(" + plus + ")"
        : plus.equals("0") ? "(-v(" + minus + "))" : "v(" + plus + "," + minus + ")";
  }

  private void element(Element e) {
    String id = id(e.name());
    switch (e) {
      case Element.Resistance r when r.ohms() == 0 -> add("v_" + id, node(r.a()), node(r.b()), "0");
      case Element.Resistance r -> add("r_" + id, node(r.a()), node(r.b()), number(r.ohms()));
      case Element.Capacitance c -> {
        String inside = series(id, node(c.a()), c.esrOhms());
        add("c_" + id, inside, node(c.b()), number(c.farads()), "ic=0");
        add("r_" + id + "_leak", node(c.a()), node(c.b()), number(c.leakOhms()));
      }
      case Element.Inductance l -> {
        String inside = series(id, node(l.a()), l.ohms());
        add("l_" + id, inside, node(l.b()), number(l.henries()), "ic=0");
        add("r_" + id + "_loss", node(l.a()), node(l.b()), number(l.lossOhms()));
      }
      case Element.Source s -> {
        String inside = series(id, node(s.a()), s.ohms());
        add(
            "v_" + id,
            inside,
            node(s.b()),
            "sin(" + number(s.dcVolts()),
            number(s.peakVolts()),
            number(circuit.hertz()),
            "0 0",
            number(Math.toDegrees(s.phase())) + ")");
      }
      case Element.IdealTransformer t -> transformer(id, t);
      case Device d -> device(id, d);
    }
  }

  /** A resistance in series; gives the node behind it. */
  private String series(String id, String from, double ohms) {
    if (ohms == 0) {
      return from;
    }
    String inside = id + "_in";
    add("r_" + id, from, inside, number(ohms));
    return inside;
  }

  private void transformer(String id, Element.IdealTransformer t) {
    Element.IdealTransformer.Winding one = t.windings().getFirst();
    String core = series(id + "_1", node(one.a()), one.ohms());
    for (int w = 1; w < t.windings().size(); w++) {
      Element.IdealTransformer.Winding winding = t.windings().get(w);
      String key = id + "_" + (w + 1);
      String ratio = number(winding.turns() / one.turns());
      String inside = series(key, node(winding.a()), winding.ohms());
      String sensed = key + "_s";
      add("v_" + key, inside, sensed, "0");
      add("e_" + key, sensed, node(winding.b()), core, node(one.b()), ratio);
      add("f_" + key, node(one.b()), core, "v_" + key, ratio);
    }
  }

  private void device(String id, Device d) {
    int number = 0;
    for (Device.Pair p : d.pairs()) {
      add(
          "r_" + id + "_shut" + number++,
          node(p.plus()),
          node(p.minus()),
          number(Device.SHUT_OHMS));
    }
    switch (d) {
      case Device.Junction j -> junction(id, j);
      case Device.VacuumDiode v -> {
        String on = "max(" + volts(node(v.anode()), node(v.cathode())) + ",0)";
        current(id, v.anode(), v.cathode(), number(v.perveance()) + "*" + on + "*sqrt(" + on + ")");
      }
      case Device.CurrentLoad l ->
          current(
              id,
              l.a(),
              l.b(),
              number(l.amperes())
                  + "*tanh("
                  + volts(node(l.a()), node(l.b()))
                  + "/"
                  + number(l.kneeVolts())
                  + ")");
      case Device.PowerLoad l -> {
        String v = volts(node(l.a()), node(l.b()));
        String cube = v + "*" + v + "*" + v;
        current(
            id,
            l.a(),
            l.b(),
            number(l.watts())
                + "*"
                + cube
                + "/("
                + cube
                + "*"
                + v
                + "+"
                + number(Math.pow(l.startVolts(), 4))
                + ")");
      }
      case Device.Triode t -> {
        String a = volts(node(t.anode()), node(t.cathode()));
        String g = volts(node(t.grid()), node(t.cathode()));
        String drive = "max(" + g + "+" + a + "/" + number(t.mu()) + ",0)";
        current(
            id,
            t.anode(),
            t.cathode(),
            "(" + a + ">0 ? " + number(t.perveance()) + "*" + drive + "*sqrt(" + drive + ") : 0)");
        grid(id, t.grid(), t.cathode(), t.perveance());
      }
      case Device.Pentode p -> {
        String a = volts(node(p.anode()), node(p.cathode()));
        String s = volts(node(p.screen()), node(p.cathode()));
        String drive =
            "max("
                + volts(node(p.grid()), node(p.cathode()))
                + "+"
                + s
                + "/"
                + number(p.mu())
                + ",0)";
        String whole =
            "(" + s + ">0 ? " + number(p.perveance()) + "*" + drive + "*sqrt(" + drive + ") : 0)";
        String share =
            number(p.anodeShare()) + "*tanh(max(" + a + ",0)/" + number(p.kneeVolts()) + ")";
        current(id, p.anode(), p.cathode(), whole + "*" + share);
        current(id + "_g2", p.screen(), p.cathode(), whole + "*(1-" + share + ")");
        grid(id, p.grid(), p.cathode(), p.perveance());
      }
      case Device.Regulator r -> {
        String set =
            number(r.setVolts())
                + (r.trackedVolts() > 0
                    ? "*" + volts(r.tracked()) + "/" + number(r.trackedVolts())
                    : "");
        String held = "((" + set + "-" + volts(r.held()) + ")/" + number(r.outOhms()) + ")";
        String most =
            "(("
                + volts(r.pass())
                + "-"
                + number(r.dropoutVolts())
                + ")/"
                + number(r.passOhms())
                + ")";
        String corner = number(Device.Regulator.CORNER_AMPERES * Device.Regulator.CORNER_AMPERES);
        String least =
            "(0.5*(" + held + "+" + most + "-sqrt((" + held + "-" + most + ")*(" + held + "-" + most
                + ")+" + corner + ")))";
        String wanted = "0.5*(" + least + "+sqrt(" + least + "*" + least + "+" + corner + "))";
        if (Double.isFinite(r.mostAmperes())) {
          // What would flow without the limit is a node of its own: it is named four times.
          String free = "(v(" + id + "_free)-" + number(r.mostAmperes()) + ")";
          add("b_" + id + "_free", id + "_free", "0", "v=" + wanted);
          wanted =
              number(r.mostAmperes())
                  + "+0.5*("
                  + free
                  + "-sqrt("
                  + free
                  + "*"
                  + free
                  + "+"
                  + corner
                  + "))";
        }
        current(id, r.pass().plus(), r.pass().minus(), wanted);
      }
      case Device.Zener z -> {
        junction(id + "_f", z.forward());
        junction(id + "_z", z.hold());
      }
    }
  }

  private void junction(String id, Device.Junction j) {
    String to = node(j.cathode());
    if (j.offsetVolts() > 0) {
      add("v_" + id + "_arc", id + "_arc", to, number(j.offsetVolts()));
      to = id + "_arc";
    }
    add("d_" + id, node(j.anode()), to, "m_" + id);
    add(
        ".model",
        "m_" + id,
        "d(is=" + number(j.saturationAmperes()),
        "n=" + number(j.emission()),
        "rs=" + number(j.seriesOhms()) + ")");
  }

  private void grid(String id, String grid, String cathode, double perveance) {
    String on = "max(" + volts(node(grid), node(cathode)) + ",0)";
    current(
        id + "_g1",
        grid,
        cathode,
        number(perveance * Device.Triode.GRID_SHARE) + "*" + on + "*sqrt(" + on + ")");
  }

  private void current(String id, String from, String to, String expression) {
    add("b_" + id, node(from), node(to), "i=" + expression);
  }
}
