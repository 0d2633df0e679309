package org.yellowhearth.core.circuit;

/**
 * One quantity over a period, as parabolas from moment to moment: each step has its start, its
 * third and its end, and the last end is the first start one period later. Means, squares and
 * extremes are those of the parabolas.
 */
public final class Wave {
  private static final int SAMPLES_OF_A_HARMONIC = 256;

  private final double[] times;
  private final double[] values;

  Wave(double[] times, double[] values) {
    this.times = times;
    this.values = values;
  }

  /** The moments in seconds. */
  public double[] times() {
    return times.clone();
  }

  /** The values at them. */
  public double[] values() {
    return values.clone();
  }

  /** The mean: what a meter for direct voltage shows. */
  public double mean() {
    return sum(0, (y, b, c) -> y + b / 2 + c / 3);
  }

  /** The root of the mean square, direct part included. */
  public double rms() {
    return Math.sqrt(meanSquare(0));
  }

  /**
   * The root of the mean square of what is left without the mean: what a true-RMS meter shows on
   * its AC range.
   */
  public double rippleRms() {
    return Math.sqrt(meanSquare(mean()));
  }

  /**
   * The mean magnitude without the mean, as a meter that rectifies and is scaled for sines shows
   * it: times π/(2√2).
   */
  public double rippleAverageResponding() {
    double mean = mean();
    double sum = 0;
    for (int k = 0; k + 1 < values.length; k++) {
      double a = values[k] - mean;
      double b = values[k + 1] - mean;
      double h = times[k + 1] - times[k];
      sum += a * b >= 0 ? 0.5 * h * Math.abs(a + b) : 0.5 * h * (a * a + b * b) / Math.abs(a - b);
    }
    return sum / period() * Math.PI / (2 * Math.sqrt(2));
  }

  /**
   * The mean of its product with another wave of the same period and moments: power, of a voltage
   * and a current.
   */
  public double meanProduct(Wave other) {
    // x·y = ((x + y)² − (x − y)²)/4, each square as exact as any other.
    double[] sum = new double[values.length];
    double[] difference = new double[values.length];
    for (int k = 0; k < values.length; k++) {
      sum[k] = values[k] + other.values[k];
      difference[k] = values[k] - other.values[k];
    }
    return (new Wave(times, sum).meanSquare(0) - new Wave(times, difference).meanSquare(0)) / 4;
  }

  /** The highest value, between the moments too. */
  public double most() {
    return extreme(1);
  }

  /** The lowest value, between the moments too. */
  public double least() {
    return extreme(-1);
  }

  /** The highest less the lowest. */
  public double peakToPeak() {
    return most() - least();
  }

  /** The greatest magnitude. */
  public double peak() {
    return Math.max(Math.abs(most()), Math.abs(least()));
  }

  /** Amplitude of a harmonic of the period; harmonic 0 is the mean. */
  public double harmonic(int number) {
    double sine = 0;
    double cosine = 0;
    double step = period() / (SAMPLES_OF_A_HARMONIC * Math.max(1, number));
    for (int k = 0; k < SAMPLES_OF_A_HARMONIC * Math.max(1, number); k++) {
      double angle = 2 * Math.PI * number * k * step / period();
      double value = at(times[0] + k * step);
      sine += value * Math.sin(angle);
      cosine += value * Math.cos(angle);
    }
    double scale = (number == 0 ? 1 : 2) * step / period();
    return scale * Math.hypot(sine, cosine);
  }

  /** Its length in seconds. */
  public double period() {
    return times[times.length - 1] - times[0];
  }

  /** The value at a moment of the period. */
  public double at(double seconds) {
    double within = (seconds - times[0]) % period();
    double t = times[0] + (within < 0 ? within + period() : within);
    int low = 0;
    int high = times.length / 2;
    while (high - low > 1) {
      int middle = (low + high) >>> 1;
      if (times[2 * middle] <= t) {
        low = middle;
      } else {
        high = middle;
      }
    }
    int k = 2 * low;
    double s = (t - times[k]) / (times[k + 2] - times[k]);
    return Parabola.at(s, values[k], values[k + 1], values[k + 2]);
  }

  /** What a step contributes, as a parabola y0 + b·s + c·s² over its length taken as 1. */
  private interface OfStep {
    double of(double y0, double b, double c);
  }

  private double sum(double shift, OfStep term) {
    double sum = 0;
    for (int k = 0; k + 2 < values.length; k += 2) {
      double y0 = values[k] - shift;
      double third = values[k + 1] - shift;
      double y1 = values[k + 2] - shift;
      sum +=
          (times[k + 2] - times[k])
              * term.of(y0, Parabola.b(y0, third, y1), Parabola.c(y0, third, y1));
    }
    return sum / period();
  }

  private double meanSquare(double shift) {
    return Math.max(
        0,
        sum(shift, (y, b, c) -> y * y + y * b + (b * b + 2 * y * c) / 3 + b * c / 2 + c * c / 5));
  }

  private double extreme(int sign) {
    double best = sign * values[0];
    for (int k = 0; k + 2 < values.length; k += 2) {
      double y0 = values[k];
      double b = Parabola.b(y0, values[k + 1], values[k + 2]);
      double c = Parabola.c(y0, values[k + 1], values[k + 2]);
      double vertex = -b / (2 * c);
      best = Math.max(best, Math.max(sign * values[k + 1], sign * values[k + 2]));
      if (vertex > 0 && vertex < 1) {
        best = Math.max(best, sign * (y0 + vertex * (b + vertex * c)));
      }
    }
    return sign * best;
  }
}
