package org.yellowhearth.core.reform;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * Where a run stands, from what the journal says happened. Nothing else is kept of it: a program
 * that was killed finds here what it was doing, with the output off.
 *
 * @param step the step it is or was at, from 0
 * @param since when the phase began
 * @param readings all readings of the run
 * @param on those since the output was last switched on or a step was set; they stay when it goes
 *     off
 * @param curve leakage at this voltage, from where the supply left its current limit
 * @param rested how long the capacitor was without voltage before the output went on again, where
 *     it was
 * @param charge what it may still hold, once the output is off
 * @param ended when the last gate was passed, by the clock of the wall
 */
public record ReformRun(
    ReformPlan plan,
    RunPhase phase,
    int step,
    Optional<Instant> since,
    List<Point> readings,
    List<Point> on,
    List<Sampled> curve,
    Optional<Duration> rested,
    Optional<Reforming.Rule> rule,
    Optional<Charge> charge,
    Optional<Instant> ended) {
  /** Where a run can be. */
  public enum RunPhase implements Coded {
    PLANNED,
    RUNNING,
    PAUSED,
    STOPPED,
    ABORTED,
    DONE, //
    /** Formed and rested, under voltage again to measure its leakage. */
    PROVING;

    /** Whether it is under voltage. */
    public boolean on() {
      return this == RUNNING || this == PROVING;
    }

    /** Whether it is still to be brought up. */
    public boolean open() {
      return this == PLANNED || this == PAUSED || this == RUNNING;
    }

    /** Whether it can be switched on (again). */
    public boolean mayBegin() {
      return this == PLANNED || this == PAUSED || this == STOPPED;
    }
  }

  /** A reading with its time and step. */
  public record Point(Instant at, int step, double volts, double amperes, OptionalDouble celsius) {}

  /**
   * What is left in it after the output went off, by the clock of the wall.
   *
   * @param volts what was last read across it
   * @param at when
   * @param ohms the resistor across it since, where one was put there
   */
  public record Charge(double volts, Instant at, OptionalDouble ohms) {
    /** Below this a capacitor may be touched by a meter and a hand (the design of the hearth). */
    public static final double SAFE_VOLTS = 1;

    /** Whether a meter has shown it to be empty; a sum never does. */
    public boolean empty() {
      return volts < SAFE_VOLTS && ohms.isEmpty();
    }

    /** What should be left by now, V0·e^(−t/RC); without a resistor all of it. */
    public double expected(double farads, Instant now) {
      return ohms.isEmpty()
          ? volts
          : volts * Math.exp(-Math.max(0, seconds(at, now)) / (ohms.getAsDouble() * farads));
    }

    /**
     * How long it takes from now on until that much is left, R·C·ln(V/V1); none without a resistor.
     */
    public OptionalDouble secondsTo(double target, double farads, Instant now) {
      double left = expected(farads, now);
      return ohms.isEmpty()
          ? OptionalDouble.empty()
          : OptionalDouble.of(
              left <= target ? 0 : ohms.getAsDouble() * farads * Math.log(left / target));
    }
  }

  /** What the supply is to do. Off stands for anything but a run under way. */
  public sealed interface Output {
    record Off() implements Output {}

    record On(double volts, double limitAmperes) implements Output {}
  }

  /** A supply this near to its limit gives a constant current, not a constant voltage. */
  static final double AT_LIMIT = 0.9;

  /**
   * Within this of what the supply is set to, less the resistor's drop, the voltage counts as
   * reached.
   */
  private static final double REACHED = 0.93;

  public ReformRun {
    readings = List.copyOf(readings);
    on = List.copyOf(on);
    curve = List.copyOf(curve);
  }

  /** The run of a plan, from the events of its job. */
  public static ReformRun of(ReformPlan plan, List<Job.Happening> events) {
    Draft d = new Draft(plan);
    for (Job.Happening h : events) {
      if (h.event() instanceof Reforming r && r.plan().equals(plan.id())) {
        d.take(
            h.at(),
            r.benchSeconds().isPresent() ? benchTime(r.benchSeconds().getAsDouble()) : h.at(),
            r);
      }
    }
    return d.run();
  }

  /** The step it is at. */
  public ReformPlan.Step now() {
    return plan.steps().get(step);
  }

  /** Whether the leakage last read at a steady voltage is within the gate. */
  public boolean met() {
    return !curve.isEmpty() && Edge.atMost(curve.getLast().amperes(), now().gateAmperes());
  }

  public boolean last() {
    return step == plan.steps().size() - 1;
  }

  /** What the supply is to do now. */
  public Output output() {
    return phase.on() ? new Output.On(now().volts(), now().limitAmperes()) : new Output.Off();
  }

  /** Charge that passed through it (C), by the trapezoid between readings of one stretch. */
  public double coulombs() {
    double sum = 0;
    for (int k = 1; k < readings.size(); k++) {
      sum +=
          readings.get(k).step() == readings.get(k - 1).step()
              ? (readings.get(k).amperes() + readings.get(k - 1).amperes())
                  / 2
                  * seconds(readings.get(k - 1).at(), readings.get(k).at())
              : 0;
    }
    return sum;
  }

  /**
   * How far the oxide stands: the highest voltage it has held off the current limit, as a share of
   * the target.
   */
  public double formed() {
    return readings.stream()
            .filter(p -> p.amperes() < AT_LIMIT * plan.steps().get(p.step()).limitAmperes())
            .mapToDouble(Point::volts)
            .max()
            .orElse(0)
        / plan.targetVolts();
  }

  /** The moment that a stand-in's clock shows; a run on a stand-in goes by it. */
  public static Instant benchTime(double seconds) {
    return Instant.ofEpochMilli(Math.round(seconds * 1000));
  }

  static double seconds(Instant from, Instant to) {
    return Duration.between(from, to).toMillis() / 1000.0;
  }

  private static final class Draft {
    private final ReformPlan plan;
    private RunPhase phase = RunPhase.PLANNED;
    private int step;
    private boolean byBench;
    private Optional<Instant> since = Optional.empty();
    private Optional<Instant> onSince = Optional.empty();
    private Optional<Instant> offSince = Optional.empty();
    private Optional<Duration> rested = Optional.empty();
    private Optional<Reforming.Rule> rule = Optional.empty();
    private Optional<Charge> charge = Optional.empty();
    private Optional<Instant> ended = Optional.empty();
    private final List<Point> readings = new ArrayList<>();
    private List<Point> on = new ArrayList<>();

    Draft(ReformPlan plan) {
      this.plan = plan;
    }

    void take(Instant wall, Instant at, Reforming event) {
      byBench = event.benchSeconds().isPresent() || byBench;
      switch (event) {
        case Reforming.ReformBegun e -> {
          rested = offSince.map(off -> Duration.between(off, at));
          offSince = Optional.empty();
          rule = Optional.empty();
          charge = Optional.empty();
          ended = Optional.empty();
          stepTo(e.step(), at);
          enter(RunPhase.RUNNING, at);
        }
        case Reforming.ReformStepped e -> {
          rested = Optional.empty();
          stepTo(e.step(), at);
          enter(phase, at);
        }
        case Reforming.ReformRead e -> {
          Point p = new Point(at, step, e.volts(), e.amperes(), e.celsius());
          readings.add(p);
          on.add(p);
        }
        case Reforming.ReformPaused _ ->
            off(ended.isPresent() ? RunPhase.DONE : RunPhase.PAUSED, wall, at);
        case Reforming.ReformStopped e -> {
          off(RunPhase.STOPPED, wall, at);
          rule = Optional.of(e.rule());
        }
        case Reforming.ReformAborted _ -> off(RunPhase.ABORTED, wall, at);
        case Reforming.ReformFinished _ -> {
          off(RunPhase.DONE, wall, at);
          ended = ended.or(() -> Optional.of(wall));
        }
        case Reforming.ReformProving _ -> {
          rested = offSince.map(off -> Duration.between(off, at));
          charge = Optional.empty();
          stepTo(plan.steps().size() - 1, at);
          enter(RunPhase.PROVING, at);
        }
        case Reforming.ReformDischarging e ->
            charge = charge.map(c -> new Charge(c.volts(), wall, OptionalDouble.of(e.ohms())));
        case Reforming.ReformDischarged e ->
            charge = Optional.of(new Charge(e.volts(), wall, OptionalDouble.empty()));
      }
    }

    /** A plan that was shortened while it lay is gone on with at its last step. */
    private void stepTo(int wanted, Instant at) {
      onSince = Optional.of(at);
      step = Math.min(wanted, plan.steps().size() - 1);
      on = new ArrayList<>();
    }

    /** A stand-in's clock is not told when the output goes off: the last reading is near enough. */
    private void off(RunPhase next, Instant wall, Instant at) {
      if (phase.on()) {
        charge =
            readings.isEmpty()
                ? Optional.empty()
                : Optional.of(new Charge(readings.getLast().volts(), wall, OptionalDouble.empty()));
      }
      offSince = Optional.of(byBench && !readings.isEmpty() ? readings.getLast().at() : at);
      enter(next, offSince.get());
    }

    private void enter(RunPhase next, Instant at) {
      phase = next;
      since = Optional.of(at);
    }

    ReformRun run() {
      return new ReformRun(
          plan, phase, step, since, readings, on, curve(), rested, rule, charge, ended);
    }

    private List<Sampled> curve() {
      ReformPlan.Step s = plan.steps().get(step);
      Optional<Instant> start = onSince;
      List<Sampled> points = new ArrayList<>();
      for (Point p : on) {
        boolean reached =
            p.amperes() < AT_LIMIT * s.limitAmperes()
                && p.volts() >= REACHED * (s.volts() - s.ohms() * p.amperes());
        if (points.isEmpty() && !reached) {
          start = Optional.of(p.at());
        } else if (p.amperes() > 0 && start.isPresent() && p.at().isAfter(start.get())) {
          points.add(new Sampled(seconds(start.get(), p.at()), p.amperes()));
        }
      }
      return points;
    }
  }
}
