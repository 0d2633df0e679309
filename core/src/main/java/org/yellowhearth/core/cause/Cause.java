package org.yellowhearth.core.cause;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.FaultTrail.Outcome;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;

/**
 * How sure it is that what was suspected was the cause: from what the journal says was changed
 * between suspicion and outcome.
 *
 * <p>Common practice: change one thing at a time, for of two changes nobody knows which one helped;
 * a fault that goes away on its own was not found; and a cause is sure once the old part brings the
 * fault back, or a reading shows it bad.
 *
 * @param changes what was changed in between, in its order
 * @param relapses the trails that say it did not last
 * @param undone the trail whose cure this one says did not last
 */
public record Cause(
    FaultTrail trail,
    Standing standing,
    List<Change> changes,
    Message why,
    List<FaultTrail> relapses,
    Optional<FaultTrail> undone) {
  /** How sure it is. */
  public enum Standing implements Coded {
    /** Nothing was tried, or nobody said what came of it. */
    OPEN,
    /** It was the cause. */
    CONFIRMED,
    /** One thing was changed and it helped. */
    LIKELY,
    /** Several things were changed at once. */
    CONFOUNDED,
    /** It helped though nothing was changed. */
    UNEXPLAINED,
    /** It was changed and did not help. */
    REFUTED,
    /** It helped for a while only. */
    RELAPSED
  }

  /**
   * One thing that was changed on the set.
   *
   * @param entry its number in the journal
   * @param part the part it was done to
   */
  public record Change(int entry, Instant at, Optional<PartRef> part, Message what) {}

  /** Every trail of a job, the first one first. */
  public static List<Cause> of(Job job, List<Assessment> assessments) {
    List<FaultTrail> trails = job.items(FaultTrail.class);
    return trails.stream().map(t -> of(t, trails, job, assessments)).toList();
  }

  private static Cause of(
      FaultTrail trail, List<FaultTrail> trails, Job job, List<Assessment> assessments) {
    List<Change> changes = changes(job, trail.from(), trail.until().orElse(Instant.MAX));
    List<FaultTrail> relapses = trails.stream().filter(t -> t.undoes().equals(trail.id())).toList();
    Optional<FaultTrail> undone =
        trails.stream().filter(t -> t.id().equals(trail.undoes())).findFirst();
    Judged j = judged(trail, changes, relapses, assessments);
    return new Cause(trail, j.standing, changes, j.why, relapses, undone);
  }

  private record Judged(Standing standing, Message why) {}

  private static Judged judged(
      FaultTrail trail,
      List<Change> changes,
      List<FaultTrail> relapses,
      List<Assessment> assessments) {
    if (trail.outcome() == Outcome.UNDECIDED) {
      return new Judged(
          Standing.OPEN, Message.of(CauseWords.WHY_OPEN, Integer.toString(changes.size())));
    }
    if (trail.outcome() == Outcome.UNCHANGED || trail.outcome() == Outcome.WORSE) {
      return new Judged(
          changes.isEmpty() ? Standing.OPEN : Standing.REFUTED,
          changes.isEmpty()
              ? Message.of(CauseWords.WHY_OPEN, "0")
              : Message.of(CauseWords.WHY_REFUTED, Integer.toString(changes.size())));
    }
    if (!relapses.isEmpty()) {
      return new Judged(
          Standing.RELAPSED, Message.of(CauseWords.WHY_RELAPSED, relapses.getFirst().symptom()));
    }
    if (changes.isEmpty()) {
      return new Judged(Standing.UNEXPLAINED, Message.of(CauseWords.WHY_NOTHING_CHANGED));
    }
    long things =
        changes.stream()
            .map(c -> c.part().map(PartRef::toString).orElse("entry " + c.entry()))
            .distinct()
            .count();
    if (trail.swappedBack() && things == 1) {
      return new Judged(Standing.CONFIRMED, Message.of(CauseWords.WHY_CONFIRMED_BACK));
    }
    if (things > 1) {
      return new Judged(
          Standing.CONFOUNDED, Message.of(CauseWords.WHY_CONFOUNDED, Long.toString(things)));
    }
    Optional<PartRef> changed = changes.getFirst().part();
    if (trail.part().isPresent() && changed.isPresent() && !trail.part().equals(changed)) {
      return new Judged(
          Standing.LIKELY,
          Message.of(
              CauseWords.WHY_OTHER_PART, changed.get().toString(), trail.part().get().toString()));
    }
    boolean readBad =
        changed.isPresent()
            && assessments.stream()
                .anyMatch(
                    a -> a.part().ref().equals(changed.get()) && a.measured() && a.foundBad());
    return readBad
        ? new Judged(
            Standing.CONFIRMED,
            Message.of(CauseWords.WHY_CONFIRMED_READING, changed.get().toString()))
        : new Judged(Standing.LIKELY, Message.of(CauseWords.WHY_LIKELY));
  }

  /**
   * What was changed on the set between two moments and still counts; of one thing done in several
   * entries the last.
   */
  static List<Change> changes(Job job, Instant from, Instant until) {
    Map<String, Change> all = new LinkedHashMap<>();
    for (Entry e : job.journal()) {
      Instant at = e.at().toInstant();
      if (!at.isBefore(from)
          && !at.isAfter(until)
          && e.act() instanceof Act.Did(Edit edit)
          && job.counts(e.number())) {
        for (Edit one : edit instanceof Edit.Together t ? t.edits() : List.of(edit)) {
          changed(one, job)
              .ifPresent(c ->
                  all.merge(
                      c.key, new Change(e.number(), at, c.part, c.what), (_, later) -> later));
        }
      }
    }
    return new ArrayList<>(all.values());
  }

  private record Changed(String key, Optional<PartRef> part, Message what) {}

  private static Optional<Changed> changed(Edit edit, Job job) {
    return switch (edit) {
      case Edit.ItemChanged i when i.after().isPresent() -> changed(i.before(), i.after().get());
      case Reforming.ReformFinished f ->
          job.items(ReformPlan.class).stream()
              .filter(p -> p.id().equals(f.plan()))
              .findFirst()
              .map(p ->
                  new Changed(
                      "formed " + p.part(),
                      Optional.of(p.part()),
                      Message.of(CauseWords.FORMED, p.part().toString())));
      default -> Optional.empty();
    };
  }

  private static Optional<Changed> changed(Optional<Item> before, Item after) {
    return switch (after) {
      case Fitting f -> {
        Optional<Fitting> was = before.map(Fitting.class::cast);
        boolean fitted = f.fitted() && !was.map(Fitting::fitted).orElse(false);
        boolean out = f.removed() && !was.map(Fitting::removed).orElse(false);
        yield fitted || out
            ? Optional.of(
                new Changed(
                    "part " + f.part(),
                    Optional.of(f.part()),
                    Message.of(
                        fitted ? CauseWords.FITTED : CauseWords.TAKEN_OUT, f.part().toString())))
            : Optional.empty();
      }
      case BenchTask t when t.done() && !before.map(b -> ((BenchTask) b).done()).orElse(false) ->
          Optional.of(
              new Changed(
                  "task " + t.id(), Optional.empty(), Message.of(CauseWords.DONE, t.what())));
      case RectifierSwap s
          when s.swapped() && !before.map(b -> ((RectifierSwap) b).swapped()).orElse(false) ->
          Optional.of(
              new Changed(
                  "swap " + s.id(),
                  Optional.empty(),
                  Message.of(CauseWords.SWAPPED, s.rectifier())));
      case Adjustment a
          when a.turns().size() > before.map(b -> ((Adjustment) b).turns().size()).orElse(0)
              && turned(a, before.map(b -> ((Adjustment) b).turns().size()).orElse(0)) ->
          Optional.of(
              new Changed(
                  "turn " + a.id(), Optional.empty(), Message.of(CauseWords.TURNED, a.point())));
      default -> Optional.empty();
    };
  }

  /** Whether one of the new lines of an adjustment is more than a look. */
  private static boolean turned(Adjustment a, int from) {
    return a.turns().subList(from, a.turns().size()).stream()
        .anyMatch(t -> t.before() != t.after() || t.count().orElse(0) != 0);
  }
}
