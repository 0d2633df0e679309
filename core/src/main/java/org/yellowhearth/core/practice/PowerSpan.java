package org.yellowhearth.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;

/**
 * A stretch of time in which a set had the same mains.
 *
 * @param share of the nominal mains
 * @param lampWatts the lamp in series with it
 * @param to when it was switched off or turned on; none while it lasts
 */
public record PowerSpan(
    double share, OptionalDouble lampWatts, Instant from, Optional<Instant> to) {
  /** The last stretch under power; none where the set never had any. */
  public static Optional<PowerSpan> last(Job job) {
    Optional<PowerSpan> span = Optional.empty();
    for (Job.Happening h : job.events()) {
      span =
          switch (h.event()) {
            case Edit.PowerSwitched(Edit.Power power) ->
                power == Edit.Power.LIT
                    ? Optional.of(
                        new PowerSpan(1, OptionalDouble.empty(), h.at(), Optional.empty()))
                    : span.map(s -> s.ended(h.at()));
            case PoweringUp.PowerUpBegun(String plan) -> step(job, plan, 0, h.at());
            case PoweringUp.PowerUpStepped(String plan, int step) -> step(job, plan, step, h.at());
            default -> span;
          };
    }
    return span;
  }

  private static Optional<PowerSpan> step(Job job, String plan, int step, Instant at) {
    return job.items(PowerUpPlan.class).stream()
        .filter(p -> p.id().equals(plan))
        .findFirst()
        .map(p -> new PowerSpan(p.steps().get(step).share(), p.lampWatts(), at, Optional.empty()));
  }

  private PowerSpan ended(Instant at) {
    return to.isPresent() ? this : new PowerSpan(share, lampWatts, from, Optional.of(at));
  }

  /** How long it has lasted at a moment. */
  public double seconds(Instant now) {
    return Duration.between(from, to.orElse(now)).toMillis() / 1000.0;
  }
}
