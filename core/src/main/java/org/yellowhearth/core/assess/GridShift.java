package org.yellowhearth.core.assess;

import java.util.OptionalDouble;
import org.yellowhearth.core.fact.GridCircuit;

/**
 * What a leaky coupling capacitor does to the valve it feeds, with the voltage before it held and
 * the mutual conductance taken as constant: the grid rises by (V − Vg)·Rg/(Rg + R), the anode
 * current by gm·ΔV/(1 + gm·Rk), and no further than where the grid meets its cathode and draws
 * current itself (textbook network theory; the straight characteristic overstates the change a
 * little).
 *
 * @param gridVolts by how much the grid rises against chassis
 * @param amperes by how much the anode current rises
 * @param watts what the anode then dissipates, its voltage unchanged as with a transformer for a
 *     load: the worst case
 * @param clamped whether the grid has come up to its cathode
 */
public record GridShift(double gridVolts, double amperes, double watts, boolean clamped) {
  /**
   * A rise of anode current beyond this share is watched, beyond the next one the part goes (our
   * own reading of practice).
   */
  static final double WATCH_RISE = 0.05;

  static final double RENEW_RISE = 0.2;

  /** The shift by a leakage path of so many ohms. */
  public static GridShift of(GridCircuit grid, double leakOhms) {
    double shift =
        (grid.sourceVolts() - grid.gridVolts())
            * grid.gridLeakOhms()
            / (grid.gridLeakOhms() + leakOhms);
    double gm = grid.transconductance();
    double free = gm * shift / (1 + gm * grid.cathodeOhms().orElse(0));
    double most = gm * -grid.gridVolts();
    double rise = Math.min(free, most);
    return new GridShift(
        shift, rise, (grid.anodeAmperes() + rise) * grid.anodeVolts(), free > most);
  }

  /** By how much of itself the anode current rises. */
  double rise(GridCircuit grid) {
    return amperes / grid.anodeAmperes();
  }

  /** Whether the valve is overrun or its current too far off. */
  boolean bad(GridCircuit grid) {
    return rise(grid) > RENEW_RISE
        || watts > grid.dissipationWatts().orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * The least insulation that may be kept: any lower and the current rises too far or the anode is
   * overrun. Empty where even a dead short would be harmless, which no real grid circuit is.
   */
  public static OptionalDouble leastOhms(GridCircuit grid) {
    if (!of(grid, 0).bad(grid)) {
      return OptionalDouble.empty();
    }
    double low = 0;
    double high = 1e12;
    if (of(grid, high).bad(grid)) {
      return OptionalDouble.of(Double.POSITIVE_INFINITY);
    }
    for (int i = 0; i < 200 && high - low > 1e-6 * high; i++) {
      double middle = low < 1 ? high / 1000 : Math.sqrt(low * high);
      if (of(grid, middle).bad(grid)) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return OptionalDouble.of(high);
  }
}
