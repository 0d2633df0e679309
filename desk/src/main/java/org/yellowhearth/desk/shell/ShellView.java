package org.yellowhearth.desk.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.stage.Window;
import javafx.util.Duration;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.desk.help.HelpView;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** The whole window: the shop, or one job with its plate, path, bench, reasons and bench line. */
public final class ShellView extends BorderPane {
  private static final Duration BEAT = Duration.millis(500);
  private static final Duration PAUSE = Duration.millis(40);
  private static final long REST_NANOS = 250_000_000L;

  private final DeskModel model;
  private final Appearance appearance;
  private final ShopView shop;
  private final JobView job;
  private final HelpView help;
  private final StopStrip strip;
  private final PathLine path = new PathLine();
  private Optional<StopKeys> keys = Optional.empty();
  private final ChangeListener<Boolean> focusing;
  private final Timeline building = new Timeline();
  private long touchedNanos = System.nanoTime() - REST_NANOS;

  /**
   * A window over a model.
   *
   * @param shop the shop, which may have been seen before the model was there
   * @param dossiers the folder that saved dossiers go into
   */
  public ShellView(
      ShopView shop, DeskModel model, Appearance appearance, FileAsk asking, Path dossiers) {
    this.model = model;
    FileAsk files = new SafeAsk(asking, model::anythingOn, path::ask);
    this.appearance = appearance;
    this.shop = shop;
    help = new HelpView(model, this::here, this::focusBench);
    shop.open(model, files, help::open);
    job = new JobView(model, appearance, files, dossiers, help::open, () -> toShop("agenda"));
    getStyleClass().add("hearth-root");
    strip = new StopStrip(model);
    focusing = (_, _, here) -> strip.keyboard(here);
    // What stops stands outside of everything that can lie over the rest.
    setTop(strip);
    setCenter(new StackPane(shop, job, help, new GateView(model, job::focus), path));
    Timeline heartbeat =
        new Timeline(
            new KeyFrame(
                BEAT,
                _ -> {
                  model.tick();
                  model.reform().poll();
                  model.wake().poll();
                  model.agenda().poll();
                  model.lookAround();
                }));
    heartbeat.setCycleCount(Animation.INDEFINITE);
    // The views of a job are built one by one while nobody types, and what is left when a job is
    // opened.
    building.getKeyFrames().add(new KeyFrame(PAUSE, _ -> buildWhileAtRest()));
    building.setCycleCount(Animation.INDEFINITE);
    model.beforeOpening(job::buildAll);
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene == null) {
            heartbeat.stop();
            building.stop();
          } else {
            heartbeat.play();
            building.play();
          }
        });
    sceneProperty()
        .flatMap(Scene::windowProperty)
        .addListener((_, was, window) -> listen(was, window));
    appearance.applyTo(this);
    addEventFilter(InputEvent.ANY, _ -> touchedNanos = System.nanoTime());
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    model
        .openProperty()
        .addListener((_, was, is) -> {
          showJobOrShop();
          if (is.isPresent() && was.map(o -> !o.id().equals(is.get().id())).orElse(true)) {
            job.focus();
          }
        });
    sceneProperty().addListener((_, _, _) -> Platform.runLater(this::showJobOrShop));
    showJobOrShop();
  }

  /**
   * Puts the whole window around what was in a scene before: whoever is typing goes on where they
   * are.
   */
  public void takeOver(Scene scene) {
    Runnable typing = shop.goOnTyping();
    scene.setRoot(this);
    typing.run();
  }

  private void listen(Window was, Window window) {
    keys.ifPresent(StopKeys::end);
    keys = Optional.ofNullable(window).map(w -> StopKeys.in(w, model));
    if (was != null) {
      was.focusedProperty().removeListener(focusing);
    }
    if (window != null) {
      window.focusedProperty().addListener(focusing);
      strip.keyboard(window.isFocused());
    }
  }

  private void buildWhileAtRest() {
    if (System.nanoTime() - touchedNanos >= REST_NANOS && !job.buildNext()) {
      building.stop();
    }
  }

  private void showJobOrShop() {
    boolean open = model.openProperty().get().isPresent();
    job.setVisible(open);
    shop.setVisible(!open);
    if (!open) {
      shop.focus();
    }
  }

  /** Shows a page of the shop by its name. */
  public void showShop(String page) {
    shop.show(page);
  }

  private void toShop(String page) {
    model.toShop();
    shop.show(page);
  }

  /** Shows a page of a stage by its name. */
  public void show(Stage stage, String page) {
    job.show(stage, page);
  }

  /** What begins the first job; without it none is offered. */
  public void onFirstJob(Runnable begin) {
    help.onFirstJob(begin);
    shop.onFirstJob(begin);
  }

  /** What the guide calls the place one is at. */
  private String here() {
    return model.openProperty().get().isPresent()
        ? Labels.of(
            "stage."
                + model.stageProperty().get().name().toLowerCase(Locale.ROOT).replace('_', '-'))
        : Labels.of("shop.guide." + shop.page());
  }

  private void focusBench() {
    if (model.openProperty().get().isPresent()) {
      job.focus();
    } else {
      shop.focus();
    }
  }

  private void pressed(KeyEvent e) {
    if (model.gateProperty().get().isPresent()) {
      return;
    }
    if (path.isVisible()) {
      if (e.getCode() == KeyCode.ESCAPE) {
        path.leave();
        e.consume();
      }
      return;
    }
    if (help.isVisible()) {
      if (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.F1) {
        help.close();
        focusBench();
        e.consume();
      }
      return;
    }
    if (e.isShortcutDown() ? shortcut(e) : functionKey(e.getCode())) {
      e.consume();
    }
  }

  private boolean functionKey(KeyCode code) {
    boolean inJob = model.openProperty().get().isPresent();
    switch (code) {
      case F1 -> help.open();
      case F2 -> job.focus();
      case F4 -> model.reasonsShownProperty().set(!model.reasonsShownProperty().get());
      case F7 -> appearance.nightProperty().set(!appearance.nightProperty().get());
      case F8 -> model.power(Edit.Power.LIT);
      case ESCAPE -> {
        if (inJob) {
          job.focus();
          model.benchLine().lineProperty().set("");
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean shortcut(KeyEvent e) {
    boolean inJob = model.openProperty().get().isPresent();
    switch (e.getCode()) {
      case PLUS, EQUALS, ADD -> appearance.resize(1);
      case MINUS, SUBTRACT -> appearance.resize(-1);
      case DIGIT1, DIGIT2, DIGIT3, DIGIT4, DIGIT5, DIGIT6, DIGIT7, DIGIT8, DIGIT9 ->
          model
              .stageProperty()
              .set(List.of(Stage.values()).get(e.getCode().getCode() - KeyCode.DIGIT1.getCode()));
      case DIGIT0 -> model.stageProperty().set(Stage.DOSSIER);
      case G -> toShop("agenda");
      case F -> toShop("find");
      case HOME -> {
        if (inJob) {
          model.toShop();
        }
      }
      case S -> {
        if (inJob) {
          job.saveDossier();
        }
      }
      case Z -> {
        return undoOrRedo(e.isShiftDown());
      }
      case Y -> {
        return undoOrRedo(true);
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  /** In a field with text, undo belongs to the text; elsewhere it belongs to the job. */
  private boolean undoOrRedo(boolean redo) {
    boolean typing =
        getScene().getFocusOwner() instanceof TextInputControl t && !t.getText().isEmpty();
    if (typing) {
      return false;
    }
    if (redo) {
      model.redo();
    } else {
      model.undo();
    }
    return true;
  }
}
