package org.yellowhearth.workshop;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.firstpower.LampChoice;
import org.yellowhearth.core.firstpower.PowerUpJudgement;
import org.yellowhearth.core.firstpower.PowerUpJudgement.PowerUpCounsel;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Bare;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Proposed;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Wanted;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.firstpower.PowerUpRun.PowerUpPhase;
import org.yellowhearth.core.firstpower.Readiness;
import org.yellowhearth.core.firstpower.StopCause;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Wake without the window: what is wanted of a set's first power, the plan that follows, what must
 * be so before it, and the run. What stops a run switches the transformer off before anything else;
 * what happens is in the journal when it happens.
 */
public final class FirstPowerModel {
  private final DeskModel model;
  private final LongWork planning;
  private final LongWork causing;
  private final FirstPowerLines lines;
  private final Value<Optional<Basis>> basis = new Value<>(Optional.empty());
  private final Value<Optional<Wanted>> wanted = new Value<>(Optional.empty());
  private final Value<Optional<Proposed>> proposed = new Value<>(Optional.empty());
  private final Value<Optional<PowerUpRun>> run = new Value<>(Optional.empty());
  private final Value<List<Diagnosis.Explanation>> causes = new Value<>(List.of());
  private List<?> of = List.of();
  private String openId = "";

  /** Being switched off, and not yet written down. */
  private boolean stopping;

  private boolean beginning;
  private final Value<Optional<Unseen>> unseen = new Value<>(Optional.empty());
  private Runnable alarm = () -> {};

  /** Why nobody but a person at the set can know whether it is off. */
  public enum Unseen {
    /** The transformer is turned by hand. */
    BY_HAND,
    /** It was driven from here, and its line is lost. */
    LINK_GONE,
    /** It was told to switch off, and has not said yet that it is. */
    NOT_ANSWERED
  }

  /** What a plan is made from: the set as it stands now, and which lamp suits it. */
  public record Basis(Bare bare, LampChoice lamps) {}

  FirstPowerModel(DeskModel model) {
    this.model = model;
    planning = new LongWork(model.background());
    causing = new LongWork(model.background());
    lines = new FirstPowerLines(model, this);
    model.openProperty().addListener((_, _, open) -> jobChanged(open));
    model.stageProperty().addListener((_, _, _) -> jobChanged(model.openProperty().get()));
  }

  /** What plans are made from; none while the supply cannot be worked out. */
  public Watched<Optional<Basis>> basisProperty() {
    return basis.watched();
  }

  /** What is wanted of the next plan. */
  public Watched<Optional<Wanted>> wantedProperty() {
    return wanted.watched();
  }

  /** The plan for what is wanted, once it is worked out. */
  public Watched<Optional<Proposed>> proposedProperty() {
    return proposed.watched();
  }

  /** The newest plan of the job and where its run stands. */
  public Watched<Optional<PowerUpRun>> runProperty() {
    return run.watched();
  }

  /** What most likely made a meter leave its band, the likeliest first. */
  public Watched<List<Diagnosis.Explanation>> causesProperty() {
    return causes.watched();
  }

  /** How far the planning is, 0 to 1; below nothing while none runs. */
  public Watched<Double> progressProperty() {
    return planning.progressProperty();
  }

  /** The lines to transformer and multimeter. */
  public FirstPowerLines lines() {
    return lines;
  }

  /** What is done when a run is stopped. */
  public void onAlarm(Runnable then) {
    alarm = then;
  }

  /** Whether the power of a run is on its way. */
  public boolean beginning() {
    return beginning;
  }

  /**
   * Why nobody but a person can know whether what was stopped is off; none where it is known, or
   * was looked at.
   */
  public Watched<Optional<Unseen>> unseenProperty() {
    return unseen.watched();
  }

  /** A person looked, or the transformer itself told: it is off. */
  public void seenOff() {
    unseen.set(Optional.empty());
    model.urgently(() -> model.record(model.off()));
  }

  /** A person looked: it is still on. */
  public void seenOn() {
    if (unseen.get().isPresent()) {
      model.urgently(() -> model.stillOn(Labels.of("stop.still-on.record")));
    }
  }

  void linkGone() {
    unseen.set(Optional.of(Unseen.LINK_GONE));
  }

  /** Whether a set is under power for the first time. */
  public boolean on() {
    return run.get().filter(r -> r.phase() == PowerUpPhase.ON).isPresent();
  }

  private void jobChanged(Optional<OpenJob> open) {
    String id = open.map(OpenJob::id).orElse("");
    if (!id.equals(openId)) {
      openId = id;
      of = List.of();
      planning.stop();
      causing.stop();
      basis.set(Optional.empty());
      wanted.set(Optional.empty());
      proposed.set(Optional.empty());
      causes.set(List.of());
      beginning = false;
      unseen.set(Optional.empty());
      lines.disconnect();
    }
    Optional<PowerUpRun> before = run.get();
    run.set(open.flatMap(o -> newest(o.job()).map(p -> PowerUpRun.of(p, o.job().events()))));
    stopping = stopping && on();
    if (before.map(PowerUpRun::plan).equals(run.get().map(PowerUpRun::plan))
        && !on()
        && before.map(PowerUpRun::phase).equals(Optional.of(PowerUpPhase.ON))) {
      explain();
    }
    open.filter(_ -> model.stageProperty().get() == Stage.FIRST_POWER).ifPresent(this::understand);
  }

  private static Optional<PowerUpPlan> newest(Job job) {
    return job.items(PowerUpPlan.class).stream().reduce((_, last) -> last);
  }

  // --- the plan
  // ------------------------------------------------------------------------------------------------------------

  /** Works out what plans are made from, where the job's supply or parts are others than before. */
  private void understand(OpenJob open) {
    Job job = open.job();
    List<?> now =
        List.of(
            open.id(),
            job.items(SupplySection.class),
            job.items(SupplyEvidence.class),
            job.census(),
            job.readings(),
            job.plate(),
            job.aspect(Build.class),
            job.items(OfPart.class));
    if (now.equals(of)) {
      return;
    }
    of = now;
    planning.start((watcher, show) -> {
      Optional<Basis> made =
          PowerUpPlanner.bare(open.judged(), model.knowledge())
              .flatMap(b -> {
                try {
                  return Optional.of(new Basis(b, LampChoice.of(b.supply(), b.loads(), watcher)));
                } catch (BadCircuitException | NoSolutionException e) {
                  show.accept(
                      () -> model.tell(Labels.of("firstpower.no-supply", e.getMessage()), true));
                  return Optional.empty();
                }
              });
      show.accept(() -> {
        basis.set(made);
        made.ifPresent(this::wantUsual);
      });
    });
  }

  /** What was wanted stays wanted as far as the set still has it. */
  private void wantUsual(Basis b) {
    Wanted before = wanted.get().orElseGet(() -> usual(b));
    List<Clip> there =
        before.clips().stream()
            .filter(c -> beside(c) || b.bare().points().contains(c.point()))
            .toList();
    want(
        new Wanted(
            before.kind(),
            before.fed(),
            before.valves(),
            before.lampWatts(),
            there,
            before.heaterVolts()));
  }

  private static boolean beside(Clip c) {
    return List.of(Clip.BEHIND_LAMP, Clip.HEATERS, Clip.TAKEN).contains(c);
  }

  private static Wanted usual(Basis b) {
    OptionalDouble lamp =
        b.lamps().best().map(t -> OptionalDouble.of(t.watts())).orElse(OptionalDouble.empty());
    return new Wanted(
        PowerUpKind.WHOLE,
        List.of(),
        true,
        lamp,
        PowerUpPlanner.usualClips(b.bare(), lamp.isPresent()),
        OptionalDouble.empty());
  }

  /** Wants something else of the plan, which is worked out anew. */
  public void want(Wanted w) {
    wanted.set(Optional.of(w));
    proposed.set(Optional.empty());
    Optional<Basis> b = basis.get();
    if (b.isEmpty()) {
      return;
    }
    String id = "ramp-" + model.newId();
    planning.start((watcher, show) -> {
      try {
        Proposed p = PowerUpPlanner.of(id, b.get().bare(), w, PowerUpPlanner.RUNS, watcher);
        show.accept(() -> proposed.set(Optional.of(p)));
      } catch (NoSolutionException | IllegalArgumentException e) {
        show.accept(() -> model.tell(Labels.of("firstpower.no-plan", e.getMessage()), true));
      }
    });
  }

  /** Stops the planning. */
  public void stopPlanning() {
    planning.stop();
  }

  /** Takes the proposed plan as the one to run. */
  public void keepPlan() {
    if (on()) {
      model.tell(Labels.of("firstpower.on"), true);
      return;
    }
    proposed.get().ifPresent(p -> model.put(p.plan()));
    causes.set(List.of());
  }

  // --- before power
  // --------------------------------------------------------------------------------------------------------

  /** What must be so before the set gets its first power under the plan. */
  public List<Check> ready() {
    return run.get()
        .map(r -> {
          OpenJob open = model.openProperty().get().orElseThrow();
          return Readiness.of(
              open.job(),
              r.plan(),
              open.assessments(),
              model.hearthProperty().get().state(),
              model.now().toInstant());
        })
        .orElse(List.of());
  }

  /** Answers a check: it is so, or a reason is written why power may come all the same. */
  public void answer(Check check, String reason) {
    model.made(() ->
        model.put(
            new CheckResult(
                check.result().map(CheckResult::id).orElseGet(model::newId),
                check.code(),
                reason.isEmpty() ? CheckResult.Outcome.PASSED : CheckResult.Outcome.OVERRIDDEN,
                OptionalDouble.empty(),
                reason,
                model.now().toInstant())));
  }

  // --- the run
  // -------------------------------------------------------------------------------------------------------------

  /** The judgement at this moment; none while nothing is on. */
  public Optional<PowerUpJudgement> judgement() {
    return run.get().filter(_ -> on()).map(r -> r.judged(now(), lines.speed(), lines.live()));
  }

  /** How long the step has been held, by the clock of the bench. */
  public double held() {
    return run.get().map(r -> lines.speed() * r.seconds(now())).orElse(0.0);
  }

  private Instant now() {
    return model.now().toInstant();
  }

  /** Power: the journal knows of it before the transformer moves. */
  public void begin() {
    Optional<Check> against = ready().stream().filter(Check::blocks).findFirst();
    if (run.get().isEmpty() || on()) {
      return;
    }
    if (against.isPresent()) {
      model.tell(Labels.of("firstpower.not-ready", model.words().say(against.get().words())), true);
      return;
    }
    causes.set(List.of());
    PowerUpPlan plan = run.get().get().plan();
    int before = model.stops();
    unseen.set(Optional.empty());
    beginning = true;
    model.power(Edit.Power.LIT);
    model.inTurn(() -> {
      beginning = false;
      if (before == model.stops() && model.job().power().equals(Optional.of(Edit.Power.LIT))) {
        model.act(
            new PoweringUp.PowerUpBegun(plan.id()),
            () -> {
              if (before == model.stops()) {
                lines.turnOn(plan);
              }
            });
      }
    });
  }

  /** Turns the transformer to the next step. */
  public void next() {
    PowerUpCounsel counsel = judgement().map(PowerUpJudgement::counsel).orElse(PowerUpCounsel.STOP);
    if (counsel != PowerUpCounsel.GO_ON) {
      model.tell(Labels.of("firstpower.not-yet"), true);
      return;
    }
    PowerUpRun r = run.get().orElseThrow();
    if (r.last()) {
      model.happened(new PoweringUp.PowerUpFinished(r.plan().id()));
    } else {
      int step = r.step() + 1;
      int before = model.stops();
      model.inTurn(() -> {
        if (before == model.stops()) {
          model.act(
              new PoweringUp.PowerUpStepped(r.plan().id(), step), () -> lines.turn(r.plan(), step));
        }
      });
    }
  }

  /** Takes a reading that a person made. */
  public void read(Clip clip, double value) {
    model.made(() -> take(Map.of(clip, value), ""));
  }

  /** Writes readings down and does at once what the bands ask for. */
  void take(Map<Clip, Double> read, String instrument) {
    run.get()
        .filter(_ -> on())
        .ifPresent(r -> {
          List<PoweringUp> events = new ArrayList<>();
          read.forEach(
              (c, v) -> events.add(new PoweringUp.PowerUpRead(r.plan().id(), c, v, instrument)));
          events.forEach(e -> model.inTurn(() -> model.act(e, this::follow)));
          read.forEach(this::charged);
        });
  }

  /** A rail that stands higher than it was said to holds more when it is switched off. */
  private void charged(Clip clip, double value) {
    model.job().items(Rail.class).stream()
        .filter(x ->
            clip.shows() == PowerUpPlan.Shows.DIRECT && x.name().equalsIgnoreCase(clip.point()))
        .filter(x -> Math.abs(value) > x.volts())
        .findFirst()
        .ifPresent(x -> model.happened(new Edit.VoltsMeasured(x.id(), value)));
  }

  private void follow() {
    judgement()
        .filter(j -> j.counsel() == PowerUpCounsel.STOP)
        .ifPresent(_ -> stop(PoweringUp.StopCause.METER_OFF, ""));
  }

  /**
   * Off, at once; then it is written down why. That the set is off is written down as well where a
   * person stops it, who sees it, and where the transformer tells that it is; a rule that stops a
   * set whose transformer is turned by hand leaves it under power until somebody has looked.
   */
  public void stop(PoweringUp.StopCause cause, String note) {
    model.stopped();
    boolean was = on() || beginning;
    boolean told = lines.turnOff();
    if (!was || stopping) {
      lines.makeSure(() -> {});
      return;
    }
    stopping = true;
    if (unseen.get().isEmpty()) {
      unseen.set(Optional.of(told ? Unseen.NOT_ANSWERED : Unseen.BY_HAND));
    }
    if (cause != PoweringUp.StopCause.PERSON) {
      alarm.run();
    }
    boolean seen = cause == PoweringUp.StopCause.PERSON || cause.sign();
    model.urgently(() -> {
      beginning = false;
      List<Edit> happened = new ArrayList<>();
      run.get()
          .filter(_ -> on())
          .ifPresent(r -> happened.add(new PoweringUp.PowerUpStopped(r.plan().id(), cause, note)));
      happened.addAll(seen ? model.off() : List.of());
      model.record(happened);
    });
    lines.makeSure(() -> {
      if (unseen.get().equals(Optional.of(Unseen.NOT_ANSWERED))) {
        seenOff();
      }
    });
  }

  /**
   * What a meter out of its band most likely means, by the model of Trace with the set as it stood
   * at that step.
   */
  private void explain() {
    PowerUpRun r = run.get().orElseThrow();
    Optional<Basis> b = basis.get();
    if (r.stopped().filter(c -> c == PoweringUp.StopCause.METER_OFF).isEmpty()
        || b.isEmpty()
        || !b.get().bare().described()
        || r.plan().kind() == PowerUpKind.STATIC_DRAIN) {
      return;
    }
    Map<Clip, Double> read = new LinkedHashMap<>();
    r.seen().forEach((c, s) -> read.put(c, s.value()));
    causing.start((watcher, show) -> {
      try {
        List<Diagnosis.Explanation> found =
            StopCause.of(
                PowerUpPlanner.at(r.plan(), r.step(), b.get().bare()),
                read,
                b.get().bare().spread(),
                b.get().bare().odds(),
                watcher);
        show.accept(() -> causes.set(List.copyOf(found)));
      } catch (BadCircuitException | NoSolutionException e) {
        show.accept(() -> model.tell(Labels.of("firstpower.no-cause", e.getMessage()), true));
      }
    });
  }

  /** Goes on with what time brings; called again and again by the window. */
  public void poll() {
    lines.poll();
  }
}
