package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * A figure that other instruments gave: output power, distortion.
 *
 * @param how at what frequency, load and setting
 * @param unit of both figures
 * @param bound what the drawing or the papers promise; empty where they say nothing
 */
public record ProofFigure(
    String id,
    Measurand measurand,
    String how,
    String unit,
    OptionalDouble before,
    OptionalDouble after,
    OptionalDouble bound)
    implements Item {
  /** What was measured. */
  public enum Measurand implements Coded {
    OUTPUT_POWER,
    DISTORTION,
    HUM,
    SENSITIVITY,
    RESPONSE,
    OTHER;

    /** Whether less of it is better. */
    public boolean lessIsBetter() {
      return this == DISTORTION || this == HUM || this == SENSITIVITY;
    }
  }

  public ProofFigure {
    Item.requireId(id);
    Checked.present("how it was measured", how);
    Checked.present("the unit", unit);
    if (before.isEmpty() && after.isEmpty()) {
      throw new IllegalArgumentException("nothing was measured, neither before nor after");
    }
    Checked.within("the figure before", before, -1e9, 1e9);
    Checked.within("the figure after", after, -1e9, 1e9);
    Checked.within("what is promised", bound, -1e9, 1e9);
  }

  /** Whether what is promised is missed. */
  public boolean beyond() {
    return bound.isPresent()
        && after.isPresent()
        && (measurand.lessIsBetter()
            ? !Edge.atMost(after.getAsDouble(), bound.getAsDouble())
            : !Edge.atLeast(after.getAsDouble(), bound.getAsDouble()));
  }
}
