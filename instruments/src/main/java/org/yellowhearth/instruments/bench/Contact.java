package org.yellowhearth.instruments.bench;

import java.util.Random;

/** How well a clip holds. A loose one lets go now and then and has resistance of its own. */
public enum Contact {
  GOOD(0.05, 0),
  LOOSE(3, 0.3),
  OPEN(1e9, 1);

  private final double ohms;
  private final double chance;

  Contact(double ohms, double chance) {
    this.ohms = ohms;
    this.chance = chance;
  }

  /** Resistance of lead and clip (Ω). */
  double ohms() {
    return ohms;
  }

  /** Whether it has let go at this moment. */
  boolean lost(Random random) {
    return random.nextDouble() < chance;
  }
}
