package org.yellowhearth.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

import org.yellowhearth.core.fact.RampPlan;
import org.yellowhearth.core.message.Coded;

/**
 * Whether a ramp may go on from where it stands, by what the clipped meters show there.
 *
 * @param off meters out of their bands
 * @param unread meters that nobody read yet
 */
public record RampJudgement(RampCounsel counsel, List<Off> off, List<RampPlan.Clip> unread) {
    /** What to do. */
    public enum RampCounsel implements Coded {
        /** Something is not read yet. */
        READ,
        /** Nothing is wrong so far, but cathodes and capacitors need their time. */
        SETTLING,
        /** Everything is as expected: hold the time, then go on. */
        HOLD,
        /** Held long enough. */
        GO_ON,
        /** Off, now. */
        STOP
    }

    /**
     * A meter out of its band.
     *
     * @param read what it shows
     * @param expected what it should show
     */
    public record Off(RampPlan.Clip clip, double read, RampPlan.Band expected) {
        /** Whether it shows too much; of a negative rail the magnitude counts. */
        public boolean high() {
            return Math.abs(read) > Math.abs(expected.expected());
        }
    }

    public RampJudgement {
        off = List.copyOf(off);
        unread = List.copyOf(unread);
    }

    /**
     * The judgement at a step.
     *
     * @param seconds since the transformer was turned there
     */
    public static RampJudgement of(RampPlan plan, int step, Map<RampPlan.Clip, RampRun.Seen> read, double seconds) {
        RampPlan.Step now = plan.steps().get(step);
        List<Off> off = new ArrayList<>();
        List<RampPlan.Clip> unread = new ArrayList<>();
        for (RampPlan.Clip c : plan.clips()) {
            RampRun.Seen seen = read.get(c);
            if (seen == null) {
                unread.add(c);
                continue;
            }
            boolean settled = seen.seconds() >= now.settleSeconds();
            if (!plan.band(step, c).holds(seen.value(), settled)) {
                off.add(new Off(c, seen.value(), plan.band(step, c)));
            } else if (!settled) {
                unread.add(c);
            }
        }
        RampCounsel counsel = !off.isEmpty()
                ? RampCounsel.STOP
                : seconds < now.settleSeconds()
                        ? RampCounsel.SETTLING
                        : !unread.isEmpty()
                                ? RampCounsel.READ
                                : seconds < now.holdSeconds() ? RampCounsel.HOLD : RampCounsel.GO_ON;
        return new RampJudgement(counsel, off, unread);
    }
}
