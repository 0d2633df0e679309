package org.yellowhearth.core.safety;

import org.yellowhearth.core.message.Coded;

/** What is known of the charge in a set. */
public enum ChargeState implements Coded {
  /** Not measured: treat as charged. */
  UNKNOWN,
  /** Every store known to be under about 1 V, and to stay there. */
  COLD,
  /** Unplugged, but charged or able to recover. */
  BANKED,
  /** Under power. */
  LIT
}
