package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;

/** A rail at several loads: first a cheap one, then what is worth something. */
public record LoadTest(String id, String point, List<Loaded> loads) implements Item {
  /**
   * What it stood at under one load.
   *
   * @param amperes drawn by the load; none for an open rail
   * @param lineVolts the mains at that time
   */
  public record Loaded(double amperes, double volts, OptionalDouble lineVolts) {
    public Loaded {
      Checked.within("the current of a load", amperes, 0, 1000);
      Checked.within("the voltage under a load", volts, -100_000, 100_000);
      Checked.within("mains voltage", lineVolts, 1, 1000);
    }
  }

  public LoadTest {
    Item.requireId(id);
    SupplyEvidence.requireNode("the rail that is loaded", point);
    loads = List.copyOf(loads);
    if (loads.size() > 100) {
      throw new IllegalArgumentException(
          "a rail is tried at no more than 100 loads, not " + loads.size());
    }
  }
}
