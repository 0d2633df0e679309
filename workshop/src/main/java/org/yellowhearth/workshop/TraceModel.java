package org.yellowhearth.workshop;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.ConverterFigures;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Headroom;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.NextStep;
import org.yellowhearth.core.trace.RegulatorHeat;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.Suspicion;
import org.yellowhearth.core.trace.ToleranceRuns;
import org.yellowhearth.core.trace.WarmUp;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * Trace without the window: the supply of the open job as drawn and as it is, the same with
 * something changed on trial, and the long computations, each in the background, the newest
 * question only, each to be stopped.
 */
public final class TraceModel {
  /** Runs of the tolerance spread. */
  public static final int RUNS = 10_000;

  private static final long SEED = 20_261_124;
  private static final double INRUSH_SHARE = 0.2;

  private final DeskModel model;
  private final Value<Optional<Worked>> worked = new Value<>(Optional.empty());
  private final Value<Optional<SupplyFigures>> trial = new Value<>(Optional.empty());
  private final Value<Optional<Findings>> findings = new Value<>(Optional.empty());
  private final Value<Optional<ToleranceRuns>> runs = new Value<>(Optional.empty());
  private final Value<List<Margins>> margins = new Value<>(List.of());
  private final Value<String> chosen = new Value<>("");
  private final Map<Parameter, Double> changes = new HashMap<>();
  private final LongWork work;
  private boolean working;
  private boolean again;
  private List<?> basis = List.of();

  /** A supply worked out as drawn and as it is; figures are absent while something is missing. */
  public record Worked(
      SupplyModel drawn,
      SupplyModel now,
      Optional<SupplyFigures> drawnFigures,
      Optional<SupplyFigures> nowFigures,
      List<ConverterFigures.Output> drawnOutputs,
      List<ConverterFigures.Output> nowOutputs) {
    public Worked {
      drawnOutputs = List.copyOf(drawnOutputs);
      nowOutputs = List.copyOf(nowOutputs);
    }
  }

  /** What the readings point at. */
  public record Findings(
      Suspicion suspicion,
      List<Diagnosis.Explanation> explanations,
      List<NextStep> next,
      boolean pairs) {
    public Findings {
      explanations = List.copyOf(explanations);
      next = List.copyOf(next);
    }
  }

  /**
   * What a supply has to spare.
   *
   * @param trial whether what is on trial is in it
   */
  public record Margins(
      boolean trial,
      List<Headroom> headroom,
      List<RegulatorHeat> heat,
      Optional<Inrush> inrush,
      WarmUp warmUp,
      List<ConverterFigures> converters) {
    public Margins {
      headroom = List.copyOf(headroom);
      heat = List.copyOf(heat);
      converters = List.copyOf(converters);
    }
  }

  TraceModel(DeskModel model) {
    this.model = model;
    work = new LongWork(model.background());
    model.openProperty().addListener((_, _, _) -> jobChanged());
    model.stageProperty().addListener((_, _, _) -> jobChanged());
  }

  /** The supply of the job; none before it was worked out. */
  public Watched<Optional<Worked>> workedProperty() {
    return worked.watched();
  }

  /** The supply as it is, with the changes on trial; none while nothing is changed. */
  public Watched<Optional<SupplyFigures>> trialProperty() {
    return trial.watched();
  }

  /** What the readings point at, once asked. */
  public Watched<Optional<Findings>> findingsProperty() {
    return findings.watched();
  }

  /** The tolerance spread, once asked. */
  public Watched<Optional<ToleranceRuns>> runsProperty() {
    return runs.watched();
  }

  /** What the supply has to spare, once asked; and with what is on trial, where something was. */
  public Watched<List<Margins>> marginsProperty() {
    return margins.watched();
  }

  /** The point or element that is looked at. */
  public Value<String> chosenProperty() {
    return chosen;
  }

  /** How far a long computation is, 0 to 1; below nothing while none runs. */
  public Watched<Double> progressProperty() {
    return work.progressProperty();
  }

  /**
   * Works out the supply anew where the job's supply, parts or readings are others than before;
   * only while Trace is looked at.
   */
  private void jobChanged() {
    Optional<OpenJob> open = model.openProperty().get();
    if (open.isEmpty()) {
      stop();
      basis = List.of();
      worked.set(Optional.empty());
      forget();
      return;
    }
    if (model.stageProperty().get() != Stage.TRACE) {
      return;
    }
    Job job = open.get().job();
    List<?> now =
        List.of(
            open.get().id(),
            job.items(SupplySection.class),
            job.census(),
            job.readings(),
            job.plate(),
            job.items(SupplyEvidence.class));
    if (now.equals(basis)) {
      return;
    }
    basis = now;
    forget();
    JudgedJob judged = open.get().judged();
    model
        .background()
        .aside(
            () -> {
              SupplyModel drawn = judged.supply(SupplyModel.View.AS_DRAWN);
              SupplyModel is = judged.supply(SupplyModel.View.AS_IT_IS);
              Optional<SupplyFigures> drawnFigures = figures(drawn);
              Optional<SupplyFigures> isFigures = figures(is);
              return new Worked(
                  drawn,
                  is,
                  drawnFigures,
                  isFigures,
                  outputs(judged, SupplyModel.View.AS_DRAWN, drawnFigures),
                  outputs(judged, SupplyModel.View.AS_IT_IS, isFigures));
            },
            done -> {
              if (now.equals(basis)) {
                worked.set(Optional.of(done));
              }
            });
  }

  private List<ConverterFigures.Output> outputs(
      JudgedJob judged, SupplyModel.View view, Optional<SupplyFigures> figures) {
    return figures.stream()
        .flatMap(f ->
            ConverterFigures.of(judged.job(), model.knowledge(), view, judged.beliefs(), f)
                .stream())
        .flatMap(c -> c.outputs().stream())
        .toList();
  }

  private void forget() {
    stop();
    changes.clear();
    trial.set(Optional.empty());
    findings.set(Optional.empty());
    runs.set(Optional.empty());
    margins.set(List.of());
  }

  private static Optional<SupplyFigures> figures(SupplyModel of) {
    return of.supply().map(s -> SupplyFigures.of(s, of.readable()));
  }

  /** The points of the river, those that sections name. */
  public List<String> points() {
    return worked.get().map(w -> w.now().points()).orElse(List.of());
  }

  // --- on trial
  // ------------------------------------------------------------------------------------------------------------

  /** The value of a knob as it is, or as it was changed on trial. */
  public OptionalDouble value(Parameter knob) {
    if (changes.containsKey(knob)) {
      return OptionalDouble.of(changes.get(knob));
    }
    return original(knob);
  }

  /** The value of a knob as it is. */
  public OptionalDouble original(Parameter knob) {
    return worked
        .get()
        .flatMap(w -> w.now().supply())
        .map(s -> Parameter.all(s).get(knob))
        .map(OptionalDouble::of)
        .orElse(OptionalDouble.empty());
  }

  /** Tries another value; nothing of it is kept. */
  public void attempt(Parameter knob, double value) {
    changes.put(knob, value);
    workTrial();
  }

  /** Takes back everything on trial. */
  public void leaveTrial() {
    changes.clear();
    trial.set(Optional.empty());
  }

  /** Whether something is changed on trial. */
  public boolean onTrial() {
    return !changes.isEmpty();
  }

  /** One computation at a time; the newest values are worked out when it is done. */
  private void workTrial() {
    Optional<Supply> now = worked.get().flatMap(w -> w.now().supply());
    if (now.isEmpty() || changes.isEmpty()) {
      return;
    }
    if (working) {
      again = true;
      return;
    }
    working = true;
    Map<Parameter, Double> asked = Map.copyOf(changes);
    List<String> points = worked.get().orElseThrow().now().readable();
    List<?> of = basis;
    model
        .background()
        .aside(
            () -> {
              try {
                return SupplyFigures.of(
                    now.get().tuned((knob, is) -> asked.getOrDefault(knob, is)), points);
              } finally {
                // However it ends, the next position may be worked out.
                model.background().report(this::trialDone);
              }
            },
            figures -> {
              if (of.equals(basis) && !changes.isEmpty()) {
                trial.set(Optional.of(figures));
              }
            });
  }

  private void trialDone() {
    working = false;
    if (again) {
      again = false;
      workTrial();
    }
  }

  // --- long computations
  // ---------------------------------------------------------------------------------------------------

  /** Asks what the readings point at: single faults first, then pairs. */
  public void suspect() {
    model
        .openProperty()
        .get()
        .ifPresent(open -> {
          work.start((watcher, show) ->
              open.judged()
                  .suspicion()
                  .ifPresent(s -> {
                    Consumer<Findings> found = f -> show.accept(() -> findings.set(Optional.of(f)));
                    Optional<Diagnosis> asked =
                        s.used().isEmpty() ? Optional.empty() : Diagnosis.of(s.question(), watcher);
                    if (asked.isEmpty()) {
                      found.accept(new Findings(s, List.of(), List.of(), false));
                      return;
                    }
                    Diagnosis d = asked.get();
                    List<Diagnosis.Explanation> singles = d.singles();
                    found.accept(new Findings(s, singles, List.of(), false));
                    List<NextStep> next = d.next();
                    found.accept(new Findings(s, singles, next, false));
                    found.accept(new Findings(s, d.doubles(), next, true));
                  }));
        });
  }

  /** Runs the tolerance spread. */
  public void spread() {
    model
        .openProperty()
        .get()
        .ifPresent(open -> {
          List<String> points = points();
          work.start((watcher, show) ->
              open.judged()
                  .suspicion()
                  .ifPresent(s -> {
                    ToleranceRuns done =
                        ToleranceRuns.of(
                            s.question().supply(),
                            points,
                            s.question().wholeSpread(),
                            RUNS,
                            SEED,
                            watcher);
                    show.accept(() -> runs.set(Optional.of(done)));
                  }));
        });
  }

  /**
   * Works out headroom, the first surge and the first minute, as the model is; and with what is on
   * trial beside it, where something is.
   */
  public void margins() {
    worked
        .get()
        .filter(w -> w.now().supply().isPresent())
        .map(Worked::now)
        .ifPresent(now -> {
          JudgedJob judged = model.openProperty().get().orElseThrow().judged();
          Map<Parameter, Double> asked = Map.copyOf(changes);
          work.start((watcher, show) -> {
            double share = asked.isEmpty() ? 1 : 0.5;
            List<Margins> done =
                new ArrayList<>(
                    List.of(
                        margins(
                            judged,
                            now,
                            now.supply().orElseThrow(),
                            false,
                            s -> watcher.goOn(share * s))));
            if (!asked.isEmpty()) {
              Supply tried =
                  now.supply().orElseThrow().tuned((knob, is) -> asked.getOrDefault(knob, is));
              done.add(margins(judged, now, tried, true, s -> watcher.goOn(share + share * s)));
            }
            show.accept(() -> margins.set(List.copyOf(done)));
          });
        });
  }

  private Margins margins(
      JudgedJob judged, SupplyModel now, Supply supply, boolean trial, Watcher watcher) {
    List<Headroom> headroom = Headroom.of(supply);
    return new Margins(
        trial,
        headroom,
        RegulatorHeat.of(judged.job(), headroom),
        Inrush.of(supply, now.points(), now.ratings(), s -> watcher.goOn(INRUSH_SHARE * s)),
        WarmUp.of(
            supply,
            now.points(),
            now.cathodes(),
            s -> watcher.goOn(INRUSH_SHARE + (1 - INRUSH_SHARE) * s)),
        ConverterFigures.of(
            judged.job(),
            model.knowledge(),
            SupplyModel.View.AS_IT_IS,
            judged.beliefs(),
            SupplyFigures.of(supply, now.points())));
  }

  /** Stops what runs. */
  public void stop() {
    work.stop();
  }
}
