package org.yellowhearth.core.belief;

import org.yellowhearth.core.message.Coded;

/** Where a value comes from, the best known first. */
public enum Origin implements Coded {
  /** Typed in the description of the supply. */
  TYPED,
  /** As last read of the part, out of circuit. */
  MEASURED,
  /** As what it was found to be makes it: open, shorted, dried out. */
  FOUND,
  /** As parts of its kind and age most often are. */
  GUESSED,
  /** As marked on the part. */
  MARKED,
  /** Taken so because nothing is known; it may be typed. */
  ASSUMED
}
