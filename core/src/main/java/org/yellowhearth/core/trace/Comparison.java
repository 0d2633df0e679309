package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.yellowhearth.core.circuit.StoppedException;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Diagnosis.Datum;
import org.yellowhearth.core.trace.Diagnosis.Question;

/**
 * Supplies held against readings: works them out, counting them for whoever watches, and says how
 * far what they show lies from what was read, in what tolerances, line and meters leave uncertain
 * around the sound supply.
 */
final class Comparison {
  /** Of one tolerance, for the slope. */
  private static final double SLOPE_STEP = 0.5;

  private final Question question;
  private final Watcher watcher;
  private final Probes probes;
  private final double[] sound;

  /** Where each reading stands among the probes. */
  private final int[] at;

  /** What lines and meters of their own shift each reading by, on the scale of comparison. */
  private final double[] shifts;

  private final Gaussian around;
  private final int planned;
  private int done;

  private Comparison(
      Question question, Watcher watcher, Probes probes, double[] sound, int planned) {
    this.question = question;
    this.watcher = watcher;
    this.probes = probes;
    this.sound = sound;
    this.planned = planned;
    at = question.data().stream().mapToInt(probes::indexOf).toArray();
    shifts = new double[at.length];
    shift();
    around = new Gaussian(covariance());
  }

  /**
   * A comparison with the readings of a question; none where its sound supply has no steady state.
   *
   * @param planned how many supplies will be worked out beside those that this takes itself
   * @throws StoppedException where the watcher did not want to go on
   */
  static Optional<Comparison> of(Question question, Watcher watcher, int planned) {
    Probes probes = new Probes(question.points(), question.setups());
    return probes
        .of(question.supply())
        .map(sound ->
            new Comparison(
                question,
                watcher,
                probes,
                sound,
                planned + question.spread().size() + question.data().size()));
  }

  Probes probes() {
    return probes;
  }

  /** What the sound supply shows. */
  double[] sound() {
    return sound;
  }

  /** What every probe of a supply shows; nothing for one that cannot be worked out. */
  Optional<double[]> worked(Supply supply) {
    if (!watcher.goOn(Math.min(1, (double) done / planned))) {
      throw new StoppedException();
    }
    done++;
    return probes.of(supply);
  }

  /** Faults at a severity that shows this. */
  Sample sample(List<String> parts, List<Fault> faults, double[] shown, double logPrior) {
    double[] white = around.whitened(difference(shown));
    return new Sample(parts, faults, shown, white, logPrior, around.logDensityOf(white));
  }

  /** The logarithm of the density of the readings at a sum of squares. */
  double logDensityOf(double squares) {
    return around.logDensityOf(squares);
  }

  /** What the meter would show for each reading. */
  List<Double> predicted(Sample sample) {
    return IntStream.range(0, at.length)
        .mapToObj(k -> probes.at(at[k]).volts(sample.shown(at[k]) + shifts[k]))
        .toList();
  }

  /** How far what a supply shows lies from what the sound one shows, in standard deviations. */
  double signature(Supply supply) {
    double[] from = difference(sound);
    double[] to = difference(worked(supply).orElseThrow());
    for (int k = 0; k < to.length; k++) {
      to[k] -= from[k];
    }
    return Math.sqrt(around.squared(to));
  }

  private double[] difference(double[] shown) {
    double[] d = new double[at.length];
    for (int k = 0; k < d.length; k++) {
      d[k] = probes.at(at[k]).scaled(question.data().get(k).volts()) - shown[at[k]] - shifts[k];
    }
    return d;
  }

  /**
   * A reading at another line, or by a meter that loads its point, is shifted by what that does to
   * the sound supply.
   */
  private void shift() {
    for (int k = 0; k < shifts.length; k++) {
      Datum m = question.data().get(k);
      if (m.line() == 1 && m.meterOhms().isEmpty()) {
        continue;
      }
      Supply there =
          new Parameter(Parameter.MAINS, Parameter.Which.MAINS_VOLTS)
              .times(question.supply(), m.line());
      if (m.meterOhms().isPresent()) {
        there =
            there.with(
                new Section.Resist(
                    "meter", "meter", m.point(), Section.CHASSIS, m.meterOhms().getAsDouble()));
      }
      int reading = k;
      worked(there).ifPresent(shown -> shifts[reading] = shown[at[reading]] - sound[at[reading]]);
    }
  }

  /** What tolerances and meters leave uncertain around what the sound supply shows. */
  private double[][] covariance() {
    int n = at.length;
    double[][] s = new double[n][n];
    for (int k = 0; k < n; k++) {
      double noise =
          probes.at(at[k]).noise(question.data().get(k).volts(), question.data().get(k).relative());
      s[k][k] = noise * noise;
    }
    double[] middle = difference(sound);
    question
        .spread()
        .forEach((knob, sigma) ->
            worked(knob.times(question.supply(), Math.exp(SLOPE_STEP * sigma)))
                .ifPresent(moved -> {
                  double[] d = difference(moved);
                  for (int r = 0; r < n; r++) {
                    for (int c = 0; c <= r; c++) {
                      s[r][c] +=
                          (d[r] - middle[r]) * (d[c] - middle[c]) / (SLOPE_STEP * SLOPE_STEP);
                    }
                  }
                }));
    return s;
  }
}
