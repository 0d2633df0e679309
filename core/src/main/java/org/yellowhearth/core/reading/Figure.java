package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/** The figures a meter gives for a capacitor. */
public enum Figure implements Coded {
    CAPACITANCE(Unit.FARAD), //
    ESR(Unit.OHM), //
    DISSIPATION(Unit.RATIO), //
    QUALITY(Unit.RATIO), //
    LEAKAGE(Unit.AMPERE), //
    INSULATION(Unit.OHM);

    private final Unit unit;

    Figure(Unit unit) {
        this.unit = unit;
    }

    public Unit unit() {
        return unit;
    }

    public Quantity quantity(double value) {
        return new Quantity(value, unit);
    }
}
