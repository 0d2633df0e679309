package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.ChoiceEffect;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.Glance;
import org.yellowhearth.core.replace.KitMatch;
import org.yellowhearth.core.replace.RectifierChange;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.ReplaceModel.Answer;

/** Renew without the window, over a real shop: choosing, the drawer, a kit, the bench. */
public class ReplaceModelTest {
  private static final String HEAD = "order,what,kind,microfarads,volts,leads,quantity,made\n";
  private static final PartRef FIRST = PartRef.of("C16a");
  private static final PartRef SECOND = PartRef.of("C16b");
  private Path folder;
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void begin() throws IOException {
    folder = Rooms.folder();
    open();
    model.shelf().bringIn(List.of(Rooms.demo("mess-receiver.json")));
    drawer(
        HEAD
            + "Jar,capacitor,electrolytic-axial,33,450,axial,2,2025\nBox,capacitor,electrolytic-axial,47,63,axial,1,2019\n");
    start();
  }

  private void open() {
    shop = Rooms.shop(folder);
    model = Rooms.model(shop);
  }

  private void start() {
    model.shelf().refresh();
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    model.stageProperty().set(Stage.REPLACE);
  }

  private void drawer(String csv) throws IOException {
    Path file = Files.writeString(folder.resolve("drawer.csv"), csv);
    model.stock().bringIn(file, Whence.DRAWER);
  }

  @AfterMethod
  public void end() {
    shop.close();
  }

  /** A kit whose list names the places; brought in a second time it is the same kit. */
  @Test
  public void aKitGoesWhereItsListSays() throws IOException {
    Path list =
        Files.writeString(
            folder.resolve("mess kit.csv"), "ref,value,volts\nC16b,33uF,450\nC16a,33uF,500\n");
    for (int i = 0; i < 2; i++) {
      model.renew().matchKit(list);
      assertThat(model.renew().matchProperty().get().orElseThrow().placed())
          .extracting(p -> p.part() + " " + ((CapacitorWare) p.ware().ware()).volts())
          .contains("C16a 500.0", "C16b 450.0");
    }
    assertThat(model.stock().shelvedProperty().get().orElseThrow().stock().drawer())
        .as("the jar, the box and the kit's two lines")
        .hasSize(4);
  }

  private void typed(String line) {
    model.benchLine().lineProperty().set(line);
    model.benchLine().enter();
  }

  /**
   * A board of condemned parts at a glance: the near standard value of each (common practice), what
   * lies in the drawer once and not twice, and what needs a look is not taken with the rest.
   */
  @Test
  public void aBoardIsLookedAtAtAGlance() {
    model.arrive("Board");
    model.changePlate(p -> p.with(d -> d.made = OptionalInt.of(1958)));
    for (String line :
        List.of(
            "+ C1 32u 450V electrolytic reservoir",
            "+ C2 32u 450V electrolytic smoothing",
            "+ C3 32u 450V electrolytic decoupling",
            "+ C4 50u 25V electrolytic cathode bypass",
            "+ C5 .1u 400V paper coupling",
            "+ C6 8u electrolytic",
            "+ R1 470k 0.5W carbon",
            "+ D1 selenium 250V 60mA")) {
      typed(line);
    }
    List.of("C1", "C2", "C3", "C4", "C5", "C6", "R1", "D1").forEach(p -> typed(p + " open"));
    model.stageProperty().set(Stage.REPLACE);
    model.renew().glance();
    Map<String, Glance.Line> lines =
        model.renew().glanceProperty().get().orElseThrow().lines().stream()
            .collect(Collectors.toMap(l -> l.ref().toString(), l -> l));
    assertThat(lines).hasSize(8);
    assertThat(List.of("C1", "C2", "C3").stream().filter(c -> lines.get(c).fromTheDrawer()))
        .as("two of them lie in the jar")
        .hasSize(2);
    assertThat(
            List.of("C1", "C2", "C3").stream()
                .map(c ->
                    ((CapacitorWare) lines.get(c).first().orElseThrow().all().getFirst().ware())
                        .farads()))
        .containsOnly(33e-6);
    assertThat(lines.get("C4").plain()).isTrue();
    assertThat(lines.get("C4").price()).isPresent();
    assertThat(lines.get("C6").first()).as("no rating is marked, none is guessed").isEmpty();
    assertThat(lines.get("C6").doubt()).isPresent();
    assertThat(lines.get("R1").plain()).isTrue();
    assertThat(lines.get("D1").first()).isPresent();
    assertThat(lines.get("D1").plain()).as("silicon for selenium needs a resistor").isFalse();
    List<Glance.Line> plain = lines.values().stream().filter(Glance.Line::plain).toList();
    model.renew().take(plain);
    assertThat(job().items(Choice.class)).hasSize(plain.size());
    model.undo();
    assertThat(job().items(Choice.class)).as("one step").isEmpty();
    model.renew().glance();
    assertThat(model.renew().glanceProperty().get().orElseThrow().lines()).hasSize(8);
  }

  private Job job() {
    return model.openProperty().get().orElseThrow().job();
  }

  private StockModel.Shelved shelved() {
    return model.stock().shelvedProperty().get().orElseThrow();
  }

  private StockPart line(String title) {
    return shelved().stock().drawer().stream()
        .filter(p -> p.title().equals(title))
        .findFirst()
        .orElseThrow();
  }

  private Substitutes answer(PartRef ref) {
    model.chosenProperty().set(Optional.of(ref));
    return ((Answer.ForCapacitor) model.renew().answerProperty().get().orElseThrow()).of();
  }

  private static Substitute whence(Substitutes s, Whence whence) {
    return s.best().stream()
        .filter(x -> x.parts().size() == 1 && x.parts().getFirst().whence() == whence)
        .findFirst()
        .orElseThrow();
  }

  private String told() {
    return model.background().noticeProperty().get().text();
  }

  @Test
  public void whatIsFittedLeavesTheDrawerAndUndoGivesItBack() {
    Substitutes s = answer(FIRST);
    assertThat(s.ceiling()).as("it stands first behind a valve").isPresent();
    model.renew().choose(s, whence(s, Whence.DRAWER));
    assertThat(shelved().uses().left(line("Jar"))).isEqualTo(2);
    assertThat(shelved().uses().free(line("Jar"))).as("promised").isEqualTo(1);
    model
        .renew()
        .fit(
            FIRST,
            f -> {
              f.removed = true;
              f.fitted = true;
            });
    assertThat(shelved().uses().left(line("Jar"))).isEqualTo(1);
    model.renew().unchoose(FIRST);
    assertThat(told()).contains("is fitted");
    assertThat(job().items(Choice.class)).hasSize(1);
    model.undo();
    model.undo();
    assertThat(job().items(Choice.class)).isEmpty();
    assertThat(shelved().uses().free(line("Jar"))).isEqualTo(2);
    model.stock().count(line("Jar"), 7);
    assertThat(shelved().uses().left(line("Jar"))).isEqualTo(7);
    model.stock().undo();
    assertThat(shelved().uses().left(line("Jar"))).isEqualTo(2);
    model.stock().redo();
    assertThat(line("Jar").quantity()).hasValue(7);
  }

  @Test
  public void aReversedFitIsCaughtByTheMeter() {
    Substitutes s = answer(FIRST);
    model.renew().fit(FIRST, f -> f.fitted = true);
    assertThat(told()).contains("Nothing is chosen");
    model.renew().choose(s, whence(s, Whence.CATALOGUE));
    model.renew().fit(FIRST, f -> f.fitted = true);
    model.renew().fit(FIRST, f -> f.checked = true);
    assertThat(told()).contains("Check the polarity");
    model.renew().fit(FIRST, f -> f.sign = Fitting.MeterSign.REVERSED);
    model.renew().fit(FIRST, f -> f.checked = true);
    assertThat(job().items(Fitting.class))
        .singleElement()
        .satisfies(f -> assertThat(f.checked()).isFalse());
    model.renew().fit(FIRST, f -> f.sign = Fitting.MeterSign.RIGHT);
    model.renew().fit(FIRST, f -> f.checked = true);
    assertThat(job().items(Fitting.class))
        .singleElement()
        .satisfies(f -> assertThat(f.checked()).isTrue());
  }

  /**
   * Behind the dropper the ripple halves where the capacitance doubles (ΔV = I/(2fC)); looked at,
   * not yet chosen.
   */
  @Test
  public void lookingAtOneShowsWhatItDoes() {
    Substitutes s = answer(SECOND);
    Substitute twice =
        s.best().stream()
            .filter(x -> x.combination().farads() >= 60e-6 && x.combination().farads() <= 70e-6)
            .findFirst()
            .orElseThrow();
    model.renew().look(Optional.of(twice));
    ChoiceEffect.Rail rail =
        model.renew().effectProperty().get().orElseThrow().rails().stream()
            .filter(r -> r.name().equals("HT2"))
            .findFirst()
            .orElseThrow();
    double expected = 32e-6 / twice.combination().farads();
    assertThat(rail.ripple().chosen() / rail.ripple().original()).isCloseTo(expected, within(0.12));
    assertThat(job().items(Choice.class)).isEmpty();
    model.renew().look(Optional.empty());
    assertThat(model.renew().effectProperty().get()).isEmpty();
  }

  @Test
  public void aMatchIsTakenAtOnceAndTakenBackAtOnce() throws IOException {
    model.renew().matchDrawer();
    KitMatch m = model.renew().matchProperty().get().orElseThrow();
    assertThat(m.placed()).extracting(p -> p.part().toString()).contains("C16a", "C16b");
    model.renew().acceptMatch();
    assertThat(job().items(Choice.class)).hasSameSizeAs(m.placed());
    assertThat(shelved().uses().free(line("Jar"))).isZero();
    model.renew().matchDrawer();
    assertThat(model.renew().matchProperty().get().orElseThrow().placed())
        .as("its own promises are no hindrance")
        .hasSameSizeAs(m.placed());
    model.undo();
    assertThat(job().items(Choice.class)).isEmpty();
    Path kit =
        Files.writeString(
            folder.resolve("kit.csv"),
            HEAD + "Kit 1,capacitor,polypropylene,0.1,630,axial,4,2026\n");
    model.renew().matchKit(kit);
    assertThat(line("Kit 1").quantity()).hasValue(4);
    assertThat(model.renew().matchProperty().get().orElseThrow().placed())
        .isNotEmpty()
        .allSatisfy(p -> assertThat(p.ware().title()).isEqualTo("Kit 1"));
  }

  @Test
  public void aBadListIsToldAndTheDrawerStaysAsItWas() throws IOException {
    List<StockPart> before = shelved().stock().all();
    drawer(
        HEAD
            + "Good,capacitor,polypropylene,0.1,630,axial,4,2026\nBad,capacitor,polypropylene,-1,630,axial,4,2026\n");
    assertThat(told()).contains("drawer.csv").contains("3");
    assertThat(shelved().stock().all()).isEqualTo(before);
    model.stock().bringIn(folder.resolve("nowhere.csv"), Whence.DRAWER);
    assertThat(model.background().noticeProperty().get().trouble()).isTrue();
  }

  @Test
  public void whatWasChosenAndCountedIsThereAfterTheProgramDied() {
    Substitutes s = answer(FIRST);
    model.renew().choose(s, whence(s, Whence.DRAWER));
    model.stock().put(line("Box").counted(5));
    shop.close();
    open();
    start();
    assertThat(job().items(Choice.class)).hasSize(1);
    assertThat(line("Box").quantity()).hasValue(5);
    assertThat(shelved().uses().free(line("Jar"))).isEqualTo(1);
  }

  @Test
  public void siliconAndTheMainsSideAreWorkedOutWhenAsked() {
    model.renew().workRectifier(model.renew().rectifiers().getFirst());
    Map<String, RectifierChange> changes = model.renew().changesProperty().get();
    assertThat(changes.values())
        .singleElement()
        .satisfies(c -> {
          assertThat(c.bareVolts()).isGreaterThan(c.drawnVolts());
          assertThat(c.cold()).extracting(k -> k.part().toString()).contains("C16a", "C16b");
        });
    SupplyRectifier r = model.renew().rectifiers().getFirst();
    RectifierSwap swap =
        new RectifierSwap(RectifierSwap.idOf(r), r.name(), true, OptionalDouble.of(220), "");
    model.renew().decide(swap, "silicon");
    assertThat(FittingSheet.of(job(), Rooms.KNOWLEDGE).steps())
        .extracting(s -> s.id())
        .contains(FittingSheet.stepOf(swap));
    assertThat(model.renew().effectProperty().get()).as("what silicon does").isPresent();
    assertThat(answer(SECOND).demand().worst().orElseThrow().when())
        .isIn(Demand.Circumstance.SILICON, Demand.Circumstance.LIGHT);
    model
        .renew()
        .decide(new RectifierSwap(swap.id(), r.name(), false, OptionalDouble.empty(), ""), "");
    assertThat(FittingSheet.of(job(), Rooms.KNOWLEDGE).steps()).isEmpty();
    model.renew().workMains();
    assertThat(model.renew().mainsProperty().get().orElseThrow().fuse()).isPresent();
    assertThat(model.renew().sums().progressProperty().get()).isNegative();
  }
}
