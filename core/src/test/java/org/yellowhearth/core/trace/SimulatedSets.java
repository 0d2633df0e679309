package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.Supply.Mains;
import org.yellowhearth.core.trace.Fault.Mode;

/**
 * Sets with a hidden fault, every sound part off by its own tolerance, read with a meter that is
 * off by 2 % at a line known to 2 %.
 */
public final class SimulatedSets {
  static final double METER = 0.02;
  private static final double MICRO = 1e-6;

  private SimulatedSets() {}

  /** A supply and the points where it is read. */
  public record Set(String name, Supply supply, List<String> points) {
    @Override
    public String toString() {
      return name;
    }

    public Map<Parameter, Double> spread() {
      Map<Parameter, Double> spread = new LinkedHashMap<>();
      Parameter.all(supply)
          .keySet()
          .forEach(k -> {
            double sigma =
                switch (k.which()) {
                  case CAPACITANCE -> 0.12;
                  case SERIES_RESISTANCE -> 0.4;
                  case RESISTANCE, WINDING_RESISTANCE, LOAD -> 0.05;
                  case INDUCTANCE -> 0.1;
                  case CONDUCTANCE -> k.element().contains(".") ? 0 : 0.1;
                  case MAINS_VOLTS -> 0.02;
                  default -> 0;
                };
            if (sigma > 0) {
              spread.put(k, sigma);
            }
          });
      return spread;
    }

    Diagnosis.Question question(List<Diagnosis.Datum> data) {
      return new Diagnosis.Question(supply, points, data, spread(), odds(), List.of(Setup.PLAIN));
    }

    /** How likely each part is bad before anything was read. */
    public Map<String, Double> odds() {
      Map<String, Double> odds = new HashMap<>();
      java.util.Set<String> sections = supply.sectionIds();
      Parameter.all(supply)
          .keySet()
          .forEach(k ->
              odds.merge(
                  Parameter.whole(k.element(), sections),
                  switch (k.which()) {
                    case CAPACITANCE -> 0.4;
                    case CONDUCTANCE -> 0.15;
                    case LOAD, MAINS_VOLTS -> 0.1;
                    default -> 0.03;
                  },
                  Math::max));
      return odds;
    }

    /** This set as one of many was made: every part off by its tolerance, and the line too. */
    public Supply made(Random random) {
      Map<Parameter, Double> spread = spread();
      return supply.tuned(
          (k, now) -> now * Math.exp(spread.getOrDefault(k, 0.0) * random.nextGaussian()));
    }

    /** What a meter shows at every point, direct and alternating. */
    List<Diagnosis.Datum> read(Supply truth, Random random) {
      Probes probes = new Probes(points, List.of(Setup.PLAIN), supply);
      double[] shown = probes.of(truth).orElseThrow();
      List<Diagnosis.Datum> data = new ArrayList<>();
      for (String p : points) {
        for (Kind k : List.of(Kind.DIRECT, Kind.TRUE_RMS)) {
          int at = probes.indexOf(Diagnosis.Datum.of(p, k, 0, METER));
          data.add(
              Diagnosis.Datum.of(
                  p,
                  k,
                  probes.at(at).volts(shown[at]) * (1 + METER * random.nextGaussian()),
                  METER));
        }
      }
      return data;
    }

    /** Every way in which a part can fail, at its worst. */
    public List<Fault> gravest() {
      return FaultLine.of(supply).stream().map(l -> l.steps().getLast()).toList();
    }

    String whole(Fault f) {
      return Parameter.whole(f.knob().element(), supply.sectionIds());
    }
  }

  static Cap cap(String part, double micro) {
    return new Cap(
        part,
        micro * MICRO,
        0.06 / (2 * Math.PI * 100 * micro * MICRO),
        Math.min(1e9, 500 / (micro * MICRO)));
  }

  private static Way ohms(String part, double ohms) {
    return new Way.Resistor(part, ohms);
  }

  public static Set valveAndChoke() {
    return new Set(
        "valve and choke",
        Supply.of(
            Mains.of(230, 50),
            new Winding("T1", 280, 180, true),
            Rectify.of("V1", "T1", Scheme.FULL_WAVE, RectifierModel.vacuum(20, 0.09), "HT"),
            Filter.at("f1", "HT", cap("C1", 16)),
            Filter.through("f2", "HT", Way.Choke.of("L1", 10, 350), "HT2", cap("C2", 32)),
            Filter.through("f3", "HT2", ohms("R1", 15_000), "SC", cap("C3", 8)),
            new Load("out", "HT2", Load.Kind.CURRENT, 0.045),
            new Load("sig", "SC", Load.Kind.CURRENT, 0.004)),
        List.of("HT", "HT2", "SC"));
  }

  public static List<Set> all() {
    return List.of(
        valveAndChoke(),
        new Set(
            "plus and minus",
            new Supply(
                Mains.of(230, 50),
                5,
                List.of(
                    new Winding("T1", 30, 0.3, true),
                    Rectify.of(
                        "D1",
                        "T1",
                        Scheme.FULL_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "P"),
                    Rectify.of(
                            "D2",
                            "T1",
                            Scheme.FULL_WAVE,
                            RectifierModel.of(RectifierTechnology.SILICON),
                            "N")
                        .negativeSide(),
                    Filter.at("f1", "P", cap("C1", 4700)),
                    Filter.at("f2", "N", cap("C2", 4700)),
                    Filter.through("f3", "P", ohms("R1", 100), "P2", cap("C3", 220)),
                    Filter.through("f4", "N", ohms("R2", 100), "N2", cap("C4", 220)),
                    new Load("ap", "P", Load.Kind.RESISTANCE, 60),
                    new Load("an", "N", Load.Kind.RESISTANCE, 60),
                    new Load("pp", "P2", Load.Kind.RESISTANCE, 1500),
                    new Load("pn", "N2", Load.Kind.RESISTANCE, 1500))),
            List.of("P", "N", "P2", "N2")),
        new Set(
            "no transformer",
            Supply.of(
                Mains.of(220, 50),
                new Winding("T1", 220, 150, false),
                Rectify.of("V1", "T1", Scheme.HALF_WAVE, RectifierModel.vacuum(18, 0.06), "A"),
                Filter.at("f1", "A", cap("C1", 50)),
                Filter.through("f2", "A", ohms("R1", 1200), "B", cap("C2", 50)),
                new Load("l", "B", Load.Kind.RESISTANCE, 4700)),
            List.of("A", "B")),
        new Set(
            "negative bias beside",
            Supply.of(
                Mains.of(117, 60),
                new Winding("T1", 300, 150, true),
                Rectify.of("V1", "T1", Scheme.FULL_WAVE, RectifierModel.vacuum(20, 0.125), "HT"),
                Filter.at("f1", "HT", cap("C1", 32)),
                Filter.through("f2", "HT", ohms("R1", 1000), "HT2", cap("C2", 32)),
                new Load("l", "HT2", Load.Kind.RESISTANCE, 4000),
                new Winding("T2", 60, 60, false),
                Rectify.of(
                        "D1",
                        "T2",
                        Scheme.HALF_WAVE,
                        RectifierModel.of(RectifierTechnology.SELENIUM, 3, 20),
                        "NB")
                    .negativeSide(),
                Filter.at("f3", "NB", cap("C3", 16)),
                Filter.through("f4", "NB", ohms("R2", 4700), "NC", cap("C4", 16)),
                new Load("b", "NC", Load.Kind.RESISTANCE, 27_000)),
            List.of("HT", "HT2", "NB", "NC")));
  }

  private static double log(Random r, double from, double to) {
    return from * Math.pow(to / from, r.nextDouble());
  }

  private static Parameter one(List<Parameter> of, Which which) {
    return of.stream().filter(k -> k.which() == which).findFirst().orElseThrow();
  }

  /**
   * One fault as parts fail: dried out, lossy, leaky, open, shorted with the fuse holding, a
   * rectifier leg, a load.
   */
  static Fault fault(Supply s, Random r) {
    List<Parameter> all = new ArrayList<>(Parameter.all(s).keySet());
    Collections.shuffle(all, r);
    Parameter c = one(all, Which.CAPACITANCE);
    Parameter esr = new Parameter(c.element(), Which.SERIES_RESISTANCE);
    Parameter leak = new Parameter(c.element(), Which.LEAKAGE_RESISTANCE);
    Parameter leg = one(all, Which.CONDUCTANCE);
    Parameter load = one(all, Which.LOAD);
    boolean vacuum = leg.element().startsWith("V");
    return switch (r.nextInt(8)) {
      case 0, 1 -> new Fault(c, Mode.CAPACITANCE_LOW, c.in(s) * log(r, 0.05, 0.6));
      case 2 -> new Fault(esr, Mode.LOSSY, esr.in(s) * log(r, 5, 100));
      case 3 -> new Fault(leak, Mode.LEAKY, log(r, 3e3, 1e5));
      case 4 -> new Fault(c, Mode.OPEN, c.in(s) * 1e-3);
      case 5 -> new Fault(leak, Mode.SHORTED, 1);
      case 6 ->
          vacuum && r.nextBoolean()
              ? new Fault(leg, Mode.WEAK, 0.5)
              : new Fault(leg, Mode.LEG_OPEN, 1e-6);
      default -> new Fault(load, Mode.DRAWS_MUCH, load.in(s) * (r.nextBoolean() ? 0.5 : 2));
    };
  }

  /** A fault in one of many sets: what is a share of the value stays that share. */
  static Supply with(Fault f, Supply nominal, Supply made) {
    boolean absolute = f.knob().which() == Which.LEAKAGE_RESISTANCE;
    return absolute ? f.in(made) : f.knob().times(made, f.value() / f.knob().in(nominal));
  }
}
