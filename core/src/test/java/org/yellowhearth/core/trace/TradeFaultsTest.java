package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.Supply.Mains;
import org.yellowhearth.core.trace.Diagnosis.Datum;
import org.yellowhearth.core.trace.Diagnosis.Explanation;
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
}
