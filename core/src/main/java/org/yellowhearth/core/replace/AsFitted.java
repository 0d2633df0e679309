package org.yellowhearth.core.replace;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.supply.Supply;

/**
 * A supply with what the fitting sheet says is in it: new parts where they are fitted, the old ones
 * elsewhere.
 *
 * @param ratedVolts what each capacitor in it is made for, old or new, where that is known
 */
public record AsFitted(Supply supply, Map<PartRef, Double> ratedVolts) {
  /** A new part leaks less than anything shows. */
  private static final double NO_LEAK_OHMS = 1e9;

  public AsFitted {
    ratedVolts = Map.copyOf(ratedVolts);
  }

  /**
   * The supply as fitted.
   *
   * @param now with the old parts as they are
   */
  public static AsFitted of(Supply now, Job job, Knowledge knowledge) {
    Map<PartRef, Combination> fitted = new HashMap<>();
    Set<PartRef> in =
        job.items(Fitting.class).stream()
            .filter(Fitting::fitted)
            .map(Fitting::part)
            .collect(Collectors.toSet());
    job.items(Choice.class).stream()
        .filter(c -> in.contains(c.part()))
        .filter(c -> c.all().stream().allMatch(t -> t.ware() instanceof CapacitorWare))
        .forEach(c -> fitted.put(c.part(), ChoiceEffect.combination(c, knowledge)));
    Map<PartRef, Double> rated = new HashMap<>();
    for (Capacitor c : job.capacitors()) {
      c.ratedVolts().ifPresent(v -> rated.put(c.ref(), v));
    }
    fitted.forEach((ref, c) -> rated.put(ref, c.ratedVolts()));
    Set<String> done =
        job.items(BenchTask.class).stream()
            .filter(BenchTask::done)
            .map(BenchTask::id)
            .collect(Collectors.toSet());
    List<RectifierSwap> swapped =
        job.items(RectifierSwap.class).stream()
            .filter(s -> s.swapped() && done.contains(FittingSheet.stepOf(s)))
            .toList();
    return new AsFitted(ChoiceEffect.swapped(with(now, fitted), swapped), rated);
  }

  private static Supply with(Supply supply, Map<PartRef, Combination> fitted) {
    return supply.tuned((knob, is) -> {
      Optional<Combination> c = PartRef.parse(knob.element()).map(fitted::get);
      return c.isEmpty()
          ? is
          : switch (knob.which()) {
            case CAPACITANCE -> c.get().farads();
            case SERIES_RESISTANCE -> c.get().esrOhms().orElse(is);
            case LEAKAGE_RESISTANCE -> NO_LEAK_OHMS;
            default -> is;
          };
    });
  }
}
