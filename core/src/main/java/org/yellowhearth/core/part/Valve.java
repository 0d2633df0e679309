package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/** A valve; its type stands in the marking. */
public record Valve(
    PartRef ref,
    String marking,
    Task task,
    OptionalDouble heaterVolts,
    OptionalDouble heaterAmperes,
    String dateCode,
    String remark)
    implements Part {
  /** What it does. */
  public enum Task implements Coded {
    UNSTATED,
    RECTIFIER,
    SIGNAL,
    OUTPUT,
    REGULATOR,
    INDICATOR
  }

  public Valve {
    Ratings.require(heaterVolts, "heater voltage");
    Ratings.require(heaterAmperes, "heater current");
  }
}
