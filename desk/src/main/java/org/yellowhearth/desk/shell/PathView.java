package org.yellowhearth.desk.shell;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.OpenJob;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** The path down the left: the stages, how far each has come, and one number each. */
final class PathView extends VBox {
  private final DeskModel model;
  private final Map<Stage, Button> buttons = new EnumMap<>(Stage.class);
  private final Map<Stage, Label> numbers = new EnumMap<>(Stage.class);
  private final Map<Stage, Region> dots = new EnumMap<>(Stage.class);

  PathView(DeskModel model) {
    this.model = model;
    getStyleClass().add("path");
    for (Stage stage : Stage.values()) {
      getChildren().add(step(stage));
    }
    model.stageProperty().addListener((_, _, _) -> mark());
    model.openProperty().addListener((_, _, open) -> open.ifPresent(this::count));
    mark();
  }

  private Button step(Stage stage) {
    Region dot = new Region();
    dot.getStyleClass().add("path-dot");
    Label name =
        new Label(Labels.of("stage." + stage.name().toLowerCase(Locale.ROOT).replace('_', '-')));
    name.setMinWidth(Region.USE_PREF_SIZE);
    Label number = new Label();
    number.getStyleClass().add("path-number");
    number.setMinWidth(Region.USE_PREF_SIZE);
    name.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(name, Priority.ALWAYS);
    HBox row = new HBox(dot, name, number);
    row.getStyleClass().add("path-row");
    Button button = new Button();
    button.setGraphic(row);
    button.setId("stage-" + stage.name().toLowerCase(Locale.ROOT).replace('_', '-'));
    button.getStyleClass().add("path-step");
    button.setMaxWidth(Double.MAX_VALUE);
    row.prefWidthProperty()
        .bind(
            Bindings.createDoubleBinding(
                () ->
                    button.getWidth()
                        - button.getInsets().getLeft()
                        - button.getInsets().getRight(),
                button.widthProperty(),
                button.insetsProperty()));
    button.setOnAction(_ -> model.stageProperty().set(stage));
    button.setAccessibleText(name.getText());
    buttons.put(stage, button);
    numbers.put(stage, number);
    dots.put(stage, dot);
    return button;
  }

  private void mark() {
    buttons.forEach((stage, button) -> {
      button.getStyleClass().remove("current");
      if (stage == model.stageProperty().get()) {
        button.getStyleClass().add("current");
      }
    });
  }

  private void count(OpenJob open) {
    long all = open.assessments().size();
    long measured = open.assessments().stream().filter(Assessment::measured).count();
    boolean attention =
        open.assessments().stream()
            .anyMatch(a ->
                a.verdict() == Verdict.REPLACE || (a.measured() && a.verdict() == Verdict.RECHECK));
    boolean plateDone =
        open.job().plate().made().isPresent() && open.job().plate().mains().isPresent();
    set(Stage.ARRIVAL, MainsFit.stops(open.job()) ? "attention" : plateDone ? "done" : "hand", "");
    safety(open);
    set(Stage.PARTS, all == 0 ? "untouched" : "done", all == 0 ? "" : Long.toString(all));
    String state =
        measured == 0 ? "untouched" : attention ? "attention" : measured == all ? "done" : "hand";
    set(Stage.ASSESS, state, all == 0 ? "" : measured + " / " + all);
    long readings = open.job().items(SupplyReading.class).size();
    set(
        Stage.TRACE,
        open.job().items(SupplySection.class).isEmpty()
            ? "untouched"
            : readings == 0 ? "hand" : "done",
        readings == 0 ? "" : Long.toString(readings));
    reform(open);
    renew(open);
    wake(open);
    prove(open);
    set(Stage.DOSSIER, "untouched", "");
  }

  private void wake(OpenJob open) {
    List<PowerUpPlan> plans = open.job().items(PowerUpPlan.class);
    Optional<PowerUpRun> run =
        plans.isEmpty()
            ? Optional.empty()
            : Optional.of(PowerUpRun.of(plans.getLast(), open.job().events()));
    set(
        Stage.FIRST_POWER,
        run.map(r ->
                switch (r.phase()) {
                  case PLANNED, ON -> "hand";
                  case STOPPED -> "attention";
                  case HELD -> "done";
                })
            .orElse("untouched"),
        run.map(r ->
                (r.phase() == PowerUpRun.PowerUpPhase.PLANNED ? 0 : r.step() + 1)
                    + " / "
                    + r.plan().steps().size())
            .orElse(""));
  }

  private void prove(OpenJob open) {
    List<FunctionCheck> functions = open.job().items(FunctionCheck.class);
    long done =
        functions.stream()
            .filter(f -> f.outcome() != FunctionCheck.FunctionOutcome.UNSTATED)
            .count();
    boolean fails =
        functions.stream().anyMatch(f -> f.outcome() == FunctionCheck.FunctionOutcome.FAILS);
    Optional<BurnIn.BurnEnd> burn =
        open.job().items(BurnIn.class).stream().map(BurnIn::end).reduce((_, last) -> last);
    boolean bad = fails || burn.filter(b -> b == BurnIn.BurnEnd.FAILED).isPresent();
    boolean over =
        burn.filter(b -> b == BurnIn.BurnEnd.PASSED).isPresent() && done == functions.size();
    set(
        Stage.FINAL_TEST,
        functions.isEmpty() && burn.isEmpty()
            ? "untouched"
            : bad ? "attention" : over ? "done" : "hand",
        functions.isEmpty() ? "" : done + " / " + functions.size());
  }

  private void renew(OpenJob open) {
    List<Choice> choices = open.job().items(Choice.class);
    long done = open.job().items(Fitting.class).stream().filter(Fitting::checked).count();
    String state =
        SignOff.of(open.job()).blocked()
            ? "attention"
            : done > 0 && done == choices.size() ? "done" : "hand";
    set(
        Stage.REPLACE,
        choices.isEmpty() ? "untouched" : state,
        choices.isEmpty() ? "" : done + " / " + choices.size());
  }

  private void reform(OpenJob open) {
    List<ReformRun> runs =
        open.job().items(ReformPlan.class).stream()
            .map(p -> ReformRun.of(p, open.job().events()))
            .toList();
    long done = runs.stream().filter(r -> r.phase() == ReformRun.RunPhase.DONE).count();
    boolean stopped = runs.stream().anyMatch(r -> r.phase() == ReformRun.RunPhase.STOPPED);
    set(
        Stage.REFORM,
        runs.isEmpty()
            ? "untouched"
            : stopped ? "attention" : done == runs.size() ? "done" : "hand",
        runs.isEmpty() ? "" : done + " / " + runs.size());
  }

  private void safety(OpenJob open) {
    List<Check> checks = Checks.of(open.job(), model.now().toInstant());
    long done = checks.stream().filter(c -> !c.blocks()).count();
    boolean failed =
        checks.stream().anyMatch(c -> c.state() == Check.State.FAILED && c.result().isPresent());
    String state =
        failed ? "attention" : done == checks.size() ? "done" : done > 0 ? "hand" : "untouched";
    set(Stage.SAFETY, state, done + " / " + checks.size());
  }

  private void set(Stage stage, String state, String number) {
    dots.get(stage).getStyleClass().setAll("path-dot", "path-" + state);
    numbers.get(stage).setText(number);
  }
}
