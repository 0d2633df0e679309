package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.NextStep.Shown;
import org.yellowhearth.core.trace.NextStep.Way;

/**
 * Which measurement tells most about which part is bad: the mutual information between the part and
 * what the meter would show, over the explanations that are left, in bits.
 */
final class NextSteps {
  static final int MOST_SOLVES = 24;
  private static final double KEPT = 1e-3;
  private static final int GRID = 240;
  private static final double METER = 0.02;
  private static final double TOLERANCES = 0.02;
  private static final double READ_MINUTES = 2;
  private static final double BRIDGE_MINUTES = 5;
  private static final double LIFT_MINUTES = 10;
  private static final double COLD_MINUTES = 4;
  private static final double UNLOAD_MINUTES = 8;

  /** How often a part that is lifted and measured tells the truth. */
  private static final double LIFT_TELLS = 0.95;

  private static final int MOST_BRIDGES = 3;
  private static final int MOST_SHOWN = 5;

  private final Diagnosis.Question question;
  private final Probes probes;
  private final List<Sample> left = new ArrayList<>();
  private final List<Double> weights = new ArrayList<>();
  private final Map<List<String>, Double> chances = new HashMap<>();
  private final Map<List<String>, Sample> best = new HashMap<>();
  private final Comparison comparison;

  NextSteps(Diagnosis.Question question, Comparison comparison, List<Sample> samples) {
    this.question = question;
    this.comparison = comparison;
    this.probes = comparison.probes();
    double whole =
        samples.stream().map(Sample::log).reduce(Double.NEGATIVE_INFINITY, Diagnosis::logSum);
    for (Sample s : samples) {
      double weight = Math.exp(s.log() - whole);
      chances.merge(s.parts(), weight, Double::sum);
      best.merge(s.parts(), s, (a, b) -> a.log() >= b.log() ? a : b);
      if (weight > KEPT / samples.size()) {
        left.add(s);
        weights.add(weight);
      }
    }
  }

  List<NextStep> all() {
    List<NextStep> steps = new ArrayList<>();
    for (String point : question.points()) {
      for (Kind kind : List.of(Kind.DIRECT, Kind.TRUE_RMS)) {
        if (question.data().stream()
            .noneMatch(d ->
                !d.drawn()
                    && d.point().equals(point)
                    && d.kind().alternating() == kind.alternating())) {
          steps.add(read(point, kind));
        }
      }
    }
    if (question.supply().primary().otherWatts() > 0
        && question.data().stream().noneMatch(d -> d.kind() == Kind.WATTS)) {
      steps.add(read(SupplyMains.POINT, Kind.WATTS));
    }
    List<String> parts =
        chances.entrySet().stream()
            .filter(e -> !e.getKey().isEmpty() && e.getValue() > 0.01)
            .sorted(Map.Entry.comparingByValue(Comparator.reverseOrder()))
            .map(e -> e.getKey().getFirst())
            .toList();
    parts.stream().filter(p -> !p.equals(Parameter.MAINS)).forEach(p -> steps.add(lift(p)));
    parts.stream()
        .filter(p -> capacitor(p).isPresent())
        .limit(MOST_BRIDGES)
        .forEach(p -> bridge(p).ifPresent(steps::add));
    steps.sort(Comparator.comparingDouble(NextStep::worth).reversed());
    return steps;
  }

  private NextStep read(String point, Kind kind) {
    int at = probes.indexOf(Diagnosis.Datum.of(point, kind, 0, METER));
    double[] shown = left.stream().mapToDouble(s -> s.shown(at)).toArray();
    double volts =
        kind == Kind.WATTS
            ? 0
            : mostVolts(probes.indexOf(Diagnosis.Datum.of(point, Kind.DIRECT, 0, METER)));
    return new NextStep(
        Way.READ,
        point,
        Optional.of(kind),
        bits(at, shown),
        READ_MINUTES,
        volts,
        shows(at, s -> OptionalDouble.of(s.shown(at))));
  }

  private double mostVolts(int dc) {
    return best.values().stream()
        .mapToDouble(s -> Math.abs(probes.at(dc).volts(s.shown(dc))))
        .max()
        .orElse(0);
  }

  /** Lifting a leg tells whether that very part is bad. */
  private NextStep lift(String part) {
    boolean load =
        question.supply().sections().stream()
            .anyMatch(s -> s instanceof Section.Load l && l.id().equals(part));
    double p = chances.getOrDefault(List.of(part), 0.0);
    double bits = LIFT_TELLS * (entropy(p) + entropy(1 - p));
    boolean cold = capacitor(part).isEmpty() && !load;
    return new NextStep(
        load ? Way.UNLOAD : Way.LIFT,
        part,
        Optional.empty(),
        bits,
        load ? UNLOAD_MINUTES : cold ? COLD_MINUTES : LIFT_MINUTES,
        0,
        List.of());
  }

  private Optional<Element.Capacitance> capacitor(String part) {
    return Bridge.capacitor(question.supply(), part);
  }

  /**
   * A good capacitor of the marked value clipped across one that is suspected, read at the point it
   * sits on.
   */
  private Optional<NextStep> bridge(String part) {
    Element.Capacitance c = capacitor(part).orElseThrow();
    String point = question.points().contains(c.a()) ? c.a() : c.b();
    if (!question.points().contains(point)) {
      return Optional.empty();
    }
    int at = probes.indexOf(Diagnosis.Datum.of(point, Kind.TRUE_RMS, 0, METER));
    Map<List<String>, double[]> after = new HashMap<>();
    List<Map.Entry<List<String>, Double>> leaders = leaders();
    for (Map.Entry<List<String>, Double> e : leaders) {
      Supply faulty = best.get(e.getKey()).in(question.supply());
      comparison
          .worked(Bridge.across(faulty, c.name(), c.farads()))
          .ifPresent(shown -> after.put(e.getKey(), shown));
    }
    List<Sample> known =
        leaders.stream().map(Map.Entry::getKey).filter(after::containsKey).map(best::get).toList();
    double[] shown = known.stream().mapToDouble(s -> after.get(s.parts())[at]).toArray();
    double[] share = known.stream().mapToDouble(s -> chances.get(s.parts())).toArray();
    double bits = bits(known.stream().map(Sample::parts).toList(), share, shown, sigma(at, shown));
    double volts = Math.abs(probes.at(at - 1).volts(best.get(List.of()).shown(at - 1)));
    return Optional.of(
        new NextStep(
            Way.BRIDGE,
            part,
            Optional.of(Kind.TRUE_RMS),
            bits,
            BRIDGE_MINUTES,
            volts,
            shows(
                at,
                s ->
                    after.containsKey(s.parts())
                        ? OptionalDouble.of(after.get(s.parts())[at])
                        : OptionalDouble.empty())));
  }

  /** The likeliest explanations with their chances. */
  private List<Map.Entry<List<String>, Double>> leaders() {
    return chances.entrySet().stream()
        .sorted(Map.Entry.comparingByValue(Comparator.reverseOrder()))
        .limit(MOST_SHOWN)
        .toList();
  }

  private List<Shown> shows(int at, Function<Sample, OptionalDouble> shown) {
    return leaders().stream()
        .flatMap(e ->
            shown.apply(best.get(e.getKey())).stream()
                .mapToObj(y -> {
                  double volts = probes.at(at).volts(y);
                  return new Shown(
                      e.getKey(),
                      e.getValue(),
                      volts,
                      Math.hypot(probes.at(at).floor(), Math.hypot(METER, TOLERANCES) * volts));
                }))
        .toList();
  }

  private double sigma(int at, double[] shown) {
    double most = 0;
    for (double s : shown) {
      most =
          Math.max(
              most, probes.at(at).noise(probes.at(at).volts(s), Math.hypot(METER, TOLERANCES)));
    }
    return most;
  }

  private double bits(int at, double[] shown) {
    return bits(
        left.stream().map(Sample::parts).toList(),
        weights.stream().mapToDouble(w -> w).toArray(),
        shown,
        sigma(at, shown));
  }

  /**
   * The mutual information, in bits, between the parts and a figure that lies around each
   * expectation.
   */
  static double bits(List<List<String>> parts, double[] weights, double[] middles, double sigma) {
    Map<List<String>, Double> chance = new HashMap<>();
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    double whole = 0;
    for (int k = 0; k < weights.length; k++) {
      chance.merge(parts.get(k), weights[k], Double::sum);
      low = Math.min(low, middles[k] - 4 * sigma);
      high = Math.max(high, middles[k] + 4 * sigma);
      whole += weights[k];
    }
    if (weights.length == 0 || !(high > low)) {
      return 0;
    }
    double all = whole;
    double before = chance.values().stream().mapToDouble(p -> entropy(p / all)).sum();
    double after = 0;
    int grid = (int) Math.clamp((high - low) / sigma * 4, GRID, 20 * GRID);
    double step = (high - low) / grid;
    for (int g = 0; g < grid; g++) {
      double y = low + (g + 0.5) * step;
      Map<List<String>, Double> here = new HashMap<>();
      double sum = 0;
      for (int k = 0; k < weights.length; k++) {
        double z = (y - middles[k]) / sigma;
        if (Math.abs(z) < 6) {
          double density =
              weights[k] / all * Math.exp(-0.5 * z * z) / (sigma * Math.sqrt(2 * Math.PI));
          here.merge(parts.get(k), density, Double::sum);
          sum += density;
        }
      }
      double total = sum;
      if (total > 0) {
        after += total * step * here.values().stream().mapToDouble(p -> entropy(p / total)).sum();
      }
    }
    return Math.max(0, before - after);
  }

  private static double entropy(double p) {
    return p > 0 ? -p * Math.log(p) / Math.log(2) : 0;
  }
}
