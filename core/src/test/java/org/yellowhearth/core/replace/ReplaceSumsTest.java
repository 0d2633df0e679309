package org.yellowhearth.core.replace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Joined;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.CanPacking.Body;
import org.yellowhearth.core.replace.CanPacking.Standing;
import org.yellowhearth.core.trace.SimulatedSets;

/** The sums of Renew that need no set: the mains side, life, cans, resistors, orders. */
public class ReplaceSumsTest {
  private static final OptionalDouble NONE = OptionalDouble.empty();

  /** I = 2πfCV; 4.7 nF at 230 V and 50 Hz is 0.34 mA (textbook). */
  @Test
  public void touchCurrentFollowsTheClosedForm() {
    assertThat(MainsSide.touchAmperes(4.7e-9, 230, 50)).isCloseTo(0.3396e-3, within(1e-7));
    assertThat(MainsSide.mostFarads(0.5e-3, 230, 50))
        .isCloseTo(0.5e-3 / (2 * Math.PI * 50 * 230), within(1e-15));
    assertThatThrownBy(() -> MainsSide.touchAmperes(0, 230, 50))
        .hasMessageContaining("capacitance above zero");
  }

  /**
   * exp(−t/RC): after the time stated the peak of the line stands at 60 V, and within the second.
   */
  @Test
  public void theBleederBringsThePlugBelowSixtyVoltsWithinASecond() {
    for (double c : new double[] {10e-9, 100e-9, 470e-9, 2.2e-6}) {
      MainsSide.Bleeder b = MainsSide.bleeder(c, 230).orElseThrow();
      assertThat(230 * Math.sqrt(2) * Math.exp(-b.seconds() / (b.ohms() * c)))
          .isCloseTo(60, within(1e-6));
      assertThat(b.seconds()).isBetween(0.7, 1.0);
      assertThat(b.watts()).isCloseTo(230 * 230 / b.ohms(), within(1e-12));
    }
    assertThat(MainsSide.bleeder(1e-7, 24)).isEmpty();
  }

  @Test
  public void aFuseStandsTheRunningCurrentAndTheSwitchingOn() {
    MainsSide.Fuse quiet = MainsSide.fuse(0.3, 1e-3).orElseThrow();
    assertThat(quiet).isEqualTo(new MainsSide.Fuse(0.5, false, true));
    assertThat(MainsSide.fuse(0.3, 0.2).orElseThrow())
        .isEqualTo(new MainsSide.Fuse(0.5, true, true));
    assertThat(MainsSide.fuse(0.3, 40).orElseThrow().holds()).isFalse();
    assertThat(MainsSide.fuse(30, 1)).isEmpty();
  }

  /**
   * Doubling for every 10 °C (makers' application notes, from memory): 2000 h at 85 °C are 32 000 h
   * at 45 °C; 5 K at full ripple take a factor √2.
   */
  @Test
  public void lifeDoublesForEveryTenDegrees() {
    CapacitorWare w =
        new CapacitorWare(
            "k",
            47e-6,
            0.2,
            450,
            false,
            SafetyClass.UNSTATED,
            Leads.AXIAL,
            NONE,
            NONE,
            OptionalDouble.of(0.3),
            NONE,
            OptionalDouble.of(85),
            OptionalDouble.of(2000));
    assertThat(Life.of(w, 0, NONE, Life.HOURS_A_DAY).orElseThrow().hours())
        .isCloseTo(32_000, within(1.0));
    assertThat(Life.of(w, 20, NONE, Life.HOURS_A_DAY).orElseThrow().hours())
        .isCloseTo(8_000, within(1.0));
    assertThat(Life.of(w, 0, OptionalDouble.of(0.3), Life.HOURS_A_DAY).orElseThrow().hours())
        .isCloseTo(32_000 / Math.sqrt(2), within(1.0));
    Life standing = Life.of(w, 0, NONE, 24).orElseThrow();
    assertThat(standing.years())
        .as("all day under voltage")
        .isCloseTo(32_000 / 8766.0, within(1e-6));
    assertThat(Life.of(w, 0, NONE, Life.HOURS_A_DAY).orElseThrow().years()).isEqualTo(15);
  }

  /**
   * Equal circles in a circle: the least bound over the radius of one (R. L. Graham and others,
   * "Dense packings of congruent circles in a circle", 1998, from memory).
   */
  @DataProvider
  public Object[][] circles() {
    return new Object[][] {{2, 2.0}, {3, 2.1547}, {4, 2.4142}, {5, 2.7013}, {6, 3.0}};
  }

  @Test(dataProvider = "circles")
  public void circlesPackAsTightlyAsIsKnown(int n, double ratio) {
    double[] radii = IntStream.range(0, n).mapToDouble(_ -> 1).toArray();
    assertThat(CanPacking.circles(radii, 1.003 * ratio)).isPresent();
    assertThat(CanPacking.circles(radii, 0.997 * ratio)).isEmpty();
  }

  @Test
  public void nothingThatIsPackedOverlapsOrSticksOut() {
    Random r = new Random(7);
    int found = 0;
    for (int k = 0; k < 60; k++) {
      List<Body> parts =
          IntStream.range(0, 1 + r.nextInt(5))
              .mapToObj(
                  _ -> new Body(0.006 + 0.012 * r.nextDouble(), 0.015 + 0.025 * r.nextDouble()))
              .toList();
      double bore = 0.022 + 0.02 * r.nextDouble();
      double height = 0.04 + 0.05 * r.nextDouble();
      CanPacking p = CanPacking.of(parts, bore, height).orElse(null);
      if (p != null) {
        found++;
        proved(p, parts, bore, height);
      }
    }
    assertThat(found).isBetween(20, 59);
    assertThat(
            CanPacking.of(List.of(new Body(0.02, 0.03), new Body(0.02, 0.03)), 0.025, 0.08)
                .orElseThrow()
                .parts())
        .as("one above the other")
        .extracting(Standing::layer)
        .containsExactlyInAnyOrder(0, 1);
    assertThat(CanPacking.of(List.of(new Body(0.02, 0.03)), 0.0205, 0.08))
        .as("no room for insulation")
        .isEmpty();
    List<Body> two = List.of(new Body(0.02, 0.03), new Body(0.02, 0.03));
    assertThat(CanPacking.of(two, 0.025, 0.0616)).as("below, between and above").isPresent();
    assertThat(CanPacking.of(two, 0.025, 0.0614)).isEmpty();
  }

  private static void proved(CanPacking p, List<Body> parts, double bore, double height) {
    assertThat(p.parts())
        .extracting(Standing::part)
        .containsExactlyInAnyOrderElementsOf(IntStream.range(0, parts.size()).boxed().toList());
    assertThat(p.heightMetres()).isLessThanOrEqualTo(height);
    for (Standing a : p.parts()) {
      double ra = parts.get(a.part()).diameterMetres() / 2;
      assertThat(Math.hypot(a.x(), a.y()) + ra)
          .isLessThanOrEqualTo(bore / 2 - 0.99 * CanPacking.INSULATION_METRES);
      for (Standing b : p.parts()) {
        if (a.layer() == b.layer() && a.part() != b.part()) {
          assertThat(Math.hypot(a.x() - b.x(), a.y() - b.y()))
              .isGreaterThanOrEqualTo(
                  ra
                      + parts.get(b.part()).diameterMetres() / 2
                      + 0.99 * CanPacking.INSULATION_METRES);
        }
      }
    }
  }

  private static StockPart stock(String id, Whence whence, Ware ware, int pack, double price) {
    return new StockPart(
        id,
        whence,
        id,
        ware,
        whence == Whence.DRAWER ? OptionalInt.of(2) : OptionalInt.empty(),
        NONE,
        OptionalInt.empty(),
        OptionalDouble.of(price),
        pack,
        "",
        false,
        "");
  }

  private static StockPart resistor(double ohms, double watts) {
    return stock(
        "R" + Math.round(ohms),
        Whence.DRAWER,
        new ResistorWare(ohms, 0.05, watts, Leads.AXIAL, NONE, NONE, NONE),
        1,
        0.3);
  }

  /**
   * Two of 10 Ω, 5 W in series are 20 Ω, 10 W, half the heat in each; 33 and 150 Ω side by side
   * share it as 150 to 33 (Ohm's law).
   */
  @Test
  public void resistorsShareTheirHeatByOhmsLaw() {
    ResistorSearch.Found two =
        ResistorSearch.of(List.of(resistor(10, 5)), 20, 8, 0.05, 5).getFirst();
    assertThat(two.joined()).isEqualTo(Joined.SERIES);
    assertThat(two.watts()).isCloseTo(10, within(1e-9));
    assertThat(two.shares()).containsExactly(0.5, 0.5);
    assertThat(two.choice(PartRef.of("R3")).all()).hasSize(2);
    ResistorSearch.Found beside =
        ResistorSearch.of(List.of(resistor(33, 5), resistor(150, 5)), 27, 5, 0.05, 5).getFirst();
    assertThat(beside.joined()).isEqualTo(Joined.PARALLEL);
    assertThat(beside.shares().getFirst()).isCloseTo(150.0 / 183, within(1e-12));
    assertThat(beside.watts())
        .as("the 33 Ω one is at its limit first")
        .isCloseTo(5 * 183.0 / 150, within(1e-9));
    assertThat(ResistorSearch.of(List.of(resistor(10, 5)), 20, 11, 0.05, 5)).isEmpty();
    assertThat(ResistorSearch.of(List.of(resistor(0.5, 5), resistor(47e3, 2)), 47e3, 2, 0.1, 5))
        .as("half an ohm beside it helps nobody")
        .singleElement()
        .satisfies(f -> assertThat(f.parts()).hasSize(1));
  }

  /**
   * Below the chassis a rail is as high as above it: √2 · 30 V · 1.1 less a threshold, nothing
   * drawn (textbook).
   */
  @Test
  public void theNegativeSideSeesAsMuchAsThePositive() {
    Map<PartRef, Demand> demands =
        Demand.of(SimulatedSets.all().get(1).supply(), false, Watcher.NOBODY);
    double plus = demands.get(PartRef.of("C1")).worstVolts().orElseThrow();
    assertThat(plus).isBetween(45.0, Math.sqrt(2) * 30 * 1.1);
    assertThat(demands.get(PartRef.of("C2")).worstVolts().orElseThrow())
        .isCloseTo(plus, within(0.1));
    assertThat(demands.get(PartRef.of("C2")).steadyVolts().orElseThrow())
        .isCloseTo(demands.get(PartRef.of("C1")).steadyVolts().orElseThrow(), within(0.1));
  }

  @Test
  public void anOrderTakesWholePacksSparesAndTheSurcharge() {
    StockPart c =
        stock(
            "RE-1",
            Whence.CATALOGUE,
            new ResistorWare(100, 0.05, 1, Leads.AXIAL, NONE, NONE, NONE),
            5,
            0.2);
    List<Choice> choices =
        List.of(
            Choice.one(PartRef.of("R1"), c.taken()),
            Choice.one(PartRef.of("R2"), c.taken()),
            Choice.one(PartRef.of("R3"), c.taken()));
    Shopping.Wanting one =
        new Shopping.Wanting(
            "Mess receiver",
            choices,
            List.of(Fitting.of(PartRef.of("R3")).with(f -> f.fitted = true)));
    Shopping.Wanting two = new Shopping.Wanting("Beacon", choices, List.of());
    Shopping s =
        Shopping.of(List.of(one, two), Map.of("RE-1", c), new Shopping.Terms(0.1, 4, 20, 3));
    Shopping.Line l = s.lines().getFirst();
    assertThat(l.needed()).as("what is fitted is not bought").isEqualTo(5);
    assertThat(l.spares()).isEqualTo(1);
    assertThat(l.bought()).as("packs of five").isEqualTo(10);
    assertThat(s.total()).isCloseTo(2 + 4 + 3, within(1e-9));
    assertThat(
            Shopping.of(List.of(one, two), Map.of("RE-1", c), new Shopping.Terms(0.1, 4, 1, 3))
                .total())
        .as("large enough")
        .isCloseTo(2 + 4, within(1e-9));
    assertThat(s.waitingSaves(2, 2, 0.5))
        .as("half of postage and surcharge, less two jobs for two weeks")
        .isCloseTo(7 * 2 / 4.0 - 2, within(1e-9));
    assertThat(Shopping.of(List.of(), Map.of(), new Shopping.Terms(0, 4, 20, 3)).total()).isZero();
  }
}
