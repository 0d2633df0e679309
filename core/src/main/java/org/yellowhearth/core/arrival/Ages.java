package org.yellowhearth.core.arrival;

import java.time.LocalDate;
import java.time.Year;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.DateCode;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Part;

/** How old the set and its dated parts are, and which parts came later than the set. */
public final class Ages {
  /**
   * A part this many years younger than the set is from a repair; a set may leave the works a year
   * after its parts.
   */
  static final int LATER_YEARS = 2;

  /** A part this many years older lay in stock, or in another set. */
  static final int EARLIER_YEARS = 5;

  private Ages() {}

  /** How the date of a part stands to the years of the set. */
  public enum Standing implements Coded {
    /** From the time of the set. */
    ORIGINAL,
    /** Later than the set: an earlier repair. */
    LATER,
    /** Much earlier than the set. */
    EARLIER,
    /** The year of the set is not known. */
    UNKNOWN
  }

  /** One dated part. */
  public record Dated(Part part, DateCode.Dating dating, int years, Standing standing) {}

  /** The first likely year of the set. */
  public static OptionalInt first(Job job) {
    return job.plate().made();
  }

  /** The last likely year of the set. */
  public static OptionalInt last(Job job) {
    OptionalInt until = job.aspect(Build.class).madeUntil();
    return until.isPresent() ? until : job.plate().made();
  }

  /** The date on one part, settled by the years of its set; empty where none was read. */
  public static Optional<DateCode.Dating> dating(Job job, Part part, LocalDate today) {
    return part.dateCode().isEmpty()
        ? Optional.empty()
        : DateCode.read(part.dateCode(), first(job), last(job), today);
  }

  /** How old a part was on a day: by its own date where one is settled, else by that of its set. */
  public static OptionalDouble years(Job job, Part part, LocalDate day) {
    OptionalDouble ofSet = job.plate().age(Year.of(day.getYear()));
    return dating(job, part, day)
        .filter(d -> d.settled() != DateCode.Settled.OPEN)
        .map(d -> OptionalDouble.of(Math.max(0, day.getYear() - d.best().year())))
        .orElse(ofSet);
  }

  /** Every dated part of the census. */
  public static List<Dated> of(Job job, LocalDate today) {
    return job.census().stream()
        .flatMap(part ->
            dating(job, part, today)
                .map(d ->
                    new Dated(
                        part, d, today.getYear() - d.best().year(), standing(job, d.best().year())))
                .stream())
        .toList();
  }

  private static Standing standing(Job job, int year) {
    if (first(job).isEmpty()) {
      return Standing.UNKNOWN;
    }
    if (year >= last(job).getAsInt() + LATER_YEARS) {
      return Standing.LATER;
    }
    return year <= first(job).getAsInt() - EARLIER_YEARS ? Standing.EARLIER : Standing.ORIGINAL;
  }
}
