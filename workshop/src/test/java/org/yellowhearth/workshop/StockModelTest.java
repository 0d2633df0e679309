package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.ResistorSearch;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.ReplaceModel.Answer;

/**
 * Drawer and catalogue without the window: changed, taken back, out to a list and in again; and a
 * set without a supply or a condemned part.
 */
public class StockModelTest {
  private Path folder;
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void open() {
    folder = Rooms.folder();
    shop = Rooms.shop(folder);
    model = Rooms.model(shop);
    model.stock().refresh();
  }

  @AfterMethod
  public void close() {
    shop.close();
  }

  private StockModel.Shelved shelved() {
    return model.stock().shelvedProperty().get().orElseThrow();
  }

  private StockPart shipped() {
    return shelved().shipped().getFirst();
  }

  private Optional<StockPart> inCatalogue(String id) {
    return shelved().catalogue().stream().filter(p -> p.id().equals(id)).findFirst();
  }

  private static StockPart withdrawn(StockPart p) {
    return new StockPart(
        p.id(),
        p.whence(),
        p.title(),
        p.ware(),
        p.quantity(),
        p.measured(),
        p.made(),
        p.price(),
        p.pack(),
        p.where(),
        true,
        p.remark());
  }

  @Test
  public void aLineOfTheCatalogueIsWithdrawnAndStandsAgainAsItShips() {
    int all = shelved().catalogue().size();
    int had = shelved().toBeHad().size();
    StockPart line = shipped();
    model.stock().put(withdrawn(line));
    assertThat(inCatalogue(line.id()).orElseThrow().withdrawn()).isTrue();
    assertThat(shelved().catalogue()).hasSize(all);
    assertThat(shelved().toBeHad()).as("nothing proposes it any more").hasSize(had - 1);
    model.stock().remove(inCatalogue(line.id()).orElseThrow());
    assertThat(inCatalogue(line.id())).contains(line);
    model.stock().undo();
    assertThat(inCatalogue(line.id()).orElseThrow().withdrawn()).isTrue();
    model.stock().undo();
    assertThat(shelved().stock().all()).isEmpty();
    model.stock().undo();
    assertThat(model.background().noticeProperty().get().trouble())
        .as("nothing more to take back is no fault")
        .isFalse();
    model.stock().redo();
    assertThat(shelved().stock().all()).hasSize(1);
  }

  @Test
  public void aDrawerGoesOutAndComesBackTheSame() throws IOException {
    Path in =
        Files.writeString(
            folder.resolve("in.csv"),
            """
            order,what,kind,microfarads,ohms,volts,watts,leads,quantity,measured (µF or ohms),made,where
            Box 1,capacitor,polypropylene,0.1,,630,,axial,7,0.0987,2024,left
            Box 2,resistor,,,220,,2,axial,12,,,right
            """);
    model.stock().bringIn(in, Whence.DRAWER);
    assertThat(shelved().stock().drawer()).hasSize(2);
    model.stock().bringIn(in, Whence.DRAWER);
    assertThat(shelved().stock().drawer()).as("the same bags, not more of them").hasSize(2);
    assertThat(shelved().stock().acts()).as("and nothing was changed").isEqualTo(1);
    Files.writeString(in, Files.readString(in).replace("axial,7,", "axial,5,"));
    model.stock().bringIn(in, Whence.DRAWER);
    assertThat(shelved().stock().drawer())
        .hasSize(2)
        .anySatisfy(p -> assertThat(p.quantity()).hasValue(5));
    Path out = folder.resolve("out.csv");
    model.stock().takeOut(out, Whence.DRAWER);
    model.stock().takeOut(out, Whence.DRAWER);
    assertThat(model.background().noticeProperty().get().trouble())
        .as("a file that is there is not touched")
        .isTrue();
    try (Shop other = Rooms.shop(Rooms.folder())) {
      DeskModel elsewhere = Rooms.model(other);
      elsewhere.stock().refresh();
      elsewhere.stock().bringIn(out, Whence.DRAWER);
      List<StockPart> there =
          elsewhere.stock().shelvedProperty().get().orElseThrow().stock().drawer();
      assertThat(there)
          .usingRecursiveFieldByFieldElementComparatorIgnoringFields("id")
          .containsExactlyInAnyOrderElementsOf(shelved().stock().drawer());
    }
  }

  /**
   * A resistor is answered with one or two that share its heat; a can's way goes to its sections;
   * nothing is matched where nothing is open.
   */
  @Test
  public void aSetWithoutASupplyIsServedToo() {
    model.arrive("Dinghy set");
    Rooms.type(model, "+ R1 4k7 2 W carbon");
    Rooms.type(model, "+ C16a 32 MFD 450 V can electrolytic smoothing");
    Rooms.type(model, "+ C16b 16 MFD 450 V can electrolytic smoothing");
    model.stageProperty().set(Stage.REPLACE);
    model.chosenProperty().set(Optional.of(PartRef.of("R1")));
    Answer.ForResistor r = (Answer.ForResistor) model.renew().answerProperty().get().orElseThrow();
    assertThat(r.watts()).isEqualTo(2);
    ResistorSearch.Found best = r.found().getFirst();
    assertThat(best.ohms()).isBetween(4700 * 0.9, 4700 * 1.1);
    model.renew().choose(PartRef.of("R1"), best);
    assertThat(model.job().items(Choice.class)).hasSize(1);
    model.chosenProperty().set(Optional.of(PartRef.of("C16a")));
    Answer.ForCapacitor c =
        (Answer.ForCapacitor) model.renew().answerProperty().get().orElseThrow();
    assertThat(c.of().demand().worstVolts()).as("nobody knows what it sees").isEmpty();
    assertThat(c.of().ceiling()).isEmpty();
    model.renew().choose(c.of(), c.of().best().getFirst());
    model.renew().say(PartRef.of("C16a"), Choice.Way.IN_PLACE, true, "nearest");
    assertThat(model.renew().cans()).containsOnlyKeys(PartRef.of("C16"));
    PartRef can = PartRef.of("C16");
    model
        .renew()
        .can(
            new CanWork(
                CanWork.idOf(can),
                can,
                Choice.Way.BENEATH,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                "",
                ""));
    Choice now = model.job().of(PartRef.of("C16a"), Choice.class).getFirst();
    assertThat(now.way()).isEqualTo(Choice.Way.BENEATH);
    assertThat(now.reason()).isEqualTo("nearest");
    model.undo();
    assertThat(model.job().of(PartRef.of("C16a"), Choice.class).getFirst().way())
        .isEqualTo(Choice.Way.IN_PLACE);
    model.renew().unchoose(PartRef.of("C16a"));
    assertThat(model.job().of(PartRef.of("C16a"), Choice.class)).isEmpty();
    assertThat(model.renew().task(BenchTask.Doing.CLEAN, "", " ")).as("a step says what").isFalse();
    assertThat(model.renew().task(BenchTask.Doing.CLEAN, "", "flux")).isTrue();
    model.renew().workMains();
    assertThat(model.background().noticeProperty().get().text())
        .contains("mains voltage and frequency");
    assertThat(model.renew().rectifiers()).isEmpty();
    model.toShop();
    assertThat(model.renew().rowsProperty().get()).isEmpty();
    assertThat(model.renew().answerProperty().get()).isEmpty();
  }
}
