package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
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
    Optional<Settled> middle = settled(() -> Settled.of(supply));
    List<Shown> good = new ArrayList<>();
    for (int run = 0; run < runs; run += CHUNK) {
      if (!watcher.goOn((double) run / runs)) {
        throw new StoppedException();
      }
      List<Supply> drawn = new ArrayList<>();
      for (int k = run; k < Math.min(runs, run + CHUNK); k++) {
        drawn.add(
            supply.tuned((knob, now) ->
                now * Math.exp(spread.getOrDefault(knob, 0.0) * random.nextGaussian())));
      }
      drawn.parallelStream().map(d -> shown(d, middle, points)).toList().stream()
          .flatMap(Optional::stream)
          .forEach(good::add);
    }
    List<Rail> rails = new ArrayList<>();
    for (int p = 0; p < points.size(); p++) {
      int of = p;
      rails.add(
          new Rail(
              points.get(of), sorted(good, s -> s.direct[of]), sorted(good, s -> s.ripple[of])));
    }
    return new ToleranceRuns(good.size(), runs - good.size(), rails, sorted(good, s -> s.watts));
  }

  /** What one set shows at each point. */
  private static final class Shown {
    private final double watts;
    private final double[] direct;
    private final double[] ripple;

    private Shown(Settled settled, List<String> points) {
      watts = settled.mainsWatts();
      List<Wave> waves = points.stream().map(settled.waves()::voltage).toList();
      direct = waves.stream().mapToDouble(Wave::mean).toArray();
      ripple = waves.stream().mapToDouble(Wave::rippleRms).toArray();
    }
  }

  private static Optional<Shown> shown(
      Supply drawn, Optional<Settled> middle, List<String> points) {
    return settled(() -> middle.map(m -> Settled.once(drawn, m)).orElseGet(() -> Settled.of(drawn)))
        .map(s -> new Shown(s, points));
  }

  /** Nothing of a set that cannot be: it is counted as one that failed. */
  private static Optional<Settled> settled(Supplier<Settled> search) {
    try {
      return Optional.of(search.get());
    } catch (BadCircuitException | NoSolutionException _) {
      return Optional.empty();
    }
  }

  private static List<Double> sorted(List<Shown> all, ToDoubleFunction<Shown> which) {
    return all.stream().mapToDouble(which).sorted().boxed().toList();
  }
}
