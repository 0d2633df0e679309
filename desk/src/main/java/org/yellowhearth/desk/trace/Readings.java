package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Job;

/** The readings of a supply. */
final class Readings {
    private Readings() {
    }

    /** All of them, newest first. */
    static List<SupplyReading> all(Job job) {
        return job.items(SupplyReading.class).stream().sorted(Comparator.comparing(SupplyReading::at).reversed()).toList();
    }

    /** The newest of each point and kind without a bridge. */
    static List<SupplyReading> newest(Job job) {
        List<SupplyReading> newest = new ArrayList<>();
        for (SupplyReading r : all(job)) {
            if (r.bridged().isEmpty()
                    && newest.stream()
                            .noneMatch(n -> n.point().equals(r.point()) && n.kind().alternating() == r.kind().alternating())) {
                newest.add(r);
            }
        }
        return newest;
    }
}
