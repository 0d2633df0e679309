package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.Optional;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ReformPlan.ReformSchool;
import org.yellowhearth.core.part.PartRef;

/** Plans against the standards, closed forms and the trade. */
public class PlannerTest {
  private static final Planner.Can CAN = new Planner.Can(0.035, 0.075);

  private static Planner.Request request(
      double farads, double rated, double limit, ReformSchool school) {
    return new Planner.Request(PartRef.of("C1"), farads, rated, rated, limit, CAN, school);
  }

  /**
   * Preconditioning of IEC 60384-4, from memory: rated voltage, 100 Ω up to 100 V and 1 kΩ above,
   * one hour.
   */
  @Test
  public void preconditioningIsAsTheStandardHasIt() {
    ReformPlan.Step low =
        Planner.plan(request(100e-6, 63, 1e-4, ReformSchool.PRECONDITIONING)).steps().getFirst();
    ReformPlan.Step high =
        Planner.plan(request(32e-6, 450, 1e-3, ReformSchool.PRECONDITIONING)).steps().getFirst();
    assertThat(low.ohms()).isEqualTo(100);
    assertThat(high.ohms()).isEqualTo(1000);
    assertThat(high.volts()).isEqualTo(450);
    assertThat(high.holdSeconds()).isEqualTo(3600);
  }

  /**
   * From a supply without limit, 1 kΩ at 450 V would burn 203 W into a short (common practice); the
   * limit makes it harmless.
   */
  @Test
  public void theResistorStandsAShort() {
    ReformPlan.Step bare = new ReformPlan.Step(450, 1000, 1, 1e-3, 0, 3600);
    ReformPlan plan =
        new ReformPlan(
            "p",
            PartRef.of("C1"),
            ReformSchool.PRECONDITIONING,
            450,
            1e-3,
            java.util.List.of(bare),
            new ReformPlan.Bounds(1, 100, 10));
    PlanFigures.StepFigures s = PlanFigures.of(plan, 1e-6, 450).steps().getFirst();
    assertThat(s.shortWatts()).isCloseTo(203, Percentage.withPercentage(0.5));
    assertThat(s.resistorWatts()).as("405 W is not made").isEmpty();
    PlanFigures.StepFigures limited =
        PlanFigures.of(Planner.plan(request(32e-6, 450, 1e-3, ReformSchool.GENTLE)), 32e-6, 450)
            .steps()
            .getLast();
    assertThat(limited.shortWatts()).isLessThan(0.5);
    assertThat(limited.resistorWatts().orElseThrow())
        .isGreaterThanOrEqualTo(2 * limited.shortWatts());
  }

  /** Textbook: Q = C·V, E = C·V²/2; at constant current t = C·V/I. */
  @Test
  public void chargeEnergyAndTimeFollowTheClosedForms() {
    ReformPlan plan = Planner.plan(request(50e-6, 400, 1e-3, ReformSchool.CONSTANT_CURRENT));
    PlanFigures f = PlanFigures.of(plan, 50e-6, 400);
    assertThat(f.coulombs()).isCloseTo(0.02, within(1e-9));
    assertThat(f.joules()).isCloseTo(4, within(1e-9));
    ReformPlan.Step s = plan.steps().getFirst();
    double straight = 50e-6 * (400 - s.limitAmperes() * s.ohms()) / s.limitAmperes();
    assertThat(f.steps().getFirst().chargeSeconds())
        .isCloseTo(straight + 5 * s.ohms() * 50e-6, within(1e-6));
  }

  /**
   * Old-stock tantalum 1 µF 35 V: run up to about 30 V, held, through a resistor (common practice).
   */
  @Test
  public void tantalumIsSoakedBelowItsRating() {
    ReformPlan plan = Planner.plan(request(1e-6, 35, 1e-6, ReformSchool.TANTALUM_SOAK));
    assertThat(plan.steps()).hasSize(1);
    assertThat(plan.targetVolts()).isCloseTo(30, within(0.5));
    assertThat(plan.steps().getFirst().ohms()).isGreaterThanOrEqualTo(1000);
    assertThat(PlanFigures.of(plan, 1e-6, 35).rehearsals()).isEmpty();
  }

  @DataProvider
  public Object[][] parts() {
    return new Object[][] {
      {8e-6, 500.0, 0.62e-3},
      {32e-6, 450, 1.58e-3},
      {100e-6, 350, 2.8e-3},
      {25e-6, 25, 0.55e-3},
      {1000e-6, 63, 10e-3}
    };
  }

  /**
   * Whatever the part: steps rise to the target, no current passes the can's power, the resistor
   * keeps little at the gate.
   */
  @Test(dataProvider = "parts")
  public void everySchoolKeepsItsBounds(double farads, double rated, double limit) {
    for (ReformSchool school : EnumSet.complementOf(EnumSet.of(ReformSchool.IN_SET))) {
      ReformPlan plan = Planner.plan(request(farads, rated, limit, school));
      assertThat(plan.steps()).extracting(ReformPlan.Step::volts).isSorted();
      for (ReformPlan.Step s : plan.steps()) {
        assertThat(s.limitAmperes()).isLessThan(plan.bounds().amperes());
        double watts = Math.max(CAN.watts(), 1.25 * limit * rated);
        assertThat(s.limitAmperes() * plan.targetVolts()).isLessThanOrEqualTo(watts * 1.001);
        assertThat(s.limitAmperes())
            .as("the gate can be told from the limit")
            .isGreaterThan(1.2 * s.gateAmperes());
        if (school == ReformSchool.GENTLE || school == ReformSchool.CONSTANT_CURRENT) {
          assertThat(s.ohms() * s.gateAmperes())
              .isLessThanOrEqualTo(Math.max(0.03 * plan.targetVolts(), 1000 * limit) * 1.001);
        }
      }
      double reached = plan.steps().getLast().volts() - plan.steps().getLast().ohms() * limit;
      if (school == ReformSchool.OVERNIGHT) {
        assertThat(reached)
            .as("the supply makes good what the high resistor keeps")
            .isCloseTo(
                Math.min(plan.targetVolts(), 600 - plan.steps().getLast().ohms() * limit),
                within(0.5));
      }
    }
  }

  /** 10 W/(m²·K) over side and top of 35 by 75 mm at ten kelvin: 0.92 W. */
  @Test
  public void theCanSetsThePower() {
    assertThat(CAN.watts())
        .isCloseTo(100 * (Math.PI * 0.035 * 0.075 + Math.PI * 0.035 * 0.035 / 4), within(1e-9));
    assertThat(CAN.watts()).isCloseTo(0.92, within(0.01));
    assertThat(Planner.Can.usual(32e-6, 450).diameter()).isCloseTo(0.035, within(0.001));
  }

  @Test
  public void theTargetFollowsTheWorkingVoltageWithAMargin() {
    assertThat(Planner.target(450, Optional.of(300.0))).isCloseTo(330, within(1e-9));
    assertThat(Planner.target(450, Optional.of(440.0))).isEqualTo(450);
    assertThat(Planner.target(450, Optional.empty())).isEqualTo(450);
  }

  @Test
  public void nonsenseIsRefusedWithASentence() {
    assertThatThrownBy(() ->
            new Planner.Request(PartRef.of("C1"), 1e-6, 100, 150, 1e-3, CAN, ReformSchool.GENTLE))
        .hasMessageContaining("150")
        .hasMessageContaining("100");
    assertThatThrownBy(() ->
            new Planner.Request(PartRef.of("C1"), 1e-6, 900, 900, 1e-3, CAN, ReformSchool.GENTLE))
        .hasMessageContaining("600 V");
    assertThatThrownBy(() -> new Planner.Can(0.5, 0.1)).hasMessageContaining("mm");
  }

  /** The longer the history is harder, and every rehearsal of a sound part ends well. */
  @Test
  public void theDurationHasARange() {
    PlanFigures f =
        PlanFigures.of(Planner.plan(request(32e-6, 450, 1.58e-3, ReformSchool.GENTLE)), 32e-6, 450);
    assertThat(f.rehearsals().stream().map(Rehearsal::end))
        .containsExactly(ReformRun.RunPhase.DONE, ReformRun.RunPhase.DONE, ReformRun.RunPhase.DONE);
    assertThat(f.mostSeconds().orElseThrow()).isGreaterThan(1.2 * f.leastSeconds().orElseThrow());
    assertThat(f.leastSeconds().orElseThrow())
        .as("holds of 4 x 10 and 30 minutes")
        .isGreaterThan(70 * 60);
  }
}
