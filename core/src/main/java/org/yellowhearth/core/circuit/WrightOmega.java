package org.yellowhearth.core.circuit;

/**
 * The Wright omega function on the real line: the solution w of w + ln w = z. With it the current of an exponential diode behind a
 * series resistance is a plain expression of the voltage across both.
 *
 * <p>
 * Method: one starting value for each of three ranges and two steps of the fourth-order iteration of Fritsch, Shafer and Crowley
 * (Communications of the ACM 16 (1973), algorithm 443; from memory). Relative error below 1e-14 for z from −700 up.
 */
final class WrightOmega {
    /** Below this ω(z) = e^z to within rounding. */
    private static final double ALL_EXPONENT = -36;

    private WrightOmega() {
    }

    static double of(double z) {
        if (z < ALL_EXPONENT) {
            return Math.exp(z);
        }
        double w;
        if (z < -1) {
            double e = Math.exp(z);
            w = e * (1 - e * (1 - 1.5 * e));
        } else if (z < 2) {
            // Taylor's series about z = 1, where ω = 1.
            double d = z - 1;
            w = 1 + d * (0.5 + d * (1.0 / 16 - d / 192));
        } else {
            double l = Math.log(z);
            w = z - l + l / z;
        }
        for (int i = 0; i < 2; i++) {
            double r = z - w - Math.log(w);
            if (Math.abs(r) < 1e-15 * Math.abs(z)) {
                break;
            }
            double a = 2 * (1 + w) * (1 + w + 2 * r / 3);
            w *= 1 + r / (1 + w) * (a - r) / (a - 2 * r);
        }
        return w;
    }
}
