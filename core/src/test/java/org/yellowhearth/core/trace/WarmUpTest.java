package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.SupplyRectifier.Heating;
import org.yellowhearth.core.knowledge.SupplyRules.Cathode;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.Supply.Mains;
import org.yellowhearth.core.supply.ValveModel;

/**
 * The first minute: rails before valves draw, and the race of a bias against the valve that needs
 * it.
 */
public class WarmUpTest {
  private static final Cathode VALVE = new Cathode(Heating.INDIRECT, false, 6, "");
  private static final Cathode QUICK = new Cathode(Heating.DIRECT, true, 1.5, "");
  private static final Cathode SLOW = new Cathode(Heating.INDIRECT, true, 8, "");

  private static double ready(Cathode c) {
    double t = 0;
    while (WarmUp.emission(c, t) < 0.99) {
      t += 0.01;
    }
    return t;
  }

  /**
   * Common practice: directly heated rectifiers are ready in 2 to 4 s, indirectly heated valves in
   * 10 to 20 s, such rectifiers in 15 to 30 s.
   */
  @Test
  public void cathodesAreReadyWhenTheTradeSaysSo() {
    assertThat(WarmUp.emission(VALVE, 0)).isZero();
    assertThat(WarmUp.emission(VALVE, 3)).as("cold for seconds").isLessThan(0.01);
    assertThat(ready(QUICK)).isBetween(2.0, 4.0);
    assertThat(ready(VALVE)).isBetween(10.0, 20.0);
    assertThat(ready(SLOW)).isBetween(15.0, 30.0);
  }

  private static Supply set(RectifierModel rectifier, double biasFarads) {
    return Supply.of(
        Mains.of(230, 50),
        new Winding("w", 250, 120, true),
        Rectify.of("V5", "w", Scheme.FULL_WAVE, rectifier, "HT"),
        Filter.at("f", "HT", new Cap("C1", 32e-6, 2, 1e6)),
        new Winding("b", 30, 100, false),
        Rectify.of(
                "D2", "b", Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "raw")
            .negativeSide(),
        Filter.at("g", "raw", new Cap("C2", 10e-6, 2, 1e6)),
        Filter.through(
            "h", "raw", new Way.Resistor("R2", 22_000), "bias", new Cap("C3", biasFarads, 2, 1e6)),
        new Load("l", "bias", Load.Kind.RESISTANCE, 220_000),
        new Section.Stage(
            "V4",
            "HT",
            ValveModel.through(0.06, -25, 280, 9, 0.88, 20),
            300,
            Optional.empty(),
            0,
            Optional.empty(),
            220_000,
            "bias"));
  }

  private static WarmUp followed(Supply set, Cathode rectifier) {
    return WarmUp.of(
        set, List.of("HT", "bias"), Map.of("V4", VALVE, "V5", rectifier), Watcher.NOBODY);
  }

  /**
   * With silicon the rail goes to the crest of its winding while valves are cold; a rectifier
   * slower than the valves never lets it.
   */
  @Test
  public void aSlowRectifierSparesTheCapacitors() {
    WarmUp silicon =
        WarmUp.of(
            set(RectifierModel.of(RectifierTechnology.SILICON), 25e-6),
            List.of("HT"),
            Map.of("V4", VALVE),
            Watcher.NOBODY);
    WarmUp slow = followed(set(RectifierModel.vacuum(20, 0.125), 25e-6), SLOW);
    WarmUp.Rail high = silicon.rails().getFirst();
    assertThat(high.highestVolts()).as("√2·250 V").isCloseTo(250 * Math.sqrt(2), within(3.0));
    assertThat(high.secondsToNineTenths().orElseThrow()).isLessThan(0.5);
    WarmUp.Rail low = slow.rails().getFirst();
    assertThat(low.highestVolts()).isLessThan(1.1 * low.steadyVolts());
    assertThat(low.secondsToNineTenths().orElseThrow()).isGreaterThan(8);
  }

  /**
   * From cold a bias has seconds; after a short break with the cathode hot it races, and a larger
   * filter arrives later.
   */
  @Test
  public void aLargerBiasFilterComesLater() {
    WarmUp.Race small =
        followed(set(RectifierModel.of(RectifierTechnology.SILICON), 4e-6), QUICK)
            .races()
            .getFirst();
    WarmUp.Race large =
        followed(set(RectifierModel.of(RectifierTechnology.SILICON), 100e-6), QUICK)
            .races()
            .getFirst();
    assertThat(small.bias()).isEqualTo("bias");
    assertThat(small.cold().biasFirst()).isTrue();
    assertThat(large.warm().biasAt().orElseThrow())
        .isGreaterThan(5 * small.warm().biasAt().orElseThrow());
    assertThat(large.warm().overdriven()).isTrue();
    assertThat(large.warm().mostTimes()).as("it draws far too much meanwhile").isGreaterThan(2);
    // A valve stands a little more for a moment, and one whose bias came first never waited for it.
    assertThat(new WarmUp.Start(OptionalDouble.of(1), OptionalDouble.of(2), 1.2).overdriven())
        .isFalse();
    assertThat(new WarmUp.Start(OptionalDouble.of(1), OptionalDouble.of(2), 1.4).overdriven())
        .isTrue();
    assertThat(new WarmUp.Start(OptionalDouble.of(2), OptionalDouble.of(1), 1.4).overdriven())
        .isFalse();
  }
}
