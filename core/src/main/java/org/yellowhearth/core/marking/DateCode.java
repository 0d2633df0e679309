package org.yellowhearth.core.marking;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.message.Coded;

/**
 * A date stamped on a part, commonly after a three-digit maker number: {@code 6412} is week 12 of
 * 1964, {@code 235-6412} the same with the maker before it, {@code 412} week 12 of a year ending in
 * 4, {@code 5-51} May 1951 (common practice).
 *
 * @param year the full year
 * @param week the week of the year, where it was stamped
 * @param month the month, where it was stamped
 */
public record DateCode(int year, OptionalInt week, Optional<Month> month, Form form) {
  private static final Pattern WRITTEN =
      Pattern.compile("(?:\\d{3}-)?\\d{3,4}|\\d{6,7}|\\d{1,2}[-/.](?:\\d{2}|\\d{4})");
  private static final Pattern SPLIT = Pattern.compile("(\\d{1,2})[-/.](\\d{2}|\\d{4})");
  private static final int MAKER_DIGITS = 3;
  private static final int LAST_WEEK = 53;
  private static final int EARLIEST = 1920;
  private static final int DECADE = 10;
  private static final int FIRST_YEAR_WEEK = 1938;
  private static final double TOO_EARLY = 10;
  private static final int LATER = 15;
  private static final double HARDLY = 0.02;
  private static final int CENTURY = 100;

  /** How the digits were taken, the commoner first. */
  public enum Form {
    YEAR_WEEK(0),
    DIGIT_WEEK(0),
    MONTH_YEAR(0),
    PLAIN_YEAR(0.5),
    WEEK_YEAR(1);

    private final double doubt;

    Form(double doubt) {
      this.doubt = doubt;
    }
  }

  /** What made one meaning out of several. */
  public enum Settled implements Coded {
    /** There is only one. */
    PLAIN,
    /** The years of the set speak for one. */
    BY_SET,
    /** Nothing does; the first is a guess and is shown as one. */
    OPEN
  }

  /**
   * What a code may mean.
   *
   * @param meanings the likelier first, at least one
   */
  public record Dating(List<DateCode> meanings, Settled settled) {
    public Dating {
      meanings = List.copyOf(meanings);
    }

    /** The likeliest. */
    public DateCode best() {
      return meanings.getFirst();
    }
  }

  /** Whether a word has the form of a date code. */
  public static boolean isOne(String code) {
    return WRITTEN.matcher(code).matches();
  }

  /**
   * Reads a code.
   *
   * @param first the first year the set may have been made in, where known
   * @param last the last year it may have been made in
   * @return empty where the digits give no date up to today
   */
  public static Optional<Dating> read(
      String code, OptionalInt first, OptionalInt last, LocalDate today) {
    if (!isOne(code)) {
      return Optional.empty();
    }
    List<DateCode> meanings = new ArrayList<>();
    Matcher split = SPLIT.matcher(code);
    if (split.matches()) {
      split(Integer.parseInt(split.group(1)), split.group(2), meanings);
    } else {
      String digits = code.replace("-", "");
      digits(
          digits.length() >= 2 * MAKER_DIGITS ? digits.substring(MAKER_DIGITS) : digits, meanings);
    }
    meanings.removeIf(d -> d.year < EARLIEST || d.earliest().isAfter(today));
    if (meanings.isEmpty()) {
      return Optional.empty();
    }
    ToDoubleFunction<DateCode> distance =
        d ->
            first.isPresent()
                ? distance(d.year, first.getAsInt(), last.orElse(first.getAsInt()))
                : 0;
    ToDoubleFunction<DateCode> against = d -> d.doubt() + distance.applyAsDouble(d);
    meanings.sort(
        Comparator.comparingDouble(against)
            .thenComparing(DateCode::year, Comparator.reverseOrder()));
    int best = meanings.getFirst().year;
    List<DateCode> others = meanings.stream().filter(d -> d.year != best).toList();
    boolean one = others.isEmpty();
    boolean apart =
        first.isPresent()
            && others.stream()
                .allMatch(
                    d -> against.applyAsDouble(d) - against.applyAsDouble(meanings.getFirst()) > 1);
    return Optional.of(
        new Dating(meanings, one ? Settled.PLAIN : apart ? Settled.BY_SET : Settled.OPEN));
  }

  /**
   * Years from the set: a part may lie in stock for a while before, and a repair may come any time
   * after.
   */
  private static double distance(int year, int first, int last) {
    int stock = 3;
    return year < first - stock
        ? 2.0 * (first - stock - year)
        : later(Math.max(0, year - last - 1));
  }

  /**
   * Codes of year and week came up in the late thirties (common practice): an earlier one needs a
   * set that speaks for it.
   */
  private double doubt() {
    boolean early = year < FIRST_YEAR_WEEK && (form == Form.YEAR_WEEK || form == Form.WEEK_YEAR);
    return form.doubt + (early ? TOO_EARLY : 0);
  }

  /**
   * The longer after, the less likely at first; whether a repair came forty years later or sixty
   * hardly matters.
   */
  private static double later(int years) {
    return Math.min(years, LATER) + HARDLY * Math.max(0, years - LATER);
  }

  private static void split(int before, String after, List<DateCode> meanings) {
    int written = Integer.parseInt(after);
    for (int year : after.length() == 2 ? years(written) : List.of(written)) {
      if (before >= 1 && before <= Month.values().length) {
        meanings.add(
            new DateCode(
                year, OptionalInt.empty(), Optional.of(Month.of(before)), Form.MONTH_YEAR));
      } else {
        week(year, before, Form.WEEK_YEAR, meanings);
      }
    }
  }

  private static void digits(String digits, List<DateCode> meanings) {
    int all = Integer.parseInt(digits);
    if (digits.length() == MAKER_DIGITS) {
      for (int decade = EARLIEST; decade < EARLIEST + 2 * CENTURY; decade += DECADE) {
        week(decade + all / CENTURY, all % CENTURY, Form.DIGIT_WEEK, meanings);
      }
      return;
    }
    years(all / CENTURY).forEach(year -> week(year, all % CENTURY, Form.YEAR_WEEK, meanings));
    years(all % CENTURY).forEach(year -> week(year, all / CENTURY, Form.WEEK_YEAR, meanings));
    meanings.add(new DateCode(all, OptionalInt.empty(), Optional.empty(), Form.PLAIN_YEAR));
  }

  /**
   * Two digits may be of either century: what lies before this trade, or after today, is left out
   * later.
   */
  private static List<Integer> years(int twoDigits) {
    int nineteenHundred = 1900;
    return List.of(nineteenHundred + twoDigits, nineteenHundred + CENTURY + twoDigits);
  }

  private static void week(int year, int week, Form form, List<DateCode> meanings) {
    if (week >= 1 && week <= LAST_WEEK) {
      meanings.add(new DateCode(year, OptionalInt.of(week), Optional.empty(), form));
    }
  }

  /** The first day it can mean. */
  public LocalDate earliest() {
    LocalDate start = LocalDate.of(year, 1, 1);
    int days = 7;
    return month
        .map(m -> start.withMonth(m.getValue()))
        .orElseGet(
            () -> week.isPresent() ? start.plusDays((long) (week.getAsInt() - 1) * days) : start);
  }
}
