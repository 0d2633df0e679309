package org.yellowhearth.core.reading;

import java.util.OptionalDouble;

/**
 * What a reading was taken at.
 *
 * @param frequencyHertz the measuring frequency, where stated
 * @param testVolts the direct voltage for leakage or insulation
 * @param minutesAtVoltage how long it stood at that voltage
 * @param celsius temperature of the part
 */
public record Conditions(OptionalDouble frequencyHertz, Mode mode, Connection connection, OptionalDouble testVolts,
        OptionalDouble minutesAtVoltage, OptionalDouble celsius) {
    /** Nothing stated; out of circuit, as a capacitor is measured when nothing else is said. */
    public static final Conditions UNSTATED = new Conditions(OptionalDouble.empty(), Mode.UNSTATED, Connection.OUT_OF_CIRCUIT,
            OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());

    public Conditions withFrequency(double hertz) {
        return new Conditions(OptionalDouble.of(hertz), mode, connection, testVolts, minutesAtVoltage, celsius);
    }
}
