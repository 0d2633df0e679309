package org.yellowhearth.core.assess;

import java.util.Optional;
import org.yellowhearth.core.circuit.Impedance;
import org.yellowhearth.core.part.PartRef;

/** What lies around the parts of a set, as far as it is described. */
@FunctionalInterface
public interface Surroundings {
  /** Nothing is described. */
  Surroundings UNKNOWN = (_, _) -> Optional.empty();

  /**
   * The impedance of everything beside a part, between its ends, with the set off; none where that
   * is not known.
   */
  Optional<Impedance> around(PartRef part, double hertz);
}
