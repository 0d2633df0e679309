package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.core.trace.Hints;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.Setup;
import org.yellowhearth.core.trace.ShortHunt;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.Suspicion;

/**
 * From a job to the question which part is bad: arrangements, readings that count, tolerances and
 * odds.
 */
public class SuspicionTest {
  private static final OptionalDouble NOTHING = OptionalDouble.empty();
  private static final OptionalDouble AGE = OptionalDouble.of(70);

  private static Bench bench(String parts, Preset preset) {
    Bench b = Bench.of(1952).type(parts);
    AtomicInteger ids = new AtomicInteger();
    for (SupplySection s :
        preset.sections(b.job(), () -> "p" + String.format("%03d", ids.getAndIncrement()))) {
      b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s)));
    }
    return b;
  }

  @DataProvider
  public Object[][] presets() {
    return List.of(Preset.values()).stream().map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  /** Every arrangement is worked out as it comes, on an empty census too, and twice in one job. */
  @Test(dataProvider = "presets")
  public void everyArrangementIsASupply(Preset preset) {
    Bench b = bench("", preset);
    SupplyModel m = SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, AGE);
    assertThat(m.missing()).isEmpty();
    SupplyFigures f = SupplyFigures.of(m.supply().orElseThrow(), m.readable());
    assertThat(f.trouble()).isEmpty();
    assertThat(f.points()).allSatisfy(p -> assertThat(Math.abs(p.dcVolts())).isBetween(1.0, 700.0));
    List<String> before =
        b.job().items(SupplySection.class).stream().map(SupplySection::title).toList();
    assertThat(
            preset.sections(b.job(), () -> "x").stream()
                .filter(s -> s instanceof SupplyLoad)
                .map(SupplySection::title))
        .as("names are not given twice")
        .doesNotContainAnyElementsOf(before);
  }

  @Test
  public void anArrangementPointsAtThePartsThatPlainlyBelongThere() {
    Bench b =
        bench(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing; + L1 smoothing choke 400r 12H",
            Preset.VALVE_CHOKE);
    SupplyModel m = SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, AGE);
    assertThat(Parameter.all(m.supply().orElseThrow()))
        .containsEntry(new Parameter("C1", Which.CAPACITANCE), 16e-6)
        .containsEntry(new Parameter("L1", Which.INDUCTANCE), 12.0)
        .containsEntry(new Parameter("L1", Which.WINDING_RESISTANCE), 400.0);
  }

  private static SupplyReading reading(
      String id,
      int minute,
      String point,
      SupplyReading.Kind kind,
      double volts,
      String after,
      SupplyBridge.Clipped... bridged) {
    return new SupplyReading(
        id,
        Instant.parse("2026-05-05T12:00:00Z").plusSeconds(60L * minute),
        point,
        kind,
        volts,
        OptionalDouble.of(230),
        NOTHING,
        NOTHING,
        SupplyReading.State.UNSTATED,
        NOTHING,
        "",
        after,
        List.of(bridged),
        NOTHING);
  }

  private static void read(Bench b, SupplyReading... readings) {
    for (SupplyReading r : readings) {
      b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(r)));
    }
  }

  private static Suspicion suspicion(Bench b) {
    return Suspicion.of(
            b.job(),
            SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_IT_IS, AGE),
            VerdictTest.KNOWLEDGE,
            _ -> 0.2)
        .orElseThrow();
  }

  @Test
  public void theNewestReadingsSinceTheLastChangeCount() {
    Bench b =
        bench(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing",
            Preset.VALVE_CHOKE);
    SupplyBridge.Clipped clip = new SupplyBridge.Clipped(PartRef.of("C1"), 16e-6);
    read(
        b,
        reading("r1", 1, "HT", SupplyReading.Kind.DIRECT, 210, ""),
        reading("r2", 2, "HT", SupplyReading.Kind.DIRECT, 280, "C2 renewed"),
        reading("r3", 3, "HT", SupplyReading.Kind.DIRECT, 282, "C2 renewed"),
        reading("r4", 4, "HT", SupplyReading.Kind.TRUE_RMS, 9, "C2 renewed"),
        reading("r5", 5, "HT", SupplyReading.Kind.TRUE_RMS, 5, "C2 renewed", clip),
        reading("r6", 6, "elsewhere", SupplyReading.Kind.DIRECT, 1, "C2 renewed"));
    Suspicion s = suspicion(b);
    assertThat(s.used()).extracting(SupplyReading::id).containsExactly("r5", "r4", "r3");
    assertThat(s.leftOut())
        .extracting(SupplyReading::id)
        .containsExactlyInAnyOrder("r1", "r2", "r6");
    assertThat(s.question().setups())
        .containsExactly(Setup.PLAIN, new Setup(List.of(clip), Map.of()));
    assertThat(s.question().data()).extracting(Diagnosis.Datum::setup).containsExactly(1, 0, 0);
    assertThat(s.question().supply().mains().volts()).isEqualTo(230);
  }

  /**
   * A reading in standby counts once somebody said what the set draws then: half of it here;
   * before, it stands for itself.
   */
  @Test
  public void readingsOfADescribedStateCount() {
    Bench b = bench("", Preset.VALVE_CHOKE);
    SupplyReading usual = reading("r1", 1, "HT2", SupplyReading.Kind.DIRECT, 260, "");
    SupplyReading standby =
        new SupplyReading(
            "r2",
            usual.at().plusSeconds(9),
            "HT2",
            SupplyReading.Kind.DIRECT,
            290,
            OptionalDouble.of(230),
            NOTHING,
            NOTHING,
            SupplyReading.State.STANDBY,
            NOTHING,
            "",
            "",
            List.of(),
            NOTHING);
    read(b, usual, standby);
    assertThat(suspicion(b).used())
        .as("nobody said what it draws in standby")
        .containsExactly(standby);
    String load = b.job().items(SupplyLoad.class).getFirst().name();
    b.edit(
        new Edit.ItemChanged(
            Optional.empty(),
            Optional.of(new SupplyState("s1", SupplyReading.State.STANDBY, load, 0.5))));
    Suspicion s = suspicion(b);
    assertThat(s.used()).containsExactly(standby, usual);
    assertThat(s.question().setups().get(1).draws())
        .containsExactly(Map.entry(new Parameter(load, Which.LOAD), 0.5));
    // What was left to be a heavy load by one reading is none by both: the rail rises in standby as
    // it should.
    double high =
        Diagnosis.of(s.question(), Watcher.NOBODY).orElseThrow().singles().stream()
            .filter(e -> e.parts().contains(load))
            .mapToDouble(Diagnosis.Explanation::probability)
            .sum();
    assertThat(high).isLessThan(0.5);
  }

  /**
   * Rails that are right with a mains that gives twice its watts: heaters or iron (common practice:
   * shorted turns run hot).
   */
  @Test
  public void wattsOfTheMainsAreEvidence() {
    Bench b = bench("", Preset.VALVE_CHOKE);
    b.edit(
        new Edit.ItemChanged(
            Optional.empty(),
            Optional.of(
                new SupplyMains(
                    "m", 230, NOTHING, 50, NOTHING, OptionalDouble.of(30), NOTHING, NOTHING))));
    SupplyModel m = SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_IT_IS, AGE);
    SupplyFigures f = SupplyFigures.of(m.supply().orElseThrow(), m.points());
    double rails = f.mainsWatts().orElseThrow() - 30;
    assertThat(rails).as("some 60 mA at 300 V and what is lost on the way").isBetween(15.0, 30.0);
    List<SupplyReading> right =
        f.points().stream()
            .map(p ->
                reading("r-" + p.name(), 1, p.name(), SupplyReading.Kind.DIRECT, p.dcVolts(), ""))
            .toList();
    read(b, right.toArray(SupplyReading[]::new));
    read(b, reading("w", 2, SupplyMains.POINT, SupplyReading.Kind.WATTS, rails + 30, ""));
    assertThat(
            Diagnosis.of(suspicion(b).question(), Watcher.NOBODY)
                .orElseThrow()
                .singles()
                .getFirst()
                .sound())
        .isTrue();
    read(b, reading("w2", 3, SupplyMains.POINT, SupplyReading.Kind.WATTS, rails + 65, ""));
    Diagnosis.Explanation first =
        Diagnosis.of(suspicion(b).question(), Watcher.NOBODY).orElseThrow().singles().getFirst();
    assertThat(first.parts()).containsExactly(Parameter.MAINS);
    assertThat(first.faults().getFirst().mode()).isEqualTo(Fault.Mode.TURNS_SHORTED);
  }

  @Test
  public void tolerancesFollowWhereAValueComesFrom() {
    Bench b =
        bench(
                "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 10% 450 V electrolytic smoothing",
                Preset.VALVE_CHOKE)
            .type("C1 14u 12r @100");
    Map<Parameter, Double> spread = suspicion(b).question().spread();
    assertThat(spread.get(new Parameter("C1", Which.CAPACITANCE))).as("measured").isLessThan(0.05);
    assertThat(spread.get(new Parameter("C2", Which.CAPACITANCE)))
        .as("guessed by age")
        .isGreaterThan(0.1);
    assertThat(spread.get(new Parameter(Parameter.MAINS, Which.MAINS_VOLTS)))
        .as("line not read")
        .isEqualTo(0.03);
    read(b, reading("r1", 1, "HT", SupplyReading.Kind.DIRECT, 210, ""));
    assertThat(
            suspicion(b).question().spread().get(new Parameter(Parameter.MAINS, Which.MAINS_VOLTS)))
        .isEqualTo(0.01);
    assertThat(suspicion(b).question().odds().get("C1")).isCloseTo(0.25, within(1e-9));
  }

  /** A bias supply far below the drawing points to its filter capacitors (common practice). */
  @Test
  public void aLowBiasRailPointsToItsFilterCapacitors() {
    Bench b =
        bench(
            "+ C5 25 MFD 100 V electrolytic bias filter; + C6 25 MFD 100 V electrolytic bias filter",
            Preset.NEGATIVE_BIAS);
    SupplyModel m = SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_IT_IS, AGE);
    double sound =
        SupplyFigures.of(m.supply().orElseThrow(), m.points()).points().stream()
            .filter(p -> p.name().equals("bias2"))
            .findFirst()
            .orElseThrow()
            .dcVolts();
    read(b, reading("r1", 1, "bias2", SupplyReading.Kind.DIRECT, sound * 214 / 264, ""));
    List<Diagnosis.Explanation> all =
        Diagnosis.of(suspicion(b).question(), Watcher.NOBODY).orElseThrow().singles();
    double filters =
        all.stream()
            .filter(e -> e.parts().contains("C5") || e.parts().contains("C6"))
            .mapToDouble(Diagnosis.Explanation::probability)
            .sum();
    assertThat(all.getFirst().parts()).containsAnyOf("C5", "C6");
    assertThat(filters).isGreaterThan(0.5);
  }

  @Test
  public void aSupplyThatLacksSomethingIsNoQuestion() {
    assertThat(
            Suspicion.of(
                Bench.of(1952).job(),
                SupplyModel.of(
                    Bench.of(1952).job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_IT_IS, AGE),
                VerdictTest.KNOWLEDGE,
                _ -> 0.2))
        .isEmpty();
  }

  private static void sign(Bench b, String id, String sign, String place) {
    b.edit(
        new Edit.ItemChanged(
            Optional.empty(),
            Optional.of(new SupplySign(id, Instant.EPOCH, sign, place, NOTHING, ""))));
  }

  /**
   * A hum at twice the line frequency is filtering; a source that is changed without effect clears
   * the supply (common practice).
   */
  @Test
  public void signsPointAtPartsAndClearThem() {
    Bench b =
        bench(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing; + C7 .1 MFD 400 V paper timing;"
                + "+ D1 silicon rectifier",
            Preset.VALVE_CHOKE);
    assertThat(Hints.of(b.job(), VerdictTest.KNOWLEDGE)).isEmpty();
    sign(b, "x1", "hum-double", "loudspeaker");
    sign(b, "x2", "bad-on-other-source", "");
    sign(b, "x3", "relay-never", "K1");
    sign(b, "x4", "a-sign-of-another-program", "");
    List<Hints.Hint> hints = Hints.of(b.job(), VerdictTest.KNOWLEDGE);
    assertThat(hints)
        .extracting(h -> h.rule().id())
        .contains("hum-filter", "source-clears-supply", "relay-timing");
    assertThat(
            hints.stream()
                .filter(h -> h.rule().id().equals("relay-timing"))
                .findFirst()
                .orElseThrow()
                .candidates())
        .containsExactly(PartRef.of("C7"));
    assertThat(Hints.weight(hints, PartRef.of("C7"))).isEqualTo(1);
    assertThat(Hints.weight(hints, PartRef.of("C1")))
        .as("hum speaks for it, the other source against")
        .isZero();
    assertThat(Hints.weight(hints, PartRef.of("D1"))).isNegative();
    // The odds before anything is read follow: those of C2 stay, hum alone would double them.
    double before = suspicion(b).question().odds().get("C2");
    sign(b, "x5", "hum-double", "cabinet");
    assertThat(suspicion(b).question().odds().get("C2")).isCloseTo(2 * before, within(1e-9));
  }

  /**
   * Lifting in the order of chance for each minute takes the least time on the average: no exchange
   * of two legs is quicker.
   */
  @Test
  public void theHuntForAShortGoesAlongTheRailInTheBestOrder() {
    Bench b =
        bench(
            "+ C1 2200 MFD 35 V electrolytic regulator input; + C2 10 MFD 35 V tantalum regulator output",
            Preset.REGULATED);
    ShortHunt hunt = ShortHunt.of(b.job(), "out", r -> r.equals(PartRef.of("C2")) ? 0.6 : 0.1);
    assertThat(hunt.legs())
        .extracting(ShortHunt.Leg::part)
        .as("both sides of the regulator")
        .contains("C1", "C2", "U1", "set", ShortHunt.WIRING);
    assertThat(hunt.legs().getFirst().part()).isEqualTo("C2");
    assertThat(hunt.legs().stream().mapToDouble(ShortHunt.Leg::chance).sum())
        .isCloseTo(1, within(1e-9));
    for (int k = 1; k < hunt.legs().size(); k++) {
      List<ShortHunt.Leg> other = new ArrayList<>(hunt.legs());
      Collections.swap(other, k - 1, k);
      assertThat(new ShortHunt(other, "").expectedMinutes())
          .isGreaterThanOrEqualTo(hunt.expectedMinutes() - 1e-9);
    }
    sign(b, "y1", SupplySign.LIFTED_STILL_SHORT, "C2");
    sign(b, "y2", "hot", "U1");
    ShortHunt after = ShortHunt.of(b.job(), "out", r -> r.equals(PartRef.of("C2")) ? 0.6 : 0.1);
    assertThat(after.legs()).extracting(ShortHunt.Leg::part).doesNotContain("C2");
    assertThat(
            after.legs().stream()
                .filter(l -> l.part().equals("U1"))
                .findFirst()
                .orElseThrow()
                .chance())
        .isGreaterThan(0.5);
    assertThat(after.found()).isEmpty();
    sign(b, "y3", SupplySign.LIFTED_SHORT_GONE, "U1");
    assertThat(ShortHunt.of(b.job(), "out", _ -> 0.1).found()).isEqualTo("U1");
  }

  private static BenchOutcome line(Bench b, String line) {
    return new BenchLine(b.job(), Optional.of(PartRef.of("C1")), VerdictTest.KNOWLEDGE.vocabulary())
        .read(line);
  }

  @Test
  public void theBenchLineTakesReadingsAtPoints() {
    Bench b =
        bench(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing",
            Preset.VALVE_CHOKE);
    BenchEntry.ReadSupply both =
        new BenchEntry.ReadSupply(
            "HT",
            List.of(
                new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.DIRECT, 262),
                new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.TRUE_RMS, 6.6)),
            OptionalDouble.of(236),
            NOTHING,
            SupplyReading.State.UNSTATED,
            Optional.empty());
    assertThat(line(b, "HT dc 262 ac 6.6 line 236")).isEqualTo(new BenchOutcome.Understood(both));
    assertThat(line(b, "ht dc 262V ac 6.6V line 236V"))
        .isEqualTo(new BenchOutcome.Understood(both));
    assertThat(line(b, "C1 dc -262 meter 20k"))
        .as("a capacitor stands for its point")
        .isEqualTo(
            new BenchOutcome.Understood(
                new BenchEntry.ReadSupply(
                    "HT",
                    List.of(new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.DIRECT, -262)),
                    NOTHING,
                    OptionalDouble.of(20_000),
                    SupplyReading.State.UNSTATED,
                    Optional.empty())));
    assertThat(line(b, "HT standby dc 290"))
        .isEqualTo(
            new BenchOutcome.Understood(
                new BenchEntry.ReadSupply(
                    "HT",
                    List.of(new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.DIRECT, 290)),
                    NOTHING,
                    NOTHING,
                    SupplyReading.State.STANDBY,
                    Optional.empty())));
    assertThat(line(b, "mains watts 63 line 236 keyed"))
        .isEqualTo(
            new BenchOutcome.Understood(
                new BenchEntry.ReadSupply(
                    "mains",
                    List.of(new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.WATTS, 63)),
                    OptionalDouble.of(236),
                    NOTHING,
                    SupplyReading.State.KEYED,
                    Optional.empty())));
    for (String bad :
        List.of(
            "HT dc",
            "HT dc 10k",
            "HT ac -7",
            "HT dc 262 foo 3",
            "HT line 230",
            "HT meter 3V dc 1",
            "HT dc x",
            "HT watts 63",
            "mains dc 230",
            "mains watts 63V",
            "HT standby")) {
      assertThat(line(b, bad)).as(bad).isInstanceOf(BenchOutcome.Refused.class);
    }
    assertThat(line(b, "C1 9.1u @100"))
        .isInstanceOfSatisfying(
            BenchOutcome.Understood.class,
            u -> assertThat(u.entry()).isInstanceOf(BenchEntry.KeepReading.class));
  }

  /**
   * Any two arrangements stand in one set, and every element goes by the name that the drawing
   * gives it.
   */
  @Test
  public void anyTwoArrangementsStandTogether() {
    for (Preset first : Preset.values()) {
      for (Preset second : Preset.values()) {
        Bench b = bench("", first);
        AtomicInteger ids = new AtomicInteger();
        for (SupplySection s :
            second.sections(b.job(), () -> "q" + String.format("%03d", ids.getAndIncrement()))) {
          b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s)));
        }
        SupplyModel m =
            SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, AGE);
        assertThat(m.missing()).as(first + " and " + second).isEmpty();
        Set<String> elements =
            m.supply().orElseThrow().circuit().elements().stream()
                .map(Element::name)
                .collect(Collectors.toSet());
        SupplyNames names = new SupplyNames(b.job().items(SupplySection.class));
        b.job()
            .items(SupplyFilter.class)
            .forEach(f -> {
              assertThat(elements).contains(names.shunt(f));
              if (!f.from().equals(f.to())) {
                assertThat(elements).contains(names.through(f));
              }
            });
        b.job().items(SupplyRectifier.class).stream()
            .filter(r -> r.scheme().doubles())
            .forEach(r -> assertThat(elements).contains(names.first(r), names.shunt(r)));
      }
    }
  }
}
