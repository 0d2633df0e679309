package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * What tolerances make of the rails: the supply worked out many times, every value off by its own
 * tolerance as chance has it. A value moves by a factor whose logarithm is normal, so that none
 * changes its sign.
 *
 * @param runs how many supplies were worked out
 * @param failed how many of them had no steady state
 * @param watts taken from the mains, sorted
 */
public record ToleranceRuns(int runs, int failed, List<Rail> rails, List<Double> watts) {
  private static final int CHUNK = 50;

  /**
   * A point over all runs.
   *
   * @param dcVolts direct voltages, sorted
   * @param rippleRms ripple, sorted
   */
  public record Rail(String point, List<Double> dcVolts, List<Double> rippleRms) {
    public Rail {
      dcVolts = List.copyOf(dcVolts);
      rippleRms = List.copyOf(rippleRms);
    }

    /** The value that a share of all lies below. */
    public static double quantile(List<Double> sorted, double share) {
      double at = share * (sorted.size() - 1);
      int below = (int) Math.floor(at);
      int above = Math.min(sorted.size() - 1, below + 1);
      return sorted.get(below) + (at - below) * (sorted.get(above) - sorted.get(below));
    }
  }

  public ToleranceRuns {
    rails = List.copyOf(rails);
    watts = List.copyOf(watts);
  }

  /**
   * Runs them.
   *
   * @param spread the standard tolerance of each value, as a fraction
   * @param seed the same seed gives the same runs
   * @throws StoppedException where the watcher did not want to go on
   */
  public static ToleranceRuns of(
      Supply supply,
      List<String> points,
      Map<Parameter, Double> spread,
      int runs,
      long seed,
      Watcher watcher) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<String, double[]> dc = new HashMap<>();
    Map<String, double[]> ripple = new HashMap<>();
    points.forEach(p -> {
      dc.put(p, new double[runs]);
      ripple.put(p, new double[runs]);
    });
    double[] watts = new double[runs];
    int good = 0;
    for (int run = 0; run < runs; run++) {
      if (run % CHUNK == 0 && !watcher.goOn((double) run / runs)) {
        throw new StoppedException();
      }
      Supply here =
          supply.tuned((knob, now) ->
              now * Math.exp(spread.getOrDefault(knob, 0.0) * random.nextGaussian()));
      try {
        Settled settled = Settled.of(here);
        Waveforms w = settled.waves();
        watts[good] = settled.mainsWatts();
        for (String p : points) {
          Wave v = w.voltage(p);
          dc.get(p)[good] = v.mean();
          ripple.get(p)[good] = v.rippleRms();
        }
        good++;
      } catch (BadCircuitException | NoSolutionException _) {
        // Counted below: a run that cannot be is no run.
      }
    }
    int kept = good;
    List<Rail> rails = new ArrayList<>();
    points.forEach(
        p -> rails.add(new Rail(p, sorted(dc.get(p), kept), sorted(ripple.get(p), kept))));
    return new ToleranceRuns(kept, runs - kept, rails, sorted(watts, kept));
  }

  private static List<Double> sorted(double[] values, int count) {
    return Arrays.stream(values, 0, count).sorted().boxed().toList();
  }
}
