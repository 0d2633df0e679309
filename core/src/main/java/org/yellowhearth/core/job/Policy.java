package org.yellowhearth.core.job;

import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.message.Coded;

/**
 * The schools a job follows where practitioners disagree. Every verdict and substitute names the
 * one it follows.
 */
public record Policy(
    WhenToRenew renew,
    VoltageRating voltage,
    CapacitanceChoice capacitance,
    OldElectrolytics electrolytics,
    Appearance appearance,
    Tantalum tantalum,
    Rectifiers rectifiers,
    Paper paper,
    Profile limits) {

  /** One school: a constant of one of the enums below, or of the limit profiles. */
  public sealed interface School extends Coded
      permits WhenToRenew,
          VoltageRating,
          CapacitanceChoice,
          OldElectrolytics,
          Appearance,
          Tantalum,
          Rectifiers,
          Paper,
          Profile {}

  /** Which limits are applied. */
  public enum Profile implements School {
    PERIOD(LimitProfile.PERIOD),
    MODERN(LimitProfile.MODERN);

    private final LimitProfile limits;

    Profile(LimitProfile limits) {
      this.limits = limits;
    }

    /** The limits of the profile. */
    public LimitProfile limits() {
      return limits;
    }
  }

  /** When a part is renewed. */
  public enum WhenToRenew implements School {
    MEASURED_PLUS_PRECAUTION,
    BLANKET,
    MEASURED_ONLY,
    ECONOMIC
  }

  /** How the voltage rating of a new part is chosen. */
  public enum VoltageRating implements School {
    NEVER_BELOW_ORIGINAL,
    BY_WORKING_VOLTAGE
  }

  /** How near the old value a new part must be. */
  public enum CapacitanceChoice implements School {
    NEAREST_STANDARD,
    EXACT
  }

  /** What is done with old electrolytics that only leak. */
  public enum OldElectrolytics implements School {
    REFORM_FOR_MUSEUM,
    REFORM_WHATEVER_PASSES,
    NEVER_REFORM
  }

  /** What the set may look like afterwards. */
  public enum Appearance implements School {
    OLD_CAN_IN_PLACE,
    INSIDE_OLD_SHELL,
    VISIBLY_NEW,
    UNUSED_OLD_STOCK
  }

  /** How solid tantalum is rated. */
  public enum Tantalum implements School {
    TWICE_THE_RAIL,
    SAME_RATING,
    CHANGE_KIND
  }

  /** What is done with old rectifiers. */
  public enum Rectifiers implements School {
    KEEP_IF_HEALTHY,
    SILICON_WITH_RESISTANCE
  }

  /** What is done with paper and wax parts. */
  public enum Paper implements School {
    REPLACE_ON_SIGHT,
    LEAKAGE_DECIDES
  }

  /**
   * Under {@link Tantalum#TWICE_THE_RAIL} the rating is at least this many times the rail (common
   * practice).
   */
  public static final double TANTALUM_HEADROOM = 2;

  /** What a new job starts with. */
  public static final Policy USUAL =
      new Policy(
          WhenToRenew.MEASURED_PLUS_PRECAUTION,
          VoltageRating.NEVER_BELOW_ORIGINAL,
          CapacitanceChoice.NEAREST_STANDARD,
          OldElectrolytics.REFORM_FOR_MUSEUM,
          Appearance.OLD_CAN_IN_PLACE,
          Tantalum.TWICE_THE_RAIL,
          Rectifiers.KEEP_IF_HEALTHY,
          Paper.REPLACE_ON_SIGHT,
          Profile.PERIOD);

  /** This policy with another school in the place of its like. */
  public Policy with(School school) {
    return new Policy(
        school instanceof WhenToRenew s ? s : renew,
        school instanceof VoltageRating s ? s : voltage,
        school instanceof CapacitanceChoice s ? s : capacitance,
        school instanceof OldElectrolytics s ? s : electrolytics,
        school instanceof Appearance s ? s : appearance,
        school instanceof Tantalum s ? s : tantalum,
        school instanceof Rectifiers s ? s : rectifiers,
        school instanceof Paper s ? s : paper,
        school instanceof Profile s ? s : limits);
  }
}
