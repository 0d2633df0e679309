package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * What becomes of an old can with all its sections.
 *
 * @param can the reference without a section letter
 * @param boreMetres its inner diameter, once it is open
 * @param heightMetres the height inside that can be used
 * @param insulation what keeps the new parts off the shell, and those with another negative off one
 *     another
 * @param mark what is written on the shell for the next restorer
 */
public record CanWork(
    String id,
    PartRef can,
    Choice.Way way,
    OptionalDouble boreMetres,
    OptionalDouble heightMetres,
    String insulation,
    String mark)
    implements Item {
  public CanWork {
    Item.requireId(id);
    Checked.within("the bore of a can", boreMetres, 0.003, 0.3);
    Checked.within("the height inside a can", heightMetres, 0.003, 0.5);
  }

  /** The id of what becomes of a can: there is one. */
  public static String idOf(PartRef can) {
    return "can-" + can.whole();
  }

  /** A can of which nothing is decided. */
  public static CanWork of(PartRef can) {
    return new CanWork(
        idOf(can),
        can.whole(),
        Choice.Way.UNSTATED,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "",
        "");
  }
}
