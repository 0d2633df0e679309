package org.yellowhearth.core.marking;

/** What a written unit measures. */
public enum Dimension {
  CAPACITANCE,
  RESISTANCE,
  INDUCTANCE,
  POWER,
  VOLTAGE,
  ALTERNATING_VOLTAGE,
  CURRENT,
  CONDUCTANCE,
  FREQUENCY,
  PERCENT,
  MINUTES,
  CELSIUS
}
