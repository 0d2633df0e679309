package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.Optional;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * A fault that is followed: what was suspected, and what was seen once something had been changed.
 * What was changed in between stands in the journal.
 *
 * @param symptom what the set does wrong
 * @param suspicion what should be the cause
 * @param part the part that is suspected, where it is one
 * @param from changes from this moment on count
 * @param until up to this one; empty while nothing was tried yet
 * @param swappedBack whether the old part was put back for a trial and the fault came back with it
 * @param undoes the id of the trail whose cure did not last
 */
public record FaultTrail(
    String id,
    String symptom,
    String suspicion,
    Optional<PartRef> part,
    Instant from,
    Outcome outcome,
    Optional<Instant> until,
    String seen,
    boolean swappedBack,
    String undoes)
    implements Item {
  /** What was seen after the change. */
  public enum Outcome implements Coded {
    UNDECIDED,
    CURED,
    BETTER,
    UNCHANGED,
    WORSE
  }

  public FaultTrail {
    Item.requireId(id);
    Checked.present("what the set does wrong", symptom);
    Checked.present("what is suspected", suspicion);
    if (outcome != Outcome.UNDECIDED && until.isEmpty()) {
      throw new IllegalArgumentException("an outcome was seen at some moment");
    }
    if (until.isPresent() && until.get().isBefore(from)) {
      throw new IllegalArgumentException(
          "what came of it cannot have been seen before it was suspected");
    }
    if (swappedBack && outcome != Outcome.CURED && outcome != Outcome.BETTER) {
      throw new IllegalArgumentException("only what helped can be taken back for a trial");
    }
    if (undoes.equals(id)) {
      throw new IllegalArgumentException("a fault does not come back out of itself");
    }
  }

  /** A suspicion, of which nothing came yet. */
  public static FaultTrail of(
      String id,
      String symptom,
      String suspicion,
      Optional<PartRef> part,
      Instant from,
      String undoes) {
    return new FaultTrail(
        id, symptom, suspicion, part, from, Outcome.UNDECIDED, Optional.empty(), "", false, undoes);
  }

  /** This with what was seen. */
  public FaultTrail seen(Outcome what, Instant at, String words, boolean back) {
    return new FaultTrail(
        id, symptom, suspicion, part, from, what, Optional.of(at), words, back, undoes);
  }
}
