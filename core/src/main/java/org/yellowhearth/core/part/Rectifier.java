package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.yellowhearth.core.message.Coded;

/**
 * A rectifier or diode without vacuum.
 *
 * @param plates the plates in series of a selenium or copper oxide stack
 * @param inverseVolts the peak inverse voltage it is rated for
 */
public record Rectifier(PartRef ref, String marking, Make make, OptionalInt plates, OptionalDouble inverseVolts,
        OptionalDouble amperes, String dateCode, String remark) implements Part {
    /** What it is made of. */
    public enum Make implements Coded {
        UNSTATED, SILICON, GERMANIUM, SELENIUM, COPPER_OXIDE
    }

    public Rectifier {
        Ratings.require(inverseVolts, "inverse voltage");
        Ratings.require(amperes, "current");
        if (plates.isPresent() && plates.getAsInt() < 1) {
            throw new IllegalArgumentException("a stack has at least one plate, not " + plates.getAsInt());
        }
    }
}
