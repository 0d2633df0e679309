package org.yellowhearth.core.judge;

import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;

/**
 * Judges jobs, and remembers the latest: whoever asks about the same length of a journal on the
 * same day is told the same, worked out once. May be asked by several threads.
 */
public final class Judge {
  /**
   * So many are remembered: the open job, the one before its newest entry, and others that are read
   * beside.
   */
  private static final int REMEMBERED = 4;

  private final Knowledge knowledge;
  private final Deque<JudgedJob> latest = new ArrayDeque<>();

  /** One with this knowledge. */
  public Judge(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** A job as it is judged on a day. */
  public synchronized JudgedJob of(Job job, LocalDate day) {
    Optional<JudgedJob> known =
        latest.stream().filter(j -> j.day().equals(day) && j.same(job)).findFirst();
    known.ifPresent(latest::remove);
    JudgedJob judged =
        known.orElseGet(() ->
            new JudgedJob(
                job, day, knowledge, latest.stream().filter(j -> j.before(job)).findFirst()));
    latest.addFirst(judged);
    if (latest.size() > REMEMBERED) {
      latest.removeLast();
    }
    return judged;
  }
}
