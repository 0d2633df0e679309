package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.workshop.Stage;

/**
 * The agenda in the real window: what a burn-in asks for is seen on the plate and the shelf,
 * answered, added to and written out.
 */
public class AgendaFlowTest extends Window {
  private String list() {
    StringBuilder text = new StringBuilder();
    find("agenda-list", VBox.class)
        .lookupAll(".label")
        .forEach(n -> text.append(((Label) n).getText()).append('\n'));
    return text.toString();
  }

  private String key(String begins) {
    return model.agenda().agendaProperty().get().orElseThrow().lines().stream()
        .map(l -> l.due().key())
        .filter(k -> k.startsWith(begins))
        .findFirst()
        .orElseThrow();
  }

  private void pass(Duration time) {
    clock.goOn(time);
    robot.interact(() -> model.agenda().refresh());
    settle();
  }

  @Test
  public void aBurnInIsSeenFromTheShelfAndAnswered() {
    openJob("Brindlecote");
    robot.interact(() ->
        model
            .prove()
            .beginBurn(
                OptionalDouble.of(24),
                List.of(new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8))));
    settle();
    pass(Duration.ofMinutes(6));
    until(() -> find("plate-due", Button.class).isVisible());
    assertThat(find("plate-due", Button.class).getText()).isEqualTo("1 due");
    press(KeyCode.CONTROL, KeyCode.G);
    settle();
    assertThat(model.openProperty().get()).isEmpty();
    until(() -> list().contains("Reading 1 of 13 of the burn-in"));
    assertThat(list())
        .contains(
            "Due now or overdue   1", "Burn-in  ·  Brindlecote 51", "−1 min", "then 09:29, 09:39");
    assertThat(find("shop-agenda", ToggleButton.class).getText()).isEqualTo("Agenda  2");
    String key = key("burn-");
    robot.interact(() -> find("later-" + key, MenuButton.class).getItems().getFirst().fire());
    settle();
    assertThat(list()).doesNotContain("Due now").contains("time set by hand");
    click("agenda-undo");
    until(() -> list().contains("Due now or overdue   1"));
    click("open-" + key);
    until(() -> model.openProperty().get().isPresent());
    assertThat(model.stageProperty().get()).isEqualTo(Stage.FINAL_TEST);
  }

  @Test
  public void aTaskIsAddedChangedDoneAndWrittenOut() {
    press(KeyCode.CONTROL, KeyCode.G);
    settle();
    // What the demo sets ask their owners.
    until(() -> list().contains("Without a date   2"));
    type("agenda-what", "Telephone the curator");
    type("agenda-when", "fri 14:30");
    assertThat(robot.lookup("Friday 11 September 2026, 14:30").tryQuery()).isPresent();
    click("agenda-add");
    until(() -> list().contains("Telephone the curator"));
    assertThat(list()).contains("In the next seven days   1", "Fri 11 Sep  14:30");
    String key = key("task-");
    robot.interact(() -> find("later-" + key, MenuButton.class).getItems().get(4).fire());
    settle();
    type("agenda-edit-what", "Write to the curator");
    type("agenda-edit-when", "yesterday");
    click("agenda-edit-keep");
    assertThat(model.background().noticeProperty().get().text())
        .contains("\"yesterday\" is no time");
    type("agenda-edit-when", "tomorrow");
    click("agenda-edit-keep");
    until(() -> list().contains("Write to the curator"));
    assertThat(list()).contains("Tomorrow   1");
    click("agenda-out");
    Path file = folder.resolve("Agenda.ics");
    until(() -> Files.exists(file));
    click("done-" + key);
    until(() -> list().contains("Done   1"));
    assertThat(list()).doesNotContain("Write to the curator");
    click("agenda-done-shown");
    click("undone-" + key);
    until(() -> list().contains("Tomorrow   1"));
    assertThat(
            model.shelf().jobsProperty().get().stream()
                .flatMap(l -> shop.job(l.id()).items(OwnTask.class).stream()))
        .singleElement()
        .satisfies(t -> assertThat(t.wholeDay()).isTrue());
  }

  /** A value in another notation finds the part; Enter opens it there. */
  @Test
  public void anythingIsFoundFromAnywhere() {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.F);
    settle();
    type("find-text", ".05 brindle");
    until(() ->
        model
            .archive()
            .foundProperty()
            .get()
            .filter(f -> f.search().equals(".05 brindle"))
            .isPresent());
    settle();
    assertThat(find("find-said", Label.class).getText()).startsWith("1 found");
    press(KeyCode.ENTER);
    until(() -> model.openProperty().get().isPresent());
    settle();
    assertThat(model.stageProperty().get()).isEqualTo(Stage.ASSESS);
    assertThat(model.chosenProperty().get()).contains(PartRef.of("C4"));
  }
}
