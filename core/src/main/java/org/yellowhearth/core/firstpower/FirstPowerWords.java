package org.yellowhearth.core.firstpower;

import org.yellowhearth.core.message.MessageKey;

/** What can be said of a set's first power. */
public enum FirstPowerWords implements MessageKey {
  READY_CHECKS,
  READY_SHEET,
  READY_SHEET_DONE,
  READY_REVERSED,
  READY_OWED,
  READY_CONDEMNED,
  READY_ISOLATED,
  READY_EMPTY,
  READY_METERS, //
  READY_LAMP,
  READY_NO_LAMP,
  READY_VALVES_OUT,
  READY_FED,
  READY_HANDS,
  READY_SWITCHED_OFF, //
  NOTE_RATING,
  NOTE_NOT_DESCRIBED,
  NOTE_NO_HEATERS,
  NOTE_LAMP_STARVES,
  NOTE_LAMP_LARGE,
  NOTE_NO_LAMP,
  NOTE_POLARITY_LATE,
  NOTE_NO_SIGN,
  NOTE_VALVE_RECTIFIER
}
