package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import org.testng.annotations.Test;
import org.yellowhearth.core.cause.Cause.Standing;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.stock.DrawerFile;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.Rooms;

/**
 * What the shop has learned, faults followed to their cause, and who wrote an entry, in the real
 * window.
 */
public class ArchiveFlowTest extends Window {
  private String learned() {
    StringBuilder text = new StringBuilder();
    robot
        .lookup(n -> "learned".equals(n.getId()))
        .<Node>query()
        .lookupAll(".label")
        .forEach(n -> text.append(((Label) n).getText()).append('\n'));
    return text.toString();
  }

  private void toggle(String id) {
    robot.interact(() -> find(id, ToggleButton.class).fire());
    settle();
  }

  /** What is measured in the demo is counted here anew from the jobs themselves. */
  @Test
  public void theShopSaysWhatItHasLearnedAndAJobTakesItOver() {
    toggle("shop-learned");
    long measured =
        model.shelf().jobsProperty().get().stream()
            .map(l -> shop.job(l.id()))
            .flatMap(j ->
                j.capacitors().stream()
                    .filter(
                        c -> !j.readingsOf(c.ref()).isEmpty() && c.kind().equals("mica-silvered")))
            .count();
    toggle("learned-kinds");
    until(() -> learned().contains("silvered mica"));
    assertThat(learned()).contains("of " + measured);
    for (String page : List.of("groups", "roles", "ages", "heat", "readings", "forming", "time")) {
      toggle("learned-" + page);
      assertThat(learned()).as(page).isNotBlank();
    }
    toggle("shop-shelf");
    openJob("Brindlecote");
    robot.interact(model.archive()::takeOver);
    until(() -> !job().aspect(ShopExperience.class).equals(ShopExperience.BLANK));
    robot.interact(model::undo);
    until(() -> job().aspect(ShopExperience.class).equals(ShopExperience.BLANK));
  }

  @Test
  public void aFaultIsFollowedToItsCauseAndSigned() {
    toggle("shop-safekeeping");
    fill("signature", "M. Quillon");
    until(() -> model.safekeeping().signatureProperty().get().equals("M. Quillon"));
    toggle("shop-shelf");
    openJob("Brindlecote");
    robot.interact(() ->
        ((ShellView) stage.getScene().getRoot())
            .show(org.yellowhearth.workshop.Stage.FINAL_TEST, "causes"));
    settle();
    type("cause-symptom", "Hums after ten minutes");
    type("cause-suspicion", "Reservoir dried out");
    type("cause-part", "C999");
    click("cause-add");
    assertThat(model.background().noticeProperty().get().text()).contains("C999");
    PartRef bad =
        model.openProperty().get().orElseThrow().assessments().stream()
            .filter(a -> a.measured() && a.foundBad())
            .map(a -> a.part().ref())
            .findFirst()
            .orElseThrow();
    type("cause-part", bad.toString());
    click("cause-add");
    FaultTrail trail = job().items(FaultTrail.class).getFirst();
    assertThat(job().journal().getLast().by()).isEqualTo("M. Quillon");
    clock.goOn(Duration.ofMinutes(1));
    robot.interact(() -> model.put(Fitting.of(bad).with(f -> f.fitted = true)));
    settle();
    clock.goOn(Duration.ofMinutes(1));
    type("words-" + trail.id(), "quiet for an hour");
    click("cured-" + trail.id());
    assertThat(said("standing-" + trail.id())).contains("confirmed");
    assertThat(model.causes().causes())
        .singleElement()
        .satisfies(c -> assertThat(c.standing()).isEqualTo(Standing.CONFIRMED));
    assertThat(shop.job(model.openProperty().get().orElseThrow().id()).journal())
        .extracting(Entry::by)
        .contains("M. Quillon");
  }

  /**
   * The drawer goes out with its history and comes back with it, but never over one that has its
   * own.
   */
  @Test
  public void theDrawerComesBackWithItsHistory() throws IOException {
    robot.interact(() -> model.stock().put(line("a", 5)));
    settle();
    robot.interact(() -> model.stock().put(line("a", 3)));
    settle();
    robot.interact(() -> model.stock().undo());
    settle();
    List<Shop.DatedAct> before = shop.stockJournal();
    assertThat(before).hasSize(3);
    robot.interact(() -> model.safekeeping().takeOut(folder.resolve("all")));
    settle();
    Path drawer = folder.resolve("all").resolve("drawer.json");
    robot.interact(() -> model.shelf().bringIn(List.of(drawer)));
    settle();
    assertThat(model.background().noticeProperty().get().text()).contains("history of its own");
    Path other = Rooms.folder();
    try (Shop empty = Rooms.shop(other)) {
      Stock back = empty.takeOver(DrawerFile.read(JsonText.read(drawer)));
      assertThat(back.drawer()).isEqualTo(shop.stock().drawer());
      assertThat(empty.stockJournal().stream().map(Shop.DatedAct::act))
          .isEqualTo(before.stream().map(Shop.DatedAct::act).toList());
    }
    try (Stream<Path> files = Files.list(folder.resolve("all"))) {
      assertThat(files.filter(f -> f.toString().endsWith(".json"))).hasSize(3);
    }
  }

  private static StockPart line(String id, int count) {
    return new StockPart(
        id,
        Choice.Whence.DRAWER,
        "bag " + id,
        new ResistorWare(
            150,
            0.05,
            5,
            Leads.AXIAL,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty()),
        OptionalInt.of(count),
        OptionalDouble.empty(),
        OptionalInt.empty(),
        OptionalDouble.empty(),
        1,
        "",
        false,
        "");
  }
}
