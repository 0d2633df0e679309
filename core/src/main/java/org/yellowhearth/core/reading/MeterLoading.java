package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;

/**
 * What a voltmeter's own resistance does to the voltage at a node: with the meter clipped on, the
 * node's source resistance and the meter share the voltage, so that it shows V·R_meter/(R_meter +
 * R_source). Holds for a linear node in its steady state, direct voltage; a node whose valve shifts
 * its working point under the load moves otherwise.
 *
 * @param meterOhms resistance of the meter on its range
 */
public record MeterLoading(double meterOhms) {
  /** Voltmeters by their loading (common practice). */
  public enum Meter implements Coded {
    /** A movement of 1 mA. */
    ONE_KILOHM_PER_VOLT(1e3, true),
    /** A movement of 50 µA. */
    TWENTY_KILOHMS_PER_VOLT(20e3, true),
    /** The usual digital meter. */
    TEN_MEGOHMS(10e6, false),
    /** The usual valve voltmeter, 1 MΩ of it in the probe. */
    ELEVEN_MEGOHMS(11e6, false);

    private final double ohms;
    private final boolean perVolt;

    Meter(double ohms, boolean perVolt) {
      this.ohms = ohms;
      this.perVolt = perVolt;
    }

    /** Whether the range counts. */
    public boolean perVolt() {
      return perVolt;
    }

    /** Its loading on a range; one that is the same on every range pays no heed to it. */
    public MeterLoading on(double rangeVolts) {
      return new MeterLoading(perVolt ? ohms * positive("the range", rangeVolts, "volts") : ohms);
    }
  }

  public MeterLoading {
    positive("the resistance of the meter", meterOhms, "ohms");
  }

  /** What the meter shows at a node that stands at a voltage without it. */
  public double shows(double trueVolts, double sourceOhms) {
    return trueVolts * share(sourceOhms);
  }

  /** What the node stands at without the meter that shows a voltage. */
  public double without(double shownVolts, double sourceOhms) {
    return shownVolts / share(sourceOhms);
  }

  /** The part of the voltage that the meter leaves. */
  public double share(double sourceOhms) {
    if (!(sourceOhms >= 0) || Double.isInfinite(sourceOhms)) {
      throw new IllegalArgumentException(
          "expected a source resistance of 0 Ω or more, not " + sourceOhms);
    }
    return meterOhms / (meterOhms + sourceOhms);
  }

  private static double positive(String what, double value, String unit) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(
          "expected " + what + " in " + unit + " above zero, not " + value);
    }
    return value;
  }
}
