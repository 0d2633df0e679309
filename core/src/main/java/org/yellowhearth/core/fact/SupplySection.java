package org.yellowhearth.core.fact;

import java.util.List;
import org.yellowhearth.core.part.PartRef;

/**
 * One section of the supply of a set as a person describes it: sections are joined at named points,
 * of which {@code 0} is the chassis. A value that is not typed comes from the part that is pointed
 * at.
 */
public sealed interface SupplySection extends Item
    permits SupplyMains,
        SupplyWinding,
        SupplyRectifier,
        SupplyFilter,
        SupplyLoad,
        SupplyStage,
        SupplyRegulator,
        SupplyConverter,
        SupplyOutput {
  /** The chassis, from which all voltages are counted. */
  String CHASSIS = "0";

  /** What the section is called: its name, or the points it lies between. */
  String title();

  /** The points it lies at, the chassis among them. */
  List<String> points();

  /** The parts of the census it points at. */
  List<PartRef> parts();

  /** The chassis where nothing is said. */
  static String orChassis(String point) {
    return point.isEmpty() ? CHASSIS : point;
  }

  /** Refuses what is no name of a point. */
  static void requirePoint(String what, String point) {
    if (!point.matches("[\\p{L}\\p{N}+−-]{1,20}")) {
      throw new IllegalArgumentException(
          what
              + " is a short word such as HT or bias, or 0 for the chassis, not \""
              + point
              + "\"");
    }
  }
}
