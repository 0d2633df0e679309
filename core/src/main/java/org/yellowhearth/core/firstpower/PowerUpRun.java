package org.yellowhearth.core.firstpower;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.message.Coded;

/**
 * Where a ramp stands, from what the journal says happened: nothing else is kept of it.
 *
 * @param step it is or was at, from 0
 * @param since when the transformer was turned there
 * @param seen the newest reading of each meter at this step
 * @param readings every reading of the last run, oldest first
 * @param stopped why it was switched off, where it was
 * @param note what was said of that
 */
public record PowerUpRun(
    PowerUpPlan plan,
    PowerUpPhase phase,
    int step,
    Optional<Instant> since,
    Map<PowerUpPlan.Clip, Seen> seen,
    List<Reading> readings,
    Optional<PoweringUp.StopCause> stopped,
    String note) {
  private static final double MILLIS = 1000;

  /** Where a ramp can be. */
  public enum PowerUpPhase implements Coded {
    PLANNED,
    ON,
    STOPPED,
    /** Full line was held; what becomes of the set after that is another matter. */
    HELD
  }

  /**
   * What a meter showed at this step.
   *
   * @param seconds after the transformer was turned there
   */
  public record Seen(double value, double seconds) {}

  /** A reading with its time and step. */
  public record Reading(
      Instant at, int step, PowerUpPlan.Clip clip, double value, String instrument) {}

  public PowerUpRun {
    seen = Map.copyOf(seen);
    readings = List.copyOf(readings);
  }

  /** The run of a plan, from the events of its job; switched off in any way, it is over. */
  public static PowerUpRun of(PowerUpPlan plan, List<Job.Happening> events) {
    Draft d = new Draft(plan);
    for (Job.Happening h : events) {
      if (h.event() instanceof PoweringUp w && w.plan().equals(plan.id())) {
        d.take(h.at(), w);
      } else if (h.event() instanceof Edit.PowerSwitched(Edit.Power power)
          && power == Edit.Power.OFF) {
        d.off();
      }
    }
    return d.run();
  }

  /** The step it is at. */
  public PowerUpPlan.Step now() {
    return plan.steps().get(step);
  }

  public boolean last() {
    return step == plan.steps().size() - 1;
  }

  /** How long it has been at its step. */
  public double seconds(Instant now) {
    return since.map(s -> Math.max(0, Duration.between(s, now).toMillis() / MILLIS)).orElse(0.0);
  }

  /** The judgement at a moment. */
  public PowerUpJudgement judged(Instant now) {
    return judged(now, 1, Map.of());
  }

  /**
   * The same where time at the bench runs faster, as that of a stand-in may.
   *
   * @param live what meters show at this moment and nobody has written down
   */
  public PowerUpJudgement judged(Instant now, double speed, Map<PowerUpPlan.Clip, Double> live) {
    double seconds = speed * seconds(now);
    Map<PowerUpPlan.Clip, Seen> all = new LinkedHashMap<>();
    seen.forEach((c, s) -> all.put(c, new Seen(s.value(), speed * s.seconds())));
    live.forEach((c, v) -> all.put(c, new Seen(v, seconds)));
    return PowerUpJudgement.of(plan, step, all, seconds);
  }

  /** A run while the events are gone through. */
  private static final class Draft {
    private final PowerUpPlan plan;
    private PowerUpPhase phase = PowerUpPhase.PLANNED;
    private int step;
    private Optional<Instant> since = Optional.empty();
    private final Map<PowerUpPlan.Clip, Seen> seen = new LinkedHashMap<>();
    private final List<Reading> readings = new ArrayList<>();
    private Optional<PoweringUp.StopCause> stopped = Optional.empty();
    private String note = "";

    Draft(PowerUpPlan plan) {
      this.plan = plan;
    }

    void take(Instant at, PoweringUp event) {
      switch (event) {
        case PoweringUp.PowerUpBegun _ -> {
          phase = PowerUpPhase.ON;
          readings.clear();
          stopped = Optional.empty();
          note = "";
          turned(at, 0);
        }
        case PoweringUp.PowerUpStepped e -> turned(at, Math.min(e.step(), plan.steps().size() - 1));
        case PoweringUp.PowerUpRead e -> {
          readings.add(new Reading(at, step, e.clip(), e.value(), e.instrument()));
          double seconds = since.map(s -> Duration.between(s, at).toMillis() / MILLIS).orElse(0.0);
          seen.put(e.clip(), new Seen(e.value(), Math.max(0, seconds)));
        }
        case PoweringUp.PowerUpStopped e -> {
          phase = PowerUpPhase.STOPPED;
          stopped = Optional.of(e.cause());
          note = e.note();
        }
        case PoweringUp.PowerUpFinished _ -> phase = PowerUpPhase.HELD;
      }
    }

    private void turned(Instant at, int to) {
      step = to;
      since = Optional.of(at);
      seen.clear();
    }

    void off() {
      if (phase == PowerUpPhase.ON) {
        phase = PowerUpPhase.STOPPED;
        stopped = Optional.of(PoweringUp.StopCause.PERSON);
      }
    }

    PowerUpRun run() {
      return new PowerUpRun(plan, phase, step, since, seen, readings, stopped, note);
    }
  }
}
