package org.yellowhearth.core.benchline;

import org.yellowhearth.core.message.MessageKey;

/** What the bench line itself can say. */
public enum BenchWords implements MessageKey {
    UNKNOWN_REFERENCE, UNKNOWN_REFERENCE_WITH_READING, REFERENCE_EXISTS, REFERENCE_EXPECTED, NO_PART_CHOSEN, NOTHING_TO_CORRECT, NOTE_EMPTY, TOO_LONG, NOTHING_AFTER, //
    NO_RAILS, RAIL_EXPECTED, VOLTS_EXPECTED, OHMS_EXPECTED
}
