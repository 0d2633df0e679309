package org.yellowhearth.storage.store;

import java.time.Instant;
import java.util.Optional;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.storage.archive.Digest;

/**
 * A job as it lies on the shelf, known without its journal.
 *
 * @param entries how many its journal has
 * @param digested of how many entries its card tells
 * @param cardText what its card shows, as it is kept; empty while the job was never read
 * @param watched whether anything of it may fall due
 */
public record ShelfLine(
    String id,
    String name,
    String place,
    Instant touched,
    int entries,
    int digested,
    String cardText,
    boolean watched) {
  /** What its card shows; read only when it is looked at, for a long shelf is never seen whole. */
  public Optional<Digest.Card> card() {
    return cardText.isEmpty()
        ? Optional.empty()
        : Optional.of(RecordJson.read(JsonText.read(cardText), Digest.Card.class));
  }

  /** Whether the card tells of every entry. */
  public boolean upToDate() {
    return entries == digested;
  }
}
