package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Map;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.quantity.PreferredSeries;

/**
 * What is known of one kind of capacitor.
 *
 * @param id as used in job files
 * @param leads how it is usually connected
 * @param polarised whether it has a positive and a negative end that must not be changed over
 * @param liquid whether it is filled with liquid, and limits the voltage by passing current
 * @param words the words that name it at the bench line, the first being its name
 * @param hazards ids of the cautions that go with it
 * @param usualTolerance how far above its marking it may lie where no tolerance is printed, as a
 *     fraction
 * @param absorption the most charge its dielectric holds back, as a fraction
 * @param made the years it was commonly fitted in
 * @param wear how it fails with the years
 * @param heir what a part of today takes its place
 */
public record CapacitorKind(
    String id,
    Family family,
    Leads leads,
    boolean polarised,
    boolean liquid,
    List<String> words,
    Map<LimitProfile, Limits> limits,
    List<String> hazards,
    double usualTolerance,
    double absorption,
    Made made,
    Wear wear,
    Heir heir) {
  public CapacitorKind {
    words = List.copyOf(words);
    limits = Map.copyOf(limits);
    hazards = List.copyOf(hazards);
  }

  /**
   * The part of today for this kind.
   *
   * @param kind id of its kind
   * @param series the preferred values it is commonly made in
   * @param ratings the direct voltages it is commonly made for, rising
   */
  public record Heir(String kind, PreferredSeries series, List<Double> ratings) {
    public Heir {
      ratings = List.copyOf(ratings);
    }
  }

  /** The years a kind was commonly fitted in, both included (common practice). */
  public record Made(int from, int to) {}

  /**
   * How a kind fails with the years, at the temperature of a warm set.
   *
   * @param years after which half of them have failed or are about to (common practice, to be
   *     argued with)
   * @param steepness of the rise around that age: 1 hardly depends on age, 4 is sharp
   * @param reforms whether it can be brought up again
   */
  public record Wear(double years, double steepness, boolean reforms) {
    /**
     * The chance that one which still works at an age fails within so many years: Weibull, its
     * median at {@code years}.
     */
    public double failsWithin(double ahead, double age) {
      double now = Math.pow(Math.max(0, age) / years, steepness);
      double then = Math.pow((Math.max(0, age) + ahead) / years, steepness);
      return 1 - Math.exp(-Math.log(2) * (then - now));
    }
  }

  /**
   * Whether its series resistance says something of its own; of paper, film and mica it only
   * repeats the dissipation.
   */
  public boolean lossyByNature() {
    return family == Family.ELECTROLYTIC || family == Family.TANTALUM;
  }
}
