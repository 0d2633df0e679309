package org.yellowhearth.core.safety;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.yellowhearth.core.quantity.PreferredSeries;

/**
 * How a charged capacitor is emptied through a resistor: {@code t = RC·ln(V0/V)}, {@code E =
 * CV²/2}.
 *
 * @param farads the capacitance
 * @param volts what it is charged to
 * @param absorption the share that its dielectric holds back
 * @param ohms the resistor
 */
public record DischargePlan(double farads, double volts, double absorption, double ohms) {
  /** Wattages that power resistors are commonly made for. */
  public static final List<Double> WATTAGES =
      List.of(
          0.25, 0.5, 1.0, 2.0, 3.0, 5.0, 7.0, 10.0, 15.0, 20.0, 25.0, 50.0, 100.0, 200.0, 300.0);

  /** Above this voltage a resistor and its leads must be made for high voltage. */
  public static final double HIGH_VOLTS = 2000;

  /**
   * A wirewound resistor stands five times its rating for five seconds (common practice; makers'
   * figures differ).
   */
  private static final double OVERLOAD_SECONDS = 5;

  private static final double OVERLOAD = 5;
  private static final double WANTED_SECONDS = 2;
  private static final double MOST_AMPERES = 0.5;
  private static final double MOST_AMPERES_AT_HIGH_VOLTS = 0.005;
  private static final double WET_ABSORPTION = 0.1;
  private static final double LEAST_OHMS = 10;
  private static final double MOST_OHMS = 100e3;

  public DischargePlan {
    if (!(farads > 0
        && farads <= 10
        && volts > 0
        && volts <= 100_000
        && ohms > 0
        && ohms <= 1e12)) {
      throw new IllegalArgumentException(
          "no such discharge: " + farads + " F, " + volts + " V, " + ohms + " ohms");
    }
  }

  /** A point of the curve. */
  public record Point(double seconds, double volts) {}

  /**
   * A plan with a resistor that empties it in some seconds and draws no more than half an ampere,
   * or 5 mA at high voltage.
   */
  public static DischargePlan suggested(double farads, double volts, double absorption) {
    double leastOhms = volts / (volts > HIGH_VOLTS ? MOST_AMPERES_AT_HIGH_VOLTS : MOST_AMPERES);
    double wanted = Math.max(Math.clamp(WANTED_SECONDS / farads, LEAST_OHMS, MOST_OHMS), leastOhms);
    return new DischargePlan(
        farads, volts, absorption, PreferredSeries.E6.between(wanted, wanted * 10).getFirst());
  }

  /**
   * The same for an old wet electrolytic, whose dielectric gives back up to a tenth (common
   * practice).
   */
  public static DischargePlan ofElectrolytic(double farads, double volts) {
    return suggested(farads, volts, WET_ABSORPTION);
  }

  /** This with another resistor. */
  public DischargePlan through(double otherOhms) {
    return new DischargePlan(farads, volts, absorption, otherOhms);
  }

  /** Energy in joules. */
  public double energy() {
    return farads * volts * volts / 2;
  }

  public HazardClass hazard() {
    return HazardClass.of(volts, energy());
  }

  public double timeConstant() {
    return ohms * farads;
  }

  /**
   * Seconds until it has fallen to a voltage, without what the dielectric gives back; zero where it
   * is there already.
   */
  public double secondsTo(double target) {
    return target >= volts ? 0 : timeConstant() * Math.log(volts / target);
  }

  /** Current at the first moment. */
  public double peakAmperes() {
    return volts / ohms;
  }

  /** Power at the first moment. */
  public double peakWatts() {
    return volts * volts / ohms;
  }

  /**
   * The rating that stands the pulse: the pulse as a square of its peak and half a time constant,
   * within the overload.
   */
  public OptionalDouble pulseWatts() {
    return made(
        peakWatts()
            * Math.min(timeConstant() / 2, OVERLOAD_SECONDS)
            / (OVERLOAD * OVERLOAD_SECONDS));
  }

  /** The rating that also stands being forgotten there under power. */
  public OptionalDouble forgottenWatts() {
    return made(peakWatts());
  }

  private static OptionalDouble made(double watts) {
    return WATTAGES.stream().filter(w -> w >= watts).mapToDouble(Double::doubleValue).findFirst();
  }

  /** What comes back at the terminals after a quick discharge and a rest, at most. */
  public double reboundVolts() {
    return volts * absorption / (1 + absorption);
  }

  /** The curve down to a tenth of a volt, in so many points. */
  public List<Point> curve(int points) {
    double lowest = 0.1;
    double end = Math.max(secondsTo(Math.min(lowest, volts / 2)), 1e-9);
    return IntStream.range(0, points)
        .mapToObj(i -> {
          double t = end * i / (points - 1);
          return new Point(t, volts * Math.exp(-t / timeConstant()));
        })
        .toList();
  }
}
