package org.yellowhearth.core.finaltest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.AccuracyTest.AccuracyPoint;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnIn.BurnChannel;
import org.yellowhearth.core.fact.BurnIn.BurnEnd;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.BurnReading.BurnShown;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.LoadTest.Loaded;
import org.yellowhearth.core.finaltest.Accuracy.AccuracyVerdict;
import org.yellowhearth.core.finaltest.BurnWatch.BurnCounsel;
import org.yellowhearth.core.finaltest.Drift.DriftVerdict;

/** The sums of Prove against closed forms, tables, simulation and moved clocks. */
public class FinalTestSumsTest {
  private static final OptionalDouble NONE = OptionalDouble.empty();

  private static final Instant START = Instant.parse("2026-03-28T20:00:00Z");

  private static Loaded load(double amperes, double volts) {
    return new Loaded(amperes, volts, OptionalDouble.empty());
  }

  /**
   * V = V0 − R·I goes through its own points; a reading at another line is brought over in
   * proportion; one load tells nothing.
   */
  @Test
  public void loadsTellOutputResistanceAndRegulation() {
    LoadLine two = LoadLine.of(List.of(load(0.1, 300), load(0.3, 290)), 230);
    assertThat(two.ohms()).isCloseTo(50, within(1e-9));
    assertThat(two.openVolts()).isCloseTo(305, within(1e-9));
    assertThat(two.regulation()).isCloseTo(10 / 290.0, within(1e-9));
    assertThat(two.ohmsUncertainty()).isEmpty();
    LoadLine line =
        LoadLine.of(
            List.of(new Loaded(0.1, 300 * 0.95, OptionalDouble.of(0.95 * 230)), load(0.3, 290)),
            230);
    assertThat(line.ohms()).isCloseTo(50, within(1e-9));
    LoadLine negative = LoadLine.of(List.of(load(0.001, -60), load(0.003, -58)), 230);
    assertThat(negative.ohms()).as("its magnitude falls").isCloseTo(1000, within(1e-6));
    assertThat(negative.at(0.002)).isCloseTo(-59, within(1e-9));
    // Four points of 10 − 0.5·I, off by +d, −d, −d, +d: the slope stays, s² = 4d²/2, Σ(I − 2.5)² =
    // 5.
    LoadLine four =
        LoadLine.of(List.of(load(1, 9.6), load(2, 8.9), load(3, 8.4), load(4, 8.1)), 230);
    assertThat(four.ohms()).isCloseTo(0.5, within(1e-9));
    assertThat(four.ohmsUncertainty().orElseThrow())
        .isCloseTo(Math.sqrt(2 * 0.01 / 5), within(1e-9));
    assertThatThrownBy(() -> LoadLine.of(List.of(load(0, 300)), 230))
        .hasMessageContaining("two different loads");
    assertThatThrownBy(() -> LoadLine.of(List.of(load(0.2, 300), load(0.2, 301)), 230))
        .hasMessageContaining("two different");
    // Common practice: a regulated supply with no measurable sag from empty to a 21 W lamp's load
    // is good.
    assertThat(LoadLine.of(List.of(load(0, 13.7), load(1.6, 13.7)), 230).regulation()).isZero();
    assertThatThrownBy(() -> new LoadTest("l", "no such word!", List.of()))
        .hasMessageContaining("point of the supply");
  }

  /** Set to 13.8 V, 13.7 V at 2 A, 0.1 V allowed: an edge is not decided by the last digit. */
  @Test
  public void whatIsPromisedOfARailIsHeldAgainstItsFall() {
    assertThat(LoadLine.held(promised(0.1, NONE))).contains(LoadLine.Held.WITHIN);
    assertThat(LoadLine.held(promised(0.09, NONE))).contains(LoadLine.Held.BEYOND);
    assertThat(LoadLine.held(promised(1, OptionalDouble.of(0.01)))).contains(LoadLine.Held.WITHIN);
    assertThat(LoadLine.held(promised(1, OptionalDouble.of(0.005)))).contains(LoadLine.Held.BEYOND);
    assertThat(LoadLine.held(new LoadTest("l", "HT", List.of(load(0, 9), load(1, 8))))).isEmpty();
    assertThat(
            LoadLine.held(new LoadTest("l", "HT", List.of(load(0, 9)), OptionalDouble.of(1), NONE)))
        .as("without a load nothing is known")
        .isEmpty();
  }

  private static LoadTest promised(double volts, OptionalDouble share) {
    return new LoadTest(
        "l", "out", List.of(load(2, 13.7), load(0, 13.8)), OptionalDouble.of(volts), share);
  }

  /** A counter 3 mHz out at 10 MHz within 5 mHz; an attenuator of 30.06 dB within 0.05 dB. */
  @Test
  public void limitsMayStandInTheUnitItself() {
    assertThat(absolute("Hz", 0.005, 10e6, 10_000_000.003).verdict())
        .isEqualTo(AccuracyVerdict.WITHIN);
    assertThat(absolute("Hz", 0.002, 10e6, 10_000_000.003).verdict())
        .isEqualTo(AccuracyVerdict.BEYOND);
    assertThat(absolute("dB", 0.05, 30, 30.06).verdict()).isEqualTo(AccuracyVerdict.BEYOND);
    assertThat(absolute("dBm", 0.1, -69, -69.1).verdict()).isEqualTo(AccuracyVerdict.WITHIN);
  }

  private static Accuracy absolute(String unit, double limit, double applied, double shown) {
    return Accuracy.of(
        new AccuracyTest(
            "a",
            "x",
            unit,
            NONE,
            0,
            0,
            OptionalDouble.of(limit),
            "standard",
            0,
            true,
            true,
            List.of(new AccuracyPoint(applied, shown))));
  }

  private static AccuracyTest range(
      double ofReading, double ofFullScale, double reference, AccuracyPoint... points) {
    return new AccuracyTest(
        "a",
        "10 V",
        "V",
        OptionalDouble.of(10),
        ofReading,
        ofFullScale,
        "standard",
        reference,
        true,
        true,
        List.of(points));
  }

  /**
   * Errors in both ways of telling them, the reference between right and wrong (guard bands of ISO
   * 14253-1, from memory).
   */
  @Test
  public void pointsAreHeldAgainstLimitsAndReference() {
    Accuracy a =
        Accuracy.of(
            range(
                0.02,
                0.01,
                0.005,
                new AccuracyPoint(5, 5.1),
                new AccuracyPoint(5, 5.19),
                new AccuracyPoint(5, 4.7),
                new AccuracyPoint(0, 0.05)));
    assertThat(a.lines())
        .extracting(Accuracy.Line::verdict)
        .containsExactly(
            AccuracyVerdict.WITHIN,
            AccuracyVerdict.UNDECIDED,
            AccuracyVerdict.BEYOND,
            AccuracyVerdict.WITHIN);
    Accuracy.Line first = a.lines().getFirst();
    assertThat(first.limit()).isCloseTo(0.2, within(1e-12));
    assertThat(first.ofReading().orElseThrow()).isCloseTo(0.02, within(1e-12));
    assertThat(first.ofFullScale().orElseThrow()).isCloseTo(0.01, within(1e-12));
    assertThat(a.lines().getLast().ofReading()).as("of nothing there are no per cent").isEmpty();
    assertThat(a.verdict()).isEqualTo(AccuracyVerdict.BEYOND);
    assertThat(a.residual())
        .isCloseTo(Math.sqrt((0.01 + 0.0361 + 0.09 + 0.0025) / 4), within(1e-12));
    assertThat(Accuracy.of(range(0.02, 0, 0)).verdict())
        .as("nothing was tried")
        .isEqualTo(AccuracyVerdict.UNDECIDED);
    assertThat(Accuracy.of(range(0.02, 0.01, 0.005, new AccuracyPoint(5, 5.22))).verdict())
        .as("beyond the limit, but not beyond what the reference leaves open")
        .isEqualTo(AccuracyVerdict.UNDECIDED);
    // En = |a − b| / √(Ua² + Ub²), ISO/IEC 17043, from memory.
    assertThat(Accuracy.apart(10.00, 0.03, 10.04, 0.04)).isCloseTo(0.8, within(1e-9));
    assertThat(Accuracy.apart(10.00, 0.03, 10.10, 0.04))
        .as("one is wrong, neither is proven to be")
        .isGreaterThan(1);
    assertThatThrownBy(() -> Accuracy.apart(1, 0, 1, 0)).hasMessageContaining("proves nothing");
    assertThatThrownBy(() ->
            new AccuracyTest(
                "a", "x", "V", OptionalDouble.empty(), 0, 0.02, "", 0, true, true, List.of()))
        .hasMessageContaining("full scale");
    assertThatThrownBy(() -> range(0, 0, 0)).hasMessageContaining("per cent");
  }

  /**
   * Student's factors, 95 % either way: handbook table (Abramowitz and Stegun, table 26.10, from
   * memory).
   */
  @DataProvider
  public Object[][] student() {
    return new Object[][] {
      {1, 12.706},
      {2, 4.303},
      {3, 3.182},
      {4, 2.776},
      {5, 2.571},
      {10, 2.228},
      {20, 2.086},
      {60, 2.000}
    };
  }

  @Test(dataProvider = "student")
  public void studentsFactors(int freedom, double table) {
    assertThat(Drift.student(freedom)).isCloseTo(table, within(2e-2 * (freedom == 3 ? 1 : 0.3)));
  }

  private static List<Drift.At> line(double perHour, double noise, Random random) {
    return BurnWatch.hours(24).stream()
        .map(h ->
            new Drift.At(
                h, 250 + perHour * h + noise * random.nextGaussian() + (h < 1 ? 8 * (1 - h) : 0)))
        .toList();
  }

  @Test
  public void aLineIsFoundAndTheWarmUpLeftOut() {
    Drift d = Drift.of(line(0.5, 0, new Random(1)), 24, 5);
    assertThat(d.perHour()).isCloseTo(0.5, within(1e-9));
    assertThat(d.verdict()).isEqualTo(DriftVerdict.DRIFTS);
    assertThat(Drift.of(line(0.05, 0, new Random(1)), 24, 5).verdict())
        .isEqualTo(DriftVerdict.STEADY);
    assertThat(Drift.of(line(0, 0, new Random(1)).subList(0, 6), 24, 5).verdict())
        .isEqualTo(DriftVerdict.TOO_FEW);
    assertThat(Drift.of(line(0, 9, new Random(1)), 24, 5).verdict())
        .isEqualTo(DriftVerdict.UNDECIDED);
  }

  /**
   * Flat on the whole, but so scattered that it might move by more than its bound: nobody calls
   * that steady.
   */
  @Test
  public void scatterIsNotSteadiness() {
    List<Drift.At> wild = new ArrayList<>();
    for (int h = 1; h <= 8; h++) {
      wild.add(new Drift.At(h, 250 + (h % 4 < 2 ? 2 : -2)));
    }
    Drift d = Drift.of(wild, 24, 5);
    assertThat(Math.abs(d.over())).isLessThan(5);
    assertThat(d.unsure()).isGreaterThan(5);
    assertThat(d.verdict()).isEqualTo(DriftVerdict.UNDECIDED);
  }

  /**
   * A thousand burn-ins of each sort: steady ones called drifting, and ones that move by twice the
   * bound called steady.
   */
  @Test
  public void falseAlarmsAndMissesAreRare() {
    Random random = new Random(29);
    double bound = 5;
    int alarms = 0;
    int misses = 0;
    int passed = 0;
    int caught = 0;
    int n = 1000;
    for (int k = 0; k < n; k++) {
      DriftVerdict steady = Drift.of(line(0, 0.8, random), 24, bound).verdict();
      DriftVerdict moving = Drift.of(line(2 * bound / 24, 0.8, random), 24, bound).verdict();
      alarms += steady == DriftVerdict.DRIFTS ? 1 : 0;
      passed += steady == DriftVerdict.STEADY ? 1 : 0;
      misses += moving == DriftVerdict.STEADY ? 1 : 0;
      caught += moving == DriftVerdict.DRIFTS ? 1 : 0;
    }
    System.out.printf(
        "drift: of %d steady ones %d false alarms and %d passed; of %d drifting ones %d missed and %d caught%n",
        n, alarms, passed, n, misses, caught);
    assertThat(alarms).isLessThanOrEqualTo(5);
    assertThat(misses).isLessThanOrEqualTo(5);
    assertThat(passed).isGreaterThan(950);
    assertThat(caught).isGreaterThan(950);
  }

  private static final BurnIn BURN =
      new BurnIn(
          "b",
          START,
          24,
          List.of(
              new BurnChannel("HT", "V", OptionalDouble.of(250), 8),
              new BurnChannel("transformer", "°C", OptionalDouble.empty(), 6)),
          BurnEnd.UNDECIDED,
          "");

  private static BurnReading read(double hours, double volts, double celsius) {
    return new BurnReading(
        "r" + Math.round(1000 * hours),
        "b",
        START.plusMillis((long) (hours * 3_600_000)),
        List.of(new BurnShown("HT", volts), new BurnShown("transformer", celsius)),
        "");
  }

  private static BurnWatch at(double hours, List<BurnReading> readings) {
    return BurnWatch.of(BURN, readings, START.plusMillis((long) (hours * 3_600_000)));
  }

  /**
   * Dense, then sparse, overnight, the next day; over a night in which the clock of the wall is put
   * forward.
   */
  @Test
  public void aBurnInAsksReadsAndPasses() {
    assertThat(BurnWatch.hours(24))
        .startsWith(5 / 60.0, 10 / 60.0)
        .containsSequence(6.0, 8.0, 16.0, 24.0)
        .isSorted();
    assertThat(at(0.01, List.of()).counsel()).isEqualTo(BurnCounsel.WAIT);
    assertThat(at(0.09, List.of()).counsel()).isEqualTo(BurnCounsel.READ);
    List<BurnReading> all = new ArrayList<>();
    for (double h : BurnWatch.hours(24)) {
      all.add(read(h + 0.01, 250 + Math.sin(40 * h), 45 + (h < 1 ? 20 * h : 20)));
      assertThat(at(h + 0.02, all).counsel())
          .isEqualTo(h < 24 ? BurnCounsel.WAIT : BurnCounsel.PASS);
    }
    BurnWatch done = at(24.1, all);
    assertThat(done.next()).isEmpty();
    assertThat(done.channels())
        .extracting(c -> c.drift().verdict())
        .containsOnly(DriftVerdict.STEADY);
    assertThat(done.due().getFirst().at()).isEqualTo(START.plus(Duration.ofMinutes(5)));
    assertThat(done.due().getLast().at())
        .as("a day is a day, whatever the wall clock does")
        .isEqualTo(START.plus(Duration.ofHours(24)));
    assertThat(BurnWatch.of(BURN.ended(BurnEnd.PASSED, ""), all, START).counsel())
        .isEqualTo(BurnCounsel.ENDED);
  }

  @Test
  public void whatIsMissedIsNotAskedForAgainAndWhatIsBeyondStops() {
    assertThat(at(7, List.of()).next())
        .as("only the newest that is open")
        .contains(START.plus(Duration.ofHours(6)));
    List<BurnReading> all = new ArrayList<>(List.of(read(1.1, 251, 60), read(2.1, 262, 60)));
    assertThat(at(2.2, all).counsel()).as("12 V from 250 V").isEqualTo(BurnCounsel.STOP);
    assertThat(at(2.2, List.of(read(0.2, 262, 60))).counsel())
        .as("it still warms up")
        .isNotEqualTo(BurnCounsel.STOP);
    assertThat(at(3, List.of(read(1.1, 250, 60), read(2.1, 250, 67))).counsel())
        .as("7 K from its first settled reading")
        .isEqualTo(BurnCounsel.STOP);
    List<BurnShown> far = List.of(new BurnShown("HT", 400));
    BurnReading earlier = new BurnReading("e", "b", START.minusSeconds(60), far, "");
    BurnReading others = new BurnReading("x", "another", START.plus(Duration.ofHours(2)), far, "");
    BurnWatch own = at(2.5, List.of(earlier, others, read(2.1, 250, 60)));
    assertThat(own.counsel())
        .as("readings before it, and of another, are none of its own")
        .isNotEqualTo(BurnCounsel.STOP);
    assertThat(own.channels().getFirst().readings()).hasSize(1);
    BurnReading odd = new BurnReading("o", "b", START.plusSeconds(600), List.of(), "a crackle");
    assertThat(at(1, List.of(odd)).odd()).containsExactly(odd);
    assertThat(at(1, List.of(odd)).due().getFirst().over())
        .as("a remark is no reading, but its time has passed")
        .isTrue();
    assertThat(at(0.1, List.of(odd)).due().getFirst().over()).isFalse();
    assertThatThrownBy(() -> new BurnReading("o", "b", START, List.of(), " "))
        .hasMessageContaining("nothing");
    assertThatThrownBy(() -> BURN.ended(BurnEnd.STOPPED, "")).hasMessageContaining("stopped");
  }

  /** Common practice: eight hours of warm-up before a precision meter is calibrated. */
  @Test
  public void calibrationWaitsForWarmthAndForWhatIsOnOrder() {
    CalibrationHold warm =
        new CalibrationHold("h", "warm-up", Optional.of(START), OptionalDouble.of(8), false);
    assertThat(warm.holds(START.plus(Duration.ofHours(7)))).isTrue();
    assertThat(warm.holds(START.plus(Duration.ofHours(8)))).isFalse();
    CalibrationHold crystal =
        new CalibrationHold(
            "c", "crystal on order", Optional.empty(), OptionalDouble.empty(), false);
    assertThat(crystal.holds(START.plus(Duration.ofDays(99)))).isTrue();
    assertThatThrownBy(
            () -> new CalibrationHold("h", "x", Optional.of(START), OptionalDouble.empty(), false))
        .hasMessageContaining("hours");
  }
}
