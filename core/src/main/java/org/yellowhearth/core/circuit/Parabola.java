package org.yellowhearth.core.circuit;

/**
 * The parabola y0 + b·s + c·s² over a step, whose length counts as 1, through its values at the
 * start, at a third and at the end. Plain functions, because it is asked for some million times a
 * second.
 */
final class Parabola {
  private Parabola() {}

  static double b(double start, double third, double end) {
    return (9 * third - end - 8 * start) / 2;
  }

  static double c(double start, double third, double end) {
    return (3 * end - 9 * third + 6 * start) / 2;
  }

  /** Its value at a share of the step, or beyond it. */
  static double at(double share, double start, double third, double end) {
    return start + share * (b(start, third, end) + share * c(start, third, end));
  }
}
