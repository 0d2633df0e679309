package org.yellowhearth.desk.shell;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.AskedGate;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** Stands over everything while something that could hurt waits for an answer. */
final class GateView extends StackPane {
  private static final int MOST_DANGERS = 4;

  private final DeskModel model;
  private final Label title = new Label();
  private final Label words = Page.text("", "gate-words");
  private final VBox dangers = new VBox();
  private final TextField reason = new TextField();
  private final FlowPane buttons = new FlowPane();

  GateView(DeskModel model, Runnable closed) {
    this.model = model;
    getStyleClass().add("gate");
    title.getStyleClass().add("gate-title");
    reason.setId("gate-reason");
    buttons.getStyleClass().add("form-buttons");
    VBox box = new VBox(title, words, dangers, reason, buttons);
    box.getStyleClass().add("gate-box");
    box.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
    getChildren().add(box);
    setVisible(false);
    addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            leave();
            e.consume();
          } else if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof Button focused) {
            focused.fire();
            e.consume();
          }
        });
    reason.setOnAction(_ -> goOn(reason.getText()));
    model
        .gateProperty()
        .addListener((_, was, now) -> {
          setVisible(now.isPresent());
          now.ifPresent(this::show);
          if (now.isEmpty() && was.isPresent()) {
            closed.run();
          }
        });
  }

  private void show(AskedGate asked) {
    title.setText(model.words().word(asked.gate().question()));
    words.setText(model.words().say(asked.gate().words()));
    CautionRule.Moment moment =
        asked.gate().question() == Edit.Question.POWER_UNCHECKED
            ? CautionRule.Moment.POWER
            : CautionRule.Moment.MEASURING;
    dangers
        .getChildren()
        .setAll(
            SetCautions.dangersAt(moment, model.job(), model.knowledge()).stream()
                .limit(MOST_DANGERS)
                .map(c ->
                    Page.text(
                        "• "
                            + model.words().term("Danger." + c.id())
                            + " "
                            + model.words().term("Precaution." + c.id()),
                        "gate-danger"))
                .toList());
    boolean written = asked.gate().reasonNeeded();
    reason.clear();
    reason.setVisible(written);
    reason.setManaged(written);
    reason.setPromptText(Labels.of("gate.reason"));
    reason.setAccessibleText(Labels.of("gate.reason"));
    Button leave = Page.button("gate.leave", "gate-leave", this::leave);
    leave.getStyleClass().add("keep-button");
    List<Node> answers =
        written
            ? List.of(
                leave, Page.button("gate.with-reason", "gate-go-on", () -> goOn(reason.getText())))
            : List.of(
                leave, answer("gate.measured", "gate-measured"), answer("gate.out", "gate-out"));
    buttons.getChildren().setAll(answers);
    Platform.runLater(written ? reason::requestFocus : leave::requestFocus);
  }

  private Button answer(String label, String id) {
    return Page.button(label, id, () -> goOn(Labels.of(label)));
  }

  private void goOn(String answer) {
    if (!answer.isBlank()) {
      model.gateProperty().get().ifPresent(g -> g.goOn().accept(answer.strip()));
    }
  }

  private void leave() {
    model.gateProperty().get().ifPresent(g -> g.leave().run());
  }
}
