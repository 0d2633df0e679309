package org.yellowhearth.core.finaltest;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.LoadTest;

/**
 * What loads say of a rail: a straight line V = V0 − R·I through its voltages, each brought to the
 * nominal line, by least squares (textbook).
 *
 * @param openVolts V0, what it would stand at with no load
 * @param ohms its output resistance
 * @param ohmsUncertainty standard uncertainty of that, from three loads on
 * @param regulation the fall from the least to the greatest load that were tried, against the
 *     voltage at the greatest
 * @param most the greatest load that was tried (A)
 */
public record LoadLine(
    double openVolts, double ohms, OptionalDouble ohmsUncertainty, double regulation, double most) {
  /** Loads this near to each other are one. */
  private static final double ALIKE = 1e-3;

  /**
   * The line.
   *
   * @param nominalLine the mains it is brought to, in proportion; readings without a line are taken
   *     as at that
   * @throws IllegalArgumentException with a sentence, where fewer than two different loads were
   *     tried
   */
  public static LoadLine of(List<LoadTest.Loaded> loads, double nominalLine) {
    double least = loads.stream().mapToDouble(LoadTest.Loaded::amperes).min().orElse(0);
    double most = loads.stream().mapToDouble(LoadTest.Loaded::amperes).max().orElse(0);
    if (loads.size() < 2 || most - least <= ALIKE * most) {
      throw new IllegalArgumentException(
          "two different loads at least tell an output resistance; a rail without load passes nothing");
    }
    int n = loads.size();
    double[] v =
        loads.stream()
            .mapToDouble(l -> l.volts() * nominalLine / l.lineVolts().orElse(nominalLine))
            .toArray();
    double meanI = loads.stream().mapToDouble(LoadTest.Loaded::amperes).average().orElseThrow();
    double meanV = 0;
    for (double x : v) {
      meanV += x / n;
    }
    double ii = 0;
    double iv = 0;
    for (int k = 0; k < n; k++) {
      double d = loads.get(k).amperes() - meanI;
      ii += d * d;
      iv += d * (v[k] - meanV);
    }
    double slope = iv / ii;
    double open = meanV - slope * meanI;
    double squares = 0;
    for (int k = 0; k < n; k++) {
      double off = v[k] - open - slope * loads.get(k).amperes();
      squares += off * off;
    }
    OptionalDouble unsure =
        n > 2 ? OptionalDouble.of(Math.sqrt(squares / (n - 2) / ii)) : OptionalDouble.empty();
    double loaded = open + slope * most;
    // Of a negative rail the magnitude falls.
    double sign = open < 0 ? -1 : 1;
    return new LoadLine(
        open, -slope * sign, unsure, (open + slope * least - loaded) / loaded, most);
  }

  /** What it should stand at with a load. */
  public double at(double amperes) {
    return openVolts - Math.signum(openVolts) * ohms * amperes;
  }
}
