package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.Impedance;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.Supply.Mains;

/**
 * Headroom of regulators, tolerance spread, and the knobs by which every value of a supply is
 * moved.
 */
public class MarginsTest {
  private static final double AMPERES = 0.5;
  private static final double MICRO = 1e-6;

  private static Supply regulated(double microfarads) {
    return Supply.of(
        Mains.of(230, 50),
        new Winding("T1", 15, 0.3, false),
        Rectify.of(
            "D1", "T1", Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), "raw"),
        Filter.at("f1", "raw", new Cap("C1", microfarads * MICRO, 0.05, 1e6)),
        Section.Regulate.of("U1", "raw", "out", 12),
        Filter.at("f2", "out", new Cap("C2", 10 * MICRO, 0.5, 1e6)),
        new Load("set", "out", Load.Kind.CURRENT, AMPERES));
  }

  /**
   * The bottom of the ripple of a full-wave rectifier is about the peak less two drops less I/(2fC)
   * (Millman and Halkias, Electronic Devices and Circuits, straight discharge over half a period;
   * from memory), which is a little too low because the discharge ends before the half period does.
   */
  @Test
  public void headroomIsCountedFromTheBottomOfTheRippleAtTheLowestLine() {
    Headroom h = Headroom.of(regulated(2200)).getFirst();
    double peak = 0.9 * 15 * Math.sqrt(2) - 2 * 0.9;
    double straight = peak - 1.1 * AMPERES / (2 * 50 * 2200 * MICRO);
    assertThat(h.lowestInput()).isBetween(straight - 1, straight + 1.2);
    assertThat(h.spare()).isCloseTo(h.lowestInput() - 12 - 2, within(1e-9));
    assertThat(h.keeps())
        .hasValueSatisfying(k -> {
          // With that share left the straight line says that nothing is to spare, within the same
          // margin.
          double valley = peak - 1.1 * AMPERES / (2 * 50 * 2200 * MICRO * k);
          assertThat(valley).isCloseTo(14, within(1.3));
        });
    // What it turns to heat: the mean drop across it times the current.
    assertThat(h.watts()).isBetween(AMPERES * 4, AMPERES * 9);
  }

  @Test
  public void aRegulatorWithAnOldReservoirDips() {
    Headroom h = Headroom.of(regulated(330)).getFirst();
    assertThat(h.spare()).isNegative();
    assertThat(h.keeps()).contains(1.0);
    assertThat(Headroom.of(SimulatedSets.valveAndChoke().supply())).isEmpty();
  }

  /**
   * A rail in proportion to the mains has the spread of the mains: 95 of 100 within e^±1.96σ
   * (normal distribution).
   */
  @Test
  public void theSpreadOfARailInProportionToTheMainsIsThatOfTheMains() {
    Supply s =
        Supply.of(
            Mains.of(230, 50),
            new Winding("T1", 230, 10, false),
            Rectify.of(
                "D1", "T1", Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "A"),
            Filter.at("f1", "A", new Cap("C1", 50 * MICRO, 1, 1e7)),
            new Load("l", "A", Load.Kind.RESISTANCE, 10_000));
    double sigma = 0.05;
    ToleranceRuns r =
        ToleranceRuns.of(
            s,
            List.of("A"),
            Map.of(new Parameter(Parameter.MAINS, Which.MAINS_VOLTS), sigma),
            3000,
            7,
            Watcher.NOBODY);
    List<Double> dc = r.rails().getFirst().dcVolts();
    double middle = ToleranceRuns.Rail.quantile(dc, 0.5);
    assertThat(r.runs() + r.failed()).isEqualTo(3000);
    assertThat(r.failed()).isZero();
    assertThat(ToleranceRuns.Rail.quantile(dc, 0.025) / middle)
        .isCloseTo(Math.exp(-1.96 * sigma), within(0.006));
    assertThat(ToleranceRuns.Rail.quantile(dc, 0.975) / middle)
        .isCloseTo(Math.exp(1.96 * sigma), within(0.006));
    assertThat(
            ToleranceRuns.of(s, List.of("A"), Map.of(), 3, 7, Watcher.NOBODY)
                .rails()
                .getFirst()
                .dcVolts()
                .stream()
                .distinct())
        .as("without tolerances all are alike")
        .hasSize(1);
    assertThatThrownBy(
            () -> ToleranceRuns.of(s, List.of("A"), Map.of(), 1000, 7, share -> share < 0.1))
        .isInstanceOf(StoppedException.class);
  }

  @Test
  public void everyValueOfASupplyCanBeMovedAndNoneElseMovesWithIt() {
    for (SimulatedSets.Set set : SimulatedSets.all()) {
      Map<Parameter, Double> all = Parameter.all(set.supply());
      assertThat(all).containsKey(new Parameter(Parameter.MAINS, Which.MAINS_VOLTS));
      all.forEach((knob, now) -> {
        Map<Parameter, Double> after = Parameter.all(knob.times(set.supply(), 1.5));
        all.forEach((other, was) -> {
          boolean whole =
              knob.which() == Which.CONDUCTANCE
                  && other.which() == Which.CONDUCTANCE
                  && other.element().startsWith(knob.element());
          if (other.equals(knob) && !whole) {
            assertThat(after.get(other))
                .as(knob.toString())
                .isCloseTo(1.5 * was, within(1e-9 * Math.abs(was)));
          } else if (!whole) {
            assertThat(after.get(other))
                .as(knob + " moved " + other)
                .isCloseTo(was, within(1e-12 * Math.abs(was)));
          }
        });
      });
    }
    assertThat(Parameter.whole("V1.2", Set.of("V1"))).isEqualTo("V1");
    assertThat(Parameter.whole("V1.2", Set.of("V2"))).isEqualTo("V1.2");
    assertThatThrownBy(() -> new Parameter("C9", Which.CAPACITANCE).in(regulated(100)))
        .hasMessageContaining("C9");
  }

  /**
   * A good part of the same value across an open one brings the ripple down many times; across a
   * leaky one nearly nothing moves, and a reservoir that is sound answers only by what doubling it
   * does (common practice: a bridge answers for open parts, not for leaky ones).
   */
  @Test
  public void aBridgeAnswersForOpenPartsAndNotForLeakyOnes() {
    SimulatedSets.Set set = SimulatedSets.valveAndChoke();
    BridgeForecast f =
        BridgeForecast.of(set.supply(), set.points(), "C2", 32 * MICRO).orElseThrow();
    assertThat(f.point()).isEqualTo("HT2");
    BridgeForecast.Case open =
        f.cases().stream()
            .filter(c -> c.mode().equals(Optional.of(Fault.Mode.OPEN)))
            .findFirst()
            .orElseThrow();
    BridgeForecast.Case leaky =
        f.cases().stream()
            .filter(c -> c.mode().equals(Optional.of(Fault.Mode.LEAKY)))
            .findFirst()
            .orElseThrow();
    BridgeForecast.Case sound =
        f.cases().stream().filter(c -> c.mode().isEmpty()).findFirst().orElseThrow();
    assertThat(open.rippleBefore() / open.rippleAfter()).isGreaterThan(10);
    assertThat(open.rippleAfter())
        .as("as if the part were sound")
        .isCloseTo(sound.rippleBefore(), within(0.1 * sound.rippleBefore()));
    assertThat(leaky.dcAfter())
        .as("the leak is still there")
        .isCloseTo(leaky.dcBefore(), within(0.005 * leaky.dcBefore()));
    assertThat(leaky.dcBefore()).isLessThan(sound.dcBefore() - 5);
    assertThat(sound.rippleAfter())
        .as("twice the capacitance, half the ripple")
        .isCloseTo(sound.rippleBefore() / 2, within(0.06 * sound.rippleBefore()));
    assertThat(open.answers()).isTrue();
    assertThat(BridgeForecast.of(set.supply(), set.points(), "C9", MICRO)).isEmpty();
  }

  /**
   * Two capacitors side by side read as their sum; behind a resistor of a hundred times their
   * reactance only the near one is seen.
   */
  @Test
  public void aMeterInCircuitSeesWhatLiesBeside() {
    Supply s =
        Supply.of(
            Mains.of(230, 50),
            new Winding("T1", 230, 50, false),
            Rectify.of(
                "D1", "T1", Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "A"),
            Filter.at("f1", "A", new Cap("C1", 10 * MICRO, 2, 1e9)),
            Filter.at("f2", "A", new Cap("C2", 22 * MICRO, 2, 1e9)),
            Filter.through(
                "f3",
                "A",
                new Section.Way.Resistor("R1", 20_000),
                "B",
                new Cap("C3", 47 * MICRO, 1, 1e9)));
    InPlace near = InPlace.of(s, "C1", 100).orElseThrow();
    assertThat(near.alone().farads()).isCloseTo(10 * MICRO, within(1e-9));
    assertThat(near.alone().ohms()).isCloseTo(2, within(1e-4));
    assertThat(near.inPlace().farads()).isCloseTo(32 * MICRO, within(0.1 * MICRO));
    assertThat(near.inPlace().ohms()).isBetween(1.0, 1.3);
    assertThat(InPlace.of(s, "C3", 100).orElseThrow().inPlace().farads())
        .isCloseTo(47 * MICRO, within(0.2 * MICRO));
    assertThat(InPlace.of(s, "R1", 100)).isEmpty();
  }

  /**
   * Impedances by hand: a resistor and a capacitor in series, a coil at a frequency, an LC circuit
   * at its resonance.
   */
  @Test
  public void impedancesByHand() {
    double hertz = 50;
    double omega = 2 * Math.PI * hertz;
    Impedance z =
        Impedance.between(
            List.of(
                new Element.Resistance("r", "a", "m", 100),
                new Element.Capacitance("c", "m", "0", 10 * MICRO, 0, 1e12)),
            "a",
            "0",
            hertz);
    assertThat(z.ohms()).isCloseTo(100, within(1e-6));
    assertThat(z.reactance()).isCloseTo(-1 / (omega * 10 * MICRO), within(1e-4));
    assertThat(
            Impedance.between(
                    List.of(new Element.Inductance("l", "a", "0", 2, 30, 1e12)), "a", "0", hertz)
                .reactance())
        .isCloseTo(omega * 2, within(1e-3));
    double resonant = 1 / (2 * Math.PI * Math.sqrt(10 * 10 * MICRO));
    assertThat(
            Impedance.between(
                    List.of(
                        new Element.Inductance("l", "a", "0", 10, 0, 50_000),
                        new Element.Capacitance("c", "a", "0", 10 * MICRO, 0, 1e12)),
                    "a",
                    "0",
                    resonant)
                .ohms())
        .as("only the loss is left")
        .isCloseTo(50_000, within(1.0));
    assertThatThrownBy(() -> Impedance.between(List.of(), "a", "0", 50)).hasMessageContaining("a");
  }

  /**
   * A choke that loses turns keeps the quality of its core: the loss beside it falls with its
   * inductance (common practice).
   */
  @Test
  public void aChokeKeepsItsQualityWhenItsInductanceIsMoved() {
    Section.Way.Choke choke = Section.Way.Choke.of("L1", 10, 350);
    Supply half =
        new Parameter("L1", Which.INDUCTANCE).times(SimulatedSets.valveAndChoke().supply(), 0.5);
    Section.Way way =
        half.sections().stream()
            .filter(Filter.class::isInstance)
            .map(s -> ((Filter) s).way())
            .filter(Section.Way.Choke.class::isInstance)
            .findFirst()
            .orElseThrow();
    assertThat(way)
        .isInstanceOfSatisfying(
            Section.Way.Choke.class,
            c -> {
              assertThat(c.henries()).isCloseTo(5, within(1e-9));
              assertThat(c.lossOhms() / c.henries())
                  .isCloseTo(choke.lossOhms() / choke.henries(), within(1e-6));
              assertThat(c.ohms()).isEqualTo(choke.ohms());
            });
  }
}
