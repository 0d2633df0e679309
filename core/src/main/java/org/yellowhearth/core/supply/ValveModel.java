package org.yellowhearth.core.supply;

import org.yellowhearth.core.supply.Parameter.Which;

/**
 * A valve by its law of the cathode current K·(v_g1 + v/µ)^1.5, with v that of the anode of a
 * triode, of the screen of a pentode.
 *
 * @param perveance K in A/V^1.5
 * @param mu amplification factor, of a pentode that of grid 1 against grid 2
 * @param anodeShare the anode's share of the cathode current; 1 for a triode
 * @param kneeVolts the knee of a pentode's anode curve
 */
public record ValveModel(double perveance, double mu, double anodeShare, double kneeVolts) {
  /** A triode. */
  public static ValveModel triode(double perveance, double mu) {
    return new ValveModel(perveance, mu, 1, 1);
  }

  /**
   * The law that passes through a working point: a current at a grid voltage and an anode or screen
   * voltage.
   */
  public static ValveModel through(
      double cathodeAmperes,
      double gridVolts,
      double volts,
      double mu,
      double anodeShare,
      double kneeVolts) {
    double drive = gridVolts + volts / mu;
    if (!(drive > 0)) {
      throw new IllegalArgumentException(
          "a valve with "
              + gridVolts
              + " V on its grid and an amplification of "
              + mu
              + " takes no current at "
              + volts
              + " V");
    }
    return new ValveModel(cathodeAmperes / Math.pow(drive, 1.5), mu, anodeShare, kneeVolts);
  }

  /** This with every value as a tuner wants it, in a section of this id. */
  ValveModel tuned(String id, Tuner t) {
    double law = t.at(new Parameter(id, Which.PERVEANCE), perveance);
    double factor = t.at(new Parameter(id, Which.AMPLIFICATION), mu);
    return pentode()
        ? new ValveModel(
            law,
            factor,
            t.at(new Parameter(id, Which.ANODE_SHARE), anodeShare),
            t.at(new Parameter(id, Which.KNEE), kneeVolts))
        : new ValveModel(law, factor, anodeShare, kneeVolts);
  }

  /** One that draws so many times as much. */
  ValveModel times(double emission) {
    return new ValveModel(emission * perveance, mu, anodeShare, kneeVolts);
  }

  /** Whether it has a screen. */
  public boolean pentode() {
    return anodeShare < 1;
  }
}
