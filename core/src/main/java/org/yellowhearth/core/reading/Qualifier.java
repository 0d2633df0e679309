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
  BOUNCING
}
