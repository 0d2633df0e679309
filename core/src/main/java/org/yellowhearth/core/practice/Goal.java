package org.yellowhearth.core.practice;

import org.yellowhearth.core.message.Coded;

/**
 * What an exercise asks beside right verdicts; each is looked up in the journal as the real stages
 * write it.
 */
public enum Goal implements Coded {
  /** The voltage setting is that of the mains. */
  SET_RIGHT,
  /** Every part stands in the census with the value and rating that are printed on it. */
  LISTED,
  /** Nothing is left on the rail. */
  EMPTIED,
  /** What comes up was brought up. */
  FORMED,
  /** What goes has something acceptable chosen in its place. */
  CHOSEN,
  /** First power under a plan, held at full line. */
  WOKEN,
  /** Every point of the drawing was read. */
  CHARTED
}
