package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * What the drawing promises at a point.
 *
 * @param tolerance as a fraction; where it is not said, judged by the model and by the other rails
 * @param lineVolts the mains its figures were taken at
 * @param meterOhms what the maker's meter loaded the point with
 * @param follows what moves the voltage of the point
 * @param alternating whether it is an alternating voltage: of a heater, of a winding
 */
public record SupplyTarget(
    String id,
    String point,
    double volts,
    OptionalDouble tolerance,
    OptionalDouble lineVolts,
    OptionalDouble meterOhms,
    Follows follows,
    boolean alternating)
    implements SupplyEvidence {
  /** Where the voltage of a point comes from: its tolerance follows that. */
  public enum Follows implements Coded {
    UNSTATED,
    RAIL,
    DRIVE,
    CONTROL
  }

  /**
   * Whether a reading shows what is promised here: of an alternating voltage what a meter for that
   * showed, else direct volts.
   */
  public boolean speaksOf(SupplyReading r) {
    return r.point().equals(point)
        && (alternating
            ? r.kind() == SupplyReading.Kind.TRUE_RMS || r.kind() == SupplyReading.Kind.AVERAGE
            : r.kind() == SupplyReading.Kind.DIRECT);
  }

  /** A direct voltage. */
  public SupplyTarget(
      String id,
      String point,
      double volts,
      OptionalDouble tolerance,
      OptionalDouble lineVolts,
      OptionalDouble meterOhms,
      Follows follows) {
    this(id, point, volts, tolerance, lineVolts, meterOhms, follows, false);
  }

  public SupplyTarget {
    Item.requireId(id);
    SupplyEvidence.requireNode("the point the drawing speaks of", point);
    Checked.within("voltage of the drawing", volts, -100_000, 100_000);
    Checked.within("tolerance", tolerance, 0.001, 1);
    Checked.within("mains voltage", lineVolts, 1, 1000);
    Checked.within("resistance of the meter", meterOhms, 100, 1e12);
  }
}
