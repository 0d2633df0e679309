package org.yellowhearth.core.knowledge;

/**
 * What a role asks of the capacitor in it.
 *
 * @param consequence what its failure costs: 1 nothing much, 5 it takes with it what cannot be
 *     replaced, or hurts
 * @param leastShare the least of the marked capacitance that serves there
 * @param mostShare the most that serves there, the rectifier not yet asked
 * @param source id of the source
 */
public record RoleRule(int consequence, double leastShare, double mostShare, String source) {
  /** A position nobody has named. */
  public static final RoleRule PLAIN = new RoleRule(2, 0.8, 1.5, "role-window");
}
