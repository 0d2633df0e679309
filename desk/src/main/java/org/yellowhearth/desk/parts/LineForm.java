package org.yellowhearth.desk.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * A form that writes the bench line: what is filled in appears there as it would be typed, is
 * echoed there, and is kept there. So mouse and keyboard go one way, with one set of sentences.
 */
public final class LineForm extends FlowPane {
  private final DeskModel model;
  private final List<Runnable> clearing = new ArrayList<>();
  private Supplier<String> line = () -> "";
  private boolean quiet;

  /** An empty form. */
  public LineForm(DeskModel model) {
    this.model = model;
    getStyleClass().add("line-form");
    model
        .benchLine()
        .lineProperty()
        .addListener((_, _, now) -> {
          if (now.isEmpty()) {
            clear();
          }
        });
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ENTER && !(e.getTarget() instanceof Button)) {
            model.benchLine().enter();
            e.consume();
          }
        });
  }

  /**
   * From now on a change of any field writes this line; an empty one where the fields say nothing.
   */
  public void writes(Supplier<String> newLine) {
    line = newLine;
  }

  /** A text field with a label above it. */
  public TextField field(String label, String id, double columns) {
    TextField field = new TextField();
    field.setId(id);
    field.setPrefColumnCount((int) columns);
    field.textProperty().addListener((_, _, _) -> write());
    clearing.add(field::clear);
    labelled(label, field);
    return field;
  }

  /** A choice with a label above it; nothing chosen means nothing said. */
  public <T> ComboBox<T> choice(
      String label, String id, List<T> options, Function<T, String> words) {
    ComboBox<T> box = new ComboBox<>();
    box.setId(id);
    box.getItems().add(null);
    box.getItems().addAll(options);
    box.setConverter(Shown.by(words, Labels.of("form.unsaid")));
    box.valueProperty().addListener((_, _, _) -> write());
    clearing.add(() -> box.setValue(null));
    labelled(label, box);
    return box;
  }

  private void labelled(String label, Control control) {
    Label above = new Label(Labels.of(label));
    above.getStyleClass().add("form-label");
    above.setLabelFor(control);
    control.setAccessibleText(above.getText());
    getChildren().add(new VBox(above, control));
  }

  private void write() {
    if (!quiet) {
      model.benchLine().lineProperty().set(line.get());
    }
  }

  /** Empties every field without touching the bench line. */
  public void clear() {
    quiet = true;
    clearing.forEach(Runnable::run);
    quiet = false;
  }
}
