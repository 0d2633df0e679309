package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/** What was worked out is not worked out again, and never taken for something else. */
public class SettledTest {
  private static Supply supply(double volts, double farads) {
    return Supply.of(
        new Mains(230, volts, 50),
        new Winding("w", 250, 120, true),
        Rectify.of(
            "D1", "w", Scheme.FULL_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "b"),
        Filter.at("f", "b", new Cap("C1", farads, 2, 1e6)),
        new Load("l", "b", Load.Kind.RESISTANCE, 5000));
  }

  private static double mean(Supply s) {
    return Settled.of(s).waves().voltage("b").mean();
  }

  @Test
  public void theSameSupplyIsWorkedOutOnce() {
    assertThat(Settled.of(supply(230, 32e-6))).isSameAs(Settled.of(supply(230, 32e-6)));
    double full = mean(supply(230, 32e-6));
    assertThat(mean(supply(115, 32e-6)))
        .as("half the line, a little less than half the rail for the diodes")
        .isCloseTo(full / 2, within(1.0));
    assertThat(Settled.of(supply(230, 8e-6)).waves().voltage("b").rippleRms())
        .as("a quarter of the capacitor, some four times the ripple")
        .isBetween(
            2.5 * Settled.of(supply(230, 32e-6)).waves().voltage("b").rippleRms(),
            4.5 * Settled.of(supply(230, 32e-6)).waves().voltage("b").rippleRms());
  }
}
