package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * Something in the set that a caution, a check or the mains comparison turns on, and that neither
 * plate nor census tells.
 */
public enum Feature implements Coded {
  SELENIUM_RECTIFIER,
  MERCURY_PART,
  OIL_FILLED_PART,
  SPILLED_ELECTROLYTE,
  ASBESTOS,
  BERYLLIA,
  LUMINOUS_DIAL,
  LEADED_PARTS,
  HIGH_VOLTAGE_SHUNT,
  MOS_DEVICES,
  HEAT_SINKS,
  MAINS_MOTOR,
  MAINS_LOCKED_FIELD,
  INTEGRATING_METER,
  CONSTANT_VOLTAGE_TRANSFORMER
}
