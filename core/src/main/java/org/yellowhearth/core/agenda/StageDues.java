package org.yellowhearth.core.agenda;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.finaltest.BurnWatch;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Hearth;

/**
 * What the stages of a job ask for, and the tasks that people wrote, at one moment. Nothing of it
 * is kept: it follows from the job and the clock, so that a program that slept or was killed finds
 * the same. What a reforming step takes is worked out once for each plan; one call at a time.
 */
public final class StageDues {
  private static final Duration A_LOOK = Duration.ofMinutes(10);
  private static final Duration A_CALL = Duration.ofMinutes(15);
  private static final int REFORM_KEY = 50;
  private static final int MOST_NAMED = 6;

  private final Knowledge knowledge;
  private final Map<ReformPlan, List<Double>> steps = new HashMap<>();

  /** Dues by this knowledge. */
  public StageDues(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /**
   * Everything to be done about a set, in no order.
   *
   * @param clocks for plans whose run goes by another clock than the wall's, the moment it shows
   */
  public List<Due> of(Job job, ZonedDateTime now, Map<ReformPlan, Instant> clocks) {
    List<Due> all = new ArrayList<>();
    reform(job, now, clocks, all);
    burn(job, now.toInstant(), all);
    holds(job, now.toInstant(), all);
    charge(job, now.toInstant(), all);
    owner(job, all);
    parts(job, all);
    own(job, now, all);
    return all.stream().map(d -> marked(job, d)).toList();
  }

  /**
   * Whether a job that nobody touches any more still has something to be done about it, now or
   * later.
   */
  public boolean maySay(Job job, ZonedDateTime now) {
    return of(job, now, Map.of()).stream().anyMatch(d -> !d.done())
        || job.items(ReformPlan.class).stream()
            .anyMatch(p ->
                Ending.of(ReformRun.of(p, job.events()), job, Optional.empty(), now.toInstant())
                    .filter(e -> !e.chores().isEmpty())
                    .isPresent());
  }

  private static Due marked(Job job, Due due) {
    return job.item(AgendaMark.idOf(due.key()))
        .filter(AgendaMark.class::isInstance)
        .map(AgendaMark.class::cast)
        .map(m -> due.marked(m.until(), due.done() || m.done()))
        .orElse(due);
  }

  /**
   * The schedule of everything that is to be reformed, within the hours at the bench; empty where
   * nothing is.
   */
  private void reform(Job job, ZonedDateTime now, Map<ReformPlan, Instant> clocks, List<Due> all) {
    List<Schedule.Work> works = new ArrayList<>();
    for (ReformPlan plan : job.items(ReformPlan.class)) {
      ReformRun run = ReformRun.of(plan, job.events());
      Instant clock = clocks.getOrDefault(plan, now.toInstant());
      if (run.phase().open()) {
        double room = job.aspect(Bench.class).celsius().orElse(Judgement.USUAL_ROOM);
        List<Double> expected = expected(job, plan);
        if (!expected.isEmpty()) {
          works.add(
              Schedule.Work.of(run, expected, Optional.of(Judgement.of(run, clock, room)), clock));
        }
      } else {
        Ending.of(run, job, Optional.empty(), now.toInstant()).ifPresent(e -> ending(run, e, all));
      }
    }
    if (!works.isEmpty()) {
      Schedule.of(works, job.aspect(BenchHours.class), now, Ending.USUAL_REST)
          .dues()
          .forEach(d -> all.add(of(d)));
    }
  }

  private List<Double> expected(Job job, ReformPlan plan) {
    return job.capacitor(plan.part())
        .map(c ->
            steps.computeIfAbsent(
                plan,
                p ->
                    PlanFigures.expectedSeconds(
                        p, c.farads(), c.ratedVolts().orElse(p.targetVolts()))))
        .orElse(List.of());
  }

  private static void ending(ReformRun run, Ending ending, List<Due> all) {
    PartRef part = run.plan().part();
    if (ending.chores().contains(Ending.Chore.DISCHARGE)) {
      all.add(
          reform(
              part,
              "discharge",
              Message.of(AgendaWords.REFORM_CHARGED, part.toString()),
              run.charge().map(ReformRun.Charge::at)));
    }
    boolean measure =
        ending.chores().stream()
            .anyMatch(c -> c != Ending.Chore.DISCHARGE && c != Ending.Chore.REST);
    if (measure) {
      all.add(
          reform(
              part,
              "rested",
              Message.of(AgendaWords.REFORM_RESTED, part.toString()),
              ending.restedUntil()));
    }
  }

  /** One deed of a schedule. */
  public static Due of(Schedule.Due d) {
    boolean numbered = d.deed() == Schedule.Deed.NEXT_STEP || d.deed() == Schedule.Deed.GO_ON;
    Message what =
        numbered
            ? Message.of(
                AgendaWords.REFORM_STEP,
                d.part().toString(),
                d.deed().term(),
                Integer.toString(d.step() + 1))
            : Message.of(AgendaWords.REFORM_DEED, d.part().toString(), d.deed().term());
    return reform(d.part(), d.deed().code() + "-" + d.step(), what, Optional.of(d.at()));
  }

  private static Due reform(PartRef part, String deed, Message what, Optional<Instant> at) {
    String key = ("reform-" + part + "-" + deed).replaceAll("[^A-Za-z0-9-]", "-");
    return Due.of(
        key.substring(0, Math.min(REFORM_KEY, key.length())),
        DueSource.REFORM,
        what,
        at,
        A_LOOK,
        Optional.of(part));
  }

  private static void burn(Job job, Instant now, List<Due> all) {
    for (BurnIn burn : job.items(BurnIn.class)) {
      if (burn.end() != BurnIn.BurnEnd.UNDECIDED) {
        continue;
      }
      List<BurnWatch.Due> moments = BurnWatch.of(burn, job.items(BurnReading.class), now).due();
      for (int k = 0; k < moments.size(); k++) {
        if (!moments.get(k).over()) {
          Message what =
              k == moments.size() - 1
                  ? Message.of(AgendaWords.BURN_LAST)
                  : Message.of(
                      AgendaWords.BURN_READING,
                      Integer.toString(k + 1),
                      Integer.toString(moments.size()));
          all.add(
              Due.of(
                  "burn-" + burn.id() + "-" + k,
                  DueSource.BURN_IN,
                  what,
                  Optional.of(moments.get(k).at()),
                  A_LOOK,
                  Optional.empty()));
        }
      }
    }
  }

  private static void holds(Job job, Instant now, List<Due> all) {
    job.items(CalibrationHold.class).stream()
        .filter(h -> !h.settled())
        .forEach(h -> {
          boolean warm = h.until().isPresent();
          all.add(
              Due.of(
                  "hold-" + h.id(),
                  warm ? DueSource.WARM_UP : DueSource.WAITING,
                  Message.of(warm ? AgendaWords.WARM : AgendaWords.WAITED, h.what()),
                  h.until(),
                  A_LOOK,
                  Optional.empty()));
        });
    job.items(DryingHold.class).stream()
        .filter(h -> h.until().isAfter(now.minus(Duration.ofDays(1))))
        .forEach(h ->
            all.add(
                Due.of(
                    "dry-" + h.id(),
                    DueSource.DRYING,
                    Message.of(AgendaWords.DRY, h.text()),
                    Optional.of(h.until()),
                    A_LOOK,
                    Optional.empty())));
  }

  /** A set that was unplugged with a charge in it is not forgotten. */
  private void charge(Job job, Instant now, List<Due> all) {
    ChargeReading hearth = Hearth.of(job, knowledge).at(now);
    if (hearth.state() == ChargeState.BANKED) {
      boolean drains = hearth.touchSafeIn().isPresent();
      all.add(
          Due.of(
              "charge",
              DueSource.CHARGE,
              Message.of(drains ? AgendaWords.TOUCH_SAFE : AgendaWords.UNDRAINED),
              hearth.touchSafeIn().map(now::plus),
              A_LOOK,
              Optional.empty()));
    }
  }

  private static void owner(Job job, List<Due> all) {
    for (Phase phase : Phase.values()) {
      boolean asked = job.items(EstimateLine.class).stream().anyMatch(e -> e.phase() == phase);
      boolean agreed = job.items(Consent.class).stream().anyMatch(c -> c.phase() == phase);
      if (asked && !agreed) {
        all.add(call("consent-" + phase.code(), Message.of(AgendaWords.CONSENT, phase.term())));
      }
    }
    job.items(Wish.class).stream()
        .filter(w -> w.wanted() == Wish.Wanted.UNDECIDED)
        .forEach(w -> all.add(call("wish-" + w.id(), Message.of(AgendaWords.WISH, w.text()))));
  }

  /** What was chosen from the catalogue and is not in yet has to come from somewhere. */
  private static void parts(Job job, List<Due> all) {
    List<String> awaited =
        job.items(Choice.class).stream()
            .filter(c -> c.all().stream().anyMatch(t -> t.whence() == Choice.Whence.CATALOGUE))
            .filter(c -> job.of(c.part(), Fitting.class).stream().noneMatch(Fitting::fitted))
            .map(c -> c.part().toString())
            .toList();
    if (!awaited.isEmpty()) {
      String named =
          String.join(", ", awaited.stream().limit(MOST_NAMED).toList())
              + (awaited.size() > MOST_NAMED ? " …" : "");
      all.add(
          Due.of(
              "parts",
              DueSource.PARTS,
              Message.of(AgendaWords.PARTS, Integer.toString(awaited.size()), named),
              Optional.empty(),
              A_CALL,
              Optional.empty()));
    }
  }

  private static Due call(String key, Message what) {
    return Due.of(key, DueSource.OWNER, what, Optional.empty(), A_CALL, Optional.empty());
  }

  private static void own(Job job, ZonedDateTime now, List<Due> all) {
    job.items(OwnTask.class)
        .forEach(t ->
            all.add(
                new Due(
                    "task-" + t.id(),
                    switch (t.kind()) {
                      case CALL -> DueSource.OWNER;
                      case PARTS -> DueSource.PARTS;
                      case TASK -> DueSource.TASK;
                    },
                    Message.of(AgendaWords.OWN, t.what()),
                    t.moment(now.getZone()),
                    t.wholeDay(),
                    A_CALL,
                    Optional.empty(),
                    Optional.of(t),
                    false,
                    t.done())));
  }
}
