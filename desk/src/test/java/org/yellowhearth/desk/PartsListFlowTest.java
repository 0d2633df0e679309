package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.geometry.Point2D;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.GridPane;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.desk.charts.AgeingPane;
import org.yellowhearth.desk.parts.PartRow;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.workshop.PartsModel;
import org.yellowhearth.workshop.words.Labels;

/** Census and Assess in the real window: many parts, by keyboard alone and by mouse. */
public class PartsListFlowTest extends Window {
  @Test
  public void manyPartsAndTheirReadingsByKeyboardAlone() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    int many = Boolean.getBoolean("hearth.long") ? 40 : 15;
    for (int i = 1; i <= many; i++) {
      enter("+ C" + (500 + i) + " 8u can");
      enter((i % 4 == 0 ? "3u" : "8u") + " D.1 @100");
    }
    assertThat(job().census().stream().filter(p -> p.ref().number() > 500)).hasSize(many);
    assertThat(job().readings()).hasSizeGreaterThanOrEqualTo(many);
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    assertThat(
            model
                .openProperty()
                .get()
                .orElseThrow()
                .assessment(PartRef.of("C504"))
                .orElseThrow()
                .verdict())
        .isEqualTo(Verdict.REPLACE);
    assertThat(
            model
                .openProperty()
                .get()
                .orElseThrow()
                .assessment(PartRef.of("C505"))
                .orElseThrow()
                .verdict())
        .isEqualTo(Verdict.KEEP);
  }

  /** A line as if it had been typed, for what a test only starts from. */
  private void four() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    for (int i = 1; i <= 4; i++) {
      type("+ C70" + i + " 8 MFD 450 V electrolytic");
      type(i + "u 20r @100");
    }
  }

  @Test
  public void aClickOnAHeadingOrdersByItAndTheListGoesOutAsShown() throws IOException {
    four();
    robot.interact(() -> find("filter", TextField.class).setText("c70"));
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    TableView<?> table = find("assess-table", TableView.class);
    TableColumn<?, ?> read =
        table.getColumns().stream()
            .filter(c -> c.getText().equals(Labels.of("table.c")))
            .findFirst()
            .orElseThrow();
    robot.interact(() -> {
      read.setSortType(TableColumn.SortType.DESCENDING);
      sortBy(table, read);
    });
    settle();
    assertThat(refs(table)).containsExactly("C704", "C703", "C702", "C701");
    assertThat(model.chosenProperty().get()).contains(PartRef.of("C704"));
    type("C702 9u 20r @100");
    assertThat(refs(table)).containsExactly("C702", "C704", "C703", "C701");
    robot.interact(() -> table.getSortOrder().clear());
    assertThat(refs(table)).containsExactly("C701", "C702", "C703", "C704");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    robot.clickOn("#list-out");
    settle();
    String list = Files.readString(folder.resolve(job().plate().name() + ".csv"));
    assertThat(list.lines()).hasSize(5);
    assertThat(list).contains("C703,capacitor,8 µF,450 V");
  }

  @SuppressWarnings("unchecked")
  private static void sortBy(TableView<?> table, TableColumn<?, ?> column) {
    ((TableView<Object>) table).getSortOrder().setAll(List.of((TableColumn<Object, ?>) column));
  }

  private static List<String> refs(TableView<?> table) {
    return table.getItems().stream().map(r -> ((PartRow) r).part().ref().toString()).toList();
  }

  @Test
  public void theMeterPageSaysWhatEveryMeterShows() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    robot.clickOn("#show-loading");
    for (String[] field :
        new String[][] {{"volts", "100 V"}, {"source", "1M"}, {"range", "250 V"}}) {
      robot.interact(() -> {
        find("loading-" + field[0], TextField.class).setText(field[1]);
        find("loading-" + field[0], TextField.class).fireEvent(new ActionEvent());
      });
    }
    GridPane table = find("loading-table", GridPane.class);
    // 1 kΩ/V on 250 V is 250 kΩ: a fifth of the voltage is left, and 100 V shown were 500 V.
    assertThat(table.getChildren().stream().map(n -> ((Label) n).getText()))
        .contains("250 kΩ", "20 V", "80 %", "500 V", "90.9 V");
  }

  @Test
  public void manyAreChangedAtOnceAndOneUndoTakesItBack() {
    four();
    robot.interact(() -> find("filter", TextField.class).setText("c70"));
    settle();
    TableView<?> table = find("census-table", TableView.class);
    assertThat(table.getItems()).hasSize(4);
    robot.interact(() -> {
      table.getSelectionModel().clearSelection();
      table.getSelectionModel().selectRange(0, 3);
    });
    settle();
    assertThat(model.parts().pickedProperty().get()).hasSize(3);
    choose("pick-role", "cathode bypass");
    settle();
    assertThat(
            job().capacitors().stream()
                .filter(c -> c.role() == Role.CATHODE_BYPASS && c.ref().number() > 700))
        .hasSize(3);
    robot.clickOn(find("pick-sees", TextField.class)).write("310");
    press(KeyCode.ENTER);
    assertThat(job().capacitor(PartRef.of("C702")).orElseThrow().workingVolts()).hasValue(310);
    choose("pick-look", "bulged");
    settle();
    assertThat(job().items(VisualInspection.class)).hasSize(3);
    robot.interact(() -> find("pick-remove", Button.class).fire());
    settle();
    assertThat(job().part(PartRef.of("C701"))).isEmpty();
    robot.interact(model::undo);
    settle();
    assertThat(job().part(PartRef.of("C701"))).isPresent();
    assertThat(job().readingsOf(PartRef.of("C701"))).hasSize(1);
    assertThat(job().items(VisualInspection.class)).as("what was seen comes back too").hasSize(3);
  }

  @Test
  public void theFieldIsWalkedWithTheArrowsAndALassoPicks() {
    four();
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    AgeingPane field = find("ageing-field", AgeingPane.class);
    robot.interact(() -> {
      model.chosenProperty().set(Optional.of(PartRef.of("C701")));
      field.requestFocus();
    });
    press(KeyCode.RIGHT);
    assertThat(model.chosenProperty().get()).contains(PartRef.of("C702"));
    press(KeyCode.SPACE);
    assertThat(model.parts().pickedProperty().get()).containsExactly(PartRef.of("C702"));
    Point2D corner = field.localToScreen(60, 25);
    robot.moveTo(corner.getX(), corner.getY()).press(MouseButton.PRIMARY);
    for (double[] to :
        new double[][] {
          {field.getWidth() - 20, 25},
          {field.getWidth() - 20, field.getHeight() - 20},
          {60, field.getHeight() - 20}
        }) {
      Point2D at = field.localToScreen(to[0], to[1]);
      robot.moveTo(at.getX(), at.getY());
    }
    robot.release(MouseButton.PRIMARY);
    settle();
    assertThat(model.parts().pickedProperty().get())
        .contains(PartRef.of("C701"), PartRef.of("C704"));
    robot.interact(() -> find("field-save", Button.class).fire());
    settle();
    until(() -> Files.exists(folder.resolve("ageing-field.svg")));
  }

  @Test
  public void theSavedFieldIsAPicture() throws IOException {
    four();
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    robot.interact(() -> find("field-save", Button.class).fire());
    settle();
    until(() -> Files.exists(folder.resolve("ageing-field.svg")));
    assertThat(Files.readString(folder.resolve("ageing-field.svg")))
        .startsWith("<svg")
        .contains("C703", "capacitance kept, % of marked");
  }

  @Test
  public void whatFirstOrdersTheListByRisk() {
    four();
    type("+ C799 .02 MFD 400 V waxed paper grid coupling");
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    robot.interact(() -> find("what-first", ToggleButton.class).fire());
    settle();
    assertThat(model.parts().orderProperty().get()).isEqualTo(PartsModel.Order.RISK);
    List<Double> scores = model.parts().shown().stream().map(a -> a.risk().score()).toList();
    assertThat(scores).isSortedAccordingTo((a, b) -> Double.compare(b, a));
  }

  @Test
  public void aListIsPastedLookedAtAndTaken() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    robot.interact(() -> find("show-import", Button.class).fire());
    robot.interact(
        () -> model.imports().take("Pos;Value;V\nC801;0,1 µF;400\nR801;4k7;\nC802;8..2;350\n"));
    settle();
    assertThat(find("import-told", Label.class).getText()).contains("2 join", "1 are left out");
    choose("import-column-2", "remark");
    settle();
    assertThat(model.imports().previewProperty().get().orElseThrow().rows().getFirst().said())
        .isEqualTo("0.1 µF");
    choose("import-column-2", "voltage");
    settle();
    assertThat(job().part(PartRef.of("C801"))).as("nothing is done before it is taken").isEmpty();
    robot.interact(() -> find("import-take", Button.class).fire());
    settle();
    assertThat(job().capacitor(PartRef.of("C801")).orElseThrow().ratedVolts()).hasValue(400);
    assertThat(job().part(PartRef.of("R801"))).isPresent();
    assertThat(said("notice")).contains("2 lines taken", "1 left out");
    robot.interact(model::undo);
    settle();
    assertThat(job().part(PartRef.of("R801"))).isEmpty();
  }

  @Test
  public void cellsArePastedIntoTheTable() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    robot.interact(() -> {
      ClipboardContent cells = new ClipboardContent();
      cells.putString("C811\t0,1 µF\nC812\t0,2 µF");
      Clipboard.getSystemClipboard().setContent(cells);
      find("census-table", TableView.class).requestFocus();
    });
    press(KeyCode.CONTROL, KeyCode.V);
    assertThat(
            model.imports().previewProperty().get().orElseThrow().count(PartsListImport.What.ADDS))
        .isEqualTo(2);
  }

  @Test
  public void aListThatIsNoneSaysWhy() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    robot.interact(() -> find("show-import", Button.class).fire());
    robot.interact(() -> model.imports().take("C1;\"8 MFD"));
    settle();
    assertThat(find("import-told", Label.class).getText()).contains("quotation mark");
    assertThat(find("import-take", Button.class).isDisabled()).isTrue();
    assertThat(
            model.imports().previewProperty().get().orElseThrow().count(PartsListImport.What.ADDS))
        .isZero();
  }

  @Test
  public void coloursAreClickedAndGoToTheBenchLine() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    robot.interact(() -> find("show-decoder", ToggleButton.class).fire());
    settle();
    for (String colour : List.of("yellow", "violet", "red", "gold")) {
      robot.clickOn("#colour-" + colour);
    }
    settle();
    robot.clickOn("to the bench line");
    settle();
    assertThat(model.benchLine().lineProperty().get()).isEqualTo("+ R 4.7kΩ ±5%");
    robot.interact(() -> model.benchLine().lineProperty().set("+ R77 4.7kΩ ±5%"));
    press(KeyCode.F2);
    press(KeyCode.ENTER);
    assertThat(job().part(PartRef.of("R77"))).isPresent();
  }

  @Test
  public void whatIsSeenToldAndDecidedIsWrittenOnThePageOfThePart() {
    four();
    robot.interact(() -> {
      model.chosenProperty().set(Optional.of(PartRef.of("C701")));
      find("show-about", ToggleButton.class).fire();
    });
    settle();
    robot.interact(() -> find("chip-oozing", ToggleButton.class).fire());
    settle();
    assertThat(job().of(PartRef.of("C701"), VisualInspection.class))
        .extracting(VisualInspection::sign)
        .containsExactly(VisualInspection.Sign.OOZING);
    robot.interact(() -> find("about-valve", TextField.class).requestFocus());
    robot.write("12");
    press(KeyCode.ENTER);
    assertThat(job().of(PartRef.of("C701"), Place.class).getFirst().valveMetres()).hasValue(0.012);
    robot.interact(() -> find("witness-said", TextField.class).requestFocus());
    robot.write("16 MFD +chassis");
    press(KeyCode.ENTER);
    assertThat(job().of(PartRef.of("C701"), StatedValue.class).getFirst())
        .satisfies(s -> {
          assertThat(s.value()).hasValue(16e-6);
          assertThat(s.polarity()).isEqualTo(Polarity.POSITIVE_TO_CHASSIS);
        });
    choose("overrule-verdict", "Watch");
    robot.interact(() -> find("overrule-reason", TextField.class).requestFocus());
    robot.write("kept for the shell");
    press(KeyCode.ENTER);
    assertThat(
            model
                .openProperty()
                .get()
                .orElseThrow()
                .assessment(PartRef.of("C701"))
                .orElseThrow()
                .verdict())
        .isEqualTo(Verdict.WATCH);
  }

  @Test
  public void aLimitIsChangedForThisJobAndReset() {
    four();
    type("C704 5.9u D0.1 @100");
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    robot.interact(() -> find("show-limits", ToggleButton.class).fire());
    settle();
    robot.interact(() -> {
      TextField field = find("limit-electrolytic-dry-period-renew-below", TextField.class);
      field.setText("0.75");
      field.getOnAction().handle(null);
    });
    settle();
    assertThat(job().items(LimitChange.class)).hasSize(1);
    assertThat(
            model
                .openProperty()
                .get()
                .orElseThrow()
                .assessment(PartRef.of("C704"))
                .orElseThrow()
                .verdict())
        .isEqualTo(Verdict.REPLACE);
    robot.clickOn("reset");
    settle();
    assertThat(job().items(LimitChange.class)).isEmpty();
  }

  @Test
  public void missingNumbersAreNamed() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    for (int i : new int[] {1, 2, 4, 5}) {
      type("+ L" + i + " choke 200r");
    }
    assertThat(said("gaps")).contains("L3");
  }
}
