package org.yellowhearth.core.job;

import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;

/**
 * Something that happened while a set got its first power under a plan; written down as it happens.
 * That the set is under power, or no longer, is told by {@link Edit.PowerSwitched} as ever.
 */
@Stored("waking")
public sealed interface PoweringUp extends Edit.Event {
  /** The id of the plan. */
  String plan();

  /** The transformer was turned to the first step. */
  @Stored("ramp-begun")
  record PowerUpBegun(String plan) implements PoweringUp {}

  /** It was turned to another step. */
  @Stored("ramp-stepped")
  record PowerUpStepped(String plan, int step) implements PoweringUp {
    public PowerUpStepped {
      if (step < 0 || step > 49) {
        throw new IllegalArgumentException("step " + step + " is out of range; expected 0 to 49");
      }
    }
  }

  /**
   * What a clipped meter showed.
   *
   * @param instrument what read it; empty where a person typed it
   */
  @Stored("ramp-read")
  record PowerUpRead(String plan, PowerUpPlan.Clip clip, double value, String instrument)
      implements PoweringUp {
    public PowerUpRead {
      if (!(Math.abs(value) <= 100_000)) {
        throw new IllegalArgumentException(
            value + " was not read here; expected at most 100000 either way");
      }
    }
  }

  /** The set was switched off before the end. */
  @Stored("ramp-stopped")
  record PowerUpStopped(String plan, StopCause cause, String note) implements PoweringUp {}

  /** Full line was held; the set stays on. */
  @Stored("ramp-finished")
  record PowerUpFinished(String plan) implements PoweringUp {}

  /** Why a ramp stops; each sign has a key of its own. */
  enum StopCause implements Coded {
    PERSON,
    /** A meter was out of its band. */
    METER_OFF,
    /** The lamp glows brightly and stays so. */
    LAMP_BRIGHT,
    /** No heater glows where the step should warm them. */
    NO_HEATER,
    HUM,
    SMELL,
    SMOKE,
    SOUND,
    SPARK,
    /** The line to the transformer was lost. */
    LINK_LOST;

    /** Whether it is something that eyes, ears or nose tell. */
    public boolean sign() {
      return switch (this) {
        case LAMP_BRIGHT, NO_HEATER, HUM, SMELL, SMOKE, SOUND, SPARK -> true;
        case PERSON, METER_OFF, LINK_LOST -> false;
      };
    }
  }
}
