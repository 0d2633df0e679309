package org.yellowhearth.core.fact;

import java.time.LocalDateTime;
import java.util.Optional;
import org.yellowhearth.core.message.Coded;

/**
 * A photograph, copied into the shop byte for byte.
 *
 * @param file its name in the shop's folder of photographs: the SHA-256 of its bytes and its ending
 * @param original the name it came with
 * @param taken the camera's own time, which has no zone
 * @param mirrors the id of the photograph of the other side that this one mirrors
 */
public record Photograph(
    String id,
    String file,
    String original,
    int widthPixels,
    int heightPixels,
    Optional<LocalDateTime> taken,
    String caption,
    Side side,
    Optional<String> mirrors)
    implements Item {
  /** What side of the set it shows. */
  public enum Side implements Coded {
    FRONT,
    BACK,
    ABOVE,
    BENEATH,
    DETAIL
  }

  public Photograph {
    Item.requireId(id);
    if (!file.matches("[0-9a-f]{64}\\.(jpg|png|gif|bmp)")) {
      throw new IllegalArgumentException(
          "a photograph is kept under the SHA-256 of its bytes, not as \"" + file + "\"");
    }
    Checked.within("width in pixels", widthPixels, 1, 100_000);
    Checked.within("height in pixels", heightPixels, 1, 100_000);
  }

  /** This with another caption. */
  public Photograph captioned(String text) {
    return new Photograph(
        id, file, original, widthPixels, heightPixels, taken, text, side, mirrors);
  }

  /** This as seen from a side, and mirroring another or none. */
  public Photograph from(Side seen, Optional<String> other) {
    return new Photograph(
        id, file, original, widthPixels, heightPixels, taken, caption, seen, other);
  }
}
