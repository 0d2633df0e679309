package org.yellowhearth.storage.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.storage.calendar.CalendarFile.Found;

/**
 * Calendars out, read by another library and by ours, and in, with the examples of RFC 5545 (from
 * memory) and broken ones.
 */
public class CalendarFileTest {
  private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
  private static final Instant NOW = Instant.parse("2027-03-20T10:00:00Z");

  private static CalendarFile.Entry entry(String key, Instant at, boolean day, String summary) {
    return new CalendarFile.Entry(
        key,
        at,
        day,
        BERLIN,
        Duration.ofMinutes(10),
        summary,
        "Set it down; then \"look\", twice\nand again");
  }

  private static List<Found> read(String body) {
    return CalendarFile.read(
        ("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n" + body + "END:VCALENDAR\r\n")
            .getBytes(StandardCharsets.UTF_8),
        NOW,
        BERLIN);
  }

  private static String event(String lines) {
    return "BEGIN:VEVENT\r\nUID:19970901T130000Z-123402@host.example\r\nDTSTAMP:19970901T130000Z\r\n"
        + lines
        + "END:VEVENT\r\n";
  }

  /**
   * What we write, another library reads as it was meant, over the change to summer time too; and
   * so do we.
   */
  @Test
  public void anotherLibraryReadsWhatWeWrite() throws IOException, ParserException {
    List<CalendarFile.Entry> all = new ArrayList<>();
    Random r = new Random(12);
    for (int k = 0; k < 50; k++) {
      Instant at = NOW.plus(r.nextInt(20_000), ChronoUnit.MINUTES);
      boolean day = k % 5 == 0;
      all.add(
          entry(
              "j-1." + k,
              day ? at.atZone(BERLIN).toLocalDate().atStartOfDay(BERLIN).toInstant() : at,
              day,
              "C"
                  + k
                  + ": 47 µF; Ω, \\ and a very long line that must be folded because it has more than seventy-five octets"));
    }
    String text = CalendarFile.text(all, NOW);
    assertThat(
            text.lines().mapToInt(l -> l.getBytes(StandardCharsets.UTF_8).length).max().orElse(0))
        .isLessThanOrEqualTo(75);
    String wide = "DESCRIPTION:" + "受信機 📻 ".repeat(40) + "\r\nEND:X\r\n";
    String folded = CalendarFile.folded(wide);
    assertThat(folded.lines().map(l -> l.getBytes(StandardCharsets.UTF_8).length).toList())
        .allMatch(n -> n <= 75)
        .as("nearly full")
        .anyMatch(n -> n > 70);
    assertThat(folded.replace("\r\n ", "")).as("nothing but folds was put in").isEqualTo(wide);
    Calendar calendar = new CalendarBuilder().build(new StringReader(text));
    List<VEvent> events = calendar.getComponents("VEVENT");
    assertThat(events).hasSize(50);
    assertThat(calendar.validate().hasErrors()).isFalse();
    List<Found> back = CalendarFile.read(text.getBytes(StandardCharsets.UTF_8), NOW, BERLIN);
    for (int k = 0; k < 50; k++) {
      CalendarFile.Entry e = all.get(k);
      VEvent v = events.get(k);
      assertThat(v.getSummary().getValue()).isEqualTo(e.summary());
      assertThat(v.getDescription().getValue()).isEqualTo(e.description());
      Object start = v.getDateTimeStart().getDate();
      LocalDateTime wall = e.at().atZone(BERLIN).toLocalDateTime();
      assertThat(start)
          .isEqualTo(e.wholeDay() ? wall.toLocalDate() : e.at().atOffset(ZoneOffset.UTC));
      assertThat(back.get(k))
          .isEqualTo(new Found(e.key(), true, e.summary(), Optional.of(wall), e.wholeDay(), false));
    }
  }

  /**
   * RFC 5545, 3.8.5.3: daily for ten occurrences from 2 September 1997, nine in the morning in New
   * York.
   */
  @Test
  public void aRecurringEventComesAsOftenAsItRecurs() {
    String body =
        event(
            "DTSTART;TZID=America/New_York:19970902T090000\r\nRRULE:FREQ=DAILY;COUNT=10\r\nSUMMARY:Meter club\r\n");
    List<Found> found =
        CalendarFile.read(
            ("BEGIN:VCALENDAR\r\n" + body + "END:VCALENDAR\r\n").getBytes(StandardCharsets.UTF_8),
            Instant.parse("1997-09-05T00:00:00Z"),
            ZoneId.of("America/New_York"));
    assertThat(found)
        .hasSize(7)
        .extracting(f -> f.at().orElseThrow())
        .containsExactly(
            LocalDate.of(1997, 9, 5)
                .datesUntil(LocalDate.of(1997, 9, 12))
                .map(d -> d.atTime(9, 0))
                .toArray(LocalDateTime[]::new));
    assertThat(found).extracting(Found::key).doesNotHaveDuplicates();
    // One without an end is taken for two months, and not for ever.
    assertThat(read(event("DTSTART:20270101T090000Z\r\nRRULE:FREQ=DAILY\r\nSUMMARY:x\r\n")))
        .hasSize(62);
    assertThat(read(event("DTSTART:20270101T090000Z\r\nRRULE:FREQ=SECONDLY\r\nSUMMARY:x\r\n")))
        .hasSize(100);
  }

  @DataProvider
  Object[][] times() {
    return new Object[][] {
      {"DTSTART:20270328T013000Z\r\n", "2027-03-28T03:30", false},
      {"DTSTART;TZID=America/New_York:20270402T143000\r\n", "2027-04-02T20:30", false},
      // Floating: half past two wherever the bench is (RFC 5545, 3.3.5, form 1).
      {"DTSTART:20270402T143000\r\n", "2027-04-02T14:30", false},
      {"DTSTART;VALUE=DATE:20270402\r\n", "2027-04-02T00:00", true}
    };
  }

  @Test(dataProvider = "times")
  public void everyFormOfTimeIsRead(String start, String local, boolean day) {
    Found f = read(event(start + "SUMMARY:Valves come\\, at last\r\n")).getFirst();
    assertThat(f.at()).contains(LocalDateTime.parse(local));
    assertThat(f.wholeDay()).isEqualTo(day);
    assertThat(f.ours()).isFalse();
    assertThat(f.summary()).isEqualTo("Valves come, at last");
  }

  @Test
  public void toDosAndCancelledEventsAreRead() {
    List<Found> found =
        read(
            "BEGIN:VTODO\r\nUID:a@yellow-hearth\r\nDUE:20270401T080000Z\r\nSTATUS:COMPLETED\r\nSUMMARY:one\r\n"
                + "END:VTODO\r\nBEGIN:VTODO\r\nUID:b@other\r\nSUMMARY:two\r\nEND:VTODO\r\n"
                + event("DTSTART:20270402T143000Z\r\nSTATUS:CANCELLED\r\nSUMMARY:three\r\n"));
    assertThat(found).extracting(Found::summary).containsExactly("three", "one", "two");
    assertThat(found).extracting(Found::done).containsExactly(true, true, false);
    assertThat(found.get(1).key()).isEqualTo("a");
    assertThat(found.get(1).ours()).isTrue();
    assertThat(found.get(2).at()).isEmpty();
  }

  @DataProvider
  Object[][] broken() {
    String many = event("DTSTART:20270402T143000Z\r\nSUMMARY:x\r\n").repeat(2001);
    return new Object[][] {
      {"", "BEGIN:VCALENDAR"},
      {"{\"a\":1}", "BEGIN:VCALENDAR"},
      {"BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n", "no event"},
      {
        "BEGIN:VCALENDAR\r\n" + event("SUMMARY:where\r\n") + "END:VCALENDAR",
        "\"where\" has no DTSTART"
      },
      {
        "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:20270402T143000Z\r\nUID: \r\nEND:VEVENT\r\nEND:VCALENDAR",
        "no UID"
      },
      {"BEGIN:VCALENDAR\r\n" + many + "END:VCALENDAR", "more than 2000"}
    };
  }

  @Test(dataProvider = "broken")
  public void brokenCalendarsAreRefusedWithAReason(String text, String why) {
    assertThatThrownBy(() -> CalendarFile.read(text.getBytes(StandardCharsets.UTF_8), NOW, BERLIN))
        .isInstanceOf(BadFileException.class)
        .hasMessageContaining(why);
  }

  @Test
  public void whatIsNoTextOrTooLargeIsRefused() throws IOException {
    assertThatThrownBy(
            () -> CalendarFile.read(new byte[] {'B', (byte) 0xff, (byte) 0xfe}, NOW, BERLIN))
        .isInstanceOf(BadFileException.class)
        .hasMessageContaining("UTF-8");
    Path file = Files.createTempFile("hearth", ".ics");
    Files.write(file, new byte[5_000_001]);
    assertThatThrownBy(() -> CalendarFile.read(file, NOW, BERLIN))
        .isInstanceOf(BadFileException.class)
        .hasMessageContaining("5 MB");
    Files.delete(file);
  }

  /**
   * A thousand calendars with bytes changed, cut off or doubled: read, or refused with a sentence;
   * never anything else.
   */
  @Test
  public void damagedCalendarsNeverDoAnythingElse() {
    byte[] whole =
        CalendarFile.text(
                List.of(entry("a.b", NOW, false, "Ω"), entry("a.c", NOW, true, "two")), NOW)
            .getBytes(StandardCharsets.UTF_8);
    Random r = new Random(20);
    int refused = 0;
    for (int k = 0; k < 1000; k++) {
      byte[] bad =
          java.util.Arrays.copyOf(
              whole, r.nextInt(4) == 0 ? r.nextInt(whole.length) : whole.length);
      for (int n = 0; n < 1 + r.nextInt(6) && bad.length > 0; n++) {
        bad[r.nextInt(bad.length)] =
            (byte) (r.nextBoolean() ? r.nextInt(128) : ":;=TZ,\r\n".charAt(r.nextInt(8)));
      }
      try {
        assertThat(CalendarFile.read(bad, NOW, BERLIN)).isNotEmpty();
      } catch (BadFileException e) {
        assertThat(e.getMessage()).isNotBlank().doesNotContain("null");
        refused++;
      }
    }
    assertThat(refused).isBetween(100, 900);
  }
}
