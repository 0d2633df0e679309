package org.yellowhearth.core.practice;

import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;

/**
 * What a part of a practice set truly is; nobody sees it before the end.
 *
 * @param value its true capacitance (F) or resistance (Ω); of a valve its emission against that of
 *     a new one
 * @param dissipation at 100 Hz and above what its dielectric loses; none for a resistor
 * @param leakOhms what lies across it; infinite for a resistor
 */
public record Truth(
    PartRef part, Ailment ailment, double value, double dissipation, double leakOhms) {
  /** By so much less a thinned oxide stands in the way of its leakage. */
  static final double THINNED = 60;

  /** The same where forming does not mend it. */
  static final double HOPELESS = 9;

  /** What is sound leaks so many times less than it may. */
  static final double SOUND_SHARE = 5;

  private static final double NEW_DISSIPATION = 0.02;
  private static final double NEW_LEAK_OHMS = 1e9;

  /** This once it came up. */
  Truth formed() {
    return new Truth(part, Ailment.SOUND, value, dissipation, leakOhms * THINNED);
  }

  /** A new one in its place, as it is marked. */
  Truth renewed(Part as) {
    double nominal =
        switch (as) {
          case Capacitor c -> c.farads();
          case Resistor r -> r.ohms();
          default -> 1;
        };
    return new Truth(part, Ailment.SOUND, nominal, NEW_DISSIPATION, NEW_LEAK_OHMS);
  }
}
