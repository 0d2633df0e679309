package org.yellowhearth.workshop;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ReformPlan.ReformSchool;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.InSet;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.reform.Planner;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * The plans of the lanes: made by a school, with what they mean in figures, and what the set's own
 * supply would do.
 */
public final class ReformPlans {
  private final DeskModel model;
  private final ReformModel reform;
  private final Value<Optional<Sums>> figures = new Value<>(Optional.empty());
  private final Value<Optional<Turned>> inSet = new Value<>(Optional.empty());
  private Optional<ReformPlan> asked = Optional.empty();
  private Optional<Question> turning = Optional.empty();

  /** A plan and what it means. */
  public record Sums(ReformPlan plan, PlanFigures figures) {}

  /**
   * What turning up the variable transformer does to a part in its set.
   *
   * @param behindValve whether a valve rectifies
   * @param set empty where the job's supply does not hold the part or cannot be worked out
   */
  public record Turned(PartRef part, boolean behindValve, Optional<InSet> set) {}

  private record Question(Job job, PartRef part) {}

  ReformPlans(DeskModel model, ReformModel reform) {
    this.model = model;
    this.reform = reform;
  }

  /** The figures of the chosen part's plan, once worked out. */
  public Watched<Optional<Sums>> figuresProperty() {
    return figures.watched();
  }

  /** What the set does to the chosen part, once worked out. */
  public Watched<Optional<Turned>> inSetProperty() {
    return inSet.watched();
  }

  void forget() {
    asked = Optional.empty();
    turning = Optional.empty();
    figures.set(Optional.empty());
    inSet.set(Optional.empty());
  }

  static boolean formed(CapacitorKind kind) {
    return kind.family() == Family.ELECTROLYTIC || kind.family() == Family.TANTALUM;
  }

  /** What is said of how a part could be replaced. */
  public Optional<Replaceable> replaceable(PartRef ref) {
    return model.job().of(ref, Replaceable.class).stream().findFirst();
  }

  /** Says how a part could be replaced. */
  public void say(PartRef ref, boolean rare, OptionalDouble price) {
    model.made(() -> model.put(new Replaceable(Replaceable.idOf(ref), ref, rare, price)));
  }

  /**
   * Plans a capacitor.
   *
   * @param target what it shall stand; its rating where nothing is said
   * @param can its can; a usual one where nobody measured it
   */
  public boolean plan(
      PartRef ref, ReformSchool school, OptionalDouble target, Optional<Planner.Can> can) {
    return model.made(() -> {
      Capacitor c =
          model
              .job()
              .capacitor(ref)
              .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-part")));
      double rated =
          c.ratedVolts()
              .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-rating", ref)));
      reform
          .lane(ref)
          .map(Lane::worth)
          .filter(w -> w.answer() == Worth.Answer.NEVER)
          .ifPresent(w -> {
            throw new IllegalArgumentException(
                Labels.of("reform.never", ref, model.words().say(w.reasons().getFirst())));
          });
      if (reform.lane(ref).map(ReformModel::running).orElse(false)) {
        throw new IllegalArgumentException(Labels.of("reform.running", ref));
      }
      CapacitorKind kind = model.knowledge().kind(c.kind());
      if (formed(kind)
          && (kind.family() == Family.TANTALUM) != (school == ReformSchool.TANTALUM_SOAK)) {
        throw new IllegalArgumentException(Labels.of("reform.wrong-school", ref));
      }
      Planner.Request request =
          new Planner.Request(
              ref,
              c.farads(),
              rated,
              target.orElse(rated),
              limit(c, kind, rated),
              can.orElse(Planner.Can.usual(c.farads(), rated)),
              school);
      if (school == ReformSchool.IN_SET) {
        planInSet(request);
      } else {
        model.put(Planner.plan(request));
      }
    });
  }

  /** The leakage allowed at the rating, by the job's limits. */
  private double limit(Capacitor c, CapacitorKind kind, double rated) {
    return new OwnLimits(model.job())
        .of(kind, model.job().policy().limits().limits())
        .flatMap(l -> l.leakage())
        .map(rule -> rule.amperes(c.farads(), rated))
        .filter(OptionalDouble::isPresent)
        .map(OptionalDouble::getAsDouble)
        .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-limit", c.ref())));
  }

  private void planInSet(Planner.Request request) {
    Job job = model.job();
    model
        .background()
        .aside(
            () -> turned(job, request.part(), request.limitAmperes()),
            t ->
                model.made(() -> {
                  InSet set =
                      t.set.orElseThrow(() ->
                          new IllegalArgumentException(
                              Labels.of("reform.in-set-unknown", request.part())));
                  model.put(Planner.inSet(request, set));
                }));
  }

  private Turned turned(Job job, PartRef ref, double leak) {
    SupplyModel supply =
        model.judge().of(job, model.now().toLocalDate()).supply(SupplyModel.View.AS_DRAWN);
    return new Turned(
        ref,
        supply.supply().map(InSet::behindValve).orElse(false),
        supply.supply().flatMap(s -> InSet.of(s, ref.toString(), leak)));
  }

  /**
   * Works out what the plan of a part means and what the set would do to it, where that is not
   * known or asked already.
   */
  public void workOut(PartRef ref) {
    Question question = new Question(model.job(), ref);
    if (!turning.equals(Optional.of(question))) {
      turning = Optional.of(question);
      reform
          .lane(ref)
          .map(Lane::part)
          .filter(c -> c.ratedVolts().isPresent())
          .ifPresent(c ->
              model.made(() -> {
                double leak =
                    limit(c, model.knowledge().kind(c.kind()), c.ratedVolts().getAsDouble());
                model
                    .background()
                    .aside(
                        () -> turned(question.job, ref, leak),
                        t -> {
                          if (turning.equals(Optional.of(question))) {
                            inSet.set(Optional.of(t));
                          }
                        });
              }));
    }
    reform
        .lane(ref)
        .filter(l -> l.run().isPresent())
        .ifPresent(l -> {
          ReformPlan plan = l.run().map(ReformRun::plan).orElseThrow();
          if (asked.equals(Optional.of(plan))) {
            return;
          }
          asked = Optional.of(plan);
          model
              .background()
              .aside(
                  () -> figures(plan, l.part()),
                  done -> {
                    if (asked.equals(Optional.of(plan))) {
                      figures.set(Optional.of(new Sums(plan, done)));
                    }
                  });
        });
  }

  static PlanFigures figures(ReformPlan plan, Capacitor part) {
    return PlanFigures.of(plan, part.farads(), part.ratedVolts().orElse(plan.targetVolts()));
  }
}
