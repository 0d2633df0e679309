package org.yellowhearth.core.replace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Inrush;

/**
 * What the mains side of a set comes to, by what is in it or was chosen for it.
 *
 * @param lineVolts of the plate
 * @param earthFarads every capacitor from the line to the chassis, together
 * @param touchAmperes what that lets through to a hand; none where there is no such capacitor
 * @param acrossFarads every capacitor across the line, together
 * @param bleeder the resistor across them; none where there are none
 * @param runningAmperes from the line, by the engine
 * @param squareSeconds the worst period of switching on, in A²s
 */
public record MainsWork(
    double lineVolts,
    double earthFarads,
    OptionalDouble touchAmperes,
    double acrossFarads,
    Optional<MainsSide.Bleeder> bleeder,
    OptionalDouble runningAmperes,
    OptionalDouble squareSeconds,
    Optional<MainsSide.Fuse> fuse) {
  /** Watts to volts and amperes: a rectifier takes its current in pulses (common practice). */
  static final double POWER_FACTOR = 0.8;

  /**
   * A transformer switched on at the wrong moment takes so many times its running current for half
   * a period (common practice: ten to fifteen times).
   */
  static final double MAGNETISING_TIMES = 15;

  /** The sums of a job; none where its plate names no alternating mains. */
  public static Optional<MainsWork> of(Job job, Optional<Supply> supply, Watcher watcher) {
    return job.plate().mains().filter(m -> m.hertz() > 0).map(m -> of(job, m, supply, watcher));
  }

  private static MainsWork of(
      Job job, SetPlate.Mains mains, Optional<Supply> supply, Watcher watcher) {
    double earth = together(job, Role.LINE_TO_CHASSIS);
    double across = together(job, Role.ACROSS_LINE);
    OptionalDouble running = OptionalDouble.empty();
    OptionalDouble squares = OptionalDouble.empty();
    Optional<MainsSide.Fuse> fuse = Optional.empty();
    if (supply.isPresent()) {
      try {
        Supply s = supply.get();
        double amperes = Settled.of(s).mainsWatts() / s.mains().volts() / POWER_FACTOR;
        double inrush = Math.max(charging(s, watcher), magnetising(s, amperes));
        if (amperes > 0 && inrush > 0) {
          running = OptionalDouble.of(amperes);
          squares = OptionalDouble.of(inrush);
          fuse = MainsSide.fuse(amperes, inrush);
        }
      } catch (BadCircuitException | NoSolutionException _) {
        // Without a steady state nothing is known of its currents, and the record says so by their
        // absence.
        running = OptionalDouble.empty();
      }
    }
    return new MainsWork(
        mains.volts(),
        earth,
        earth > 0
            ? OptionalDouble.of(MainsSide.touchAmperes(earth, mains.volts(), mains.hertz()))
            : OptionalDouble.empty(),
        across,
        across > 0 ? MainsSide.bleeder(across, mains.volts()) : Optional.empty(),
        running,
        squares,
        fuse);
  }

  /** What stands in a role, new where something was chosen. */
  private static double together(Job job, Role role) {
    return job.capacitors().stream()
        .filter(c -> c.role() == role)
        .mapToDouble(c -> farads(job, c))
        .sum();
  }

  private static double farads(Job job, Capacitor c) {
    return job.of(c.ref(), Choice.class).stream()
        .findFirst()
        .map(choice ->
            choice.all().stream()
                .map(Choice.Taken::ware)
                .filter(CapacitorWare.class::isInstance)
                .mapToDouble(w -> w.value())
                .sum())
        .orElse(c.farads());
  }

  /** The worst period of charging the reservoirs, as the line sees it (A²s). */
  private static double charging(Supply supply, Watcher watcher) {
    return Inrush.of(supply, List.of(), Map.of(), watcher).stream()
        .flatMap(i -> i.stresses().stream())
        .mapToDouble(s -> s.surgeSquareSeconds() * Math.pow(turns(supply, s.device()), 2))
        .max()
        .orElse(0);
  }

  /** Volts of a rectifier's winding for each volt of the line. */
  private static double turns(Supply supply, String device) {
    String id = Parameter.whole(device, supply.sectionIds());
    String winding =
        supply.sections().stream()
            .filter(s -> s.id().equals(id))
            .map(s ->
                switch (s) {
                  case Section.Rectify r -> r.winding();
                  case Section.Doubler d -> d.winding();
                  default -> "";
                })
            .findFirst()
            .orElse("");
    return supply.sections().stream()
        .filter(s -> s instanceof Section.Winding && s.id().equals(winding))
        .mapToDouble(s -> ((Section.Winding) s).volts() / supply.mains().nominalVolts())
        .findFirst()
        .orElse(1);
  }

  private static double magnetising(Supply supply, double amperes) {
    boolean transformer =
        supply.sections().stream()
            .filter(Section.Winding.class::isInstance)
            .map(Section.Winding.class::cast)
            .anyMatch(
                w -> w.tapped() || Math.abs(w.volts() / supply.mains().nominalVolts() - 1) > 0.02);
    double peak = MAGNETISING_TIMES * amperes;
    return transformer ? peak * peak / 2 * (0.5 / supply.mains().hertz()) : 0;
  }
}
