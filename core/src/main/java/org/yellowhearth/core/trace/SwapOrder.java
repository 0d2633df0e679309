package org.yellowhearth.core.trace;

import java.util.Comparator;
import java.util.List;
import org.yellowhearth.core.assess.Assessment;

/**
 * Which part to change first where there is no instrument: what fails most by kind, age and place,
 * with a test of the set after each (common practice).
 */
public final class SwapOrder {
  private SwapOrder() {}

  /** The parts in the order in which they are changed. */
  public static List<Assessment> of(List<Assessment> assessments) {
    return assessments.stream()
        .sorted(Comparator.comparingDouble((Assessment a) -> a.risk().chance()).reversed())
        .toList();
  }
}
