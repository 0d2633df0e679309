package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.job.Job;

/**
 * How hot a regulator gets inside: Ta + P·θ, with the air in the set as warm as the bench where
 * nobody measured it.
 *
 * @param watts what it turns to heat
 * @param mostCelsius what its junction may get to
 */
public record RegulatorHeat(
    String regulator,
    double watts,
    double aroundCelsius,
    double junctionCelsius,
    double mostCelsius) {
  private static final double USUAL_CELSIUS = 25;
  private static final double USUAL_MOST = 150;

  /** Every series regulator whose mounting is stated and whose heat is known. */
  public static List<RegulatorHeat> of(Job job, List<Headroom> headrooms) {
    double around = job.aspect(Bench.class).celsius().orElse(USUAL_CELSIUS);
    List<RegulatorHeat> all = new ArrayList<>();
    for (Headroom h : headrooms) {
      job.items(SupplyRegulator.class).stream()
          .filter(r -> r.name().equals(h.regulator()) && h.known())
          .forEach(r ->
              r.kelvinPerWatt()
                  .ifPresent(k ->
                      all.add(
                          new RegulatorHeat(
                              h.regulator(),
                              h.watts(),
                              around,
                              SideSums.junctionCelsius(around, h.watts(), k),
                              r.mostCelsius().orElse(USUAL_MOST)))));
    }
    return all;
  }

  /** Whether it is too hot. */
  public boolean tooHot() {
    return junctionCelsius > mostCelsius;
  }
}
