package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * What a capacitor may be trusted with at the mains (IEC 60384-14, from memory): X from line to
 * line, Y from line to what can be touched.
 */
public enum SafetyClass implements Coded {
  UNSTATED,
  X2,
  X1,
  Y2,
  Y1;

  /** Whether it may stand from line to line; a Y part always may. */
  public boolean acrossLine() {
    return this != UNSTATED;
  }

  /** Whether it may stand from the line to the chassis. */
  public boolean lineToChassis() {
    return this == Y1 || this == Y2;
  }
}
