package org.yellowhearth.core.marking;

/** What a written unit measures. */
public enum Dimension {
    CAPACITANCE, RESISTANCE, VOLTAGE, ALTERNATING_VOLTAGE, CURRENT, FREQUENCY, PERCENT, MINUTES, CELSIUS
}
