package org.yellowhearth.desk.shell;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Rectangle;
import org.yellowhearth.desk.arrival.ArrivalView;
import org.yellowhearth.desk.assess.AssessView;
import org.yellowhearth.desk.dossier.DossierView;
import org.yellowhearth.desk.finaltest.FinalTestView;
import org.yellowhearth.desk.firstpower.FirstPowerView;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.partslist.PartsListView;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.reform.ReformView;
import org.yellowhearth.desk.replace.ReplaceView;
import org.yellowhearth.desk.safety.SafetyView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.desk.trace.TraceView;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;

/**
 * One job: its plate, the path, the bench with the stage's own workspace, reasons and bench line.
 * To build all of it takes longer than a frame; it is built piece by piece, and has to stand whole
 * before a job is opened.
 */
final class JobView extends BorderPane {
  /**
   * A window less wide than this many heights of the text starts without the reasons; F4 brings
   * them.
   */
  private static final double ROOM_FOR_REASONS = 55;

  private static final double REASONS_EMS = 22;
  private static final double REASONS_SHARE = 0.31;

  private final DeskModel model;
  private final DoubleBinding em;
  private final StackPane bench = new StackPane();
  private final ReasonsView reasons;
  private final BenchLineView benchLine;
  private final Map<Stage, Region> stages = new EnumMap<>(Stage.class);
  private final Deque<Runnable> unbuilt = new ArrayDeque<>();
  private boolean roomForReasons = true;

  JobView(
      DeskModel model,
      Appearance appearance,
      FileAsk files,
      Path dossiers,
      Runnable showSheet,
      Runnable toAgenda) {
    this.model = model;
    em = appearance.em();
    reasons = new ReasonsView(model);
    benchLine = new BenchLineView(model, showSheet);
    later(Stage.ASSESS, () -> new AssessView(model, files, em));
    later(Stage.ARRIVAL, () -> new ArrivalView(model, files, em));
    later(Stage.SAFETY, () -> new SafetyView(model, files));
    later(Stage.PARTS, () -> new PartsListView(model, files, em));
    later(Stage.TRACE, () -> new TraceView(model, files, em));
    later(Stage.REFORM, () -> new ReformView(model, files, em));
    later(Stage.REPLACE, () -> new ReplaceView(model, files, em));
    later(Stage.FIRST_POWER, () -> new FirstPowerView(model, em));
    later(Stage.FINAL_TEST, () -> new FinalTestView(model, files));
    later(Stage.DOSSIER, () -> new DossierView(model, files, dossiers));
    unbuilt.add(() -> frame(toAgenda));
  }

  private void later(Stage stage, Supplier<Region> view) {
    unbuilt.add(() -> {
      Region built = view.get();
      // What has no room is cut off inside the bench: the plate above and the line below are always
      // in sight.
      built.setMinHeight(0);
      stages.put(stage, built);
    });
  }

  /** Builds one more piece; false where everything stands. */
  boolean buildNext() {
    Runnable next = unbuilt.poll();
    if (next != null) {
      next.run();
    }
    return next != null;
  }

  /** Builds what is left. */
  void buildAll() {
    while (buildNext()) {
      // Until everything stands.
    }
  }

  private void frame(Runnable toAgenda) {
    bench.getStyleClass().add("bench");
    bench.setMinWidth(0);
    bench.setMinHeight(0);
    Rectangle sight = new Rectangle();
    sight.widthProperty().bind(bench.widthProperty());
    sight.heightProperty().bind(bench.heightProperty());
    bench.setClip(sight);
    setTop(new SetPlateView(model, toAgenda));
    setLeft(path(model));
    setCenter(bench);
    setBottom(benchLine);
    reasons
        .prefWidthProperty()
        .bind(Bindings.min(em.multiply(REASONS_EMS), widthProperty().multiply(REASONS_SHARE)));
    model.stageProperty().addListener((_, _, _) -> showStage());
    widthProperty().addListener((_, _, _) -> makeRoom());
    em.addListener((_, _, _) -> makeRoom());
    model.reasonsShownProperty().addListener((_, _, _) -> showReasons());
    makeRoom();
    showStage();
  }

  private void makeRoom() {
    boolean room = getWidth() >= ROOM_FOR_REASONS * em.get();
    if (getWidth() > 0 && room != roomForReasons) {
      roomForReasons = room;
      model.reasonsShownProperty().set(room);
    }
  }

  /**
   * Large text may leave no room for all ten stages: then the path scrolls, and plate and line stay
   * where they are.
   */
  private static ScrollPane path(DeskModel model) {
    ScrollPane scroll = new ScrollPane(new PathView(model));
    scroll.getStyleClass().addAll("page", "path-scroll");
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setMinHeight(0);
    scroll.setMinWidth(USE_PREF_SIZE);
    scroll.setFocusTraversable(false);
    List<Stage> all = List.of(Stage.values());
    model
        .stageProperty()
        .addListener((_, _, now) -> scroll.setVvalue(all.indexOf(now) / (all.size() - 1.0)));
    return scroll;
  }

  private void showStage() {
    Stage stage = model.stageProperty().get();
    bench.getChildren().setAll(stages.get(stage));
    showReasons();
    if (stage == Stage.DOSSIER) {
      ((DossierView) stages.get(stage)).refresh();
    }
    if (model.openProperty().get().isPresent()) {
      focus();
    }
  }

  private void showReasons() {
    Stage stage = model.stageProperty().get();
    boolean judged = stage == Stage.PARTS || stage == Stage.ASSESS;
    setRight(judged && model.reasonsShownProperty().get() ? reasons : null);
  }

  /** Shows a page of a stage by its name. */
  void show(Stage stage, String page) {
    buildAll();
    model.stageProperty().set(stage);
    if (stages.get(stage) instanceof Paged pages) {
      pages.show(page);
    }
  }

  /** Puts the keyboard on the bench line. */
  void focus() {
    benchLine.focus();
  }

  void saveDossier() {
    if (stages.get(Stage.DOSSIER) instanceof DossierView dossier) {
      dossier.save();
    }
  }
}
