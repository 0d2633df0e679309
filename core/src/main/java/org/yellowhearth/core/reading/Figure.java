package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/** The figures a meter gives for a part. */
public enum Figure implements Coded {
  CAPACITANCE(Unit.FARAD, Range.ABOVE_ZERO), //
  ESR(Unit.OHM, Range.ABOVE_ZERO), //
  DISSIPATION(Unit.RATIO, Range.ABOVE_ZERO), //
  QUALITY(Unit.RATIO, Range.ABOVE_ZERO), //
  LEAKAGE(Unit.AMPERE, Range.ABOVE_ZERO), //
  INSULATION(Unit.OHM, Range.ABOVE_ZERO), //
  /**
   * Resistance to direct current: of a resistor, a winding, a track, a contact; of a capacitor what
   * an ohmmeter settles at.
   */
  RESISTANCE(Unit.OHM, Range.FROM_ZERO), //
  IMPEDANCE(Unit.OHM, Range.ABOVE_ZERO), //
  /** Angle between voltage and current; a capacitor without loss has −90°. */
  PHASE(Unit.DEGREE, Range.ANGLE), //
  /** The resistance of a part that a component tester takes for a resistor. */
  CALLED_RESISTOR(Unit.OHM, Range.FROM_ZERO), //
  INDUCTANCE(Unit.HENRY, Range.ABOVE_ZERO), //
  /** Volts across a part at a stated current: a zener, a junction, a battery under its load. */
  VOLTS(Unit.VOLT, Range.FROM_ZERO), //
  GAIN(Unit.RATIO, Range.FROM_ZERO), //
  /** Mutual conductance of a valve, transconductance of a field-effect transistor. */
  CONDUCTANCE(Unit.MHO, Range.FROM_ZERO), //
  /** What a valve tester shows against a new one. */
  EMISSION(Unit.PERCENT, Range.FROM_ZERO), //
  /** The current that brings a movement to full scale. */
  FULL_SCALE(Unit.AMPERE, Range.ABOVE_ZERO), //
  /** Largest departure of a movement from its scale, as a fraction of full scale. */
  LINEARITY(Unit.PERCENT, Range.FROM_ZERO), //
  /** Largest jump of a wiper while it is turned, as a fraction of the track. */
  WIPER(Unit.PERCENT, Range.FROM_ZERO), //
  /** What a field-effect transistor passes at no gate voltage. */
  DRAIN_CURRENT(Unit.AMPERE, Range.ABOVE_ZERO), //
  /** The gate voltage at which a field-effect transistor begins to conduct, or is cut off. */
  THRESHOLD(Unit.VOLT, Range.ABOVE_ZERO);

  /** Where a figure can lie. */
  private enum Range {
    ABOVE_ZERO,
    FROM_ZERO,
    ANGLE
  }

  private final Unit unit;
  private final Range range;

  Figure(Unit unit, Range range) {
    this.unit = unit;
    this.range = range;
  }

  public Unit unit() {
    return unit;
  }

  /** Whether a figure of this sort can have the value; fractions are 1 for 100 %. */
  public boolean mayBe(double value) {
    return Double.isFinite(value)
        && switch (range) {
          case ABOVE_ZERO -> value > 0;
          case FROM_ZERO -> value >= 0;
          case ANGLE -> Math.abs(value) <= 90;
        };
  }

  public Quantity quantity(double value) {
    return unit == Unit.PERCENT ? Quantity.percent(value) : new Quantity(value, unit);
  }
}
