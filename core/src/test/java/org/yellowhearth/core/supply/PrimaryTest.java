package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/** A series lamp, what else hangs on the mains, and the watts that the mains gives. */
public class PrimaryTest {
  private static final double VOLTS = 230;

  /** A supply that takes next to nothing beside what heaters take. */
  private static Supply heaters(double watts, double lampWatts) {
    return new Supply(
        Mains.of(VOLTS, 50),
        new Primary(0.01, watts, Optional.of(Lamp.cold(lampWatts, VOLTS))),
        List.of(
            new Winding("w", 6, 1, false),
            Rectify.of(
                "D", "w", Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "b"),
            Filter.at("f", "b", new Cap("C", 10e-6, 1, 1e6)),
            new Load("l", "b", Load.Kind.RESISTANCE, 1e6)));
  }

  @DataProvider
  public Object[][] lamps() {
    return new Object[][] {{40, 100}, {40, 25}, {150, 60}, {400, 100}, {5, 100}};
  }

  /**
   * Lamp and resistance in series, by halving: V = R·I + v(I), with I = I₀·(v/V₀)^0.55 (IES
   * Lighting Handbook, from memory).
   */
  @Test(dataProvider = "lamps")
  public void aLampTakesWhatItsLawLeavesIt(double heaterWatts, double lampWatts) {
    double load = VOLTS * VOLTS / heaterWatts;
    double rated = lampWatts / VOLTS;
    double low = 0;
    double high = VOLTS / load;
    for (int k = 0; k < 60; k++) {
      double i = (low + high) / 2;
      double lamp = Math.max(VOLTS * Math.pow(i / rated, 1 / 0.55), i * VOLTS / rated / 12);
      if (load * i + lamp > VOLTS) {
        high = i;
      } else {
        low = i;
      }
    }
    Settled settled = Settled.of(heaters(heaterWatts, lampWatts));
    assertThat(settled.waves().current(Supply.LAMP).rms()).isCloseTo(low, within(2e-4 * low));
    assertThat(settled.mainsWatts()).isCloseTo(VOLTS * low, within(5e-4 * VOLTS * low));
  }

  /** A lamp before windings that share nothing else with one another is before all of them. */
  @Test
  public void aLampAloneIsThereToo() {
    Supply set = heaters(40, 25);
    Settled alone = Settled.of(set.with(new Primary(0, 40, set.primary().lamp())));
    double amperes = Settled.of(set).waves().current(Supply.LAMP).rms();
    assertThat(alone.waves().current(Supply.LAMP).rms()).isCloseTo(amperes, within(1e-3 * amperes));
  }

  private static double lampVolts(double loadOhms) {
    Supply set =
        new Supply(
            Mains.of(VOLTS, 50),
            new Primary(20, 20, Optional.of(Lamp.cold(100, VOLTS))),
            List.of(
                new Winding("w", 250, 150, true),
                Rectify.of("V", "w", Scheme.FULL_WAVE, RectifierModel.vacuum(20, 0.125), "b"),
                Filter.at("f", "b", new Cap("C", 32e-6, 3, 1e6)),
                new Load("l", "b", Load.Kind.RESISTANCE, loadOhms)));
    Wave i = Settled.of(set).waves().current(Supply.LAMP);
    return i.rms() * Settled.of(set).supply().primary().lamp().orElseThrow().ohms();
  }

  /**
   * Common practice: a 100 W lamp before a small healthy receiver glows faintly; before one with a
   * shorted rail it is bright.
   */
  @Test
  public void theLampTellsAShortFromASet() {
    assertThat(lampVolts(5000))
        .as("a fifth of its voltage or less glows dull red")
        .isLessThan(0.2 * VOLTS);
    assertThat(lampVolts(20)).as("bright").isGreaterThan(0.6 * VOLTS);
  }

  /**
   * What the mains gives turns to heat, all of it (conservation of energy), whatever the supply.
   */
  @Test
  public void allWattsAreFoundAgain() {
    for (long seed = 30_000; seed < 30_120; seed++) {
      Settled s = Settled.of(RandomSupplies.of(seed));
      double heat = s.circuit().elements().stream().mapToDouble(e -> watts(s, e)).sum();
      assertThat(s.mainsWatts()).as("seed " + seed).isCloseTo(heat, within(3e-3 * heat));
    }
  }

  private static double square(Wave w) {
    return w.rms() * w.rms();
  }

  private static double watts(Settled s, Element e) {
    Wave v = e.nodes().size() < 2 ? null : s.waves().voltage(e.nodes().get(0), e.nodes().get(1));
    return switch (e) {
      case Element.Resistance r -> square(s.waves().current(r.name())) * r.ohms();
      case Element.Capacitance c ->
          s.waves().current(c.name()).meanProduct(v) + square(v) / c.leakOhms();
      case Element.Inductance l -> s.waves().current(l.name()).meanProduct(v);
      case Element.Source src -> square(s.waves().current(src.name())) * src.ohms();
      case Element.IdealTransformer t -> {
        double copper = 0;
        for (int k = 0; k < t.windings().size(); k++) {
          copper += square(s.waves().current(t.name(), k)) * t.windings().get(k).ohms();
        }
        yield copper;
      }
      case Device d -> {
        double all = 0;
        for (int k = 0; k < d.pairs().size(); k++) {
          all +=
              s.waves()
                  .current(d.name(), k)
                  .meanProduct(
                      s.waves().voltage(d.pairs().get(k).plus(), d.pairs().get(k).minus()));
        }
        yield all;
      }
    };
  }

  @Test
  public void impossibleLampsAreRefused() {
    assertThatThrownBy(() -> Lamp.cold(0, 230))
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining("lamp");
    assertThatThrownBy(() -> new Primary(-1, 0, Optional.empty()))
        .isInstanceOf(BadCircuitException.class);
  }
}
