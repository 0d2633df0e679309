package org.yellowhearth.core.fact;

import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * When somebody is at the bench, and what the bench can do at once.
 *
 * @param hours as a person writes them: {@code Mon-Fri 18:00-21:30, Sat 9-17}
 * @param channels how many capacitors can be under voltage at once
 * @param supplyAmperes what the supply gives all of them together
 */
public record BenchHours(String hours, int channels, double supplyAmperes) implements Aspect {
  private static final List<String> DAYS = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");
  private static final Pattern ONE =
      Pattern.compile(
          "(?:(daily)|([a-z]{3})(?:\\s*-\\s*([a-z]{3}))?)\\s+(\\d{1,2})(?::(\\d{2}))?\\s*-\\s*(\\d{1,2})(?::(\\d{2}))?");
  private static final int DAY_MINUTES = 24 * 60;

  /** Evenings and a Saturday, one channel, 50 mA. */
  public static final BenchHours BLANK =
      new BenchHours("Mon-Fri 18:00-21:30, Sat 9:00-17:00", 1, 0.05);

  /** A stretch of every week. */
  public record Span(DayOfWeek day, int fromMinute, int toMinute) {}

  public BenchHours {
    spans(hours);
    if (channels < 1 || channels > 64) {
      throw new IllegalArgumentException("a bench has 1 to 64 channels, not " + channels);
    }
    Checked.within("the current of the supply", supplyAmperes, 1e-4, 10);
  }

  /** The stretches of a week, in order. */
  public List<Span> spans() {
    return spans(hours);
  }

  /** Minutes of a week. */
  public int minutes() {
    return spans().stream().mapToInt(s -> s.toMinute - s.fromMinute).sum();
  }

  private static List<Span> spans(String text) {
    List<Span> all = new ArrayList<>();
    for (String piece : text.split(",", -1)) {
      Matcher m = ONE.matcher(piece.strip().toLowerCase(Locale.ROOT).replace('–', '-'));
      if (!m.matches()) {
        throw new IllegalArgumentException(
            "\""
                + piece.strip()
                + "\" are no hours; expected days and times, as Mon-Fri 18:00-21:30, Sat 9-17, or daily 8-20");
      }
      int from = minute(piece, m.group(4), m.group(5));
      int to = minute(piece, m.group(6), m.group(7));
      if (to <= from) {
        throw new IllegalArgumentException(
            "\""
                + piece.strip()
                + "\" ends before it begins; hours past midnight are two "
                + "stretches, as Fri 20-24, Sat 0-2");
      }
      for (DayOfWeek day :
          m.group(1) != null
              ? EnumSet.allOf(DayOfWeek.class)
              : days(piece, m.group(2), m.group(3) == null ? m.group(2) : m.group(3))) {
        all.add(new Span(day, from, to));
      }
    }
    all.sort(java.util.Comparator.comparing(Span::day).thenComparingInt(Span::fromMinute));
    for (int k = 1; k < all.size(); k++) {
      if (all.get(k).day == all.get(k - 1).day && all.get(k).fromMinute < all.get(k - 1).toMinute) {
        throw new IllegalArgumentException(
            "the hours of " + all.get(k).day.toString().toLowerCase(Locale.ROOT) + " overlap");
      }
    }
    return List.copyOf(all);
  }

  private static Set<DayOfWeek> days(String piece, String first, String last) {
    int from = DAYS.indexOf(first);
    int to = DAYS.indexOf(last);
    if (from < 0 || to < 0) {
      throw new IllegalArgumentException(
          "\"" + piece.strip() + "\": days are written Mon, Tue, Wed, Thu, Fri, Sat and Sun");
    }
    Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
    for (int k = from; ; k = (k + 1) % 7) {
      days.add(DayOfWeek.of(k + 1));
      if (k == to) {
        return days;
      }
    }
  }

  private static int minute(String piece, String hour, String minute) {
    int m = minute == null ? 0 : Integer.parseInt(minute);
    int at = 60 * Integer.parseInt(hour) + m;
    if (m > 59 || at > DAY_MINUTES) {
      throw new IllegalArgumentException(
          "\"" + piece.strip() + "\": a time runs from 0:00 to 24:00");
    }
    return at;
  }
}
