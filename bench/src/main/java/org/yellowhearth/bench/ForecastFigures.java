package org.yellowhearth.bench;

import java.util.Locale;
import org.yellowhearth.core.reform.ForecastTrial;
import org.yellowhearth.core.reform.TrialDecay.Decay;

/**
 * Prints how good the forecasts of Reform are, over fleets of simulated leakage curves of every
 * origin; the same every time.
 */
public final class ForecastFigures {
  private static final int CURVES = 500;
  private static final long SEED = 20_260_101;

  private ForecastFigures() {}

  public static void main(String[] args) {
    int count = args.length > 0 ? Integer.parseInt(args[0]) : CURVES;
    System.out.printf(
        Locale.ROOT,
        "%-12s %10s %12s %14s %14s%n",
        "decay",
        "forecasts",
        "80 % holds",
        "median error",
        "hopeless/false");
    for (Decay decay : Decay.values()) {
      ForecastTrial t = ForecastTrial.of(decay, count, SEED);
      System.out.printf(
          Locale.ROOT,
          "%-12s %10d %10.1f %% %12.1f %% %7.1f %% of %d / %.1f %% of %d%n",
          decay.code(),
          t.forecasts(),
          100 * t.coverage(),
          t.errors().isEmpty() ? Double.NaN : 100 * t.medianError(),
          t.hopeless() == 0 ? 0 : 100 * t.inTime(),
          t.hopeless(),
          t.recovering() == 0 ? 0 : 100 * t.falseCalls(),
          t.recovering());
    }
  }
}
