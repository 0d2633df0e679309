package org.yellowhearth.storage.practice;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Ailment;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Examiner;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.Goal;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.TrueSupply;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.stock.StockCsv;

/** A scripted hand at the practice bench. */
final class GoodHand {
  static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  static final Judge JUDGE = new Judge(KNOWLEDGE);
  static final ZonedDateTime NOW = Instant.parse("2026-05-05T12:00:00Z").atZone(ZoneOffset.UTC);
  static final List<StockPart> STOCK = StockCsv.shipped(KNOWLEDGE.kinds().keySet());
  static final Examiner EXAMINER = new Examiner(KNOWLEDGE, JUDGE, STOCK);

  final Exercise exercise;
  private final Random random = new Random(3);
  private Job job;

  GoodHand(Exercise exercise) {
    this.exercise = exercise;
    job = exercise.job(NOW);
  }

  /** One that goes on with a job. */
  GoodHand(Exercise exercise, Job job) {
    this.exercise = exercise;
    this.job = job;
  }

  Job job() {
    return job;
  }

  GoodHand did(Edit edit) {
    job =
        job.after(
            new Entry(
                job.journal().size(), NOW.plusMinutes(job.journal().size()), new Act.Did(edit)));
    return this;
  }

  GoodHand put(Item item) {
    return did(new Edit.ItemChanged(job.item(item.id()), Optional.of(item)));
  }

  GoodHand measure(PartRef ref, Measuring how) {
    Part part = job.part(ref).orElseThrow();
    Optional<Figures> shown = how.read(part, exercise.now(job, ref), random);
    shown.ifPresent(f ->
        did(
            new Edit.ReadingKept(
                new Reading(
                    "r" + job.journal().size(),
                    ref,
                    NOW.plusMinutes(job.journal().size()).toInstant(),
                    f,
                    how.conditions(part),
                    ""))));
    return this;
  }

  /** Puts what nobody has listed into the census. */
  GoodHand listed() {
    exercise.parts().stream()
        .filter(p -> job.part(p.ref()).isEmpty())
        .forEach(p -> did(new Edit.PartAdded(p)));
    return this;
  }

  /**
   * Looks at everything; measures what nobody has, with leakage at voltage of what dries, leaks or
   * thins, unless it is plainly shorted.
   */
  GoodHand measured() {
    listed();
    for (Part p : exercise.parts()) {
      exercise
          .truth(p.ref())
          .ailment()
          .shows()
          .ifPresent(s -> put(VisualInspection.of(p.ref(), s, "")));
      if (job.readingsOf(p.ref()).isEmpty()) {
        measure(p.ref(), Measuring.LCR)
            .measure(p.ref(), Measuring.OHMS)
            .measure(p.ref(), Measuring.TESTER);
        boolean shorted = job.readingsOf(p.ref()).getFirst().figures().has(Figure.CALLED_RESISTOR);
        String kind = p instanceof Capacitor c ? c.kind() : "";
        if (!shorted
            && (kind.startsWith("paper")
                || kind.startsWith("electrolytic")
                || kind.startsWith("tantalum"))) {
          measure(p.ref(), Measuring.LEAKAGE);
        }
      }
    }
    return this;
  }

  /** Does what is asked beside verdicts. */
  GoodHand asked() {
    for (Goal g : exercise.theme().goals()) {
      switch (g) {
        case SET_RIGHT ->
            did(
                new Edit.AspectChanged(
                    job.aspect(MainsEntry.class),
                    MainsEntry.BLANK.with(e -> e.settingVolts = OptionalDouble.of(230))));
        case LISTED -> {
          // It was listed before it was measured.
        }
        case EMPTIED ->
            did(new Edit.ClipPut("practice-ht", 10_000)).did(new Edit.ClipTaken("practice-ht"));
        case FORMED ->
            exercise
                .faults()
                .forEach(t -> {
                  if (t.ailment() == Ailment.UNFORMED) {
                    formed(t.part()).measure(t.part(), Measuring.LEAKAGE);
                  } else {
                    put(
                        new Overrule(
                            "o-" + t.part(), t.part(), Verdict.REPLACE, "its leakage stays"));
                  }
                });
        case CHOSEN ->
            verdicts().stream()
                .filter(a -> a.verdict() == Verdict.REPLACE)
                .forEach(a -> choose((Capacitor) a.part()));
        case WOKEN -> {
          refit();
          ramp(plan(), Integer.MAX_VALUE);
        }
        case CHARTED -> job.items(SupplyTarget.class).forEach(t -> read(t.point()));
      }
    }
    return this;
  }

  List<Assessment> verdicts() {
    return JUDGE.of(job, NOW.toLocalDate()).assessments();
  }

  private GoodHand formed(PartRef ref) {
    put(
        new ReformPlan(
            "p-" + ref,
            ref,
            ReformPlan.ReformSchool.GENTLE,
            400,
            1e-3,
            List.of(new ReformPlan.Step(400, 10_000, 5e-3, 1e-3, 60, 3600)),
            new ReformPlan.Bounds(6e-3, 2, 10)));
    return did(new Reforming.ReformBegun("p-" + ref, 0, OptionalDouble.empty()))
        .did(new Reforming.ReformFinished("p-" + ref));
  }

  /** The first that Renew proposes. */
  GoodHand choose(Capacitor part) {
    Substitutes s =
        Substitutes.of(
            new Substitutes.Question(
                job,
                part,
                Demand.typed(job, part, KNOWLEDGE),
                Optional.empty(),
                STOCK,
                Stock.Uses.NONE,
                KNOWLEDGE,
                NOW.getYear()));
    return put(s.best().getFirst().choice(part.ref(), s.worstVolts()));
  }

  /** Takes out what somebody fitted the wrong way round, and fits it again. */
  GoodHand refit() {
    job.items(Fitting.class)
        .forEach(f ->
            put(f.with(d -> {
              d.checked = false;
              d.fitted = false;
            }))
                .put(
                    f.with(d -> {
                      d.fitted = true;
                      d.checked = true;
                    })));
    return this;
  }

  PowerUpPlanner.Bare bare() {
    return PowerUpPlanner.bare(new Judge(KNOWLEDGE).of(job, NOW.toLocalDate()), KNOWLEDGE)
        .orElseThrow();
  }

  /** A plan behind a lamp. */
  PowerUpPlan plan() {
    return PowerUpPlanner.of(
            "r" + job.journal().size(),
            bare(),
            new PowerUpPlanner.Wanted(
                PowerUpPlan.PowerUpKind.WHOLE,
                List.of(),
                true,
                OptionalDouble.of(100),
                PowerUpPlanner.usualClips(bare(), true),
                OptionalDouble.empty()),
            8,
            Watcher.NOBODY)
        .plan();
  }

  /** Goes up a plan to a step, or all the way. */
  GoodHand ramp(PowerUpPlan plan, int last) {
    put(plan);
    did(new Edit.PowerSwitched(Edit.Power.LIT)).did(new PoweringUp.PowerUpBegun(plan.id()));
    for (int k = 1; k < plan.steps().size() && k <= last; k++) {
      did(new PoweringUp.PowerUpStepped(plan.id(), k));
    }
    return last < plan.steps().size()
        ? did(new PoweringUp.PowerUpStopped(plan.id(), PoweringUp.StopCause.METER_OFF, ""))
            .did(new Edit.PowerSwitched(Edit.Power.OFF))
        : did(new PoweringUp.PowerUpFinished(plan.id()));
  }

  /** Reads a rail of the true set at full mains. */
  double read(String point) {
    double volts =
        Settled.of(TrueSupply.of(exercise, job, KNOWLEDGE).orElseThrow())
            .waves()
            .voltage(point)
            .mean();
    put(
        new SupplyReading(
            "v" + job.journal().size(),
            NOW.plusMinutes(job.journal().size()).toInstant(),
            point,
            SupplyReading.Kind.DIRECT,
            volts,
            OptionalDouble.of(230),
            OptionalDouble.of(10e6),
            OptionalDouble.empty(),
            SupplyReading.State.UNSTATED,
            OptionalDouble.empty(),
            "",
            "",
            List.of(),
            OptionalDouble.empty()));
    return volts;
  }

  Debrief debrief() {
    return EXAMINER.debrief(
        exercise, job, NOW.plusMinutes(job.journal().size()), Optional.empty(), 0);
  }
}
