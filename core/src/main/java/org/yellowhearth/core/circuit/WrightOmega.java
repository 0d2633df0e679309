package org.yellowhearth.core.circuit;

import java.util.stream.IntStream;

/**
 * The Wright omega function on the real line: the solution w of w + ln w = z. With it the current
 * of an exponential diode behind a series resistance is a plain expression of the voltage across
 * both.
 *
 * <p>Method: one starting value for each of three ranges and two steps of the fourth-order
 * iteration of Fritsch, Shafer and Crowley (Communications of the ACM 16 (1973), algorithm 443;
 * from memory). Relative error below 1e-14 for z from −700 up.
 */
final class WrightOmega {
  /** Below this ω(z) = e^z to within rounding. */
  private static final double ALL_EXPONENT = -36;

  /** A residual whose fourth power is beneath rounding. */
  private static final double SMALL = 1e-3;

  /** Where the table begins and ends, and how many values it has for one. */
  private static final int FIRST = -4;

  private static final int LAST = 44;
  private static final int PER_UNIT = 64;
  private static final double[] TABLE =
      IntStream.rangeClosed(0, (LAST - FIRST) * PER_UNIT)
          .mapToDouble(k -> searched(FIRST + k / (double) PER_UNIT))
          .toArray();

  private WrightOmega() {}

  static double of(double z) {
    if (z >= FIRST && z < LAST) {
      return near(z);
    }
    return z < ALL_EXPONENT ? Math.exp(z) : searched(z);
  }

  /** Taylor's series about the nearest value of the table. */
  private static double near(double z) {
    int k = (int) ((z - FIRST) * PER_UNIT + 0.5);
    double w = TABLE[k];
    double q = 1 / (1 + w);
    double d = (z - FIRST - k / (double) PER_UNIT) * q;
    double fifth = 1 + w * (-22 + w * (58 - w * 24));
    double fourth = 1 + w * (-8 + w * 6);
    double r = d * q;
    return w
        * (1 + d * (1 + r * (0.5 + r * ((1 - 2 * w) / 6 + r * (fourth / 24 + r * fifth / 120)))));
  }

  private static double searched(double z) {
    double w;
    if (z < -1) {
      double e = Math.exp(z);
      w = e * (1 - e * (1 - 1.5 * e));
    } else if (z < 2) {
      // Taylor's series about z = 1, where ω = 1.
      double d = z - 1;
      w = 1 + d * (0.5 + d * (1.0 / 16 - d * (1.0 / 192 + d * (1.0 / 3072 - d * 13 / 61440))));
    } else {
      double l = Math.log(z);
      w = z - l + l / z * (1 + (l - 2) / (2 * z));
    }
    for (int i = 0; i < 2; i++) {
      double r = z - w - Math.log(w);
      double a = 2 * (1 + w) * (1 + w + 2 * r / 3);
      w *= 1 + r / (1 + w) * (a - r) / (a - 2 * r);
      if (Math.abs(r) < SMALL) {
        break;
      }
    }
    return w;
  }
}
