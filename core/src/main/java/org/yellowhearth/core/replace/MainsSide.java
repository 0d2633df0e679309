package org.yellowhearth.core.replace;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.quantity.PreferredSeries;

/**
 * Sums of the mains side: touch current, the bleeder across an X capacitor, the fuse. All of it
 * defers to local codes and licensed practice.
 */
public final class MainsSide {
  /** Rated currents of miniature fuses, in A (IEC 60127-2, the R 10 series, from memory). */
  static final List<Double> FUSES =
      List.of(
          0.032, 0.04, 0.05, 0.063, 0.08, 0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8,
          1.0, 1.25, 1.6, 2.0, 2.5, 3.15, 4.0, 5.0, 6.3, 8.0, 10.0);

  /**
   * A fuse is rated at least half as much again as what runs through it for good (common practice).
   */
  static final double FUSE_MARGIN = 1.5;

  /** Below this a plug may be touched. */
  public static final double SAFE_VOLTS = 60;

  /**
   * Within this time after it is pulled (IEC 60950-1, 2.1.1.7, asks for 37 % after one second; from
   * memory).
   */
  public static final double SAFE_SECONDS = 1;

  /**
   * A quick-acting fuse melts at about this many A²s for each A² of its rating, a time-lag one at
   * ten times that (IEC 60127-2 gates at ten times the rating, from memory).
   */
  static final double QUICK = 0.15;

  static final double LAG = 3;

  private MainsSide() {}

  /**
   * What flows through a capacitor from the line to the hand that closes the way to earth: I =
   * 2πfCV (A).
   */
  public static double touchAmperes(double farads, double volts, double hertz) {
    require("capacitance", farads);
    require("voltage", volts);
    require("frequency", hertz);
    return 2 * Math.PI * hertz * farads * volts;
  }

  /** The greatest capacitance that keeps the touch current below a limit (F). */
  public static double mostFarads(double amperes, double volts, double hertz) {
    require("current", amperes);
    return amperes / touchAmperes(1, volts, hertz);
  }

  /**
   * The bleeder across the X capacitors of a line.
   *
   * @param ohms the greatest E12 value that does it
   * @param seconds until the plug is safe with it
   * @param watts heat in it for good
   */
  public record Bleeder(double ohms, double seconds, double watts) {}

  /**
   * The bleeder that brings the peak of the line below 60 V within a second: R = t/(C·ln(V/60));
   * none where it is below that by itself.
   */
  public static Optional<Bleeder> bleeder(double farads, double lineVolts) {
    require("capacitance", farads);
    require("voltage", lineVolts);
    double peak = Math.sqrt(2) * lineVolts;
    if (peak <= SAFE_VOLTS) {
      return Optional.empty();
    }
    double decay = Math.log(peak / SAFE_VOLTS);
    double most = SAFE_SECONDS / (farads * decay);
    double ohms = PreferredSeries.E12.between(most / 10, most).getLast();
    return Optional.of(new Bleeder(ohms, ohms * farads * decay, lineVolts * lineVolts / ohms));
  }

  /**
   * A mains fuse.
   *
   * @param amperes its rating
   * @param lag whether it must be a time-lag one because switching on would melt a quick one
   * @param holds whether even a time-lag one stands the switching on
   */
  public record Fuse(double amperes, boolean lag, boolean holds) {}

  /**
   * The fuse for a set.
   *
   * @param runningAmperes from the mains, RMS
   * @param inrushSquareSeconds what the worst period of switching on brings, in A²s
   * @return none where no miniature fuse is large enough
   */
  public static Optional<Fuse> fuse(double runningAmperes, double inrushSquareSeconds) {
    require("running current", runningAmperes);
    return FUSES.stream()
        .filter(f -> f >= FUSE_MARGIN * runningAmperes)
        .findFirst()
        .map(f -> {
          boolean lag = inrushSquareSeconds > QUICK * f * f / 2;
          return new Fuse(f, lag, inrushSquareSeconds <= LAG * f * f / 2);
        });
  }

  private static void require(String what, double value) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException("a " + what + " above zero is needed, not " + value);
    }
  }
}
