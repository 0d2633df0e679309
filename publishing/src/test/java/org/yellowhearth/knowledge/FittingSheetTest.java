package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.SheetHints;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.publishing.dossier.PeriodRecord;
import org.yellowhearth.storage.stock.StockCsv;

/**
 * What the fitting sheet minds part by part, in which order, what stays owed, and what the record
 * says for the next restorer.
 */
public class FittingSheetTest {
  private static final List<StockPart> CATALOGUE =
      StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet());
  private static final PartRef C1 = PartRef.of("C1");

  private static void put(Bench b, Item item) {
    b.edit(new Edit.ItemChanged(b.job().item(item.id()), Optional.of(item)));
  }

  private static Choice chosen(String ref, String order) {
    StockPart p = CATALOGUE.stream().filter(x -> x.title().equals(order)).findFirst().orElseThrow();
    return Choice.one(PartRef.of(ref), p.taken());
  }

  private static Bench with(String part, String order, Item... more) {
    Bench b = Bench.of(1950).type("+ C1 " + part);
    put(b, chosen("C1", order));
    Arrays.stream(more).forEach(i -> put(b, i));
    return b;
  }

  private static List<String> minds(Bench b) {
    return FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps().getFirst().mind().stream()
        .map(m -> ((ReplaceWords) m.key()).name())
        .toList();
  }

  private static Place place(String behind, Place.Attachment... over) {
    return Place.of(C1)
        .with(p -> {
          p.behind = behind;
          p.moveOver = Set.of(over);
        });
  }

  /** Common practice, line by line. */
  @DataProvider
  public Object[][] care() {
    Choice way = chosen("C1", "AE-22-450");
    return new Object[][] { //
      {
        "16 MFD 450 V electrolytic smoothing",
        "AE-22-450",
        "SHEET_POLARITY_UNKNOWN SHEET_AXIAL",
        new Item[0]
      }, //
      {
        "16 MFD 450 V electrolytic smoothing negative earth",
        "AE-22-450",
        "SHEET_MINUS_TO_CHASSIS SHEET_AXIAL",
        new Item[0]
      }, //
      {
        "25 MFD 25 V electrolytic bias filter positive earth",
        "RE-22-50",
        "SHEET_PLUS_TO_CHASSIS SHEET_RADIAL",
        new Item[0]
      }, //
      {".05 MFD 400 V paper coupling", "PA-47n-630", "SHEET_AXIAL SHEET_FOIL", new Item[0]}, //
      {".05 MFD 400 V paper decoupling", "PA-47n-630", "SHEET_AXIAL", new Item[0]}, //
      {
        ".1 MFD 400 V paper across line", "X2-100n-275", "SHEET_MAINS SHEET_RADIAL", new Item[0]
      }, //
      {
        ".05 MFD 400 V paper decoupling",
        "PA-47n-630",
        "SHEET_BEHIND SHEET_MOVE_OVER SHEET_AXIAL",
        new Item[] {place("the tone switch", Place.Attachment.SLEEVING)}
      }, //
      {
        "16 MFD 450 V electrolytic smoothing negative earth",
        "AE-22-450",
        "SHEET_MINUS_TO_CHASSIS SHEET_BURST SHEET_SPILLED SHEET_AXIAL",
        new Item[] {VisualInspection.of(C1, VisualInspection.Sign.BURST, "")}
      }, //
      {
        "16 MFD 450 V electrolytic smoothing negative earth",
        "AE-22-450",
        "SHEET_MINUS_TO_CHASSIS SHEET_SPILLED SHEET_AXIAL",
        new Item[] {VisualInspection.of(C1, VisualInspection.Sign.RESIDUE_IS_ELECTROLYTE, "")}
      }, //
      {
        "16 MFD 450 V electrolytic smoothing negative earth",
        "AE-22-450",
        "SHEET_MINUS_TO_CHASSIS SHEET_RESTUFFED SHEET_AXIAL",
        new Item[] {way.with(Choice.Way.RESTUFFED)}
      }, //
      {
        "16 MFD 450 V electrolytic smoothing negative earth",
        "AE-22-450",
        "SHEET_MINUS_TO_CHASSIS SHEET_BENEATH SHEET_AXIAL SHEET_BALANCE",
        new Item[] {
          new Choice(
              way.id(),
              C1,
              way.joined(),
              way.groups(),
              OptionalDouble.of(220_000),
              Choice.Way.BENEATH,
              false,
              "")
        }
      }
    };
  }

  @Test(dataProvider = "care")
  public void eachExchangeHasItsOwnCare(String part, String order, String expected, Item[] more) {
    assertThat(minds(with(part, order, more)))
        .as(part + " → " + order)
        .containsExactlyInAnyOrder(expected.split(" "));
  }

  /**
   * Two that sit behind each other keep their order; a chain is followed to its end; places keep
   * together.
   */
  @Test
  public void whatIsInFrontGoesFirstHoweverLongTheChain() {
    Bench b = Bench.of(1950);
    List<String> refs = List.of("C1", "C2", "C3", "C4");
    for (String ref : refs) {
      b.type("+ " + ref + " .05 MFD 400 V paper decoupling");
      put(b, chosen(ref, "PA-47n-630"));
    }
    assertThat(order(b)).containsExactlyElementsOf(refs);
    behind(b, "C1", "C4");
    behind(b, "C4", "C3");
    assertThat(order(b)).containsExactly("C3", "C4", "C1", "C2");
    behind(b, "C3", "C1");
    assertThat(order(b))
        .as("a ring is no reason to stop")
        .containsExactlyInAnyOrderElementsOf(refs);
    behind(b, "C1", "");
    behind(b, "C3", "");
    behind(b, "C4", "");
    put(b, Place.of(PartRef.of("C1")).with(p -> p.where = "under the coils"));
    put(b, Place.of(PartRef.of("C3")).with(p -> p.where = "at the back"));
    put(b, Place.of(PartRef.of("C4")).with(p -> p.where = "at the back"));
    assertThat(order(b)).containsExactly("C2", "C3", "C4", "C1");
  }

  private static void behind(Bench b, String ref, String what) {
    put(b, Place.of(PartRef.of(ref)).with(p -> p.behind = what));
  }

  private static List<String> order(Bench b) {
    return FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps().stream()
        .map(s -> s.part().orElseThrow().ref().toString())
        .toList();
  }

  @Test
  public void stepsGoFromOpenToDone() {
    Bench b = with(".05 MFD 400 V paper decoupling", "PA-47n-630");
    List<FittingSheet.State> states = new ArrayList<>();
    for (int k = 0; k < 4; k++) {
      int done = k;
      put(
          b,
          Fitting.of(C1)
              .with(f -> {
                f.removed = done > 0;
                f.fitted = done > 1;
                f.checked = done > 2;
              }));
      states.add(FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps().getFirst().state());
    }
    assertThat(states).containsExactly(FittingSheet.State.values());
    assertThat(FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).next()).isEmpty();
    put(b, new BenchTask("t1", BenchTask.Doing.GUARD, "", "coils near the iron", false));
    assertThat(FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps().getFirst().id())
        .as("a guard comes first")
        .isEqualTo("t1");
    RectifierSwap swap = new RectifierSwap("swap-v1", "V1", true, OptionalDouble.of(220), "");
    put(b, swap);
    put(b, new BenchTask(FittingSheet.stepOf(swap), BenchTask.Doing.OTHER, "", "silicon", false));
    assertThat(FittingSheet.of(b.job(), VerdictTest.KNOWLEDGE).steps())
        .extracting(FittingSheet.Step::id)
        .containsExactly("t1", FittingSheet.stepOf(swap), FittingSheet.SUPPLY_TEST, "choice-C1");
    assertThat(SignOff.of(b.job()).blocked()).isFalse();
    put(b, new BenchTask("t2", BenchTask.Doing.SPARE_TERMINAL, "can", "old lug", false));
    assertThat(SignOff.of(b.job()).blocked()).as("a bare terminal at rail voltage").isTrue();
  }

  @Test
  public void theRecordTellsTheNextRestorerEverything() {
    Bench b =
        with(
            ".047 MFD 400 V polypropylene decoupling",
            "PA-47n-630",
            Place.of(C1).with(p -> p.where = "under the output valve"),
            VisualInspection.of(C1, VisualInspection.Sign.WAX_RUN, ""));
    put(
        b,
        Fitting.of(C1)
            .with(f -> {
              f.removed = true;
              f.condition = "leads green";
              f.keptAt = "envelope in the cabinet";
              f.debt = Fitting.Debt.TEMPORARY;
              f.debtReason = "until the axial one comes";
            }));
    PeriodRecord r = PeriodRecord.all(b.job(), VerdictTest.KNOWLEDGE).getFirst();
    assertThat(r.part()).startsWith("C1");
    assertThat(said(r, "Place")).contains("under the output valve");
    assertThat(said(r, "Condition")).contains("leads green").containsIgnoringCase("wax");
    assertThat(said(r, "A repairer of 1950 would have fitted"))
        .contains("0.05 µF")
        .contains("paper");
    assertThat(said(r, "Note"))
        .as("a film part in a set of 1950 is a later repair")
        .contains("too young");
    assertThat(said(r, "Now")).contains("PA-47n-630");
    assertThat(said(r, "The old part")).isEqualTo("envelope in the cabinet");
    assertThat(said(r, "To reverse it")).contains("put the old one back");
    assertThat(said(r, "Outstanding")).contains("until the axial one comes");
    assertThat(PeriodRecord.customs(b.job(), VerdictTest.KNOWLEDGE))
        .extracting(PeriodRecord.Entry::text)
        .anyMatch(t -> t.contains("MFD"));
    assertThat(
            PeriodRecord.all(
                Bench.of(1950).type("+ C1 .05 MFD 400 V paper").job(), VerdictTest.KNOWLEDGE))
        .isEmpty();
  }

  private static String said(PeriodRecord r, String label) {
    return r.entries().stream()
        .filter(e -> e.label().equals(label))
        .map(PeriodRecord.Entry::text)
        .findFirst()
        .orElse("");
  }

  /**
   * Coils near the iron, a can that is left, a bead, heat sinks: each is asked for once, and no
   * more when it is written down.
   */
  @Test
  public void theSetAsksForItsOwnSteps() {
    Bench b =
        Bench.of(1965)
            .type(
                "+ C16a 32 MFD 450 V can electrolytic smoothing; + C2 .05 MFD 400 V paper decoupling; "
                    + "+ L1 signal coil");
    assertThat(SheetHints.of(b.job())).as("nothing is chosen").isEmpty();
    put(b, chosen("C16a", "AE-33-450").with(Choice.Way.BENEATH));
    put(b, chosen("C2", "PA-47n-630"));
    put(
        b,
        Place.of(PartRef.of("C2"))
            .with(p ->
                p.moveOver = Set.of(Place.Attachment.FERRITE_BEAD, Place.Attachment.SLEEVING)));
    b.edit(
        new Edit.AspectChanged(
            b.job().aspect(Build.class),
            b.job().aspect(Build.class).with(d -> d.features = Set.of(Feature.HEAT_SINKS))));
    assertThat(SheetHints.of(b.job()))
        .extracting(h -> h.doing() + " " + h.where())
        .containsExactly("GUARD ", "SPARE_TERMINAL C16", "PUT_BACK C2", "PUT_BACK ");
    put(b, new BenchTask("t1", BenchTask.Doing.SPARE_TERMINAL, "C16", "sleeved", false));
    assertThat(SheetHints.of(b.job())).hasSize(3);
  }

  @Test
  public void aCanOfItsOwnIdHoldsWhatBecomesOfIt() {
    Bench b =
        Bench.of(1950)
            .type("+ C16a 32 MFD 450 V can electrolytic; + C16b 32 MFD 450 V can electrolytic");
    PartRef can = PartRef.of("C16a").whole();
    put(
        b,
        new CanWork(
            CanWork.idOf(can),
            can,
            Choice.Way.RESTUFFED,
            OptionalDouble.of(0.034),
            OptionalDouble.of(0.07),
            "card",
            "2026"));
    assertThat(b.job().item(CanWork.idOf(PartRef.of("C16b"))))
        .as("one can, two sections")
        .isPresent();
  }
}
