package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.desk.practice.PracticeView;
import org.yellowhearth.workshop.PracticeSession;
import org.yellowhearth.workshop.Rooms;

/**
 * An exercise in its window: the meters under the stages, the gates of real work, and the debrief.
 */
public class PracticeFlowTest extends Window {
  private PracticeSession session;

  @Override
  @BeforeMethod
  public void openWindow() {
    folder = Rooms.folder();
    open();
  }

  private void begin(Theme theme) {
    robot.interact(() -> {
      Parent shell = stage.getScene().getRoot();
      stage.getScene().setRoot(new Pane());
      session =
          new PracticeSession(
              model, shop, new ExerciseMaker(Rooms.KNOWLEDGE).make(theme, 1), clock::goOn);
      PracticeView view = new PracticeView(session, shell);
      appearance.applyTo(view);
      stage.getScene().setRoot(view);
    });
    until(() -> model.openProperty().get().isPresent());
    settle();
  }

  @Test
  public void everythingIsMeasuredAndHandedIn() {
    begin(Theme.LEAKY_COUPLER);
    for (Part p : session.exercise().parts()) {
      robot.interact(() -> model.chosenProperty().set(Optional.of(p.ref())));
      assertThat(said("practice-chosen")).contains(p.ref().toString());
      click("practice-look");
      click("measure-lcr");
      click("measure-leakage");
    }
    assertThat(job().readings()).hasSizeGreaterThanOrEqualTo(session.exercise().parts().size());
    assertThat(said("practice-time")).contains(" of ").doesNotStartWith("0 ");
    click("practice-hand-in");
    assertThat(robot.lookup("#practice-debrief .stage-title").queryAs(Label.class).getText())
        .startsWith("Score")
        .doesNotContain("Score 0");
    assertThat(robot.lookup("#practice-debrief .point-against").queryAll())
        .as("nothing missed, nothing needless")
        .isEmpty();
    assertThat(robot.lookup("#practice-hand-in").tryQuery()).isEmpty();
  }

  @Test
  public void aMeterOnAChargedRailEndsIt() {
    begin(Theme.CHARGED_TRANSMITTER);
    robot.interact(() ->
        model.chosenProperty().set(Optional.of(session.exercise().rail().parts().getFirst())));
    click("measure-lcr");
    assertThat(session.debriefProperty().get()).isPresent();
    assertThat(robot.lookup("#practice-debrief").queryAll()).isNotEmpty();
  }

  /**
   * What is asked stands there, what the mains side is set for is written down, time is let pass,
   * and the debrief says what was not reached.
   */
  @Test
  public void aWrongSettingIsSeenAndMended() {
    begin(Theme.WRONG_SETTING);
    assertThat(robot.lookup(".practice-bar .quiet").queryAllAs(Label.class))
        .extracting(Label::getText)
        .anySatisfy(t -> assertThat(t).startsWith("Asked: The voltage setting"));
    robot.interact(() -> model.chosenProperty().set(PartRef.parse("V1")));
    assertThat(robot.lookup("#measure-lcr").queryAll()).as("it says nothing of a valve").isEmpty();
    click("measure-tester");
    until(() -> !job().readingsOf(PartRef.parse("V1").orElseThrow()).isEmpty());
    settle();
    click("practice-read");
    assertThat(said("notice")).contains("off");
    click("practice-mains");
    assertThat(said("notice")).contains("200 V");
    Instant before = model.now().toInstant();
    click("practice-wait");
    assertThat(Duration.between(before, model.now().toInstant()))
        .isGreaterThanOrEqualTo(Duration.ofMinutes(10));
    click("practice-hand-in");
    assertThat(robot.lookup("#debrief-asked .point-against").queryAllAs(Label.class))
        .extracting(Label::getText)
        .contains("not reached");
  }

  @Test
  public void theHintAndTheRailAreToldInTheWindow() {
    begin(Theme.HUMMING_RECEIVER);
    click("practice-hint");
    assertThat(said("notice")).contains(model.chosenProperty().get().orElseThrow().toString());
    click("practice-rail");
    assertThat(model.job().events()).isNotEmpty();
    press(KeyCode.CONTROL, KeyCode.DIGIT2);
    assertThat(find("practice-chosen", Label.class)).isNotNull();
  }
}
