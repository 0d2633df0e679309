package org.yellowhearth.workshop;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.finaltest.Adjusting;
import org.yellowhearth.core.finaltest.BurnWatch;
import org.yellowhearth.core.finaltest.FinalTestWords;
import org.yellowhearth.core.finaltest.FunctionList;
import org.yellowhearth.core.finaltest.HandBack;
import org.yellowhearth.core.finaltest.HeadroomCheck;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Headroom;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Prove without the window: the chart, rails under load, functions, accuracy, the burn-in, and what
 * stands against handing back.
 */
public final class FinalTestModel {
  private static final double PERCENT = 100;

  private final DeskModel model;
  private final LongWork charting;
  private final Value<VoltageChart> chart = new Value<>(new VoltageChart(List.of()));
  private final Value<List<Headroom>> headroom = new Value<>(List.of());
  private List<?> of = List.of();

  FinalTestModel(DeskModel model) {
    this.model = model;
    charting = new LongWork(model.background());
    model.openProperty().addListener((_, _, _) -> jobChanged());
    model.stageProperty().addListener((_, _, _) -> jobChanged());
  }

  /** The drawing's table with what was measured beside it. */
  public Watched<VoltageChart> chartProperty() {
    return chart.watched();
  }

  /** How far the chart is, 0 to 1; below nothing while nothing is worked out. */
  public Watched<Double> progressProperty() {
    return charting.progressProperty();
  }

  /**
   * The chart is worked out anew where what it rests on is another; only while Prove is looked at.
   */
  private void jobChanged() {
    Optional<OpenJob> open = model.openProperty().get();
    if (open.isEmpty() || model.stageProperty().get() != Stage.FINAL_TEST) {
      return;
    }
    Job job = open.get().job();
    List<?> now =
        List.of(
            open.get().id(),
            job.items(SupplySection.class),
            job.items(SupplyEvidence.class),
            job.census(),
            job.readings(),
            job.items(OfPart.class));
    if (now.equals(of)) {
      return;
    }
    of = now;
    JudgedJob judged = open.get().judged();
    charting.start((_, show) -> {
      Optional<Supply> set =
          PowerUpPlanner.bare(judged, model.knowledge()).map(PowerUpPlanner.Bare::supply);
      VoltageChart made = VoltageChart.of(job, set);
      show.accept(() -> chart.set(made));
      List<Headroom> spare = set.map(Headroom::of).orElse(List.of());
      show.accept(() -> headroom.set(spare));
    });
  }

  private Job job() {
    return model.job();
  }

  private Instant now() {
    return model.now().toInstant();
  }

  private static double needed(OptionalDouble figure, String what) {
    return figure.orElseThrow(
        () -> new IllegalArgumentException(Labels.of("finaltest.needed", Labels.of(what))));
  }

  // --- the chart
  // -----------------------------------------------------------------------------------------------------------

  /**
   * What the drawing says of a point.
   *
   * @param tolerance as a fraction
   */
  public boolean promise(
      String point,
      OptionalDouble volts,
      OptionalDouble tolerance,
      OptionalDouble line,
      OptionalDouble meter,
      boolean alternating) {
    return model.made(() ->
        model.put(
            new SupplyTarget(
                job().items(SupplyTarget.class).stream()
                    .filter(t -> t.point().equals(point.strip()) && t.alternating() == alternating)
                    .map(SupplyTarget::id)
                    .findFirst()
                    .orElseGet(model::newId),
                point.strip(),
                needed(volts, "finaltest.volts"),
                tolerance,
                line,
                meter,
                SupplyTarget.Follows.UNSTATED,
                alternating)));
  }

  /** What a meter shows at a point now. */
  public boolean read(
      String point,
      SupplyReading.Kind kind,
      OptionalDouble volts,
      OptionalDouble line,
      OptionalDouble meter,
      SupplyReading.State state,
      String settings) {
    return model.made(() ->
        model.put(
            new SupplyReading(
                model.newId(),
                now(),
                point.strip(),
                kind,
                needed(volts, "finaltest.volts"),
                line,
                meter,
                OptionalDouble.empty(),
                state,
                OptionalDouble.empty(),
                settings.strip(),
                "",
                List.of(),
                OptionalDouble.empty())));
  }

  // --- adjustments
  // ---------------------------------------------------------------------------------------------------------

  /** What is set to a target, as it stands now. */
  public List<Adjusting> adjustments() {
    return job().items(Adjustment.class).stream()
        .map(a -> Adjusting.of(a, job().events(), now()))
        .toList();
  }

  /** Adds what the supply says is set by a control. */
  public void proposeAdjustments() {
    List<Adjustment> more = Adjusting.proposed(job());
    if (more.isEmpty()) {
      model.tell(Labels.of("finaltest.adjust.nothing"), false);
    } else {
      model.putAll(more);
    }
  }

  /** One thing more that is set to a target. */
  public boolean adjustment(
      Adjustment.Adjusted kind,
      String point,
      String unit,
      OptionalDouble target,
      OptionalDouble tolerance,
      OptionalDouble harmful,
      String control) {
    return model.made(() ->
        model.put(
            new Adjustment(
                model.newId(),
                kind,
                point.strip(),
                unit.strip().isEmpty() ? "V" : unit.strip(),
                needed(target, "finaltest.adjust.target"),
                needed(tolerance, "finaltest.adjust.tolerance"),
                harmful,
                control.strip(),
                List.of())));
  }

  /** A turn of the control, or a look: without a figure before, it was what stood there last. */
  public boolean turned(
      Adjustment a,
      OptionalDouble before,
      OptionalDouble after,
      OptionalDouble count,
      boolean loaded,
      String note) {
    return model.made(() -> {
      double is = needed(after, "finaltest.adjust.after");
      double was = before.orElse(a.turns().isEmpty() ? is : a.turns().getLast().after());
      model.put(a.turned(new Adjustment.Turn(now(), was, is, count, loaded, note.strip())));
    });
  }

  /** What regulators have to spare, measured and computed. */
  public List<HeadroomCheck> headroom() {
    double nominal =
        job().plate().mains().map(SetPlate.Mains::volts).orElse(HeadroomCheck.USUAL_MAINS);
    return HeadroomCheck.newest(job(), nominal, headroom.get());
  }

  /** What the model has to spare in each regulator; nothing before it was worked out. */
  public Watched<List<Headroom>> computedHeadroomProperty() {
    return headroom.watched();
  }

  /** A regulator's input, ripple and output as a meter and an oscilloscope show them. */
  public boolean headroom(
      String regulator,
      OptionalDouble input,
      OptionalDouble ripple,
      OptionalDouble output,
      OptionalDouble line) {
    return model.made(() ->
        model.put(
            new HeadroomReading(
                model.newId(),
                now(),
                regulator.strip(),
                needed(input, "finaltest.headroom.input"),
                needed(ripple, "finaltest.headroom.ripple"),
                needed(output, "finaltest.headroom.output"),
                line)));
  }

  /** A figure that another instrument gave. */
  public boolean figure(
      ProofFigure.Measurand what,
      String how,
      String unit,
      OptionalDouble before,
      OptionalDouble after,
      OptionalDouble bound) {
    return model.made(() ->
        model.put(
            new ProofFigure(model.newId(), what, how.strip(), unit.strip(), before, after, bound)));
  }

  // --- loads
  // ---------------------------------------------------------------------------------------------------------------

  /** A rail under one more load. */
  public boolean load(
      String point,
      OptionalDouble amperes,
      OptionalDouble volts,
      OptionalDouble line,
      OptionalDouble limitVolts,
      OptionalDouble limitShare) {
    return model.made(() -> {
      Optional<LoadTest> before =
          job().items(LoadTest.class).stream()
              .filter(t -> t.point().equals(point.strip()))
              .findFirst();
      List<LoadTest.Loaded> loads = new ArrayList<>(before.map(LoadTest::loads).orElse(List.of()));
      loads.add(
          new LoadTest.Loaded(
              needed(amperes, "finaltest.amperes"), needed(volts, "finaltest.volts"), line));
      model.put(
          new LoadTest(
              before.map(LoadTest::id).orElseGet(model::newId),
              point.strip(),
              loads,
              promised(limitVolts, before.map(LoadTest::limitVolts)),
              promised(limitShare, before.map(LoadTest::limitShare))));
    });
  }

  private static OptionalDouble promised(OptionalDouble now, Optional<OptionalDouble> before) {
    return now.isPresent() ? now : before.orElse(OptionalDouble.empty());
  }

  // --- functions
  // -----------------------------------------------------------------------------------------------------------

  /** Adds what a set of this kind has to do, as far as it is not on the list. */
  public void proposeFunctions() {
    Set<String> there =
        job().items(FunctionCheck.class).stream()
            .map(FunctionCheck::what)
            .collect(Collectors.toSet());
    List<FunctionCheck> more =
        FunctionList.of(job(), model.knowledge()).stream()
            .filter(f -> !there.contains(say(f.what())))
            .map(f ->
                new FunctionCheck(
                    model.newId(),
                    say(f.group()),
                    say(f.what()),
                    FunctionCheck.FunctionOutcome.UNSTATED,
                    ""))
            .toList();
    if (more.isEmpty()) {
      model.tell(Labels.of("finaltest.functions.all"), false);
    } else {
      model.putAll(more);
    }
  }

  private String say(FinalTestWords key) {
    return model.words().say(Message.of(key));
  }

  /** Adds one thing of the person's own. */
  public boolean function(String group, String what) {
    return model.made(() ->
        model.put(
            new FunctionCheck(
                model.newId(),
                group.strip(),
                what.strip(),
                FunctionCheck.FunctionOutcome.UNSTATED,
                "")));
  }

  // --- accuracy
  // ------------------------------------------------------------------------------------------------------------

  /**
   * A range that is to be held against a reference.
   *
   * @param ofReading as a fraction
   * @param absolute in its unit
   * @param ofFullScale in per cent, as it stands in its papers
   */
  public boolean range(
      String range,
      String unit,
      OptionalDouble fullScale,
      OptionalDouble ofReading,
      OptionalDouble absolute,
      OptionalDouble ofFullScale,
      String reference,
      OptionalDouble uncertainty) {
    return model.made(() ->
        model.put(
            new AccuracyTest(
                model.newId(),
                range.strip(),
                unit.strip(),
                fullScale,
                ofReading.orElse(0),
                ofFullScale.orElse(0) / PERCENT,
                absolute,
                reference.strip(),
                uncertainty.orElse(0) / PERCENT,
                false,
                false,
                List.of())));
  }

  /** Zero set, or the range calibrated, before its points. */
  public void prepared(AccuracyTest t, boolean zeroed, boolean calibrated) {
    model.put(with(t, zeroed, calibrated, t.points()));
  }

  /** One more point; refused while something is waited for. */
  public boolean point(AccuracyTest t, OptionalDouble applied, OptionalDouble shown) {
    return model.made(() -> {
      List<String> waited =
          job().items(CalibrationHold.class).stream()
              .filter(h -> h.holds(now()))
              .map(CalibrationHold::what)
              .toList();
      if (!waited.isEmpty()) {
        throw new IllegalArgumentException(
            Labels.of("finaltest.hold.first", String.join(", ", waited)));
      }
      List<AccuracyTest.AccuracyPoint> points = new ArrayList<>(t.points());
      points.add(
          new AccuracyTest.AccuracyPoint(
              needed(applied, "finaltest.applied"), needed(shown, "finaltest.shown")));
      model.put(with(t, t.zeroed(), t.calibrated(), points));
    });
  }

  private static AccuracyTest with(
      AccuracyTest t, boolean zeroed, boolean calibrated, List<AccuracyTest.AccuracyPoint> points) {
    return new AccuracyTest(
        t.id(),
        t.range(),
        t.unit(),
        t.fullScale(),
        t.ofReading(),
        t.ofFullScale(),
        t.absolute(),
        t.reference(),
        t.referenceUncertainty(),
        zeroed,
        calibrated,
        points);
  }

  /**
   * Something that is waited for before points count: a warm-up of so many hours from now, or
   * anything else.
   */
  public boolean hold(String what, OptionalDouble hours) {
    return model.made(() ->
        model.put(
            new CalibrationHold(
                model.newId(),
                what.strip(),
                hours.isPresent() ? Optional.of(now()) : Optional.empty(),
                hours,
                false)));
  }

  /** It is over, or there. */
  public void settle(CalibrationHold h) {
    model.put(new CalibrationHold(h.id(), h.what(), h.since(), h.hours(), true));
  }

  // --- burn-in
  // -------------------------------------------------------------------------------------------------------------

  /** The newest burn-in, as it stands now. */
  public Optional<BurnWatch> burn() {
    return job().items(BurnIn.class).stream()
        .reduce((_, last) -> last)
        .map(b -> BurnWatch.of(b, job().items(BurnReading.class), now()));
  }

  /** Begins one now. */
  public boolean beginBurn(OptionalDouble hours, List<BurnIn.BurnChannel> channels) {
    return model.made(() ->
        model.put(
            new BurnIn(
                model.newId(),
                now(),
                needed(hours, "finaltest.burn.hours"),
                channels,
                BurnIn.BurnEnd.UNDECIDED,
                "")));
  }

  /** Keeps what was read now, and what was noticed. */
  public boolean readBurn(Map<String, Double> shown, String note) {
    return model.made(() ->
        burn()
            .ifPresent(b ->
                model.put(
                    new BurnReading(
                        model.newId(),
                        b.of().id(),
                        now(),
                        shown.entrySet().stream()
                            .map(e -> new BurnReading.BurnShown(e.getKey(), e.getValue()))
                            .toList(),
                        note.strip()))));
  }

  /** Ends it. */
  public boolean endBurn(BurnIn.BurnEnd how, String reason) {
    return model.made(() -> burn().ifPresent(b -> model.put(b.of().ended(how, reason.strip()))));
  }

  // --- back
  // ----------------------------------------------------------------------------------------------------------------

  /** What stands against handing the set back. */
  public List<SignOff.Owed> open() {
    return HandBack.of(job(), chart.get(), now());
  }
}
