package org.yellowhearth.core.replace;

import java.util.OptionalDouble;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Leads;

/** How far apart the leads of a radial capacitor are. */
final class LeadPitch {
  /** Leads bend by so much without strain, in metres (our own step). */
  static final double BENDS = 0.0013;

  private LeadPitch() {}

  /**
   * By the diameter of an aluminium electrolytic, in metres, as they are commonly made (common
   * practice, from memory): 2 mm at 5 mm, 2.5 at 6.3, 3.5 at 8, 5 at 10 to 13, 7.5 at 16 to 18, 10
   * above. None where it has no radial leads or its diameter is not stated.
   */
  static OptionalDouble of(CapacitorWare ware) {
    if (ware.leads() != Leads.RADIAL || ware.diameterMetres().isEmpty()) {
      return OptionalDouble.empty();
    }
    double mm = ware.diameterMetres().getAsDouble() * 1000;
    double pitch = mm < 5.5 ? 2 : mm < 7 ? 2.5 : mm < 9 ? 3.5 : mm < 14 ? 5 : mm < 19 ? 7.5 : 10;
    return OptionalDouble.of(pitch / 1000);
  }
}
