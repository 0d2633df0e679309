package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.BenchTask.Doing;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.Anachronism;
import org.yellowhearth.core.replace.ChoiceEffect;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.KitMatch;
import org.yellowhearth.core.replace.MainsWork;
import org.yellowhearth.core.replace.RectifierChange;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.SemiSheet;
import org.yellowhearth.core.replace.Shopping;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.publishing.dossier.Dossier;
import org.yellowhearth.publishing.dossier.DossierFolio;
import org.yellowhearth.publishing.dossier.LabelSheet;
import org.yellowhearth.publishing.dossier.ReplacePapers;
import org.yellowhearth.publishing.dossier.SupplyProof;
import org.yellowhearth.publishing.folio.PdfFolio;
import org.yellowhearth.storage.stock.StockCsv;

/**
 * From choices to the bench: rectifiers, what the new parts do, the sheet, what is owed, kits, what
 * belongs to its year.
 */
public class ReplaceWorkTest {
  private static final List<StockPart> CATALOGUE =
      StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet());
  private static final String SUPPLY =
      "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing";

  private static Bench supply(String parts, Preset preset) {
    Bench b = Bench.of(1952).type(parts);
    AtomicInteger ids = new AtomicInteger();
    preset
        .sections(b.job(), () -> "p" + String.format("%03d", ids.getAndIncrement()))
        .forEach(s -> put(b, s));
    return b;
  }

  private static void put(Bench b, Item item) {
    b.edit(new Edit.ItemChanged(b.job().item(item.id()), Optional.of(item)));
  }

  private static SupplyModel model(Bench b) {
    return SupplyModel.of(
        b.job(), VerdictTest.KNOWLEDGE, SupplyModel.View.AS_DRAWN, OptionalDouble.empty());
  }

  private static StockPart of(String order) {
    return CATALOGUE.stream().filter(p -> p.title().equals(order)).findFirst().orElseThrow();
  }

  /**
   * Silicon lifts the rail, the resistor brings it back: R = ΔV/I of the pulses is of the order of
   * ΔV over the direct current, and less (common practice: a start, then trim); its heat goes by
   * the RMS current, which is well above the direct one; each leg sees twice the peak, 2·√2·275·1.1
   * = 856 V (textbook).
   */
  @Test
  public void aResistorBringsTheRailBackBehindSilicon() {
    Bench b = supply(SUPPLY, Preset.VALVE_CHOKE);
    Supply s = model(b).supply().orElseThrow();
    RectifierChange c =
        RectifierChange.of(s, "V1", true, Map.of(PartRef.of("C1"), 350.0), Watcher.NOBODY)
            .orElseThrow();
    assertThat(c.bareVolts()).isGreaterThan(c.drawnVolts() + 15);
    double plain = (c.bareVolts() - c.drawnVolts()) / 0.06;
    assertThat(c.ohms()).isBetween(0.3 * plain, plain);
    assertThat(c.standard()).isBetween(c.ohms(), 1.25 * c.ohms());
    assertThat(c.volts()).isCloseTo(c.drawnVolts(), within(6.0));
    assertThat(c.watts())
        .isBetween(0.06 * 0.06 * c.standard() * 1.5, 0.06 * 0.06 * c.standard() * 6);
    assertThat(c.inverseVolts()).isBetween(0.95 * 856, 857.0);
    assertThat(c.surge().bare()).isGreaterThan(c.surge().after());
    RectifierChange.Cold first = c.cold().getFirst();
    assertThat(first.after())
        .as("no valve warms up with the others any more")
        .isGreaterThan(first.before() + 50);
    assertThat(first.over()).as("350 V at 428 V").isTrue();
    assertThat(RectifierChange.of(s, "nothing", true, Map.of(), Watcher.NOBODY)).isEmpty();
  }

  /**
   * Twice the reservoir, half the ripple there (ΔV = I/(2fC), Millman and Halkias), hardly more
   * volts.
   */
  @Test
  public void whatWasChosenStandsBesideTheOriginal() {
    Bench b = supply(SUPPLY, Preset.VALVE_CHOKE);
    ChoiceEffect e =
        ChoiceEffect.of(
                model(b),
                Map.of(PartRef.of("C1"), new ChoiceEffect.New(32e-6, OptionalDouble.of(1))),
                Watcher.NOBODY)
            .orElseThrow();
    ChoiceEffect.Rail first =
        e.rails().stream().filter(r -> r.name().equals("HT")).findFirst().orElseThrow();
    assertThat(first.ripple().chosen() / first.ripple().original()).isBetween(0.42, 0.58);
    assertThat(first.volts().chosen())
        .isBetween(first.volts().original(), first.volts().original() * 1.05);
    assertThat(e.surge().chosen()).isGreaterThanOrEqualTo(e.surge().original() * 0.99);
    ChoiceEffect lossy =
        ChoiceEffect.of(
                model(b),
                Map.of(PartRef.of("C1"), new ChoiceEffect.New(32e-6, OptionalDouble.of(40))),
                Watcher.NOBODY)
            .orElseThrow();
    assertThat(
            lossy.rails().stream()
                .filter(r -> r.name().equals("HT"))
                .findFirst()
                .orElseThrow()
                .ripple()
                .chosen())
        .as("series resistance is ripple")
        .isGreaterThan(1.3 * first.ripple().chosen());
    RectifierChange silicon =
        RectifierChange.of(model(b).supply().orElseThrow(), "V1", true, Map.of(), Watcher.NOBODY)
            .orElseThrow();
    RectifierSwap swap =
        new RectifierSwap("swap-1", "V1", true, OptionalDouble.of(silicon.standard()), "");
    ChoiceEffect swapped =
        ChoiceEffect.of(model(b), Map.of(), List.of(swap), Watcher.NOBODY).orElseThrow();
    ChoiceEffect.Rail fed =
        swapped.rails().stream()
            .filter(r -> Math.abs(r.volts().original() - silicon.drawnVolts()) < 0.01)
            .findFirst()
            .orElseThrow();
    assertThat(fed.volts().chosen())
        .as("what the rectifier page says")
        .isCloseTo(silicon.volts(), within(0.01));
  }

  private static void choose(Bench b, String ref, String order) {
    put(b, Choice.one(PartRef.of(ref), of(order).taken()));
  }

  @Test
  public void theSheetGoesByWhatBlocksWhatAndStopsAfterTheSupply() {
    Bench b =
        supply(
            SUPPLY
                + "; + C5 .05 MFD 400 V paper coupling; + C7 25 MFD 25 V electrolytic bias filter positive earth; "
                + "+ C9 .1 MFD 400 V paper decoupling; + C8 .1 MFD 400 V paper across line",
            Preset.VALVE_CHOKE);
    choose(b, "C9", "PA-100n-630");
    choose(b, "C5", "PA-47n-630");
    choose(b, "C1", "AE-22-450");
    choose(b, "C7", "RE-22-50");
    choose(b, "C8", "X2-100n-275");
    // The reservoir sits behind the decoupler, which would else come last.
    put(b, Place.of(PartRef.of("C1")).with(p -> p.behind = "C9 and the choke"));
    put(b, new BenchTask("t1", Doing.OPEN_LINK, "output stage", "screen link", false));
    put(b, new BenchTask("t2", Doing.CLEAN, "under the can", "electrolyte", false));
    put(b, VisualInspection.of(PartRef.of("C1"), VisualInspection.Sign.BURST, ""));
    List<FittingSheet.Step> steps = FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps();
    List<String> order =
        steps.stream().map(s -> s.part().map(p -> p.ref().toString()).orElse(s.id())).toList();
    assertThat(order)
        .containsExactly("t2", "C8", "C9", "C1", "C7", FittingSheet.SUPPLY_TEST, "C5", "t1");
    assertThat(minds(steps, "C7"))
        .contains(ReplaceWords.SHEET_PLUS_TO_CHASSIS.key(), ReplaceWords.SHEET_RADIAL.key());
    assertThat(minds(steps, "C1"))
        .contains(
            ReplaceWords.SHEET_BURST.key(),
            ReplaceWords.SHEET_SPILLED.key(),
            ReplaceWords.SHEET_BEHIND.key());
    assertThat(minds(steps, "C8")).contains(ReplaceWords.SHEET_MAINS.key());
    assertThat(minds(steps, "C5")).contains(ReplaceWords.SHEET_FOIL.key());
    put(
        b,
        Fitting.of(PartRef.of("C8"))
            .with(f -> {
              f.removed = true;
              f.fitted = true;
              f.checked = true;
            }));
    Bench only = supply(SUPPLY, Preset.VALVE_CHOKE);
    choose(only, "C1", "AE-22-450");
    put(only, new BenchTask("t1", Doing.OPEN_LINK, "output stage", "screen link", false));
    assertThat(FittingSheet.of(only.job(), VerdictTest.KNOWLEDGE).steps())
        .as("nothing else to stop before")
        .hasSize(2);
    FittingSheet now = FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE);
    assertThat(now.done()).isEqualTo(1);
    assertThat(now.next().orElseThrow().id()).as("one goes on where one left off").isEqualTo("t2");
  }

  private static List<String> minds(List<FittingSheet.Step> steps, String ref) {
    return steps.stream()
        .filter(s -> s.part().map(p -> p.ref().toString().equals(ref)).orElse(false))
        .flatMap(s -> s.mind().stream())
        .map(m -> m.key().key())
        .toList();
  }

  /**
   * A debt of safety, a reversed part and an open link stand against handing the set back; a
   * second-hand part does not.
   */
  @Test
  public void whatIsOwedIsListedAndSafetyBlocks() {
    Bench b =
        Bench.of(1952)
            .type("+ C8 .1 MFD 400 V paper across line; + C9 .1 MFD 400 V paper decoupling");
    choose(b, "C8", "PA-100n-630");
    put(
        b,
        Fitting.of(PartRef.of("C9"))
            .with(f -> {
              f.fitted = true;
              f.checked = true;
              f.debt = Fitting.Debt.SECOND_HAND;
              f.debtReason = "nothing else in the drawer";
            }));
    assertThat(SignOff.of(b.job()).blocked()).isFalse();
    assertThat(SignOff.of(b.job()).owed()).hasSize(1);
    put(b, Fitting.of(PartRef.of("C8")).with(f -> f.fitted = true));
    assertThat(SignOff.of(b.job()).owed())
        .as("a plain film part across the line")
        .anyMatch(o ->
            o.why().key() == ReplaceWords.OWED_NO_CLASS && o.blocks() && o.about().equals("C8"));
    choose(b, "C8", "X2-100n-275");
    assertThat(SignOff.of(b.job()).blocked()).isFalse();
    put(b, Fitting.of(PartRef.of("C9")).with(f -> f.sign = Fitting.MeterSign.REVERSED));
    put(b, new BenchTask("t1", Doing.OPEN_LINK, "output stage", "screen link", false));
    assertThat(SignOff.of(b.job()).owed().stream().filter(SignOff.Owed::blocks)).hasSize(2);
    put(b, new BenchTask("t1", Doing.OPEN_LINK, "output stage", "screen link", true));
    assertThat(SignOff.of(b.job()).owed().stream().filter(SignOff.Owed::blocks)).hasSize(1);
  }

  /**
   * The kit whose only high rating must be kept for the place that needs it; a low one never goes
   * there.
   */
  @Test
  public void aKitIsMatchedAsAWhole() {
    Bench b =
        Bench.of(1952)
            .type(
                "+ C1 10 MFD 450 V electrolytic smoothing; + C2 10 MFD 250 V electrolytic smoothing; + C3 10 MFD 500 V electrolytic smoothing");
    List<StockPart> kit =
        new ArrayList<>(List.of(of("AE-10-450"), of("AE-10-250"), of("X2-10n-275")));
    List<Substitutes.Question> places =
        b.job().capacitors().stream()
            .map(c ->
                new Substitutes.Question(
                    b.job(),
                    c,
                    Demand.typed(b.job(), c, VerdictTest.KNOWLEDGE),
                    Optional.empty(),
                    List.of(),
                    Stock.Uses.NONE,
                    VerdictTest.KNOWLEDGE,
                    2026))
            .toList();
    KitMatch m = KitMatch.of(places, kit);
    assertThat(m.placed())
        .extracting(p -> p.part() + " " + p.ware().title())
        .containsExactly("C1 AE-10-450", "C2 AE-10-250");
    assertThat(m.open())
        .extracting(o -> o.part() + " " + o.why().key())
        .containsExactly("C3 " + ReplaceWords.SUB_RATING_BELOW);
    assertThat(m.left()).extracting(StockPart::title).containsExactly("X2-10n-275");
    StockPart high = of("AE-10-450");
    StockPart low = of("AE-10-250");
    KitMatch meant =
        KitMatch.of(
            places.subList(1, 2),
            List.of(high, low),
            Map.of(high.title(), List.of(PartRef.of("C2"))));
    assertThat(meant.placed())
        .as("the seller's list says where")
        .extracting(p -> p.part() + " " + p.ware().title())
        .containsExactly("C2 AE-10-450");
    KitMatch up = KitMatch.of(places, Collections.nCopies(2, of("AE-10-500")));
    assertThat(up.placed())
        .hasSize(2)
        .extracting(KitMatch.Placed::up)
        .as("the places that waste least")
        .containsExactly(50.0, 0.0);
    assertThat(up.open()).extracting(o -> o.why().key()).containsExactly(ReplaceWords.KIT_TAKEN);
  }

  /**
   * Common practice: 0.047 µF on a set of 1938 would have read 0.05 µF, a disc ceramic there is too
   * young.
   */
  @DataProvider
  public Object[][] years() {
    return new Object[][] {
      {1938, ".047 MFD 400 V paper", "PERIOD_VALUE 0.05 µF"},
      {1938, ".05 MFD 400 V paper", ""},
      {1934, "1000 pF 500 V ceramic", "TOO_YOUNG"},
      {1962, "47 nF 400 V polyester", ""},
      {1950, "47 MFD 450 V electrolytic", "PERIOD_VALUE 50 µF"},
      {1972, "22 MFD 450 V electrolytic", ""},
      {1948, "1 MFD 35 V tantalum", "TOO_YOUNG"},
      {1940, "470 pF 500 V mica", "PERIOD_VALUE 500 pF"}
    };
  }

  @Test(dataProvider = "years")
  public void whatDoesNotBelongToItsYearIsTold(int year, String part, String expected) {
    Capacitor c = Bench.of(year).type("+ C1 " + part).job().capacitors().getFirst();
    List<Message> found = Anachronism.of(c, year, VerdictTest.KNOWLEDGE);
    String said = found.isEmpty() ? "" : ((ReplaceWords) found.getFirst().key()).name();
    assertThat(
            (said
                + (said.equals("PERIOD_VALUE")
                    ? " " + ((Argument.Figure) found.getFirst().arguments().get(2)).quantity()
                    : "")))
        .as(year + " " + part)
        .isEqualTo(expected);
  }

  @Test
  public void aRepairerOfTheDayTookWhatThereWas() {
    Capacitor film =
        Bench.of(1938).type("+ C1 .047 MFD 400 V polypropylene").job().capacitors().getFirst();
    Anachronism.OfItsDay then =
        Anachronism.ofItsDay(film, 1938, VerdictTest.KNOWLEDGE).orElseThrow();
    assertThat(VerdictTest.KNOWLEDGE.kind(then.kind()).family()).isEqualTo(Family.PAPER);
    assertThat(then.farads()).isCloseTo(0.05e-6, within(1e-15));
    assertThat(
            VerdictTest.KNOWLEDGE.period().customs().stream()
                .filter(c -> c.usualIn(1938))
                .map(c -> c.id()))
        .contains("wire-rubber", "units-mfd")
        .doesNotContain("wire-plastic");
  }

  @Test
  public void theSheetOfASemiconductorTellsWhatToMeet() {
    Bench b =
        Bench.of(1965)
            .type("+ Q1 germanium pnp transistor; + Q2 field effect transistor; + R1 4k7");
    assertThat(SemiSheet.of(b.job().part(PartRef.of("Q1")).orElseThrow(), b.job()))
        .extracting(m -> m.key().key())
        .contains(ReplaceWords.SEMI_GERMANIUM.key(), ReplaceWords.SEMI_PINOUT.key());
    assertThat(SemiSheet.of(b.job().part(PartRef.of("Q2")).orElseThrow(), b.job()))
        .extracting(m -> m.key().key())
        .contains(ReplaceWords.SEMI_STATIC.key());
    assertThat(SemiSheet.of(b.job().part(PartRef.of("R1")).orElseThrow(), b.job())).isEmpty();
  }

  /**
   * I = 2πfCV (textbook): 4.7 nF at 240 V 50 Hz let 0.35 mA through; R = t/(C·ln(√2·V/60)) makes
   * the plug safe. What is chosen counts, not what gives way. The fuse carries half as much again
   * (common practice) and stands fifteen times the current for half a period.
   */
  @Test
  public void theMainsSideIsSummedUp() {
    Bench b =
        supply(
            SUPPLY
                + "; + C8 .1 MFD 400 V paper across line; + C9 .01 MFD 400 V paper line to chassis",
            Preset.VALVE_CHOKE);
    double volts = b.job().plate().mains().orElseThrow().volts();
    double hertz = b.job().plate().mains().orElseThrow().hertz();
    MainsWork before = MainsWork.of(b.job(), model(b).supply(), Watcher.NOBODY).orElseThrow();
    assertThat(before.touchAmperes().orElseThrow())
        .isCloseTo(2 * Math.PI * hertz * 10e-9 * volts, within(1e-9));
    choose(b, "C9", "Y2-4.7n-250");
    MainsWork now = MainsWork.of(b.job(), model(b).supply(), Watcher.NOBODY).orElseThrow();
    assertThat(now.touchAmperes().orElseThrow())
        .isCloseTo(2 * Math.PI * hertz * 4.7e-9 * volts, within(1e-9));
    double most = 1 / (0.1e-6 * Math.log(Math.sqrt(2) * volts / 60));
    assertThat(now.bleeder().orElseThrow().ohms()).isBetween(most / 1.25, most);
    assertThat(now.bleeder().orElseThrow().seconds()).isBetween(0.75, 1.0);
    double running = now.runningAmperes().orElseThrow();
    assertThat(running * volts * 0.8).as("watts of a small valve supply").isBetween(15.0, 120.0);
    assertThat(now.squareSeconds().orElseThrow())
        .isGreaterThanOrEqualTo(Math.pow(15 * running, 2) / 2 / (2 * hertz) * 0.999);
    assertThat(now.fuse().orElseThrow().amperes()).isBetween(1.5 * running, 2 * running);
    assertThat(now.fuse().orElseThrow().lag()).as("a transformer melts a quick fuse").isTrue();
    assertThat(MainsWork.of(b.job(), Optional.empty(), Watcher.NOBODY).orElseThrow().fuse())
        .isEmpty();
  }

  @Test
  public void papersSayWhatTheBenchNeeds() throws IOException {
    Bench b =
        supply(
            SUPPLY
                + "; + C7 25 MFD 25 V electrolytic bias filter positive earth; + C5 .047 MFD 400 V paper coupling",
            Preset.VALVE_CHOKE);
    choose(b, "C1", "AE-22-450");
    choose(b, "C7", "RE-22-50");
    choose(b, "C5", "PA-47n-630");
    put(
        b,
        Fitting.of(PartRef.of("C1"))
            .with(f -> {
              f.removed = true;
              f.keptAt = "in a bag inside the cabinet";
            }));
    String sheet = text(ReplacePapers.sheet(b.job(), VerdictTest.KNOWLEDGE, Bench.NOW));
    assertThat(sheet)
        .contains(
            "unplug, keep the plug in sight",
            "C1 16 µF 450 V → 22 µF 450 V",
            "POSITIVE end to chassis",
            "Stop and test",
            "[x] [ ] [ ]");
    assertThat(sheet.indexOf("C1 16"))
        .isLessThan(sheet.indexOf("Stop and test"))
        .isLessThan(sheet.indexOf("C5 0.047"));
    String record = text(ReplacePapers.record(b.job(), VerdictTest.KNOWLEDGE, Bench.NOW));
    assertThat(record)
        .contains(
            "in a bag inside the cabinet", "A repairer of 1952 would have fitted", "AE-22-450");
    assertThat(text(LabelSheet.of("7", b.job(), Bench.NOW)))
        .contains("C7 22 µF 50 V", "for 25 µF 25 V", "PA-47n-630");
    Shopping list =
        Shopping.of(
            List.of(
                new Shopping.Wanting(
                    "Set", b.job().items(Choice.class), b.job().items(Fitting.class))),
            Map.of("AE-22-450", of("AE-22-450")),
            new Shopping.Terms(0, 5, 0, 0));
    assertThat(text(ReplacePapers.shopping(list, Bench.NOW)))
        .contains("AE-22-450", "Set C1", "not stated");
    Dossier dossier =
        Dossier.of(
            new Judge(VerdictTest.KNOWLEDGE).of(b.job(), Bench.NOW.toLocalDate()),
            VerdictTest.KNOWLEDGE,
            Bench.NOW);
    assertThat(text(pdf(dossier))).contains("chosen: 22 µF 450 V").doesNotContain("Outstanding");
    put(b, Fitting.of(PartRef.of("C7")).with(f -> f.sign = Fitting.MeterSign.REVERSED));
    assertThat(
            text(
                pdf(
                    Dossier.of(
                        new Judge(VerdictTest.KNOWLEDGE).of(b.job(), Bench.NOW.toLocalDate()),
                        VerdictTest.KNOWLEDGE,
                        Bench.NOW))))
        .contains("Outstanding", "Not to be handed back");
  }

  private static byte[] pdf(Dossier dossier) {
    return PdfFolio.bytes(
        DossierFolio.of(
            dossier, DossierScope.BLANK, _ -> Optional.empty(), () -> SupplyProof.NONE));
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
    }
  }
}
