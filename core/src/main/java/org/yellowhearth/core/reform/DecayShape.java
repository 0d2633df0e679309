package org.yellowhearth.core.reform;

import org.yellowhearth.core.numeric.Halving;

/** How leakage at constant voltage falls to its plateau, without scale; see {@link DecayFit}. */
sealed interface DecayShape {
  double USUAL_EXPONENT = 0.95;
  double EXPONENT_SPREAD = 0.2;

  /**
   * Exponentials are rarer than powers; these are their odds, set so that foreign curves are
   * covered too (decision 15).
   */
  double LOG_STRETCHED = Math.log(0.1);

  double LOG_TWOFOLD = Math.log(0.4);

  /** How closely a time is found, as a share of it. */
  double CLOSE = 1e-9;

  double at(double seconds);

  /** When it has fallen to a level. */
  double reaches(double level);

  double logPrior();

  /** (t + t0)^−n, times over the last time so that figures stay near 1. */
  record Power(double exponent, double age, double unit) implements DecayShape {
    @Override
    public double at(double seconds) {
      return Math.pow((seconds + age) / unit, -exponent);
    }

    @Override
    public double reaches(double level) {
      return unit * Math.pow(level, -1 / exponent) - age;
    }

    @Override
    public double logPrior() {
      return -0.5 * Math.pow((exponent - USUAL_EXPONENT) / EXPONENT_SPREAD, 2);
    }
  }

  /** exp(−(t/τ)^s). */
  record Stretched(double stretch, double tau) implements DecayShape {
    @Override
    public double at(double seconds) {
      return Math.exp(-Math.pow(seconds / tau, stretch));
    }

    @Override
    public double reaches(double level) {
      return level >= 1 ? 0 : tau * Math.pow(-Math.log(level), 1 / stretch);
    }

    @Override
    public double logPrior() {
      return LOG_STRETCHED;
    }
  }

  /** (1 − q)·exp(−t/τ) + q·exp(−t/(r·τ)). */
  record Twofold(double tau, double ratio, double slow) implements DecayShape {
    @Override
    public double at(double seconds) {
      return (1 - slow) * Math.exp(-seconds / tau) + slow * Math.exp(-seconds / (ratio * tau));
    }

    @Override
    public double reaches(double level) {
      if (level >= 1) {
        return 0;
      }
      return Halving.between(0, -ratio * tau * Math.log(level), CLOSE, t -> at(t) > level).middle();
    }

    @Override
    public double logPrior() {
      return LOG_TWOFOLD;
    }
  }
}
