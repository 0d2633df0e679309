package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.ValveModel;
import org.yellowhearth.core.trace.TurnedUp;

/** Bringing a capacitor up in its set, behind a valve and behind silicon. */
public class InSetTest {
  private static final double LEAK = 1e-3;

  private static Supply receiver(RectifierModel rectifier) {
    return Supply.of(
        Supply.Mains.of(230, 50),
        new Section.Winding("T1", 300, 120, true),
        Section.Rectify.of("V5", "T1", Section.Scheme.FULL_WAVE, rectifier, "HT"),
        Section.Filter.at("F1", "HT", new Section.Cap("C16", 16e-6, 3, 1e9)),
        new Section.Load("set", "HT", Section.Load.Kind.CURRENT, 0.06));
  }

  private static List<InSet.Rung> rungs(RectifierModel rectifier) {
    return InSet.of(receiver(rectifier), "C16", LEAK).orElseThrow().rungs();
  }

  /**
   * Common practice: a valve rectifier passes nothing at low mains; a slow rise does not form
   * gently.
   */
  @Test
  public void atThirtyPerCentTheFilamentDoesNotConductAndTheRailComesLate() {
    List<InSet.Rung> valve = rungs(RectifierModel.vacuum(50, 0.1));
    assertThat(valve.stream().filter(r -> r.share() < 0.35))
        .hasSize(3)
        .noneMatch(InSet.Rung::conducts);
    assertThat(valve.get(1).volts()).isLessThan(0.05 * valve.getLast().volts());
    assertThat(valve.subList(5, 10)).allMatch(InSet.Rung::conducts);
    List<InSet.Rung> silicon = rungs(RectifierModel.of(RectifierTechnology.SILICON));
    assertThat(silicon.get(2).volts()).isGreaterThan(2 * valve.get(2).volts());
    // Behind silicon the rail follows the mains from the start; at a tenth nothing but the leak
    // draws: 0.1·300·√2.
    assertThat(silicon.getFirst().volts()).isCloseTo(0.1 * 300 * Math.sqrt(2), within(2.0));
  }

  /**
   * Richardson's law: from 1000 K to 800 K the emission of an oxide cathode with a work function of
   * 1 eV falls to (0.8)²·exp(−11605·(1/800 − 1/1000)) = 3.5 % without the square 5.5 % (textbook,
   * from memory); a heater at 0.8^2.5 of its volts.
   */
  @Test
  public void emissionFollowsRichardson() {
    assertThat(TurnedUp.emission(Math.pow(0.8, 2.5)) / 8).isCloseTo(0.0549, within(0.007));
    assertThat(TurnedUp.emission(1)).isEqualTo(1);
  }

  @Test
  public void aPlanInTheSetBeginsWhereItConductsAndKeepsTheBoundsOfTheCan() {
    InSet set = InSet.of(receiver(RectifierModel.vacuum(50, 0.1)), "C16", LEAK).orElseThrow();
    Planner.Request asked =
        new Planner.Request(
            PartRef.of("C16"),
            16e-6,
            450,
            450,
            LEAK,
            Planner.Can.usual(16e-6, 450),
            ReformPlan.ReformSchool.IN_SET);
    ReformPlan plan = Planner.inSet(asked, set);
    assertThat(plan.steps()).hasSize(7);
    assertThat(plan.steps().getFirst().mainsVolts()).hasValue(92);
    assertThat(plan.steps().getLast().mainsVolts()).hasValue(230);
    assertThat(plan.targetVolts()).isEqualTo(set.rungs().getLast().volts());
    assertThat(plan.bounds().amperes()).isLessThanOrEqualTo(1.25 * 5e-3);
    Planner.Request small =
        new Planner.Request(
            PartRef.of("C16"),
            16e-6,
            250,
            250,
            LEAK,
            Planner.Can.usual(16e-6, 250),
            ReformPlan.ReformSchool.IN_SET);
    assertThatThrownBy(() -> Planner.inSet(small, set)).hasMessageContaining("above its rating");
  }

  /**
   * A valve that is cold draws nothing: at low mains the rail of a stage stands open, its anode at
   * the rail.
   */
  @Test
  public void coldValvesDrawNothing() {
    Supply stage =
        Supply.of(
            Supply.Mains.of(230, 50),
            new Section.Winding("T1", 300, 120, true),
            Section.Rectify.of(
                "D1",
                "T1",
                Section.Scheme.FULL_WAVE,
                RectifierModel.of(RectifierTechnology.SILICON),
                "HT"),
            Section.Filter.at("F1", "HT", new Section.Cap("C16", 16e-6, 3, 1e9)),
            new Section.Stage(
                "V4",
                "HT",
                ValveModel.through(0.06, -25, 280, 9, 0.88, 20),
                300,
                Optional.empty(),
                200,
                Optional.empty(),
                220_000,
                Section.CHASSIS));
    InSet.Rung cold = InSet.of(stage, "C16", LEAK).orElseThrow().rungs().get(1);
    assertThat(cold.volts()).isCloseTo(0.2 * 300 * Math.sqrt(2), within(2.0));
  }

  @Test
  public void whatIsNotInTheSupplyHasNoRungs() {
    assertThat(InSet.of(receiver(RectifierModel.of(RectifierTechnology.SILICON)), "C99", LEAK))
        .isEmpty();
    assertThat(InSet.behindValve(receiver(RectifierModel.of(RectifierTechnology.SILICON))))
        .isFalse();
    assertThat(InSet.behindValve(receiver(RectifierModel.vacuum(50, 0.1)))).isTrue();
  }
}
