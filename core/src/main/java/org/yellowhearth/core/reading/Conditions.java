package org.yellowhearth.core.reading;

import java.util.OptionalDouble;
import java.util.function.Consumer;

/**
 * What a reading was taken at.
 *
 * @param frequencyHertz the measuring frequency, where stated
 * @param testVolts the direct voltage for leakage or insulation
 * @param testAmperes the current that a voltage was read at
 * @param minutesAtVoltage how long it stood at that voltage
 * @param celsius temperature of the part
 * @param secondsOn how long the set had been switched on
 * @param leadOhms the resistance of the leads, already taken off the figures
 * @param uncertainty standard uncertainty of the instrument as a fraction of the reading, where it
 *     states one
 * @param instrument what it was read with; empty where nobody said
 */
public record Conditions(
    OptionalDouble frequencyHertz,
    Mode mode,
    Connection connection,
    OptionalDouble testVolts,
    OptionalDouble testAmperes,
    OptionalDouble minutesAtVoltage,
    OptionalDouble celsius,
    OptionalDouble secondsOn,
    OptionalDouble leadOhms,
    OptionalDouble uncertainty,
    Contact contact,
    String instrument) {
  /** Nothing stated; out of circuit, as a part is measured when nothing else is said. */
  public static final Conditions UNSTATED = of(_ -> {});

  /** Conditions being put together. */
  public static final class Draft {
    public OptionalDouble frequencyHertz = OptionalDouble.empty();
    public Mode mode = Mode.UNSTATED;
    public Connection connection = Connection.OUT_OF_CIRCUIT;
    public OptionalDouble testVolts = OptionalDouble.empty();
    public OptionalDouble testAmperes = OptionalDouble.empty();
    public OptionalDouble minutesAtVoltage = OptionalDouble.empty();
    public OptionalDouble celsius = OptionalDouble.empty();
    public OptionalDouble secondsOn = OptionalDouble.empty();
    public OptionalDouble leadOhms = OptionalDouble.empty();
    public OptionalDouble uncertainty = OptionalDouble.empty();
    public Contact contact = Contact.UNSTATED;
    public String instrument = "";

    /** Nothing stated. */
    public Draft() {}

    /** What is stated so far. */
    public Draft(Conditions said) {
      frequencyHertz = said.frequencyHertz;
      mode = said.mode;
      connection = said.connection;
      testVolts = said.testVolts;
      testAmperes = said.testAmperes;
      minutesAtVoltage = said.minutesAtVoltage;
      celsius = said.celsius;
      secondsOn = said.secondsOn;
      leadOhms = said.leadOhms;
      uncertainty = said.uncertainty;
      contact = said.contact;
      instrument = said.instrument;
    }

    /** The conditions as they are now. */
    public Conditions done() {
      return new Conditions(
          frequencyHertz,
          mode,
          connection,
          testVolts,
          testAmperes,
          minutesAtVoltage,
          celsius,
          secondsOn,
          leadOhms,
          uncertainty,
          contact,
          instrument);
    }
  }

  /** Conditions that state what is put into the draft. */
  public static Conditions of(Consumer<Draft> said) {
    Draft draft = new Draft();
    said.accept(draft);
    return draft.done();
  }

  public Conditions withFrequency(double hertz) {
    return new Conditions(
        OptionalDouble.of(hertz),
        mode,
        connection,
        testVolts,
        testAmperes,
        minutesAtVoltage,
        celsius,
        secondsOn,
        leadOhms,
        uncertainty,
        contact,
        instrument);
  }
}
