package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.testfx.api.FxToolkit;
import org.testfx.service.query.NodeQuery;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.platform.Printers;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.Background;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.MovedClock;
import org.yellowhearth.workshop.Rooms;

/** A real window over a shop of two demo sets, and the hands of a person. */
abstract class Window {
  /**
   * What never comes true is noticed at last; what only comes late on a busy machine never reaches
   * this.
   */
  static final int FAR_SECONDS = 240;

  /** The time of the bench; tests move it on instead of waiting. */
  final MovedClock clock = new MovedClock();

  final Appearance appearance = new Appearance();
  private ExecutorService keeper;
  private ExecutorService aside;
  Path folder;
  Shop shop;
  DeskModel model;
  List<Path> asked = List.of();
  Stage stage;
  final Hands robot = new Hands(() -> Optional.ofNullable(stage).map(Stage::getScene));

  @BeforeClass
  public void startToolkit() throws TimeoutException {
    stage = FxToolkit.registerPrimaryStage();
    Appearance.loadTypefaces();
  }

  /** Where printers' commands are looked for. */
  String commands = "";

  @BeforeMethod
  public void openWindow() {
    folder = Rooms.folder("mess-receiver.json", "valve-voltmeter.json");
    open();
  }

  void open() {
    robot.interact(() -> {
      // Nothing before: the window is whole from the start.
      stage.setScene(new Scene(new Pane(), 1280, 800));
      open(new ShopView(appearance));
      stage.show();
      model.shelf().refresh();
    });
    settle();
  }

  /** Opens the shop in the window around a view that was there before. */
  void open(ShopView view) {
    // As in the application: one keeps, any number work beside it.
    keeper = Executors.newSingleThreadExecutor();
    aside = Executors.newVirtualThreadPerTaskExecutor();
    shop = Rooms.shop(folder);
    model =
        new DeskModel(
            shop,
            new PhotoStore(folder),
            Rooms.KNOWLEDGE,
            clock,
            new Background(keeper, aside, Platform::runLater));
    FileAsk files =
        new FileAsk() {
          @Override
          public List<Path> jobFiles() {
            return asked;
          }

          @Override
          public List<Path> photographs() {
            return asked;
          }

          @Override
          public Printers printers() {
            return Printers.of(commands);
          }

          @Override
          public Optional<Path> newList(String suggestedName) {
            return Optional.of(folder.resolve(suggestedName));
          }

          @Override
          public Optional<Path> newPicture(String suggestedName) {
            return Optional.of(folder.resolve(suggestedName));
          }

          @Override
          public Optional<Path> newPaper(String suggestedName) {
            return Optional.of(folder.resolve(suggestedName));
          }

          @Override
          public Optional<Path> newFolder(String suggestedName) {
            return Optional.of(folder.resolve(suggestedName));
          }

          @Override
          public Optional<Path> newJobFile(String suggestedName) {
            return Optional.of(folder.resolve(suggestedName));
          }
        };
    new ShellView(view, model, appearance, files, folder.resolve("dossiers"))
        .takeOver(stage.getScene());
    model.shelf().refresh();
  }

  @AfterMethod
  public void closeWindow() throws InterruptedException {
    close();
  }

  void close() throws InterruptedException {
    settle();
    // The window is taken out of its scene first, so that its heart stops before its shop is
    // closed.
    robot.interact(() -> stage.getScene().setRoot(new Pane()));
    settle();
    aside.shutdown();
    assertThat(aside.awaitTermination(FAR_SECONDS, TimeUnit.SECONDS)).isTrue();
    keeper.shutdown();
    assertThat(keeper.awaitTermination(FAR_SECONDS, TimeUnit.SECONDS)).isTrue();
    shop.close();
  }

  void settle() {
    robot.rest();
    until(() -> !model.background().busyProperty().get());
    robot.rest();
  }

  static void until(BooleanSupplier condition) {
    try {
      WaitForAsyncUtils.waitFor(FAR_SECONDS, TimeUnit.SECONDS, condition::getAsBoolean);
    } catch (TimeoutException e) {
      throw new AssertionError("it never came true", e);
    }
  }

  <T extends Node> T find(String id, Class<T> type) {
    NodeQuery query = robot.lookup(n -> id.equals(n.getId()) && shown(n));
    if (query.tryQuery().isEmpty()) {
      // What was just put on the window gets its inner parts in the next frame, which comes late on
      // a busy machine.
      Runnable now =
          () -> {
            stage.getScene().getRoot().applyCss();
            stage.getScene().getRoot().layout();
          };
      if (Platform.isFxApplicationThread()) {
        now.run();
      } else {
        robot.interact(now);
        until(() -> robot.lookup(n -> id.equals(n.getId()) && shown(n)).tryQuery().isPresent());
      }
    }
    return robot.lookup(n -> id.equals(n.getId()) && shown(n)).queryAs(type);
  }

  /** Whether it and all that it stands in are visible. */
  static boolean shown(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible()) {
        return false;
      }
    }
    return true;
  }

  void press(KeyCode... keys) {
    robot.push(keys);
    settle();
  }

  /**
   * Types where the focus is. The characters arrive as the toolkit sends them, without its wait
   * after each.
   */
  void enter(String line) {
    robot.interact(() ->
        line.chars()
            .mapToObj(Character::toString)
            .forEach(c ->
                Event.fireEvent(
                    stage.getScene().getFocusOwner(),
                    new KeyEvent(
                        KeyEvent.KEY_TYPED,
                        c,
                        "",
                        KeyCode.UNDEFINED,
                        false,
                        false,
                        false,
                        false))));
    press(KeyCode.ENTER);
  }

  /** Fills a field and keeps it with Enter. */
  void fill(String id, String text) {
    robot.interact(() -> find(id, TextField.class).requestFocus());
    robot.interact(() -> find(id, TextField.class).setText(text));
    press(KeyCode.ENTER);
  }

  /** A line at the bench, and Enter. */
  void type(String line) {
    robot.interact(() -> {
      model.benchLine().lineProperty().set(line);
      model.benchLine().enter();
    });
    settle();
  }

  /** Fills a field that a button keeps. */
  void type(String id, String text) {
    robot.interact(() -> find(id, TextField.class).setText(text));
  }

  void click(String id) {
    robot.interact(() -> find(id, Button.class).fire());
    settle();
  }

  String said(String id) {
    return find(id, Label.class).getText();
  }

  Job job() {
    return model.openProperty().get().orElseThrow().job();
  }

  void openJob(String name) {
    robot.interact(() -> find("shelf", ListView.class).requestFocus());
    until(() -> model.shelf().jobsProperty().get().size() >= 2);
    press(KeyCode.HOME);
    for (int i = 0; i < model.shelf().jobsProperty().get().size(); i++) {
      if (model.shelf().jobsProperty().get().get(i).name().startsWith(name)) {
        break;
      }
      press(KeyCode.DOWN);
    }
    press(KeyCode.ENTER);
    assertThat(job().plate().name()).startsWith(name);
  }

  @SuppressWarnings("unchecked")
  void choose(String id, String words) {
    ComboBox<Object> box = find(id, ComboBox.class);
    robot.interact(() ->
        box.setValue(
            box.getItems().stream()
                .filter(i -> i != null && box.getConverter().toString(i).equals(words))
                .findFirst()
                .orElseThrow()));
  }
}
