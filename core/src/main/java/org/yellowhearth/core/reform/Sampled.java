package org.yellowhearth.core.reform;

/**
 * One point of a leakage curve at constant voltage.
 *
 * @param seconds since the voltage was reached, above 0
 * @param amperes leakage, above 0
 */
public record Sampled(double seconds, double amperes) {
  public Sampled {
    if (!(seconds > 0 && amperes > 0) || Double.isInfinite(seconds) || Double.isInfinite(amperes)) {
      throw new IllegalArgumentException(
          "no point of a leakage curve: " + seconds + " s, " + amperes + " A");
    }
  }
}
