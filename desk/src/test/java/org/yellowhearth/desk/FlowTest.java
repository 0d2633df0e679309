package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.workshop.Rooms;

/** The real window, driven as a person would: the whole flow by keyboard alone, and by mouse. */
public class FlowTest extends Window {
  @Test
  public void theWholePathByKeyboardAlone() throws IOException, InterruptedException {
    openJob("Quillandry");
    enter("+ C21 8 MFD 450 V electrolytic");
    assertThat(job().capacitor(Rooms.ref("C21")).orElseThrow().farads()).isEqualTo(8e-6);
    robot.write("9.1u 400r D2.4 @100");
    assertThat(said("echo-understood")).contains("C21", "9.1 µF", "ESR 400 Ω", "D 2.4", "100 Hz");
    assertThat(said("echo-verdict")).isEqualTo("Replace");
    press(KeyCode.ENTER);
    assertThat(find("bench-line", TextField.class).getText()).isEmpty();
    assertThat(said("reasons-verdict")).isEqualTo("Replace");
    assertThat(said("reasons-replacement")).isEqualTo("10 µF 450 V electrolytic");
    press(KeyCode.CONTROL, KeyCode.S);
    try (Stream<Path> files = Files.list(folder.resolve("dossiers"))) {
      Path pdf = files.findFirst().orElseThrow();
      try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
        assertThat(new PDFTextStripper().getText(document))
            .contains("Quillandry", "C21", "400 Ω", "Replace", "Journal");
      }
    }
    assertThat(said("notice")).contains("Saved", "dossiers");
    Job before = job();
    close();
    open();
    openJob("Quillandry");
    assertThat(job().journal()).isEqualTo(before.journal());
  }

  @Test
  public void theSameByMouse() {
    openJob("Quillandry");
    robot.clickOn("#stage-parts");
    settle();
    robot.clickOn(find("part-ref", TextField.class)).write("C30");
    robot.clickOn(find("part-marking", TextField.class)).write("0,1 uF 400 V");
    choose("part-kind", "polyester");
    choose("part-role", "coupling");
    assertThat(said("echo-understood")).contains("C30", "0.1 µF 400 V", "polyester", "coupling");
    robot.clickOn(find("part-add", Button.class));
    settle();
    assertThat(job().capacitor(Rooms.ref("C30")).orElseThrow().kind()).isEqualTo("polyester");
    robot.clickOn("#stage-assess");
    settle();
    robot.clickOn(find("show-form", ToggleButton.class));
    settle();
    robot.clickOn(find("read-c", TextField.class)).write("0.102");
    robot.clickOn(find("read-d", TextField.class)).write("0.006");
    robot.clickOn(find("read-at", TextField.class)).write("1k");
    robot.clickOn(find("keep-reading", Button.class));
    settle();
    assertThat(job().readingsOf(Rooms.ref("C30")).getFirst().figures().get(Figure.CAPACITANCE))
        .hasValue(0.102e-6);
    assertThat(said("reasons-verdict")).isEqualTo("Keep");
    robot.clickOn("#hearth");
    settle();
    assertThat(model.stageProperty().get()).isEqualTo(org.yellowhearth.workshop.Stage.SAFETY);
    robot.clickOn("#power-lit");
    settle();
    robot.clickOn("#gate-leave");
    settle();
    assertThat(job().power()).as("left at the gate").isEmpty();
    robot.clickOn("#to-shop");
    settle();
    assertThat(model.openProperty().get()).isEmpty();
  }

  @Test
  public void wrongInputIsToldInTheWindowAndChangesNothing() {
    openJob("Quillandry");
    Job before = job();
    for (String wrong : List.of("5..5u", "450 V", "C99 9u", "-9u")) {
      enter(wrong);
      assertThat(said("echo-trouble")).as(wrong).isNotBlank();
      assertThat(job()).isSameAs(before);
      press(KeyCode.ESCAPE);
      assertThat(find("bench-line", TextField.class).getText()).isEmpty();
    }
  }

  @Test
  public void aQuestionIsAnsweredByKeyboard() {
    openJob("Quillandry");
    robot.write("C2 1,000p");
    press(KeyCode.ENTER);
    press(KeyCode.TAB);
    press(KeyCode.ENTER);
    assertThat(find("bench-line", TextField.class).getText()).isEqualTo("C2 1000p");
    assertThat(said("echo-understood")).contains("0.001 µF");
  }

  @Test
  public void undoRedoThemesStagesAndTheSheetAreOnKeys() {
    openJob("Brindlecote");
    enter("C1 500p @1k");
    int readings = job().readings().size();
    press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(job().readings()).hasSize(readings - 1);
    press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    assertThat(job().readings()).hasSize(readings);
    press(KeyCode.F7);
    assertThat(stage.getScene().getRoot().getStyleClass()).contains("night");
    press(KeyCode.F7);
    press(KeyCode.CONTROL, KeyCode.DIGIT3);
    assertThat(model.stageProperty().get()).isEqualTo(org.yellowhearth.workshop.Stage.PARTS);
    press(KeyCode.CONTROL, KeyCode.DIGIT0);
    until(() -> robot.lookup(".paper").tryQuery().isPresent());
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    press(KeyCode.F1);
    assertThat(robot.lookup(".sheet-title").tryQuery()).isPresent();
    press(KeyCode.ESCAPE);
    press(KeyCode.F8);
    robot.write("first light");
    press(KeyCode.ENTER);
    assertThat(said("hearth-state")).isEqualTo("POWER ON");
    press(KeyCode.F9);
    assertThat(said("hearth-state")).startsWith("OFF, CHARGED");
    press(KeyCode.PAGE_DOWN);
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C2"));
  }

  @Test
  public void aSetArrivesThroughTheWindow() {
    robot
        .clickOn("#arrival-name")
        .write("Set with a name that is a good deal longer than any rating plate would ever hold");
    press(KeyCode.ENTER);
    assertThat(model.stageProperty().get()).isEqualTo(org.yellowhearth.workshop.Stage.ARRIVAL);
    robot.clickOn("#plate-made").eraseText(4).write("1066");
    robot.clickOn("#plate-place").write("workshop");
    press(KeyCode.ENTER);
    assertThat(job().plate().made()).isEmpty();
    assertThat(job().plate().place()).isEqualTo("workshop");
    robot.clickOn("#plate-made").write("1947");
    press(KeyCode.TAB);
    assertThat(job().plate().made()).hasValue(1947);
    robot.clickOn("#page-policy");
    settle();
    choose("arrival-paper", "leakage test at working voltage decides");
    settle();
    press(KeyCode.F2);
    enter("+ C1 .1 MFD 400 V paper");
    assertThat(model.openProperty().get().orElseThrow().assessments().getFirst().verdict())
        .isEqualTo(Verdict.RECHECK);
  }

  /**
   * The shop opens, and the shelf fills, while somebody types the name of a new set: what is typed
   * goes on, and Enter opens no other job.
   */
  @Test
  public void nobodyWhoTypesLosesTheKeyboard() throws InterruptedException {
    close();
    AtomicReference<ShopView> early = new AtomicReference<>();
    robot.interact(() -> {
      ShopView view = new ShopView(appearance);
      early.set(view);
      stage.setScene(new Scene(new StackPane(view), 1280, 800));
      stage.show();
      view.complete();
      view.focus();
    });
    robot.interact(() -> letters("Storm "));
    robot.interact(() -> {
      open(early.get());
      letters("lan");
    });
    settle();
    until(() -> model.shelf().jobsProperty().get().size() == 2);
    robot.interact(() -> letters("tern"));
    robot.interact(() -> model.shelf().refresh());
    settle();
    press(KeyCode.ENTER);
    assertThat(job().plate().name()).isEqualTo("Storm lantern");
    assertThat(job().journal()).hasSize(1);
  }

  private void letters(String text) {
    text.chars()
        .mapToObj(Character::toString)
        .forEach(c ->
            Event.fireEvent(
                stage.getScene().getFocusOwner(),
                new KeyEvent(
                    KeyEvent.KEY_TYPED, c, "", KeyCode.UNDEFINED, false, false, false, false)));
  }

  @Test
  public void aFileIsBroughtInThroughTheWindow() throws IOException {
    asked =
        List.of(
            Rooms.demo("signal-generator.json"),
            Files.writeString(folder.resolve("bad.json"), "nonsense"));
    robot.clickOn("#bring-in");
    settle();
    assertThat(model.shelf().jobsProperty().get()).hasSize(3);
    assertThat(said("shop-notice")).contains("Tarrowmere", "bad.json was not taken");
  }

  @Test
  public void twoHundredPartsAreShownAndChosenWithoutTrouble() throws IOException {
    String parts =
        IntStream.range(0, 200)
            .mapToObj(
                i -> "{\"ref\":\"C" + (1000 + i) + "\",\"marking\":\"8 MFD 450 V electrolytic\"}")
            .collect(Collectors.joining(","));
    asked =
        List.of(
            Files.writeString(
                folder.resolve("many.json"),
                "{\"format\":\"yellow-hearth-job\",\"version\":1,\"set\":{\"name\":\"Many parts\"},\"parts\":["
                    + parts
                    + "]}"));
    robot.clickOn("#bring-in");
    settle();
    openJob("Many");
    assertThat(find("assess-table", TableView.class).getItems().size()).isEqualTo(200);
    press(KeyCode.F2);
    enter("C1150");
    assertThat(find("assess-table", TableView.class).getSelectionModel().getSelectedIndex())
        .isEqualTo(150);
  }
}
