package org.yellowhearth.core.benchline;

import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figures;

/** What a bench line asks for, understood but not yet done. */
public sealed interface BenchEntry {
    record AddPart(Capacitor part) implements BenchEntry {
    }

    record CorrectPart(Capacitor before, Capacitor after) implements BenchEntry {
    }

    record RemovePart(Capacitor part) implements BenchEntry {
    }

    record KeepReading(PartRef part, Figures figures, Conditions conditions, String typed) implements BenchEntry {
    }

    record WriteNote(String text) implements BenchEntry {
    }

    record SwitchPower(Edit.Power power) implements BenchEntry {
    }

    /**
     * Something happened to a store of charge.
     *
     * @param store the name of the rail
     */
    record Happened(Edit.Event event, String store) implements BenchEntry {
    }

    /** A reference alone: the part is to be shown. */
    record ShowPart(PartRef part) implements BenchEntry {
    }
}
