package org.yellowhearth.core.wake;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.yellowhearth.core.fact.RampPlan;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Waking;
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
public record RampRun(RampPlan plan, RampPhase phase, int step, Optional<Instant> since, Map<RampPlan.Clip, Seen> seen,
        List<Reading> readings, Optional<Waking.StopCause> stopped, String note) {
    private static final double MILLIS = 1000;

    /** Where a ramp can be. */
    public enum RampPhase implements Coded {
        PLANNED, ON, STOPPED,
        /** Full line was held; what becomes of the set after that is another matter. */
        HELD
    }

    /**
     * What a meter showed at this step.
     *
     * @param seconds after the transformer was turned there
     */
    public record Seen(double value, double seconds) {
    }

    /** A reading with its time and step. */
    public record Reading(Instant at, int step, RampPlan.Clip clip, double value, String instrument) {
    }

    public RampRun {
        seen = Map.copyOf(seen);
        readings = List.copyOf(readings);
    }

    /** The run of a plan, from the events of its job; switched off in any way, it is over. */
    public static RampRun of(RampPlan plan, List<Job.Happening> events) {
        Draft d = new Draft(plan);
        for (Job.Happening h : events) {
            if (h.event() instanceof Waking w && w.plan().equals(plan.id())) {
                d.take(h.at(), w);
            } else if (h.event() instanceof Edit.PowerSwitched(Edit.Power power) && power == Edit.Power.OFF) {
                d.off();
            }
        }
        return d.run();
    }

    /** The step it is at. */
    public RampPlan.Step now() {
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
    public RampJudgement judged(Instant now) {
        return judged(now, 1, Map.of());
    }

    /**
     * The same where time at the bench runs faster, as that of a stand-in may.
     *
     * @param live what meters show at this moment and nobody has written down
     */
    public RampJudgement judged(Instant now, double speed, Map<RampPlan.Clip, Double> live) {
        double seconds = speed * seconds(now);
        Map<RampPlan.Clip, Seen> all = new LinkedHashMap<>();
        seen.forEach((c, s) -> all.put(c, new Seen(s.value(), speed * s.seconds())));
        live.forEach((c, v) -> all.put(c, new Seen(v, seconds)));
        return RampJudgement.of(plan, step, all, seconds);
    }

    /** A run while the events are gone through. */
    private static final class Draft {
        private final RampPlan plan;
        private RampPhase phase = RampPhase.PLANNED;
        private int step;
        private Optional<Instant> since = Optional.empty();
        private final Map<RampPlan.Clip, Seen> seen = new LinkedHashMap<>();
        private final List<Reading> readings = new ArrayList<>();
        private Optional<Waking.StopCause> stopped = Optional.empty();
        private String note = "";

        Draft(RampPlan plan) {
            this.plan = plan;
        }

        void take(Instant at, Waking event) {
            switch (event) {
                case Waking.RampBegun _ -> {
                    phase = RampPhase.ON;
                    readings.clear();
                    stopped = Optional.empty();
                    note = "";
                    turned(at, 0);
                }
                case Waking.RampStepped e -> turned(at, Math.min(e.step(), plan.steps().size() - 1));
                case Waking.RampRead e -> {
                    readings.add(new Reading(at, step, e.clip(), e.value(), e.instrument()));
                    double seconds = since.map(s -> Duration.between(s, at).toMillis() / MILLIS).orElse(0.0);
                    seen.put(e.clip(), new Seen(e.value(), Math.max(0, seconds)));
                }
                case Waking.RampStopped e -> {
                    phase = RampPhase.STOPPED;
                    stopped = Optional.of(e.cause());
                    note = e.note();
                }
                case Waking.RampFinished _ -> phase = RampPhase.HELD;
            }
        }

        private void turned(Instant at, int to) {
            step = to;
            since = Optional.of(at);
            seen.clear();
        }

        void off() {
            if (phase == RampPhase.ON) {
                phase = RampPhase.STOPPED;
                stopped = Optional.of(Waking.StopCause.PERSON);
            }
        }

        RampRun run() {
            return new RampRun(plan, phase, step, since, seen, readings, stopped, note);
        }
    }
}
