package org.yellowhearth.core.job;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * Something that happened while an old capacitor was brought up under a plan; written down as it
 * happens.
 */
public sealed interface Reforming extends Edit.Event {
  /** The id of the plan. */
  String plan();

  /** The instrument's own clock where one told it: a stand-in may run faster than life. */
  default OptionalDouble benchSeconds() {
    return OptionalDouble.empty();
  }

  /**
   * The output was switched on at a step, for the first time or again after a pause.
   *
   * @param benchSeconds the instrument's own clock, where it is a stand-in that runs faster than
   *     life
   */
  record ReformBegun(String plan, int step, OptionalDouble benchSeconds) implements Reforming {
    public ReformBegun {
      requireStep(step);
    }
  }

  /**
   * Voltage across the capacitor and current through it.
   *
   * @param celsius its temperature, where somebody felt or measured it
   * @param instrument what read it; empty where a person typed it
   * @param benchSeconds as in {@link ReformBegun}
   */
  record ReformRead(
      String plan,
      double volts,
      double amperes,
      OptionalDouble celsius,
      String instrument,
      OptionalDouble benchSeconds)
      implements Reforming {
    public ReformRead {
      within("voltage", volts, 0, 2000);
      within("leakage", amperes, 0, 10);
      celsius.ifPresent(c -> within("temperature", c, -40, 200));
    }
  }

  /**
   * The gate opened and the next step was set.
   *
   * @param benchSeconds as in {@link ReformBegun}
   */
  record ReformStepped(String plan, int step, OptionalDouble benchSeconds) implements Reforming {
    public ReformStepped {
      requireStep(step);
    }
  }

  /** The output went off and the run may go on later. */
  record ReformPaused(String plan, Cause cause) implements Reforming {}

  /** Why a run pauses. */
  enum Cause implements Coded {
    PERSON,
    LINK_LOST,
    PROGRAM_ENDED
  }

  /** A rule switched the output off. */
  record ReformStopped(String plan, Rule rule) implements Reforming {}

  /** What stops a run at once. */
  enum Rule implements Coded {
    CURRENT_ABOVE_BOUND,
    POWER_ABOVE_BOUND,
    TOO_WARM,
    CURRENT_RISING,
    VOLTAGE_NOT_HOLDING
  }

  /** A person gave it up. */
  record ReformAborted(String plan, String reason) implements Reforming {}

  /** The last gate was passed; the output is off and what it holds has to be discharged. */
  record ReformFinished(String plan) implements Reforming {}

  /** A resistor was put across it after the output went off. */
  record ReformDischarging(String plan, double ohms) implements Reforming {
    public ReformDischarging {
      within("discharge resistor", ohms, 1, 1e8);
    }
  }

  /** What a meter showed across it afterwards. */
  record ReformDischarged(String plan, double volts) implements Reforming {
    public ReformDischarged {
      within("voltage", volts, 0, 2000);
    }
  }

  /**
   * After its rest the output went on again at the target, to measure the leakage.
   *
   * @param benchSeconds as in {@link ReformBegun}
   */
  record ReformProving(String plan, OptionalDouble benchSeconds) implements Reforming {}

  private static void requireStep(int step) {
    if (step < 0 || step > 99) {
      throw new IllegalArgumentException("step " + step + " is out of range; expected 0 to 99");
    }
  }

  private static void within(String what, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          "a " + what + " of " + value + " is out of range; expected " + low + " to " + high);
    }
  }
}
