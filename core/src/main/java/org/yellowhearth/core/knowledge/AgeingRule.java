package org.yellowhearth.core.knowledge;

import java.util.OptionalDouble;

/**
 * What the supply model takes for capacitors of a family that nobody has measured: sound ones, and
 * ones aged as they commonly age. The scatter is wide; a reading is always better, and every figure
 * that rests on this says so.
 *
 * @param dissipation of a sound one at 100 Hz
 * @param leakSeconds leakage resistance times capacitance of a sound one; none where it is as good
 *     as insulation
 * @param capacitancePerYear share of its marking that it gains each year, below nothing where it
 *     loses
 * @param esrYears after so many years its series resistance has grown by its own value; none where
 *     it stays
 * @param leakYears after so many years its leakage current has grown by its own value; none where
 *     it stays
 * @param leakDecadeYears after so many years its leakage resistance is a tenth, down to {@code
 *     leastLeakOhms}; none where it stays
 */
public record AgeingRule(
    double dissipation,
    OptionalDouble leakSeconds,
    double capacitancePerYear,
    OptionalDouble esrYears,
    OptionalDouble leakYears,
    OptionalDouble leakDecadeYears,
    double leastLeakOhms,
    String source) {
  private static final double HERTZ = 100;
  private static final double MOST_YEARS = 60;

  /** More than this the model cannot tell. */
  private static final double MOST_OHMS = 1e9;

  private static final double INSULATION_OHMS = 1e10;

  /** Series resistance of a sound capacitor at 100 Hz. */
  public double esrOhms(double farads) {
    return dissipation / (2 * Math.PI * HERTZ * farads);
  }

  /** Leakage resistance of a sound capacitor. */
  public double leakOhms(double farads) {
    return leakSeconds.isPresent()
        ? Math.min(MOST_OHMS, leakSeconds.getAsDouble() / farads)
        : INSULATION_OHMS;
  }

  /** The share of its marking that one of this age commonly has left. */
  public double capacitanceLeft(double years) {
    return 1 + capacitancePerYear * age(years);
  }

  /** By how much its series resistance has commonly grown. */
  public double esrGrowth(double years) {
    return esrYears.isPresent() ? 1 + age(years) / esrYears.getAsDouble() : 1;
  }

  /** The leakage resistance that it commonly still has. */
  public double leakLeft(double years, double farads) {
    double ohms = leakOhms(farads);
    if (leakYears.isPresent()) {
      ohms /= 1 + age(years) / leakYears.getAsDouble();
    }
    return leakDecadeYears.isPresent()
        ? Math.max(
            Math.min(ohms, leastLeakOhms),
            ohms / Math.pow(10, age(years) / leakDecadeYears.getAsDouble()))
        : ohms;
  }

  private static double age(double years) {
    return Math.clamp(years, 0, MOST_YEARS);
  }
}
