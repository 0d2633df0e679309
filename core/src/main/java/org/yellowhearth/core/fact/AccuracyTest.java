package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;

/**
 * A range of an instrument held against a reference.
 *
 * @param unit of its figures, as written on the dial
 * @param ofReading its limit as a fraction of the reading
 * @param ofFullScale its limit as a fraction of full scale, added to the other
 * @param absolute its limit in its own unit, added to the others: hertz, or decibels of an
 *     attenuator
 * @param reference what it is held against
 * @param referenceUncertainty expanded uncertainty (about 95 %) of the reference, as a fraction of
 *     its reading
 * @param zeroed whether its zero was set first
 * @param calibrated whether it was adjusted before these points were taken
 */
public record AccuracyTest(
    String id,
    String range,
    String unit,
    OptionalDouble fullScale,
    double ofReading,
    double ofFullScale,
    OptionalDouble absolute,
    String reference,
    double referenceUncertainty,
    boolean zeroed,
    boolean calibrated,
    List<AccuracyPoint> points)
    implements Item {
  /** What was applied by the reference, and what the instrument showed. */
  public record AccuracyPoint(double applied, double shown) {
    public AccuracyPoint {
      Checked.within("what is applied", applied, -1e12, 1e12);
      Checked.within("what is shown", shown, -1e12, 1e12);
    }
  }

  /** A range whose limit is in per cent only. */
  public AccuracyTest(
      String id,
      String range,
      String unit,
      OptionalDouble fullScale,
      double ofReading,
      double ofFullScale,
      String reference,
      double referenceUncertainty,
      boolean zeroed,
      boolean calibrated,
      List<AccuracyPoint> points) {
    this(
        id,
        range,
        unit,
        fullScale,
        ofReading,
        ofFullScale,
        OptionalDouble.empty(),
        reference,
        referenceUncertainty,
        zeroed,
        calibrated,
        points);
  }

  /** What it may be off at a point, in its unit. */
  public double limitAt(double applied) {
    return ofReading * Math.abs(applied) + ofFullScale * fullScale.orElse(0) + absolute.orElse(0);
  }

  public AccuracyTest {
    Item.requireId(id);
    Checked.present("the range", range);
    Checked.within("full scale", fullScale, 1e-12, 1e12);
    Checked.within("the limit of the reading", ofReading, 0, 1);
    Checked.within("the limit of full scale", ofFullScale, 0, 1);
    Checked.within("the uncertainty of the reference", referenceUncertainty, 0, 1);
    if (ofFullScale > 0 && fullScale.isEmpty()) {
      throw new IllegalArgumentException("a limit in per cent of full scale needs the full scale");
    }
    Checked.within("the limit in its unit", absolute, 0, 1e12);
    if (ofReading + ofFullScale + absolute.orElse(0) <= 0) {
      throw new IllegalArgumentException(
          "say within how much the range has to be right, in per cent, ppm or its unit");
    }
    points = List.copyOf(points);
    if (points.size() > 1000) {
      throw new IllegalArgumentException(
          "a range is tried at no more than 1000 points, not " + points.size());
    }
  }
}
