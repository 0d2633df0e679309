package org.yellowhearth.core.learn;

import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * What a count says of a share: Beta(hits + ½, misses + ½), the posterior from Jeffreys' prior,
 * which favours no share and gives intervals that cover as often as they claim (Brown, Cai and
 * DasGupta, Statistical Science 16, 2001, from memory).
 *
 * @param low nine times in ten the share lies between this
 * @param high and this
 */
public record Posterior(long hits, long seen, double mean, double low, double high) {
  /** Fewer than so many say little. */
  public static final long FEW = 10;

  private static final double PRIOR = 0.5;
  private static final double TAIL = 0.05;

  /** The posterior of a count. */
  public static Posterior of(long hits, long seen) {
    if (hits < 0 || hits > seen) {
      throw new IllegalArgumentException(hits + " of " + seen + " is no count");
    }
    BetaDistribution beta = BetaDistribution.of(hits + PRIOR, seen - hits + PRIOR);
    return new Posterior(
        hits,
        seen,
        beta.getMean(),
        beta.inverseCumulativeProbability(TAIL),
        beta.inverseSurvivalProbability(TAIL));
  }

  /** Whether too few were seen to build on. */
  public boolean few() {
    return seen < FEW;
  }
}
