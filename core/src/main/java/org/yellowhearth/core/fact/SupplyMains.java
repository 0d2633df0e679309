package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * The mains of the supply; one that is not described is that of the set plate.
 *
 * @param nominalVolts what the voltages of the windings are stated for
 * @param volts what is there now; as nominal where it is not said
 * @param primaryOhms what primary winding and line oppose to the primary current, where windings
 *     share it
 * @param otherWatts what heaters, iron and dial lamps take at nominal mains
 * @param lampWatts rating of a lamp in series with the set, while it is on trial
 * @param lampVolts what the lamp is rated for; the nominal mains where it is not said
 */
public record SupplyMains(
    String id,
    double nominalVolts,
    OptionalDouble volts,
    double hertz,
    OptionalDouble primaryOhms,
    OptionalDouble otherWatts,
    OptionalDouble lampWatts,
    OptionalDouble lampVolts)
    implements SupplySection {
  /** What the mains is called among the points: its watts are read there. */
  public static final String POINT = "mains";

  /** A mains with nothing else on it. */
  public SupplyMains(
      String id,
      double nominalVolts,
      OptionalDouble volts,
      double hertz,
      OptionalDouble primaryOhms) {
    this(
        id,
        nominalVolts,
        volts,
        hertz,
        primaryOhms,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }

  public SupplyMains {
    Item.requireId(id);
    Checked.within("nominal mains voltage", nominalVolts, 1, 1000);
    Checked.within("mains voltage", volts, 0, 1000);
    Checked.within("line frequency", hertz, 10, 1000);
    Checked.within("primary resistance", primaryOhms, 0, 100_000);
    Checked.within("power of heaters and iron", otherWatts, 0.1, 10_000);
    Checked.within("power of the series lamp", lampWatts, 1, 5000);
    Checked.within("voltage of the series lamp", lampVolts, 6, 1000);
  }

  @Override
  public String title() {
    return POINT;
  }

  @Override
  public List<String> points() {
    return List.of();
  }

  @Override
  public List<PartRef> parts() {
    return List.of();
  }
}
