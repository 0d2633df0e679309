package org.yellowhearth.core.assess;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.part.PartRef;

/**
 * Textbook network theory worked by hand: a divider, a mutual conductance, and what cathode bias
 * gives back.
 */
public class GridShiftTest {
  private static GridCircuit grid(OptionalDouble cathode, OptionalDouble watts) {
    return new GridCircuit(
        "g", PartRef.of("C1"), 100, 500e3, -10, 5e-3, 40e-3, 250, cathode, watts);
  }

  @Test
  public void theGridRisesAsTheDividerSays() {
    // (100 + 10) · 500k / (500k + 10.5M) = 110 / 22 = 5 V; 5 mA/V · 5 V = 25 mA; (40 + 25) mA · 250
    // V = 16.25 W.
    GridShift s = GridShift.of(grid(OptionalDouble.empty(), OptionalDouble.empty()), 10.5e6);
    assertThat(s.gridVolts()).isCloseTo(5, within(1e-12));
    assertThat(s.amperes()).isCloseTo(25e-3, within(1e-12));
    assertThat(s.watts()).isCloseTo(16.25, within(1e-9));
    assertThat(s.clamped()).isFalse();
  }

  @Test
  public void cathodeBiasGivesPartOfItBack() {
    // 25 mA / (1 + 5 mA/V · 200 Ω) = 12.5 mA.
    assertThat(GridShift.of(grid(OptionalDouble.of(200), OptionalDouble.empty()), 10.5e6).amperes())
        .isCloseTo(12.5e-3, within(1e-12));
  }

  @Test
  public void theGridRisesNoFurtherThanItsCathode() {
    // A short: gm · 10 V = 50 mA at the most, whatever the divider says.
    GridShift s = GridShift.of(grid(OptionalDouble.empty(), OptionalDouble.empty()), 0);
    assertThat(s.clamped()).isTrue();
    assertThat(s.amperes()).isCloseTo(50e-3, within(1e-12));
  }

  @DataProvider
  public Object[][] circuits() {
    return new Object[][] {
      {grid(OptionalDouble.empty(), OptionalDouble.empty())},
      {grid(OptionalDouble.of(200), OptionalDouble.of(12))},
      {grid(OptionalDouble.empty(), OptionalDouble.of(10.5))}
    };
  }

  /** The least insulation is the edge: a little less is bad, a little more is not. */
  @Test(dataProvider = "circuits")
  public void theLeastInsulationIsWhereItTurnsBad(GridCircuit grid) {
    double least = GridShift.leastOhms(grid).orElseThrow();
    assertThat(GridShift.of(grid, least * 0.999).bad(grid)).isTrue();
    assertThat(GridShift.of(grid, least * 1.001).bad(grid)).isFalse();
  }

  @Test
  public void aFifthMoreCurrentIsTheEdgeWithoutACathodeResistor() {
    // 20 % of 40 mA is 8 mA or 1.6 V at the grid: 110 · 500k / 1.6 − 500k = 33.875 MΩ.
    assertThat(
            GridShift.leastOhms(grid(OptionalDouble.empty(), OptionalDouble.empty())).orElseThrow())
        .isCloseTo(33.875e6, within(1e3));
  }

  /** Property: less insulation never does less harm. */
  @Test
  public void lessInsulationNeverDoesLess() {
    Random random = new Random(3);
    for (int i = 0; i < 2000; i++) {
      GridCircuit g =
          new GridCircuit(
              "g",
              PartRef.of("C1"),
              1 + random.nextDouble() * 400,
              1e4 + random.nextDouble() * 2e6,
              -random.nextDouble() * 40,
              1e-4 + random.nextDouble() * 0.02,
              1e-3 + random.nextDouble() * 0.1,
              250,
              random.nextBoolean()
                  ? OptionalDouble.empty()
                  : OptionalDouble.of(1 + random.nextDouble() * 1000),
              OptionalDouble.empty());
      double ohms = Math.exp(random.nextDouble() * 30);
      assertThat(GridShift.of(g, ohms).amperes())
          .isGreaterThanOrEqualTo(GridShift.of(g, ohms * 2).amperes());
    }
  }
}
