package org.yellowhearth.core.practice;

import java.util.Comparator;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * What power does to a practice set in which something was left wrong, and how long that takes. A
 * part counts as gone only once the fitting sheet says that a new one is in. The bounds are common
 * practice: the supply of such a set gives some tenths of an ampere and burns above that within
 * seconds; a can that turns more than a watt and a half into heat goes on to boil; some volts too
 * many at its grid ruin an output valve; heaters stand a tenth more than their voltage.
 */
public final class FullPower {
  private static final double SUPPLY_AMPERES = 0.3;
  private static final double CAN_WATTS = 1.5;
  private static final double GRID_VOLTS = 5;
  private static final double GRID_LEAK_OHMS = 470e3;
  private static final double HEATERS_STAND = 1.1;
  private static final double HEATER_VOLTS = 6.3;

  private final Exercise exercise;
  private final Job job;
  private final ToDoubleFunction<PartRef> volts;

  /** What goes, and after how many seconds under this power. */
  public record Wreck(Message why, double afterSeconds) {}

  private FullPower(Exercise exercise, Job job, ToDoubleFunction<PartRef> volts) {
    this.exercise = exercise;
    this.job = job;
    this.volts = volts;
  }

  /** What full mains wrecks, the first to go; nothing where it plays. */
  public static Optional<Wreck> wrecks(Exercise exercise, Job job, Knowledge knowledge) {
    return wrecks(exercise, job, knowledge, 1, Optional.empty());
  }

  /** What a stretch of power wrecks if it lasts. */
  public static Optional<Wreck> wrecks(
      Exercise exercise, Job job, Knowledge knowledge, PowerSpan span) {
    double nominal = exercise.plate().mains().map(SetPlate.Mains::volts).orElse(0.0);
    Optional<Lamp> lamp =
        span.lampWatts().isPresent()
            ? Optional.of(Lamp.cold(span.lampWatts().getAsDouble(), nominal))
            : Optional.empty();
    return wrecks(exercise, job, knowledge, span.share(), lamp);
  }

  private static Optional<Wreck> wrecks(
      Exercise exercise, Job job, Knowledge knowledge, double share, Optional<Lamp> lamp) {
    FullPower power = new FullPower(exercise, job, volts(exercise, job, knowledge, share, lamp));
    double over = share * exercise.overSetting(job);
    Stream<Wreck> heaters =
        over > HEATERS_STAND
            ? Stream.of(
                new Wreck(
                    Message.of(
                        PracticeWords.OVERVOLTED,
                        Quantity.volts(exercise.setting(job)),
                        Quantity.volts(HEATER_VOLTS * over)),
                    60))
            : Stream.empty();
    return Stream.concat(
            exercise.faults().stream()
                .map(t -> exercise.now(job, t.part()))
                .flatMap(t -> power.wreck(t).stream()),
            heaters)
        .min(Comparator.comparingDouble(Wreck::afterSeconds));
  }

  /**
   * The direct voltage at a part: by the engine where the supply is drawn, else that of the rail.
   */
  private static ToDoubleFunction<PartRef> volts(
      Exercise exercise, Job job, Knowledge knowledge, double share, Optional<Lamp> lamp) {
    double rail = share * exercise.rail().volts();
    Optional<Supply> truly = TrueSupply.of(exercise, job, knowledge);
    if (truly.isEmpty()) {
      return _ -> rail;
    }
    Supply at = TurnedUp.at(truly.get(), share, share, TurnedUp.Loads.VALVES);
    try {
      Settled settled = Settled.of(lamp.map(at::behind).orElse(at));
      return part ->
          job.items(SupplyFilter.class).stream()
              .filter(f -> f.shunt().equals(Optional.of(part)))
              .findFirst()
              .map(f -> Math.abs(settled.waves().voltage(f.to()).mean()))
              .orElse(rail);
    } catch (NoSolutionException _) {
      // Nothing steady: what a rail may come to without a load is what counts.
      return _ -> rail;
    }
  }

  private Optional<Wreck> wreck(Truth truth) {
    if (!(exercise.part(truth.part()) instanceof Capacitor c)) {
      return Optional.empty();
    }
    double here = volts.applyAsDouble(truth.part());
    double amperes = here / truth.leakOhms();
    String part = truth.part().toString();
    boolean onRail =
        exercise.rail().parts().contains(truth.part())
            || job.items(SupplyFilter.class).stream()
                .anyMatch(f -> f.shunt().equals(Optional.of(truth.part())));
    if (onRail && amperes > SUPPLY_AMPERES) {
      return Optional.of(
          new Wreck(Message.of(PracticeWords.BURNT, part, Quantity.amperes(amperes)), 3));
    }
    if (onRail && amperes * here > CAN_WATTS) {
      return Optional.of(
          new Wreck(Message.of(PracticeWords.BURST, part, Quantity.watts(amperes * here)), 30));
    }
    double grid = here * GRID_LEAK_OHMS / (GRID_LEAK_OHMS + truth.leakOhms());
    boolean couples =
        c.role() == Role.COUPLING
            || c.role() == Role.GRID_COUPLING
            || c.role() == Role.OUTPUT_COUPLING;
    if (couples && grid > GRID_VOLTS) {
      return Optional.of(
          new Wreck(Message.of(PracticeWords.OVERRUN, part, Quantity.volts(grid)), 20));
    }
    return Optional.empty();
  }
}
