package org.yellowhearth.core.practice;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;

/** The journal that a set comes to the practice bench with. */
final class Beginning {
  private final Exercise exercise;
  private final ZonedDateTime now;
  private final List<Entry> journal = new ArrayList<>();

  private Beginning(Exercise exercise, ZonedDateTime now) {
    this.exercise = exercise;
    this.now = now;
  }

  static Job of(Exercise exercise, ZonedDateTime now) {
    Beginning b = new Beginning(exercise, now);
    b.did(new Edit.Arrived(exercise.plate(), Exercise.POLICY));
    if (exercise.theme().printed().isEmpty()) {
      exercise.parts().forEach(p -> b.did(new Edit.PartAdded(p)));
    }
    for (Aspect a : exercise.aspects()) {
      b.did(new Edit.AspectChanged(Job.of(b.journal).aspect(a.getClass()), a));
    }
    for (Item i : exercise.items()) {
      b.did(new Edit.ItemChanged(Optional.empty(), Optional.of(i)));
    }
    if (exercise.theme().measured()) {
      b.measured();
    }
    if (exercise.theme().goals().contains(Goal.WOKEN)
        || exercise.theme().goals().contains(Goal.CHARTED)) {
      b.checked();
    }
    return Job.of(b.journal);
  }

  private void did(Edit edit) {
    journal.add(new Entry(journal.size(), now, new Act.Did(edit)));
  }

  /**
   * Somebody measured every capacitor that is still the old one; resistors and valves too where the
   * set waits for its first power.
   */
  private void measured() {
    Random random = new Random(exercise.seed());
    boolean all = exercise.theme().goals().contains(Goal.WOKEN);
    for (Part p : exercise.parts()) {
      Truth truth = exercise.truth(p.ref());
      boolean fitted =
          exercise.items().stream()
              .anyMatch(i -> i instanceof Fitting f && f.part().equals(p.ref()));
      if (fitted || (!(p instanceof Capacitor) && !all)) {
        continue;
      }
      for (Measuring how : Measuring.values()) {
        if (how.fits(p)) {
          how.read(p, truth, random)
              .ifPresent(f ->
                  did(
                      new Edit.ReadingKept(
                          new Reading(
                              "before-" + journal.size(),
                              p.ref(),
                              now.toInstant(),
                              f,
                              how.conditions(p),
                              ""))));
        }
      }
    }
  }

  /** What Safety asks was looked at. */
  private void checked() {
    Job job = Job.of(journal);
    for (Check c : Checks.blocking(job, now.toInstant())) {
      OptionalDouble shown =
          c.expected().isEmpty()
              ? OptionalDouble.empty()
              : OptionalDouble.of(c.expected().get().low() * 1.1);
      did(
          new Edit.ItemChanged(
              Optional.empty(),
              Optional.of(
                  new CheckResult(
                      "before-" + c.code(),
                      c.code(),
                      CheckResult.Outcome.PASSED,
                      shown,
                      "",
                      now.toInstant()))));
    }
  }
}
