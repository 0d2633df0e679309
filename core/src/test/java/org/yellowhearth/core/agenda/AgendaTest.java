package org.yellowhearth.core.agenda;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.agenda.Agenda.Bucket;
import org.yellowhearth.core.agenda.ClockWatch.Jump;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;

/**
 * The agenda across midnight, changes of daylight saving, sleep and moved clocks. Clocks in Germany
 * went from 2:00 to 3:00 on 28 March 2027 and back from 3:00 to 2:00 on 31 October 2027 (Directive
 * 2000/84/EC: last Sundays of March and October at 1:00 UTC); in New York from 2:00 to 3:00 on 14
 * March 2027 (US Energy Policy Act of 2005: second Sunday of March).
 */
public class AgendaTest {
  private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
  private static final ZoneId NEW_YORK = ZoneId.of("America/New_York");

  private static ZonedDateTime at(String local) {
    return LocalDateTime.parse(local).atZone(BERLIN);
  }

  private static Due due(String key, String local, boolean day) {
    return new Due(
        key,
        DueSource.TASK,
        Message.of(AgendaWords.OWN, key),
        Optional.of(at(local).toInstant()),
        day,
        Duration.ofMinutes(15),
        Optional.empty(),
        Optional.empty(),
        false,
        false);
  }

  private static Agenda agenda(ZonedDateTime now, Due... dues) {
    return Agenda.of(
        List.of(new Agenda.OfSet("j", "Brindlecote 51", now.toInstant(), List.of(dues))), now);
  }

  private static Bucket bucket(ZonedDateTime now, Due due) {
    return agenda(now, due).lines().getFirst().bucket();
  }

  @DataProvider
  Object[][] moments() {
    return new Object[][] {
      {"2027-05-03T23:59:00", "2027-05-04T00:00:00", false, Bucket.TOMORROW},
      {"2027-05-04T00:00:00", "2027-05-04T00:00:00", false, Bucket.OVERDUE},
      {"2027-05-04T00:00:00", "2027-05-04T00:01:00", false, Bucket.TODAY},
      {"2027-05-04T00:00:00", "2027-05-04T00:00:00", true, Bucket.TODAY},
      {"2027-05-04T23:59:59", "2027-05-04T00:00:00", true, Bucket.TODAY},
      {"2027-05-05T00:00:00", "2027-05-04T00:00:00", true, Bucket.OVERDUE},
      {"2027-05-03T12:00:00", "2027-05-09T23:59:00", false, Bucket.WEEK},
      {"2027-05-03T12:00:00", "2027-05-10T00:00:00", false, Bucket.LATER},
      // The day on which the clocks go forward has 23 hours, the other 25: days are days all the
      // same.
      {"2027-03-27T23:30:00", "2027-03-28T23:30:00", false, Bucket.TOMORROW},
      {"2027-03-28T00:30:00", "2027-03-28T23:59:00", false, Bucket.TODAY},
      {"2027-10-30T23:30:00", "2027-10-31T23:45:00", false, Bucket.TOMORROW},
      {"2027-10-31T00:00:00", "2027-10-31T23:59:00", false, Bucket.TODAY},
      {"2026-12-31T23:00:00", "2027-01-01T00:00:00", true, Bucket.TOMORROW}
    };
  }

  @Test(dataProvider = "moments")
  public void whatIsDueStandsUnderItsDay(String now, String when, boolean day, Bucket expected) {
    assertThat(bucket(at(now), due("a", when, day))).isEqualTo(expected);
  }

  /**
   * Twice a year a night has an hour more or less; what was put off to the same time tomorrow keeps
   * to the clock on the wall.
   */
  @DataProvider
  Object[][] puttingOff() {
    return new Object[][] {
      {Later.TOMORROW, "2027-03-27T09:00:00", "2027-03-28T09:00:00", 23},
      {Later.TOMORROW, "2027-10-30T09:00:00", "2027-10-31T09:00:00", 25},
      {Later.TOMORROW, "2027-03-27T02:30:00", "2027-03-28T03:30:00", 24},
      {Later.HOUR, "2027-03-28T01:30:00", "2027-03-28T03:30:00", 1},
      {Later.NEXT_WEEK, "2027-03-24T18:00:00", "2027-03-31T18:00:00", 7 * 24 - 1},
      // Somebody is at the bench on weekday evenings from six and on Saturdays from nine.
      {Later.NEXT_TIME, "2027-05-03T12:00:00", "2027-05-03T18:00:00", 6},
      {Later.NEXT_TIME, "2027-05-03T17:30:00", "2027-05-04T18:00:00", 24.5},
      {Later.NEXT_TIME, "2027-05-07T22:00:00", "2027-05-08T09:00:00", 11},
      {Later.NEXT_TIME, "2027-03-27T18:00:00", "2027-03-29T18:00:00", 47}
    };
  }

  @Test(dataProvider = "puttingOff")
  public void puttingOffKeepsToTheClockOnTheWall(
      Later later, String now, String until, double hours) {
    Instant made = later.from(at(now), BenchHours.BLANK);
    assertThat(made.atZone(BERLIN).toLocalDateTime()).isEqualTo(LocalDateTime.parse(until));
    assertThat(Duration.between(at(now).toInstant(), made).toMinutes())
        .isEqualTo(Math.round(60 * hours));
  }

  /** It is Wednesday, 17 November 2027, 15:20. */
  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"16:00", "2027-11-17T16:00", false},
      {"14.30", "2027-11-18T14:30", false},
      {"today", "2027-11-17T00:00", true},
      {"Tomorrow 9", "2027-11-18T09:00", false},
      {"tomorrow at 9:05", "2027-11-18T09:05", false},
      {"wed", "2027-11-24T00:00", true},
      {"wed 16:00", "2027-11-17T16:00", false},
      {"wednesday 15:00", "2027-11-24T15:00", false},
      {"on fri 9h", "2027-11-19T09:00", false},
      {"3 Dec", "2027-12-03T00:00", true},
      {"3 dec 14:00", "2027-12-03T14:00", false},
      {"16 Nov", "2028-11-16T00:00", true},
      {"29 February", "2028-02-29T00:00", true},
      {"3. December 2029", "2029-12-03T00:00", true},
      {"2027-12-24 18:00", "2027-12-24T18:00", false},
      {"in 2 h", "2027-11-17T17:20", false},
      {"in 45 min", "2027-11-17T16:05", false},
      {"in 3 days", "2027-11-20T00:00", true},
      {"in 2 weeks", "2027-12-01T00:00", true}
    };
  }

  @Test(dataProvider = "typed")
  public void timesAreUnderstoodAsTyped(String text, String at, boolean day) {
    assertThat(WhenText.parse(text, at("2027-11-17T15:20:40")))
        .isEqualTo(new WhenText(LocalDateTime.parse(at), day, false));
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {""},
      {"soon"},
      {"25:00"},
      {"31 Feb"},
      {"30 2 2027"},
      {"2027-13-01"},
      {"2027-02-29"},
      {"fr"},
      {"tomorrow 24:01"},
      {"9"},
      {"in two hours"},
      {"12 Nov 99999"},
      {"in 99999 h"}
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedWithWhatWasTyped(String text) {
    assertThatThrownBy(() -> WhenText.parse(text, at("2027-11-17T15:20:00")))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("\"" + text + "\"");
  }

  /** Half past two does not exist in that night; it is said, and counts as half past three. */
  @Test
  public void aTimeThatTheClocksLeapOverIsSaid() {
    WhenText w = WhenText.parse("28 Mar 2:30", at("2027-03-01T12:00:00"));
    assertThat(w.skipped()).isTrue();
    OwnTask t = new OwnTask("t", OwnTask.TaskKind.CALL, "call", Optional.of(w.at()), false, false);
    assertThat(t.moment(BERLIN)).contains(Instant.parse("2027-03-28T01:30:00Z"));
    assertThat(WhenText.parse("28 Mar 3:30", at("2027-03-01T12:00:00")).skipped()).isFalse();
    ZonedDateTime there = LocalDateTime.parse("2027-03-01T12:00:00").atZone(NEW_YORK);
    assertThat(WhenText.parse("14 Mar 2:30", there).skipped()).isTrue();
    assertThat(WhenText.parse("28 Mar 2:30", there).skipped()).isFalse();
  }

  @Test
  public void theSoonestStandsFirstWhateverTheOrderBefore() {
    ZonedDateTime now = at("2027-05-04T12:00:00");
    List<Due> dues = new ArrayList<>();
    for (int k = 0; k < 60; k++) {
      dues.add(
          due(
              "d" + k,
              now.minusHours(50).plusHours(7L * k).toLocalDateTime().toString(),
              k % 9 == 0));
    }
    List<String> first =
        agenda(now, dues.toArray(Due[]::new)).lines().stream().map(Agenda.Line::key).toList();
    Collections.shuffle(dues, new Random(4));
    Agenda again = agenda(now, dues.toArray(Due[]::new));
    assertThat(again.lines()).extracting(Agenda.Line::key).isEqualTo(first);
    assertThat(again.lines()).extracting(Agenda.Line::bucket).isSorted();
    assertThat(again.behind()).isEmpty();
  }

  /**
   * Twelve readings of one day are one row; those of another set, and of the next day, have their
   * own.
   */
  @Test
  public void theReadingsOfOneBurnInStandTogether() {
    ZonedDateTime now = at("2027-05-04T12:00:00");
    List<Due> dues = new ArrayList<>();
    for (int k = 1; k <= 24; k++) {
      dues.add(
          Due.of(
              "burn-" + k,
              DueSource.BURN_IN,
              Message.of(AgendaWords.BURN_LAST),
              Optional.of(now.plusHours(k).toInstant()),
              Duration.ofMinutes(10),
              Optional.empty()));
      dues.add(
          Due.of(
              "reform-" + k,
              DueSource.REFORM,
              Message.of(AgendaWords.BURN_LAST),
              Optional.of(now.plusHours(k).toInstant()),
              Duration.ofMinutes(10),
              Optional.of(PartRef.of(k % 2 == 0 ? "C1" : "C2"))));
    }
    Agenda agenda =
        Agenda.of(
            List.of(
                new Agenda.OfSet("a", "A", now.toInstant(), dues),
                new Agenda.OfSet("b", "B", now.toInstant(), dues)),
            now);
    assertThat(agenda.lines()).hasSize(96);
    assertThat(agenda.rows()).hasSize(2 * 2 * 3);
    assertThat(agenda.rows().getFirst().then()).hasSize(10);
    assertThat(agenda.pressing()).isEqualTo(6);
    assertThat(agenda.overdue()).isZero();
  }

  /**
   * A clock that stands before what is written in the journals cannot be trusted, and says so;
   * minutes are forgiven.
   */
  @Test
  public void aClockBehindTheJournalsIsSeen() {
    ZonedDateTime now = at("2027-05-04T12:00:00");
    assertThat(
            Agenda.of(
                    List.of(new Agenda.OfSet("j", "A", now.plusMinutes(4).toInstant(), List.of())),
                    now)
                .behind())
        .isEmpty();
    Instant newest = now.plusDays(2).toInstant();
    assertThat(
            Agenda.of(
                    List.of(
                        new Agenda.OfSet("i", "B", now.toInstant(), List.of()),
                        new Agenda.OfSet("j", "A", newest, List.of())),
                    now)
                .behind())
        .contains(newest);
  }

  /**
   * Reminded of once; again where it was put off; all at once after a night's sleep; nothing again
   * where the clock is set back.
   */
  @Test
  public void everythingIsRemindedOfOnce() {
    Reminders r = new Reminders();
    Due one = due("one", "2027-05-04T10:00:00", false);
    Due two = due("two", "2027-05-05T03:00:00", false);
    Due day = due("day", "2027-05-05T00:00:00", true);
    ZonedDateTime evening = at("2027-05-04T22:00:00");
    assertThat(keys(r.take(agenda(evening, one, two, day), evening))).containsExactly("one");
    assertThat(r.take(agenda(evening, one, two, day), evening)).isEmpty();
    ZonedDateTime dawn = at("2027-05-05T07:59:00");
    assertThat(keys(r.take(agenda(dawn, one, two, day), dawn))).containsExactly("two");
    ZonedDateTime morning = at("2027-05-05T08:00:00");
    assertThat(keys(r.take(agenda(morning, one, two, day), morning))).containsExactly("day");
    ZonedDateTime setBack = at("2027-05-04T09:00:00");
    assertThat(r.take(agenda(setBack, one, two, day), setBack)).isEmpty();
    assertThat(r.take(agenda(morning, one, two, day), morning)).isEmpty();
    Due putOff = one.marked(Optional.of(at("2027-05-05T09:00:00").toInstant()), false);
    assertThat(r.take(agenda(morning, putOff), morning)).isEmpty();
    ZonedDateTime nine = at("2027-05-05T09:00:00");
    assertThat(keys(r.take(agenda(nine, putOff), nine))).containsExactly("one");
    assertThat(
            r.take(
                agenda(
                    nine, due("new", "2027-05-05T08:30:00", false).marked(Optional.empty(), true)),
                nine))
        .isEmpty();
  }

  private static List<String> keys(List<Agenda.Line> lines) {
    return lines.stream().map(l -> l.due().key()).toList();
  }

  @Test
  public void aSleepAndASetClockAreTold() {
    Instant t = Instant.parse("2027-05-04T10:00:00Z");
    ClockWatch w = new ClockWatch(t, Long.MAX_VALUE - 5);
    long second = 1_000_000_000L;
    // The running clock of Java may pass its greatest number.
    assertThat(w.since(t.plusSeconds(1), Long.MAX_VALUE - 5 + second).jump()).isEqualTo(Jump.NONE);
    ClockWatch.Seen slept = w.since(t.plusSeconds(8 * 3600), Long.MAX_VALUE - 5 + second);
    assertThat(slept.jump()).isEqualTo(Jump.AHEAD);
    assertThat(slept.by()).isEqualTo(Duration.ofSeconds(8 * 3600 - 1));
    ClockWatch.Seen back = w.since(t.minusSeconds(3600), Long.MAX_VALUE - 5 + second);
    assertThat(back.jump()).isEqualTo(Jump.BACK);
    assertThat(back.by()).isEqualTo(Duration.ofSeconds(3601));
    // The change to summer time moves no instant.
    Instant night = at("2027-03-28T01:59:59").toInstant();
    assertThat(
            new ClockWatch(night, 0)
                .since(at("2027-03-28T03:00:01").toInstant(), 2 * second)
                .jump())
        .isEqualTo(Jump.NONE);
  }
}
