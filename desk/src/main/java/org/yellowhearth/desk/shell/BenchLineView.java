package org.yellowhearth.desk.shell;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Echo;
import org.yellowhearth.workshop.words.Labels;

/** The one line at the bottom: what is typed, how it was understood, what would follow. */
final class BenchLineView extends VBox {
  private final DeskModel model;
  private final TextField field = new TextField();
  private final Label chosen = new Label();
  private final Label understood = label("echo-understood");
  private final Label trouble = label("echo-trouble");
  private final Label notice = label("notice");
  private final Label verdict = new Label();
  private final FlowPane choices = new FlowPane();
  private final Button keep = new Button(Labels.of("bench.keep"));

  BenchLineView(DeskModel model, Runnable showSheet) {
    this.model = model;
    getStyleClass().add("bench-line");
    field.setId("bench-line");
    field.setPromptText(Labels.of("bench.prompt"));
    field.setAccessibleText(Labels.of("sheet.line"));
    Bound.both(field.textProperty(), model.benchLine().lineProperty());
    field.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    chosen.getStyleClass().add("bench-chosen");
    keep.getStyleClass().add("keep-button");
    keep.setId("keep");
    keep.setMinWidth(USE_PREF_SIZE);
    keep.setOnAction(_ -> enter());
    choices.getStyleClass().add("choices");
    understood.setId("echo-understood");
    trouble.setId("echo-trouble");
    verdict.setId("echo-verdict");
    notice.setId("notice");
    HBox.setHgrow(field, Priority.ALWAYS);
    FlowPane echo = new FlowPane(understood, verdict, trouble, choices, notice);
    echo.getStyleClass().add("echo");
    // A long sentence wraps instead of asking for a wider window.
    echo.setMinWidth(0);
    echo.widthProperty()
        .addListener((_, _, width) -> {
          trouble.setMaxWidth(width.doubleValue() - 30);
          notice.setMaxWidth(width.doubleValue() - 30);
          understood.setMaxWidth(width.doubleValue() - 30);
        });
    Button held = quiet("bench.held", "held", model.benchLine()::endHold);
    held.setTooltip(new Tooltip(Labels.of("bench.held.end")));
    model
        .benchLine()
        .heldProperty()
        .addListener((_, _, text) -> {
          held.setText(Labels.of("bench.held", text));
          held.setVisible(!text.isEmpty());
          held.setManaged(!text.isEmpty());
        });
    held.setVisible(false);
    held.setManaged(false);
    HBox row =
        new HBox(
            chosen,
            held,
            field,
            keep,
            quiet("bench.undo", "undo", model::undo),
            quiet("bench.redo", "redo", model::redo),
            quiet("bench.keys", "keys", showSheet));
    row.getStyleClass().add("bench-row");
    getChildren().addAll(echo, row);
    model.benchLine().echoProperty().addListener((_, _, e) -> show(e));
    model
        .background()
        .noticeProperty()
        .addListener((_, _, _) -> show(model.benchLine().echoProperty().get()));
    model
        .chosenProperty()
        .addListener((_, _, ref) ->
            chosen.setText(ref.map(PartRef::toString).orElse(Labels.of("plate.nothing"))));
    show(Echo.NOTHING);
  }

  private static Button quiet(String label, String id, Runnable action) {
    Button button = new Button(Labels.of(label));
    button.setId(id);
    button.getStyleClass().add("quiet-button");
    button.setMinWidth(USE_PREF_SIZE);
    button.setOnAction(_ -> action.run());
    return button;
  }

  private static Label label(String style) {
    Label label = new Label();
    label.getStyleClass().add(style);
    label.setWrapText(true);
    return label;
  }

  private void pressed(KeyEvent e) {
    switch (e.getCode()) {
      case ENTER -> enter();
      case UP -> recall(-1);
      case DOWN -> recall(1);
      case PAGE_UP -> model.chooseBy(-1);
      case PAGE_DOWN -> model.chooseBy(1);
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void recall(int step) {
    model.benchLine().recall(step);
    field.end();
  }

  /** Enter keeps a line; on a question it goes to the answers. */
  private void enter() {
    if (!choices.getChildren().isEmpty()) {
      choices.getChildren().getFirst().requestFocus();
    } else {
      model.benchLine().enter();
    }
  }

  private void show(Echo echo) {
    understood.setText(echo.understood().isEmpty() ? "" : "→ " + echo.understood());
    trouble.setText(echo.trouble());
    String note =
        model.benchLine().lineProperty().get().isBlank()
            ? model.background().noticeProperty().get().text()
            : "";
    notice.setText(note);
    notice.getStyleClass().remove("notice-trouble");
    if (model.background().noticeProperty().get().trouble()) {
      notice.getStyleClass().add("notice-trouble");
    }
    verdict.getStyleClass().removeIf(c -> c.startsWith("verdict-"));
    verdict.setText(echo.verdict().map(v -> model.words().word(v)).orElse(""));
    verdict.setGraphic(echo.verdict().map(VerdictGlyph::new).orElse(null));
    echo.verdict().ifPresent(v -> verdict.getStyleClass().add(VerdictGlyph.styleClass(v)));
    choices.getChildren().setAll(echo.choices().stream().map(this::choice).toList());
    keep.setDisable(!echo.ready());
    for (Label part : new Label[] {understood, trouble, notice, verdict}) {
      boolean shown = !part.getText().isEmpty();
      part.setVisible(shown);
      part.setManaged(shown);
    }
    choices.setVisible(!echo.choices().isEmpty());
    choices.setManaged(!echo.choices().isEmpty());
  }

  private Button choice(BenchOutcome.Choice choice) {
    Button button = new Button(model.words().say(choice.meaning()));
    button.getStyleClass().add("choice");
    Runnable take =
        () -> {
          model.benchLine().lineProperty().set(choice.line());
          field.requestFocus();
          field.end();
        };
    button.setOnAction(_ -> take.run());
    button.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        take.run();
        e.consume();
      }
    });
    return button;
  }

  void focus() {
    field.requestFocus();
    field.end();
  }
}
