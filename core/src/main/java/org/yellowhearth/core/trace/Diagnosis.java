package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;

/**
 * Which fault explains the readings. Every way in which every part may be bad is worked out at
 * several severities by the engine and held against all readings together; what tolerances, the
 * line and the meter leave uncertain is one covariance. The chance of a part is Bayes' rule over
 * its severities, with the odds of its kind before anything was measured.
 */
public final class Diagnosis {
  private static final int FINER = 6;
  private static final double USUAL_ODDS = 0.05;

  /** How often the other one has dried up as well where one has (our own step). */
  private static final double TOGETHER = 0.3;

  /**
   * What weight it has that nothing is bad, against the odds of the parts: a set is measured
   * because something seems wrong with it (our own step).
   */
  private static final double SOUND = 0.85;

  /** Explanations whose misfits differ by less cannot be told apart by the readings. */
  private static final double ALIKE = 6;

  private static final double ALIKE_SHARE = 0.02;

  /** So many explanations are judged by what is uncertain around them. */
  private static final int CLOSER = 8;

  /** How likely it is, before anything is read, that the description is wrong (our own step). */
  private static final double WRONG_DESCRIPTION = 0.002;

  /** How many times further off the readings lie then. */
  private static final double WRONG_TIMES = 4;

  /** The standard normal deviate of 99 %. */
  private static final double SURE = 2.326;

  private final Question question;
  private final Comparison comparison;
  private final Sample sound;
  private final List<Sample> singles = new ArrayList<>();

  /** Parts of one sort in one place that are bad together. */
  private final List<Sample> together = new ArrayList<>();

  /**
   * A reading that the supply is held against.
   *
   * @param relative its standard uncertainty as a fraction
   * @param line the mains at that time, against that of the supply in question
   * @param meterOhms what the meter loads the point with, where that is to be counted
   * @param setup which of the setups it was read in; the first is the set as it is
   * @param drawn whether it is no reading but what the drawing promises of the set when it is sound
   */
  public record Datum(
      String point,
      Kind kind,
      double volts,
      double relative,
      double line,
      OptionalDouble meterOhms,
      int setup,
      boolean drawn) {
    /** What the drawing promises at a point. */
    public static Datum drawn(
        String point, double volts, double relative, double line, OptionalDouble meterOhms) {
      return new Datum(point, Kind.DIRECT, volts, relative, line, meterOhms, 0, true);
    }

    /** A reading at the mains of the supply by a meter that takes nothing. */
    public static Datum of(String point, Kind kind, double volts, double relative) {
      return new Datum(point, kind, volts, relative, 1, OptionalDouble.empty(), 0, false);
    }
  }

  /**
   * What is asked.
   *
   * @param supply as it should be
   * @param points where anything can be read
   * @param spread the standard tolerance of each value by itself, as a fraction
   * @param together values that are off together, as those of parts of one kind and age are: by how
   *     much each, as a natural logarithm, for one standard deviation of what they share
   * @param odds of each part being bad before anything was read; a twentieth where none are given
   * @param setups how the set stood; the first is as it is described, with nothing clipped on
   * @param heat what was noticed of heat
   * @param bridged across what good capacitors were clipped, and whether that cured it
   */
  public record Question(
      Supply supply,
      List<String> points,
      List<Datum> data,
      Map<Parameter, Double> spread,
      List<Map<Parameter, Double>> together,
      Map<String, Double> odds,
      List<Setup> setups,
      Heat.Known heat,
      List<Bridged> bridged) {
    /** A question about parts that share nothing, and whose heat nobody felt. */
    public Question(
        Supply supply,
        List<String> points,
        List<Datum> data,
        Map<Parameter, Double> spread,
        Map<String, Double> odds,
        List<Setup> setups) {
      this(supply, points, data, spread, List.of(), odds, setups, Heat.Known.NOTHING, List.of());
    }

    public Question {
      together = together.stream().map(Map::copyOf).toList();
      setups = List.copyOf(setups);
      bridged = List.copyOf(bridged);
      points = List.copyOf(points);
      data = List.copyOf(data);
      spread = Map.copyOf(spread);
      odds = Map.copyOf(odds);
    }

    /** How far each value may be off in all, by itself and with others. */
    public Map<Parameter, Double> wholeSpread() {
      Map<Parameter, Double> whole = new HashMap<>(spread);
      together.forEach(
          shared -> shared.forEach((knob, by) -> whole.merge(knob, Math.abs(by), Math::hypot)));
      return whole;
    }
  }

  /**
   * Parts that are bad, and in what way they would have to be.
   *
   * @param parts elements or sections; none for a supply whose parts are all within their
   *     tolerances
   * @param faults the likeliest severity of the likeliest way of each
   * @param probability that these parts are the ones, given the readings
   * @param misfit how far the readings lie from what these faults predict: the sum of squares in
   *     standard deviations
   * @param predicted what the meter would show for each reading
   * @param passes whether the readings lie no further off than they do by chance, at 99 %
   * @param alike whether the readings cannot tell it from the likeliest
   * @param hot what would get noticeably hot, of the likeliest explanations
   * @param heat what that says, held against what was noticed
   */
  public record Explanation(
      List<String> parts,
      List<Fault> faults,
      double probability,
      double misfit,
      List<Double> predicted,
      boolean passes,
      boolean alike,
      List<Heat> hot,
      Heat.Says heat) {
    public Explanation {
      hot = List.copyOf(hot);
      parts = List.copyOf(parts);
      faults = List.copyOf(faults);
      predicted = List.copyOf(predicted);
    }

    /** Whether nothing is bad. */
    public boolean sound() {
      return parts.isEmpty();
    }

    private Explanation marked(boolean like) {
      return new Explanation(
          parts, faults, probability, misfit, predicted, passes, like, hot, heat);
    }
  }

  private Diagnosis(Question question, Comparison comparison, List<FaultLine> lines) {
    this.question = question;
    this.comparison = comparison;
    sound = comparison.sample(List.of(), List.of(), comparison.sound(), Math.log(SOUND));
    List<Optional<double[]>> shown =
        comparison.worked(
            lines.stream()
                .flatMap(l -> l.steps().stream())
                .map(f -> f.in(question.supply))
                .toList());
    int from = 0;
    for (FaultLine line : lines) {
      sample(line, shown.subList(from, from + line.steps().size()));
      from += line.steps().size();
    }
    closer();
    dried(lines);
  }

  /**
   * Capacitors beside one another, of one kind and age most often, dry up together: tried as one,
   * each left with the same share.
   */
  private void dried(List<FaultLine> lines) {
    for (List<String> group : beside()) {
      List<FaultLine> of =
          lines.stream()
              .filter(l -> group.contains(l.part()))
              .filter(l -> l.steps().getFirst().mode() == Fault.Mode.CAPACITANCE_LOW)
              .toList();
      int steps = of.stream().mapToInt(l -> l.steps().size()).min().orElse(0);
      List<List<Fault>> faults = new ArrayList<>();
      for (int k = 0; k < steps; k++) {
        int step = k;
        faults.add(of.stream().map(l -> l.steps().get(step)).toList());
      }
      List<Optional<double[]>> shown =
          comparison.worked(faults.stream().map(f -> Sample.in(question.supply, f)).toList());
      double odds =
          group.stream()
              .mapToDouble(p -> question.odds.getOrDefault(p, USUAL_ODDS))
              .max()
              .orElseThrow();
      double prior = Math.log(odds * TOGETHER * of.getFirst().weight() / steps);
      for (int k = 0; k < steps; k++) {
        int step = k;
        shown
            .get(k)
            .ifPresent(s -> together.add(comparison.sample(group, faults.get(step), s, prior)));
      }
    }
  }

  /** Capacitors that lie across the same two points, in the order of the supply. */
  private List<List<String>> beside() {
    Map<Set<String>, List<String>> groups = new LinkedHashMap<>();
    for (Element e : question.supply.circuit().elements()) {
      if (e instanceof Element.Capacitance c) {
        groups.computeIfAbsent(Set.of(c.a(), c.b()), _ -> new ArrayList<>()).add(c.name());
      }
    }
    return groups.values().stream().filter(g -> g.size() > 1).toList();
  }

  /** Judges the likeliest by what tolerances leave uncertain around them. */
  private void closer() {
    Map<Parameter, List<Integer>> lines = new LinkedHashMap<>();
    Map<Parameter, Integer> best = new HashMap<>();
    for (int k = 0; k < singles.size(); k++) {
      Parameter knob = singles.get(k).fault().knob();
      lines.computeIfAbsent(knob, _ -> new ArrayList<>()).add(k);
      best.merge(knob, k, (a, b) -> singles.get(a).log() >= singles.get(b).log() ? a : b);
    }
    best.entrySet().stream()
        .sorted(Comparator.comparingDouble(e -> -singles.get(e.getValue()).log()))
        .limit(CLOSER)
        .forEach(e -> {
          List<Integer> of = lines.get(e.getKey());
          List<Sample> again =
              comparison.around(singles.get(e.getValue()), of.stream().map(singles::get).toList());
          for (int k = 0; k < again.size(); k++) {
            singles.set(of.get(k), again.get(k));
          }
        });
  }

  /**
   * Works out every fault at every severity; none where the sound supply has no steady state. The
   * watcher is asked again while pairs or the next steps are worked out.
   *
   * @throws StoppedException where the watcher did not want to go on
   */
  public static Optional<Diagnosis> of(Question question, Watcher watcher) {
    List<FaultLine> lines = FaultLine.of(question.supply);
    int planned =
        lines.stream().mapToInt(l -> l.steps().size()).sum()
            + NextSteps.MOST_SOLVES
            + FaultPairs.MOST_SOLVES
            + CLOSER * (question.spread.size() + question.together.size());
    return Comparison.of(question, watcher, planned).map(c -> new Diagnosis(question, c, lines));
  }

  /** The explanations by a single fault, likeliest first. */
  public List<Explanation> singles() {
    return explanations(alone());
  }

  /**
   * The explanations by one or two faults; two are looked at only where none alone passes, and left
   * aside where one explains the readings as well.
   *
   * @throws StoppedException where the watcher did not want to go on
   */
  public List<Explanation> doubles() {
    List<Sample> alone = alone();
    if (least(alone) <= passes(comparison.readings())) {
      return explanations(alone);
    }
    List<Sample> pairs =
        new FaultPairs(question.supply, comparison, sound, singles, FINER).likeliest();
    boolean needed = least(alone) > least(pairs) + ALIKE;
    return explanations(needed ? Stream.concat(alone.stream(), pairs.stream()).toList() : alone);
  }

  /**
   * What is worth measuring next, best first.
   *
   * @throws StoppedException where the watcher did not want to go on
   */
  public List<NextStep> next() {
    return new NextSteps(question, comparison, felt(alone())).all();
  }

  /** The sound supply, every single fault, and what goes bad together. */
  private List<Sample> alone() {
    return Stream.of(Stream.of(sound), singles.stream(), together.stream())
        .flatMap(s -> s)
        .toList();
  }

  private static double least(List<Sample> samples) {
    return samples.stream().mapToDouble(Sample::misfit).min().orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * The severities of a line, those between its steps taken evenly.
   *
   * @param steps what its steps show
   */
  private void sample(FaultLine line, List<Optional<double[]>> steps) {
    List<double[]> shown = new ArrayList<>();
    List<Fault> faults = new ArrayList<>();
    Optional<double[]> before = Optional.empty();
    Fault from = line.steps().getFirst();
    for (int step = 0; step < steps.size(); step++) {
      Fault f = line.steps().get(step);
      Optional<double[]> here = steps.get(step);
      for (int k = 1; before.isPresent() && here.isPresent() && k < FINER; k++) {
        double share = (double) k / FINER;
        shown.add(mixed(before.get(), here.get(), share));
        faults.add(
            new Fault(
                f.knob(),
                share > 0.5 ? f.mode() : from.mode(),
                between(from.value(), f.value(), share)));
      }
      if (here.isPresent()) {
        shown.add(here.get());
        faults.add(f);
      }
      before = here;
      from = f;
    }
    double prior =
        Math.log(
            question.odds.getOrDefault(line.part(), USUAL_ODDS)
                * line.weight()
                / Math.max(1, shown.size()));
    for (int k = 0; k < shown.size(); k++) {
      singles.add(
          comparison.sample(List.of(line.part()), List.of(faults.get(k)), shown.get(k), prior));
    }
  }

  /** A misfit up to which readings of so many pass, at 99 % (Wilson and Hilferty, from memory). */
  static double passes(int readings) {
    double n = Math.max(1, readings);
    return n * Math.pow(1 - 2 / (9 * n) + SURE * Math.sqrt(2 / (9 * n)), 3);
  }

  /** The logarithm of how likely the readings are where the description is wrong. */
  private double wrong(List<Sample> samples) {
    int n = comparison.readings();
    return Math.log(WRONG_DESCRIPTION)
        - n * Math.log(WRONG_TIMES)
        + comparison.logDensityOf(least(samples) / (WRONG_TIMES * WRONG_TIMES));
  }

  /** How likely none of these explanations is right: the supply is not as it is described. */
  public static double unexplained(List<Explanation> explanations) {
    double explained = explanations.stream().mapToDouble(Explanation::probability).sum();
    return Math.clamp(1 - explained, 0, 1);
  }

  private static double between(double a, double b, double share) {
    return a > 0 && b > 0 ? a * Math.pow(b / a, share) : a + share * (b - a);
  }

  private static double[] mixed(double[] a, double[] b, double share) {
    double[] m = new double[a.length];
    for (int k = 0; k < m.length; k++) {
      m[k] = a[k] + share * (b[k] - a[k]);
    }
    return m;
  }

  /**
   * Samples as likely as bridges and heat leave them: each way in which a part may be bad is judged
   * by what it would make hot at its likeliest severity, of the likeliest ways.
   */
  private List<Sample> felt(List<Sample> all) {
    Set<String> sections = question.supply.sectionIds();
    List<Sample> samples =
        question.bridged.isEmpty()
            ? all
            : all.stream()
                .map(s -> s.times(Bridged.log(question.bridged, s.faults(), sections)))
                .toList();
    if (question.heat.felt().isEmpty()) {
      return samples;
    }
    Map<Object, Sample> best = new LinkedHashMap<>();
    for (Sample s : samples) {
      best.merge(s.way(), s, (a, b) -> a.log() >= b.log() ? a : b);
    }
    Map<Object, Double> moved = new HashMap<>();
    best.entrySet().stream()
        .sorted(Comparator.comparingDouble(e -> -e.getValue().log()))
        .limit(2L * CLOSER)
        .forEach(e ->
            moved.put(
                e.getKey(),
                Heat.log(Heat.says(comparison.heat(e.getValue()), question.heat.felt()))));
    return samples.stream().map(s -> s.times(moved.getOrDefault(s.way(), 0.0))).toList();
  }

  private List<Explanation> explanations(List<Sample> all) {
    List<Sample> samples = felt(all);
    Map<List<String>, Double> logs = new HashMap<>();
    Map<List<String>, Sample> best = new HashMap<>();
    for (Sample s : samples) {
      logs.merge(s.parts(), s.log(), Diagnosis::logSum);
      best.merge(s.parts(), s, (a, b) -> a.log() >= b.log() ? a : b);
    }
    Map<List<String>, List<Heat>> hot = new HashMap<>();
    logs.entrySet().stream()
        .sorted(Map.Entry.<List<String>, Double>comparingByValue().reversed())
        .limit(CLOSER)
        .forEach(e -> hot.put(e.getKey(), comparison.heat(best.get(e.getKey()))));
    double wrong = wrong(samples);
    double whole = logs.values().stream().reduce(wrong, Diagnosis::logSum);
    List<Explanation> found = new ArrayList<>();
    best.forEach((parts, s) ->
        found.add(
            new Explanation(
                parts,
                s.faults(),
                Math.exp(logs.get(parts) - whole),
                s.misfit(),
                comparison.predicted(s),
                s.misfit() <= passes(comparison.readings()),
                false,
                hot.getOrDefault(parts, List.of()),
                hot.containsKey(parts)
                    ? Heat.says(hot.get(parts), question.heat.felt())
                    : Heat.Says.NOTHING)));
    found.sort(Comparator.comparingDouble(Explanation::probability).reversed());
    Explanation first = found.getFirst();
    return found.stream()
        .map(e ->
            e.marked(
                e.misfit <= first.misfit + ALIKE
                    && e.probability >= ALIKE_SHARE * first.probability))
        .toList();
  }

  /** The logarithm of a sum, from the logarithms of both. */
  static double logSum(double a, double b) {
    double most = Math.max(a, b);
    return most == Double.NEGATIVE_INFINITY
        ? most
        : most + Math.log1p(Math.exp(Math.min(a, b) - most));
  }
}
