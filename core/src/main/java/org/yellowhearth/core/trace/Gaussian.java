package org.yellowhearth.core.trace;

/** Many figures that are uncertain together, by the Cholesky factor of their covariance. */
final class Gaussian {
  private final double[][] factor;
  private final double logScale;

  /** From a covariance, of which the lower half counts. */
  Gaussian(double[][] covariance) {
    int n = covariance.length;
    factor = new double[n][n];
    double logs = 0;
    for (int r = 0; r < n; r++) {
      for (int c = 0; c <= r; c++) {
        double sum = covariance[r][c];
        for (int k = 0; k < c; k++) {
          sum -= factor[r][k] * factor[c][k];
        }
        factor[r][c] = r == c ? Math.sqrt(sum) : sum / factor[c][c];
      }
      logs += Math.log(factor[r][r]);
    }
    logScale = -logs - 0.5 * n * Math.log(2 * Math.PI);
  }

  /**
   * What is left of a difference once it is measured in standard deviations that know nothing of
   * one another.
   */
  double[] whitened(double[] difference) {
    double[] w = new double[factor.length];
    for (int r = 0; r < w.length; r++) {
      double sum = difference[r];
      for (int k = 0; k < r; k++) {
        sum -= factor[r][k] * w[k];
      }
      w[r] = sum / factor[r][r];
    }
    return w;
  }

  /** The sum of squares. */
  static double squares(double[] whitened) {
    double sum = 0;
    for (double w : whitened) {
      sum += w * w;
    }
    return sum;
  }

  /** The square of a difference in standard deviations. */
  double squared(double[] difference) {
    return squares(whitened(difference));
  }

  /** The logarithm of the density at a difference that was whitened. */
  double logDensityOf(double[] whitened) {
    return logDensityOf(squares(whitened));
  }

  /** The logarithm of the density at a sum of squares. */
  double logDensityOf(double squares) {
    return logScale - 0.5 * squares;
  }
}
