package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;

import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/** The readings of one part, oldest first; the newest that shows a figure is the one that is judged. */
record Evidence(List<Reading> readings) {
    Optional<Reading> newest(Figure figure) {
        return readings.reversed().stream().filter(r -> r.figures().has(figure)).findFirst();
    }

    /** The newest reading that says anything of losses: ESR, dissipation or Q. */
    Optional<Reading> newestLoss() {
        return readings.reversed().stream()
                .filter(r -> r.figures().has(Figure.ESR) || r.figures().dissipation().isPresent()).findFirst();
    }

    boolean isEmpty() {
        return readings.isEmpty();
    }
}
