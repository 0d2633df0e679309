package org.yellowhearth.core.practice;

import java.time.Duration;
import java.time.Instant;

import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;

/** What the rail of a practice set truly holds: nothing but a resistor that was clipped across it takes it away. */
public final class PracticeRail {
    /** From here on it hurts, and ends the exercise. */
    public static final double HURTS = 50;
    /** Below this a part may be measured (common practice). */
    public static final double EMPTY = 1;

    private PracticeRail() {
    }

    /** Volts at a moment, V·e^(−t/RC) over the time that a resistor was across it. */
    public static double volts(Exercise exercise, Job job, Instant now) {
        double farads = exercise.parts().stream().filter(p -> p.ref().equals(exercise.rail().parts().getFirst()))
                .mapToDouble(p -> ((Capacitor) p).farads()).sum();
        double volts = exercise.charged();
        double ohms = Double.POSITIVE_INFINITY;
        Instant since = now;
        for (Job.Happening h : job.events().stream().filter(e -> !e.at().isAfter(now)).toList()) {
            if (h.event() instanceof Edit.ClipPut(String rail, double r) && rail.equals(exercise.rail().id())) {
                volts = drained(volts, ohms, farads, since, h.at());
                ohms = r;
                since = h.at();
            } else if (h.event() instanceof Edit.ClipTaken(String rail) && rail.equals(exercise.rail().id())) {
                volts = drained(volts, ohms, farads, since, h.at());
                ohms = Double.POSITIVE_INFINITY;
                since = h.at();
            }
        }
        return drained(volts, ohms, farads, since, now);
    }

    private static double drained(double volts, double ohms, double farads, Instant from, Instant to) {
        double seconds = Math.max(0, Duration.between(from, to).toMillis() / 1000.0);
        return volts * Math.exp(-seconds / (ohms * farads));
    }
}
