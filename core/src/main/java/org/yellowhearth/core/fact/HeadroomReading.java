package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.OptionalDouble;

/**
 * What a series regulator had to spare, as it was measured.
 *
 * @param regulator its reference in the supply
 * @param inputVolts DC at its input, a magnitude
 * @param ripple at its input, from peak to peak
 * @param outputVolts DC at its output, a magnitude
 * @param lineVolts the mains at that time
 */
public record HeadroomReading(
    String id,
    Instant at,
    String regulator,
    double inputVolts,
    double ripple,
    double outputVolts,
    OptionalDouble lineVolts)
    implements Item {
  public HeadroomReading {
    Item.requireId(id);
    Checked.present("the regulator", regulator);
    Checked.within("the input", inputVolts, 0.01, 100_000);
    Checked.within("the ripple", ripple, 0, 100_000);
    Checked.within("the output", outputVolts, 0.01, 100_000);
    Checked.within("mains voltage", lineVolts, 1, 1000);
    if (ripple / 2 >= inputVolts) {
      throw new IllegalArgumentException(
          "a ripple of twice the voltage or more was not read there");
    }
  }
}
