package org.yellowhearth.storage.calendar;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.ICalComponent;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.component.VTodo;
import biweekly.io.TimezoneInfo;
import biweekly.io.text.ICalWriter;
import biweekly.parameter.Related;
import biweekly.property.DateOrDateTimeProperty;
import biweekly.property.ProductId;
import biweekly.property.RecurrenceRule;
import biweekly.property.Status;
import biweekly.property.Trigger;
import biweekly.property.Uid;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import biweekly.util.com.google.ical.compat.javautil.DateIterator;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import java.util.TimeZone;
import org.yellowhearth.knowledge.json.BadFileException;

/**
 * What is due as an iCalendar file (RFC 5545), for the calendar that a person has anyway, and back.
 * Times are written in UTC; a calendar shows its own. Read are events and to-dos of one or more
 * calendars; of one that recurs, its next {@value #AHEAD_DAYS} days.
 */
public final class CalendarFile {
  private static final String DOMAIN = "@yellow-hearth";
  private static final int LARGEST_BYTES = 5_000_000;
  private static final int MOST = 2000;
  private static final int AHEAD_DAYS = 62;
  private static final int MOST_RECURRENCES = 100;
  private static final int LONGEST = 400;

  /** Octets of a line, at most (RFC 5545, 3.1). */
  private static final int FOLD = 75;

  private CalendarFile() {}

  /**
   * An appointment.
   *
   * @param key the same for the same thing to do, so that a calendar moves it instead of showing it
   *     twice
   * @param wholeDay whether only the day counts, by the zone
   */
  public record Entry(
      String key,
      Instant at,
      boolean wholeDay,
      ZoneId zone,
      Duration takes,
      String summary,
      String description) {}

  /**
   * What stands in a calendar.
   *
   * @param key of ours, where we wrote it; else what names it, the same every time
   * @param at by the clock on the wall of the bench; empty for a to-do without a date
   * @param done whether it was completed or cancelled there
   */
  public record Found(
      String key,
      boolean ours,
      String summary,
      Optional<LocalDateTime> at,
      boolean wholeDay,
      boolean done) {}

  /** The text of a calendar. */
  public static String text(List<Entry> entries, Instant madeAt) {
    ICalendar calendar = new ICalendar();
    calendar.setProductId(new ProductId("-//Yellow Hearth//Yellow Hearth//EN"));
    for (Entry e : entries) {
      VEvent event = new VEvent();
      event.setUid(new Uid(e.key + DOMAIN));
      event.setDateTimeStamp(Date.from(madeAt));
      if (e.wholeDay) {
        LocalDate day = e.at.atZone(e.zone).toLocalDate();
        event.setDateStart(day(day), false);
        event.setDateEnd(day(day.plusDays(1)), false);
      } else {
        event.setDateStart(Date.from(e.at));
        event.setDateEnd(Date.from(e.at.plus(e.takes)));
        event.addAlarm(
            VAlarm.display(
                new Trigger(biweekly.util.Duration.builder().minutes(0).build(), Related.START),
                e.summary));
      }
      event.setSummary(e.summary);
      event.setDescription(e.description);
      calendar.addEvent(event);
    }
    StringWriter text = new StringWriter();
    try (ICalWriter writer = new ICalWriter(text, ICalVersion.V2_0)) {
      writer.getVObjectWriter().getFoldedLineWriter().setLineLength(null);
      writer.write(calendar);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return folded(text.toString());
  }

  /**
   * No line is longer than 75 octets (RFC 5545, 3.1): counted as they are written, in UTF-8, and no
   * letter is parted.
   */
  static String folded(String text) {
    StringBuilder out = new StringBuilder(text.length());
    int octets = 0;
    for (int at = 0; at < text.length(); ) {
      int letter = text.codePointAt(at);
      int size = letter < 0x80 ? 1 : letter < 0x800 ? 2 : letter < 0x10000 ? 3 : 4;
      boolean end = letter == '\r' || letter == '\n';
      if (!end && octets + size > FOLD) {
        out.append("\r\n ");
        octets = 1;
      }
      out.appendCodePoint(letter);
      octets = end ? 0 : octets + size;
      at += Character.charCount(letter);
    }
    return out.toString();
  }

  private static ICalDate day(LocalDate day) {
    return new ICalDate(
        new DateTimeComponents(day.getYear(), day.getMonthValue(), day.getDayOfMonth()), false);
  }

  /**
   * What stands in a calendar file.
   *
   * @param now from when on recurring events are taken
   * @param zone of the bench
   * @throws BadFileException where it is none, is too large, or holds something that cannot be
   *     read; nothing is taken then
   */
  public static List<Found> read(Path file, Instant now, ZoneId zone) throws IOException {
    if (Files.size(file) > LARGEST_BYTES) {
      throw new BadFileException(
          "the file is larger than "
              + LARGEST_BYTES / 1_000_000
              + " MB; export only the weeks that matter from your calendar",
          0,
          "");
    }
    return read(Files.readAllBytes(file), now, zone);
  }

  /** The same of bytes. */
  public static List<Found> read(byte[] bytes, Instant now, ZoneId zone) {
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw new BadFileException(
          "the file is no UTF-8 text, as iCalendar files are; export it anew", 0, "");
    }
    if (!text.stripLeading().regionMatches(/* ignoreCase= */ true, 0, "BEGIN:VCALENDAR", 0, 15)) {
      throw new BadFileException(
          "an iCalendar file begins with BEGIN:VCALENDAR, and this does not", 1, "");
    }
    List<Found> all = new ArrayList<>();
    try {
      for (ICalendar calendar : Biweekly.parse(text).all()) {
        TimezoneInfo zones = calendar.getTimezoneInfo();
        calendar.getEvents().forEach(e -> event(e, zones, now, zone, all));
        calendar.getTodos().forEach(t -> all.add(todo(t, zones, zone)));
      }
    } catch (RuntimeException e) {
      throw e instanceof BadFileException bad ? bad : broken(e, all.size());
    }
    if (all.isEmpty()) {
      throw new BadFileException("the calendar holds no event and no to-do", 0, "");
    }
    return all;
  }

  private static BadFileException broken(RuntimeException e, int read) {
    BadFileException bad =
        new BadFileException(
            "after " + read + " events something cannot be read as iCalendar: " + e.getMessage(),
            0,
            "");
    bad.initCause(e);
    return bad;
  }

  private static void event(
      VEvent e, TimezoneInfo zones, Instant now, ZoneId zone, List<Found> all) {
    if (e.getDateStart() == null) {
      throw new BadFileException(
          "event \""
              + summary(e.getSummary() == null ? "" : e.getSummary().getValue())
              + "\" has no DTSTART",
          0,
          "");
    }
    String uid = uid(e, e.getUid());
    String summary = summary(e.getSummary() == null ? "" : e.getSummary().getValue());
    boolean cancelled = e.getStatus() != null && e.getStatus().isCancelled();
    RecurrenceRule rule = e.getRecurrenceRule();
    if (rule == null || rule.getValue() == null) {
      add(all, found(uid, summary, e.getDateStart(), zones, zone, cancelled));
      return;
    }
    // A recurring event is no single thing of ours, whatever its name says.
    DateIterator each = e.getDateIterator(timeZone(e.getDateStart(), zones, zone));
    each.advanceTo(Date.from(now));
    Instant end = now.plus(AHEAD_DAYS, ChronoUnit.DAYS);
    boolean wholeDay = !e.getDateStart().getValue().hasTime();
    for (int k = 0; k < MOST_RECURRENCES && each.hasNext(); k++) {
      Instant at = each.next().toInstant();
      if (at.isAfter(end)) {
        break;
      }
      LocalDateTime local = at.atZone(zone).toLocalDateTime();
      add(
          all,
          new Found(
              uid + "/" + at.getEpochSecond(),
              false,
              summary,
              Optional.of(wholeDay ? local.toLocalDate().atStartOfDay() : local),
              wholeDay,
              cancelled));
    }
  }

  private static void add(List<Found> all, Found found) {
    if (all.size() >= MOST) {
      throw new BadFileException(
          "the calendar holds more than "
              + MOST
              + " events; export only the weeks that matter from it",
          0,
          "");
    }
    all.add(found);
  }

  private static Found todo(VTodo t, TimezoneInfo zones, ZoneId zone) {
    Status status = t.getStatus();
    boolean done =
        t.getCompleted() != null
            || (status != null && (status.isCompleted() || status.isCancelled()));
    String summary = summary(t.getSummary() == null ? "" : t.getSummary().getValue());
    DateOrDateTimeProperty at = t.getDateDue() != null ? t.getDateDue() : t.getDateStart();
    return found(uid(t, t.getUid()), summary, at, zones, zone, done);
  }

  private static Found found(
      String uid,
      String summary,
      DateOrDateTimeProperty at,
      TimezoneInfo zones,
      ZoneId zone,
      boolean done) {
    boolean ours = uid.endsWith(DOMAIN);
    String key = ours ? uid.substring(0, uid.length() - DOMAIN.length()) : uid;
    Optional<ICalDate> date = at == null ? Optional.empty() : Optional.ofNullable(at.getValue());
    boolean wholeDay = date.map(d -> !d.hasTime()).orElse(false);
    return new Found(key, ours, summary, date.map(d -> local(d, at, zones, zone)), wholeDay, done);
  }

  /**
   * A day stays its day, and a floating time its time, wherever the bench is; anything else is a
   * moment.
   */
  private static LocalDateTime local(
      ICalDate date, DateOrDateTimeProperty property, TimezoneInfo zones, ZoneId zone) {
    DateTimeComponents raw = date.getRawComponents();
    if (raw != null && !date.hasTime()) {
      return LocalDate.of(raw.getYear(), raw.getMonth(), raw.getDate()).atStartOfDay();
    }
    if (raw != null && zones.isFloating(property)) {
      return LocalDateTime.of(
          raw.getYear(), raw.getMonth(), raw.getDate(), raw.getHour(), raw.getMinute());
    }
    return date.toInstant().atZone(zone).toLocalDateTime();
  }

  private static TimeZone timeZone(
      DateOrDateTimeProperty property, TimezoneInfo zones, ZoneId zone) {
    return Optional.ofNullable(zones.getTimezone(property))
        .map(z -> z.getTimeZone())
        .orElseGet(() -> TimeZone.getTimeZone(zone));
  }

  private static String uid(ICalComponent component, Uid uid) {
    String text = uid == null || uid.getValue() == null ? "" : uid.getValue().strip();
    if (text.isEmpty() || text.length() > LONGEST) {
      throw new BadFileException(
          "an entry of the calendar has no UID, or one that is too long: "
              + component.getClass().getSimpleName().toUpperCase(java.util.Locale.ROOT),
          0,
          "");
    }
    return text;
  }

  private static String summary(String text) {
    String plain = text == null ? "" : text.replaceAll("\\p{Cntrl}+", " ").strip();
    return plain.length() <= LONGEST ? plain : plain.substring(0, LONGEST);
  }
}
