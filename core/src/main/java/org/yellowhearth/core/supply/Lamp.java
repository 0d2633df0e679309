package org.yellowhearth.core.supply;

import org.yellowhearth.core.circuit.BadCircuitException;

/**
 * A filament lamp in series with the mains. Its current goes with the power {@value #EXPONENT} of
 * the voltage across it (gas-filled tungsten lamps about their rating; IES Lighting Handbook, from
 * memory), both as RMS: the filament is too slow to follow the mains. Well below its rating it is a
 * little off, and never less than a twelfth of its hot resistance (common practice).
 *
 * @param watts what it is rated for
 * @param volts at this voltage
 * @param ohms what its filament has at the moment
 */
public record Lamp(double watts, double volts, double ohms) {
  static final double EXPONENT = 0.55;
  private static final double COLD_SHARE = 1 / 12.0;

  public Lamp {
    if (!(watts > 0) || !(volts > 0) || !(ohms > 0) || Double.isInfinite(watts + volts + ohms)) {
      throw new BadCircuitException(
          "lamp", "expected watts and volts above zero, not " + watts + " W at " + volts + " V");
    }
  }

  /** A lamp that is cold. */
  public static Lamp cold(double watts, double volts) {
    return new Lamp(watts, volts, COLD_SHARE * volts * volts / watts);
  }

  /** This with another resistance. */
  Lamp at(double filamentOhms) {
    return new Lamp(watts, volts, filamentOhms);
  }

  /** What its filament comes to with an RMS current through it. */
  double ohmsAt(double amperes) {
    double hot = volts * volts / watts;
    double share = amperes / (watts / volts);
    return hot * Math.max(COLD_SHARE, Math.pow(share, 1 / EXPONENT - 1));
  }
}
