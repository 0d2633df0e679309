package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicBoolean;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.practice.FirstJobView;
import org.yellowhearth.workshop.FirstJob;
import org.yellowhearth.workshop.FirstJob.Step;
import org.yellowhearth.workshop.Rooms;
import org.yellowhearth.workshop.Stage;

/** The first job, done in the window as its words say. */
public class FirstJobFlowTest extends Window {
  private final AtomicBoolean left = new AtomicBoolean();
  private FirstJob first;

  @Override
  @BeforeMethod
  public void openWindow() {
    folder = Rooms.folder();
    open();
    robot.interact(() -> {
      Parent shell = stage.getScene().getRoot();
      stage.getScene().setRoot(new javafx.scene.layout.Pane());
      first = new FirstJob(model);
      FirstJobView view = new FirstJobView(first, shell, () -> left.set(true));
      appearance.applyTo(view);
      stage.getScene().setRoot(view);
    });
    settle();
  }

  private void done(Step step) {
    settle();
    assertThat(first.step()).contains(step);
    until(first.doneProperty()::get);
    assertThat(said("first-seen")).startsWith("✓");
    press(KeyCode.F3);
  }

  private void takeTheLine() {
    click("first-type");
    robot.interact(() -> find("bench-line", TextField.class).requestFocus());
    press(KeyCode.ENTER);
  }

  private void stage(KeyCode digit) {
    press(KeyCode.CONTROL, digit);
  }

  @Test
  public void theWholeJobIsDoneStepByStep() {
    assertThat(said("first-title")).contains("1 of 12");
    robot.interact(() -> find("arrival-name", TextField.class).requestFocus());
    enter("Saltmere 47");
    done(Step.ARRIVE);
    stage(KeyCode.DIGIT1);
    assertThat(first.doneProperty().get()).isFalse();
    fill("plate-made", "1947");
    done(Step.PLATE);
    stage(KeyCode.DIGIT2);
    type("rail-name", "HT");
    type("rail-volts", "350");
    type("rail-capacitors", "16u");
    click("rail-add");
    done(Step.RAIL);
    takeTheLine();
    done(Step.VOLTS);
    stage(KeyCode.DIGIT3);
    takeTheLine();
    done(Step.PART);
    takeTheLine();
    done(Step.COUPLING);
    takeTheLine();
    done(Step.READING);
    click("first-type");
    done(Step.CONTRADICTION);
    press(KeyCode.ESCAPE);
    robot.interact(() -> model.chosenProperty().set(java.util.Optional.of(PartRef.of("C1"))));
    press(KeyCode.PAGE_DOWN);
    done(Step.REASONS);
    press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(first.doneProperty().get()).isFalse();
    press(KeyCode.CONTROL, KeyCode.Y);
    done(Step.UNDO);
    robot.interact(() -> model.chosenProperty().set(java.util.Optional.of(PartRef.of("C2"))));
    stage(KeyCode.DIGIT7);
    robot.interact(() -> find("renew-page-choose", ToggleButton.class).fire());
    until(() -> robot.lookup("#renew-choose").tryQuery().isPresent());
    robot.interact(() -> robot.lookup("#renew-choose").queryAs(Button.class).fire());
    done(Step.REPLACE);
    stage(KeyCode.DIGIT0);
    done(Step.DOSSIER);
    assertThat(first.step()).isEmpty();
    assertThat(said("first-title")).contains("That was the first job");
    click("first-leave");
    assertThat(left).isTrue();
  }

  @Test
  public void everyStepCanBeSkippedAndTheJobLeft() {
    for (int k = 0; k < Step.values().length; k++) {
      assertThat(first.atProperty().get()).isEqualTo(k);
      click("first-next");
    }
    assertThat(first.step()).isEmpty();
    assertThat(model.openProperty().get()).isEmpty();
  }

  @Test
  public void theHelpOpensWhereOneIsAndFindsWords() {
    press(KeyCode.F1);
    until(() -> !robot.lookup(".article").queryAll().isEmpty());
    assertThat(robot.lookup(".article .section-title").queryLabeled().getText())
        .isEqualTo("The shelf");
    robot.interact(() -> find("help-search", TextField.class).setText("tan δ"));
    settle();
    assertThat(((ListView<?>) find("help-titles", ListView.class)).getItems()).isNotEmpty();
    press(KeyCode.ESCAPE);
    assertThat(robot.lookup(".sheet-ground").query().isVisible()).isFalse();
    robot.interact(() -> find("arrival-name", TextField.class).requestFocus());
    enter("Saltmere 47");
    stage(KeyCode.DIGIT6);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.REFORM);
    press(KeyCode.F1);
    until(() -> robot.lookup(".article .section-title").tryQuery().isPresent());
    assertThat(robot.lookup(".article .section-title").queryLabeled().getText())
        .startsWith("Reform");
    for (String page : new String[] {"keys", "line", "guide", "words", "method", "licences"}) {
      robot.interact(() -> find("help-" + page, ToggleButton.class).fire());
      settle();
      assertThat(robot.lookup(".help-text").queryAll()).as(page).isNotEmpty();
    }
    press(KeyCode.F1);
  }
}
