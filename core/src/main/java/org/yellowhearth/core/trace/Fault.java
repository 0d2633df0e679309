package org.yellowhearth.core.trace;

import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.Section;
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
    HOLDS_LOW,
    /** Nothing comes from the mains: cord, plug, fuse, switch, voltage setting, primary. */
    NO_MAINS,
    /** The voltage setting does not belong to the mains it hangs on. */
    WRONG_SETTING
  }

  /** A supply with this fault. */
  public Supply in(Supply supply) {
    return knob.which() == Which.LEAKAGE_RESISTANCE
        ? supply.circuit().elements().stream()
            .filter(e -> e instanceof Device && e.name().equals(knob.element()))
            .map(e -> ((Device) e).pairs().getFirst())
            .findFirst()
            .map(p -> supply.with(across(p)))
            .orElseGet(() -> knob.set(supply, value))
        : knob.set(supply, value);
  }

  /** What leaks across a rectifier or the pass element of a regulator. */
  private Section across(Device.Pair ends) {
    String name = knob.element() + ".leak";
    return new Section.Resist(name, name, ends.plus(), ends.minus(), value);
  }
}
