package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.Ceiling;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.storage.stock.StockCsv;

/**
 * Out of the catalogue that ships: what the trade would take is among the first three, and what
 * must never be is not there at all.
 */
public class SubstitutesTest {
  private static final List<StockPart> CATALOGUE =
      StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet());
  private static final PartRef C1 = PartRef.of("C1");

  private static Substitutes of(Bench bench, PartRef ref, List<StockPart> stock) {
    Job job = bench.job();
    Capacitor part = job.capacitor(ref).orElseThrow();
    SupplyModel model =
        SupplyModel.of(
            job, VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, OptionalDouble.empty());
    Demand demand =
        model
            .supply()
            .map(s -> Demand.of(s, false, Watcher.NOBODY).get(ref).with(part.workingVolts()))
            .orElse(Demand.typed(job, part, VerdictTest.KNOWLEDGE));
    Optional<Ceiling> ceiling =
        Ceiling.of(model, job, VerdictTest.KNOWLEDGE, ref, part.farads(), Watcher.NOBODY);
    return Substitutes.of(
        new Substitutes.Question(
            job, part, demand, ceiling, stock, Stock.Uses.NONE, VerdictTest.KNOWLEDGE, 2026));
  }

  private static Substitutes of(String line, Policy policy) {
    return of(Bench.with(policy).type("+ C1 " + line), C1, CATALOGUE);
  }

  private static String text(Substitute s) {
    return s.choice(C1, 100).text(t -> Quantity.farads(t.ware().value()).toString())
        + " "
        + Quantity.volts(s.combination().ratedVolts());
  }

  private static List<String> firstThree(Substitutes s) {
    return s.best().stream().limit(3).map(SubstitutesTest::text).toList();
  }

  /** Common practice, every line. */
  @DataProvider
  public static Object[][] trade() {
    Policy usual = Policy.USUAL;
    Policy working = usual.with(Policy.VoltageRating.BY_WORKING_VOLTAGE);
    return new Object[][] { //
      {"50 MFD 150 V electrolytic smoothing", usual, "47 µF 160 V"}, //
      {"30 MFD 150 V electrolytic smoothing", usual, "33 µF 160 V"}, //
      {"40 MFD 350 V electrolytic reservoir", usual, "47 µF 450 V"}, //
      {"20 MFD 450 V electrolytic smoothing", usual, "33 µF 450 V"}, //
      {"15 MFD 450 V electrolytic smoothing sees 260 V", working, "15 µF 400 V"}, //
      {"250 MFD 25 V electrolytic smoothing", usual, "220 µF 25 V"}, //
      {".068 MFD 400 V paper across line", usual, "0.068 µF 275 V"}, //
      {".005 MFD 400 V paper line to chassis", usual, "0.0047 µF 300 V"}, //
      {"10 MFD 25 V tantalum decoupling sees 15 V", usual, "10 µF 35 V"}, //
      {"22 MFD 6.3 V tantalum decoupling sees 5 V", usual, "22 µF 10 V"}, //
      {"8 MFD 450 V electrolytic smoothing", usual, "10 µF 450 V"}, //
      {".05 MFD 400 V paper coupling", usual, "0.047 µF 630 V"}, //
      {".01 MFD 600 V paper coupling", usual, "0.01 µF 630 V"}, //
      {"25 MFD 25 V electrolytic cathode bypass", usual, "22 µF 25 V"}, //
      {"500 mmf 500 V mica tuned", usual, "510 pF 500 V"}
    };
  }

  @Test(dataProvider = "trade")
  public void theTradesPartIsAmongTheFirstThree(String old, Policy policy, String expected) {
    Substitutes s = of(old, policy);
    assertThat(firstThree(s).stream().map(t -> t.replace(".0 ", " ")).toList())
        .as(old)
        .contains(expected.replace(".0 ", " "));
    assertThat(s.best().getFirst().points()).isNotEmpty();
  }

  /** What must never be (common practice and IEC 60384-14). */
  @Test
  public void whatMustNeverBeIsRefusedWithItsReason() {
    Substitutes line = of(".1 MFD 400 V paper across line", Policy.USUAL);
    assertThat(wares(line)).isNotEmpty().allMatch(w -> w.safety().acrossLine());
    Substitutes chassis = of(".005 MFD 400 V paper line to chassis", Policy.USUAL);
    assertThat(wares(chassis)).isNotEmpty().allMatch(w -> w.safety().lineToChassis());
    assertThat(chassis.refused())
        .anyMatch(r -> r.why().key() == ReplaceWords.SUB_NO_Y && r.count() > 100);
    Substitutes both = of("47 MFD 35 V bipolar electrolytic crossover", Policy.USUAL);
    assertThat(wares(both))
        .isNotEmpty()
        .noneMatch(w -> VerdictTest.KNOWLEDGE.kind(w.kind()).polarised());
    assertThat(wares(of("47 MFD 35 V electrolytic crossover", Policy.USUAL)))
        .as("its place wants either way round")
        .noneMatch(w -> VerdictTest.KNOWLEDGE.kind(w.kind()).polarised());
    assertThat(
            of("22 MFD 6.3 V tantalum decoupling sees 5 V", Policy.USUAL).best().stream()
                .filter(x ->
                    x.parts().stream()
                        .anyMatch(p -> ((CapacitorWare) p.ware()).kind().startsWith("tantalum"))))
        .as("twice its rail, alone or joined")
        .isNotEmpty()
        .allMatch(x -> x.combination().ratedVolts() >= 10);
    Substitutes low = of("16 MFD 450 V electrolytic smoothing", Policy.USUAL);
    assertThat(low.best()).isNotEmpty().allMatch(x -> x.combination().ratedVolts() >= 450);
    assertThat(low.refused())
        .anyMatch(r -> r.why().key() == ReplaceWords.SUB_RATING_BELOW && !r.nearest().isEmpty());
    Substitutes exact = of("500 mmf 500 V mica tuned", Policy.USUAL);
    assertThat(exact.best())
        .isNotEmpty()
        .allMatch(x -> Math.abs(x.combination().farads() / 500e-12 - 1) <= 0.06);
    assertThat(of("8 MFD electrolytic smoothing", Policy.USUAL).notes())
        .anyMatch(m -> m.key() == ReplaceWords.NO_RATING_MARKED);
  }

  private static List<CapacitorWare> wares(Substitutes s) {
    return s.best().stream()
        .flatMap(x -> x.parts().stream())
        .map(p -> (CapacitorWare) p.ware())
        .toList();
  }

  private static Bench supply(String parts, Preset preset) {
    Bench b = Bench.of(1955).type(parts);
    AtomicInteger ids = new AtomicInteger();
    preset
        .sections(b.job(), () -> "p" + String.format("%03d", ids.getAndIncrement()))
        .forEach(s -> b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s))));
    return b;
  }

  /**
   * A valve rectifier that comes up before the valves draw: the place sees the peak of a high line,
   * √2 · 275 V · 1.1 = 428 V (textbook).
   */
  @Test
  public void theWorstCaseIsThePeakOfAHighLineBeforeValvesDraw() {
    Bench b =
        supply(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing",
            Preset.VALVE_CHOKE);
    Supply s =
        SupplyModel.of(
                b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, OptionalDouble.empty())
            .supply()
            .orElseThrow();
    Map<PartRef, Demand> demands = Demand.of(s, true, Watcher.NOBODY);
    Demand first = demands.get(C1);
    assertThat(first.worstVolts().getAsDouble())
        .isBetween(0.97 * Math.sqrt(2) * 275 * 1.1, Math.sqrt(2) * 275 * 1.1);
    assertThat(first.worst().orElseThrow().when())
        .isIn(Demand.Circumstance.LIGHT, Demand.Circumstance.SILICON);
    assertThat(first.steadyVolts().getAsDouble()).isLessThan(360);
    assertThat(first.rippleAmperes().getAsDouble())
        .as("60 mA through a reservoir behind a full-wave rectifier")
        .isBetween(0.06, 0.16);
  }

  /**
   * Behind a small rectifier valve its published first capacitor is the end; a hundred microfarads
   * never come out (common practice).
   */
  @Test
  public void behindAValveItsPublishedFirstCapacitorIsTheEnd() {
    Bench b =
        supply(
            "+ V5 EZ80 valve rectifier; + C1 32 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing",
            Preset.VALVE_RESISTOR);
    Substitutes s = of(b, C1, CATALOGUE);
    assertThat(s.ceiling().orElseThrow().farads()).isCloseTo(50e-6, within(1e-9));
    assertThat(s.best()).isNotEmpty().allMatch(x -> x.combination().farads() <= 50.001e-6);
    assertThat(s.refused()).anyMatch(r -> r.why().key() == ReplaceWords.SUB_ABOVE_CEILING);
    assertThat(of(b, PartRef.of("C2"), CATALOGUE).ceiling()).as("behind the resistor").isEmpty();
  }

  /**
   * 250 µF behind small old diodes of 0.15 A: twice of it is borne, four times not (common
   * practice); the first surge lasts longer, its A²s is what grows.
   */
  @Test
  public void aDoublingIsBorneByOldSiliconAndAFourfoldIsNot() {
    Bench b = supply("+ C1 250 MFD 25 V electrolytic reservoir", Preset.SILICON_BRIDGE);
    SupplyRectifier r = b.job().items(SupplyRectifier.class).getFirst();
    b.edit(
        new Edit.ItemChanged(
            Optional.of(r),
            Optional.of(
                new SupplyRectifier(
                    r.id(),
                    r.name(),
                    r.part(),
                    r.winding(),
                    r.scheme(),
                    r.make(),
                    r.dropVolts(),
                    r.dropAmperes(),
                    r.plates(),
                    r.negative(),
                    r.to(),
                    r.common(),
                    r.first(),
                    r.firstFarads(),
                    r.second(),
                    r.secondFarads(),
                    r.legs(),
                    r.heating(),
                    OptionalDouble.of(0.15),
                    r.surgeAmperes()))));
    SupplyWinding w = b.job().items(SupplyWinding.class).getFirst();
    b.edit(
        new Edit.ItemChanged(
            Optional.of(w),
            Optional.of(
                new SupplyWinding(
                    w.id(), w.name(), w.part(), w.volts(), OptionalDouble.of(1.2), w.tapped()))));
    SupplySection load =
        b.job().items(SupplySection.class).stream()
            .filter(x -> x.title().equals("set"))
            .findFirst()
            .orElseThrow();
    b.edit(
        new Edit.ItemChanged(
            Optional.of(load),
            Optional.of(new SupplyLoad(load.id(), "set", "raw", SupplyLoad.Kind.CURRENT, 0.1))));
    double most = of(b, C1, CATALOGUE).ceiling().orElseThrow().farads();
    assertThat(most).isBetween(450e-6, 1000e-6 * 0.99);
  }

  /**
   * Large diodes leave the bound to the winding: from a value that hardly smooths, its RMS current
   * soon grows by more than it bears.
   */
  @Test
  public void theWindingBoundsWhatLargeDiodesBear() {
    Bench b = supply("+ C1 25 MFD 25 V electrolytic reservoir", Preset.SILICON_BRIDGE);
    SupplyRectifier r = b.job().items(SupplyRectifier.class).getFirst();
    b.edit(
        new Edit.ItemChanged(
            Optional.of(r),
            Optional.of(
                new SupplyRectifier(
                    r.id(),
                    r.name(),
                    r.part(),
                    r.winding(),
                    r.scheme(),
                    r.make(),
                    r.dropVolts(),
                    r.dropAmperes(),
                    r.plates(),
                    r.negative(),
                    r.to(),
                    r.common(),
                    r.first(),
                    r.firstFarads(),
                    r.second(),
                    r.secondFarads(),
                    r.legs(),
                    r.heating(),
                    OptionalDouble.of(30),
                    r.surgeAmperes()))));
    Ceiling c = of(b, C1, List.of()).ceiling().orElseThrow();
    assertThat(c.why().key()).isEqualTo(ReplaceWords.CEILING_WINDING);
    assertThat(c.farads()).isBetween(25e-6, 290e-6);
  }

  @Test
  public void theDrawerComesFirstAndOldStockWantsASoak() {
    StockPart old = drawer("bag 7", "electrolytic-axial", 10e-6, 450, 1, OptionalInt.of(2015));
    List<StockPart> stock = new ArrayList<>(CATALOGUE);
    stock.add(old);
    Substitutes s = of(Bench.of(1950).type("+ C1 10 MFD 450 V electrolytic smoothing"), C1, stock);
    Substitute found =
        s.best().stream().filter(x -> x.parts().contains(old)).findFirst().orElseThrow();
    assertThat(found.points())
        .anyMatch(p -> p.words().key() == ReplaceWords.SUB_DRAWER && !p.against())
        .anyMatch(p -> p.words().key() == ReplaceWords.SUB_SOAK && p.against());
    assertThat(old.wantsSoak(VerdictTest.KNOWLEDGE, 2017)).isFalse();
    StockPart fresh = drawer("bag 8", "electrolytic-axial", 10e-6, 450, 1, OptionalInt.of(2026));
    stock.add(fresh);
    Substitutes again =
        of(Bench.of(1950).type("+ C1 10 MFD 450 V electrolytic smoothing"), C1, stock);
    assertThat(again.best().getFirst().parts()).containsExactly(fresh);
  }

  private static StockPart drawer(
      String title, String kind, double farads, double volts, int count, OptionalInt made) {
    return new StockPart(
        title.replace(' ', '-'),
        Whence.DRAWER,
        title,
        new CapacitorWare(
            kind,
            farads,
            0.2,
            volts,
            false,
            SafetyClass.UNSTATED,
            Leads.AXIAL,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty()),
        OptionalInt.of(count),
        OptionalDouble.empty(),
        made,
        OptionalDouble.empty(),
        1,
        "left cabinet",
        false,
        "");
  }

  private static StockPart rippled(String title, double amperes, double hours) {
    StockPart p = drawer(title, "electrolytic-axial", 16e-6, 450, 1, OptionalInt.of(2026));
    CapacitorWare w = (CapacitorWare) p.ware();
    return new StockPart(
        p.id(),
        p.whence(),
        title,
        new CapacitorWare(
            w.kind(),
            w.farads(),
            w.tolerance(),
            w.volts(),
            false,
            w.safety(),
            w.leads(),
            w.diameterMetres(),
            w.lengthMetres(),
            OptionalDouble.of(amperes),
            w.esrOhms(),
            OptionalDouble.of(85),
            OptionalDouble.of(hours)),
        p.quantity(),
        p.measured(),
        p.made(),
        p.price(),
        1,
        "",
        false,
        "");
  }

  /**
   * Near its ripple limit a part comes behind one that is not, and one that would cook not at all;
   * little life weighs, least where it stands under voltage.
   */
  @Test
  public void rippleAndLifeWeigh() {
    Bench b =
        supply(
            "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing",
            Preset.VALVE_CHOKE);
    double ripple = of(b, C1, List.of()).demand().rippleAmperes().getAsDouble();
    StockPart near = rippled("near", 1.05 * ripple, 20_000);
    StockPart easy = rippled("easy", 4 * ripple, 20_000);
    StockPart cooks = rippled("cooks", 0.9 * ripple, 20_000);
    StockPart brief = rippled("brief", 4 * ripple, 200);
    Substitutes s = of(b, C1, List.of(near, easy, cooks, brief));
    assertThat(
            s.best().stream()
                .filter(x -> x.parts().size() == 1)
                .map(x -> x.parts().getFirst().title()))
        .containsExactly("easy", "near", "brief");
    assertThat(s.refused())
        .anyMatch(
            r -> r.why().key() == ReplaceWords.SUB_RIPPLE_TOO_LOW && r.nearest().equals("cooks"));
    Choice c = Choice.one(C1, brief.taken());
    b.edit(
        new Edit.ItemChanged(
            Optional.empty(),
            Optional.of(
                new Choice(
                    c.id(),
                    c.part(),
                    c.joined(),
                    c.groups(),
                    c.balanceOhms(),
                    c.way(),
                    true,
                    ""))));
    assertThat(of(b, C1, List.of(easy)).best().getFirst().points())
        .as("day and night")
        .anyMatch(p -> p.words().key() == ReplaceWords.SUB_LIFE_STANDING);
    assertThat(
            of("32 MFD 450 V electrolytic smoothing", Policy.USUAL).best().stream()
                .flatMap(x -> x.points().stream())
                .filter(p -> p.words().key() == ReplaceWords.SUB_BULKY))
        .as("film of this value fills the chassis")
        .allMatch(p -> p.weight() >= 0.5);
  }

  /**
   * What two jobs took from a bag is gone from it, what is only chosen is promised; taken out again
   * it is back.
   */
  @Test
  public void fittingTakesFromTheDrawerAndUndoingGivesBack() {
    StockPart bag = drawer("bag 9", "electrolytic-axial", 10e-6, 450, 3, OptionalInt.empty());
    Bench b =
        Bench.of(1950)
            .type(
                "+ C1 10 MFD 450 V electrolytic smoothing; + C2 10 MFD 450 V electrolytic smoothing");
    for (String ref : List.of("C1", "C2")) {
      b.edit(
          new Edit.ItemChanged(
              Optional.empty(), Optional.of(Choice.one(PartRef.of(ref), bag.taken()))));
    }
    assertThat(Stock.uses(List.of(b.job())).free(bag)).isEqualTo(1);
    assertThat(Stock.uses(List.of(b.job())).left(bag)).isEqualTo(3);
    Fitting in = Fitting.of(C1).with(f -> f.fitted = true);
    b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(in)));
    assertThat(Stock.uses(List.of(b.job())).left(bag)).isEqualTo(2);
    assertThat(Stock.uses(List.of(b.job(), b.job())).free(bag)).isEqualTo(-1);
    b.edit(new Edit.ItemChanged(Optional.of(in), Optional.empty()));
    assertThat(Stock.uses(List.of(b.job())).left(bag)).isEqualTo(3);
  }
}
