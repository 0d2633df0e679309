package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;

/** What an instrument shows beside figures, or instead of them. */
public enum Qualifier implements Coded {
  /** Curve trace: a closed oval, as a sound capacitor draws. */
  OVAL,
  /** Curve trace: a slanting line, as a resistor draws. */
  SLANT,
  /** Curve trace: a bend, as a junction or a breakdown draws. */
  KNEE,
  /** Curve trace: level, no current. */
  FLAT,
  /** Curve trace: upright, a short. */
  UPRIGHT,
  /** The eye of a leakage tester stays open at the test voltage: no current to speak of. */
  INDICATOR_OPEN,
  /** The eye of a leakage tester closes at the test voltage: it leaks. */
  INDICATOR_CLOSED,
  /** The figure comes and goes. */
  INTERMITTENT,
  /** The figure does not settle. */
  BOUNCING,
  /** Open, or the instrument shows nothing. */
  READS_OPEN,
  /** A short. */
  READS_SHORT,
  /** A tester takes a capacitor for a resistor. */
  READS_RESISTOR,
  /** Called bad, by a tester or by who measured it. */
  CALLED_BAD,
  /** Called weak. */
  CALLED_WEAK,
  /** Called good. */
  CALLED_GOOD,
  /** Called dried out. */
  DRIED_OUT,
  /** A control or a contact that crackles. */
  SCRATCHY,
  /** A junction passes nothing the other way. */
  REVERSE_BLOCKS,
  /** A junction conducts the other way too. */
  REVERSE_CONDUCTS,
  /** A valve tester finds no shorts. */
  NO_SHORTS,
  /** A valve tester finds shorts between electrodes, or a leak from heater to cathode. */
  SHORTS,
  /** A valve tester finds no grid current. */
  NO_GRID_LEAK,
  /** A valve tester finds grid current: gas or a leak. */
  GRID_LEAK,
  /** The figure keeps falling. */
  FALLS,
  /** The figure keeps rising. */
  RISES,
  /** The figure pulses. */
  PULSES
}
