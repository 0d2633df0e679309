package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;

/**
 * What new parts do to a supply, side by side with the supply as it was when new.
 *
 * @param rails the points that sections name
 * @param surge the greatest first surge of any rectifier (A)
 */
public record ChoiceEffect(List<Rail> rails, Pair surge) {
  /** When new, and with what was chosen. */
  public record Pair(double original, double chosen) {}

  /**
   * A point.
   *
   * @param volts direct voltage
   * @param ripple peak to peak (V)
   */
  public record Rail(String name, Pair volts, Pair ripple) {}

  public ChoiceEffect {
    rails = List.copyOf(rails);
  }

  /**
   * A new part.
   *
   * @param esrOhms none where it is not known; that of the drawing's part then
   */
  public record New(double farads, OptionalDouble esrOhms) {}

  /**
   * The supply of a model with some of its capacitors changed; none where it cannot be worked out.
   */
  public static Optional<ChoiceEffect> of(
      SupplyModel model, Map<PartRef, New> chosen, Watcher watcher) {
    return of(model, chosen, List.of(), watcher);
  }

  /** The same with rectifiers that gave way to silicon. */
  public static Optional<ChoiceEffect> of(
      SupplyModel model, Map<PartRef, New> chosen, List<RectifierSwap> swaps, Watcher watcher) {
    return model
        .supply()
        .flatMap(drawn -> {
          Supply changed = swapped(with(drawn, chosen), swaps);
          SupplyFigures before = SupplyFigures.of(drawn, model.points());
          SupplyFigures after = SupplyFigures.of(changed, model.points());
          if (before.trouble().isPresent() || after.trouble().isPresent()) {
            return Optional.empty();
          }
          List<Rail> rails = new ArrayList<>();
          for (int k = 0; k < before.points().size(); k++) {
            SupplyFigures.Point b = before.points().get(k);
            SupplyFigures.Point a = after.points().get(k);
            rails.add(
                new Rail(
                    b.name(),
                    new Pair(b.dcVolts(), a.dcVolts()),
                    new Pair(b.ripplePeakToPeak(), a.ripplePeakToPeak())));
          }
          try {
            return Optional.of(
                new ChoiceEffect(
                    rails,
                    new Pair(
                        surge(drawn, s -> watcher.goOn(s / 2)),
                        surge(changed, s -> watcher.goOn(0.5 + s / 2)))));
          } catch (BadCircuitException | NoSolutionException _) {
            return Optional.empty();
          }
        });
  }

  /**
   * What the choices of a job put into its supply; those that something other than capacitors was
   * chosen for are left out.
   */
  public static Map<PartRef, New> chosen(Job job, Knowledge knowledge) {
    Map<PartRef, New> all = new HashMap<>();
    for (Choice c : job.items(Choice.class)) {
      if (c.all().stream().allMatch(t -> t.ware() instanceof CapacitorWare)) {
        all.put(c.part(), of(combination(c, knowledge)));
      }
    }
    return all;
  }

  /** A combination as a new part. */
  public static New of(Combination combination) {
    return new New(combination.farads(), combination.esrOhms());
  }

  /** What a choice of capacitors makes of them. */
  static Combination combination(Choice choice, Knowledge knowledge) {
    return Substitute.combined(choice, t -> candidate(t, knowledge));
  }

  private static Candidate candidate(Choice.Taken t, Knowledge knowledge) {
    CapacitorWare w = (CapacitorWare) t.ware();
    boolean polar = knowledge.kinds().containsKey(w.kind()) && knowledge.kind(w.kind()).polarised();
    return new Candidate(
        t.stock(),
        w.farads(),
        w.tolerance(),
        w.volts(),
        polar,
        w.esrOhms(),
        w.rippleAmperes(),
        0,
        0);
  }

  /** A supply whose rectifiers gave way to silicon. */
  static Supply swapped(Supply supply, List<RectifierSwap> swaps) {
    Supply now = supply;
    for (RectifierSwap s : swaps) {
      now =
          s.swapped() ? RectifierChange.changed(now, s.rectifier(), s.seriesOhms().orElse(0)) : now;
    }
    return now;
  }

  private static double surge(Supply supply, Watcher watcher) {
    return Inrush.of(supply, List.of(), Map.of(), watcher).map(Inrush::peakAmperes).orElse(0.0);
  }

  /** A supply with new capacitors. */
  static Supply with(Supply supply, Map<PartRef, New> chosen) {
    return supply.tuned((knob, now) -> {
      Optional<New> n = PartRef.parse(knob.element()).map(chosen::get);
      return switch (knob.which()) {
        case CAPACITANCE -> n.map(New::farads).orElse(now);
        case SERIES_RESISTANCE ->
            n.filter(x -> x.esrOhms().isPresent()).map(x -> x.esrOhms().getAsDouble()).orElse(now);
        default -> now;
      };
    });
  }
}
