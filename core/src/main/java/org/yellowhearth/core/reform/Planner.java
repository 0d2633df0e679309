package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ReformPlan.ReformSchool;
import org.yellowhearth.core.fact.ReformPlan.Step;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.PreferredSeries;

/**
 * Makes a plan by one of the schools.
 *
 * <p>The power bound is what the can gets rid of into still air at a rise of ten kelvin, 10
 * W/(m²·K) over its side and top (textbook figure for natural convection and radiation of small
 * bodies, from memory). The current limit is the school's, never more than the power bound allows
 * at the target voltage.
 */
public final class Planner {
  private static final double WARM_KELVIN = 10;
  private static final double WATTS_PER_AREA_KELVIN = 10;
  private static final double MINUTE = 60;
  private static final double HOUR = 3600;

  /** Common practice for old high-voltage cans: some milliamperes and no more. */
  private static final double GENTLE_AMPERES = 5e-3;

  private static final double SOAK_AMPERES = 1e-3;

  /** Old-stock tantalum of 35 V is run up to about 30 V (common practice). */
  private static final double SOAK_SHARE = 0.857;

  private static final double SOAK_OHMS = 1000;

  /** A resistor may keep this share of the voltage from the capacitor when the gate opens. */
  private static final double DROP = 0.03;

  private static final double LEAST_OHMS = 1000;
  private static final double MOST_OHMS = 10_000;

  /**
   * Preconditioning of the standards, IEC 60384-4, from memory: 100 Ω up to 100 V, 1 kΩ above, one
   * hour.
   */
  private static final double STANDARD_VOLTS = 100;

  private static final double STANDARD_OHMS_LOW = 100;
  private static final double STANDARD_OHMS_HIGH = 1000;
  private static final double STANDARD_AMPERES = 25e-3;
  private static final double HIGHEST_SUPPLY = 600;
  private static final double ABOVE_LIMIT = 1.25;

  /** A working voltage is met with this much to spare. */
  private static final double MARGIN = 1.1;

  private static final int GENTLE_STEPS = 5;

  private Planner() {}

  /** The can, as far as its surface goes (m). */
  public record Can(double diameter, double length) {
    public Can {
      if (!(diameter >= 1e-3 && diameter <= 0.2 && length >= 1e-3 && length <= 0.4)) {
        throw new IllegalArgumentException(
            "a can of "
                + diameter * 1000
                + " by "
                + length * 1000
                + " mm is out of range; expected 1 to 200 mm across and 1 to 400 mm long");
      }
    }

    /** Side and one end (m²); the other sits on the chassis or in the clip. */
    public double area() {
      return Math.PI * diameter * length + Math.PI * diameter * diameter / 4;
    }

    /** The power that warms it by ten kelvin in still air (W). */
    public double watts() {
      return area() * WATTS_PER_AREA_KELVIN * WARM_KELVIN;
    }

    /**
     * A usual can for a rated charge, where nobody measured it (common practice: 32 µF 450 V in 35
     * by 75 mm).
     */
    public static Can usual(double farads, double ratedVolts) {
      double scale = Math.clamp(Math.cbrt(farads * ratedVolts / 14.4e-3), 0.25, 2);
      return new Can(0.035 * scale, 0.075 * scale);
    }
  }

  /**
   * What is asked for.
   *
   * @param limitAmperes the leakage allowed at the rated voltage
   * @param targetVolts what it shall stand
   */
  public record Request(
      PartRef part,
      double farads,
      double ratedVolts,
      double targetVolts,
      double limitAmperes,
      Can can,
      ReformSchool school) {
    public Request {
      if (!(farads > 0 && ratedVolts > 0 && limitAmperes > 0)) {
        throw new IllegalArgumentException(
            "a plan needs capacitance, rating and a leakage to come down to");
      }
      if (!(targetVolts >= 0.5 && targetVolts <= ratedVolts)) {
        throw new IllegalArgumentException(
            "a target of "
                + targetVolts
                + " V; expected 0.5 V up to the rating of "
                + ratedVolts
                + " V");
      }
      if (targetVolts > HIGHEST_SUPPLY) {
        throw new IllegalArgumentException(
            "a target of " + targetVolts + " V is beyond a bench supply of 600 V");
      }
    }
  }

  /**
   * The target by working voltage with a margin, never above the rating; the rating where no
   * working voltage is known.
   */
  public static double target(double ratedVolts, Optional<Double> workingVolts) {
    return workingVolts.map(w -> Math.min(ratedVolts, MARGIN * w)).orElse(ratedVolts);
  }

  /** A plan. */
  public static ReformPlan plan(Request r) {
    double watts = r.can.watts();
    double amperes =
        Math.min(
            switch (r.school) {
              case GENTLE, CONSTANT_CURRENT, OVERNIGHT -> GENTLE_AMPERES;
              case PRECONDITIONING -> STANDARD_AMPERES;
              case TANTALUM_SOAK -> SOAK_AMPERES;
              case IN_SET -> throw inSet();
            },
            watts / r.targetVolts);
    double limit = Math.max(amperes, ABOVE_LIMIT * r.limitAmperes);
    ReformPlan.Bounds bounds =
        new ReformPlan.Bounds(
            ABOVE_LIMIT * limit, ABOVE_LIMIT * Math.max(watts, limit * r.targetVolts), WARM_KELVIN);
    double target =
        r.school == ReformSchool.TANTALUM_SOAK
            ? Math.min(r.targetVolts, SOAK_SHARE * r.ratedVolts)
            : r.targetVolts;
    return new ReformPlan(
        ReformPlan.idOf(r.part),
        r.part,
        r.school,
        target,
        r.limitAmperes,
        steps(r, target, limit),
        bounds);
  }

  private static IllegalArgumentException inSet() {
    return new IllegalArgumentException(
        "in the set its own supply decides: describe it under Trace");
  }

  /**
   * A plan by the set's own supply: from where its rectifier conducts, a tenth of the mains at a
   * time. No supply limits the current here but the rectifier and its winding: what the can stands
   * is the bound, and a hand on the switch.
   */
  public static ReformPlan inSet(Request r, InSet set) {
    double full = set.rungs().getLast().volts();
    if (full > r.ratedVolts) {
      throw new IllegalArgumentException(
          "at full mains its rail comes to "
              + Math.round(full)
              + " V, above its rating of "
              + Math.round(r.ratedVolts)
              + " V: not in this set");
    }
    double most =
        ABOVE_LIMIT
            * Math.max(
                Math.min(GENTLE_AMPERES, r.can.watts() / full), ABOVE_LIMIT * r.limitAmperes);
    List<Step> steps =
        set.rungs().stream()
            .filter(InSet.Rung::conducts)
            .filter(g -> g.volts() >= 1)
            .map(g ->
                new Step(
                    g.volts(),
                    g.ohms(),
                    Math.clamp(g.volts() / g.ohms(), 1e-6, 1),
                    r.limitAmperes,
                    (g.share() < 1 ? 15 : 30) * MINUTE,
                    8 * HOUR,
                    OptionalDouble.of(g.mainsVolts())))
            .toList();
    return new ReformPlan(
        ReformPlan.idOf(r.part),
        r.part,
        ReformSchool.IN_SET,
        full,
        r.limitAmperes,
        steps,
        new ReformPlan.Bounds(
            most, ABOVE_LIMIT * Math.max(r.can.watts(), most * full), WARM_KELVIN));
  }

  private static List<Step> steps(Request r, double target, double limit) {
    double gate = r.limitAmperes;
    double resistor =
        PreferredSeries.E12.between(LEAST_OHMS, MOST_OHMS * 1.001).stream()
            .filter(o -> o <= DROP * target / gate)
            .max(Double::compare)
            .orElse(LEAST_OHMS);
    return switch (r.school) {
      case GENTLE -> {
        List<Step> all = new ArrayList<>();
        for (int k = 1; k <= GENTLE_STEPS; k++) {
          boolean last = k == GENTLE_STEPS;
          all.add(
              new Step(
                  target * k / GENTLE_STEPS,
                  resistor,
                  limit,
                  gate,
                  (last ? 30 : 10) * MINUTE,
                  (last ? 24 : 8) * HOUR));
        }
        yield all;
      }
      case CONSTANT_CURRENT ->
          List.of(new Step(target, resistor, limit, gate, 30 * MINUTE, 12 * HOUR));
      case PRECONDITIONING ->
          List.of(
              new Step(
                  target,
                  target <= STANDARD_VOLTS ? STANDARD_OHMS_LOW : STANDARD_OHMS_HIGH,
                  limit,
                  gate,
                  HOUR,
                  2 * HOUR));
      case OVERNIGHT -> {
        double ohms =
            PreferredSeries.E12
                .between(target / GENTLE_AMPERES, 10 * target / GENTLE_AMPERES)
                .getFirst();
        yield List.of(
            new Step(
                Math.min(HIGHEST_SUPPLY, target + ohms * gate),
                ohms,
                limit,
                gate,
                8 * HOUR,
                16 * HOUR));
      }
      case IN_SET -> throw inSet();
      case TANTALUM_SOAK -> List.of(new Step(target, SOAK_OHMS, limit, gate, HOUR, 4 * HOUR));
    };
  }
}
