package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;

/** How the part was connected while it was measured. */
public enum Connection implements Coded {
  OUT_OF_CIRCUIT,
  ONE_LEG_LIFTED,
  IN_CIRCUIT;

  /** Whether nothing else can have taken part in the reading. */
  public boolean alone() {
    return this != IN_CIRCUIT;
  }
}
