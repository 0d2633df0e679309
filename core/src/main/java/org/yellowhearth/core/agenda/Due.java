package org.yellowhearth.core.agenda;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;

/**
 * Something to be done about a set.
 *
 * @param key the same for the same thing as long as it is to be done; letters, digits and hyphens
 * @param at when; empty where nothing says
 * @param wholeDay whether only the day of it counts
 * @param takes how long somebody is needed
 * @param part the part it is about, where it is about one
 * @param own the task that somebody wrote; empty for what a stage asks for
 * @param moved whether a person set its time against what the stage says
 */
public record Due(
    String key,
    DueSource source,
    Message what,
    Optional<Instant> at,
    boolean wholeDay,
    Duration takes,
    Optional<PartRef> part,
    Optional<OwnTask> own,
    boolean moved,
    boolean done) {
  /** What a stage asks for. */
  static Due of(
      String key,
      DueSource source,
      Message what,
      Optional<Instant> at,
      Duration takes,
      Optional<PartRef> part) {
    return new Due(key, source, what, at, false, takes, part, Optional.empty(), false, false);
  }

  Due marked(Optional<Instant> until, boolean isDone) {
    return new Due(
        key,
        source,
        what,
        until.or(() -> at),
        wholeDay && until.isEmpty(),
        takes,
        part,
        own,
        until.isPresent(),
        isDone);
  }
}
