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
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.Adjustment.Adjusted;
import org.yellowhearth.core.fact.Adjustment.Turn;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.ProofFigure.Measurand;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.finaltest.Adjusting.AdjustState;
import org.yellowhearth.core.finaltest.HeadroomCheck.HeadroomState;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.trace.Headroom;

/**
 * Adjustments, headroom and figures of other instruments against closed forms and what is common
 * practice.
 */
public class AdjustingTest {
  private static final Instant T = Instant.parse("2026-05-05T12:00:00Z");
  private static final OptionalDouble NONE = OptionalDouble.empty();

  private static Adjustment bias(Turn... turns) {
    return new Adjustment(
        "a",
        Adjusted.BIAS,
        "V4 grid",
        "V",
        -22,
        0.5,
        OptionalDouble.of(-12),
        "R41",
        List.of(turns));
  }

  private static Turn turn(int second, double before, double after, double count, boolean loaded) {
    return new Turn(
        T.plusSeconds(second),
        before,
        after,
        count == 0 ? NONE : OptionalDouble.of(count),
        loaded,
        "");
  }

  private static Job.Happening power(int second, Edit.Power power) {
    return new Job.Happening(T.plusSeconds(second), new Edit.PowerSwitched(power));
  }

  private static AdjustState state(Adjustment a) {
    return Adjusting.of(a, List.of(), T.plusSeconds(600)).state();
  }

  @Test
  public void whatIsSetIsHeldAgainstItsTarget() {
    assertThat(state(bias())).isEqualTo(AdjustState.UNTRIED);
    assertThat(state(bias(turn(0, -20, -21.5, 0, true)))).isEqualTo(AdjustState.WITHIN);
    assertThat(state(bias(turn(0, -20, -22.5, 0, true)))).isEqualTo(AdjustState.WITHIN);
    assertThat(state(bias(turn(0, -20, -22.6, 0, true)))).isEqualTo(AdjustState.OUT);
    assertThat(state(bias(turn(0, -20, -12.1, 0, true)))).isEqualTo(AdjustState.OUT);
    assertThat(state(bias(turn(0, -20, -12, 0, true)))).isEqualTo(AdjustState.HARMFUL);
    assertThat(state(bias(turn(0, -20, -5, 0, true)))).isEqualTo(AdjustState.HARMFUL);
    // More negative than the target a bias does no harm; an idle current does above its target.
    assertThat(state(bias(turn(0, -20, -40, 0, true)))).isEqualTo(AdjustState.OUT);
    Adjustment idle =
        new Adjustment(
            "i", Adjusted.IDLE_CURRENT, "Q3", "mA", 35, 5, OptionalDouble.of(80), "", List.of());
    assertThat(state(idle.turned(turn(0, 20, 81, 0, true)))).isEqualTo(AdjustState.HARMFUL);
    assertThat(state(idle.turned(turn(0, 20, 10, 0, true)))).isEqualTo(AdjustState.OUT);
  }

  /**
   * Common practice: what was trimmed without its load moves when the load comes; only a trim under
   * the real load counts.
   */
  @Test
  public void onlyUnderTheRealLoadItCounts() {
    assertThat(state(bias(turn(0, -20, -22, 0, false)))).isEqualTo(AdjustState.WITHOUT_LOAD);
    assertThat(state(bias(turn(0, -20, -22, 0, true), turn(9, -22, -22, 0, false))))
        .isEqualTo(AdjustState.WITHOUT_LOAD);
    assertThat(state(bias(turn(0, -20, -22, 0, false), turn(9, -22, -22, 0, true))))
        .isEqualTo(AdjustState.WITHIN);
  }

  /**
   * A control of 2 V a turn, read with some noise: what is left to turn comes out of what was
   * turned.
   */
  @Test
  public void whatIsLeftToTurnFollowsFromTheTurnsBefore() {
    Random r = new Random(8);
    List<Turn> turns = new ArrayList<>();
    double now = -8;
    for (int k = 0; k < 5; k++) {
      double count = k == 2 ? -0.5 : 1;
      double then = now - 2 * count;
      turns.add(
          turn(10 * k, now + 0.02 * r.nextGaussian(), then + 0.02 * r.nextGaussian(), count, true));
      now = then;
    }
    Adjusting a = Adjusting.of(bias(turns.toArray(Turn[]::new)), List.of(), T);
    assertThat(a.perTurn().orElseThrow()).isCloseTo(-2, within(0.05));
    assertThat(a.toGo().orElseThrow()).isCloseTo((-22 - now) / -2, within(0.1));
    assertThat(Adjusting.of(bias(turn(0, -15, -17, 0, true)), List.of(), T).toGo()).isEmpty();
    assertThat(Adjusting.of(bias(turn(0, -15, -15, 2, true)), List.of(), T).toGo()).isEmpty();
    assertThat(Adjusting.of(bias(turn(0, -20, -22, 1, true)), List.of(), T).toGo()).isEmpty();
  }

  /**
   * Common practice: a wrong bias is not left under power for longer than a minute. Only time under
   * power counts, from the first look.
   */
  @Test
  public void timeOutOfItsTolerancePileUpUnderPowerOnly() {
    List<Job.Happening> events =
        List.of(power(-100, Edit.Power.LIT), power(30, Edit.Power.OFF), power(500, Edit.Power.LIT));
    Adjustment out =
        bias(turn(0, -22, -22, 0, true), turn(10, -22, -17, 0, true), turn(20, -17, -18, 0, true));
    assertThat(Adjusting.of(out, events, T.plusSeconds(25)).outside())
        .isEqualTo(Duration.ofSeconds(15));
    assertThat(Adjusting.of(out, events, T.plusSeconds(400)).outside())
        .isEqualTo(Duration.ofSeconds(20));
    Adjusting later = Adjusting.of(out, events, T.plusSeconds(540));
    assertThat(later.outside()).isEqualTo(Duration.ofSeconds(60));
    assertThat(later.tooLong()).isFalse();
    assertThat(Adjusting.of(out, events, T.plusSeconds(541)).tooLong()).isTrue();
    assertThat(
            Adjusting.of(out.turned(turn(520, -18, -22, 0, true)), events, T.plusSeconds(999))
                .outside())
        .isZero();
    // Where it does harm a second is too long; a rail has ten minutes.
    assertThat(
            Adjusting.of(bias(turn(510, -22, -9, 0, true)), events, T.plusSeconds(511)).tooLong())
        .isTrue();
    Adjustment rail =
        new Adjustment(
            "r", Adjusted.RAIL, "+15", "V", 15, 0.3, NONE, "", List.of(turn(500, 14, 14, 0, true)));
    assertThat(Adjusting.of(rail, events, T.plusSeconds(1100)).tooLong()).isFalse();
    assertThat(Adjusting.of(rail, events, T.plusSeconds(1101)).tooLong()).isTrue();
    // A set nobody switched on spends no time under power.
    assertThat(Adjusting.of(out, List.of(), T.plusSeconds(9999)).outside()).isZero();
  }

  @Test
  public void theProcedureBeginsAtTheSafeEndForWhatIsUrgent() {
    Adjusting urgent = Adjusting.of(bias(), List.of(), T);
    assertThat(urgent.procedure())
        .extracting(m -> m.key())
        .startsWith(
            FinalTestWords.ADJUST_OFF,
            FinalTestWords.ADJUST_LOAD,
            FinalTestWords.ADJUST_LEAST,
            FinalTestWords.ADJUST_METER);
    Adjustment rail = new Adjustment("r", Adjusted.RAIL, "+15", "V", 15, 0.3, NONE, "", List.of());
    assertThat(Adjusting.of(rail, List.of(), T).procedure())
        .extracting(m -> m.key())
        .contains(FinalTestWords.ADJUST_RAIL)
        .doesNotContain(FinalTestWords.ADJUST_LEAST);
  }

  private static SupplyRegulator regulator(OptionalDouble dropout) {
    return new SupplyRegulator(
        "q",
        "Q1",
        Optional.empty(),
        SupplyRegulator.Kind.SERIES,
        "raw",
        "+15",
        false,
        15,
        dropout,
        NONE,
        "",
        NONE);
  }

  /**
   * 15 V out, 2 V across: with 20 V and 2 V of ripple the valley is 19 V and 2 V are to spare; at
   * 0.9 of the line and 1.1 of the load 18 − 1.1 − 17 = −0.1 V (closed form).
   */
  @DataProvider
  Object[][] headrooms() {
    return new Object[][] {
      {20, 2, 230, NONE, 2, -0.1, HeadroomState.TIGHT},
      {22, 2, 230, NONE, 4, 1.7, HeadroomState.ENOUGH},
      {18, 2, 230, NONE, 0, -1.9, HeadroomState.DIPS},
      {22, 12, 230, NONE, -1, -3.8, HeadroomState.DIPS},
      // Read at 253 V the same input has less to give at 207 V; read at 207 V it is there already.
      {22, 2, 253, NONE, 4, -0.1, HeadroomState.TIGHT},
      {20, 2, 207, NONE, 2, 1.9, HeadroomState.ENOUGH},
      {20, 2, 230, OptionalDouble.of(0.5), 3.5, 1.4, HeadroomState.ENOUGH}
    };
  }

  @Test(dataProvider = "headrooms")
  public void headroomIsWhatTheValleyLeaves(
      double input,
      double ripple,
      double line,
      OptionalDouble dropout,
      double spare,
      double low,
      HeadroomState state) {
    HeadroomCheck c =
        HeadroomCheck.of(
            new HeadroomReading("h", T, "Q1", input, ripple, 15, OptionalDouble.of(line)),
            regulator(dropout),
            230,
            Optional.empty());
    assertThat(c.spare()).isCloseTo(spare, within(1e-9));
    assertThat(c.spareLow()).isCloseTo(low, within(1e-9));
    assertThat(c.state()).isEqualTo(state);
    assertThat(c.disagrees()).isFalse();
  }

  @Test
  public void aModelOfAnotherSetIsSeen() {
    HeadroomReading r = new HeadroomReading("h", T, "Q1", 22, 2, 15, NONE);
    assertThat(
            HeadroomCheck.of(
                    r,
                    regulator(NONE),
                    230,
                    Optional.of(new Headroom("Q1", 18, 1.5, Optional.empty(), 3)))
                .disagrees())
        .isFalse();
    assertThat(
            HeadroomCheck.of(
                    r,
                    regulator(NONE),
                    230,
                    Optional.of(new Headroom("Q1", 22, 5, Optional.empty(), 3)))
                .disagrees())
        .isTrue();
    Headroom unknown = new Headroom("Q1", Double.NaN, Double.NaN, Optional.empty(), Double.NaN);
    assertThat(HeadroomCheck.of(r, regulator(NONE), 230, Optional.of(unknown)).computed())
        .isEmpty();
  }

  /** More power is better, less distortion is. */
  @Test
  public void figuresMissWhatIsPromisedOnTheirOwnSide() {
    assertThat(figure(Measurand.OUTPUT_POWER, 2.9, 3).beyond()).isTrue();
    assertThat(figure(Measurand.OUTPUT_POWER, 3.1, 3).beyond()).isFalse();
    assertThat(figure(Measurand.DISTORTION, 3.1, 3).beyond()).isTrue();
    assertThat(figure(Measurand.DISTORTION, 2.9, 3).beyond()).isFalse();
    assertThat(
            new ProofFigure(
                    "f",
                    Measurand.HUM,
                    "full",
                    "mV",
                    OptionalDouble.of(9),
                    NONE,
                    OptionalDouble.of(3))
                .beyond())
        .isFalse();
  }

  private static ProofFigure figure(Measurand what, double after, double bound) {
    return new ProofFigure(
        "f", what, "1 kHz", "W", NONE, OptionalDouble.of(after), OptionalDouble.of(bound));
  }

  @Test
  public void nonsenseIsRefusedWithASentence() {
    assertThatThrownBy(() ->
            new Adjustment(
                "a", Adjusted.BIAS, "g", "V", -22, 0.5, OptionalDouble.of(-22.2), "", List.of()))
        .hasMessageContaining("within the tolerance");
    assertThatThrownBy(
            () -> new Adjustment("a", Adjusted.BIAS, "g", "V", -22, 0, NONE, "", List.of()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new HeadroomReading("h", T, "Q1", 10, 20, 5, NONE))
        .hasMessageContaining("ripple");
    assertThatThrownBy(() -> new ProofFigure("f", Measurand.HUM, "full", "mV", NONE, NONE, NONE))
        .hasMessageContaining("nothing");
  }
}
