package org.yellowhearth.desk.firstpower;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.firstpower.Readiness;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** What must be so before the set gets its first power under the plan. */
final class ReadyPage extends Page {
  private final Label gate = text("", "wake-gate");
  private final VBox list = column();
  private final Map<String, String> typed = new HashMap<>();

  ReadyPage(DeskModel model) {
    super(model);
    gate.setId("ready-gate");
    gate.managedProperty().bind(gate.textProperty().isNotEmpty());
    add(text(Labels.of("firstpower.care"), "caution", "caution-danger"), gate, list);
    model
        .hearthProperty()
        .addListener((_, was, is) -> {
          if (getScene() != null
              && model.openProperty().get().isPresent()
              && was.state() != is.state()) {
            show(job());
          }
        });
  }

  @Override
  protected void show(Job job) {
    List<Check> checks = model().wake().ready();
    long blocking = checks.stream().filter(Check::blocks).count();
    gate.setText(
        checks.isEmpty()
            ? ""
            : blocking == 0
                ? Labels.of("firstpower.ready")
                : Labels.of("firstpower.ready.not", blocking));
    gate.getStyleClass().removeAll("gate-open", "gate-shut");
    gate.getStyleClass().add(blocking == 0 ? "gate-open" : "gate-shut");
    fillRows(list, checks, "firstpower.ready.no-plan", this::check);
  }

  private VBox check(Check check) {
    String state = check.state().name().toLowerCase(Locale.ROOT);
    Region glyph = new Region();
    glyph.getStyleClass().addAll("glyph", "check-" + state);
    Label words = text(model().words().say(check.words()), "check-words");
    words.setId("check-" + check.code());
    words.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(words, Priority.ALWAYS);
    Label stands = new Label(Labels.of("safety.check." + state));
    stands.getStyleClass().addAll("check-state", "check-word-" + state);
    stands.setMinWidth(Region.USE_PREF_SIZE);
    HBox head = new HBox(glyph, words, stands);
    head.getStyleClass().add("check-head");
    VBox box = column(head);
    box.getStyleClass().add("check");
    check
        .result()
        .ifPresent(r ->
            box.getChildren()
                .add(
                    row(
                        text(r.note(), "check-result"),
                        quiet("form.take-out", () -> model().take(r)))));
    if (check.blocks()) {
      box.getChildren().add(answers(check));
    }
    return box;
  }

  private FlowPane answers(Check check) {
    FlowPane answers = new FlowPane();
    answers.getStyleClass().add("check-answers");
    if (check.automatic().isEmpty()) {
      answers
          .getChildren()
          .add(
              button(
                  "firstpower.ready.so",
                  "so-" + check.code(),
                  () -> model().wake().answer(check, "")));
    } else if (Readiness.mayPass(check)) {
      TextField reason = new TextField();
      reason.setPrefColumnCount(26);
      reason.setId("reason-" + check.code());
      reason.setPromptText(Labels.of("firstpower.ready.reason"));
      reason.setAccessibleText(Labels.of("firstpower.ready.reason"));
      reason.setText(typed.getOrDefault(check.code(), ""));
      reason.textProperty().addListener((_, _, now) -> typed.put(check.code(), now));
      Runnable pass =
          () -> {
            if (reason.getText().isBlank()) {
              model().tell(Labels.of("safety.override.needs-reason"), true);
            } else {
              model().wake().answer(check, reason.getText().strip());
            }
          };
      reason.setOnAction(_ -> pass.run());
      answers.getChildren().addAll(reason, quiet("safety.override", pass));
    } else {
      boolean renew = check.code().startsWith("wake-reversed");
      answers
          .getChildren()
          .add(
              quiet(
                  renew ? "firstpower.ready.to-replace" : "firstpower.ready.to-safety",
                  () -> model().stageProperty().set(renew ? Stage.REPLACE : Stage.SAFETY)));
    }
    return answers;
  }
}
