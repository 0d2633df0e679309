package org.yellowhearth.publishing.dossier;

import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.finaltest.Accuracy;
import org.yellowhearth.core.finaltest.Adjusting;
import org.yellowhearth.core.finaltest.BeforeAfter;
import org.yellowhearth.core.finaltest.BurnWatch;
import org.yellowhearth.core.finaltest.Drift;
import org.yellowhearth.core.finaltest.HeadroomCheck;
import org.yellowhearth.core.finaltest.LoadLine;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.drawing.BandChart;
import org.yellowhearth.publishing.drawing.LeakageChart;
import org.yellowhearth.publishing.drawing.PlotSvg;
import org.yellowhearth.publishing.drawing.River;
import org.yellowhearth.publishing.drawing.StairsChart;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;

/**
 * What a dossier tells of the supply, of forming, of first power, and of everything that shows a
 * set to be good.
 */
final class ProofBlocks {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);
  private static final double WIDTH = 900;
  private static final double HEIGHT = 240;
  private static final double RIVER_HEIGHT = 300;

  private final Job job;
  private final Instant now;
  private final java.time.ZoneId zone;
  private final Words words;
  private final Describe describe;
  private final Supplier<SupplyProof> proof;
  private Optional<SupplyProof> known = Optional.empty();

  ProofBlocks(Dossier dossier, Words words, Describe describe, Supplier<SupplyProof> proof) {
    this.job = dossier.job();
    this.now = dossier.madeAt().toInstant();
    this.zone = dossier.madeAt().getZone();
    this.words = words;
    this.describe = describe;
    this.proof = proof;
  }

  private SupplyProof worked() {
    known = known.or(() -> Optional.of(proof.get()));
    return known.get();
  }

  private String at(Instant moment) {
    return MOMENT.format(moment.atZone(zone));
  }

  /** The river before and after, and every pair that was read. */
  List<Block> supply() {
    List<Block> all = new ArrayList<>();
    worked()
        .river()
        .ifPresent(r -> {
          all.add(
              new Block.Drawing(
                  r.marks(WIDTH, RIVER_HEIGHT, PlotSvg.EM, Optional.empty()),
                  WIDTH,
                  RIVER_HEIGHT,
                  "The supply worked out: pale as the set came in, bright with the parts that are in it now"));
          all.add(
              Folio.figures(
                  List.of(
                      "point", "as it came", "ripple, peak to peak", "now", "ripple, peak to peak"),
                  r.now().stream()
                      .map(n ->
                          row(
                              n,
                              r.drawn().stream()
                                  .filter(d -> d.point().equals(n.point()))
                                  .findFirst()))
                      .toList()));
        });
    BeforeAfter pairs = BeforeAfter.of(job);
    pairs
        .readings()
        .forEach(p -> all.add(new Block.Labelled(p.point() + " " + words.word(p.kind()), pair(p))));
    pairs
        .parts()
        .forEach(p ->
            all.add(
                new Block.Labelled(
                    p.ref().toString(),
                    p.read()
                            .map(r -> describe.reading(r.figures(), r.conditions()))
                            .orElse("not measured")
                        + "  →  "
                        + (p.fitted().isEmpty() ? "a new part" : p.fitted()))));
    return all;
  }

  private static List<String> row(River.Reach now, Optional<River.Reach> before) {
    return List.of(
        now.point(),
        before.map(b -> Quantity.volts(b.dcVolts()).toString()).orElse("—"),
        before.map(b -> Quantity.volts(b.highest() - b.lowest()).toString()).orElse("—"),
        Quantity.volts(now.dcVolts()).toString(),
        Quantity.volts(now.highest() - now.lowest()).toString());
  }

  /** A pair in one line. */
  static String pair(BeforeAfter.Pair p) {
    boolean watts = p.kind() == SupplyReading.Kind.WATTS;
    Quantity was = watts ? Quantity.watts(p.before().volts()) : Quantity.volts(p.before().volts());
    Quantity is = watts ? Quantity.watts(p.after().volts()) : Quantity.volts(p.after().volts());
    String db =
        p.decibels().isEmpty()
            ? ""
            : String.format(Locale.ROOT, "  (%+.0f dB)", p.decibels().getAsDouble());
    return was + "  →  " + is + db + (p.changedBy().isEmpty() ? "" : "  after " + p.changedBy());
  }

  /** The log of every capacitor that was brought up. */
  List<Block> reformed() {
    List<Block> all = new ArrayList<>();
    for (ReformPlan plan : job.items(ReformPlan.class)) {
      ReformRun run = ReformRun.of(plan, job.events());
      String upshot =
          Ending.of(run, job, Optional.empty(), now)
              .map(e -> ", " + words.word(e.upshot()))
              .orElse("");
      all.add(
          new Block.Head(
              plan.part() + "  to " + Quantity.volts(plan.targetVolts()),
              "",
              words.word(run.phase()) + upshot));
      all.add(
          new Block.Labelled(
              "Steps",
              (run.step() + 1)
                  + " of "
                  + plan.steps().size()
                  + ", "
                  + Quantity.volts(plan.steps().get(run.step()).volts())
                  + "; gate "
                  + Quantity.amperes(run.now().gateAmperes())));
      if (!run.readings().isEmpty()) {
        ReformRun.Point last = run.readings().getLast();
        all.add(
            new Block.Labelled(
                "Last reading",
                at(last.at())
                    + "  "
                    + Quantity.volts(last.volts())
                    + "  "
                    + Quantity.amperes(last.amperes())
                    + ", of "
                    + run.readings().size()));
      }
      if (run.curve().size() > 2) {
        all.add(
            new Block.Drawing(
                LeakageChart.marks(
                    run.curve(),
                    List.of(),
                    run.now().gateAmperes(),
                    "gate",
                    WIDTH,
                    HEIGHT,
                    PlotSvg.EM),
                WIDTH,
                HEIGHT,
                "Leakage of " + plan.part() + " at its last step, both scales logarithmic"));
      }
    }
    return all;
  }

  /** Every ramp: what each meter should have shown and did. */
  List<Block> woken() {
    List<Block> all = new ArrayList<>();
    for (PowerUpPlan plan : job.items(PowerUpPlan.class)) {
      PowerUpRun run = PowerUpRun.of(plan, job.events());
      all.add(
          new Block.Head(
              words.word(plan.kind()),
              "",
              words.word(run.phase())
                  + run.stopped().map(c -> ": " + words.word(c)).orElse("")
                  + (run.note().isEmpty() ? "" : ", " + run.note())));
      List<String> heads = new ArrayList<>(List.of("mains"));
      plan.clips().forEach(c -> heads.add(describe.clip(c)));
      List<List<String>> rows = new ArrayList<>();
      for (int k = 0; k < plan.steps().size(); k++) {
        rows.add(rung(plan, run, k));
      }
      all.add(Folio.figures(heads, rows));
      plan.clips().stream()
          .findFirst()
          .ifPresent(c ->
              all.add(
                  new Block.Drawing(
                      StairsChart.marks(
                          plan, c, Optional.empty(), read(run, c), WIDTH, HEIGHT, PlotSvg.EM),
                      WIDTH,
                      HEIGHT,
                      describe.clip(c)
                          + ": band, what was expected, and what was read at each step")));
    }
    return all;
  }

  private static List<String> rung(PowerUpPlan plan, PowerUpRun run, int step) {
    PowerUpPlan.Step s = plan.steps().get(step);
    List<String> row = new ArrayList<>(List.of(Quantity.volts(s.mainsVolts()).toString()));
    for (int c = 0; c < plan.clips().size(); c++) {
      PowerUpPlan.Clip clip = plan.clips().get(c);
      String wanted = Describe.shown(clip, s.bands().get(c).expected());
      row.add(
          run.readings().stream()
              .filter(r -> r.step() == step && r.clip().equals(clip))
              .reduce((_, last) -> last)
              .map(r -> Describe.shown(clip, r.value()) + " (" + wanted + ")")
              .orElse("— (" + wanted + ")"));
    }
    return row;
  }

  private static List<StairsChart.Read> read(PowerUpRun run, PowerUpPlan.Clip clip) {
    Map<Integer, Double> by = new LinkedHashMap<>();
    run.readings().stream()
        .filter(r -> r.clip().equals(clip))
        .forEach(r -> by.put(r.step(), r.value()));
    return by.entrySet().stream().map(e -> new StairsChart.Read(e.getKey(), e.getValue())).toList();
  }

  /**
   * The drawing's table, what was set, loads, functions, accuracy, figures of other instruments.
   */
  List<Block> proved() {
    List<Block> all = new ArrayList<>();
    chart(worked().chart(), all);
    job.items(Adjustment.class)
        .forEach(a ->
            all.add(
                new Block.Labelled(
                    "Set: " + words.word(a.kind()) + " " + a.point(),
                    set(a) + words.word(Adjusting.of(a, job.events(), now).state()))));
    double nominal =
        job.plate().mains().map(SetPlate.Mains::volts).orElse(HeadroomCheck.USUAL_MAINS);
    HeadroomCheck.newest(job, nominal, List.of())
        .forEach(h ->
            all.add(
                new Block.Labelled(
                    h.reading().regulator(),
                    Quantity.volts(h.spare())
                        + " to spare at the line it was read at, "
                        + Quantity.volts(h.spareLow())
                        + " at low line: "
                        + words.word(h.state()))));
    job.items(LoadTest.class).stream()
        .filter(t -> t.loads().size() > 1)
        .forEach(t -> all.add(loaded(t, nominal)));
    job.items(FunctionCheck.class).stream()
        .filter(f -> f.outcome() != FunctionCheck.FunctionOutcome.NOT_THERE)
        .forEach(f ->
            all.add(
                new Block.Labelled(
                    f.what(),
                    words.word(f.outcome()) + (f.note().isEmpty() ? "" : ", " + f.note()))));
    job.items(AccuracyTest.class).stream()
        .filter(t -> !t.points().isEmpty())
        .forEach(t -> accuracy(t, all));
    job.items(ProofFigure.class)
        .forEach(f ->
            all.add(new Block.Labelled(words.word(f.measurand()) + ", " + f.how(), figure(f))));
    return all;
  }

  void chart(VoltageChart chart, List<Block> all) {
    if (chart.lines().isEmpty()) {
      return;
    }
    all.add(
        Folio.figures(
            List.of("point", "drawing", "within", "before", "after", "off by", "", "read with"),
            chart.lines().stream()
                .map(l ->
                    List.of(
                        l.target().point(),
                        Quantity.volts(l.target().volts()).toString(),
                        "±" + Quantity.percent(l.tolerance()),
                        measured(l.before()),
                        measured(l.after()),
                        off(l.deviation()),
                        words.word(l.verdict()),
                        conditions(l, words)))
                .toList()));
    all.add(
        Folio.quiet(
            "Readings are brought to the line and the meter that the drawing speaks of; what was shown stands in brackets."));
  }

  /**
   * Line, meter, signal and controls at the reading that is shown: the one after the work, else the
   * last before it.
   */
  static String conditions(VoltageChart.Line l, Words words) {
    return l.after()
        .or(l::before)
        .map(VoltageChart.Measured::reading)
        .map(r -> {
          List<String> said = new ArrayList<>();
          r.lineVolts().ifPresent(v -> said.add(Quantity.volts(v) + " line"));
          r.meterOhms().ifPresent(o -> said.add(Quantity.ohms(o) + " meter"));
          if (r.state() != SupplyReading.State.UNSTATED) {
            said.add(words.word(r.state()));
          }
          if (!r.settings().isEmpty()) {
            said.add(r.settings());
          }
          return String.join(", ", said);
        })
        .orElse("");
  }

  /** A reading as it comes to the drawing's conditions, and as it was. */
  static String measured(Optional<VoltageChart.Measured> m) {
    return m.map(x ->
            Quantity.volts(x.volts())
                + (Math.abs(x.volts() - x.reading().volts()) < 1e-3 * Math.abs(x.volts())
                    ? ""
                    : "  (" + Quantity.volts(x.reading().volts()) + ")"))
        .orElse("—");
  }

  /** A deviation with its sign. */
  static String off(OptionalDouble deviation) {
    return deviation.isEmpty()
        ? "—"
        : String.format(Locale.ROOT, "%+.1f %%", 100 * deviation.getAsDouble());
  }

  private static String set(Adjustment a) {
    String goal =
        "target "
            + Quantity.ratio(a.target())
            + " ± "
            + Quantity.ratio(a.tolerance())
            + " "
            + a.unit()
            + ", ";
    return a.turns().isEmpty()
        ? goal
        : goal
            + Quantity.ratio(a.turns().getFirst().before())
            + " → "
            + Quantity.ratio(a.turns().getLast().after())
            + " "
            + a.unit()
            + ", ";
  }

  private static Block loaded(LoadTest t, double nominal) {
    try {
      LoadLine l = LoadLine.of(t.loads(), nominal);
      return new Block.Labelled(
          t.point() + " under load",
          "output resistance "
              + Quantity.ohms(l.ohms())
              + ", regulation "
              + Quantity.percent(l.regulation())
              + " up to "
              + Quantity.amperes(l.most()));
    } catch (IllegalArgumentException e) {
      return new Block.Labelled(t.point() + " under load", e.getMessage());
    }
  }

  private void accuracy(AccuracyTest t, List<Block> all) {
    Accuracy a = Accuracy.of(t);
    all.add(
        new Block.Labelled(
            t.range(),
            words.word(a.verdict())
                + ", against "
                + t.reference()
                + " (± "
                + Quantity.percent(t.referenceUncertainty())
                + ")"));
    all.add(
        Folio.figures(
            List.of("applied, " + t.unit(), "shown", "error", ""),
            a.lines().stream()
                .map(l ->
                    List.of(
                        Quantity.ratio(l.applied()).toString(),
                        Quantity.ratio(l.shown()).toString(),
                        Quantity.ratio(l.error()).toString(),
                        words.word(l.verdict())))
                .toList()));
  }

  /** A figure of another instrument in one line. */
  static String figure(ProofFigure f) {
    return plain(f.before())
        + "  →  "
        + plain(f.after())
        + " "
        + f.unit()
        + (f.bound().isPresent() ? "  (promised " + plain(f.bound()) + ")" : "");
  }

  private static String plain(OptionalDouble value) {
    return value.isPresent() ? Quantity.ratio(value.getAsDouble()).toString() : "—";
  }

  /** Every burn-in with its channels, how it ended, and anything odd. */
  List<Block> burnedIn() {
    List<Block> all = new ArrayList<>();
    for (BurnIn burn : job.items(BurnIn.class)) {
      BurnWatch w = BurnWatch.of(burn, job.items(BurnReading.class), now);
      all.add(
          new Block.Head(
              at(burn.begun()) + ", " + Quantity.ratio(burn.hours()) + " h",
              "",
              words.word(burn.end()) + (burn.reason().isEmpty() ? "" : ", " + burn.reason())));
      w.channels().forEach(c -> channel(burn, c, all));
      w.odd().forEach(o -> all.add(new Block.Labelled("Odd", at(o.at()) + "  " + o.note())));
    }
    return all;
  }

  private void channel(BurnIn burn, BurnWatch.Channel c, List<Block> all) {
    Drift d = c.drift();
    String drift =
        c.readings().isEmpty()
            ? "not read"
            : words.word(d.verdict())
                + ": "
                + Quantity.ratio(d.over())
                + " ± "
                + Quantity.ratio(d.unsure())
                + " "
                + c.of().unit()
                + " over the whole time, bound "
                + Quantity.ratio(c.of().bound());
    all.add(new Block.Labelled(c.of().name(), drift));
    if (c.readings().size() > 1) {
      double base = c.base().orElse(c.readings().getFirst().value());
      List<BandChart.Edge> band =
          List.of(
              new BandChart.Edge(0, base - c.of().bound(), base + c.of().bound()),
              new BandChart.Edge(burn.hours(), base - c.of().bound(), base + c.of().bound()));
      List<BandChart.At> points =
          c.readings().stream()
              .map(r ->
                  new BandChart.At(
                      r.hours(),
                      r.value(),
                      r.hours() >= Drift.WARM_UP_HOURS
                          && Math.abs(r.value() - base) > c.of().bound()))
              .toList();
      all.add(
          new Block.Drawing(
              BandChart.marks(points, band, "hours", c.of().unit(), WIDTH, HEIGHT, PlotSvg.EM),
              WIDTH,
              HEIGHT,
              c.of().name() + " over the burn-in, and its bound"));
    }
  }
}
