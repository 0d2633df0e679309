package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.List;

/**
 * What was read during a burn-in, or noticed.
 *
 * @param of the id of the burn-in
 * @param note anything odd: a crackle, a smell, a breaker
 */
public record BurnReading(String id, String of, Instant at, List<BurnShown> shown, String note)
    implements Item {
  /** What a channel showed. */
  public record BurnShown(String channel, double value) {
    public BurnShown {
      Checked.within("what was read", value, -1e9, 1e9);
    }
  }

  public BurnReading {
    Item.requireId(id);
    Item.requireId(of);
    shown = List.copyOf(shown);
    if (shown.isEmpty() && note.isBlank()) {
      throw new IllegalArgumentException("nothing was read and nothing noticed");
    }
  }
}
