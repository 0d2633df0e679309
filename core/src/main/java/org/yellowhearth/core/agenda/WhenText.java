package org.yellowhearth.core.agenda;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Month;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A time as a person types it: {@code 14:30}, {@code tomorrow}, {@code fri 9:00}, {@code 3 Dec},
 * {@code 2026-12-03 14:00}, {@code in 2 h}, {@code in 3 days}.
 *
 * @param at by the clock on the wall
 * @param wholeDay whether no time of the day was given
 * @param skipped whether the clocks leap over that time on that day, so that it means as much later
 */
public record WhenText(LocalDateTime at, boolean wholeDay, boolean skipped) {
  private static final Pattern IN =
      Pattern.compile("in (\\d{1,4}) ?(min|minutes?|h|hours?|days?|weeks?)");
  private static final Pattern TIME = Pattern.compile("(\\d{1,2})[:.](\\d{2})|(\\d{1,2}) ?h");
  private static final Pattern HOUR = Pattern.compile("\\d{1,2}");
  private static final Pattern DATE = Pattern.compile("(\\d{4})-(\\d{1,2})-(\\d{1,2})");
  private static final Pattern DAY_MONTH =
      Pattern.compile("(\\d{1,2})\\.? ([a-z]{3,9})\\.?(?: (\\d{4}))?");
  private static final int LETTERS = 3;

  /**
   * What is meant, seen from now.
   *
   * @throws IllegalArgumentException where it cannot be understood or is no time that exists
   */
  public static WhenText parse(String typed, ZonedDateTime now) {
    String text =
        typed
            .strip()
            .toLowerCase(Locale.ROOT)
            .replaceAll("\\s+", " ")
            .replaceFirst("^(on|at) ", "");
    Matcher in = IN.matcher(text);
    if (in.matches()) {
      return ahead(Long.parseLong(in.group(1)), in.group(2), now);
    }
    try {
      int gap = text.lastIndexOf(' ');
      Optional<LocalTime> alone = time(text);
      if (alone.isPresent()) {
        LocalDate today = now.toLocalDate();
        boolean passed = !today.atTime(alone.get()).isAfter(now.toLocalDateTime());
        return of(passed ? today.plusDays(1) : today, alone, now);
      }
      Optional<LocalTime> last = gap > 0 ? lastTime(text.substring(gap + 1)) : Optional.empty();
      String day = last.isPresent() ? text.substring(0, gap).replaceFirst(" at$", "") : text;
      return of(day(day, last, now).orElseThrow(() -> unknown(typed)), last, now);
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(
          "\"" + typed.strip() + "\" is no day or time that exists: " + e.getMessage(), e);
    }
  }

  private static IllegalArgumentException unknown(String typed) {
    return new IllegalArgumentException(
        "\""
            + typed.strip()
            + "\" is no time; expected such as 14:30, tomorrow 9:00, Fri, 3 Dec 14:00, 2026-12-03, in 2 h, in 3 days");
  }

  private static WhenText of(LocalDate day, Optional<LocalTime> time, ZonedDateTime now) {
    LocalDateTime at = day.atTime(time.orElse(LocalTime.MIDNIGHT));
    boolean skipped = time.isPresent() && !at.atZone(now.getZone()).toLocalDateTime().equals(at);
    return new WhenText(at, time.isEmpty(), skipped);
  }

  private static WhenText ahead(long count, String unit, ZonedDateTime now) {
    ZonedDateTime minute = now.truncatedTo(ChronoUnit.MINUTES);
    if (unit.startsWith("d") || unit.startsWith("w")) {
      return of(
          now.toLocalDate().plusDays(unit.startsWith("d") ? count : 7 * count),
          Optional.empty(),
          now);
    }
    return new WhenText(
        (unit.startsWith("h") ? minute.plusHours(count) : minute.plusMinutes(count))
            .toLocalDateTime(),
        false,
        false);
  }

  private static Optional<LocalTime> time(String text) {
    Matcher m = TIME.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    return Optional.of(
        m.group(3) == null
            ? LocalTime.of(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)))
            : LocalTime.of(Integer.parseInt(m.group(3)), 0));
  }

  /** After a day an hour may stand alone. */
  private static Optional<LocalTime> lastTime(String text) {
    return time(HOUR.matcher(text).matches() ? text + "h" : text);
  }

  private static Optional<LocalDate> day(String text, Optional<LocalTime> time, ZonedDateTime now) {
    LocalDate today = now.toLocalDate();
    Matcher date = DATE.matcher(text);
    Matcher dayMonth = DAY_MONTH.matcher(text);
    if (text.equals("today")) {
      return Optional.of(today);
    }
    if (text.equals("tomorrow")) {
      return Optional.of(today.plusDays(1));
    }
    if (date.matches()) {
      return Optional.of(
          LocalDate.of(
              Integer.parseInt(date.group(1)),
              Integer.parseInt(date.group(2)),
              Integer.parseInt(date.group(3))));
    }
    if (dayMonth.matches()) {
      return named(List.of(Month.values()), dayMonth.group(2))
          .map(month -> {
            int day = Integer.parseInt(dayMonth.group(1));
            if (dayMonth.group(3) != null) {
              return LocalDate.of(Integer.parseInt(dayMonth.group(3)), month, day);
            }
            // The next such day; 29 February waits for its year.
            return Stream.iterate(today.getYear(), y -> y <= today.getYear() + 8, y -> y + 1)
                .filter(y -> day <= month.length(java.time.Year.isLeap(y)))
                .map(y -> LocalDate.of(y, month, day))
                .filter(d -> !d.isBefore(today))
                .findFirst()
                .orElseThrow(() -> new DateTimeException(month + " has no day " + day));
          });
    }
    return named(List.of(DayOfWeek.values()), text)
        .map(weekday -> {
          boolean still =
              time.map(t -> today.atTime(t).isAfter(now.toLocalDateTime())).orElse(false);
          return today.with(
              still ? TemporalAdjusters.nextOrSame(weekday) : TemporalAdjusters.next(weekday));
        });
  }

  private static <T extends Enum<T>> Optional<T> named(List<T> all, String text) {
    return all.stream()
        .filter(v -> text.length() >= LETTERS && v.name().toLowerCase(Locale.ROOT).startsWith(text))
        .findFirst();
  }
}
