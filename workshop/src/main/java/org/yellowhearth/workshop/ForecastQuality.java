package org.yellowhearth.workshop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.reform.ForecastTrial;
import org.yellowhearth.core.reform.TrialDecay.Decay;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * How good the forecasts are, tried on this machine over fleets of simulated capacitors; it can be
 * watched and stopped.
 */
public final class ForecastQuality {
  /** Anything but below nought and one: nothing is being tried. */
  public static final double IDLE = -1;

  private static final long SEED = 20_260_101;

  private final Background background;
  private final Value<List<ForecastTrial>> trials = new Value<>(List.of());
  private final Value<Double> progress = new Value<Double>(IDLE);
  private AtomicBoolean stopped = new AtomicBoolean();

  ForecastQuality(Background background) {
    this.background = background;
  }

  /** What was found so far, one fleet after another. */
  public Watched<List<ForecastTrial>> trialsProperty() {
    return trials.watched();
  }

  /** How far it is, 0 to 1; {@link #IDLE} where nothing is being tried. */
  public Watched<Double> progressProperty() {
    return progress.watched();
  }

  /** Tries every fleet with so many curves each. */
  public void run(int count) {
    if (progress.get() >= 0) {
      return;
    }
    trials.set(List.of());
    progress.set(0.0);
    stopped = new AtomicBoolean();
    next(List.of(Decay.values()), count, stopped);
  }

  /** Stops what is under way; what is done stays. */
  public void stop() {
    stopped.set(true);
  }

  private void next(List<Decay> left, int count, AtomicBoolean stop) {
    if (left.isEmpty() || stop.get()) {
      progress.set(IDLE);
      return;
    }
    double all = Decay.values().length;
    background.aside(
        () -> {
          try {
            return Optional.of(
                ForecastTrial.of(
                    left.getFirst(),
                    count,
                    SEED,
                    done -> {
                      background.report(() -> progress.set((all - left.size() + done) / all));
                      return !stop.get();
                    }));
          } catch (StoppedException _) {
            return Optional.<ForecastTrial>empty();
          }
        },
        found -> {
          found.ifPresent(t -> {
            List<ForecastTrial> more = new ArrayList<>(trials.get());
            more.add(t);
            trials.set(List.copyOf(more));
          });
          next(left.subList(1, left.size()), count, stop);
        });
  }
}
