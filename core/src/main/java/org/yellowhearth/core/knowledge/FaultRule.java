package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Set;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;

/**
 * What a sign points at beside what the supply model can tell; its words say how it comes about and
 * what to measure.
 *
 * @param signs any of these, by their ids
 * @param roles capacitors in these roles come under suspicion
 * @param sorts and parts of these sorts
 * @param clears whether it takes suspicion away from them instead
 * @param sum what there is to work out
 */
public record FaultRule(
    String id,
    Set<String> signs,
    List<Role> roles,
    List<Sort> sorts,
    boolean clears,
    Sum sum,
    String source) {
  /** What can be worked out with a sign. */
  public enum Sum implements Coded {
    NONE,
    RELAY,
    GRID_SHIFT,
    DIVIDER,
    ADJUSTER,
    REGULATOR_HEAT
  }

  /**
   * A sort of sign that can be noticed.
   *
   * @param unit the unit of its figure; empty where it has none
   */
  public record Sign(String id, String unit) {}

  public FaultRule {
    signs = Set.copyOf(signs);
    roles = List.copyOf(roles);
    sorts = List.copyOf(sorts);
  }
}
