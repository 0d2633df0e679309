package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;

/**
 * How good the forecasts are over a fleet of simulated curves: shown with the forecasts themselves,
 * and held by a test.
 *
 * @param covered of the forecasts made, those whose 80 % interval held the true time
 * @param errors relative errors of the median once a third of the time had passed, rising
 * @param hopeless curves that never meet the limit within the patience
 * @param calledInTime of these, those called before half the patience was used
 * @param recovering curves that do meet it
 * @param calledFalsely of these, those called hopeless at any reading
 * @param tooEarly curves of which a third had passed before there were readings enough
 */
public record ForecastTrial(
    TrialDecay.Decay origin,
    int forecasts,
    int covered,
    List<Double> errors,
    int hopeless,
    int calledInTime,
    int recovering,
    int calledFalsely,
    int tooEarly) {
  private static final double[] LOOKS = {0.2, 1 / 3.0, 0.5, 0.75};
  private static final double THIRD = 1 / 3.0;

  public ForecastTrial {
    errors = List.copyOf(errors);
  }

  /** A fleet of curves of one origin; the same seed gives the same fleet. */
  public static ForecastTrial of(TrialDecay.Decay origin, int count, long seed) {
    return of(origin, count, seed, _ -> true);
  }

  /**
   * The same, watched.
   *
   * @throws StoppedException where the watcher did not want to go on
   */
  public static ForecastTrial of(TrialDecay.Decay origin, int count, long seed, Watcher watcher) {
    Tally tally = new Tally();
    for (int k = 0; k < count; k++) {
      if (!watcher.goOn((double) k / count)) {
        throw new StoppedException();
      }
      tally.take(TrialDecay.of(origin, new Random(seed + 7919L * k)));
    }
    return new ForecastTrial(
        origin,
        tally.forecasts,
        tally.covered,
        tally.errors.stream().sorted().toList(),
        tally.hopeless,
        tally.calledInTime,
        tally.recovering,
        tally.calledFalsely,
        tally.tooEarly);
  }

  /** The share of intervals that held the truth. */
  public double coverage() {
    return (double) covered / forecasts;
  }

  public double medianError() {
    return errors.get(errors.size() / 2);
  }

  public double falseCalls() {
    return (double) calledFalsely / recovering;
  }

  public double inTime() {
    return (double) calledInTime / hopeless;
  }

  private static final class Tally {
    int forecasts;
    int covered;
    int hopeless;
    int calledInTime;
    int recovering;
    int calledFalsely;
    int tooEarly;
    final List<Double> errors = new ArrayList<>();

    void take(TrialDecay d) {
      OptionalDouble called = firstCall(d);
      if (!d.recovers()) {
        hopeless++;
        calledInTime += called.isPresent() && called.getAsDouble() <= d.patience() / 2 ? 1 : 0;
        return;
      }
      recovering++;
      calledFalsely += called.isPresent() ? 1 : 0;
      for (double share : LOOKS) {
        look(d, d.reached().orElseThrow(), share);
      }
    }

    private void look(TrialDecay d, double truth, double share) {
      Optional<Forecast> made =
          DecayFit.of(d.until(share * truth)).map(f -> f.forecast(d.limit(), d.patience()));
      if (made.isEmpty()) {
        tooEarly += share == THIRD ? 1 : 0;
        return;
      }
      Forecast f = made.get();
      forecasts++;
      boolean above = f.low().isPresent() && f.low().getAsDouble() <= truth;
      boolean below = f.high().isEmpty() || f.high().getAsDouble() >= truth;
      covered += above && below ? 1 : 0;
      if (share == THIRD) {
        errors.add(
            f.median().isPresent()
                ? Math.abs(f.median().getAsDouble() / truth - 1)
                : Double.POSITIVE_INFINITY);
      }
    }

    /**
     * When waiting is first called useless: looked at whenever time has grown by three tenths, as
     * the lanes do.
     */
    private static OptionalDouble firstCall(TrialDecay d) {
      double end = d.reached().orElse(d.patience());
      for (double at = 300; at <= Math.min(end, d.patience()); at *= 1.3) {
        List<Sampled> seen = d.until(at);
        if (DecayFit.of(seen)
            .map(f -> f.forecast(d.limit(), d.patience()).useless(seen, d.patience()))
            .orElse(false)) {
          return OptionalDouble.of(at);
        }
      }
      return OptionalDouble.empty();
    }
  }
}
