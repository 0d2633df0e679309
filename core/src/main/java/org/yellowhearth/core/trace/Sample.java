package org.yellowhearth.core.trace;

import java.util.List;
import org.yellowhearth.core.supply.Supply;

/**
 * What a supply shows with some faults at some severity, and how likely that is before and after
 * the readings.
 */
final class Sample {
  private final List<String> parts;
  private final List<Fault> faults;
  private final double[] shown;
  private final double[] whitened;
  private final double misfit;
  private final double logPrior;
  private final double logLikely;

  /**
   * A sample.
   *
   * @param parts that are bad; none for the sound supply
   * @param shown what every probe shows, on the scale of comparison
   * @param whitened how far that is from the readings, in standard deviations around the sound
   *     supply that know nothing of one another
   * @param misfit the sum of squares in standard deviations
   * @param logPrior the logarithm of how likely it is before anything is read
   * @param logLikely the logarithm of how likely the readings are with it
   */
  Sample(
      List<String> parts,
      List<Fault> faults,
      double[] shown,
      double[] whitened,
      double misfit,
      double logPrior,
      double logLikely) {
    this.parts = List.copyOf(parts);
    this.faults = List.copyOf(faults);
    this.shown = shown;
    this.whitened = whitened;
    this.misfit = misfit;
    this.logPrior = logPrior;
    this.logLikely = logLikely;
  }

  List<String> parts() {
    return parts;
  }

  List<Fault> faults() {
    return faults;
  }

  /** The fault of a sample that has one only. */
  Fault fault() {
    return faults.getFirst();
  }

  /** A supply with these faults. */
  Supply in(Supply supply) {
    return in(supply, faults);
  }

  static Supply in(Supply supply, List<Fault> faults) {
    Supply s = supply;
    for (Fault f : faults) {
      s = f.in(s);
    }
    return s;
  }

  /** What one of the probes shows, on the scale of comparison. */
  double shown(int probe) {
    return shown[probe];
  }

  /** The sum of squares in standard deviations. */
  double misfit() {
    return misfit;
  }

  /** The same with the misfit and the likelihood that were worked out around it. */
  Sample around(double squares, double log) {
    return new Sample(parts, faults, shown, whitened, squares, logPrior, log);
  }

  /** Which parts are bad, each in which way, at whatever severity. */
  Object way() {
    return faults.stream().map(f -> List.of(f.knob(), f.mode())).toList();
  }

  /** The same, likelier by the logarithm of what else is known. */
  Sample times(double log) {
    return log == 0
        ? this
        : new Sample(parts, faults, shown, whitened, misfit, logPrior + log, logLikely);
  }

  /** What every probe shows, on the scale of comparison. */
  double[] shown() {
    return shown;
  }

  /** The sum of squares if what this and another do adds up, against a sound supply. */
  double misfitWith(Sample other, Sample sound) {
    double squares = 0;
    for (int k = 0; k < whitened.length; k++) {
      double w = whitened[k] + other.whitened[k] - sound.whitened[k];
      squares += w * w;
    }
    return squares;
  }

  double logPrior() {
    return logPrior;
  }

  double log() {
    return logPrior + logLikely;
  }
}
