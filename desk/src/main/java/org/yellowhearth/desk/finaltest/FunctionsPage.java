package org.yellowhearth.desk.finaltest;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.FunctionCheck.FunctionOutcome;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What the set has to do, group by group, each tried and answered. */
final class FunctionsPage extends Page {
  private final Label care = text("", "caution", "caution-danger");
  private final Label progress = text("", "strong-note");
  private final VBox list = column();
  private final List<TextField> typed = new ArrayList<>();

  FunctionsPage(DeskModel model) {
    super(model);
    list.setId("prove-functions");
    progress.setId("functions-progress");
    care.managedProperty().bind(care.visibleProperty());
    AddLine line =
        new AddLine(
            model, () -> model.prove().function(typed.get(0).getText(), typed.get(1).getText()));
    typed.add(line.field("finaltest.group", "function-group", 9));
    typed.add(line.field("finaltest.what", "function-what", 26));
    line.button("finaltest.add", "function-add");
    add(
        care,
        row(
            progress,
            button(
                "finaltest.functions.propose",
                "functions-propose",
                model.prove()::proposeFunctions)),
        list,
        line);
  }

  @Override
  protected void show(Job job) {
    care.setText(
        Labels.of(
            job.plate().kind() == SetPlate.Kind.TRANSMITTER
                ? "finaltest.functions.transmit"
                : "finaltest.care"));
    List<FunctionCheck> all = job.items(FunctionCheck.class);
    long done = all.stream().filter(f -> f.outcome() != FunctionOutcome.UNSTATED).count();
    progress.setText(
        all.isEmpty() ? "" : Labels.of("finaltest.functions.progress", done, all.size()));
    list.getChildren().clear();
    if (all.isEmpty()) {
      list.getChildren().add(text(Labels.of("finaltest.functions.none"), "quiet"));
    }
    for (String group : all.stream().map(FunctionCheck::group).distinct().toList()) {
      list.getChildren()
          .add(text(group.isEmpty() ? Labels.of("finaltest.group.none") : group, "section-title"));
      all.stream()
          .filter(f -> f.group().equals(group))
          .forEach(f -> list.getChildren().add(function(f)));
    }
  }

  private FlowPane function(FunctionCheck f) {
    TextField note = new TextField(f.note());
    note.setPrefColumnCount(16);
    note.setPromptText(Labels.of("finaltest.note"));
    note.setAccessibleText(Labels.of("finaltest.note") + " " + f.what());
    note.setId("note-" + f.id());
    note.setOnAction(_ -> model().put(f.went(f.outcome(), note.getText().strip())));
    FlowPane answers = new FlowPane();
    answers.getStyleClass().add("line-form");
    Label what =
        text(
            sign(f.outcome()) + "  " + f.what(),
            switch (f.outcome()) {
              case WORKS -> "run-good";
              case FAILS -> "run-bad";
              case UNSTATED, NOT_THERE -> "run-off";
            });
    what.setMinWidth(USE_PREF_SIZE);
    answers.getChildren().add(what);
    for (FunctionOutcome o :
        List.of(FunctionOutcome.WORKS, FunctionOutcome.FAILS, FunctionOutcome.NOT_THERE)) {
      if (o != f.outcome()) {
        Button b = new Button(model().words().word(o));
        b.getStyleClass().add("quiet-button");
        b.setMinWidth(USE_PREF_SIZE);
        b.setOnAction(_ -> model().put(f.went(o, note.getText().strip())));
        b.setId(o.code() + "-" + f.id());
        answers.getChildren().add(b);
      }
    }
    answers.getChildren().addAll(note, quiet("form.take-out", () -> model().take(f)));
    return answers;
  }

  private static String sign(FunctionOutcome o) {
    return switch (o) {
      case WORKS -> "✓";
      case FAILS -> "✗";
      case UNSTATED -> "○";
      case NOT_THERE -> "—";
    };
  }
}
