package org.yellowhearth.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.groups.Tuple.tuple;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;
import static org.yellowhearth.core.Sets.part;

import java.time.LocalDate;
import java.time.Month;
import java.util.OptionalInt;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.DateCode.Settled;
import org.yellowhearth.core.part.Role;

/**
 * Four digits year and week, after a maker number; one-digit years settled by the set (common
 * practice).
 */
public class DateCodeTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

  private static DateCode.Dating read(String code, int made) {
    return DateCode.read(
            code,
            made == 0 ? OptionalInt.empty() : OptionalInt.of(made),
            OptionalInt.empty(),
            TODAY)
        .orElseThrow();
  }

  @DataProvider
  public Object[][] codes() {
    return new Object[][] {
      {"6412", 1965, 1964, 12, Settled.PLAIN},
      {"6412", 0, 1964, 12, Settled.PLAIN},
      {"235-6412", 1965, 1964, 12, Settled.PLAIN},
      {"2356412", 1965, 1964, 12, Settled.PLAIN},
      {"412", 1964, 1964, 12, Settled.BY_SET},
      {"412", 1955, 1954, 12, Settled.BY_SET},
      {"235-412", 1974, 1974, 12, Settled.BY_SET},
      {"1264", 1964, 1964, 12, Settled.PLAIN},
      {"5248", 1962, 1952, 48, Settled.BY_SET},
      {"5048", 1950, 1950, 48, Settled.OPEN},
      // A part put in two years ago; in a set of the twenties the old one may be meant.
      {"2412", 0, 2024, 12, Settled.OPEN},
      {"2412", 1951, 2024, 12, Settled.OPEN},
      {"2412", 1924, 1924, 12, Settled.BY_SET}
    };
  }

  @Test(dataProvider = "codes")
  public void codesAreRead(String code, int made, int year, int week, Settled settled) {
    DateCode.Dating dating = read(code, made);
    assertThat(dating.best().year()).isEqualTo(year);
    assertThat(dating.best().week()).hasValue(week);
    assertThat(dating.settled()).isEqualTo(settled);
  }

  @Test
  public void aMonthAndAYearAreRead() {
    assertThat(read("5-51", 1951).best().month()).contains(Month.MAY);
    assertThat(read("11/1950", 1951).best().year()).isEqualTo(1950);
    assertThat(read("44-63", 0).best().week()).as("no forty-fourth month").hasValue(44);
    assertThat(read("6-24", 1951).best().year())
        .as("a repair, and not older than the set by a generation")
        .isEqualTo(2024);
    assertThat(read("1951", 1951).best().year()).isEqualTo(1951);
  }

  @Test
  public void whatIsNoDateIsRefusedAndTheFutureIsNone() {
    for (String no : new String[] {"", "64", "abc", "64123456", "0-64", "6499"}) {
      assertThat(DateCode.read(no, OptionalInt.empty(), OptionalInt.empty(), TODAY))
          .as(no)
          .isEmpty();
    }
    assertThat(
            DateCode.read("2652", OptionalInt.empty(), OptionalInt.empty(), TODAY)
                .orElseThrow()
                .meanings())
        .allMatch(d -> d.year() < 2026 || d.week().orElse(0) < 48);
  }

  @Test
  public void mixedDatesAreFlaggedAsEarlierRepairs() {
    Job job =
        at(
            arrived(p -> p.made = OptionalInt.of(1951)),
            0,
            new Edit.PartAdded(part("C1", 1e-6, Role.COUPLING, "5-51")),
            new Edit.PartAdded(part("C2", 1e-6, Role.COUPLING, "5838")),
            new Edit.PartAdded(part("C3", 1e-6, Role.COUPLING, "6-44")),
            new Edit.PartAdded(part("C4", 1e-6, Role.COUPLING, "")));
    assertThat(Ages.of(job, TODAY))
        .extracting(d -> d.part().ref().toString(), Ages.Dated::standing, Ages.Dated::years)
        .containsExactly(
            tuple("C1", Ages.Standing.ORIGINAL, 75),
            tuple("C2", Ages.Standing.LATER, 68),
            tuple("C3", Ages.Standing.EARLIER, 82));
  }
}
