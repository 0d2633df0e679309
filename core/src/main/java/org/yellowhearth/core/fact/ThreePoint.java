package org.yellowhearth.core.fact;

/** An estimate in three points: the lowest, the likeliest and the highest that are reasonable. */
public record ThreePoint(double low, double likely, double high) {
  public static final ThreePoint ZERO = new ThreePoint(0, 0, 0);

  public ThreePoint {
    Checked.within("lowest", low, 0, 1e9);
    Checked.within("likeliest", likely, 0, 1e9);
    Checked.within("highest", high, 0, 1e9);
    if (!(low <= likely && likely <= high)) {
      throw new IllegalArgumentException(
          "an estimate rises from lowest to likeliest to highest, not "
              + low
              + ", "
              + likely
              + ", "
              + high);
    }
  }

  /** The same for so many times as much. */
  public ThreePoint times(double factor) {
    return new ThreePoint(low * factor, likely * factor, high * factor);
  }
}
