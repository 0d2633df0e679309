package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;

/**
 * The places where charge is held, from the description of the supply: every point with a capacitor
 * on it, at the highest it comes to while valves are cold, drained by what is described from it to
 * the chassis. Loads drain nothing here: a set whose valves are cold or out keeps its charge.
 */
public final class SupplyRails {

  private SupplyRails() {}

  /** The rails that are not listed yet; none while the supply cannot be worked out. */
  public static List<Rail> of(Job job, Knowledge knowledge, Supplier<String> ids) {
    SupplyModel model =
        SupplyModel.of(job, knowledge, SupplyModel.View.AS_DRAWN, OptionalDouble.empty());
    if (model.supply().isEmpty()) {
      return List.of();
    }
    Map<String, Double> highest = highest(model.supply().get(), model);
    List<Rail> listed = job.items(Rail.class);
    List<Rail> all = new ArrayList<>();
    for (String point : model.points()) {
      Holding h = new Holding();
      job.items(SupplySection.class)
          .forEach(s -> h.add(s, point, Parameter.all(model.supply().get())));
      boolean known =
          listed.stream()
              .anyMatch(
                  r -> r.name().equals(point) || r.parts().stream().anyMatch(h.parts::contains));
      double volts = highest.getOrDefault(point, 0.0);
      if ((!h.parts.isEmpty() || h.farads > 0) && !known && volts >= 1) {
        boolean drained = h.conductance > 0;
        all.add(
            new Rail(
                ids.get(),
                point,
                Math.ceil(volts),
                h.parts,
                h.farads > 0 ? OptionalDouble.of(h.farads) : OptionalDouble.empty(),
                Rail.USUAL_KIND,
                drained ? Rail.Bleeder.MARKED : Rail.Bleeder.NONE,
                drained ? OptionalDouble.of(1 / h.conductance) : OptionalDouble.empty()));
      }
    }
    return all;
  }

  /** What hangs on a point. */
  private static final class Holding {
    private final List<PartRef> parts = new ArrayList<>();
    private double farads;
    private double conductance;

    void add(SupplySection section, String point, Map<Parameter, Double> values) {
      switch (section) {
        case SupplyFilter f when f.to().equals(point) || f.from().equals(point) -> {
          if (f.to().equals(point)) {
            f.shunt().ifPresentOrElse(parts::add, () -> farads += f.farads().orElse(0));
          }
          if (f.to().equals(SupplySection.CHASSIS)) {
            conductance +=
                f.through()
                    .map(p -> new Parameter(p.toString(), Parameter.Which.RESISTANCE))
                    .map(values::get)
                    .map(ohms -> 1 / ohms)
                    .orElseGet(() -> f.ohms().isPresent() ? 1 / f.ohms().getAsDouble() : 0);
          }
        }
        // The two of a full-wave doubler lie in series across its point.
        case SupplyRectifier r
            when r.to().equals(point) && r.scheme() == SupplyRectifier.Scheme.FULL_WAVE_DOUBLER -> {
          double first = value(values, r.first().map(PartRef::toString).orElse("C-" + r.name()));
          double second = value(values, r.second().map(PartRef::toString).orElse("C-" + r.to()));
          farads += first * second / (first + second);
        }
        case SupplyRectifier r
            when r.to().equals(point) && r.scheme() == SupplyRectifier.Scheme.CASCADE_DOUBLER ->
            r.second().ifPresentOrElse(parts::add, () -> farads += r.secondFarads().orElse(0));
        default -> {}
      }
    }

    private static double value(Map<Parameter, Double> values, String element) {
      return values.getOrDefault(new Parameter(element, Parameter.Which.CAPACITANCE), 1e-6);
    }
  }

  private static Map<String, Double> highest(Supply supply, SupplyModel model) {
    Map<String, Double> highest = new HashMap<>();
    try {
      Inrush.of(supply, model.points(), Map.of(), Watcher.NOBODY)
          .ifPresent(i -> i.rails().forEach(r -> highest.put(r.name(), r.highestVolts())));
    } catch (BadCircuitException | NoSolutionException _) {
      // Trace says why; no rail is made of what cannot be worked out.
      return Map.of();
    }
    return highest;
  }
}
