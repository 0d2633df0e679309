package org.yellowhearth.core.agenda;

import java.time.Duration;
import java.time.Instant;
import org.yellowhearth.core.message.Coded;

/**
 * Holds the clock of the wall against one that only runs: where the two part, the computer slept or
 * somebody set its clock.
 *
 * @param wall what the wall's clock showed last
 * @param nanos what the other showed then
 */
public record ClockWatch(Instant wall, long nanos) {
  /** Clocks are nudged by a second or two all the time. */
  private static final Duration SLACK = Duration.ofSeconds(30);

  /** What became of the clock. */
  public enum Jump implements Coded {
    NONE,
    AHEAD,
    BACK
  }

  /**
   * What became of it since, and by how much the wall's clock is off from what should have passed.
   */
  public record Seen(Jump jump, Duration by) {}

  /** What happened between then and now. */
  public Seen since(Instant wallNow, long nanosNow) {
    Duration off = Duration.between(wall, wallNow).minusNanos(nanosNow - nanos);
    Jump jump =
        off.abs().compareTo(SLACK) <= 0 ? Jump.NONE : off.isNegative() ? Jump.BACK : Jump.AHEAD;
    return new Seen(jump, off.abs());
  }
}
