package org.yellowhearth.publishing.drawing;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.reform.Schedule;

/**
 * Days under one another, the hours at the bench pale, what is under voltage drawn into them by its
 * channel.
 */
public final class HoursChart {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final double DAY_MINUTES = 24 * 60;
  private static final int EVERY = 3;

  private HoursChart() {}

  /**
   * How many days there is something to see on, from today; at least a week's beginning, at most so
   * many.
   */
  public static int days(Schedule schedule, ZonedDateTime now, int most) {
    long last =
        schedule
            .end()
            .map(e ->
                Duration.between(now.toLocalDate().atStartOfDay(now.getZone()).toInstant(), e)
                    .toDays())
            .orElse(0L);
    return Math.clamp(last + 1, 3, most);
  }

  /** The marks of so many days in a box of pixels. */
  public static List<Plot.Mark> marks(
      Schedule schedule,
      BenchHours hours,
      ZonedDateTime now,
      int days,
      double width,
      double height,
      double em) {
    List<Plot.Mark> marks = new ArrayList<>();
    double left = 6.4 * em;
    double right = width - 1.5 * em;
    double top = 1.6 * em;
    double each = (height - top - 0.3 * em) / days;
    int every = (right - left) / 24 * EVERY < 3.4 * em ? 2 * EVERY : EVERY;
    for (int hour = 0; hour <= 24; hour += every) {
      double x = left + (right - left) * hour / 24;
      marks.add(new Plot.Mark.Stroke(List.of(x, top, x, top + days * each), "hours-grid"));
      marks.add(new Plot.Mark.Words(x, 1.1 * em, Plot.Anchor.MIDDLE, hour + " h", "plot-label"));
    }
    for (int k = 0; k < days; k++) {
      LocalDate day = now.toLocalDate().plusDays(k);
      double y = top + k * each;
      marks.add(
          new Plot.Mark.Words(
              0, y + each / 2 + 0.35 * em, Plot.Anchor.START, DAY.format(day), "plot-label"));
      for (BenchHours.Span s : hours.spans()) {
        if (s.day() == day.getDayOfWeek()) {
          double from = left + (right - left) * s.fromMinute() / DAY_MINUTES;
          double to = left + (right - left) * s.toMinute() / DAY_MINUTES;
          marks.add(new Plot.Mark.Area(from, y + 1, to - from, each - 2, "hours-open"));
        }
      }
      List<Bar> bars =
          schedule.sittings().stream()
              .map(s -> bar(s, day, now.getZone(), left, right))
              .flatMap(Optional::stream)
              .toList();
      bars(bars, y, (each - 4) / hours.channels(), em, marks);
    }
    double x = left + (right - left) * minute(now, now.toLocalDate(), now.getZone()) / DAY_MINUTES;
    marks.add(new Plot.Mark.Stroke(List.of(x, top, x, top + each), "hours-now"));
    return marks;
  }

  /** A stretch of a day in pixels. */
  private record Bar(String name, int channel, double from, double to) {}

  private static Optional<Bar> bar(
      Schedule.Sitting s, LocalDate day, ZoneId zone, double left, double right) {
    double from = minute(s.from().atZone(zone), day, zone);
    double to = minute(s.to().atZone(zone), day, zone);
    double x = left + (right - left) * from / DAY_MINUTES;
    return to <= from
        ? Optional.empty()
        : Optional.of(
            new Bar(
                s.part().toString(),
                s.channel(),
                x,
                Math.max(x + 2, left + (right - left) * to / DAY_MINUTES)));
  }

  /** The bars of a day; a name stands in its bar, or behind it where nothing follows so soon. */
  private static void bars(
      List<Bar> bars, double y, double high, double em, List<Plot.Mark> marks) {
    for (Bar b : bars) {
      marks.add(
          new Plot.Mark.Area(
              b.from,
              y + 2 + (b.channel - 1) * high,
              b.to - b.from,
              Math.max(2, high - 1),
              "hours-on"));
    }
    for (Bar b : bars) {
      double needed = 0.62 * em * b.name.length();
      boolean inside = b.to - b.from >= needed;
      boolean room =
          bars.stream()
              .noneMatch(
                  o -> o.channel == b.channel && o.from >= b.to && o.from < b.to + needed + em);
      if (high >= 1.1 * em && (inside || room)) {
        marks.add(
            new Plot.Mark.Words(
                inside ? (b.from + b.to) / 2 : b.to + 0.3 * em,
                y + 2 + (b.channel - 0.5) * high + 0.35 * em,
                inside ? Plot.Anchor.MIDDLE : Plot.Anchor.START,
                b.name,
                "hours-name"));
      }
    }
  }

  /** The wall clock of a moment on a day, in minutes; before and after the day held at its ends. */
  private static double minute(ZonedDateTime at, LocalDate day, ZoneId zone) {
    if (at.toLocalDate().isBefore(day)) {
      return 0;
    }
    return at.withZoneSameInstant(zone).toLocalDate().isAfter(day)
        ? DAY_MINUTES
        : at.toLocalTime().toSecondOfDay() / 60.0;
  }
}
