package org.yellowhearth.core.fact;

/**
 * What a load or valve stage draws in another state of the set, against what it is described with.
 *
 * @param name the name of the load or stage
 * @param share 1 as described, 0 nothing
 */
public record SupplyState(String id, SupplyReading.State state, String name, double share)
    implements SupplyEvidence {
  public SupplyState {
    Item.requireId(id);
    SupplySection.requirePoint("the load that draws something else", name);
    Checked.within("share", share, 0, 100);
    if (state == SupplyReading.State.UNSTATED) {
      throw new IllegalArgumentException(
          "expected a state such as standby; as usual is what is described");
    }
  }
}
