package org.yellowhearth.core.reform;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.safety.DischargePlan;

/**
 * What a plan means in figures.
 *
 * @param steps each step
 * @param coulombs charge at the target voltage, Q = C·V
 * @param joules energy at the target voltage, E = C·V²/2
 * @param rehearsals the plan played through with three assumed histories, easiest first: kept well,
 *     usual, hard; empty for tantalum, of whose oxide there is no model here
 */
public record PlanFigures(
    List<StepFigures> steps, double coulombs, double joules, List<Rehearsal> rehearsals) {
  /** Left under power into a short for good, with as much again to spare. */
  private static final double TO_SPARE = 2;

  private static final double STEEPNESS = 22;
  private static final double OXIDE_COULOMBS = 430;

  /**
   * A can that gets rid of a watt at ten kelvin weighs about as much as holds so many joules a
   * kelvin (aluminium and wet paper, common practice).
   */
  private static final double JOULES_PER_KELVIN_WATT = 90;

  /**
   * One step.
   *
   * @param shortAmperes current into a shorted capacitor, the least of V/R and the supply's limit
   * @param shortWatts power in the resistor then
   * @param resistorWatts the rating that stands it for good; empty where none is made
   * @param atGateVolts across the capacitor when the gate opens, V − R·I
   * @param chargeSeconds to charge the bare capacitance: at constant current to where the resistor
   *     takes over, then five time constants
   */
  public record StepFigures(
      double shortAmperes,
      double shortWatts,
      OptionalDouble resistorWatts,
      double atGateVolts,
      double chargeSeconds) {}

  public PlanFigures {
    steps = List.copyOf(steps);
    rehearsals = List.copyOf(rehearsals);
  }

  /**
   * How well one was kept: formation voltage as a share of the rating, share of the oxide to be
   * healed.
   */
  private enum History {
    WELL(0.9, 0.008),
    USUAL(0.7, 0.03),
    HARD(0.55, 0.06);

    private final double formed;
    private final double flawed;

    History(double formed, double flawed) {
      this.formed = formed;
      this.flawed = flawed;
    }
  }

  /** The figures of a plan for a part. */
  public static PlanFigures of(ReformPlan plan, double farads, double ratedVolts) {
    List<Rehearsal> played =
        plan.school() == ReformPlan.ReformSchool.TANTALUM_SOAK
            ? List.of()
            : Arrays.stream(History.values())
                .map(h -> rehearse(plan, make(plan, farads, ratedVolts, h)))
                .sorted(Comparator.comparingDouble(Rehearsal::seconds))
                .toList();
    return new PlanFigures(
        plan.steps().stream().map(s -> figures(s, farads)).toList(),
        farads * plan.targetVolts(),
        farads * plan.targetVolts() * plan.targetVolts() / 2,
        played);
  }

  private static Rehearsal rehearse(ReformPlan plan, FormingCapacitor.Make make) {
    return Rehearsal.of(plan, new FormingCapacitor(make), Rehearsal.Meter.LINKED, new Random(1));
  }

  private static FormingCapacitor.Make make(
      ReformPlan plan, double farads, double ratedVolts, History h) {
    FormingCapacitor.Oxide oxide =
        new FormingCapacitor.Oxide(
            h.formed * ratedVolts,
            0.03 * plan.limitAmperes(),
            STEEPNESS,
            1 / (OXIDE_COULOMBS * farads * ratedVolts * h.flawed),
            1);
    return new FormingCapacitor.Make(
        farads,
        1,
        ratedVolts,
        oxide,
        new FormingCapacitor.Heat(
            plan.bounds().warmKelvin() / plan.bounds().watts(),
            JOULES_PER_KELVIN_WATT * plan.bounds().watts()),
        new FormingCapacitor.Flaw(0.1 * plan.limitAmperes() / ratedVolts, 0, 1.5 * ratedVolts));
  }

  private static StepFigures figures(ReformPlan.Step s, double farads) {
    double into = Math.min(s.volts() / s.ohms(), s.limitAmperes());
    double watts = into * into * s.ohms();
    OptionalDouble made =
        DischargePlan.WATTAGES.stream()
            .filter(w -> w >= TO_SPARE * watts)
            .mapToDouble(Double::doubleValue)
            .findFirst();
    double atConstantCurrent = Math.max(0, s.volts() - s.limitAmperes() * s.ohms());
    return new StepFigures(
        into,
        watts,
        made,
        s.volts() - s.ohms() * s.gateAmperes(),
        farads * atConstantCurrent / s.limitAmperes() + 5 * s.ohms() * farads);
  }

  /**
   * How long each step of a plan is expected to take (s), played through with the usual history; of
   * tantalum, its hold.
   */
  public static List<Double> expectedSeconds(ReformPlan plan, double farads, double ratedVolts) {
    return plan.school() == ReformPlan.ReformSchool.TANTALUM_SOAK
        ? plan.steps().stream().map(ReformPlan.Step::holdSeconds).toList()
        : rehearse(plan, make(plan, farads, ratedVolts, History.USUAL)).stepSeconds(plan);
  }

  /** The least and the most of what it takes (s), where it was played through. */
  public OptionalDouble leastSeconds() {
    return rehearsals.stream().mapToDouble(Rehearsal::seconds).min();
  }

  public OptionalDouble mostSeconds() {
    return rehearsals.stream().mapToDouble(Rehearsal::seconds).max();
  }
}
