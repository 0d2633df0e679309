package org.yellowhearth.core.fact;

import java.time.Duration;
import java.time.Instant;

/** The set was washed and must dry before power. */
public record DryingHold(String id, Instant washed, double hours, String text) implements Item {
  private static final double SECONDS = 3600;

  public DryingHold {
    Item.requireId(id);
    Checked.within("drying time in hours", hours, 0, 10_000);
  }

  /** When it is dry. */
  public Instant until() {
    return washed.plus(Duration.ofSeconds(Math.round(hours * SECONDS)));
  }
}
