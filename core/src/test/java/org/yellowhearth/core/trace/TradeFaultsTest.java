package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.Supply.Mains;
import org.yellowhearth.core.trace.Diagnosis.Datum;
import org.yellowhearth.core.trace.Diagnosis.Explanation;
import org.yellowhearth.core.trace.Fault.Mode;
import org.yellowhearth.core.trace.SimulatedSets.Set;

/**
 * What practitioners conclude at the bench, concluded from the same readings; all common practice.
 */
public class TradeFaultsTest {
  private static Datum dc(String point, double volts) {
    return Datum.of(point, Kind.DIRECT, volts, SimulatedSets.METER);
  }

  private static Datum ac(String point, double volts) {
    return Datum.of(point, Kind.TRUE_RMS, volts, SimulatedSets.METER);
  }

  private static List<Explanation> from(Set set, Datum... data) {
    return Diagnosis.of(set.question(List.of(data)), Watcher.NOBODY).orElseThrow().singles();
  }

  private static Set twoRails() {
    return new Set(
        "two rails",
        new Supply(
            Mains.of(230, 50),
            4,
            List.of(
                new Winding("T1", 25, 0.3, true),
                Rectify.of(
                    "D1",
                    "T1",
                    Scheme.FULL_WAVE,
                    RectifierModel.of(RectifierTechnology.SILICON),
                    "P"),
                Rectify.of(
                        "D2",
                        "T1",
                        Scheme.FULL_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "N")
                    .negativeSide(),
                Filter.at("f1", "P", SimulatedSets.cap("C1", 4700)),
                Filter.at("f2", "N", SimulatedSets.cap("C2", 4700)),
                new Load("a", "P", Load.Kind.RESISTANCE, 100),
                new Load("b", "N", Load.Kind.RESISTANCE, 100))),
        List.of("P", "N"));
  }

  /** One supply capacitor has volts of AC across it where its neighbour has tenths: it is gone. */
  @Test
  public void theOneCapacitorWithVoltsOfRippleIsGone() {
    List<Explanation> all = from(twoRails(), ac("P", 10), ac("N", 0.2));
    assertThat(all.getFirst().parts()).containsExactly("C1");
    assertThat(all.getFirst().probability()).isGreaterThan(0.9);
  }

  /**
   * One bad rail beside a good one is not the transformer and not the line: it is something on that
   * rail.
   */
  @Test
  public void oneBadRailOfTwoIsSomethingOnThatRail() {
    List<Explanation> all = from(twoRails(), dc("P", 33), dc("N", -25));
    double own =
        all.stream()
            .filter(e -> e.parts().stream().anyMatch(p -> List.of("C2", "D2", "b").contains(p)))
            .mapToDouble(Explanation::probability)
            .sum();
    assertThat(own).isGreaterThan(0.95);
  }

  /**
   * 400 mV of ripple on a regulated 10 V output is far too much: look upstream, at the reservoir
   * that feeds the regulator.
   */
  @Test
  public void rippleBehindARegulatorPointsAtItsReservoir() {
    Set set =
        new Set(
            "regulated",
            Supply.of(
                Mains.of(230, 50),
                new Winding("T1", 12, 0.4, false),
                Rectify.of(
                    "D1",
                    "T1",
                    Scheme.BRIDGE,
                    RectifierModel.of(RectifierTechnology.SILICON),
                    "raw"),
                Filter.at("f1", "raw", SimulatedSets.cap("C1", 2200)),
                Section.Regulate.of("U1", "raw", "out", 10),
                Filter.at("f2", "out", SimulatedSets.cap("C2", 10)),
                new Load("set", "out", Load.Kind.CURRENT, 0.4)),
            List.of("raw", "out"));
    List<Explanation> all = from(set, dc("out", 9.7), ac("out", 0.4), ac("raw", 1.6));
    assertThat(all.getFirst().parts()).containsExactly("C1");
    assertThat(all.stream().filter(Explanation::sound).findFirst().orElseThrow().probability())
        .isLessThan(0.01);
  }

  /** A rail at nothing behind good windings: what lies across it is a short, whatever its ESR. */
  @Test
  public void aShortIsAShort() {
    Set set = SimulatedSets.valveAndChoke();
    double rail =
        Settled.of(
                new Fault(new Parameter("C3", Which.LEAKAGE_RESISTANCE), Mode.SHORTED, 0.3)
                    .in(set.supply()))
            .waves()
            .voltage("SC")
            .mean();
    assertThat(rail).as("0.3 Ω, and not its series resistance with it").isLessThan(0.1);
    List<Explanation> all = from(set, dc("HT", 318), dc("HT2", 300), dc("SC", 0.03), ac("SC", 0));
    assertThat(all.getFirst().parts()).containsExactly("C3");
    assertThat(all.getFirst().faults().getFirst().mode()).isEqualTo(Mode.SHORTED);
  }

  /** A silicon leg that is open passes nothing, at any voltage and any load. */
  @Test
  public void anOpenDiodePassesNothing() {
    Set set = twoRails();
    Supply open =
        new Fault(new Parameter("D1.1", Which.CONDUCTANCE), Mode.LEG_OPEN, 1e-6).in(set.supply());
    assertThat(Settled.of(open).waves().current("D1.1").peak()).isLessThan(1e-4);
  }

  /**
   * Readings that no single fault of this supply brings about: no explanation is sure, and it is
   * said that none passes.
   */
  @Test
  public void whatNothingExplainsIsSaid() {
    List<Explanation> all = from(twoRails(), dc("P", 140), dc("N", -3), ac("P", 0.01), ac("N", 8));
    assertThat(all).noneMatch(Explanation::passes);
    assertThat(Diagnosis.unexplained(all)).isGreaterThan(0.5);
    assertThat(Diagnosis.unexplained(from(twoRails(), dc("P", 33), dc("N", -33)))).isLessThan(0.1);
    assertThat(
            Diagnosis.unexplained(
                from(twoRails(), dc("P", 30), dc("N", -38), ac("P", 0.4), ac("N", 0.4))))
        .as("one rail a tenth low and the other a tenth high, both as quiet")
        .isGreaterThan(0.9);
  }

  /**
   * A regulator whose output capacitor is off still holds its rail, by the engine at once: the
   * capacitor is not followed through nanoseconds.
   */
  @Test
  public void aRegulatorWithoutItsOutputCapacitorIsWorkedOut() {
    Supply s =
        Supply.of(
            Mains.of(230, 50),
            new Winding("T1", 12, 0.4, false),
            Rectify.of(
                "D1", "T1", Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), "raw"),
            Filter.at("f1", "raw", SimulatedSets.cap("C1", 2200)),
            Section.Regulate.of("U1", "raw", "out", 10),
            Filter.at("f2", "out", SimulatedSets.cap("C2", 10)),
            new Load("set", "out", Load.Kind.CURRENT, 0.4));
    Parameter c2 = new Parameter("C2", Which.CAPACITANCE);
    for (double farads : new double[] {10e-6, 1e-7, 1e-8, 0.5e-9}) {
      var waves = Settled.of(c2.set(s, farads)).waves();
      assertThat(waves.voltage("out").mean()).as("%g F", farads).isBetween(9.9, 10.0);
      assertThat(waves.voltage("out").rippleRms()).as("%g F", farads).isLessThan(0.05);
    }
  }
}
