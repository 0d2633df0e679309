package org.yellowhearth.core.reform;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * What is left to do once the output is off for good: discharge, and after a run that came to its
 * end rest, measure, judge, label. It follows from the journal and the readings alone.
 *
 * @param chores in their order; of a run that was stopped or given up only the discharge
 * @param restedUntil when the rest is over, where there is one
 * @param measured what was read after the output went off
 * @param upshot what came of it, once everything is measured
 */
public record Ending(
    List<Chore> chores,
    Optional<Instant> restedUntil,
    Map<Figure, Measured> measured,
    Upshot upshot) {
  /**
   * A day without voltage shows whether it stays up (common practice: a day at least, a week is
   * better).
   */
  public static final Duration USUAL_REST = Duration.ofHours(24);

  /** Leakage is read after five minutes at the voltage (IEC 60384-4, from memory). */
  public static final Duration PROOF = Duration.ofMinutes(5);

  /** One thing to do. */
  public enum Chore implements Coded {
    DISCHARGE,
    REST,
    MEASURE_CAPACITANCE,
    MEASURE_ESR,
    MEASURE_DISSIPATION,
    MEASURE_LEAKAGE
  }

  /** What came of it. */
  public enum Upshot implements Coded {
    /** Not everything is measured yet. */
    OPEN, //
    /** Within its limits after the rest. */
    GOOD, //
    /** Not within them. */
    BAD, //
    /** Given up or stopped: it is not to be used. */
    GIVEN_UP
  }

  /**
   * A figure read after the output went off.
   *
   * @param rested how long it had rested by then
   * @param conditions at what it was read
   */
  public record Measured(double value, Duration rested, Conditions conditions) {}

  public Ending {
    chores = List.copyOf(chores);
    measured = Map.copyOf(measured);
  }

  /** The ending of a run as of now; none while it may still go on. */
  public static Optional<Ending> of(
      ReformRun run, Job job, Optional<Assessment> assessment, Instant now) {
    return switch (run.phase()) {
      case DONE -> Optional.of(done(run, job, assessment, now));
      case STOPPED, ABORTED ->
          Optional.of(
              new Ending(
                  charged(run) ? List.of(Chore.DISCHARGE) : List.of(),
                  Optional.empty(),
                  Map.of(),
                  Upshot.GIVEN_UP));
      case PLANNED, RUNNING, PAUSED, PROVING -> Optional.empty();
    };
  }

  private static boolean charged(ReformRun run) {
    return run.charge().map(c -> !c.empty()).orElse(false);
  }

  private static Ending done(ReformRun run, Job job, Optional<Assessment> assessment, Instant now) {
    boolean charged = charged(run);
    Instant from = run.ended().orElseThrow();
    Map<Figure, Measured> measured = new EnumMap<>(Figure.class);
    for (Reading r : job.readings()) {
      if (r.part().equals(run.plan().part()) && r.at().isAfter(from)) {
        r.figures()
            .values()
            .forEach((figure, value) -> {
              if (figure != Figure.LEAKAGE || atVoltage(r, run.plan().targetVolts())) {
                measured.put(
                    figure, new Measured(value, Duration.between(from, r.at()), r.conditions()));
              }
            });
      }
    }
    List<Chore> left = new ArrayList<>();
    if (charged) {
      left.add(Chore.DISCHARGE);
    }
    Instant rested = from.plus(USUAL_REST);
    if (!measured.containsKey(Figure.LEAKAGE) && now.isBefore(rested)) {
      left.add(Chore.REST);
    }
    Map.of(
            Figure.CAPACITANCE,
            Chore.MEASURE_CAPACITANCE,
            Figure.ESR,
            Chore.MEASURE_ESR,
            Figure.DISSIPATION,
            Chore.MEASURE_DISSIPATION,
            Figure.LEAKAGE,
            Chore.MEASURE_LEAKAGE)
        .forEach((figure, chore) -> {
          if (!measured.containsKey(figure)) {
            left.add(chore);
          }
        });
    left.sort(null);
    boolean open =
        !left.isEmpty() || assessment.map(a -> a.verdict() == Verdict.RECHECK).orElse(true);
    Upshot upshot = open ? Upshot.OPEN : assessment.get().foundBad() ? Upshot.BAD : Upshot.GOOD;
    return new Ending(left, Optional.of(rested), measured, upshot);
  }

  /**
   * A leakage at a lower voltage says nothing of what it does at its own: that grows with the tenth
   * power and more.
   */
  private static boolean atVoltage(Reading r, double target) {
    OptionalDouble at = r.conditions().testVolts();
    return at.isEmpty() || at.getAsDouble() >= 0.9 * target;
  }
}
