package org.yellowhearth.desk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.PickResult;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.SqliteShop;
import org.yellowhearth.workshop.Background;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;

/**
 * How long the interface thread works for a frame while somebody types, scrolls and drags in a set
 * of five hundred parts: what handles the event, and the style and layout that follow from it.
 * Drawing is done by another thread.
 */
public final class Latency extends Application {
  private static final int PARTS = 500;
  private static final int REPEATS = 8;
  private static final int FRAMES_AT_REST = 40;
  private static final String TYPED = "C1250 9.1u 400r D2.4 @100 ";
  private static final int STROKES = 120;

  private final ExecutorService keeper = Executors.newSingleThreadExecutor();
  private final Map<String, List<Double>> figures = new LinkedHashMap<>();
  private final Deque<Runnable> frames = new ArrayDeque<>();
  private DeskModel model;
  private ShellView shell;
  private SqliteShop shop;
  private String doing = "";
  private long handledNanos;
  private long layoutNanos;

  @Override
  public void start(javafx.stage.Stage stage) {
    Appearance.loadTypefaces();
    Knowledge knowledge = KnowledgeFiles.read();
    Path folder;
    Path set;
    try {
      folder = Files.createTempDirectory("yellow-hearth-latency");
      set = Files.writeString(folder.resolve("many.json"), manyParts());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    shop = SqliteShop.open(folder.resolve("shop"), knowledge);
    model =
        new DeskModel(
            shop,
            new PhotoStore(folder),
            knowledge,
            Clock.systemUTC(),
            new Background(keeper, keeper, Platform::runLater));
    Appearance appearance = new Appearance();
    shell = new ShellView(new ShopView(appearance), model, appearance, new FileAsk() {}, folder);
    Scene scene = new Scene(shell, HearthApplication.WIDTH, HearthApplication.HEIGHT);
    stage.setScene(scene);
    stage.show();
    model.shelf().bringIn(List.of(set));
    scene.addPreLayoutPulseListener(() -> layoutNanos = work());
    scene.addPostLayoutPulseListener(() -> {
      if (!doing.isEmpty()) {
        figures
            .computeIfAbsent(doing, _ -> new ArrayList<>())
            .add((handledNanos + work() - layoutNanos) / 1e6);
        doing = "";
      }
    });
    plan();
    new AnimationTimer() {
      @Override
      public void handle(long now) {
        if (model.background().busyProperty().get()) {
          return;
        }
        if (frames.isEmpty()) {
          stop();
          end();
        } else {
          frames.removeFirst().run();
          Platform.requestNextPulse();
        }
      }
    }.start();
    Platform.requestNextPulse();
  }

  private static String manyParts() {
    return "{\"format\":\"yellow-hearth-job\",\"version\":1,\"set\":{\"name\":\"Five hundred parts\"},\"parts\":["
        + IntStream.range(0, PARTS)
            .mapToObj(i ->
                "{\"ref\":\"C"
                    + (1000 + i)
                    + "\",\"marking\":\""
                    + (i % 2 == 0 ? "8 MFD 450 V electrolytic" : ".05 MFD 350 V paper coupling")
                    + "\"}")
            .collect(Collectors.joining(","))
        + "],\"readings\":["
        + IntStream.range(0, PARTS)
            .mapToObj(i ->
                "{\"part\":\"C"
                    + (1000 + i)
                    + "\",\"at\":\"2026-11-09T10:33:00Z\",\"typed\":\""
                    + (i % 2 == 0
                        ? (5 + i % 7) + "u " + (1 + i % 11) + "r @100"
                        : "5" + i % 10 + "n D0.0" + (1 + i % 8) + " @1k")
                    + "\"}")
            .collect(Collectors.joining(","))
        + "]}";
  }

  /**
   * What this thread has worked so far: the machine may be shared, and time that others took is not
   * ours.
   */
  private static long work() {
    return ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime();
  }

  private void rest() {
    for (int k = 0; k < FRAMES_AT_REST; k++) {
      frames.add(Platform::requestNextPulse);
    }
  }

  /** One event in a frame of its own; the first round warms up and is not counted. */
  private void measured(String what, Runnable event) {
    frames.add(() -> {
      long began = work();
      event.run();
      handledNanos = work() - began;
      doing = what;
    });
  }

  private void plan() {
    rest();
    frames.add(() -> model.openJob(model.shelf().jobsProperty().get().getFirst().id()));
    rest();
    for (int round = 0; round <= REPEATS; round++) {
      String warm = round == 0 ? "warming up: " : "";
      frames.add(() -> model.stageProperty().set(Stage.ASSESS));
      rest();
      for (int k = 0; k < STROKES; k++) {
        String c = String.valueOf(TYPED.charAt(k % TYPED.length()));
        boolean end = k % TYPED.length() == TYPED.length() - 1;
        measured(warm + "typing into the bench line", () -> type(c));
        if (end) {
          frames.add(() -> model.benchLine().lineProperty().set(""));
        }
      }
      for (Stage at : List.of(Stage.ASSESS, Stage.PARTS)) {
        frames.add(() -> model.stageProperty().set(at));
        rest();
        String table = at == Stage.ASSESS ? "#assess-table" : "#census-table";
        for (int k = 0; k < STROKES; k++) {
          int row = k * 4 % (PARTS - 20);
          measured(
              warm + "scrolling a list of 500",
              () -> ((TableView<?>) shell.lookup(table)).scrollTo(row));
        }
      }
      frames.add(() -> model.stageProperty().set(Stage.ASSESS));
      rest();
      drag(warm + "dragging a lasso over the ageing field", "#ageing-field");
    }
  }

  private void type(String c) {
    TextField field = (TextField) shell.lookup("#bench-line");
    field.requestFocus();
    field.end();
    Event.fireEvent(
        field,
        new KeyEvent(KeyEvent.KEY_TYPED, c, "", KeyCode.UNDEFINED, false, false, false, false));
  }

  private void drag(String what, String id) {
    frames.add(() -> mouse(shell.lookup(id), MouseEvent.MOUSE_PRESSED, 60, 40));
    for (int k = 0; k < STROKES; k++) {
      double x = 60 + k * 2.0;
      double y = 40 + k % 30 * 3.0;
      measured(what, () -> mouse(shell.lookup(id), MouseEvent.MOUSE_DRAGGED, x, y));
    }
    frames.add(() -> mouse(shell.lookup(id), MouseEvent.MOUSE_RELEASED, 60, 40));
  }

  private static void mouse(
      Node node, javafx.event.EventType<MouseEvent> type, double x, double y) {
    Point2D at = node.localToScene(x, y);
    Event.fireEvent(
        node,
        new MouseEvent(
            node,
            node,
            type,
            at.getX(),
            at.getY(),
            at.getX(),
            at.getY(),
            MouseButton.PRIMARY,
            1,
            false,
            false,
            false,
            false,
            true,
            false,
            false,
            true,
            false,
            false,
            new PickResult(node, at.getX(), at.getY())));
  }

  private void end() {
    figures.forEach((what, all) -> {
      if (!what.startsWith("warming")) {
        List<Double> sorted = all.stream().sorted().toList();
        System.out.printf(
            Locale.ROOT,
            "%-40s %5d frames   median %5.1f ms   95th percentile %5.1f ms   worst %5.1f ms%n",
            what,
            sorted.size(),
            sorted.get(sorted.size() / 2),
            sorted.get((int) (sorted.size() * 0.95)),
            sorted.getLast());
      }
    });
    keeper.shutdown();
    shop.close();
    Platform.exit();
  }
}
