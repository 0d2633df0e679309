package org.yellowhearth.desk.forms;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.UnaryOperator;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * A line of small fields with a button that adds something to a list; Enter in any field does the
 * same.
 */
public final class AddLine extends FlowPane {
  private final DeskModel model;
  private final List<TextField> fields = new ArrayList<>();
  private final BooleanSupplier adding;

  /**
   * An empty line.
   *
   * @param adding makes what the fields say and answers whether it could
   */
  public AddLine(DeskModel model, BooleanSupplier adding) {
    this.model = model;
    this.adding = adding;
    getStyleClass().add("line-form");
    setMinWidth(0);
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof TextField) {
            add();
            e.consume();
          }
        });
  }

  private void add() {
    if (adding.getAsBoolean()) {
      fields.forEach(TextField::clear);
      fields.stream().findFirst().ifPresent(TextField::requestFocus);
    }
  }

  /** A text field with a label above it. */
  public TextField field(String label, String id, int columns) {
    TextField field = new TextField();
    field.setPrefColumnCount(columns);
    fields.add(field);
    labelled(label, id, field);
    return field;
  }

  /** A choice with a label above it, the first chosen. */
  public <T extends Coded> ComboBox<T> choice(String label, String id, List<T> options) {
    ComboBox<T> box = new ComboBox<>();
    box.getItems().addAll(options);
    box.setConverter(Form.words(model));
    box.setValue(options.getFirst());
    labelled(label, id, box);
    return box;
  }

  /** A choice among ids that are shown by their words, the first chosen. */
  public ComboBox<String> pick(
      String label, String id, List<String> options, UnaryOperator<String> words) {
    ComboBox<String> box = new ComboBox<>();
    box.getItems().addAll(options);
    box.setConverter(Shown.by(words, ""));
    box.setValue(options.getFirst());
    labelled(label, id, box);
    return box;
  }

  /** The button that adds. */
  public AddLine button(String label, String id) {
    getChildren().add(Page.button(label, id, this::add));
    return this;
  }

  private void labelled(String label, String id, Control control) {
    Label above = new Label(Labels.of(label));
    above.getStyleClass().add("form-label");
    above.setLabelFor(control);
    control.setId(id);
    control.setAccessibleText(above.getText());
    VBox box = new VBox(above, control);
    box.maxWidthProperty().bind(widthProperty());
    box.setMinWidth(0);
    getChildren().add(box);
  }
}
