package org.yellowhearth.core.reform;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * What is to be done with a run now.
 *
 * @param rule the rule that stops it, where one does
 * @param forecast when this step's gate opens, where the curve tells
 */
public record Judgement(
    Counsel counsel, Optional<Reforming.Rule> rule, Optional<Forecast> forecast) {
  /** What is to be done. */
  public enum Counsel implements Coded {
    /** Nothing is running. */
    REST, //
    WAIT, //
    /** The gate is open: set the next step. */
    NEXT, //
    /** The last gate is open: the run has come to its end. */
    FINISH, //
    /** Waiting on is useless: the limit will hardly be met within the patience. */
    USELESS, //
    /** The patience is used up. */
    LATE, //
    /** Output off, at once. */
    STOP
  }

  /** Where nobody gives the room's temperature. */
  public static final double USUAL_ROOM = 22;

  /**
   * A rise over this factor of the least leakage, three readings long, or over the next one twice,
   * is no noise.
   */
  private static final double RISEN = 1.3;

  private static final double FAR_RISEN = 1.6;

  /** A voltage that falls below this share of what it had reached does not hold. */
  private static final double HELD = 0.93;

  /** Judges a run at a time, in a room. */
  public static Judgement of(ReformRun run, Instant now, double roomCelsius) {
    if (!run.phase().on()) {
      return new Judgement(Counsel.REST, Optional.empty(), Optional.empty());
    }
    Optional<Reforming.Rule> rule = stop(run, roomCelsius);
    if (rule.isPresent()) {
      return new Judgement(Counsel.STOP, rule, Optional.empty());
    }
    ReformPlan.Step step = run.now();
    double held = ReformRun.seconds(run.since().orElseThrow(), now);
    if (run.phase() == ReformRun.RunPhase.PROVING) {
      boolean over = held >= Ending.PROOF.toSeconds() && !run.curve().isEmpty();
      return new Judgement(
          over ? Counsel.FINISH : Counsel.WAIT, Optional.empty(), Optional.empty());
    }
    Optional<Forecast> forecast =
        DecayFit.of(run.curve()).map(f -> f.forecast(step.gateAmperes(), step.patienceSeconds()));
    boolean met = run.met();
    Counsel counsel;
    if (met && held >= step.holdSeconds()) {
      counsel = run.last() ? Counsel.FINISH : Counsel.NEXT;
    } else if (held >= step.patienceSeconds()) {
      counsel = Counsel.LATE;
    } else if (!met
        && forecast.isPresent()
        && forecast.get().useless(run.curve(), step.patienceSeconds())) {
      counsel = Counsel.USELESS;
    } else {
      counsel = Counsel.WAIT;
    }
    return new Judgement(counsel, Optional.empty(), forecast);
  }

  /** The rule that stops a run after its newest reading. */
  static Optional<Reforming.Rule> stop(ReformRun run, double roomCelsius) {
    if (run.on().isEmpty()) {
      return Optional.empty();
    }
    ReformRun.Point p = run.on().getLast();
    ReformPlan.Bounds bounds = run.plan().bounds();
    if (!Edge.atMost(p.amperes(), bounds.amperes())) {
      return Optional.of(Reforming.Rule.CURRENT_ABOVE_BOUND);
    }
    if (!Edge.atMost(p.amperes() * p.volts(), bounds.watts())) {
      return Optional.of(Reforming.Rule.POWER_ABOVE_BOUND);
    }
    if (p.celsius().isPresent()
        && !Edge.atMost(
            p.celsius().getAsDouble() - coolest(run, roomCelsius),
            bounds.warmKelvin(),
            p.celsius().getAsDouble())) {
      return Optional.of(Reforming.Rule.TOO_WARM);
    }
    double reached = run.on().stream().mapToDouble(ReformRun.Point::volts).max().orElse(0);
    if (!Edge.atLeast(p.volts(), HELD * reached) && run.on().size() > 1) {
      return Optional.of(Reforming.Rule.VOLTAGE_NOT_HOLDING);
    }
    return rising(run.curve()) ? Optional.of(Reforming.Rule.CURRENT_RISING) : Optional.empty();
  }

  /**
   * What the warming counts from: the coolest it has been in this run; before there is a second
   * reading, the room.
   */
  private static double coolest(ReformRun run, double roomCelsius) {
    return run.readings().size() < 2
        ? roomCelsius
        : run.readings().stream()
            .flatMapToDouble(r -> r.celsius().stream())
            .min()
            .orElse(roomCelsius);
  }

  /** A sustained rise at constant voltage: one bad contact is none. */
  private static boolean rising(List<Sampled> curve) {
    if (curve.size() < 3) {
      return false;
    }
    double least = curve.stream().mapToDouble(Sampled::amperes).min().orElseThrow();
    List<Sampled> tail = curve.subList(curve.size() - 3, curve.size());
    double a = tail.get(0).amperes();
    double b = tail.get(1).amperes();
    double c = tail.get(2).amperes();
    return (c >= RISEN * least && b >= a && c >= b)
        || (b >= FAR_RISEN * least && c >= FAR_RISEN * least);
  }
}
