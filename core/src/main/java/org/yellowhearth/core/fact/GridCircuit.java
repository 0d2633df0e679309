package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * The grid that a coupling capacitor feeds: what its leakage does there.
 *
 * @param sourceVolts the direct voltage before the capacitor, commonly the anode it comes from
 * @param gridLeakOhms the resistor from grid to its return
 * @param gridVolts where the grid should stand against its cathode; negative
 * @param transconductance mutual conductance of the valve, in amperes a volt
 * @param anodeAmperes anode current as it should be
 * @param anodeVolts voltage across the valve
 * @param cathodeOhms the resistor that gives cathode bias; none with fixed bias
 * @param dissipationWatts the most its anode may dissipate
 */
public record GridCircuit(
    String id,
    PartRef part,
    double sourceVolts,
    double gridLeakOhms,
    double gridVolts,
    double transconductance,
    double anodeAmperes,
    double anodeVolts,
    OptionalDouble cathodeOhms,
    OptionalDouble dissipationWatts)
    implements OfPart {
  public GridCircuit {
    Item.requireId(id);
    Checked.within("voltage before the capacitor", sourceVolts, 1, 5000);
    Checked.within("grid leak", gridLeakOhms, 1e3, 1e8);
    Checked.within("grid voltage", gridVolts, -500, 0);
    Checked.within("mutual conductance", transconductance, 1e-5, 0.1);
    Checked.within("anode current", anodeAmperes, 1e-6, 10);
    Checked.within("anode voltage", anodeVolts, 1, 5000);
    Checked.within("cathode resistor", cathodeOhms, 1, 1e6);
    Checked.within("anode dissipation", dissipationWatts, 0.01, 10_000);
  }

  /** The id of the grid circuit of a part: there is one of each. */
  public static String idOf(PartRef part) {
    return "grid-" + part;
  }
}
