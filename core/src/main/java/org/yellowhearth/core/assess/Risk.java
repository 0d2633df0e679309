package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;

/**
 * How likely a part fails within the next years of use if it is left, and what that costs. It
 * orders the work; it is no prediction. Odds are multiplied, so that the chance stays below one:
 * odds = odds by kind and age × every factor.
 *
 * @param chance of failing within {@link #YEARS} years, 0 to 1
 * @param consequence what its failure costs, 1 to 5
 * @param factors what weighed, the strongest first
 */
public record Risk(double chance, int consequence, List<Factor> factors) {
  /** Not weighed yet. */
  static final Risk UNKNOWN = new Risk(0.5, 1, List.of());

  /** The years of use looked ahead. */
  public static final double YEARS = 5;

  private static final double LEAST = 1e-4;
  private static final double MOST = 1 - 1e-4;

  /** One thing that weighs. */
  public record Factor(Message words, double times) {}

  public Risk {
    factors = List.copyOf(factors);
  }

  /** The risk from a chance by kind and age and the factors that turn its odds. */
  static Risk of(double baseChance, int consequence, List<Factor> factors) {
    double base = Math.clamp(baseChance, LEAST, MOST);
    double odds = base / (1 - base);
    for (Factor f : factors) {
      odds *= f.times;
    }
    List<Factor> sorted = new ArrayList<>(factors);
    sorted.sort((a, b) -> Double.compare(Math.abs(Math.log(b.times)), Math.abs(Math.log(a.times))));
    return new Risk(Math.clamp(odds / (1 + odds), LEAST, MOST), consequence, sorted);
  }

  /** Chance times consequence. */
  public double score() {
    return chance * consequence;
  }

  /** The chance in whole per cent, never certain either way: it is no more exact than that. */
  public Quantity chanceShown() {
    return Quantity.percent(Math.clamp(Math.round(100 * chance), 1, 99) / 100.0);
  }
}
