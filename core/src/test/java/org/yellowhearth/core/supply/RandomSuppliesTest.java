package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.BadCircuitException;
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

/** Plausible supplies are all solved, impossible ones are refused with a reason. */
public class RandomSuppliesTest {
  /** All are solved, in at most twelve iterations. */
  private static void solveAll(long from, long to) {
    for (long seed = from; seed < to; seed++) {
      Waveforms w = SteadyState.of(RandomSupplies.of(seed).circuit());
      assertThat(w.iterations()).as("seed " + seed).isLessThanOrEqualTo(12);
      assertThat(w.voltage("p0").mean()).as("seed " + seed).isBetween(-1.0, 2000.0);
    }
  }

  @Test
  public void aThousandPlausibleSuppliesAreSolvedInTwelveIterations() {
    solveAll(0, 1000);
  }

  @Test(groups = "long")
  public void tenThousandPlausibleSuppliesAreSolvedInTwelveIterations() {
    // Among them regulators that hold a capacitor which hardly discharges: the search runs in
    // circles, and begins again.
    solveAll(1000, 10_000);
  }

  /**
   * A grid moves the current of its anode and hardly its own voltage. The search follows that: a
   * valve on a bias that its own current makes is found in few periods, where one that took the
   * grid for idle needed seventeen.
   */
  @Test
  public void aGridOnABackBiasIsFollowed() {
    Supply set =
        Supply.of(
            Mains.of(230, 50),
            new Winding("w", 275, 210, true),
            new Rectify(
                "V5",
                "w",
                Scheme.FULL_WAVE,
                RectifierModel.vacuum(22, 0.1),
                false,
                "HT",
                "bias",
                List.of(1.0, 1.0)),
            Filter.at("f", "HT", new Cap("C1", 24e-6, 6, 1e6)),
            Filter.through(
                "g",
                "HT",
                Section.Way.Choke.of("L1", 9, 320),
                "HT2",
                new Cap("C2", 29e-6, 11, 1e6)),
            new Section.Resist("r", "R7", "bias", "0", 88),
            Filter.at("h", "bias", new Cap("C18", 31e-6, 5, 1e6)),
            new Section.Stage(
                "V4",
                "HT2",
                ValveModel.through(0.041, -7, 250, 20, 0.87, 20),
                400,
                Optional.empty(),
                0,
                Optional.empty(),
                470_000,
                "bias"),
            new Load("set", "HT2", Load.Kind.CURRENT, 0.02));
    Waveforms w = SteadyState.of(set.circuit());
    assertThat(w.iterations()).isLessThanOrEqualTo(9);
    double bias = w.voltage("bias").mean();
    assertThat(bias)
        .as("all of the current through 88 Ω")
        .isCloseTo(-88 * w.current("L1").mean(), within(0.05));
  }

  /**
   * What flows into every capacitor over a period flows out again, whatever the supply: charge is
   * neither made nor lost.
   */
  @Test
  public void inTheSteadyStateNoCapacitorKeepsCharge() {
    for (long seed = 20_000; seed < 20_100; seed++) {
      Supply supply = RandomSupplies.of(seed);
      Waveforms w = SteadyState.of(supply.circuit());
      supply.sections().stream()
          .filter(Filter.class::isInstance)
          .map(Filter.class::cast)
          .flatMap(f -> f.shunt().stream())
          .map(Cap::part)
          .forEach(c ->
              assertThat(w.current(c).mean())
                  .as(c)
                  .isCloseTo(0, within(2e-3 * w.current(c).rms() + 1e-6)));
    }
  }

  @DataProvider
  public Object[][] impossible() {
    Winding winding = new Winding("w", 20, 1, false);
    Load load = new Load("load", "b", Load.Kind.RESISTANCE, 100);
    Rectify bridge =
        Rectify.of("D1", "w", Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), "b");
    return new Object[][] {
      {new Section[] {bridge, load}, "D1: is fed by “w”, which is no winding of this supply"},
      {
        new Section[] {
          winding,
          Rectify.of(
              "D1", "w", Scheme.FULL_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "b"),
          load
        },
        "no centre tap"
      },
      {
        new Section[] {winding, bridge, new Load("load", "c", Load.Kind.RESISTANCE, -5)},
        "load: expected resistance"
      },
      {
        new Section[] {winding, bridge, Filter.at("f", "b", new Cap("C1", 0, 0, 1e6)), load},
        "C1: expected capacitance"
      },
      {
        new Section[] {winding, bridge, load, new Load("load", "b", Load.Kind.RESISTANCE, 5)},
        "load: names two sections"
      },
      {
        new Section[] {
          winding, bridge, Filter.at("f", "b", new Cap("C1", 1e-6, Double.NaN, 1e6)), load
        },
        "series resistance"
      },
      {
        new Section[] {winding, bridge, load, new Section.Resist("x", "R9", "lost", "gone", 10)},
        "node gone: has no path"
      }
    };
  }

  @Test(dataProvider = "impossible")
  public void whatCannotBeIsRefusedWithItsPlace(Section[] sections, String why) {
    assertThatThrownBy(() -> Supply.of(Mains.of(230, 50), sections).circuit())
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining(why);
    assertThatThrownBy(() -> Mains.of(0, 50))
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining("mains");
    assertThatThrownBy(() -> Mains.of(Double.NaN, 50)).isInstanceOf(BadCircuitException.class);
  }
}
