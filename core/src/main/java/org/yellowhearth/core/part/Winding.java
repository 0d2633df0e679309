package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * A transformer, choke or coil, or one winding of it.
 *
 * @param ohms the resistance on the drawing or of a working twin
 */
public record Winding(
    PartRef ref,
    String marking,
    Task task,
    OptionalDouble ohms,
    OptionalDouble henries,
    String dateCode,
    String remark)
    implements Part {
  /** What it is. */
  public enum Task implements Coded {
    UNSTATED,
    MAINS_PRIMARY,
    MAINS_SECONDARY,
    HEATER_WINDING,
    CHOKE,
    FIELD_COIL,
    OUTPUT_PRIMARY,
    OUTPUT_SECONDARY,
    SIGNAL_COIL,
    DEFLECTION
  }

  public Winding {
    Ratings.require(ohms, "resistance");
    Ratings.require(henries, "inductance");
  }
}
