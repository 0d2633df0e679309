package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.Optional;

/**
 * What a person said of something that a stage asks for: not before then, or not any more.
 *
 * @param until when it is due instead, where it was put off or brought forward
 */
public record AgendaMark(String id, Optional<Instant> until, boolean done) implements Item {
  private static final String PREFIX = "due-";

  public AgendaMark {
    Item.requireId(id);
  }

  /** The id of the mark on what has this key: there is one. */
  public static String idOf(String key) {
    return PREFIX + key;
  }
}
