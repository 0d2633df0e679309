package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.message.Coded;

/**
 * Whether a ramp may go on from where it stands, by what the clipped meters show there.
 *
 * @param off meters out of their bands
 * @param unread meters that nobody read yet
 */
public record PowerUpJudgement(
    PowerUpCounsel counsel, List<Off> off, List<PowerUpPlan.Clip> unread) {
  /** What to do. */
  public enum PowerUpCounsel implements Coded {
    /** Something is not read yet. */
    READ,
    /** Nothing is wrong so far, but cathodes and capacitors need their time. */
    SETTLING,
    /** Everything is as expected: hold the time, then go on. */
    HOLD,
    /** Held long enough. */
    GO_ON,
    /** Off, now. */
    STOP
  }

  /**
   * A meter out of its band.
   *
   * @param read what it shows
   * @param expected what it should show
   */
  public record Off(PowerUpPlan.Clip clip, double read, PowerUpPlan.Band expected) {
    /** Whether it shows too much; of a negative rail the magnitude counts. */
    public boolean high() {
      return Math.abs(read) > Math.abs(expected.expected());
    }
  }

  public PowerUpJudgement {
    off = List.copyOf(off);
    unread = List.copyOf(unread);
  }

  /**
   * The judgement at a step.
   *
   * @param seconds since the transformer was turned there
   */
  public static PowerUpJudgement of(
      PowerUpPlan plan, int step, Map<PowerUpPlan.Clip, PowerUpRun.Seen> read, double seconds) {
    PowerUpPlan.Step now = plan.steps().get(step);
    List<Off> off = new ArrayList<>();
    List<PowerUpPlan.Clip> unread = new ArrayList<>();
    for (PowerUpPlan.Clip c : plan.clips()) {
      PowerUpRun.Seen seen = read.get(c);
      if (seen == null) {
        unread.add(c);
        continue;
      }
      boolean settled = seen.seconds() >= now.settleSeconds();
      if (!plan.band(step, c).holds(seen.value(), settled)) {
        off.add(new Off(c, seen.value(), plan.band(step, c)));
      } else if (!settled) {
        unread.add(c);
      }
    }
    PowerUpCounsel counsel =
        !off.isEmpty()
            ? PowerUpCounsel.STOP
            : seconds < now.settleSeconds()
                ? PowerUpCounsel.SETTLING
                : !unread.isEmpty()
                    ? PowerUpCounsel.READ
                    : seconds < now.holdSeconds() ? PowerUpCounsel.HOLD : PowerUpCounsel.GO_ON;
    return new PowerUpJudgement(counsel, off, unread);
  }
}
