package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.FunctionCheck.FunctionOutcome;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.finaltest.Adjusting;
import org.yellowhearth.core.finaltest.BeforeAfter;
import org.yellowhearth.core.finaltest.FinalTestWords;
import org.yellowhearth.core.finaltest.FunctionList;
import org.yellowhearth.core.finaltest.HandBack;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.finaltest.VoltageChart.ChartVerdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/**
 * The chart, the pairs of before and after, the list of functions, and what stands against handing
 * a set back.
 */
public class FinalTestJobTest {
  private static final OptionalDouble NONE = OptionalDouble.empty();

  private static void put(Bench b, Item item) {
    b.edit(new Edit.ItemChanged(b.job().item(item.id()), Optional.of(item)));
  }

  private static SupplyTarget target(
      String point, double volts, OptionalDouble tolerance, SupplyTarget.Follows follows) {
    return new SupplyTarget(
        "t" + point, point, volts, tolerance, OptionalDouble.of(230), NONE, follows);
  }

  private static SupplyReading read(
      Bench b,
      String point,
      SupplyReading.Kind kind,
      double volts,
      OptionalDouble line,
      OptionalDouble meter) {
    int n = b.job().journal().size();
    SupplyReading r =
        new SupplyReading(
            "r" + n,
            Bench.NOW.plusMinutes(n).toInstant(),
            point,
            kind,
            volts,
            line,
            meter,
            NONE,
            SupplyReading.State.UNSTATED,
            NONE,
            "",
            "",
            List.of(),
            NONE);
    put(b, r);
    return r;
  }

  private static void fit(Bench b) {
    b.type("+ C1 16 MFD 450 V electrolytic reservoir");
    put(
        b,
        new Fitting(
            "fitting-C1",
            PartRef.of("C1"),
            true,
            true,
            true,
            Fitting.MeterSign.RIGHT,
            Fitting.Debt.UNSTATED,
            "",
            "",
            "",
            "",
            Set.of()));
  }

  private static VoltageChart.Line chart(Bench b, Optional<Supply> supply) {
    return VoltageChart.of(b.job(), supply).lines().getFirst();
  }

  /** Heater lines are points of the chart, and what a meter for DC shows there is not theirs. */
  @Test
  public void alternatingVoltagesArePoints() {
    Bench b = Bench.of(1950);
    put(
        b,
        new SupplyTarget(
            "h",
            "heater",
            6.3,
            OptionalDouble.of(0.1),
            NONE,
            NONE,
            SupplyTarget.Follows.UNSTATED,
            true));
    read(b, "heater", SupplyReading.Kind.DIRECT, 6.3, NONE, NONE);
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.UNREAD);
    read(b, "heater", SupplyReading.Kind.TRUE_RMS, 6.5, NONE, NONE);
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.WITHIN);
    read(b, "heater", SupplyReading.Kind.TRUE_RMS, 7.16, NONE, NONE);
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.OUT);
  }

  /** Without a model the line goes in proportion: 225 V at 207 V of mains are 250 V at 230 V. */
  @Test
  public void readingsAreBroughtToTheLineOfTheDrawing() {
    Bench b = Bench.of(1950);
    put(b, target("HT", 250, OptionalDouble.of(0.05), SupplyTarget.Follows.RAIL));
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.UNREAD);
    read(b, "HT", SupplyReading.Kind.DIRECT, 198, OptionalDouble.of(230), NONE);
    fit(b);
    read(b, "HT", SupplyReading.Kind.DIRECT, 225, OptionalDouble.of(207), NONE);
    VoltageChart.Line l = chart(b, Optional.empty());
    assertThat(l.before().orElseThrow().volts()).isEqualTo(198);
    assertThat(l.after().orElseThrow().volts()).isCloseTo(250, within(1e-9));
    assertThat(l.verdict()).isEqualTo(ChartVerdict.WITHIN);
    read(b, "HT", SupplyReading.Kind.DIRECT, 265, OptionalDouble.of(230), NONE);
    assertThat(chart(b, Optional.empty()).verdict())
        .as("6 % with a meter of 2 %")
        .isEqualTo(ChartVerdict.UNDECIDED);
    read(b, "HT", SupplyReading.Kind.DIRECT, 270, OptionalDouble.of(230), NONE);
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.OUT);
    assertThat(chart(b, Optional.empty()).deviation().orElseThrow()).isCloseTo(0.08, within(1e-9));
  }

  /** V = E·R_m/(R_m + R): a meter of 1 MΩ behind 100 kΩ shows 1/1.1 of what stands there. */
  @Test
  public void theMeterIsTakenAwayByTheModel() {
    Supply supply =
        Supply.of(
            Supply.Mains.of(230, 50),
            new Section.Winding("w", 200, 10, false),
            Section.Rectify.of(
                "D1",
                "w",
                Section.Scheme.BRIDGE,
                RectifierModel.of(RectifierTechnology.SILICON),
                "HT"),
            Section.Filter.at("f", "HT", new Section.Cap("C1", 470e-6, 0.1, 1e8)),
            new Section.Load("set", "HT", Section.Load.Kind.RESISTANCE, 10_000),
            new Section.Resist("r", "R1", "HT", "g2", 100_000),
            new Section.Load("nothing", "g2", Section.Load.Kind.RESISTANCE, 1e10));
    Bench b = Bench.of(1950);
    put(b, target("g2", 270, NONE, SupplyTarget.Follows.UNSTATED));
    read(b, "g2", SupplyReading.Kind.DIRECT, 240, OptionalDouble.of(230), OptionalDouble.of(1e6));
    VoltageChart.Line l = chart(b, Optional.of(supply));
    assertThat(l.before().orElseThrow().volts()).isCloseTo(240 * 1.1, within(0.1));
    assertThat(l.byModel()).isTrue();
    assertThat(l.tolerance()).as("a rail, by the model").isEqualTo(0.05);
    assertThat(chart(b, Optional.empty()).before().orElseThrow().volts())
        .as("nobody knows what lies behind")
        .isEqualTo(240);
    assertThat(chart(b, Optional.empty()).tolerance()).as("common practice").isEqualTo(0.2);
  }

  /**
   * Ripple at the same point, and what was read with a good capacitor clipped across, are no
   * figures of the chart.
   */
  @Test
  public void theChartTakesPlainDirectReadingsOnly() {
    Bench b = Bench.of(1950).type("+ C1 16 MFD 450 V electrolytic reservoir");
    put(b, target("HT", 250, OptionalDouble.of(0.05), SupplyTarget.Follows.RAIL));
    read(b, "HT", SupplyReading.Kind.DIRECT, 250, OptionalDouble.of(230), NONE);
    read(b, "HT", SupplyReading.Kind.TRUE_RMS, 6, OptionalDouble.of(230), NONE);
    SupplyReading plain =
        read(b, "HT", SupplyReading.Kind.DIRECT, 251, OptionalDouble.of(230), NONE);
    put(
        b,
        new SupplyReading(
            "zz",
            plain.at().plusSeconds(60),
            "HT",
            SupplyReading.Kind.DIRECT,
            290,
            OptionalDouble.of(230),
            NONE,
            NONE,
            SupplyReading.State.UNSTATED,
            NONE,
            "",
            "",
            List.of(new SupplyBridge.Clipped(PartRef.of("C1"), 22e-6)),
            NONE));
    VoltageChart.Line l = chart(b, Optional.empty());
    assertThat(l.deviation().orElseThrow()).isCloseTo(1 / 250.0, within(1e-9));
    assertThat(l.verdict()).isEqualTo(ChartVerdict.WITHIN);
  }

  /** What was read in standby is no pair with what was read at work. */
  @Test
  public void pairsAreOfOneState() {
    Bench b = Bench.of(1950);
    SupplyReading before = read(b, "HT", SupplyReading.Kind.DIRECT, 300, NONE, NONE);
    put(
        b,
        new SupplyReading(
            "after",
            before.at().plusSeconds(9000),
            "HT",
            SupplyReading.Kind.DIRECT,
            250,
            NONE,
            NONE,
            NONE,
            SupplyReading.State.STANDBY,
            NONE,
            "",
            "C16 renewed",
            List.of(),
            NONE));
    assertThat(BeforeAfter.of(b.job()).readings()).isEmpty();
    put(
        b,
        new SupplyReading(
            "after2",
            before.at().plusSeconds(9000),
            "HT",
            SupplyReading.Kind.DIRECT,
            251,
            NONE,
            NONE,
            NONE,
            SupplyReading.State.UNSTATED,
            NONE,
            "",
            "C16 renewed",
            List.of(),
            NONE));
    assertThat(BeforeAfter.of(b.job()).readings())
        .singleElement()
        .satisfies(p -> assertThat(p.changedBy()).isEqualTo("C16 renewed"));
  }

  /**
   * Of a negative rail too much is more of it, and a figure of the other sign is no small error.
   */
  @Test
  public void negativeRails() {
    Bench b = Bench.of(1950);
    put(b, target("bias", -40, OptionalDouble.of(0.1), SupplyTarget.Follows.RAIL));
    read(b, "bias", SupplyReading.Kind.DIRECT, -44, OptionalDouble.of(230), NONE);
    assertThat(chart(b, Optional.empty()).deviation().orElseThrow()).isCloseTo(0.1, within(1e-9));
    read(b, "bias", SupplyReading.Kind.DIRECT, 40, OptionalDouble.of(230), NONE);
    fit(b);
    read(b, "bias", SupplyReading.Kind.DIRECT, 40, OptionalDouble.of(230), NONE);
    assertThat(chart(b, Optional.empty()).verdict()).isEqualTo(ChartVerdict.OUT);
  }

  /** Ripple from 4 V to 0.4 V is 20 dB less hum. */
  @Test
  public void pairsStandSideBySide() {
    Bench b = Bench.of(1950);
    read(b, "HT", SupplyReading.Kind.TRUE_RMS, 4, NONE, NONE);
    read(b, "HT", SupplyReading.Kind.DIRECT, 200, NONE, NONE);
    fit(b);
    b.type("C1 2u D0.8 @100");
    read(b, "HT", SupplyReading.Kind.TRUE_RMS, 0.4, NONE, NONE);
    BeforeAfter all = BeforeAfter.of(b.job());
    assertThat(all.readings())
        .singleElement()
        .satisfies(p -> {
          assertThat(p.decibels().orElseThrow()).isCloseTo(-20, within(1e-9));
          assertThat(p.before().volts()).isEqualTo(4);
        });
    assertThat(all.parts())
        .singleElement()
        .satisfies(p -> assertThat(p.ref()).isEqualTo(PartRef.of("C1")));
  }

  @DataProvider
  public Object[][] kinds() {
    return new Object[][] {
      {SetPlate.Kind.RADIO_RECEIVER, FinalTestWords.FN_BANDS},
      {SetPlate.Kind.TELEVISION, FinalTestWords.FN_WIDTH},
      {SetPlate.Kind.TRANSMITTER, FinalTestWords.FN_DUMMY_LOAD},
      {SetPlate.Kind.AMPLIFIER, FinalTestWords.FN_BALANCE},
      {SetPlate.Kind.TEST_INSTRUMENT, FinalTestWords.FN_KEYS},
      {SetPlate.Kind.POWER_SUPPLY, FinalTestWords.FN_LIMIT},
      {SetPlate.Kind.OSCILLOSCOPE, FinalTestWords.FN_TRIGGER},
      {SetPlate.Kind.COUNTER, FinalTestWords.FN_GATE_TIMES},
      {SetPlate.Kind.MONITOR, FinalTestWords.FN_SYNC},
      {SetPlate.Kind.TAPE_RECORDER, FinalTestWords.FN_ERASE},
      {SetPlate.Kind.ORGAN, FinalTestWords.FN_EVERY_KEY},
      {SetPlate.Kind.CHIME, FinalTestWords.FN_RELEASED},
      {SetPlate.Kind.OTHER, FinalTestWords.FN_SWITCH}
    };
  }

  /** Common practice: what each kind of set has to do; a transmitter never into an aerial. */
  @Test(dataProvider = "kinds")
  public void everyKindHasItsFunctions(SetPlate.Kind kind, FinalTestWords one) {
    Bench b = Bench.of(1950);
    b.edit(new Edit.PlateChanged(b.job().plate(), b.job().plate().with(p -> p.kind = kind)));
    assertThat(FunctionList.of(b.job(), VerdictTest.KNOWLEDGE))
        .extracting(FunctionList.Function::what)
        .contains(one)
        .doesNotHaveDuplicates();
  }

  private static List<FinalTestWords> against(Bench b) {
    return HandBack.of(
            b.job(),
            VoltageChart.of(b.job(), Optional.empty()),
            Instant.parse("2026-06-01T00:00:00Z"))
        .stream()
        .map(SignOff.Owed::why)
        .map(m -> m.key())
        .filter(FinalTestWords.class::isInstance)
        .map(FinalTestWords.class::cast)
        .toList();
  }

  @Test
  public void whatStandsAgainstHandingItBack() {
    Bench b = Bench.of(1950);
    assertThat(against(b))
        .containsExactly(FinalTestWords.OPEN_NO_FUNCTIONS, FinalTestWords.OPEN_NO_BURN);
    PowerUpPlan ramp =
        new PowerUpPlan(
            "ramp",
            PowerUpPlan.PowerUpKind.WHOLE,
            List.of(),
            true,
            NONE,
            List.of(),
            List.of(
                new PowerUpPlan.Step(1, 230, 5, 30, 1, PowerUpPlan.Warm.CONDUCTING, 0, List.of())));
    put(b, ramp);
    assertThat(against(b)).contains(FinalTestWords.OPEN_NO_POWER);
    b.edit(new PoweringUp.PowerUpBegun("ramp")).edit(new PoweringUp.PowerUpFinished("ramp"));
    assertThat(against(b)).doesNotContain(FinalTestWords.OPEN_NO_POWER);
    put(b, new Jumper("j", "lid switch", false));
    put(b, target("HT", 250, OptionalDouble.of(0.05), SupplyTarget.Follows.RAIL));
    put(b, new LoadTest("l", "HT", List.of(new LoadTest.Loaded(0, 250, NONE))));
    put(b, new FunctionCheck("f", "Sound", "Volume", FunctionOutcome.FAILS, "crackles"));
    put(b, new FunctionCheck("g", "Sound", "Tone", FunctionOutcome.UNSTATED, ""));
    put(
        b,
        new AccuracyTest(
            "a",
            "10 V",
            "V",
            OptionalDouble.of(10),
            0.02,
            0,
            "standard",
            0.001,
            true,
            false,
            List.of(new AccuracyTest.AccuracyPoint(5, 6))));
    put(b, new CalibrationHold("c", "crystal on order", Optional.empty(), NONE, false));
    BurnIn burn =
        new BurnIn(
            "b",
            Bench.NOW.toInstant(),
            24,
            List.of(new BurnIn.BurnChannel("HT", "V", NONE, 5)),
            BurnIn.BurnEnd.UNDECIDED,
            "");
    put(b, burn);
    assertThat(against(b))
        .containsExactlyInAnyOrder(
            FinalTestWords.OPEN_JUMPER,
            FinalTestWords.OPEN_CHART_UNREAD,
            FinalTestWords.OPEN_UNLOADED,
            FinalTestWords.OPEN_FUNCTION_FAILS,
            FinalTestWords.OPEN_FUNCTIONS,
            FinalTestWords.OPEN_ACCURACY,
            FinalTestWords.OPEN_ORDER,
            FinalTestWords.OPEN_HOLD,
            FinalTestWords.OPEN_BURN);
    assertThat(against(b).getFirst())
        .as("what blocks comes first")
        .isEqualTo(FinalTestWords.OPEN_JUMPER);
    put(b, burn.ended(BurnIn.BurnEnd.FAILED, ""));
    put(b, new Jumper("j", "lid switch", true));
    put(
        b,
        new LoadTest(
            "l",
            "HT",
            List.of(new LoadTest.Loaded(0, 250, NONE), new LoadTest.Loaded(0.1, 245, NONE))));
    read(b, "HT", SupplyReading.Kind.DIRECT, 300, OptionalDouble.of(230), NONE);
    assertThat(against(b))
        .contains(FinalTestWords.OPEN_BURN_FAILED, FinalTestWords.OPEN_CHART)
        .doesNotContain(
            FinalTestWords.OPEN_JUMPER, FinalTestWords.OPEN_UNLOADED, FinalTestWords.OPEN_BURN);
  }

  /**
   * Controls that the drawing names and regulated rails are proposed once; what is not set, or set
   * without load, stands against it.
   */
  @Test
  public void adjustmentsHeadroomAndFiguresStandAgainstHandingBack() {
    Bench b = Bench.of(1950);
    put(b, target("bias", -22, OptionalDouble.of(0.02), SupplyTarget.Follows.CONTROL));
    put(b, target("HT", 250, NONE, SupplyTarget.Follows.RAIL));
    put(
        b,
        new SupplyRegulator(
            "q",
            "Q1",
            Optional.empty(),
            SupplyRegulator.Kind.SERIES,
            "raw",
            "low",
            false,
            15,
            NONE,
            NONE,
            "",
            NONE));
    List<Adjustment> proposed = Adjusting.proposed(b.job());
    assertThat(proposed).extracting(Adjustment::point).containsExactly("bias", "low");
    assertThat(proposed.getFirst().kind()).isEqualTo(Adjustment.Adjusted.BIAS);
    assertThat(proposed.getFirst().tolerance()).isCloseTo(0.44, within(1e-9));
    proposed.forEach(a -> put(b, a));
    assertThat(Adjusting.proposed(b.job())).isEmpty();
    assertThat(against(b))
        .contains(FinalTestWords.OPEN_ADJUST_UNTRIED)
        .doesNotContain(FinalTestWords.OPEN_ADJUST);
    put(
        b,
        proposed
            .getFirst()
            .turned(new Adjustment.Turn(Bench.NOW.toInstant(), -20, -22, NONE, false, "")));
    assertThat(against(b)).contains(FinalTestWords.OPEN_ADJUST_UNLOADED);
    put(
        b,
        proposed
            .getFirst()
            .turned(new Adjustment.Turn(Bench.NOW.toInstant(), -20, -18, NONE, true, "")));
    assertThat(against(b)).contains(FinalTestWords.OPEN_ADJUST);
    put(b, new HeadroomReading("h1", Bench.NOW.toInstant(), "Q1", 17, 1, 15, NONE));
    put(
        b,
        new ProofFigure(
            "f",
            ProofFigure.Measurand.OUTPUT_POWER,
            "1 kHz",
            "W",
            NONE,
            OptionalDouble.of(1),
            OptionalDouble.of(3)));
    assertThat(against(b)).contains(FinalTestWords.OPEN_HEADROOM, FinalTestWords.OPEN_FIGURE);
    // The newest reading counts.
    put(b, new HeadroomReading("h2", Bench.NOW.plusHours(1).toInstant(), "Q1", 25, 1, 15, NONE));
    assertThat(against(b))
        .doesNotContain(FinalTestWords.OPEN_HEADROOM, FinalTestWords.OPEN_HEADROOM_TIGHT);
  }
}
