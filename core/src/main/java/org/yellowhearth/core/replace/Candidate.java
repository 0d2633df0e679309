package org.yellowhearth.core.replace;

import java.util.OptionalDouble;

/**
 * A capacitor that is at hand or to be had.
 *
 * @param id names it among the others
 * @param tolerance how far its value may lie off, as a share
 * @param polar whether it must not be reversed
 * @param esrOhms series resistance, where it is known
 * @param rippleAmperes alternating current it stands (RMS, at 100 Hz), where that is stated
 * @param leakAmperes most that it may leak at its rating
 * @param price in the shop's money
 */
public record Candidate(
    String id,
    double farads,
    double tolerance,
    double ratedVolts,
    boolean polar,
    OptionalDouble esrOhms,
    OptionalDouble rippleAmperes,
    double leakAmperes,
    double price) {
  public Candidate {
    require(id, "capacitance", farads, 1e-15, 10);
    require(id, "tolerance", tolerance, 0, 0.99);
    require(id, "rating", ratedVolts, 0.5, 100_000);
    require(id, "leakage", leakAmperes, 0, 1);
    require(id, "price", price, 0, 1e6);
    esrOhms.ifPresent(r -> require(id, "series resistance", r, 0, 1e6));
    rippleAmperes.ifPresent(a -> require(id, "ripple current", a, 0, 1e4));
  }

  private static void require(String id, String what, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          "the " + what + " of " + id + " is " + value + "; expected " + low + " to " + high);
    }
  }
}
