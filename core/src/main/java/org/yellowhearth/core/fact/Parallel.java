package org.yellowhearth.core.fact;

import org.yellowhearth.core.part.PartRef;

/**
 * A person states that two parts lie in parallel in the circuit, so that each takes part in a
 * reading of the other.
 */
public record Parallel(String id, PartRef part, PartRef with) implements OfPart {
  public Parallel {
    Item.requireId(id);
    if (part.equals(with)) {
      throw new IllegalArgumentException(part + " is not in parallel with itself");
    }
  }

  /** The id of two parts in parallel. */
  public static String idOf(PartRef part, PartRef with) {
    return "beside-" + part + "-" + with;
  }

  /** Two parts in parallel. */
  public static Parallel of(PartRef part, PartRef with) {
    return new Parallel(idOf(part, with), part, with);
  }
}
