package org.yellowhearth.core.partslist;

import org.yellowhearth.core.message.MessageKey;

/** What can be said about a line that should have described a part. */
public enum PartsListWords implements MessageKey {
  CAPACITANCE_MISSING,
  STATED_TWICE,
  SECTIONS,
  NOT_PART_OF_A_MARKING,
  UNKNOWN_WORD,
  WORKING_VOLTAGE_EXPECTED,
  TOLERANCE_RANGE,
  VOLTS_RANGE,
  CODE_OR_PICO,
  FARADS_RANGE, //
  WHAT_CAPACITANCE,
  WHAT_VOLTAGE,
  WHAT_TOLERANCE,
  WHAT_KIND,
  WHAT_ROLE,
  WHAT_POLARITY,
  WHAT_WORKING_VOLTAGE, //
  DATE_EXPECTED,
  WHAT_DATE,
  WHAT_CAN_MARK, //
  SORT_UNKNOWN,
  RESISTANCE_MISSING,
  VOLTAGE_MISSING,
  NOT_FOR_SORT,
  WHAT_FIGURE,
  WHAT_WORD,
  GAIN_EXPECTED,
  MEG_OR_THOUSAND,
  MICRO_OR_PICO
}
