package org.yellowhearth.core.knowledge;

import org.yellowhearth.core.part.Sort;

/**
 * How a sort of part that is no capacitor fails with the years, and what that costs.
 *
 * @param made the code of how it is made, or what it does, that this is for; empty for all others
 *     of its sort
 * @param consequence 1 nothing much, 5 it takes with it what cannot be replaced, or hurts
 */
public record PartWear(Sort sort, String made, CapacitorKind.Wear wear, int consequence) {}
