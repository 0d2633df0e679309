package org.yellowhearth.core.safety;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * A place in the set where charge is held: a rail, or the anode of the picture tube.
 *
 * @param litVolts the highest it stands at under power
 * @param likelyFarads its capacitance as measured last, else as marked
 * @param highFarads the most it can be: measured, or marked with its upper tolerance, whichever is
 *     more
 * @param complete whether every part listed on it is in the census; else nothing can be said of it
 * @param absorption the share of charge its dielectrics hold back
 * @param stacked whether its capacitors stand one on another
 */
public record Store(
    String id,
    String name,
    double litVolts,
    double likelyFarads,
    double highFarads,
    boolean complete,
    double absorption,
    Rail.Bleeder bleeder,
    OptionalDouble bleederOhms,
    boolean stacked) {
  /** A common anode capacitance where nobody knows better (common practice: 0.5 to 3 nF). */
  public static final double ANODE_FARADS = 2e-9;

  private static final double HIGHEST_ANODE_FARADS = 3e-9;

  /**
   * What the glass holds back, on the high side (our choice; common practice is only that it comes
   * back).
   */
  private static final double GLASS_ABSORPTION = 0.05;

  /** All stores of a job. */
  public static List<Store> of(Job job, Knowledge knowledge) {
    List<Store> stores =
        new ArrayList<>(job.items(Rail.class).stream().map(r -> of(r, job, knowledge)).toList());
    job.aspect(Build.class)
        .pictureTube()
        .ifPresent(t ->
            stores.add(
                new Store(
                    Edit.PICTURE_TUBE,
                    Edit.PICTURE_TUBE,
                    t.anodeVolts(),
                    t.farads().orElse(ANODE_FARADS),
                    Math.max(HIGHEST_ANODE_FARADS, t.farads().orElse(0)),
                    true,
                    GLASS_ABSORPTION,
                    Rail.Bleeder.NONE,
                    OptionalDouble.empty(),
                    false)));
    return List.copyOf(stores);
  }

  /** A rail as it follows from the census and its readings. */
  public static Store of(Rail rail, Job job, Knowledge knowledge) {
    double likely = 0;
    double high = 0;
    double held = 0;
    for (Capacitor part :
        rail.parts().stream().flatMap(ref -> job.capacitor(ref).stream()).toList()) {
      likely += likely(part, job);
      high += most(part, job, knowledge);
      held += most(part, job, knowledge) * knowledge.kind(part.kind()).absorption();
    }
    Optional<Stack> stack = Stack.of(rail, job);
    if (stack.isPresent()) {
      double beside = high;
      likely = stack.get().farads(c -> likely(c, job));
      high = stack.get().farads(c -> most(c, job, knowledge));
      held *= high / beside;
    }
    if (rail.otherFarads().isPresent()) {
      CapacitorKind kind = knowledge.kind(rail.otherKind());
      double most = rail.otherFarads().getAsDouble() * (1 + kind.usualTolerance());
      likely += rail.otherFarads().getAsDouble();
      high += most;
      held += most * kind.absorption();
    }
    double least = 1e-12;
    return new Store(
        rail.id(),
        rail.name(),
        rail.volts(),
        Math.max(likely, least),
        Math.max(high, least),
        rail.parts().stream().allMatch(ref -> job.capacitor(ref).isPresent()),
        high > 0 ? held / high : 0,
        rail.bleeder(),
        rail.bleederOhms(),
        stack.isPresent());
  }

  private static double measured(Capacitor part, Job job) {
    return job.readingsOf(part.ref()).reversed().stream()
        .map(Reading::figures)
        .filter(f -> f.has(Figure.CAPACITANCE))
        .map(f -> f.get(Figure.CAPACITANCE).getAsDouble())
        .findFirst()
        .orElse(0.0);
  }

  private static double likely(Capacitor part, Job job) {
    double measured = measured(part, job);
    return measured > 0 ? measured : part.farads();
  }

  private static double most(Capacitor part, Job job, Knowledge knowledge) {
    double above =
        part.tolerance().map(Tolerance::above).orElse(knowledge.kind(part.kind()).usualTolerance());
    return Math.max(measured(part, job), part.farads() * (1 + above));
  }

  /** The charge as it most likely goes: every resistor as it is said to be. */
  ChargeModel likely(OptionalDouble clipOhms) {
    return new ChargeModel(
        likelyFarads, absorption, parallel(bleederOhms.orElse(Double.POSITIVE_INFINITY), clipOhms));
  }

  /**
   * The charge on the safe side: the most capacitance, and a bleeder only where it was measured.
   */
  ChargeModel safe() {
    double path =
        bleeder == Rail.Bleeder.MEASURED ? bleederOhms.orElseThrow() : Double.POSITIVE_INFINITY;
    return new ChargeModel(highFarads, absorption, path);
  }

  private static double parallel(double path, OptionalDouble clip) {
    return clip.isEmpty() ? path : 1 / (1 / path + 1 / clip.getAsDouble());
  }
}
