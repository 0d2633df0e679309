package org.yellowhearth.records.store;

import java.time.Instant;
import java.util.Optional;

import org.yellowhearth.records.archive.Digest;

/**
 * A job as it lies on the shelf, known without its journal.
 *
 * @param entries how many its journal has
 * @param digested of how many entries its card tells
 * @param card what its card shows; empty while the job was never read
 * @param watched whether anything of it may fall due
 */
public record ShelfLine(String id, String name, String place, Instant touched, int entries, int digested,
        Optional<Digest.Card> card,
        boolean watched) {
}
