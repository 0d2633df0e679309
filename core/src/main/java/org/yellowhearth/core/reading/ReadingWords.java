package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.MessageKey;

/** What can be said about a line that should have been a reading. */
public enum ReadingWords implements MessageKey {
    VOLTAGE_NOT_A_READING, NOT_A_READING, WORD_NOT_A_READING, FIGURE_TWICE, NO_FIGURE, CONDITION_WITHOUT_FIGURE, FREQUENCY_RANGE, VOLTS_RANGE, MINUTES_RANGE, CELSIUS_RANGE, RATIO_EXPECTED, RATIO_RANGE, RESISTANCE_EXPECTED, CAPACITANCE_EXPECTED, CURRENT_EXPECTED, CONDITION_EXPECTED, FIGURE_EXPECTED
}
