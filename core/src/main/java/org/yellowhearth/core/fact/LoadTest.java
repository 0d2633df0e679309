package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;

/**
 * A rail at several loads: first a cheap one, then what is worth something.
 *
 * @param limitVolts what it may fall by from the least to the greatest load
 * @param limitShare the same as a fraction of the voltage at the least load
 */
public record LoadTest(
    String id,
    String point,
    List<Loaded> loads,
    OptionalDouble limitVolts,
    OptionalDouble limitShare)
    implements Item {
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

  /** A rail of which nothing is promised. */
  public LoadTest(String id, String point, List<Loaded> loads) {
    this(id, point, loads, OptionalDouble.empty(), OptionalDouble.empty());
  }

  public LoadTest {
    Item.requireId(id);
    SupplyEvidence.requireNode("the rail that is loaded", point);
    Checked.within("the fall that is allowed", limitVolts, 0, 10_000);
    Checked.within("the regulation that is promised", limitShare, 0, 1);
    loads = List.copyOf(loads);
    if (loads.size() > 100) {
      throw new IllegalArgumentException(
          "a rail is tried at no more than 100 loads, not " + loads.size());
    }
  }
}
