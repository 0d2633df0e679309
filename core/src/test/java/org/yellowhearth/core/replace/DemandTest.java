package org.yellowhearth.core.replace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.Demand.Circumstance;
import org.yellowhearth.core.replace.Demand.Seen;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.SimulatedSets;

/** What can happen to a place, and what a part must be rated for then. */
public class DemandTest {
  private static final PartRef C1 = PartRef.of("C1");
  private static final PartRef C2 = PartRef.of("C2");

  private static Map<Circumstance, Double> cases(Supply supply, PartRef part) {
    return Demand.of(supply, false, Watcher.NOBODY).get(part).cases().stream()
        .collect(Collectors.toMap(Seen::when, Seen::volts));
  }

  /**
   * A series regulator that fails short puts its input on its output (common practice): twelve
   * volts become what the reservoir stands at, the peak of 22 V less two junctions.
   */
  @Test
  public void behindARegulatorItsInputCounts() {
    Supply supply =
        Supply.of(
            Supply.Mains.of(230, 50),
            new Winding("T1", 22, 0.4, false),
            Rectify.of(
                "D1", "T1", Scheme.BRIDGE, RectifierModel.of(RectifierTechnology.SILICON), "raw"),
            Filter.at("f1", "raw", new Section.Cap("C1", 2200e-6, 0.05, 1e9)),
            Section.Regulate.of("U1", "raw", "out", 12),
            Filter.at("f2", "out", new Section.Cap("C2", 100e-6, 0.1, 1e9)),
            new Load("set", "out", Load.Kind.CURRENT, 0.1));
    Map<Circumstance, Double> seen = cases(supply, C2);
    assertThat(seen.get(Circumstance.HIGH_LINE)).isCloseTo(12, within(0.2));
    assertThat(seen.get(Circumstance.REGULATOR_SHORTED)).isBetween(27.0, Math.sqrt(2) * 22);
    Demand demand = Demand.of(supply, false, Watcher.NOBODY).get(C2);
    assertThat(demand.worst().orElseThrow().when()).isEqualTo(Circumstance.REGULATOR_SHORTED);
    assertThat(demand.leastRating()).as("16 and 25 V would fail").isBetween(23.0, 28.0);
  }

  private static Supply direct(RectifierModel rectifier) {
    return Supply.of(
        Supply.Mains.of(230, 50),
        new Winding("line", 230, 60, false),
        Rectify.of("V1", "line", Scheme.HALF_WAVE, rectifier, "HT"),
        Filter.at("f1", "HT", new Section.Cap("C1", 50e-6, 1, 1e9)),
        new Load("set", "HT", Load.Kind.CURRENT, 0.06));
  }

  /**
   * In a series string a valve that is pulled cools the rectifier too; a silicon rectifier goes on
   * charging, and so does a heated one behind a transformer (common practice).
   */
  @Test
  public void nothingDrawnCanNotHappenToAString() {
    assertThat(cases(direct(RectifierModel.vacuum(20, 0.1)), C1))
        .doesNotContainKey(Circumstance.LIGHT)
        .containsKey(Circumstance.COLD);
    assertThat(cases(direct(RectifierModel.of(RectifierTechnology.SILICON)), C1))
        .containsKey(Circumstance.LIGHT);
    assertThat(cases(SimulatedSets.all().getFirst().supply(), C1)).containsKey(Circumstance.LIGHT);
  }

  /** IEC 60384-4: surge voltage 1.15 times the rating up to 315 V, 1.1 above (from memory). */
  @Test
  public void aShortTimeMayExceedTheRatingByTheSurgeVoltage() {
    assertThat(new Seen(Circumstance.COLD, 345).leastRating()).isCloseTo(300, within(1e-9));
    assertThat(new Seen(Circumstance.COLD, 495).leastRating()).isCloseTo(450, within(1e-9));
    assertThat(new Seen(Circumstance.HIGH_LINE, 345).leastRating()).isEqualTo(345);
  }

  /** What was typed is not overruled: the higher counts, whichever it is. */
  @Test
  public void theHigherOfTypedAndComputedCounts() {
    Demand computed =
        new Demand(
            OptionalDouble.of(200),
            OptionalDouble.empty(),
            List.of(new Seen(Circumstance.HIGH_LINE, 220)),
            OptionalDouble.empty());
    Demand more = computed.with(OptionalDouble.of(300));
    assertThat(more.steadyVolts().orElseThrow()).isEqualTo(300);
    assertThat(more.leastRating()).isEqualTo(300);
    Demand less = computed.with(OptionalDouble.of(150));
    assertThat(less.steadyVolts().orElseThrow()).isEqualTo(200);
    assertThat(less.typedVolts().orElseThrow()).isEqualTo(150);
    assertThat(less.leastRating()).isEqualTo(220);
    assertThat(computed.with(OptionalDouble.empty())).isEqualTo(computed);
  }
}
