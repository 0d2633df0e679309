package org.yellowhearth.core.finaltest;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.numeric.StraightLine;
import org.yellowhearth.core.quantity.Edge;

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

  /** What a fall is held against. */
  public enum Held implements Coded {
    WITHIN,
    BEYOND
  }

  /**
   * Whether a rail holds what is promised of it between its least and its greatest load, as it was
   * read; nothing where nothing is promised, or fewer than two loads were tried.
   */
  public static Optional<Held> held(LoadTest test) {
    if (test.loads().size() < 2 || (test.limitVolts().isEmpty() && test.limitShare().isEmpty())) {
      return Optional.empty();
    }
    Comparator<LoadTest.Loaded> byLoad = Comparator.comparingDouble(LoadTest.Loaded::amperes);
    double least = Math.abs(Collections.min(test.loads(), byLoad).volts());
    double most = Math.abs(Collections.max(test.loads(), byLoad).volts());
    double fall = Math.abs(least - most);
    boolean good =
        (test.limitVolts().isEmpty() || Edge.atMost(fall, test.limitVolts().getAsDouble(), least))
            && (test.limitShare().isEmpty()
                || Edge.atMost(fall, test.limitShare().getAsDouble() * least, least));
    return Optional.of(good ? Held.WITHIN : Held.BEYOND);
  }

  /** What it should stand at with a load. */
  public double at(double amperes) {
    return openVolts - Math.signum(openVolts) * ohms * amperes;
  }
}
