package org.yellowhearth.core.practice;

import java.time.Duration;
import java.time.Instant;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Resistor;

/**
 * What the rail of a practice set truly holds: nothing but a resistor that was clipped across it
 * takes it away.
 */
public final class PracticeRail {
  /** From here on it hurts, and ends the exercise. */
  public static final double HURTS = 50;

  /** Below this a part may be measured (common practice). */
  public static final double EMPTY = 1;

  private PracticeRail() {}

  /**
   * Volts at a moment, V·e^(−t/RC) over the time that its bleeder, as it truly is, and a resistor
   * were across it.
   */
  public static double volts(Exercise exercise, Job job, Instant now) {
    double farads =
        exercise.parts().stream()
            .filter(p -> p.ref().equals(exercise.rail().parts().getFirst()))
            .mapToDouble(p -> ((Capacitor) p).farads())
            .sum();
    double bleeder = bleeder(exercise, job);
    double volts = exercise.charged();
    double ohms = bleeder;
    boolean lit = false;
    Instant since = job.journal().getFirst().at().toInstant();
    for (Job.Happening h : job.events().stream().filter(e -> !e.at().isAfter(now)).toList()) {
      if (h.event() instanceof Edit.ClipPut(String rail, double r)
          && rail.equals(exercise.rail().id())) {
        volts = drained(volts, ohms, farads, since, h.at());
        ohms = 1 / (1 / r + 1 / bleeder);
        since = h.at();
      } else if (h.event() instanceof Edit.ClipTaken(String rail)
          && rail.equals(exercise.rail().id())) {
        volts = drained(volts, ohms, farads, since, h.at());
        ohms = bleeder;
        since = h.at();
      } else if (h.event() instanceof Edit.PowerSwitched) {
        // From the moment it is on until it is switched off the rail stands at what it is made for.
        volts =
            h.event().equals(new Edit.PowerSwitched(Edit.Power.LIT)) || lit
                ? exercise.rail().volts()
                : drained(volts, ohms, farads, since, h.at());
        lit = h.event().equals(new Edit.PowerSwitched(Edit.Power.LIT));
        since = h.at();
      }
    }
    return lit ? volts : drained(volts, ohms, farads, since, now);
  }

  private static double bleeder(Exercise exercise, Job job) {
    return exercise.parts().stream()
        .filter(p -> p instanceof Resistor r && r.task() == Resistor.Task.BLEEDER)
        .mapToDouble(p ->
            exercise.renewed(job, p.ref())
                ? ((Resistor) p).ohms()
                : exercise.truth(p.ref()).value())
        .findFirst()
        .orElse(Double.POSITIVE_INFINITY);
  }

  private static double drained(
      double volts, double ohms, double farads, Instant from, Instant to) {
    double seconds = Math.max(0, Duration.between(from, to).toMillis() / 1000.0);
    return volts * Math.exp(-seconds / (ohms * farads));
  }
}
