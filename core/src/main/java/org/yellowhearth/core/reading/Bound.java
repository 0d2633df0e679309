package org.yellowhearth.core.reading;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * A figure that left the range of the meter.
 *
 * @param range the end of the range in SI units, where it is known
 */
public record Bound(End side, OptionalDouble range) {
  /** Which end of the range it left. */
  public enum End implements Coded {
    ABOVE,
    BELOW
  }
}
