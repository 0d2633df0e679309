package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventTarget;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.scpi.ScpiServer;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Rooms;
import org.yellowhearth.workshop.Stage;

/**
 * Whatever is open, hangs open, is asked or typed: one press of F9, of a STOP, or Escape twice
 * switches the transformer off and is written down.
 */
public class StopFlowTest extends Window {
  private ScpiServer transformer;

  @BeforeMethod
  public void plugIn() throws IOException {
    transformer = ScpiServer.open(StandInBench.usual(() -> clock.instant(), 1).mainsBench(), 0);
  }

  @AfterMethod(alwaysRun = true)
  public void pullOut() throws IOException {
    transformer.close();
  }

  private void planned() {
    openJob("Brindlecote");
    robot.interact(() -> model.stageProperty().set(Stage.FIRST_POWER));
    until(() -> model.wake().proposedProperty().get().isPresent());
    settle();
    robot.interact(() -> model.wake().keepPlan());
    settle();
  }

  /**
   * Everything that is looked at before power is looked at, and the set gets power on the simulated
   * transformer.
   */
  private void poweredUp() {
    robot.interact(() -> {
      for (Check c : Checks.blocking(model.job(), model.now().toInstant())) {
        model.put(
            new CheckResult(
                model.newId(),
                c.code(),
                CheckResult.Outcome.OVERRIDDEN,
                OptionalDouble.empty(),
                "looked at",
                model.now().toInstant()));
      }
      model
          .hearthProperty()
          .get()
          .stores()
          .forEach(s -> model.happened(new Edit.VoltsMeasured(s.store().id(), 0.1, true)));
    });
    settle();
    clock.goOn(Duration.ofSeconds(1));
    robot.interact(model::tick);
    robot.interact(() ->
        model.wake().ready().stream()
            .filter(Check::blocks)
            .forEach(
                c -> model.wake().answer(c, c.automatic().isPresent() ? "for this test" : "")));
    settle();
    if (!model.wake().lines().source().open()) {
      // A transformer over the loopback address; the meters are read and typed, so that there are
      // fields to type into.
      robot.interact(() -> model.wake().lines().connectSource("127.0.0.1:" + transformer.port()));
      until(() -> model.wake().lines().source().open());
    }
    robot.interact(() -> model.wake().begin());
    settle();
    assertThat(model.wake().on()).as(model.background().noticeProperty().get().text()).isTrue();
    assertThat(last("OUTP O")).isEqualTo("OUTP ON");
  }

  private String last(String begins) {
    return model.wake().lines().source().lines().stream()
        .map(l -> l.text())
        .filter(t -> t.startsWith(begins))
        .reduce("", (_, l) -> l);
  }

  private void isOff(String state) {
    settle();
    assertThat(last("OUTP O")).as(state).isEqualTo("OUTP OFF");
    assertThat(model.wake().on()).as(state).isFalse();
    assertThat(PowerUpRun.of(job().items(PowerUpPlan.class).getLast(), job().events()).phase())
        .as(state)
        .isEqualTo(PowerUpRun.PowerUpPhase.STOPPED);
    assertThat(job().power()).as(state).contains(Edit.Power.OFF);
    assertThat(model.wake().unseenProperty().get())
        .as(state + ": the transformer told that it is off")
        .isEmpty();
  }

  /** What may be open or have the focus. */
  private record State(String name, boolean worst, Runnable open, Runnable shut) {
    @Override
    public String toString() {
      return name;
    }
  }

  private void focus(String id, String text) {
    robot.interact(() -> {
      find(id, TextField.class).requestFocus();
      find(id, TextField.class).setText(text);
    });
  }

  private void stage(Stage stage) {
    robot.interact(() -> model.stageProperty().set(stage));
    settle();
  }

  private void page(String id) {
    robot.interact(() -> find(id, ToggleButton.class).fire());
    settle();
  }

  private List<State> states() {
    AtomicReference<ContextMenu> menu = new AtomicReference<>();
    return List.of(
        new State("run page", false, () -> page("wake-page-run"), () -> {}),
        new State("figure half typed", false, () -> focus("read-HT-direct", "12"), () -> {}),
        new State(
            "bench line half typed",
            false,
            () -> focus("bench-line", "C1 9.1u"),
            () -> press(KeyCode.ESCAPE)),
        new State("help", false, () -> press(KeyCode.F1), () -> press(KeyCode.F1)),
        new State(
            "help, searching",
            true,
            () -> {
              press(KeyCode.F1);
              robot.interact(() ->
                  robot
                      .lookup(n ->
                          n instanceof TextField t
                              && t.isVisible()
                              && t.getScene() != null
                              && "help-search".equals(t.getId()))
                      .tryQueryAs(TextField.class)
                      .ifPresent(t -> {
                        t.requestFocus();
                        t.setText("selenium");
                      }));
            },
            () -> press(KeyCode.F1)),
        new State(
            "question",
            true,
            () -> {
              robot.interact(() -> model.benchLine().lineProperty().set("C1 500p @1k"));
              robot.interact(model.benchLine()::enter);
              until(() -> model.gateProperty().get().isPresent());
            },
            () -> assertThat(model.gateProperty().get()).isEmpty()),
        new State(
            "list that hangs open",
            true,
            () -> {
              stage(Stage.ARRIVAL);
              robot.interact(() -> {
                ComboBox<?> box =
                    robot
                        .lookup(n ->
                            n instanceof ComboBox<?> c
                                && c.isVisible()
                                && c.getScene() != null
                                && c.getScene().equals(stage.getScene()))
                        .queryAs(ComboBox.class);
                box.requestFocus();
                box.show();
              });
            },
            () -> {}),
        new State(
            "menu",
            false,
            () ->
                robot.interact(() -> {
                  menu.set(new ContextMenu(new MenuItem("one"), new MenuItem("two")));
                  Node on = find("bench-line", TextField.class);
                  on.requestFocus();
                  menu.get().show(on, Side.TOP, 0, 0);
                }),
            () -> robot.interact(() -> menu.get().hide())));
  }

  /** A key as the platform delivers it: to the window, from where it finds its way. */
  private void key(KeyCode code) {
    robot.interact(() ->
        Event.fireEvent(
            Optional.ofNullable((EventTarget) stage.getScene().getFocusOwner())
                .orElse(stage.getScene()),
            new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false)));
  }

  /**
   * F9 in every state; Escape twice and the STOP that stands above everything where it is hardest.
   * One window for all of it.
   */
  @Test
  public void oneStopStopsWhateverIsOpen() {
    planned();
    stage(Stage.FIRST_POWER);
    for (State s : states()) {
      stops("F9", s);
      if (s.worst) {
        stops("Esc Esc", s);
        stops("STOP", s);
      }
    }
    theSpaceBarStopsWhereNoTextIsTyped();
    thePathIsTypedWhileAnOutputIsOn();
    everyWindowOfTheProgramHears();
    whatIsTurnedByHandIsLookedAt();
  }

  private void stops(String way, State s) {
    stage(Stage.FIRST_POWER);
    page("wake-page-run");
    poweredUp();
    s.open.run();
    assertThat(find("stop-what", Label.class).getText()).as(s.name).contains("first power");
    assertThat(find("stop-how", Label.class).getText()).as(s.name).contains("F9");
    switch (way) {
      case "F9" -> key(KeyCode.F9);
      case "STOP" -> click("stop-all");
      default -> {
        key(KeyCode.ESCAPE);
        key(KeyCode.ESCAPE);
      }
    }
    isOff(way + " with " + s.name);
    s.shut.run();
    settle();
  }

  /**
   * While an output is on no dialog of the desktop takes the keyboard away: the path is typed, and
   * F9 is heard meanwhile.
   */
  private void thePathIsTypedWhileAnOutputIsOn() {
    poweredUp();
    stage(Stage.TRACE);
    Platform.runLater(() -> find("trace-spice", Button.class).fire());
    until(() -> robot.lookup("#path-line").tryQuery().filter(Node::isVisible).isPresent());
    assertThat(find("path-line", TextField.class).isVisible()).isTrue();
    key(KeyCode.F9);
    isOff("path being typed");
    press(KeyCode.ESCAPE);
  }

  /**
   * In a field of figures the space bar stops; in a text it is a space, and the big button says so.
   */
  private void theSpaceBarStopsWhereNoTextIsTyped() {
    stage(Stage.FIRST_POWER);
    page("wake-page-run");
    poweredUp();
    focus("bench-line", "C1 9.1u");
    assertThat(find("wake-stop", Button.class).getText()).doesNotContain("space");
    key(KeyCode.SPACE);
    settle();
    assertThat(model.wake().on()).isTrue();
    robot.interact(() -> model.benchLine().lineProperty().set(""));
    focus("read-HT-direct", "12");
    assertThat(find("wake-stop", Button.class).getText()).contains("space bar");
    key(KeyCode.SPACE);
    isOff("space in a field of figures");
  }

  /** By hand nobody here can see it: it says so, asks for a look, and believes what was seen. */
  private void whatIsTurnedByHandIsLookedAt() {
    poweredUp();
    key(KeyCode.F9);
    settle();
    robot.interact(() -> model.wake().lines().disconnect());
    settle();
    clock.goOn(Duration.ofSeconds(5));
    robot.interact(() -> {
      model
          .hearthProperty()
          .get()
          .stores()
          .forEach(s -> model.happened(new Edit.VoltsMeasured(s.store().id(), 0.1, true)));
    });
    settle();
    robot.interact(model::tick);
    robot.interact(() ->
        model.wake().ready().stream()
            .filter(Check::blocks)
            .forEach(
                c -> model.wake().answer(c, c.automatic().isPresent() ? "for this test" : "")));
    settle();
    robot.interact(() -> model.wake().begin());
    settle();
    robot.interact(() -> model.wake().stop(PoweringUp.StopCause.METER_OFF, ""));
    settle();
    assertThat(said("stop-look")).contains("cannot see whether it is off", "pull the plug", "look");
    assertThat(said("hearth-state")).isEqualTo("POWER ON");
    click("stop-seen-off");
    assertThat(job().power()).contains(Edit.Power.OFF);
    assertThat(robot.lookup("#stop-look").tryQuery().filter(Node::isVisible)).isEmpty();
  }

  /** A key pressed in another window of the program stops as well. */
  private void everyWindowOfTheProgramHears() {
    poweredUp();
    AtomicReference<javafx.stage.Stage> other = new AtomicReference<>();
    robot.interact(() -> {
      DeskModel second =
          new DeskModel(shop, new PhotoStore(folder), Rooms.KNOWLEDGE, clock, model.background());
      javafx.stage.Stage s = new javafx.stage.Stage();
      s.setScene(
          new Scene(
              new ShellView(new ShopView(appearance), second, appearance, new FileAsk() {}, folder),
              600,
              400));
      s.show();
      other.set(s);
    });
    settle();
    robot.interact(() ->
        Event.fireEvent(
            other.get().getScene(),
            new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.F9, false, false, false, false)));
    isOff("F9 in another window");
    robot.interact(() -> {
      other.get().getScene().setRoot(new Pane());
      other.get().close();
    });
  }
}
