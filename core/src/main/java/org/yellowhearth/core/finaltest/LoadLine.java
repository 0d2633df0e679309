package org.yellowhearth.core.finaltest;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.numeric.StraightLine;

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
    double openVolts,
    double ohms,
    Optional<Double> ohmsUncertainty,
    double regulation,
    double most) {
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
    StraightLine line =
        StraightLine.through(
                loads.stream()
                    .map(l ->
                        new StraightLine.Point(
                            l.amperes(),
                            l.volts() * nominalLine / l.lineVolts().orElse(nominalLine)))
                    .toList())
            .orElseThrow();
    double open = line.at0();
    double loaded = line.at(most);
    // Of a negative rail the magnitude falls.
    double sign = open < 0 ? -1 : 1;
    return new LoadLine(
        open, -line.slope() * sign, line.slopeSpread(), (line.at(least) - loaded) / loaded, most);
  }

  /** What it should stand at with a load. */
  public double at(double amperes) {
    return openVolts - Math.signum(openVolts) * ohms * amperes;
  }
}
