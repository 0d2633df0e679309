package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/**
 * What is sold over the counter or lies in a drawer, apart from how many there are and what they
 * cost.
 */
public sealed interface Ware permits CapacitorWare, ResistorWare, DeviceWare {
  /** Its marked value, in F or Ω; none, which is 0, of a device. */
  double value();

  /** How far that may lie off, as a share. */
  double tolerance();

  Leads leads();

  /** Thickness, of a box the greater side. */
  OptionalDouble diameterMetres();

  /** Length of its body without leads. */
  OptionalDouble lengthMetres();

  /** Refuses a tolerance or a size that cannot be. */
  static void require(
      double tolerance, OptionalDouble diameterMetres, OptionalDouble lengthMetres) {
    Checked.within("the tolerance", tolerance, 0, 0.99);
    Checked.within("the diameter", diameterMetres, 1e-4, 0.5);
    Checked.within("the length", lengthMetres, 1e-4, 1);
  }
}
