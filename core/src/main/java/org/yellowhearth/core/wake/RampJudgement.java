package org.yellowhearth.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.yellowhearth.core.message.Coded;

/**
 * Whether a ramp may go on from where it stands: by what the clipped meters show there, and by what eyes, ears and nose say.
 *
 * @param off meters out of their bands
 * @param unread meters that nobody read yet
 */
public record RampJudgement(RampCounsel counsel, List<Off> off, List<Ramp.Clip> unread, Set<RampSign> signs) {
    /** What to do. */
    public enum RampCounsel implements Coded {
        /** Something is not read yet. */
        READ,
        /** Everything is as expected: hold the time, then go on. */
        GO_ON,
        /** Off, now. */
        STOP
    }

    /** What stops a ramp whatever the meters show; each has a key of its own. */
    public enum RampSign implements Coded {
        /** The lamp glows brightly and stays so. */
        LAMP_BRIGHT,
        /** No heater glows where the step should warm them. */
        NO_HEATER, HUM, SMELL, SMOKE, SOUND, SPARK
    }

    /**
     * A meter out of its band.
     *
     * @param read what it shows
     * @param expected what it should show
     */
    public record Off(double read, Ramp.Meter expected) {
        /** Whether it shows too much; of a negative rail the magnitude counts. */
        public boolean high() {
            return Math.abs(read) > Math.abs(expected.volts());
        }
    }

    public RampJudgement {
        off = List.copyOf(off);
        unread = List.copyOf(unread);
        signs = Set.copyOf(signs);
    }

    /** The judgement at a step. */
    public static RampJudgement of(Ramp.Rung rung, Map<Ramp.Clip, Double> read, Set<RampSign> signs) {
        List<Off> off = new ArrayList<>();
        List<Ramp.Clip> unread = new ArrayList<>();
        for (Ramp.Meter m : rung.meters()) {
            Double shown = read.get(m.clip());
            if (shown == null) {
                unread.add(m.clip());
            } else if (!m.holds(shown)) {
                off.add(new Off(shown, m));
            }
        }
        RampCounsel counsel = !signs.isEmpty() || !off.isEmpty()
                ? RampCounsel.STOP
                : unread.isEmpty() ? RampCounsel.GO_ON : RampCounsel.READ;
        return new RampJudgement(counsel, off, unread, signs);
    }
}
