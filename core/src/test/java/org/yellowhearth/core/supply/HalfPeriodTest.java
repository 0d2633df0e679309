package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
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

/**
 * A full-wave rectifier does the same twice in a period, and only half a period is worked out; a
 * leg that is off by a millionth breaks that, so that the whole period is worked out, and the
 * figures must be the same.
 */
public class HalfPeriodTest {
  private static final double HARDLY = 1 + 1e-6;

  @DataProvider
  public Object[][] twice() {
    Filter reservoir = Filter.at("f", "b", new Cap("C1", 470e-6, 0.1, 1e6));
    Load load = new Load("load", "b", Load.Kind.RESISTANCE, 150);
    Winding tapped = new Winding("w", 24, 1.5, true);
    Winding plain = new Winding("w", 24, 1.5, false);
    return new Object[][] {
      {Scheme.FULL_WAVE, RectifierModel.vacuum(12, 0.3), tapped, reservoir, load},
      {Scheme.FULL_WAVE, RectifierModel.of(RectifierTechnology.SILICON), tapped, reservoir, load},
      {Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), plain, reservoir, load},
      {
        Scheme.BRIDGE,
        RectifierModel.of(RectifierTechnology.SELENIUM, 2, 20),
        plain,
        reservoir,
        load
      }
    };
  }

  private static Waveforms with(
      Scheme scheme,
      RectifierModel model,
      Winding winding,
      Filter filter,
      Load load,
      double firstLeg) {
    List<Double> legs = new ArrayList<>(Rectify.whole(scheme));
    legs.set(0, firstLeg);
    return SteadyState.of(
        Supply.of(
                Mains.of(230, 50),
                winding,
                new Rectify("D", "w", scheme, model, false, "b", Section.CHASSIS, legs),
                filter,
                load)
            .circuit());
  }

  @Test(dataProvider = "twice")
  public void halfAPeriodTellsTheWhole(
      Scheme scheme, RectifierModel model, Winding winding, Filter filter, Load load) {
    Waveforms half = with(scheme, model, winding, filter, load, 1);
    Waveforms whole = with(scheme, model, winding, filter, load, HARDLY);
    assertThat(half.voltage("b").period()).isCloseTo(0.02, within(1e-12));
    assertThat(half.voltage("b").mean()).isCloseTo(whole.voltage("b").mean(), within(1e-4));
    assertThat(half.voltage("b").peakToPeak())
        .isCloseTo(whole.voltage("b").peakToPeak(), within(5e-4 * whole.voltage("b").peakToPeak()));
    for (int leg = 1; leg <= Rectify.whole(scheme).size(); leg++) {
      assertThat(half.current("D." + leg).rms())
          .as("leg " + leg)
          .isCloseTo(
              whole.current("D." + leg).rms(), within(5e-4 * whole.current("D." + leg).rms()));
      assertThat(half.voltage("w.a", "w.b").harmonic(1))
          .isCloseTo(whole.voltage("w.a", "w.b").harmonic(1), within(1e-3));
    }
    assertThat(half.voltage("b").harmonic(1)).as("nothing at mains frequency").isLessThan(1e-6);
  }

  @Test(dataProvider = "twice")
  public void aWeakLegShowsAtMainsFrequency(
      Scheme scheme, RectifierModel model, Winding winding, Filter filter, Load load) {
    assertThat(with(scheme, model, winding, filter, load, 0.3).voltage("b").harmonic(1))
        .isGreaterThan(0.01);
  }
}
