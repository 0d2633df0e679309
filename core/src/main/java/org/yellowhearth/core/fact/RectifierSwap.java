package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/**
 * A rectifier that gives way to silicon, or that was looked at and stays.
 *
 * @param rectifier the name of its section of the supply
 * @param swapped whether silicon takes its place
 * @param seriesOhms the resistor before the first capacitor; none where nothing is added
 * @param filament what becomes of its filament winding and socket
 */
public record RectifierSwap(
    String id, String rectifier, boolean swapped, OptionalDouble seriesOhms, String filament)
    implements Item {
  public RectifierSwap {
    Item.requireId(id);
    SupplySection.requirePoint("a rectifier's name", rectifier);
    Checked.within("the series resistor", seriesOhms, 0.01, 1e6);
  }

  /** The id for a section: there is one. */
  public static String idOf(SupplyRectifier rectifier) {
    return "swap-" + rectifier.id();
  }
}
