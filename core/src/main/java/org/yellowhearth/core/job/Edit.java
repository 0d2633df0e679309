package org.yellowhearth.core.job;

import java.util.List;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.reading.Reading;

/** One edit of a job. It carries what was before and after, so that it can be told as a story and taken back. */
public sealed interface Edit {
    /** The set came in, with what was known of it. */
    record Arrived(SetPlate plate, Policy policy) implements Edit {
    }

    record PlateChanged(SetPlate before, SetPlate after) implements Edit {
    }

    record PolicyChanged(Policy before, Policy after) implements Edit {
    }

    /** A part joined the census, with what had been read of it where it comes back. */
    record PartAdded(Capacitor part, List<Reading> readings) implements Edit {
        public PartAdded {
            readings = List.copyOf(readings);
        }

        public PartAdded(Capacitor part) {
            this(part, List.of());
        }
    }

    record PartChanged(Capacitor before, Capacitor after) implements Edit {
    }

    /** A part left the census; its readings go with it and come back with it. */
    record PartRemoved(Capacitor part, List<Reading> readings) implements Edit {
        public PartRemoved {
            readings = List.copyOf(readings);
        }
    }

    record ReadingKept(Reading reading) implements Edit {
    }

    /** A reading no longer counts; it stays in the journal. */
    record ReadingWithdrawn(Reading reading) implements Edit {
    }

    record NoteWritten(String text) implements Edit {
    }

    /** The set was switched on or off: an event of the real world, never undone. */
    record PowerSwitched(Power power) implements Edit {
    }

    /** Whether the set is under power. */
    enum Power implements Coded {
        LIT, OFF
    }

    /** Whether a person may take it back. Arrival begins the job; events of the real world are corrected, not undone. */
    default boolean canBeUndone() {
        return switch (this) {
            case Arrived _,PowerSwitched _ -> false;
            case PlateChanged _,PolicyChanged _,PartAdded _,PartChanged _,PartRemoved _,ReadingKept _,ReadingWithdrawn _,NoteWritten _ ->
                true;
        };
    }
}
