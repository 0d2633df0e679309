package org.yellowhearth.desk.firstpower;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.InvalidationListener;
import javafx.beans.binding.DoubleBinding;
import javafx.beans.value.ChangeListener;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.firstpower.PowerUpJudgement;
import org.yellowhearth.core.firstpower.PowerUpJudgement.PowerUpCounsel;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.firstpower.PowerUpRun.PowerUpPhase;
import org.yellowhearth.core.job.PoweringUp.StopCause;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.knowledge.words.FaultText;
import org.yellowhearth.publishing.drawing.StairsChart;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FirstPowerLines;
import org.yellowhearth.workshop.FirstPowerModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The run: what every meter shows in figures to be read from across the room, what is to be done,
 * one large stop, and a key for every sign.
 */
final class FirstPowerRunPage extends VBox {
  /** Legible from two metres. */
  private static final double LEAST_FIGURE = 48;

  private static final double FIGURE_EMS = 3.6;

  /** A key for each sign; the space bar stops whatever it is. */
  private static final Map<KeyCode, StopCause> SIGNS = signs();

  private static final int MOST_CAUSES = 4;

  private final DeskModel model;
  private final FirstPowerModel wake;
  private final DoubleBinding em;
  private final Label counsel = Page.text("", "wake-counsel");
  private final Label more = Page.text("", "wake-more");
  private final MarkPane stairs = new MarkPane("stairs");
  private final FlowPane readouts = new FlowPane();
  private final Map<Clip, Readout> shown = new LinkedHashMap<>();
  private final Button stop = new Button();
  private final Button next = Page.button("firstpower.next", "wake-next", this::next);
  private final Button begin = Page.button("firstpower.begin", "wake-begin", this::begin);
  private final FlowPane signs = new FlowPane();
  private final VBox causes = new VBox();
  private final EventHandler<KeyEvent> keys = this::pressed;
  private final InvalidationListener typing = _ -> keysThatStop();
  private final ChangeListener<Node> focusing =
      (_, was, is) -> {
        if (was instanceof TextInputControl t) {
          t.textProperty().removeListener(typing);
        }
        if (is instanceof TextInputControl t) {
          t.textProperty().addListener(typing);
        }
        keysThatStop();
      };
  private Optional<PowerUpPlan> of = Optional.empty();

  /** One meter: its name, what it shows, and what it should show. */
  private record Readout(VBox box, Label figure, Label band, TextField field) {}

  private static Map<KeyCode, StopCause> signs() {
    Map<KeyCode, StopCause> keys = new LinkedHashMap<>();
    keys.put(KeyCode.L, StopCause.LAMP_BRIGHT);
    keys.put(KeyCode.N, StopCause.NO_HEATER);
    keys.put(KeyCode.H, StopCause.HUM);
    keys.put(KeyCode.M, StopCause.SMELL);
    keys.put(KeyCode.K, StopCause.SMOKE);
    keys.put(KeyCode.O, StopCause.SOUND);
    keys.put(KeyCode.P, StopCause.SPARK);
    return keys;
  }

  FirstPowerRunPage(DeskModel model, DoubleBinding em) {
    this.model = model;
    this.em = em;
    wake = model.wake();
    getStyleClass().add("run-page");
    counsel.setId("wake-counsel");
    readouts.getStyleClass().add("wake-readouts");
    readouts.setId("wake-readouts");
    stop.setText(Labels.of("firstpower.stop"));
    stop.setId("wake-stop");
    stop.getStyleClass().add("wake-stop");
    stop.setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
    stop.setMinSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    stop.setOnAction(_ -> model.stopAll());
    next.getStyleClass().add("wake-go");
    begin.getStyleClass().add("wake-go");
    signs.getStyleClass().add("line-form");
    signs.setId("wake-signs");
    signs.getChildren().add(Page.text(Labels.of("firstpower.signs"), "form-label"));
    SIGNS.forEach((key, cause) -> signs.getChildren().add(sign(key, cause)));
    causes.getStyleClass().add("page-column");
    causes.setId("wake-causes");
    stairs.setMinHeight(150);
    VBox.setVgrow(stairs, Priority.ALWAYS);
    FlowPane switches = new FlowPane(begin, next);
    switches.getStyleClass().add("line-form");
    // What switches it off stays in sight, however large the text is.
    VBox said = new VBox(counsel, more, switches);
    said.getStyleClass().add("page-column");
    said.setMinWidth(0);
    HBox top = new HBox(said, stop);
    top.getStyleClass().add("wake-top");
    HBox.setHgrow(said, Priority.ALWAYS);
    for (Region r : List.of(begin, next, signs, causes, stop, more)) {
      r.managedProperty().bind(r.visibleProperty());
    }
    setMinWidth(0);
    getChildren().addAll(top, readouts, signs, causes, stairs);
    sceneProperty()
        .addListener((_, was, is) -> {
          if (was != null) {
            was.removeEventFilter(KeyEvent.KEY_PRESSED, keys);
            was.focusOwnerProperty().removeListener(focusing);
            focusing.changed(was.focusOwnerProperty(), was.getFocusOwner(), null);
          }
          if (is != null) {
            is.addEventFilter(KeyEvent.KEY_PRESSED, keys);
            is.focusOwnerProperty().addListener(focusing);
            focusing.changed(is.focusOwnerProperty(), null, is.getFocusOwner());
          }
        });
    wake.runProperty().addListener((_, _, _) -> show());
    wake.unseenProperty().addListener((_, _, _) -> show());
    wake.causesProperty().addListener((_, _, _) -> show());
    wake.lines().liveProperty().addListener((_, _, _) -> show());
    model.stageProperty().addListener((_, _, _) -> show());
    model.hearthProperty().addListener((_, _, _) -> tick());
    em.addListener((_, _, _) -> size());
    show();
  }

  private Button sign(KeyCode key, StopCause cause) {
    Button b = new Button(key.getName() + "  " + model.words().word(cause));
    b.setId("sign-" + cause.code());
    b.getStyleClass().add("wake-sign");
    b.setOnAction(_ -> wake.stop(cause, ""));
    return b;
  }

  private Node focused() {
    return getScene() == null ? null : getScene().getFocusOwner();
  }

  /** Whether a text is being typed, in which a space is a space; no figure of this page has one. */
  private boolean typesText() {
    return focused() instanceof TextInputControl t
        && t.isEditable()
        && !t.getText().isEmpty()
        && shown.values().stream().noneMatch(r -> r.field.equals(t));
  }

  private boolean typesFigure() {
    return focused() instanceof TextInputControl t && t.isEditable() && !t.getText().isEmpty();
  }

  /**
   * The space bar stops, letters tell signs; where somebody types a text they are what is typed,
   * and F9 stops all the same.
   */
  private void pressed(KeyEvent e) {
    if (!wake.on()
        || e.isShortcutDown()
        || e.isAltDown()
        || model.gateProperty().get().isPresent()) {
      return;
    }
    if (e.getCode() == KeyCode.SPACE && !typesText()) {
      model.stopAll();
      e.consume();
    } else if (typesFigure()) {
      return;
    } else if (e.getCode() == KeyCode.ENTER
        && !(getScene().getFocusOwner() instanceof TextInputControl)) {
      next();
      e.consume();
    } else if (SIGNS.containsKey(e.getCode())) {
      wake.stop(SIGNS.get(e.getCode()), "");
      e.consume();
    }
  }

  /** The button says which keys do as it does at this moment. */
  private void keysThatStop() {
    stop.setText(Labels.of(typesText() ? "firstpower.stop.typing" : "firstpower.stop"));
  }

  private void next() {
    wake.next();
  }

  private void begin() {
    wake.begin();
    // The keys are for stopping from now on, not for the bench line.
    stop.requestFocus();
  }

  private void size() {
    double px = Math.max(LEAST_FIGURE, FIGURE_EMS * em.get());
    shown.values().forEach(r -> r.figure.setStyle("-fx-font-size: " + px + "px;"));
  }

  private void show() {
    if (model.openProperty().get().isEmpty()) {
      return;
    }
    Optional<PowerUpRun> run = wake.runProperty().get();
    counsel.getStyleClass().setAll("label", "wake-counsel");
    boolean on = wake.on();
    stop.setVisible(on);
    next.setVisible(on);
    signs.setVisible(on);
    begin.setVisible(run.isPresent() && !on && wake.unseenProperty().get().isEmpty());
    if (run.isEmpty()) {
      counsel.setText(Labels.of("firstpower.run.none"));
      more.setVisible(false);
      readouts.getChildren().clear();
      shown.clear();
      of = Optional.empty();
      causes.setVisible(false);
      stairs.show((_, _, _) -> List.of());
      return;
    }
    PowerUpRun r = run.get();
    if (!of.equals(Optional.of(r.plan()))) {
      build(r.plan());
    }
    begin.setText(
        Labels.of(r.phase() == PowerUpPhase.PLANNED ? "firstpower.begin" : "firstpower.again"));
    figures(r);
    causes(r);
    tick();
    Clip main =
        r.plan().clips().stream()
            .filter(c -> c.shows() == Shows.DIRECT)
            .findFirst()
            .orElse(r.plan().clips().isEmpty() ? null : r.plan().clips().getFirst());
    if (main == null) {
      stairs.show((_, _, _) -> List.of());
    } else {
      List<StairsChart.Read> read = newest(r, main);
      stairs.show((w, h, e) ->
          StairsChart.marks(
              r.plan(), main, on ? Optional.of(r.step()) : Optional.empty(), read, w, h, e));
    }
  }

  /** The newest reading at each step, and what stands on the line. */
  private List<StairsChart.Read> newest(PowerUpRun r, Clip clip) {
    Map<Integer, Double> by = new LinkedHashMap<>();
    r.readings().stream()
        .filter(x -> x.clip().equals(clip))
        .forEach(x -> by.put(x.step(), x.value()));
    if (wake.on() && wake.lines().liveProperty().get().containsKey(clip)) {
      by.put(r.step(), wake.lines().liveProperty().get().get(clip));
    }
    List<StairsChart.Read> read = new ArrayList<>();
    by.forEach((k, v) -> read.add(new StairsChart.Read(k, v)));
    return read;
  }

  private void build(PowerUpPlan plan) {
    of = Optional.of(plan);
    shown.clear();
    Describe describe = new Describe(model.words());
    for (Clip c : plan.clips()) {
      Label figure = new Label("—");
      figure.getStyleClass().add("wake-figure");
      figure.setMinWidth(Region.USE_PREF_SIZE);
      figure.setId("figure-" + c.point().replace('.', '-') + "-" + c.shows().code());
      Label name = new Label(describe.clip(c));
      name.getStyleClass().add("wake-name");
      Label band = Page.text("", "wake-band");
      band.setWrapText(false);
      TextField field = new TextField();
      field.setId("read-" + c.point().replace('.', '-') + "-" + c.shows().code());
      field.setPrefColumnCount(7);
      field.setPromptText(Labels.of("firstpower.read"));
      field.setAccessibleText(Labels.of("firstpower.read") + " " + describe.clip(c));
      field.setOnAction(_ -> keep(c, field));
      field.managedProperty().bind(field.visibleProperty());
      VBox box = new VBox(name, figure, band, field);
      box.getStyleClass().add("wake-readout");
      shown.put(c, new Readout(box, figure, band, field));
    }
    readouts.getChildren().setAll(shown.values().stream().map(Readout::box).toList());
    size();
  }

  private void keep(Clip clip, TextField field) {
    model.made(() -> {
      OptionalDouble value =
          (clip.shows() == Shows.WATTS ? Measure.WATTS : Measure.VOLTS).read(field.getText());
      if (value.isPresent()) {
        wake.read(clip, value.getAsDouble());
        field.clear();
        focusNext(clip);
      }
    });
  }

  private void focusNext(Clip clip) {
    List<Clip> all = List.copyOf(shown.keySet());
    for (int k = all.indexOf(clip) + 1; k < all.size(); k++) {
      if (shown.get(all.get(k)).field.isVisible()) {
        shown.get(all.get(k)).field.requestFocus();
        return;
      }
    }
    stop.requestFocus();
  }

  private void figures(PowerUpRun r) {
    boolean on = wake.on();
    Map<Clip, Double> live = wake.lines().liveProperty().get();
    List<Clip> off =
        wake.judgement().map(PowerUpJudgement::off).orElse(List.of()).stream()
            .map(PowerUpJudgement.Off::clip)
            .toList();
    shown.forEach((c, out) -> {
      Optional<Double> value =
          on && live.containsKey(c)
              ? Optional.of(live.get(c))
              : Optional.ofNullable(r.seen().get(c)).map(PowerUpRun.Seen::value);
      PowerUpPlan.Band b = r.plan().band(r.step(), c);
      boolean bad = on ? off.contains(c) : value.filter(v -> !b.holds(v, true)).isPresent();
      out.figure.setText(value.map(v -> (bad ? "✗ " : "") + Describe.shown(c, v)).orElse("—"));
      out.figure
          .getStyleClass()
          .setAll(
              "label", "wake-figure", bad ? "run-bad" : value.isPresent() ? "run-good" : "run-off");
      out.band.setText(
          Labels.of("firstpower.expect", Describe.shown(c, b.expected()), PowerUpPage.range(c, b)));
      out.field.setVisible(on && !live.containsKey(c));
    });
  }

  private void causes(PowerUpRun r) {
    List<Diagnosis.Explanation> all = wake.causesProperty().get();
    causes.setVisible(r.phase() == PowerUpPhase.STOPPED && !all.isEmpty());
    causes.getChildren().setAll(Page.text(Labels.of("firstpower.causes"), "section-title"));
    all.stream()
        .filter(e -> !e.parts().isEmpty())
        .limit(MOST_CAUSES)
        .forEach(e ->
            causes
                .getChildren()
                .add(
                    Page.text(
                        Quantity.percent(e.probability())
                            + "   "
                            + new FaultText(model.words()).of(e, ""))));
  }

  /** The seconds go on. */
  void tick() {
    Optional<PowerUpRun> run = wake.runProperty().get();
    if (run.isEmpty() || model.openProperty().get().isEmpty()) {
      return;
    }
    PowerUpRun r = run.get();
    Optional<PowerUpJudgement> j = wake.judgement();
    PowerUpCounsel now = j.map(PowerUpJudgement::counsel).orElse(PowerUpCounsel.STOP);
    String step =
        Labels.of(
            "firstpower.step",
            r.step() + 1,
            r.plan().steps().size(),
            Quantity.volts(r.now().mainsVolts()));
    counsel
        .getStyleClass()
        .setAll(
            "label",
            "wake-counsel",
            switch (r.phase()) {
              case ON ->
                  now == PowerUpCounsel.STOP
                      ? "run-bad"
                      : now == PowerUpCounsel.GO_ON ? "run-good" : "run-off";
              case STOPPED -> "run-bad";
              case HELD -> "run-good";
              case PLANNED -> "run-off";
            });
    counsel.setText(
        switch (r.phase()) {
          case ON -> "● " + step + "   " + model.words().word(now) + left(r, now);
          case STOPPED ->
              "■ "
                  + Labels.of(
                      "firstpower.stopped",
                      r.step() + 1,
                      r.stopped().map(model.words()::word).orElse(""));
          case HELD -> "✓ " + Labels.of("firstpower.held");
          case PLANNED -> "○ " + Labels.of("firstpower.planned", r.plan().steps().size());
        });
    more.setText(more(r, j));
    more.setVisible(!more.getText().isEmpty());
    next.setDisable(now != PowerUpCounsel.GO_ON);
    next.setText(Labels.of(r.last() ? "firstpower.finish" : "firstpower.next"));
  }

  private String left(PowerUpRun r, PowerUpCounsel now) {
    double until =
        now == PowerUpCounsel.SETTLING
            ? r.now().settleSeconds()
            : now == PowerUpCounsel.HOLD ? r.now().holdSeconds() : 0;
    double left = (until - wake.held()) / wake.lines().speed();
    return left > 0 ? "   " + Durations.text(Math.ceil(left)) : "";
  }

  private String more(PowerUpRun r, Optional<PowerUpJudgement> judged) {
    if (r.phase() == PowerUpPhase.ON) {
      List<Clip> unread = judged.map(PowerUpJudgement::unread).orElse(List.of());
      Describe describe = new Describe(model.words());
      return judged
          .filter(x -> x.counsel() == PowerUpCounsel.READ)
          .map(_ ->
              Labels.of(
                  "firstpower.unread",
                  String.join(", ", unread.stream().map(describe::clip).toList())))
          .orElse(
              Labels.of(
                  wake.lines().source().open() ? "firstpower.turns" : "firstpower.turn-by-hand",
                  Quantity.volts(r.now().mainsVolts())));
    }
    String hearth = ChargeText.line(model.hearthProperty().get(), model.job().powerSince());
    boolean seen = wake.unseenProperty().get().isEmpty();
    String why =
        r.phase() == PowerUpPhase.STOPPED
            ? Labels.of(seen ? "firstpower.after-stop" : "firstpower.after-stop.unseen") + " "
            : "";
    return r.phase() == PowerUpPhase.PLANNED
        ? Labels.of("firstpower.before")
        : why + r.note() + " " + hearth;
  }

  /** So many channels a clip hangs on, for the page of the lines. */
  static String channels(PowerUpPlan plan, Describe describe) {
    List<String> all = new ArrayList<>();
    plan.clips().stream()
        .filter(c -> !c.equals(Clip.TAKEN))
        .forEach(c -> all.add(FirstPowerLines.channel(plan, c) + ": " + describe.clip(c)));
    return String.join("   ", all);
  }
}
