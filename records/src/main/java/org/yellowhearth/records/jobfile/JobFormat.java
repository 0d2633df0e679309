package org.yellowhearth.records.jobfile;

import org.yellowhearth.core.reading.Figure;

/** Names and bounds of the job file. */
final class JobFormat {
    static final String NAME = "yellow-hearth-job";
    /** Version 1 had no aspects, items, events of charge or date codes; a file of that version is read as it was. */
    static final int VERSION = 2;
    static final int MOST_ITEMS = 100_000;
    static final int MOST_PARTS = 20_000;
    static final int MOST_READINGS = 500_000;
    static final int MOST_ENTRIES = 1_000_000;
    static final int LONGEST_NAME = 200;
    static final int LONGEST_TEXT = 10_000;

    private JobFormat() {
    }

    static String field(Figure figure) {
        return switch (figure) {
            case CAPACITANCE -> "capacitanceFarads";
            case ESR -> "esrOhms";
            case DISSIPATION -> "dissipation";
            case QUALITY -> "quality";
            case LEAKAGE -> "leakageAmperes";
            case INSULATION -> "insulationOhms";
        };
    }
}
