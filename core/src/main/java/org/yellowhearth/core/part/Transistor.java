package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * A transistor; its type stands in the marking.
 *
 * @param leastGain the least current gain of its type
 * @param mostGain the most current gain of its type
 */
public record Transistor(
    PartRef ref,
    String marking,
    Channel channel,
    Material material,
    OptionalDouble leastGain,
    OptionalDouble mostGain,
    String dateCode,
    String remark)
    implements Part {
  /** Which way round it works. */
  public enum Channel implements Coded {
    UNSTATED,
    PNP,
    NPN,
    FIELD_EFFECT
  }

  /** What it is made of; germanium leaks. */
  public enum Material implements Coded {
    UNSTATED,
    GERMANIUM,
    SILICON
  }

  public Transistor {
    Ratings.require(leastGain, "gain");
    Ratings.require(mostGain, "gain");
    if (leastGain.orElse(0) > mostGain.orElse(Double.MAX_VALUE)) {
      throw new IllegalArgumentException("the least gain lies above the most");
    }
  }
}
