package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * How an old electrolytic is to be brought up: a school, its steps, and the bounds at which
 * everything stops.
 *
 * @param targetVolts what it shall stand in the end
 * @param limitAmperes the leakage it shall come down to there
 */
public record ReformPlan(
    String id,
    PartRef part,
    ReformSchool school,
    double targetVolts,
    double limitAmperes,
    List<Step> steps,
    Bounds bounds)
    implements OfPart {
  /** Where practitioners disagree. */
  public enum ReformSchool implements Coded {
    /** A fifth of the voltage at a time, through a resistor, each step until it has quietened. */
    GENTLE, //
    /** A small constant current until the voltage is reached, then the voltage is held. */
    CONSTANT_CURRENT, //
    /** Rated voltage through the resistor of the standards, an hour. */
    PRECONDITIONING, //
    /** Full voltage through a resistor so high that nothing can happen, overnight. */
    OVERNIGHT, //
    /**
     * Where it is, by turning up the set's variable transformer; behind a valve rectifier nothing
     * happens for long.
     */
    IN_SET, //
    /**
     * For old-stock solid tantalum: below its rating, through a resistor, and discharged through
     * one.
     */
    TANTALUM_SOAK
  }

  /**
   * One step.
   *
   * @param volts what the supply is set to; in the set what its rail comes to
   * @param ohms the resistor before the capacitor; in the set what its rail gives way by
   * @param limitAmperes the supply's current limit
   * @param gateAmperes leakage at which the next step may follow
   * @param holdSeconds held at least so long
   * @param patienceSeconds waited at most so long
   * @param mainsVolts in the set, what the variable transformer is set to
   */
  public record Step(
      double volts,
      double ohms,
      double limitAmperes,
      double gateAmperes,
      double holdSeconds,
      double patienceSeconds,
      OptionalDouble mainsVolts) {
    /** A step at a bench supply. */
    public Step(
        double volts,
        double ohms,
        double limitAmperes,
        double gateAmperes,
        double holdSeconds,
        double patienceSeconds) {
      this(
          volts,
          ohms,
          limitAmperes,
          gateAmperes,
          holdSeconds,
          patienceSeconds,
          OptionalDouble.empty());
    }

    public Step {
      Checked.within("the voltage of a step", volts, 0.5, 1000);
      Checked.within("the resistor of a step", ohms, 1, 1e8);
      Checked.within("the current limit of a step", limitAmperes, 1e-6, 1);
      Checked.within("the gate of a step", gateAmperes, 1e-9, 1);
      Checked.within("the hold of a step", holdSeconds, 0, 1e7);
      Checked.within("the patience of a step", patienceSeconds, 1, 1e8);
      Checked.within("the mains of a step", mainsVolts, 1, 1000);
      if (holdSeconds > patienceSeconds) {
        throw new IllegalArgumentException(
            "a step is held " + holdSeconds + " s but waited for only " + patienceSeconds + " s");
      }
    }
  }

  /**
   * At these everything stops at once.
   *
   * @param amperes the most current that may flow
   * @param watts the most power its can gets rid of
   * @param warmKelvin how much warmer than the room it may become
   */
  public record Bounds(double amperes, double watts, double warmKelvin) {
    public Bounds {
      Checked.within("the bound of the current", amperes, 1e-6, 1);
      Checked.within("the bound of the power", watts, 1e-4, 100);
      Checked.within("the bound of the warming", warmKelvin, 1, 60);
    }
  }

  public ReformPlan {
    Item.requireId(id);
    Checked.within("the target voltage", targetVolts, 0.5, 1000);
    Checked.within("the leakage to come down to", limitAmperes, 1e-9, 1);
    steps = List.copyOf(steps);
    if (steps.isEmpty() || steps.size() > 100) {
      throw new IllegalArgumentException("a plan has 1 to 100 steps, not " + steps.size());
    }
  }

  private static final String ID = "reform-";

  /** The id of the plan of a part: there is one at a time. */
  public static String idOf(PartRef part) {
    return ID + part;
  }

  /** The part that a plan of this id is for. */
  public static String partOf(String id) {
    return id.startsWith(ID) ? id.substring(ID.length()) : id;
  }
}
