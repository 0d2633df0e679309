package org.yellowhearth.core.firstpower;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.PowerUpPlan.Band;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;
import org.yellowhearth.core.trace.TurnedUp.Loads;

/** From where to where a meter may show what it shows: each edge of a band for its own reason. */
public class PowerUpBandTest {
  private static final Clip RAIL = new Clip("HT", Shows.DIRECT);
  private static final Clip RIPPLE = new Clip("HT", Shows.ALTERNATING);

  private static Supply set(RectifierModel rectifier, double heaterWatts) {
    return new Supply(
        Supply.Mains.of(230, 50),
        new Primary(20, heaterWatts, Optional.empty()),
        List.of(
            new Section.Winding("T1", 300, 120, true),
            Section.Rectify.of("V5", "T1", Section.Scheme.FULL_WAVE, rectifier, "HT"),
            Section.Filter.at("F1", "HT", new Section.Cap("C16", 16e-6, 3, 1e9)),
            new Section.Load("set", "HT", Section.Load.Kind.CURRENT, 0.06)));
  }

  private static final Supply SILICON = set(RectifierModel.of(RectifierTechnology.SILICON), 25);
  private static final Supply VALVE = set(RectifierModel.vacuum(50, 0.1), 25);

  private static PowerUp ramp(Supply s, Loads loads, Map<String, Double> rated, double... shares) {
    return PowerUp.of(
        s,
        new PowerUp.Setup(
            Optional.empty(),
            loads,
            List.of(RAIL, RIPPLE, Clip.TAKEN),
            Arrays.stream(shares).boxed().toList(),
            OptionalDouble.empty(),
            rated),
        Map.of(),
        1,
        Watcher.NOBODY);
  }

  private static double volts(Supply s, double share, double heaters) {
    return Settled.of(TurnedUp.at(s, share, heaters, Loads.VALVES)).waves().voltage("HT").mean();
  }

  /**
   * What five per cent of heater voltage either way bring is no fault, and a volt beyond what the
   * meter adds to that is.
   */
  @Test
  public void heatersMayBeOffByFivePerCent() {
    double share = 0.6;
    Band b = ramp(VALVE, Loads.VALVES, Map.of(), share).band(0, RAIL);
    double less = volts(VALVE, share, 0.95 * share);
    double more = volts(VALVE, share, 1.05 * share);
    double meter = 0.03 * Math.abs(b.expected()) + 0.1;
    assertThat(Math.abs(more - less))
        .as("at this mains cathodes only begin to draw")
        .isGreaterThan(1);
    assertThat(b.low())
        .isCloseTo(Math.min(less, Math.min(more, b.expected())) - meter, within(0.01));
    assertThat(b.high())
        .isCloseTo(Math.max(less, Math.max(more, b.expected())) + meter, within(0.01));
  }

  /**
   * While it settles an AC meter sees the step of the rail, and a wattmeter cold filaments (eight
   * times their current, common practice).
   */
  @Test
  public void whatTheMomentsAfterAStepBringIsNoFault() {
    PowerUp r = ramp(SILICON, Loads.VALVES, Map.of(), 1.0);
    Band ripple = r.band(0, RIPPLE);
    assertThat(ripple.settlingHigh()).isGreaterThan(0.9 * r.band(0, RAIL).expected());
    assertThat(ripple.high()).isLessThan(2 * ripple.expected() + 1);
    Band watts = r.band(0, Clip.TAKEN);
    assertThat(watts.settlingHigh()).isGreaterThan(8 * 25);
    assertThat(watts.high()).isLessThan(1.4 * watts.expected());
    assertThat(watts.settlingLow()).isLessThanOrEqualTo(0);
  }

  /**
   * Limits come from the weakest part: nothing above its rating, a tenth more before anything
   * draws; unless the drawing itself goes there.
   */
  @Test
  public void bandsEndAtTheWeakestPart() {
    double drawn = ramp(SILICON, Loads.VALVES, Map.of(), 1.0).band(0, RAIL).expected();
    Band weak = ramp(SILICON, Loads.VALVES, Map.of("HT", drawn + 3), 1.0).band(0, RAIL);
    assertThat(weak.high()).isCloseTo(drawn + 3, within(1e-9));
    assertThat(weak.settlingHigh()).isCloseTo(1.1 * (drawn + 3), within(1e-9));
    Band wrong = ramp(SILICON, Loads.VALVES, Map.of("HT", drawn - 50), 1.0).band(0, RAIL);
    assertThat(wrong.holds(drawn, true))
        .as("a wrong rating in the drawing is told, not enforced")
        .isTrue();
  }

  /** A rail that has a sign never shows the other one, whatever settles. */
  @Test
  public void noRailShowsTheOtherSign() {
    Band up = ramp(SILICON, Loads.VALVES, Map.of(), 0.33).band(0, RAIL);
    assertThat(up.settlingLow()).isEqualTo(-0.5);
    Supply negative =
        new Supply(
            SILICON.mains(),
            SILICON.primary(),
            List.of(
                new Section.Winding("T1", 300, 120, true),
                Section.Rectify.of(
                        "V5",
                        "T1",
                        Section.Scheme.FULL_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "HT")
                    .negativeSide(),
                Section.Filter.at("F1", "HT", new Section.Cap("C16", 16e-6, 3, 1e9)),
                new Section.Load("set", "HT", Section.Load.Kind.RESISTANCE, 5000)));
    Band down = ramp(negative, Loads.VALVES, Map.of("HT", 450.0), 0.33).band(0, RAIL);
    assertThat(down.settlingHigh()).isEqualTo(0.5);
    assertThat(down.settlingLow()).isLessThan(down.low());
  }

  /**
   * Common practice: a minute where nothing warms, two where it does, five at full line; cathodes
   * take most of a minute.
   */
  @Test
  public void holdsFollowWhatWarmsUp() {
    PowerUp valve = ramp(VALVE, Loads.VALVES, Map.of(), 0.15, 0.5, 1.0);
    assertThat(valve.rungs())
        .extracting(r -> r.step().holdSeconds())
        .containsExactly(60.0, 120.0, 300.0);
    assertThat(valve.rungs())
        .extracting(r -> r.step().settleSeconds())
        .containsExactly(10.0, 45.0, 45.0);
    assertThat(
            ramp(SILICON, Loads.SEMICONDUCTORS, Map.of(), 0.5)
                .rungs()
                .getFirst()
                .step()
                .settleSeconds())
        .isEqualTo(10);
  }

  /**
   * Behind a valve rectifier that does not glow nobody can tell how much comes through; behind
   * silicon everybody can.
   */
  @Test
  public void aColdRectifierIsNotJudged() {
    Band cold = ramp(VALVE, Loads.VALVES, Map.of(), 0.33).band(0, RAIL);
    assertThat(cold.holds(0, true)).isTrue();
    assertThat(cold.holds(cold.expected(), true)).isTrue();
    assertThat(ramp(SILICON, Loads.VALVES, Map.of(), 0.33).band(0, RAIL).holds(0, true)).isFalse();
  }

  /** What needs no warming draws at once: there is no higher band before it settles. */
  @Test
  public void semiconductorsDrawAtOnce() {
    Band solid = ramp(SILICON, Loads.SEMICONDUCTORS, Map.of(), 1.0).band(0, RAIL);
    Band valves = ramp(SILICON, Loads.VALVES, Map.of(), 1.0).band(0, RAIL);
    assertThat(solid.settlingHigh()).isLessThan(valves.settlingHigh() - 10);
    assertThat(solid.expected()).isCloseTo(valves.expected(), within(1.0));
  }

  /**
   * A set that gets less than three quarters through a lamp does not wake; the lamp that is
   * proposed gives it that, the next smaller does not.
   */
  @Test
  public void theLampIsTheSmallestThatLeavesEnough() {
    LampChoice c = LampChoice.of(VALVE, Loads.VALVES, Watcher.NOBODY);
    LampChoice.Tried best = c.best().orElseThrow();
    assertThat(best.left()).isGreaterThanOrEqualTo(0.75);
    assertThat(c.tried().stream().filter(t -> t.watts() < best.watts()))
        .isNotEmpty()
        .allSatisfy(t -> assertThat(t.left()).isLessThan(0.75));
    assertThat(best.shortAmperes()).isCloseTo(best.watts() / 230, within(1e-12));
    PowerUp.Through rough = PowerUp.Through.of(VALVE, Loads.VALVES, Lamp.cold(best.watts(), 230));
    double exact =
        PowerUp.of(
                VALVE,
                new PowerUp.Setup(
                    Optional.of(Lamp.cold(best.watts(), 230)),
                    Loads.VALVES,
                    List.of(),
                    List.of(1.0)),
                Map.of(),
                1,
                Watcher.NOBODY)
            .rungs()
            .getFirst()
            .heaters();
    assertThat(rough.heaters()).isCloseTo(exact, within(3e-3));
  }

  /**
   * A half-wave set without a transformer that draws 50 mA: a meter behind a 25 W lamp shows most
   * of the mains, but the rectifier's pulses are what the lamp keeps back, and the rail stays far
   * down. The lamp goes by the rails.
   */
  @Test
  public void theLampGoesByWhatTheRailsReach() {
    Supply direct =
        Supply.of(
            Supply.Mains.of(240, 50),
            new Section.Winding("line", 240, 20, false),
            Section.Rectify.of(
                "D1",
                "line",
                Section.Scheme.HALF_WAVE,
                RectifierModel.of(RectifierTechnology.SILICON),
                "HT"),
            Section.Filter.at("f", "HT", new Section.Cap("C1", 50e-6, 2, 1e9)),
            new Section.Load("set", "HT", Section.Load.Kind.CURRENT, 0.05));
    LampChoice c = LampChoice.of(direct, Loads.VALVES, Watcher.NOBODY);
    LampChoice.Tried small =
        c.tried().stream().filter(t -> t.watts() == 25).findFirst().orElseThrow();
    assertThat(small.rails()).isLessThan(0.5).isLessThan(small.left());
    assertThat(c.best().orElseThrow().watts()).isGreaterThan(25);
    assertThat(c.best().orElseThrow().rails()).isGreaterThan(0.6);
  }
}
