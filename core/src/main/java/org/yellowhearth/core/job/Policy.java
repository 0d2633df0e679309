package org.yellowhearth.core.job;

import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.message.Coded;

/** The schools a job follows where practitioners disagree. Every verdict and substitute names the one it follows. */
public record Policy(WhenToRenew renew, VoltageRating voltage, CapacitanceChoice capacitance, OldElectrolytics electrolytics,
        Appearance appearance, Tantalum tantalum, Rectifiers rectifiers, Paper paper, LimitProfile limits) {

    /** When a part is renewed. */
    public enum WhenToRenew implements Coded {
        MEASURED_PLUS_PRECAUTION, BLANKET, MEASURED_ONLY, ECONOMIC
    }

    /** How the voltage rating of a new part is chosen. */
    public enum VoltageRating implements Coded {
        NEVER_BELOW_ORIGINAL, BY_WORKING_VOLTAGE
    }

    /** How near the old value a new part must be. */
    public enum CapacitanceChoice implements Coded {
        NEAREST_STANDARD, EXACT
    }

    /** What is done with old electrolytics that only leak. */
    public enum OldElectrolytics implements Coded {
        REFORM_FOR_MUSEUM, REFORM_WHATEVER_PASSES, NEVER_REFORM
    }

    /** What the set may look like afterwards. */
    public enum Appearance implements Coded {
        OLD_CAN_IN_PLACE, INSIDE_OLD_SHELL, VISIBLY_NEW, UNUSED_OLD_STOCK
    }

    /** How solid tantalum is rated. */
    public enum Tantalum implements Coded {
        TWICE_THE_RAIL, SAME_RATING, CHANGE_KIND
    }

    /** What is done with old rectifiers. */
    public enum Rectifiers implements Coded {
        KEEP_IF_HEALTHY, SILICON_WITH_RESISTANCE
    }

    /** What is done with paper and wax parts. */
    public enum Paper implements Coded {
        REPLACE_ON_SIGHT, LEAKAGE_DECIDES
    }

    /** What a new job starts with. */
    public static final Policy USUAL = new Policy(WhenToRenew.MEASURED_PLUS_PRECAUTION, VoltageRating.NEVER_BELOW_ORIGINAL,
            CapacitanceChoice.NEAREST_STANDARD, OldElectrolytics.REFORM_FOR_MUSEUM, Appearance.OLD_CAN_IN_PLACE,
            Tantalum.TWICE_THE_RAIL, Rectifiers.KEEP_IF_HEALTHY, Paper.REPLACE_ON_SIGHT, LimitProfile.PERIOD);
}
