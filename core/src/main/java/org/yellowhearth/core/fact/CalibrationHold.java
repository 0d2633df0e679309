package org.yellowhearth.core.fact;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What must be waited for before calibration points count: a warm-up, a crystal on order, a lid
 * that must be on.
 *
 * @param since when a warm-up began; empty for anything else
 * @param hours how long it takes
 * @param settled whether it is over, or there
 */
public record CalibrationHold(
    String id, String what, Optional<Instant> since, OptionalDouble hours, boolean settled)
    implements Item {
  private static final double MILLIS = 3_600_000;

  public CalibrationHold {
    Item.requireId(id);
    Checked.present("what is waited for", what);
    Checked.within("the hours of a warm-up", hours, 0.01, 1000);
    if (since.isPresent() != hours.isPresent()) {
      throw new IllegalArgumentException("a warm-up has a beginning and its hours");
    }
  }

  /** When a warm-up is over. */
  public Optional<Instant> until() {
    return since.map(s -> s.plus(Duration.ofMillis(Math.round(hours.orElseThrow() * MILLIS))));
  }

  /** Whether it keeps calibration points from counting. */
  public boolean holds(Instant now) {
    return !settled && until().map(now::isBefore).orElse(true);
  }
}
