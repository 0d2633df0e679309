package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/**
 * A resistor of today, or one kept.
 *
 * @param watts the heat it may make
 * @param celsius the highest temperature it is made for
 */
public record ResistorWare(
    double ohms,
    double tolerance,
    double watts,
    Leads leads,
    OptionalDouble diameterMetres,
    OptionalDouble lengthMetres,
    OptionalDouble celsius)
    implements Ware {
  public ResistorWare {
    Checked.within("the resistance", ohms, 1e-3, 1e12);
    Checked.within("the power", watts, 1e-3, 10_000);
    Checked.within("the temperature", celsius, 20, 500);
    Ware.require(tolerance, diameterMetres, lengthMetres);
  }

  @Override
  public double value() {
    return ohms;
  }
}
