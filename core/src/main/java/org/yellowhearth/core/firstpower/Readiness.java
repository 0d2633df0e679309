package org.yellowhearth.core.firstpower;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;

/**
 * What must be so before a set gets its first power under a plan: what Safety and Renew say, and
 * what a person looks at immediately before. What a person looked at counts for one run only.
 */
public final class Readiness {
  /** Checks that no written reason passes begin so. */
  private static final List<String> ABSOLUTE = List.of("wake-checks", "wake-reversed");

  private static final int NAMED = 6;

  /** What is charged now says nothing of the next time. */
  private static final String EMPTY = "wake-empty";

  private static final int LONGEST_CODE = 64;

  private final Job job;
  private final Instant fresh;
  private final List<Check> checks = new ArrayList<>();

  private Readiness(Job job) {
    this.job = job;
    fresh =
        job.events().stream()
            .filter(h -> h.event() instanceof Edit.PowerSwitched)
            .map(Job.Happening::at)
            .reduce(Instant.MIN, (_, last) -> last);
  }

  /**
   * The list for a plan.
   *
   * @param hearth what the set holds
   */
  public static List<Check> of(
      Job job, PowerUpPlan plan, List<Assessment> assessments, ChargeState hearth, Instant now) {
    Readiness r = new Readiness(job);
    int open = Checks.blocking(job, now).size();
    r.told(
        "wake-checks", open == 0, Message.of(FirstPowerWords.READY_CHECKS, Integer.toString(open)));
    r.renewed(assessments);
    r.bench();
    r.told(EMPTY, hearth == ChargeState.COLD, Message.of(FirstPowerWords.READY_EMPTY));
    r.looked(plan);
    return List.copyOf(r.checks);
  }

  /** Whether a written reason may pass a check that stands open. */
  public static boolean mayPass(Check check) {
    return mayPass(check.code());
  }

  private void renewed(List<Assessment> assessments) {
    List<String> unfinished =
        job.items(Choice.class).stream()
            .map(Choice::part)
            .filter(ref -> job.of(ref, Fitting.class).stream().noneMatch(Fitting::checked))
            .map(PartRef::toString)
            .sorted()
            .toList();
    told(
        unfinished.isEmpty() ? "wake-sheet" : code("wake-sheet", unfinished),
        unfinished.isEmpty(),
        unfinished.isEmpty()
            ? Message.of(FirstPowerWords.READY_SHEET_DONE)
            : Message.of(FirstPowerWords.READY_SHEET, named(unfinished)));
    List<String> reversed =
        job.items(Fitting.class).stream()
            .filter(f -> f.sign() == Fitting.MeterSign.REVERSED)
            .map(f -> f.part().toString())
            .toList();
    if (!reversed.isEmpty()) {
      told("wake-reversed", false, Message.of(FirstPowerWords.READY_REVERSED, named(reversed)));
    }
    List<String> owed =
        SignOff.of(job).owed().stream()
            .filter(SignOff.Owed::blocks)
            .map(SignOff.Owed::about)
            .filter(a -> !reversed.contains(a))
            .toList();
    if (!owed.isEmpty()) {
      told(code("wake-owed", owed), false, Message.of(FirstPowerWords.READY_OWED, named(owed)));
    }
    Set<String> handled =
        job.items(Fitting.class).stream()
            .filter(f -> f.removed() || f.fitted())
            .map(f -> f.part().toString())
            .collect(Collectors.toSet());
    job.items(BenchTask.class).stream()
        .filter(BenchTask::done)
        .forEach(t -> handled.add(t.where()));
    List<String> condemned =
        assessments.stream()
            .filter(a -> a.verdict() == Verdict.REPLACE && a.foundBad())
            .map(a -> a.part().ref().toString())
            .filter(ref -> !handled.contains(ref) && !unfinished.contains(ref))
            .sorted()
            .toList();
    if (!condemned.isEmpty()) {
      told(
          code("wake-condemned", condemned),
          false,
          Message.of(FirstPowerWords.READY_CONDEMNED, named(condemned)));
    }
  }

  private static String named(List<String> all) {
    return String.join(", ", all.subList(0, Math.min(NAMED, all.size())))
        + (all.size() > NAMED ? " …" : "");
  }

  private void bench() {
    if (job.plate().chassis() == SetPlate.Chassis.LIVE
        || job.plate().chassis() == SetPlate.Chassis.PRIMARY_SIDE) {
      told(
          "wake-isolated",
          job.aspect(Bench.class).isolated(),
          Message.of(FirstPowerWords.READY_ISOLATED));
    }
  }

  /** What is looked at for this run. */
  private void looked(PowerUpPlan plan) {
    String where =
        plan.clips().stream()
            .filter(c -> !c.equals(PowerUpPlan.Clip.TAKEN))
            .map(PowerUpPlan.Clip::point)
            .distinct()
            .collect(Collectors.joining(", "));
    if (!where.isEmpty()) {
      look("wake-meters", Message.of(FirstPowerWords.READY_METERS, where));
    }
    look(
        "wake-lamp",
        plan.lampWatts().isPresent()
            ? Message.of(FirstPowerWords.READY_LAMP, Quantity.watts(plan.lampWatts().getAsDouble()))
            : Message.of(FirstPowerWords.READY_NO_LAMP));
    if (!plan.valves()) {
      look("wake-valves", Message.of(FirstPowerWords.READY_VALVES_OUT));
    }
    if (!plan.fed().isEmpty()) {
      look("wake-fed", Message.of(FirstPowerWords.READY_FED, String.join(", ", plan.fed())));
    }
    if (plan.kind() == PowerUpKind.STATIC_DRAIN) {
      look("wake-switch", Message.of(FirstPowerWords.READY_SWITCHED_OFF));
    }
    look("wake-hands", Message.of(FirstPowerWords.READY_HANDS));
  }

  /** The program itself can tell; a reason written against it passes it. */
  private void told(String code, boolean good, Message words) {
    Optional<CheckResult> reason =
        result(code)
            .filter(_ -> !good && mayPass(code))
            .filter(x -> !code.equals(EMPTY) || x.at().isAfter(fresh));
    checks.add(
        new Check(code, words, Optional.empty(), Optional.empty(), Optional.of(good), reason));
  }

  private static boolean mayPass(String code) {
    return ABSOLUTE.stream().noneMatch(code::startsWith);
  }

  /** A reason written for some parts is none for others. */
  private static String code(String what, List<String> about) {
    String all = what + "-" + String.join("-", about).replaceAll("[^A-Za-z0-9-]", "");
    return all.length() <= LONGEST_CODE ? all : what + "-" + Integer.toHexString(about.hashCode());
  }

  private void look(String code, Message words) {
    checks.add(
        new Check(
            code,
            words,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            result(code).filter(r -> r.at().isAfter(fresh))));
  }

  private Optional<CheckResult> result(String code) {
    return job.items(CheckResult.class).stream()
        .filter(r -> r.check().equals(code))
        .reduce((_, last) -> last);
  }
}
