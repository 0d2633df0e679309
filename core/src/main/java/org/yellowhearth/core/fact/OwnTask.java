package org.yellowhearth.core.fact;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Optional;
import org.yellowhearth.core.message.Coded;

/**
 * Something to do that no stage asks for by itself: a call to the owner, parts that are to come,
 * anything.
 *
 * @param at by the clock on the wall of the bench, so that two o'clock stays two o'clock when
 *     clocks change; empty where nobody said
 * @param wholeDay whether only the day of it counts
 */
public record OwnTask(
    String id,
    TaskKind kind,
    String what,
    Optional<LocalDateTime> at,
    boolean wholeDay,
    boolean done)
    implements Item {
  private static final int LONGEST = 500;

  /** What sort of thing. */
  public enum TaskKind implements Coded {
    TASK,
    CALL,
    PARTS
  }

  public OwnTask {
    Item.requireId(id);
    Checked.present("what is to be done", what);
    if (what.length() > LONGEST) {
      throw new IllegalArgumentException(
          "what is to be done is said in " + LONGEST + " letters at most, not " + what.length());
    }
    if (wholeDay && at.isEmpty()) {
      throw new IllegalArgumentException("a task for a day has that day");
    }
    at.ifPresent(t -> {
      if (t.getYear() < 1970 || t.getYear() > 9999) {
        throw new IllegalArgumentException("nothing is due in the year " + t.getYear());
      }
    });
  }

  /**
   * The moment, where the bench keeps this zone's time; a time that clocks leap over counts as so
   * much later.
   */
  public Optional<Instant> moment(ZoneId zone) {
    return at.map(t -> t.atZone(zone).toInstant());
  }

  /** This for another time. */
  public OwnTask at(LocalDateTime otherwise, boolean day) {
    return new OwnTask(id, kind, what, Optional.of(otherwise), day, done);
  }

  /** This done, or not done after all. */
  public OwnTask done(boolean is) {
    return new OwnTask(id, kind, what, at, wholeDay, is);
  }
}
