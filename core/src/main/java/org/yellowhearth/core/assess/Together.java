package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;

/**
 * What is judged together: the sections of a can, the like of a part that burst, a pair that must
 * be equal.
 */
final class Together {
  /**
   * Balancing resistors of one pair may differ by this share before one capacitor takes too much
   * (our own reading of practice).
   */
  static final double PAIR = 0.1;

  private Together() {}

  /** One bad section condemns the can: its neighbours share electrolyte, age and shell. */
  static List<Assessment> cans(List<Assessment> all) {
    Map<PartRef, Assessment> condemned = new HashMap<>();
    for (Assessment a : all) {
      if (a.part() instanceof Capacitor c
          && c.section()
          && a.verdict() == Verdict.REPLACE
          && a.foundBad()) {
        condemned.putIfAbsent(c.ref().whole(), a);
      }
    }
    if (condemned.isEmpty()) {
      return all;
    }
    List<Assessment> judged = new ArrayList<>();
    for (Assessment a : all) {
      Assessment by =
          a.part() instanceof Capacitor c && c.section() ? condemned.get(c.ref().whole()) : null;
      boolean pulled = by != null && a.verdict() != Verdict.REPLACE;
      judged.add(
          pulled
              ? a.becoming(
                  Verdict.REPLACE, Message.of(AssessWords.BECAUSE_CAN, by.part().ref().toString()))
              : a);
    }
    return judged;
  }

  /**
   * A burst part that this one is the like of: same kind, same rating, and the same batch or the
   * same rail.
   */
  static Optional<PartRef> burstSibling(Capacitor part, List<Capacitor> burst, Job job) {
    return burst.stream()
        .filter(b ->
            !b.ref().equals(part.ref())
                && b.kind().equals(part.kind())
                && b.ratedVolts().equals(part.ratedVolts())
                && (sameBatch(part, b) || sameRail(part, b, job)))
        .map(Capacitor::ref)
        .findFirst();
  }

  private static boolean sameBatch(Capacitor one, Capacitor other) {
    return one.dateCode().isEmpty()
        ? other.dateCode().isEmpty()
            && !one.marking().isEmpty()
            && one.marking().equals(other.marking())
        : one.dateCode().equals(other.dateCode());
  }

  private static boolean sameRail(Capacitor one, Capacitor other, Job job) {
    return job.items(Rail.class).stream()
        .anyMatch(r -> r.parts().contains(one.ref()) && r.parts().contains(other.ref()));
  }

  /**
   * Balancing resistors of the same marking must be alike, or the capacitors they stand across
   * share badly.
   */
  static List<Finding> pair(Resistor part, Job job) {
    OptionalDouble own = ohms(part, job);
    if (part.task() != Resistor.Task.BALANCING || own.isEmpty()) {
      return List.of();
    }
    for (Part p : job.census()) {
      if (p instanceof Resistor r
          && r.task() == Resistor.Task.BALANCING
          && !r.ref().equals(part.ref())
          && r.ohms() == part.ohms()
          && ohms(r, job).isPresent()) {
        double apart = Math.abs(own.getAsDouble() / ohms(r, job).getAsDouble() - 1);
        return List.of(
            Finding.of(
                Criterion.BATCH,
                apart > PAIR ? Outcome.DOUBTFUL : Outcome.GOOD,
                Quantity.percent(apart),
                Limit.atMost(Quantity.percent(PAIR)),
                "balancing",
                Message.of(AssessWords.PAIR_APART, r.ref().toString(), Quantity.percent(apart)),
                Message.of(
                    AssessWords.PAIR_WORKING,
                    Quantity.ohms(own.getAsDouble()),
                    Quantity.ohms(ohms(r, job).getAsDouble()))));
      }
    }
    return List.of();
  }

  private static OptionalDouble ohms(Resistor part, Job job) {
    return job.readingsOf(part.ref()).reversed().stream()
        .filter(r -> r.conditions().connection().alone())
        .flatMapToDouble(r -> r.figures().get(Figure.RESISTANCE).stream())
        .findFirst();
  }
}
