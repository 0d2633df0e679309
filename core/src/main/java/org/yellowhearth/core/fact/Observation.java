package org.yellowhearth.core.fact;

import java.util.Optional;
import org.yellowhearth.core.message.Coded;

/**
 * A sign of earlier work.
 *
 * @param place where in the set
 * @param photograph the id of a photograph that shows it
 */
public record Observation(
    String id, Sign sign, String place, String text, Optional<String> photograph) implements Item {
  /** What sort of sign. */
  public enum Sign implements Coded {
    ODD_PART,
    TACKED_JOINT,
    RECTIFIER_CHANGED,
    MISSING_FASTENER,
    CUT_WIRE,
    ADDED_PART,
    SCORCH,
    CORROSION,
    REPLACED_VALVE,
    REWOUND_PART,
    OTHER
  }

  public Observation {
    Item.requireId(id);
  }
}
