package org.yellowhearth.core.trace;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;

/**
 * One thing that may be wrong with a supply: one of its values is not what it should be.
 *
 * @param value what it is instead, in SI units; of a rectifier or valve its share of a whole one
 */
public record Fault(Parameter knob, Mode mode, double value) {
  /** In what way a part is bad. */
  public enum Mode implements Coded {
    CAPACITANCE_LOW,
    OPEN,
    LOSSY,
    LEAKY,
    SHORTED,
    /** Conducts or emits too little. */
    WEAK,
    /** One leg of a rectifier conducts nothing. */
    LEG_OPEN,
    /** One leg of a rectifier conducts too little. */
    LEG_WEAK,
    DRIFTED_HIGH,
    DRIFTED_LOW,
    DRAWS_MUCH,
    DRAWS_LITTLE,
    DRAWS_NOTHING,
    TURNS_SHORTED,
    HOLDS_HIGH,
    HOLDS_LOW
  }

  /** A supply with this fault. */
  public Supply in(Supply supply) {
    return knob.set(supply, value);
  }
}
