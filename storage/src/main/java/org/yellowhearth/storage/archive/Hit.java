package org.yellowhearth.storage.archive;

import java.util.Optional;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * Something that was found.
 *
 * @param set the name on the plate of its set
 * @param part the part to open at, where it is about one
 * @param text what stands there
 */
public record Hit(String job, String set, Where where, Optional<PartRef> part, String text) {
  /** What sort of thing was found; found in this order. */
  public enum Where implements Coded {
    PART,
    SET,
    WRITTEN,
    NOTE
  }
}
