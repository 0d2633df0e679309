package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/** What the trade sees on real supplies; all common practice. */
public class TradeTest {
  private static Waveforms bias(double share, double esr) {
    return SteadyState.of(
        Supply.of(
                Mains.of(117, 60),
                new Winding("w", 200, 150, false),
                Rectify.of(
                        "D1",
                        "w",
                        Scheme.HALF_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "b")
                    .negativeSide(),
                Filter.at("f", "b", new Cap("C1", 8e-6 * share, esr, 5e6)),
                new Load("load", "b", Load.Kind.RESISTANCE, 22_000))
            .circuit());
  }

  /** A bias supply at 214 V where the drawing says 264 V points to its filter capacitor. */
  @Test
  public void aLowBiasRailPointsToItsFilterCapacitor() {
    double sound = bias(1, 2).voltage("b").mean();
    assertThat(sound).isBetween(-283.0, -240.0);
    assertThat(bias(0.25, 2).voltage("b").mean() / sound).isBetween(0.6, 0.95);
    assertThat(bias(0.05, 2).voltage("b").mean() / sound).isLessThan(214.0 / 264);
    // The ripple tells the same tale sooner than the voltage does.
    assertThat(bias(0.25, 2).voltage("b").rippleRms())
        .isGreaterThan(3 * bias(1, 2).voltage("b").rippleRms());
  }

  /**
   * A doubler from 195 V AC: 551 V without any source resistance and load, about 500 V light, 430 V
   * loaded.
   */
  @Test
  public void aDoublerGivesLessTheMoreItIsLoaded() {
    assertThat(doubler(0.01, 1e-6)).isCloseTo(551, within(4.0));
    double light = doubler(45, 0.06);
    double loaded = doubler(45, 0.25);
    assertThat(light).isBetween(480.0, 520.0);
    assertThat(loaded).isBetween(400.0, 450.0);
  }

  private static double doubler(double ohms, double amperes) {
    return SteadyState.of(
            Supply.of(
                    Mains.of(115, 60),
                    new Winding("w", 195, ohms, false),
                    new Section.Doubler(
                        "D",
                        "w",
                        false,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "b",
                        new Cap("C1", 120e-6, 0.3, 1e8),
                        new Cap("C2", 120e-6, 0.3, 1e8)),
                    new Load("load", "b", Load.Kind.CURRENT, amperes))
                .circuit())
        .voltage("b")
        .mean();
  }

  /**
   * One supply capacitor with a high series resistance has volts of AC across it; bridged with a
   * good one there is little left.
   */
  @Test
  public void aGoodPartBridgedAcrossALossyOneTakesTheRippleAway() {
    double bad = bridged(false);
    double good = bridged(true);
    assertThat(bad).isGreaterThan(10 * good);
  }

  private static double bridged(boolean bridge) {
    List<Section> sections =
        new ArrayList<>(
            List.of(
                new Winding("w", 24, 0.8, false),
                Rectify.of(
                    "D1", "w", Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), "b"),
                Filter.at("f", "b", new Cap("C1", 2e-6, 30, 1e6)),
                new Load("load", "b", Load.Kind.RESISTANCE, 60)));
    if (bridge) {
      sections.add(Filter.at("g", "b", new Cap("bridge", 2200e-6, 0.05, 1e6)));
    }
    return SteadyState.of(new Supply(Mains.of(230, 50), 0, sections).circuit())
        .voltage("b")
        .rippleRms();
  }

  /** In a tracking pair one short pulls both rails down. */
  @Test
  public void aShortOnTheMasterPullsItsFollowerDown() {
    assertThat(tracking(60)[0]).isCloseTo(15, within(0.1));
    assertThat(tracking(60)[1]).isCloseTo(-15, within(0.1));
    for (double ohms : List.of(2.0, 0.5, 0.2, 0.01)) {
      double[] shorted = tracking(ohms);
      assertThat(shorted[0]).isLessThan(12);
      assertThat(shorted[1]).isCloseTo(-shorted[0], within(0.1));
    }
  }

  private static double[] tracking(double masterOhms) {
    Waveforms w =
        SteadyState.of(
            Supply.of(
                    Mains.of(230, 50),
                    new Winding("w", 18, 1, true),
                    Rectify.of(
                        "D1",
                        "w",
                        Scheme.FULL_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "p"),
                    Rectify.of(
                            "D2",
                            "w",
                            Scheme.FULL_WAVE,
                            RectifierModel.of(RectifierTechnology.SILICON),
                            "n")
                        .negativeSide(),
                    Filter.at("f1", "p", new Cap("C1", 2200e-6, 0.05, 1e5)),
                    Filter.at("f2", "n", new Cap("C2", 2200e-6, 0.05, 1e5)),
                    Section.Regulate.of("U1", "p", "o", 15),
                    new Section.Regulate(
                        "U2",
                        "n",
                        "q",
                        true,
                        15,
                        2,
                        0.05,
                        0.5,
                        Double.POSITIVE_INFINITY,
                        Optional.of(new Section.Regulate.Tracked("o", 15))),
                    new Load("load", "o", Load.Kind.RESISTANCE, masterOhms),
                    new Load("load2", "q", Load.Kind.RESISTANCE, 100))
                .circuit());
    return new double[] {w.voltage("o").mean(), w.voltage("q").mean()};
  }
}
