package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
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

  /** What the model leaves out, as a fraction of a reading (our own step). */
  private static final double MODEL = 0.01;

  /** On the scale of comparison, which is a fraction of a reading that is not small. */
  private static final double NEXT_TO_NOTHING = 1e-3;

  private final Question question;
  private final Watcher watcher;
  private final Probes probes;
  private final double[] sound;

  /** Where each reading stands among the probes. */
  private final int[] at;

  /** What lines and meters of their own shift each reading by, on the scale of comparison. */
  private final double[] shifts;

  private final Gaussian around;

  /**
   * What of that moves anything that can be read around the sound supply, and by how much it moves
   * every probe of it.
   */
  private final List<Map<Parameter, Double>> telling = new ArrayList<>();

  private final Map<Map<Parameter, Double>, double[]> soundSlopes = new HashMap<>();

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
    around = new Gaussian(covariance(slopes(question.supply(), sound, moves(question), true)));
  }

  /**
   * A comparison with the readings of a question; none where its sound supply has no steady state.
   *
   * @param planned how many supplies will be worked out beside those that this takes itself
   * @throws StoppedException where the watcher did not want to go on
   */
  static Optional<Comparison> of(Question question, Watcher watcher, int planned) {
    Probes probes = new Probes(question.points(), question.setups(), question.supply());
    return probes
        .of(question.supply())
        .map(sound ->
            new Comparison(
                question,
                watcher,
                probes,
                sound,
                planned + moves(question).size() + question.data().size()));
  }

  /** Every way in which values are off, each by itself and those that are off together. */
  private static List<Map<Parameter, Double>> moves(Question question) {
    return Stream.concat(
            question.spread().entrySet().stream().map(e -> Map.of(e.getKey(), e.getValue())),
            question.together().stream())
        .toList();
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
    goOn();
    return probes.of(supply);
  }

  /** What many supplies show, worked out beside one another, in their order. */
  List<Optional<double[]>> worked(List<Supply> supplies) {
    return supplies.parallelStream().map(this::worked).toList();
  }

  private synchronized void goOn() {
    if (!watcher.goOn(Math.min(1, (double) done / planned))) {
      throw new StoppedException();
    }
    done++;
  }

  /** Faults at a severity that shows this. */
  Sample sample(List<String> parts, List<Fault> faults, double[] shown, double logPrior) {
    double[] white = around.whitened(difference(shown));
    double squares = Gaussian.squares(white);
    return new Sample(parts, faults, shown, white, squares, logPrior, around.logDensityOf(squares));
  }

  /**
   * Samples judged by what tolerances leave uncertain around one of them, and no longer around the
   * sound supply: where a part is far from sound, others weigh otherwise.
   *
   * @param middle the one in whose surroundings they lie
   */
  List<Sample> around(Sample middle, List<Sample> samples) {
    // What is tried is not uncertain as well: its severity says what it is.
    List<Map<Parameter, Double>> others =
        telling.stream()
            .filter(move -> !move.keySet().equals(Set.of(middle.fault().knob())))
            .toList();
    Gaussian here =
        new Gaussian(
            covariance(slopes(middle.in(question.supply()), middle.shown(), others, false)));
    return samples.stream()
        .map(s -> {
          double squares = here.squared(difference(s.shown()));
          return s.around(squares, here.logDensityOf(squares));
        })
        .toList();
  }

  /** What would get hot with a sample's faults; nothing where that cannot be worked out. */
  List<Heat> heat(Sample sample) {
    if (sample.faults().isEmpty()) {
      return List.of();
    }
    try {
      Settled usual = Settled.of(question.supply());
      return Heat.of(
          Settled.near(sample.in(question.supply()), usual), usual, question.heat().rated());
    } catch (BadCircuitException | NoSolutionException _) {
      return List.of();
    }
  }

  /** How many readings there are. */
  int readings() {
    return at.length;
  }

  /** The logarithm of the density of the readings at a sum of squares. */
  double logDensityOf(double squares) {
    return around.logDensityOf(squares);
  }

  /** What the meter would show for each reading; what is drawn is none. */
  List<Double> predicted(Sample sample) {
    return IntStream.range(0, at.length)
        .filter(k -> !question.data().get(k).drawn())
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
      // The drawing speaks of the set when it is sound, whatever is wrong with it now.
      double here = question.data().get(k).drawn() ? sound[at[k]] : shown[at[k]];
      d[k] = probes.at(at[k]).scaled(question.data().get(k).volts()) - here - shifts[k];
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

  /**
   * By how much every way of being off moves every probe around what a supply shows.
   *
   * @param shown by that supply
   * @param isSound takes down those that move any probe by more than next to nothing
   */
  private List<Slope> slopes(
      Supply supply, double[] shown, List<Map<Parameter, Double>> moves, boolean isSound) {
    List<Optional<double[]>> all =
        worked(
            moves.stream()
                .map(move ->
                    supply.tuned(
                        (knob, now) -> now * Math.exp(SLOPE_STEP * move.getOrDefault(knob, 0.0))))
                .toList());
    List<Slope> slopes = new ArrayList<>();
    for (int t = 0; t < moves.size(); t++) {
      Map<Parameter, Double> move = moves.get(t);
      all.get(t)
          .ifPresent(moved -> {
            double[] by = new double[moved.length];
            double most = 0;
            for (int k = 0; k < moved.length; k++) {
              by[k] = (moved[k] - shown[k]) / SLOPE_STEP;
              most = Math.max(most, Math.abs(by[k]));
            }
            if (isSound && most > NEXT_TO_NOTHING) {
              telling.add(move);
              soundSlopes.put(move, by);
            }
            slopes.add(new Slope(move, by));
          });
    }
    return slopes;
  }

  /** What tolerances, meters and the model itself leave uncertain. */
  private double[][] covariance(List<Slope> slopes) {
    int n = at.length;
    double[][] s = new double[n][n];
    for (int k = 0; k < n; k++) {
      double relative = Math.hypot(question.data().get(k).relative(), MODEL);
      double noise = probes.at(at[k]).noise(question.data().get(k).volts(), relative);
      s[k][k] = noise * noise;
    }
    for (Slope slope : slopes) {
      double[] by = new double[n];
      for (int k = 0; k < n; k++) {
        // What the drawing promises moves as the sound set does.
        by[k] =
            question.data().get(k).drawn()
                ? soundSlopes.getOrDefault(slope.of, slope.by)[at[k]]
                : slope.by[at[k]];
      }
      for (int r = 0; r < n; r++) {
        for (int c = 0; c <= r; c++) {
          s[r][c] += by[r] * by[c];
        }
      }
    }
    return s;
  }

  /** By how much one standard deviation of a value moves each probe. */
  private static final class Slope {
    private final Map<Parameter, Double> of;
    private final double[] by;

    private Slope(Map<Parameter, Double> of, double[] by) {
      this.of = of;
      this.by = by;
    }
  }
}
