package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/** A battery or cell. */
public record Battery(
    PartRef ref,
    String marking,
    OptionalDouble volts,
    Chemistry chemistry,
    String dateCode,
    String remark)
    implements Part {
  /** What it holds; what it spills follows from it. */
  public enum Chemistry implements Coded {
    UNSTATED,
    ZINC_CARBON,
    MERCURY,
    NICKEL_CADMIUM,
    LEAD_ACID,
    LITHIUM
  }

  public Battery {
    Ratings.require(volts, "voltage");
  }
}
