package org.yellowhearth.core.quantity;

import java.util.ArrayList;
import java.util.List;

/**
 * The preferred number series E3 to E192 of IEC 60063. E3 to E24 follow the table, which departs
 * from plain rounding of 10^(i/24); E48 to E192 are 10^(i/n) rounded to three figures, except 9.20
 * in E192.
 */
public enum PreferredSeries {
  E3(3),
  E6(6),
  E12(12),
  E24(24),
  E48(48),
  E96(96),
  E192(192);

  private static final int[] E24_TABLE = {
    10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91
  };

  private final int perDecade;

  PreferredSeries(int perDecade) {
    this.perDecade = perDecade;
  }

  /** The values of one decade, from 1 up to less than 10. */
  public List<Double> decade() {
    List<Double> values = new ArrayList<>();
    for (int i = 0; i < perDecade; i++) {
      values.add(perDecade <= 24 ? E24_TABLE[i * 24 / perDecade] / 10.0 : threeFigures(i));
    }
    return List.copyOf(values);
  }

  private double threeFigures(int i) {
    double exact = Math.round(100 * Math.pow(10, (double) i / perDecade)) / 100.0;
    return this == E192 && exact == 9.19 ? 9.20 : exact;
  }

  /** All values of the series from {@code low} to {@code high}, both included, rising. */
  public List<Double> between(double low, double high) {
    if (!(low > 0) || !(high < Double.MAX_VALUE)) {
      throw new IllegalArgumentException(
          "a range above zero is needed, not " + low + " to " + high);
    }
    List<Double> found = new ArrayList<>();
    for (int exponent = (int) Math.floor(Math.log10(low));
        exponent <= Math.floor(Math.log10(high));
        exponent++) {
      for (double v : decade()) {
        double value = Double.parseDouble(v + "e" + exponent);
        if (value >= low * (1 - 1e-9) && value <= high * (1 + 1e-9)) {
          found.add(value);
        }
      }
    }
    return List.copyOf(found);
  }
}
