package org.yellowhearth.core.circuit;

/** What is looked at in a circuit. */
public sealed interface Probe permits Probe.Voltage, Probe.Current {
  /** The voltage of a node against another. */
  record Voltage(String plus, String minus) implements Probe {}

  /**
   * The current through an element from its first node to its second; of a transformer or device
   * through one of its parts.
   */
  record Current(String element, int part) implements Probe {}

  /** The voltage of a node against the reference. */
  static Probe voltage(String node) {
    return new Voltage(node, Circuit.REFERENCE);
  }

  /** The current through an element. */
  static Probe current(String element) {
    return new Current(element, 0);
  }
}
