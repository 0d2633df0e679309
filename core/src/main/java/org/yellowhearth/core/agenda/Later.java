package org.yellowhearth.core.agenda;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.message.Coded;

/**
 * Until when something is put off. Days are days of the wall's clock: tomorrow at nine is nine also
 * when the clocks change in the night.
 */
public enum Later implements Coded {
  HOUR,
  NEXT_TIME,
  TOMORROW,
  NEXT_WEEK;

  private static final int FULL_DAY = 24 * 60;

  /**
   * The moment, as seen from now; {@link #NEXT_TIME} is when somebody is at the bench next, an hour
   * from now at the earliest.
   */
  public Instant from(ZonedDateTime now, BenchHours bench) {
    return switch (this) {
      case HOUR -> now.plusHours(1).toInstant();
      case NEXT_TIME -> next(now, bench);
      case TOMORROW -> now.plusDays(1).toInstant();
      case NEXT_WEEK -> now.plusWeeks(1).toInstant();
    };
  }

  private static Instant next(ZonedDateTime now, BenchHours bench) {
    Instant soonest = now.plusHours(1).toInstant();
    for (int k = 0; k <= DayOfWeek.values().length; k++) {
      LocalDate day = now.toLocalDate().plusDays(k);
      for (BenchHours.Span s : bench.spans()) {
        if (s.day() == day.getDayOfWeek() && s.fromMinute() < FULL_DAY) {
          Instant from =
              day.atTime(s.fromMinute() / 60, s.fromMinute() % 60)
                  .atZone(now.getZone())
                  .toInstant();
          if (!from.isBefore(soonest)) {
            return from;
          }
        }
      }
    }
    return now.plusDays(1).toInstant();
  }
}
