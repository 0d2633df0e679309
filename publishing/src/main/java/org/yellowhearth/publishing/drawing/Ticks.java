package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;

/** Round places on an even axis. */
final class Ticks {
  private Ticks() {}

  /**
   * The smallest round step, 1, 2 or 5 times a power of ten, that divides a stretch into no more
   * than so many.
   */
  static double step(double stretch, int most) {
    double power = Math.pow(10, Math.floor(Math.log10(stretch / most)));
    return List.of(1, 2, 5, 10).stream()
        .map(f -> f * power)
        .filter(s -> stretch / s <= most)
        .findFirst()
        .orElse(10 * power);
  }

  /** The round places of a stretch. */
  static List<Double> within(double low, double high, int most) {
    double step = step(high - low, most);
    List<Double> all = new ArrayList<>();
    for (double at = Math.ceil(low / step) * step; at <= high; at += step) {
      all.add(Math.abs(at) < step / 1e6 ? 0 : at);
    }
    return all;
  }
}
