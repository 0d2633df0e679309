package org.yellowhearth.core.agenda;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * What is due about every set of a shop, the soonest first.
 *
 * @param behind the newest entry of any journal, where the clock stands before it by more than a
 *     few minutes: it was set back, or was ahead, and nothing here can be relied on until it is
 *     right
 */
public record Agenda(List<Line> lines, Optional<Instant> behind) {
  /**
   * A clock may be so many seconds behind the newest entry before it is said: another computer of
   * the shop may be a little ahead.
   */
  private static final long SLACK_SECONDS = 300;

  private static final int WEEK = 7;

  /** When, by the days of the bench. */
  public enum Bucket implements Coded {
    OVERDUE,
    TODAY,
    TOMORROW,
    WEEK,
    LATER,
    UNDATED,
    DONE
  }

  /** One set with what is to be done about it. */
  public record OfSet(String job, String set, Instant newest, List<Due> dues) {
    public OfSet {
      dues = List.copyOf(dues);
    }
  }

  /** Something to be done about one set. */
  public record Line(String job, String set, Due due, Bucket bucket) {
    /** What names it among everything that is due. */
    public String key() {
      return job + "." + due.key();
    }
  }

  /** One row of the list, and what follows of the same kind. */
  public record Row(Line first, List<Line> then) {
    public Row {
      then = List.copyOf(then);
    }
  }

  public Agenda {
    lines = List.copyOf(lines);
  }

  /** The agenda at a moment, with the days of the zone it is in. */
  public static Agenda of(List<OfSet> sets, ZonedDateTime now) {
    List<Line> lines =
        sets.stream()
            .flatMap(s -> s.dues().stream().map(d -> new Line(s.job(), s.set(), d, bucket(d, now))))
            .sorted(
                Comparator.comparing(Line::bucket)
                    .thenComparing((Line l) -> l.due().at().orElse(Instant.MAX))
                    .thenComparing(Line::set)
                    .thenComparing(Line::key))
            .toList();
    Optional<Instant> behind =
        sets.stream()
            .map(OfSet::newest)
            .max(Comparator.naturalOrder())
            .filter(n -> n.minusSeconds(SLACK_SECONDS).isAfter(now.toInstant()));
    return new Agenda(lines, behind);
  }

  private static Bucket bucket(Due due, ZonedDateTime now) {
    if (due.done()) {
      return Bucket.DONE;
    }
    if (due.at().isEmpty()) {
      return Bucket.UNDATED;
    }
    LocalDate today = now.toLocalDate();
    LocalDate day = due.at().get().atZone(now.getZone()).toLocalDate();
    boolean over = due.wholeDay() ? day.isBefore(today) : !due.at().get().isAfter(now.toInstant());
    if (over) {
      return Bucket.OVERDUE;
    }
    if (day.equals(today)) {
      return Bucket.TODAY;
    }
    if (day.equals(today.plusDays(1))) {
      return Bucket.TOMORROW;
    }
    return day.isBefore(today.plusDays(WEEK)) ? Bucket.WEEK : Bucket.LATER;
  }

  /**
   * The lines as they are listed: the readings of one burn-in on one day, and the steps of one
   * capacitor, of which there are many, stand together.
   */
  public List<Row> rows() {
    Map<List<Object>, List<Line>> by = new LinkedHashMap<>();
    lines.forEach(l -> by.computeIfAbsent(together(l), _ -> new ArrayList<>()).add(l));
    return by.values().stream()
        .map(all -> new Row(all.getFirst(), all.subList(1, all.size())))
        .toList();
  }

  private static List<Object> together(Line l) {
    boolean several =
        !l.due().moved()
            && (l.due().source() == DueSource.BURN_IN || l.due().source() == DueSource.REFORM);
    return List.of(
        l.job(),
        l.bucket(),
        several ? l.due().part().map(PartRef::toString).orElse("burn-in") : l.due().key());
  }

  /** How much waits for somebody now. */
  public long overdue() {
    return rows().stream().filter(r -> r.first().bucket() == Bucket.OVERDUE).count();
  }

  /** What waits for somebody now or before the day is over. */
  public long pressing() {
    return rows().stream()
        .filter(r -> r.first().bucket() == Bucket.OVERDUE || r.first().bucket() == Bucket.TODAY)
        .count();
  }
}
