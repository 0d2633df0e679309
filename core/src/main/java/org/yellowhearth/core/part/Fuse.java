package org.yellowhearth.core.part;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/** A fuse. */
public record Fuse(
    PartRef ref,
    String marking,
    OptionalDouble amperes,
    Speed speed,
    String dateCode,
    String remark)
    implements Part {
  /** How fast it blows. */
  public enum Speed implements Coded {
    UNSTATED,
    QUICK,
    SLOW
  }

  public Fuse {
    Ratings.require(amperes, "current");
  }
}
