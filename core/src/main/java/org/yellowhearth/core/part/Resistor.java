package org.yellowhearth.core.part;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/** A fixed resistor. */
public record Resistor(
    PartRef ref,
    String marking,
    double ohms,
    Optional<Tolerance> tolerance,
    OptionalDouble watts,
    Make make,
    Task task,
    String dateCode,
    String remark)
    implements Part {
  /** How it is made; carbon composition drifts high with age. */
  public enum Make implements Coded {
    UNSTATED,
    CARBON_COMPOSITION,
    CARBON_FILM,
    METAL_FILM,
    WIREWOUND
  }

  /** What it does where its failure is dear or its value matters. */
  public enum Task implements Coded {
    UNSTATED,
    BLEEDER,
    BALANCING,
    DROPPER,
    ANODE_LOAD,
    SCREEN_FEED,
    GRID_LEAK,
    CATHODE,
    DIVIDER,
    INRUSH,
    SAFETY
  }

  public Resistor {
    Ratings.require(ohms, "resistance");
    Ratings.require(watts, "power");
  }
}
