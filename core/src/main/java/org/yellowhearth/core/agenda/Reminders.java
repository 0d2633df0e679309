package org.yellowhearth.core.agenda;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Reminds of everything once: at its time, or, where the computer slept through it or the program
 * was not running, as soon as it can. What is put off is reminded of again; a clock that is set
 * back brings nothing a second time.
 */
public final class Reminders {
  /** What is due on a day, and not at a time of it, is reminded of from then on. */
  static final LocalTime MORNING = LocalTime.of(8, 0);

  private final Map<String, Instant> told = new HashMap<>();

  /** What to remind of now; asking again answers with what came since. */
  public List<Agenda.Line> take(Agenda agenda, ZonedDateTime now) {
    List<Agenda.Line> due =
        agenda.lines().stream()
            .filter(l -> !l.due().done() && l.due().at().isPresent())
            .filter(l -> !from(l.due(), now).isAfter(now.toInstant()))
            .filter(l -> !l.due().at().get().equals(told.get(l.key())))
            .toList();
    due.forEach(l -> told.put(l.key(), l.due().at().orElseThrow()));
    return due;
  }

  private static Instant from(Due due, ZonedDateTime now) {
    Instant at = due.at().orElseThrow();
    return due.wholeDay() ? at.atZone(now.getZone()).with(MORNING).toInstant() : at;
  }
}
