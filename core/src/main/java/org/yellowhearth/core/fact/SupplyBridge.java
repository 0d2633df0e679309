package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * A good capacitor that is clipped across another; it stays in the list until it is taken off.
 *
 * @param ratedVolts what it stands
 */
public record SupplyBridge(String id, Clipped clipped, OptionalDouble ratedVolts)
    implements SupplyEvidence {
  /**
   * What is clipped across what.
   *
   * @param across the part of the supply
   */
  public record Clipped(PartRef across, double farads) {
    public Clipped {
      Checked.within("capacitance", farads, 1e-12, 10);
    }
  }

  public SupplyBridge {
    Item.requireId(id);
    Checked.within("rated voltage", ratedVolts, 1, 100_000);
  }
}
