package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.supply.Parameter;
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
import org.yellowhearth.core.supply.ValveModel;
import org.yellowhearth.core.trace.Fault.Mode;

/**
 * The ways in which parts fail are those of the trade (common practice), and each can be worked
 * out.
 */
public class FaultLineTest {
  private static Map<Mode, List<FaultLine>> modes(Supply supply, String part) {
    return FaultLine.of(supply).stream()
        .filter(l -> l.part().equals(part))
        .collect(Collectors.groupingBy(l -> l.steps().getLast().mode()));
  }

  @Test
  public void partsFailAsTheirKindFails() {
    Supply s = SimulatedSets.valveAndChoke().supply();
    assertThat(modes(s, "C1"))
        .as("capacitors dry, lose, leak and short")
        .containsOnlyKeys(Mode.CAPACITANCE_LOW, Mode.OPEN, Mode.LOSSY, Mode.LEAKY, Mode.SHORTED);
    assertThat(modes(s, "R1")).containsOnlyKeys(Mode.DRIFTED_HIGH, Mode.OPEN, Mode.DRIFTED_LOW);
    assertThat(modes(s, "L1")).containsOnlyKeys(Mode.TURNS_SHORTED, Mode.OPEN);
    assertThat(modes(s, "V1"))
        .as("a valve wears, whole or by legs, and flashes over")
        .containsOnlyKeys(Mode.OPEN, Mode.WEAK, Mode.LEG_OPEN, Mode.LEG_WEAK, Mode.SHORTED);
    assertThat(modes(s, "out"))
        .containsOnlyKeys(Mode.DRAWS_MUCH, Mode.DRAWS_LITTLE, Mode.DRAWS_NOTHING);
    assertThat(modes(s, Parameter.MAINS))
        .as("the mains does not come in, or the setting is another's")
        .containsOnlyKeys(Mode.NO_MAINS, Mode.WRONG_SETTING);
  }

  /** Silicon conducts or it does not; selenium wears (common practice). */
  @Test
  public void siliconDoesNotWearAndSeleniumDoes() {
    Supply silicon = SimulatedSets.all().get(1).supply();
    assertThat(modes(silicon, "D1").get(Mode.LEG_OPEN))
        .allSatisfy(l -> assertThat(l.steps()).hasSize(1));
    Supply selenium = SimulatedSets.all().get(3).supply();
    assertThat(modes(selenium, "D1")).containsKey(Mode.WEAK);
    assertThat(modes(silicon, "D1")).doesNotContainKeys(Mode.WEAK, Mode.LEG_WEAK);
    assertThat(modes(silicon, "D1")).containsKey(Mode.SHORTED).doesNotContainKey(Mode.LEAKY);
    assertThat(modes(selenium, "D1")).containsKeys(Mode.SHORTED, Mode.LEAKY);
  }

  /** A resistive load that draws much has fewer ohms, one that draws nothing has many. */
  @Test
  public void whatALoadDrawsFollowsItsKind() {
    Supply s = SimulatedSets.all().get(2).supply();
    double ohms = new Parameter("l", Parameter.Which.LOAD).in(s);
    FaultLine much = modes(s, "l").get(Mode.DRAWS_MUCH).getFirst();
    assertThat(much.steps()).allSatisfy(f -> assertThat(f.value()).isLessThan(ohms));
    assertThat(modes(s, "l").get(Mode.DRAWS_NOTHING).getFirst().steps().getLast().value())
        .isGreaterThan(1000 * ohms);
  }

  /**
   * Severities go one way, and every one of them has a steady state, with valve stages and
   * regulators too.
   */
  @Test
  public void everySeverityCanBeWorkedOut() {
    Supply s =
        Supply.of(
            Mains.of(230, 50),
            new Winding("T1", 250, 150, true),
            Rectify.of("V1", "T1", Scheme.FULL_WAVE, RectifierModel.vacuum(20, 0.09), "HT"),
            Filter.at("f1", "HT", SimulatedSets.cap("C1", 16)),
            new Section.Stage(
                "V2",
                "HT",
                ValveModel.through(0.04, -7, 250, 20, 0.87, 20),
                500,
                Optional.of(
                    new Section.Stage.Decoupled(10_000, Optional.of(SimulatedSets.cap("C2", 4)))),
                180,
                Optional.of(new Cap("C3", 50e-6, 2, 1e6)),
                470_000,
                "0"),
            Filter.through(
                "f2",
                "HT",
                new Section.Way.Resistor("R1", 10_000),
                "Z",
                SimulatedSets.cap("C4", 8)),
            new Section.Stabilise("V3", "Z", 105, 100, false),
            new Load("l", "Z", Load.Kind.CURRENT, 0.005));
    List<FaultLine> lines = FaultLine.of(s);
    assertThat(lines).extracting(FaultLine::part).contains("V2", "V3", "C2", "C3");
    for (FaultLine l : lines) {
      List<Double> values = l.steps().stream().map(Fault::value).toList();
      boolean up = values.size() < 2 || values.get(1) > values.get(0);
      assertThat(values)
          .as(l.part())
          .isSortedAccordingTo((a, b) -> up ? Double.compare(a, b) : Double.compare(b, a));
      l.steps()
          .forEach(f ->
              assertThat(SteadyState.of(f.in(s).circuit()).voltage("HT").mean())
                  .as(f.toString())
                  .isBetween(-5.0, 800.0));
    }
    assertThat(s.innerPoints()).containsExactly("V2.a", "V2.g2", "V2.k");
  }

  /**
   * Full-wave rectification has no odd harmonics of the mains (Fourier series of a rectified sine,
   * any textbook); with one leg open half of the pulses are missing, and the first stands above all
   * others: hum at the line frequency itself.
   */
  @Test
  public void anOpenLegBringsTheLineFrequencyIntoTheRipple() {
    Supply s = SimulatedSets.valveAndChoke().supply();
    Wave whole = SteadyState.of(s.circuit()).voltage("HT");
    assertThat(whole.harmonic(1)).isLessThan(0.01 * whole.harmonic(2));
    assertThat(whole.harmonic(3)).isLessThan(0.01 * whole.harmonic(2));
    assertThat(whole.harmonic(2)).isGreaterThan(3 * whole.harmonic(4));
    Wave one =
        SteadyState.of(
                new Fault(new Parameter("V1.2", Parameter.Which.CONDUCTANCE), Mode.LEG_OPEN, 1e-6)
                    .in(s)
                    .circuit())
            .voltage("HT");
    assertThat(one.harmonic(1)).isGreaterThan(2 * one.harmonic(2));
    // A choke and the capacitor behind it weaken with the square of the frequency: 50 Hz comes
    // through four times as well as 100 Hz.
    Wave behind =
        SteadyState.of(
                new Fault(new Parameter("V1.2", Parameter.Which.CONDUCTANCE), Mode.LEG_OPEN, 1e-6)
                    .in(s)
                    .circuit())
            .voltage("HT2");
    assertThat(behind.harmonic(1) / behind.harmonic(2))
        .isGreaterThan(2.5 * one.harmonic(1) / one.harmonic(2));
    assertThat(whole.harmonic(0)).isCloseTo(whole.mean(), within(1e-3 * whole.mean()));
  }
}
