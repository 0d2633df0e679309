package org.yellowhearth.core.assess;

import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Place;

/** How much warmer a place is than the rest of its set. */
public final class Warmth {
  /** From here on a place is hot. */
  public static final double HOT_KELVIN = 12;

  private static final double NEAR_METRES = 0.01;
  private static final double MIDDLE_METRES = 0.02;
  private static final double FAR_METRES = 0.05;

  private Warmth() {}

  /** Roughly, in kelvin, by the nearest of what runs hot (our own steps, to be argued with). */
  public static double kelvin(Place place) {
    double most =
        Math.max(
            step(place, Place.Neighbour.VALVE, place.valveMetres(), 25, 15, 7),
            Math.max(
                step(place, Place.Neighbour.RESISTOR, place.resistorMetres(), 20, 12, 5),
                step(place, Place.Neighbour.TRANSFORMER, place.transformerMetres(), 15, 10, 5)));
    return most
        * switch (place.side()) {
          case ABOVE -> 1.3;
          case BELOW -> 0.7;
          case UNSTATED, LEVEL -> 1;
        };
  }

  /** What is said to sit beside it without a measure counts as a finger's breadth away. */
  private static double step(
      Place place,
      Place.Neighbour what,
      OptionalDouble metres,
      double near,
      double middle,
      double far) {
    if (metres.isEmpty() && place.near().contains(what)) {
      return middle;
    }
    if (metres.isEmpty() || metres.getAsDouble() > FAR_METRES) {
      return 0;
    }
    return metres.getAsDouble() <= NEAR_METRES
        ? near
        : metres.getAsDouble() <= MIDDLE_METRES ? middle : far;
  }
}
