package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * An integrated circuit; its type stands in the marking.
 *
 * @param volts what a regulator regulates to, or what the circuit is fed with
 */
public record IntegratedCircuit(
    PartRef ref, String marking, Task task, OptionalDouble volts, String dateCode, String remark)
    implements Part {
  /** What it does. */
  public enum Task implements Coded {
    UNSTATED,
    REGULATOR,
    AMPLIFIER,
    LOGIC
  }

  public IntegratedCircuit {
    Ratings.require(volts, "voltage");
  }
}
