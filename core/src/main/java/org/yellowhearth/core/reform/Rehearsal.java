package org.yellowhearth.core.reform;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;

/**
 * A plan played through with a simulated capacitor, by the very rules of a real run: how long it
 * may take, what passes through it, and how it ends.
 *
 * @param events what the journal would say
 * @param seconds from first to last
 * @param coulombs charge through the capacitor (C)
 * @param joules heat in the capacitor (J)
 * @param onAfterStop readings taken with the output on after a rule had asked for it to be off
 */
public record Rehearsal(
    List<Job.Happening> events,
    double seconds,
    double coulombs,
    double joules,
    ReformRun.RunPhase end,
    int onAfterStop) {
  private static final int MOST_READINGS = 3000;
  private static final double ROOM = 25;
  private static final double GROWTH = 12;

  public Rehearsal {
    events = List.copyOf(events);
  }

  /** How readings are taken: seconds between them at first, the most later on, relative noise. */
  public record Meter(double firstSeconds, double mostSeconds, double noise) {
    public static final Meter LINKED = new Meter(10, 300, 0.005);
  }

  /** How long each step took (s); of a step that was not come to, its hold. */
  public List<Double> stepSeconds(ReformPlan plan) {
    List<Double> all = new ArrayList<>();
    Instant from = events.getFirst().at();
    for (Job.Happening h : events) {
      if (h.event() instanceof Reforming.ReformStepped
          || h.event() instanceof Reforming.ReformFinished) {
        all.add(ReformRun.seconds(from, h.at()));
        from = h.at();
      }
    }
    plan.steps().stream().skip(all.size()).forEach(s -> all.add(s.holdSeconds()));
    return List.copyOf(all);
  }

  /** Plays a plan; noise comes from the random numbers given. */
  public static Rehearsal of(
      ReformPlan plan, FormingCapacitor capacitor, Meter meter, Random random) {
    return new Play(plan, capacitor, meter, random).toTheEnd();
  }

  private static final class Play {
    private final ReformPlan plan;
    private final FormingCapacitor capacitor;
    private final Meter meter;
    private final Random random;
    private final List<Job.Happening> events = new ArrayList<>();
    private double clock;
    private double stepBegan;
    private int onAfterStop;

    Play(ReformPlan plan, FormingCapacitor capacitor, Meter meter, Random random) {
      this.plan = plan;
      this.capacitor = capacitor;
      this.meter = meter;
      this.random = random;
    }

    Rehearsal toTheEnd() {
      note(new Reforming.ReformBegun(plan.id(), 0, OptionalDouble.empty()));
      ReformRun run = ReformRun.of(plan, events);
      for (int k = 0; k < MOST_READINGS && run.phase() == ReformRun.RunPhase.RUNNING; k++) {
        // What the rules asked for is done before anything is read again.
        onAfterStop += Judgement.stop(run, ROOM).isPresent() ? 1 : 0;
        read(run.now());
        run = ReformRun.of(plan, events);
        follow(run, Judgement.of(run, Instant.ofEpochMilli((long) (clock * 1000)), ROOM));
        run = ReformRun.of(plan, events);
      }
      return new Rehearsal(
          events, clock, capacitor.coulombs(), capacitor.joules(), run.phase(), onAfterStop);
    }

    private void read(ReformPlan.Step step) {
      double wait = Math.clamp((clock - stepBegan) / GROWTH, meter.firstSeconds, meter.mostSeconds);
      FormingCapacitor.Drive drive =
          FormingCapacitor.Drive.supply(step.volts(), step.ohms(), step.limitAmperes());
      capacitor.advance(drive, wait);
      clock += wait;
      double amperes = capacitor.supplied(drive) * (1 + meter.noise * random.nextGaussian());
      note(
          new Reforming.ReformRead(
              plan.id(),
              capacitor.volts(),
              Math.max(0, amperes),
              OptionalDouble.of(capacitor.celsius()),
              "",
              OptionalDouble.empty()));
    }

    private void follow(ReformRun run, Judgement j) {
      switch (j.counsel()) {
        case NEXT -> {
          note(new Reforming.ReformStepped(plan.id(), run.step() + 1, OptionalDouble.empty()));
          stepBegan = clock;
        }
        case FINISH -> note(new Reforming.ReformFinished(plan.id()));
        case STOP -> note(new Reforming.ReformStopped(plan.id(), j.rule().orElseThrow()));
        case USELESS, LATE -> note(new Reforming.ReformAborted(plan.id(), j.counsel().code()));
        case WAIT, REST -> {
          // Time goes on.
        }
      }
    }

    private void note(Reforming event) {
      events.add(new Job.Happening(Instant.ofEpochMilli((long) (clock * 1000)), event));
    }
  }
}
