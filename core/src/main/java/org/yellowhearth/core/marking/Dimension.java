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
  FREQUENCY,
  PERCENT,
  MINUTES,
  CELSIUS
}
