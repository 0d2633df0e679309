package org.yellowhearth.core.practice;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What the full mains does at once to a practice set in which a fault was left. A part counts as gone only once the fitting sheet says that a new one is
 * in. The bounds are common practice: the supply of such a set gives some tenths of an ampere and burns above that; a can that turns more than a watt and
 * a half into heat goes on to boil; some volts too many at its grid ruin an output valve.
 */
public final class FullPower {
    private static final double SUPPLY_AMPERES = 0.3;
    private static final double CAN_WATTS = 1.5;
    private static final double GRID_VOLTS = 5;
    private static final double GRID_LEAK_OHMS = 470e3;

    private static final List<MessageKey> WORST = List.of(PracticeWords.BURNT, PracticeWords.OVERRUN, PracticeWords.BURST);

    private FullPower() {
    }

    /** What is wrecked, the worst first; nothing where it plays. */
    public static Optional<Message> wrecks(Exercise exercise, Job job) {
        return exercise.faults().stream().filter(t -> !renewed(job, t.part())).flatMap(t -> wreck(exercise, job, t).stream())
                .min(Comparator.comparingInt(m -> WORST.indexOf(m.key())));
    }

    private static boolean renewed(Job job, PartRef part) {
        return job.of(part, Fitting.class).stream().anyMatch(Fitting::fitted);
    }

    private static Optional<Message> wreck(Exercise exercise, Job job, Truth truth) {
        double volts = exercise.rail().volts();
        double amperes = volts / truth.leakOhms();
        boolean onRail = exercise.rail().parts().contains(truth.part());
        if (onRail && amperes > SUPPLY_AMPERES) {
            return Optional.of(Message.of(PracticeWords.BURNT, truth.part().toString(), Quantity.amperes(amperes)));
        }
        if (onRail && amperes * volts > CAN_WATTS) {
            return Optional.of(Message.of(PracticeWords.BURST, truth.part().toString(), Quantity.watts(amperes * volts)));
        }
        double grid = volts * GRID_LEAK_OHMS / (GRID_LEAK_OHMS + truth.leakOhms());
        if (couples(job, truth.part()) && grid > GRID_VOLTS) {
            return Optional.of(Message.of(PracticeWords.OVERRUN, truth.part().toString(), Quantity.volts(grid)));
        }
        return Optional.empty();
    }

    private static boolean couples(Job job, PartRef part) {
        return job.part(part).filter(p -> p instanceof Capacitor c
                && (c.role() == Role.COUPLING || c.role() == Role.GRID_COUPLING || c.role() == Role.OUTPUT_COUPLING)).isPresent();
    }
}
