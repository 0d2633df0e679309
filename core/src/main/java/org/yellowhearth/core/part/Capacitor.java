package org.yellowhearth.core.part;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A capacitor, or one section of a can, as it is marked and where it sits.
 *
 * @param marking what is printed on it, as typed
 * @param kind the id of its kind in the knowledge files, {@code unstated} while nobody has said
 * @param farads the marked capacitance
 * @param ratedVolts the marked voltage, where one is marked
 * @param ratedForMains whether the marked voltage is an alternating one
 * @param dateCode the date stamped on it, as typed; empty where none was seen
 * @param workingVolts the voltage it sees in use, as a person typed it from drawing or meter; later
 *     from the supply model
 * @param canMark the symbol beside its terminal, where it is a section of a can
 */
public record Capacitor(
    PartRef ref,
    String marking,
    String kind,
    double farads,
    Optional<Tolerance> tolerance,
    OptionalDouble ratedVolts,
    boolean ratedForMains,
    Role role,
    Polarity polarity,
    OptionalDouble workingVolts,
    CanMark canMark,
    String dateCode,
    String remark)
    implements Part {
  /** The kind of a part whose construction nobody has named yet. */
  public static final String UNSTATED_KIND = "unstated";

  public Capacitor {
    Ratings.require(farads, "capacitance");
    Ratings.require(ratedVolts, "rated voltage");
    Ratings.require(workingVolts, "working voltage");
  }

  /** Whether it is one section of a can with others. */
  public boolean section() {
    return !ref.section().isEmpty();
  }
}
