package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Setup;

/**
 * What the readings of a step most likely mean: the model and the method of Trace, with the set as
 * it stands at that step.
 */
public final class StopCause {
  private static final double METER = 0.02;
  private static final Set<PowerUpPlan.Clip> BESIDE =
      Set.of(PowerUpPlan.Clip.HEATERS, PowerUpPlan.Clip.TAKEN);

  private StopCause() {}

  /**
   * The likeliest single faults, the likeliest first; nothing where nothing was read on the supply
   * itself.
   *
   * @param step the supply as it stands at that step
   * @param spread the standard tolerance of each value, as a fraction
   * @param odds of each part being bad before anything was read
   */
  public static List<Diagnosis.Explanation> of(
      Supply step,
      Map<PowerUpPlan.Clip, Double> read,
      Map<Parameter, Double> spread,
      Map<String, Double> odds,
      Watcher watcher) {
    List<Diagnosis.Datum> data = new ArrayList<>();
    read.forEach((clip, value) -> {
      if (!BESIDE.contains(clip)) {
        data.add(
            Diagnosis.Datum.of(
                clip.point(),
                clip.shows() == PowerUpPlan.Shows.ALTERNATING
                    ? SupplyReading.Kind.TRUE_RMS
                    : SupplyReading.Kind.DIRECT,
                value,
                METER));
      }
    });
    List<String> points = data.stream().map(Diagnosis.Datum::point).distinct().toList();
    Optional<Diagnosis> d =
        data.isEmpty()
            ? Optional.empty()
            : Diagnosis.of(
                new Diagnosis.Question(step, points, data, spread, odds, List.of(Setup.PLAIN)),
                watcher);
    return d.map(Diagnosis::singles).orElse(List.of());
  }
}
