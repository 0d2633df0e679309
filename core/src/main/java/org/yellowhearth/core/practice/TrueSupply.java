package org.yellowhearth.core.practice;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.replace.AsFitted;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.SupplyModel;

/**
 * The supply of a practice set as it truly is: what is hidden is in it, what was renewed at the
 * bench is not.
 */
public final class TrueSupply {
  private static final double HERTZ = 100;

  private TrueSupply() {}

  /** The supply; none where the set has none drawn. */
  public static Optional<Supply> of(Exercise exercise, Job job, Knowledge knowledge) {
    return SupplyModel.of(job, knowledge, SupplyModel.View.AS_DRAWN, OptionalDouble.empty())
        .supply()
        .map(s -> hidden(AsFitted.of(s, job, knowledge).supply(), exercise, job));
  }

  /** A supply of this set with everything in it that is hidden. */
  public static Supply hidden(Supply supply, Exercise exercise, Job job) {
    double over = exercise.overSetting(job);
    return supply.tuned((knob, now) ->
        switch (knob.which()) {
          case WINDING_VOLTS -> over * now;
          case OTHER_WATTS -> over * over * now;
          default -> {
            Optional<PartRef> part =
                PartRef.parse(knob.element())
                    .filter(p -> exercise.truths().containsKey(p))
                    .filter(p -> !exercise.renewed(job, p));
            yield part.map(p -> value(knob, exercise.now(job, p), now, exercise, p)).orElse(now);
          }
        });
  }

  private static double value(
      Parameter knob, Truth truth, double now, Exercise exercise, PartRef part) {
    return switch (knob.which()) {
      case CAPACITANCE, RESISTANCE -> truth.value();
      case SERIES_RESISTANCE -> truth.dissipation() / (2 * Math.PI * HERTZ * truth.value());
      case LEAKAGE_RESISTANCE -> truth.leakOhms();
      case CONDUCTANCE -> exercise.part(part) instanceof Valve ? truth.value() * now : now;
      default -> now;
    };
  }
}
