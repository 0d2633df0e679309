package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Schedule.Deed;
import org.yellowhearth.core.reform.Schedule.Work;

/** Lanes packed into the hours of a bench. */
public class ScheduleTest {
  private static final double HOUR = 3600;
  private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
  private static final Duration REST = Duration.ofHours(24);

  /** A Monday. */
  private static final ZonedDateTime MONDAY = ZonedDateTime.of(2026, 11, 2, 8, 0, 0, 0, ZONE);

  private static Work work(int number, double... hours) {
    return new Work(
        PartRef.of("C" + number),
        Arrays.stream(hours).map(h -> h * HOUR).boxed().toList(),
        0,
        5e-3,
        false,
        false);
  }

  private static Schedule made(List<Work> works, BenchHours bench, ZonedDateTime now) {
    return Schedule.of(works, bench, now, REST);
  }

  private static double hoursFrom(ZonedDateTime start, Schedule s) {
    return Duration.between(start.toInstant(), s.end().orElseThrow()).toMillis() / 3.6e6;
  }

  private static List<Work> works(double... hours) {
    List<Work> all = new ArrayList<>();
    for (double h : hours) {
      all.add(work(all.size() + 1, h));
    }
    return all;
  }

  /**
   * Graham's example of 1969 (from memory): 5, 5, 4, 4, 3, 3, 3 on three machines; longest first
   * takes 11, nine is the best.
   */
  @Test
  public void theBestOrderIsFoundWhereTheUsualRuleMissesIt() {
    Schedule s = made(works(5, 5, 4, 4, 3, 3, 3), new BenchHours("daily 0-24", 3, 1), MONDAY);
    assertThat(hoursFrom(MONDAY, s)).isEqualTo(9);
  }

  @Test
  public void itIsAsGoodAsTryingEveryAssignment() {
    Random r = new Random(3);
    for (int k = 0; k < 60; k++) {
      int machines = 1 + r.nextInt(3);
      double[] hours = r.doubles(2 + r.nextInt(5), 0.5, 6).toArray();
      Schedule s = made(works(hours), new BenchHours("daily 0-24", machines, 1), MONDAY);
      assertThat(hoursFrom(MONDAY, s))
          .isCloseTo(
              best(hours, 0, new double[machines]), org.assertj.core.data.Offset.offset(1e-4));
      assertSound(s, machines);
    }
  }

  private static double best(double[] hours, int from, double[] loads) {
    if (from == hours.length) {
      return Arrays.stream(loads).max().orElseThrow();
    }
    double best = Double.POSITIVE_INFINITY;
    for (int m = 0; m < loads.length; m++) {
      loads[m] += hours[from];
      best = Math.min(best, best(hours, from + 1, loads));
      loads[m] -= hours[from];
    }
    return best;
  }

  private static void assertSound(Schedule s, int channels) {
    for (Schedule.Sitting a : s.sittings()) {
      assertThat(a.channel()).isBetween(1, channels);
      assertThat(a.from()).isBefore(a.to());
      assertThat(
              s.sittings().stream()
                  .filter(b ->
                      b.channel() == a.channel()
                          && b.from().isBefore(a.to())
                          && a.from().isBefore(b.to())))
          .hasSize(1);
    }
  }

  @Test
  public void theEveningEndsWithTheOutputOffAndTheNextGoesOn() {
    BenchHours evenings = new BenchHours("Mon-Fri 18:00-21:00", 1, 1);
    Schedule s = made(List.of(work(1, 2, 3)), evenings, MONDAY);
    assertThat(
            s.dues().stream()
                .map(d ->
                    d.at().atZone(ZONE).getDayOfWeek()
                        + " "
                        + d.at().atZone(ZONE).toLocalTime()
                        + " "
                        + d.deed().code()
                        + " "
                        + (d.step() + 1)))
        .containsExactly(
            "MONDAY 18:00 begin 1",
            "MONDAY 20:00 next-step 2",
            "MONDAY 21:00 switch-off 2",
            "TUESDAY 18:00 go-on 2",
            "TUESDAY 20:10 discharge 2",
            "WEDNESDAY 20:10 measure 2");
  }

  /** What lies half formed goes on before anything new is begun. */
  @Test
  public void whatWasBegunGoesFirst() {
    Random r = new Random(17);
    for (int k = 0; k < 40; k++) {
      Schedule s =
          made(works(r.doubles(4, 1, 6).toArray()), new BenchHours("daily 18-22", 1, 1), MONDAY);
      boolean lying = false;
      for (Schedule.Due d : s.dues()) {
        assertThat(lying && d.deed() == Deed.BEGIN).isFalse();
        lying = d.deed() == Deed.SWITCH_OFF || (lying && d.deed() != Deed.GO_ON);
      }
    }
  }

  /**
   * A plan that may be left alone runs through the night; somebody comes in the morning to switch
   * it off.
   */
  @Test
  public void overnightRunsThroughTheNight() {
    Work night = new Work(PartRef.of("C1"), List.of(8 * HOUR), 0, 5e-3, false, true);
    Schedule s = made(List.of(night), new BenchHours("Mon-Fri 9-17", 1, 1), MONDAY.withHour(15));
    assertThat(s.sittings()).hasSize(1);
    assertThat(s.sittings().getFirst().to()).isEqualTo(MONDAY.plusDays(1).withHour(9).toInstant());
  }

  @Test
  public void theSupplyIsNotAskedForMoreThanItGives() {
    BenchHours bench = new BenchHours("daily 0-24", 4, 0.012);
    Schedule s = made(works(2, 2, 2, 2), bench, MONDAY);
    assertThat(hoursFrom(MONDAY, s)).isEqualTo(4);
    for (Schedule.Sitting a : s.sittings()) {
      assertThat(
              s.sittings().stream()
                      .filter(b -> !b.from().isAfter(a.from()) && b.to().isAfter(a.from()))
                      .count()
                  * 5e-3)
          .isLessThanOrEqualTo(0.012);
    }
  }

  @Test
  public void whatTakesLongerMovesWhatFollows() {
    BenchHours bench = new BenchHours("daily 8-20", 1, 1);
    Work running = new Work(PartRef.of("C1"), List.of(HOUR), 2, 5e-3, true, false);
    Work late = new Work(PartRef.of("C1"), List.of(3 * HOUR), 2, 5e-3, true, false);
    Instant before = made(List.of(running, work(2, 2)), bench, MONDAY).end().orElseThrow();
    Instant after = made(List.of(late, work(2, 2)), bench, MONDAY).end().orElseThrow();
    assertThat(Duration.between(before, after)).isEqualTo(Duration.ofHours(2));
    // What is on goes on, even outside the hours, and is not begun again.
    Schedule night = made(List.of(running), bench, MONDAY.withHour(22));
    assertThat(night.sittings().getFirst().from()).isEqualTo(MONDAY.withHour(22).toInstant());
    assertThat(night.dues().getFirst().deed()).isEqualTo(Deed.DISCHARGE);
  }

  /** 25 October 2026: the clocks go back at three; two to four o'clock last three hours. */
  @Test
  public void theNightTheClocksGoBackIsAnHourLonger() {
    ZonedDateTime saturday = ZonedDateTime.of(2026, 10, 24, 12, 0, 0, 0, ZONE);
    Schedule s = made(List.of(work(1, 3)), new BenchHours("Sun 2-4", 1, 1), saturday);
    assertThat(s.sittings()).hasSize(1);
    assertThat(s.end()).hasValue(ZonedDateTime.of(2026, 10, 25, 4, 0, 0, 0, ZONE).toInstant());
  }

  @Test
  public void manyLanesAreWithinTheBoundOfListScheduling() {
    double[] hours = new Random(9).doubles(40, 0.5, 5).toArray();
    Schedule s = made(works(hours), new BenchHours("daily 0-24", 4, 1), MONDAY);
    double least =
        Math.max(Arrays.stream(hours).sum() / 4, Arrays.stream(hours).max().orElseThrow());
    // Longest first is never worse than 4/3 − 1/(3m) of the best (Graham 1969, from memory).
    assertThat(hoursFrom(MONDAY, s)).isBetween(least, least * (4.0 / 3 - 1.0 / 12));
    assertSound(s, 4);
    assertThat(made(works(2000), new BenchHours("Mon 9-10", 1, 1), MONDAY).unplaced())
        .containsExactly(PartRef.of("C1"));
  }

  @DataProvider
  Object[][] hours() {
    return new Object[][] {
      {"Mon-Fri 18:00-21:30, Sat 9-17", 5 * 210 + 480},
      {"daily 8-20", 7 * 720},
      {"Sat-Mon 10-11", 180},
      {"Fri 20-24, Sat 0-2", 360}
    };
  }

  @Test(dataProvider = "hours")
  public void hoursAreReadAsTheyAreWritten(String text, int minutes) {
    assertThat(new BenchHours(text, 1, 1).minutes()).isEqualTo(minutes);
    assertThat(new BenchHours("Sat-Mon 10-11", 1, 1).spans())
        .extracting(BenchHours.Span::day)
        .containsExactly(DayOfWeek.MONDAY, DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"", "expected days"},
      {"Mon", "expected days"},
      {"Mon 21-18", "ends before"},
      {"Mon 9-25", "24:00"},
      {"Mon 9:75-10", "24:00"},
      {"Mun 9-10", "Mon, Tue"},
      {"Mon 9-12, Mon-Tue 11-13", "overlap"}
    };
  }

  @Test(dataProvider = "nonsense")
  public void hoursThatAreNoneAreRefused(String text, String why) {
    assertThatThrownBy(() -> new BenchHours(text, 1, 1)).hasMessageContaining(why);
  }
}
