package org.yellowhearth.core.part;

import org.yellowhearth.core.message.Coded;

/** The sorts of part a census knows. */
public enum Sort implements Coded {
  CAPACITOR,
  RESISTOR,
  POTENTIOMETER,
  RECTIFIER,
  ZENER,
  TRANSISTOR,
  VALVE,
  WINDING,
  MOVEMENT,
  RELAY,
  FUSE,
  LAMP,
  CONNECTOR,
  BATTERY,
  INTEGRATED_CIRCUIT
}
