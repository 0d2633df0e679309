package org.yellowhearth.core.knowledge;

import java.util.OptionalDouble;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Figure;

/**
 * The window that one figure of a part must lie in.
 *
 * @param made the code of how it is made, or what it does, that the rule is for; empty for all
 *     others of its sort
 * @param figure what is measured
 * @param basis what the bounds are counted in
 * @param widens whether a printed tolerance widens the window that is watched
 * @param source id of the source
 */
public record PartRule(
    Sort sort,
    String made,
    Figure figure,
    Basis basis,
    OptionalDouble renewBelow,
    OptionalDouble watchBelow,
    OptionalDouble watchAbove,
    OptionalDouble renewAbove,
    boolean widens,
    String source) {
  /** What a bound is counted in. */
  public enum Basis {
    /** A share of what is marked or expected. */
    NOMINAL,
    /** The figure itself, in SI units. */
    PLAIN,
    /** The figure for one plate of a stack. */
    PER_PLATE,
    /** A share of the least or the most that the type allows. */
    TYPE
  }
}
