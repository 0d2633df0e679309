package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/**
 * The engine against closed forms (Millman and Halkias, Electronic Devices and Circuits, from
 * memory), within the regimes where these hold: nearly ideal rectifiers and sources, a discharge
 * that is nearly straight. What the straight line leaves out is about 1/(2fRC) of the ripple, and
 * that is the tolerance.
 */
public class TextbookTest {
  private static final double CREST = 400;
  private static final RectifierModel IDEAL =
      new RectifierModel.Junction(RectifierTechnology.SILICON, 1e-6, 1, 1e-2, 0);

  private static Waveforms behind(Scheme scheme, double farads, double ohms) {
    return SteadyState.of(
        Supply.of(
                Mains.of(230, 50),
                new Winding("w", CREST / Math.sqrt(2), 0.01, scheme == Scheme.FULL_WAVE),
                Rectify.of("D", "w", scheme, IDEAL, "b"),
                Filter.at("f", "b", new Cap("C", farads, 1e-3, 1e9)),
                new Load("load", "b", Load.Kind.RESISTANCE, ohms))
            .circuit());
  }

  @DataProvider
  public Object[][] reservoirs() {
    return new Object[][] {{40e-6, 10e3}, {100e-6, 4e3}, {16e-6, 40e3}, {470e-6, 2e3}};
  }

  @Test(dataProvider = "reservoirs")
  public void aReservoirRipplesAndSagsAsTheTextbookSays(double farads, double ohms) {
    double straightness = 1 / (2 * 50 * ohms * farads);
    assertThat(Textbook.straight(50, ohms, farads)).isTrue();
    Wave half = behind(Scheme.HALF_WAVE, farads, ohms).voltage("b");
    Wave full = behind(Scheme.FULL_WAVE, farads, ohms).voltage("b");
    Wave bridge = behind(Scheme.BRIDGE, farads, ohms).voltage("b");
    // The capacitor is refilled for a little while before each crest, so that the textbook's ripple
    // is an upper bound.
    double refill = 0.25 * Math.sqrt(straightness) + 2 * straightness;
    assertThat(half.rippleRms() / half.mean())
        .isCloseTo(
            Textbook.halfWaveRipple(50, ohms, farads),
            within(refill * Textbook.halfWaveRipple(50, ohms, farads)));
    assertThat(full.rippleRms() / full.mean())
        .isCloseTo(
            Textbook.fullWaveRipple(50, ohms, farads),
            within(2 * refill * Textbook.fullWaveRipple(50, ohms, farads)));
    double sag = half.mean() / ohms / (2 * 50 * farads);
    assertThat(half.mean())
        .isCloseTo(
            Textbook.halfWaveVolts(CREST, half.mean() / ohms, 50, farads),
            within(2 * refill * sag + 1));
    assertThat(full.mean())
        .isCloseTo(
            Textbook.fullWaveVolts(CREST, full.mean() / ohms, 50, farads),
            within(2 * refill * sag + 1));
    assertThat(bridge.mean()).isCloseTo(full.mean(), within(1.0));
  }

  @Test
  public void outsideItsRegimeTheFormulaSaysSo() {
    assertThat(Textbook.straight(100, 1000, 10e-6)).isFalse();
    Wave full = behind(Scheme.FULL_WAVE, 10e-6, 1000).voltage("b");
    assertThat(full.rippleRms() / full.mean())
        .isNotCloseTo(Textbook.fullWaveRipple(50, 1000, 10e-6), within(0.02));
  }

  private static Waveforms chokeInput(double henries, double farads, double ohms) {
    return SteadyState.of(
        Supply.of(
                Mains.of(230, 50),
                new Winding("w", CREST / Math.sqrt(2), 0.01, true),
                Rectify.of("D", "w", Scheme.FULL_WAVE, IDEAL, "b"),
                Filter.through(
                    "f",
                    "b",
                    new Way.Choke("L", henries, 1, 1e7),
                    "c",
                    new Cap("C", farads, 1e-3, 1e9)),
                new Load("load", "c", Load.Kind.RESISTANCE, ohms))
            .circuit());
  }

  @Test
  public void aChokeInputGivesNineTenthsAndItsRippleAboveTheCriticalInductance() {
    double ohms = 2000;
    double henries = 3 * Textbook.criticalHenries(50, ohms);
    Wave out = chokeInput(henries, 16e-6, ohms).voltage("c");
    assertThat(Textbook.chokeInputVolts(CREST / Math.sqrt(2), 0, 0))
        .isCloseTo(0.9 * CREST / Math.sqrt(2), within(0.2));
    assertThat(out.mean())
        .isCloseTo(
            Textbook.chokeInputVolts(CREST / Math.sqrt(2), out.mean() / ohms, 1), within(1.0));
    // The second harmonic alone, and the impedance of the capacitor against the load left out: a
    // few per cent.
    assertThat(out.rippleRms() / out.mean())
        .isCloseTo(
            Textbook.chokeInputRipple(50, henries, 16e-6),
            within(0.05 * Textbook.chokeInputRipple(50, henries, 16e-6)));
  }

  @Test
  public void belowTheCriticalInductanceTheVoltageClimbs() {
    double ohms = 20_000;
    double critical = Textbook.criticalHenries(50, ohms);
    assertThat(critical).isCloseTo(ohms / 942.5, within(0.01));
    double above = chokeInput(1.3 * critical, 16e-6, ohms).voltage("c").mean();
    double below = chokeInput(0.4 * critical, 16e-6, ohms).voltage("c").mean();
    double nineTenths = Textbook.chokeInputVolts(CREST / Math.sqrt(2), 0, 0);
    assertThat(above).isCloseTo(nineTenths, within(0.01 * nineTenths));
    assertThat(below).isGreaterThan(1.08 * nineTenths);
  }

  @Test
  public void aDoublerFallsByTheChargeItGivesAway() {
    for (double farads : List.of(47e-6, 100e-6)) {
      double amperes = 0.05;
      Waveforms w =
          SteadyState.of(
              Supply.of(
                      Mains.of(110, 50),
                      new Winding("w", 110, 0.01, false),
                      new Section.Doubler(
                          "D",
                          "w",
                          false,
                          IDEAL,
                          "b",
                          new Cap("C1", farads, 1e-3, 1e9),
                          new Cap("C2", farads, 1e-3, 1e9)),
                      new Load("load", "b", Load.Kind.CURRENT, amperes))
                  .circuit());
      double sag = amperes / (50 * farads);
      assertThat(w.voltage("b").mean())
          .isCloseTo(
              Textbook.doublerVolts(110 * Math.sqrt(2), amperes, 50, farads),
              within(0.15 * sag + 1));
    }
  }

  @Test
  public void averageRespondingMetersReadASawtoothLowAndASineRight() {
    // A sine: π/(2√2) of its mean magnitude is its RMS value. A triangle: mean magnitude A/2, RMS
    // A/√3, ratio 0.9620.
    Wave saw = behind(Scheme.FULL_WAVE, 470e-6, 2e3).voltage("b");
    assertThat(saw.rippleAverageResponding() / saw.rippleRms())
        .isCloseTo(Math.PI / (4 * Math.sqrt(2)) * Math.sqrt(3), within(0.01));
    Wave sine = behind(Scheme.FULL_WAVE, 470e-6, 2e3).voltage("w.a", "w.c");
    assertThat(sine.rippleAverageResponding())
        .isCloseTo(sine.rippleRms(), within(1e-3 * sine.rippleRms()));
    assertThat(sine.rippleRms()).isCloseTo(CREST / Math.sqrt(2), within(0.05));
  }
}
