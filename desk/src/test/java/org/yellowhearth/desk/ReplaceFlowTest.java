package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.workshop.ReplaceModel.Answer;
import org.yellowhearth.workshop.Stage;

/**
 * Renew in the real window: filled drawer, chosen, compared, fitted with the meter's sign, owed,
 * undone, printed.
 */
public class ReplaceFlowTest extends Window {
  private void page(String name) {
    robot.interact(() -> find("renew-page-" + name, ToggleButton.class).fire());
    settle();
  }

  private void tick(String id) {
    robot.interact(() -> find(id, CheckBox.class).fire());
    settle();
  }

  private String texts(String id) {
    return String.join(
        "\n",
        find(id, VBox.class).getChildren().stream()
            .filter(Label.class::isInstance)
            .map(n -> ((Label) n).getText())
            .toList());
  }

  private List<StockPart> drawer() {
    return model.stock().shelvedProperty().get().orElseThrow().stock().drawer();
  }

  private int left(String title) {
    return model
        .stock()
        .shelvedProperty()
        .get()
        .map(s ->
            s.uses()
                .left(
                    s.stock().drawer().stream()
                        .filter(p -> p.title().equals(title))
                        .findFirst()
                        .orElseThrow()))
        .orElseThrow();
  }

  /** One key takes what stands first, another looks closer, one button takes the rest, one undo. */
  @Test
  public void everyPlaceIsSeenAtAGlance() throws IOException {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT7);
    page("glance");
    until(() -> model.renew().glanceProperty().get().isPresent());
    TableView<?> table = find("glance-table", TableView.class);
    int places = table.getItems().size();
    assertThat(places).isGreaterThan(8);
    robot.interact(table::requestFocus);
    press(KeyCode.ENTER);
    assertThat(job().items(Choice.class)).hasSize(1);
    until(() -> model.renew().glanceProperty().get().orElseThrow().lines().size() == places - 1);
    assertThat(said("glance-sum")).contains(places + " places", (places - 1) + " open");
    click("glance-take-all");
    assertThat(job().items(Choice.class)).hasSizeGreaterThan(places / 2);
    robot.interact(model::undo);
    settle();
    assertThat(job().items(Choice.class)).hasSize(1);
    robot.interact(table::requestFocus);
    press(KeyCode.CONTROL, KeyCode.ENTER);
    assertThat(find("offers", ListView.class).isVisible()).isTrue();
    page("shopping");
    click("shopping-csv");
    Path csv = folder.resolve("Shopping list.csv");
    until(() -> Files.exists(csv));
    assertThat(Files.readAllLines(csv)).hasSize(2);
  }

  @Test
  public void aPartIsChosenComparedFittedAndPrinted() throws IOException {
    robot.interact(() -> find("shop-drawer", ToggleButton.class).fire());
    settle();
    type("stock-title", "Jar 3");
    choose("stock-kind", "axial electrolytic");
    type("stock-value", "33 µF");
    type("stock-rating", "450");
    type("stock-quantity", "two");
    click("stock-add");
    assertThat(said("shop-notice")).contains("two");
    type("stock-quantity", "2");
    click("stock-add");
    assertThat(((TableView<?>) find("stock-table", TableView.class)).getItems()).hasSize(1);
    robot.interact(() -> find("shop-shelf", ToggleButton.class).fire());
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT7);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.REPLACE);
    robot.interact(() -> model.chosenProperty().set(Optional.of(PartRef.of("C16a"))));
    settle();
    ListView<?> offers = find("offers", ListView.class);
    assertThat(offers.getItems()).hasSizeGreaterThan(4);
    GridPane effect = find("renew-effect", GridPane.class);
    assertThat(effect.getChildren()).as("what is looked at shows what it does").isNotEmpty();
    Substitutes answer =
        ((Answer.ForCapacitor) model.renew().answerProperty().get().orElseThrow()).of();
    int own =
        answer.best().stream().map(x -> x.parts().getFirst().title()).toList().indexOf("Jar 3");
    assertThat(own).as("among the best").isBetween(0, 5);
    robot.interact(() -> offers.getSelectionModel().select(own));
    settle();
    click("renew-choose");
    assertThat(job().items(Choice.class))
        .singleElement()
        .satisfies(c -> assertThat(c.all().getFirst().title()).isEqualTo("Jar 3"));
    page("cans");
    type("can-bore-C16", "40");
    type("can-height-C16", "80");
    choose("can-way-C16", "new ones inside the old shell");
    click("can-keep-C16");
    assertThat(job().items(CanWork.class)).hasSize(1);
    assertThat(job().items(Choice.class))
        .allSatisfy(c -> assertThat(c.way()).isEqualTo(Choice.Way.RESTUFFED));
    page("sheet");
    tick("sheet-removed");
    tick("sheet-fitted");
    assertThat(left("Jar 3")).isEqualTo(1);
    tick("sheet-checked");
    assertThat(job().items(Fitting.class).getFirst().checked())
        .as("not before the meter's sign is read")
        .isFalse();
    choose("sheet-sign", "NEGATIVE – REVERSED");
    settle();
    assertThat(texts("sheet-owed")).contains("reversed");
    choose("sheet-sign", "positive – correct");
    settle();
    tick("sheet-checked");
    assertThat(said("sheet-progress")).startsWith("1 of");
    type("task-what", "screen link");
    click("task-add");
    assertThat(job().items(BenchTask.class)).hasSize(1);
    assertThat(texts("sheet-owed")).contains("screen link");
    click("sheet-save");
    Path pdf = folder.resolve("Fitting sheet.pdf");
    until(() -> Files.exists(pdf));
    try (PDDocument document = Loader.loadPDF(Files.readAllBytes(pdf))) {
      assertThat(new PDFTextStripper().getText(document)).contains("C16a").contains("screen link");
    }
    page("record");
    fill("record-kept", "locker 4");
    assertThat(job().items(Fitting.class).getFirst().keptAt()).isEqualTo("locker 4");
    press(KeyCode.CONTROL, KeyCode.HOME);
    assertThat(model.openProperty().get()).isEmpty();
    assertThat(
            robot
                .lookup(n -> n instanceof Label l && l.getText().contains("not to be handed back"))
                .tryQuery())
        .isPresent();
    assertThat(drawer()).hasSize(1);
  }
}
