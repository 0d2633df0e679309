package org.yellowhearth.desk.forms;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Fields with their labels, each kept as soon as it is left. What a field shows comes from the job,
 * and goes back to it; a field that cannot be taken says why and shows again what stands.
 */
public final class Form extends GridPane {
  private final DeskModel model;
  private final List<Runnable> shown = new ArrayList<>();
  private boolean showing;

  /** An empty form. */
  public Form(DeskModel model) {
    this.model = model;
    getStyleClass().add("form");
    ColumnConstraints label = new ColumnConstraints();
    label.setMinWidth(Region.USE_PREF_SIZE);
    ColumnConstraints field = new ColumnConstraints();
    field.setHgrow(Priority.ALWAYS);
    field.setFillWidth(true);
    getColumnConstraints().addAll(label, field);
  }

  /** A line of text. */
  public TextField text(String label, String id, Supplier<String> get, Consumer<String> keep) {
    TextField field = new TextField();
    field.setOnAction(_ -> keep(field, get, keep));
    add(label, id, field, () -> showUntouched(field, get.get()));
    keepWhenLeft(field, get, keep);
    return field;
  }

  /** Some lines of text. */
  public TextArea area(String label, String id, Supplier<String> get, Consumer<String> keep) {
    TextArea area = new TextArea();
    area.setPrefRowCount(2);
    area.setWrapText(true);
    add(label, id, area, () -> showUntouched(area, get.get()));
    keepWhenLeft(area, get, keep);
    return area;
  }

  /** A figure; an empty field is nothing said. */
  public TextField figure(
      String label,
      String id,
      Measure measure,
      Supplier<OptionalDouble> get,
      Consumer<OptionalDouble> keep) {
    TextField field =
        text(
            label,
            id,
            () -> measure.write(get.get()),
            text -> model.made(() -> keep.accept(measure.read(text))));
    // A bare number in grey would look like something entered.
    field.setPromptText(
        measure == Measure.PLAIN || measure == Measure.HOURS ? "" : measure.example());
    return field;
  }

  /** What somebody is typing at this moment is not written over. */
  private static void showUntouched(TextInputControl field, String now) {
    if (!field.isFocused()
        || field.getText().isEmpty()
        || field.getText().equals(field.getUserData())) {
      field.setText(now);
    }
    field.setUserData(now);
  }

  private void keepWhenLeft(TextInputControl field, Supplier<String> get, Consumer<String> keep) {
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) {
            keep(field, get, keep);
          }
        });
  }

  private void keep(TextInputControl field, Supplier<String> get, Consumer<String> keep) {
    if (!showing
        && model.openProperty().get().isPresent()
        && !field.getText().strip().equals(get.get())) {
      keep.accept(field.getText().strip());
      // What was not taken, or is on its way to the disk, shows what stands until the job comes
      // back.
      field.setText(get.get());
      field.setUserData(field.getText());
    }
  }

  /** A choice of one. */
  public <T extends Coded> ComboBox<T> choice(
      String label, String id, List<T> options, Supplier<T> get, Consumer<T> keep) {
    ComboBox<T> box = new ComboBox<>();
    box.getItems().addAll(options);
    box.setMaxWidth(Double.MAX_VALUE);
    box.setConverter(words(model));
    box.valueProperty()
        .addListener((_, _, value) -> {
          if (!showing && value != null) {
            keep.accept(value);
          }
        });
    add(label, id, box, () -> box.setValue(get.get()));
    return box;
  }

  /** A choice among what is in the job, by its id; the options are set as they come. */
  public ComboBox<String> pick(
      String label,
      String id,
      UnaryOperator<String> words,
      Supplier<String> get,
      Consumer<String> keep) {
    ComboBox<String> box = new ComboBox<>();
    box.setMaxWidth(Double.MAX_VALUE);
    box.setConverter(Shown.by(words, ""));
    box.valueProperty()
        .addListener((_, _, value) -> {
          if (!showing && value != null) {
            keep.accept(value);
          }
        });
    add(label, id, box, () -> box.setValue(get.get()));
    return box;
  }

  /** Shows constants of the trade by their words. */
  public static <T extends Coded> StringConverter<T> words(DeskModel model) {
    return Shown.by(option -> model.words().word(option), "");
  }

  /** Yes or no. */
  public CheckBox tick(String label, String id, Supplier<Boolean> get, Consumer<Boolean> keep) {
    CheckBox box = new CheckBox(Labels.of(label));
    box.setId(id);
    box.selectedProperty()
        .addListener((_, _, now) -> {
          if (!showing) {
            keep.accept(now);
          }
        });
    add(box, 1, getRowCount());
    shown.add(() -> box.setSelected(get.get()));
    return box;
  }

  /** An example in an empty field that says more than the usual one. */
  public void prompt(String id, String example) {
    getChildren().stream()
        .filter(c -> id.equals(c.getId()))
        .map(TextInputControl.class::cast)
        .forEach(field -> field.setPromptText(example));
  }

  /** Something below the last field, in its column. */
  public void below(Node node) {
    add(node, 1, getRowCount());
  }

  private void add(String label, String id, Control control, Runnable show) {
    Label name = new Label(Labels.of(label));
    name.getStyleClass().add("form-label");
    name.setLabelFor(control);
    control.setId(id);
    control.setAccessibleText(name.getText());
    addRow(getRowCount(), name, control);
    shown.add(show);
  }

  /**
   * From now on nothing is kept any more: another form takes its place, and a field that loses the
   * focus by that says nothing.
   */
  public void retire() {
    showing = true;
  }

  /** Shows what stands in the job; a field that is being typed in is left alone. */
  public void show() {
    showing = true;
    shown.forEach(Runnable::run);
    showing = false;
  }
}
