package org.yellowhearth.core.supply;

/** Looks at every value of a supply, and may put another in its place. */
@FunctionalInterface
public interface Tuner {
  /**
   * What a value shall be.
   *
   * @param now what it is, in SI units; of a rectifier or valve its share of a whole one
   */
  double at(Parameter knob, double now);
}
