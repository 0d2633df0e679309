package org.yellowhearth.core.fact;

/**
 * What is known of a supply under power: what a meter showed, what the drawing promises, what was
 * clipped across, what was noticed.
 */
public sealed interface SupplyEvidence extends Item
    permits SupplyReading, SupplyTarget, SupplyBridge, SupplySign, SupplyState, SupplyValue {
  /**
   * Refuses what is no node: a point that sections name, or one inside a section such as {@code
   * V4.k}, the cathode of V4.
   */
  static void requireNode(String what, String node) {
    if (!node.matches("[\\p{L}\\p{N}+−-]{1,20}(\\.[a-z0-9]{1,3})?")) {
      throw new IllegalArgumentException(
          what
              + " is a point of the supply such as HT, or V4.k for the cathode of V4, not \""
              + node
              + "\"");
    }
  }
}
