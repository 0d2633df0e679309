package org.yellowhearth.desk.parts;

import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.workshop.PartsModel;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.words.Labels;

/**
 * The head of a stage: its name, a count, and the switches for the form at its foot and the reasons
 * at its right.
 */
public final class StageHead extends VBox {
  /**
   * A stage less high than this many heights of the text starts with its form hidden: the bench
   * line does all that it does.
   */
  private static final double ROOM_FOR_FORM = 30;

  private static final int FILTER_COLUMNS = 8;

  /** A stage less wide than this many heights of the text has its switches under its name. */
  private static final double ROOM_FOR_SWITCHES = 50;

  private final Label count = new Label();
  private final ToggleButton shown = new ToggleButton();

  /** They wrap where the window is narrow or the text large. */
  private final FlowPane switches = new FlowPane();

  private boolean chosen;

  /** A head for a stage with a form at its foot. */
  public StageHead(
      String title, BorderPane stage, Region form, DoubleBinding em, Value<Boolean> reasonsShown) {
    this(title, stage, form, ROOM_FOR_FORM, em, reasonsShown);
  }

  /**
   * A head for a stage that shows its form from the start only where it has so many heights of the
   * text.
   */
  public StageHead(
      String title,
      BorderPane stage,
      Region form,
      double roomForForm,
      DoubleBinding em,
      Value<Boolean> reasonsShown) {
    Label name = new Label(Labels.of(title));
    name.setMinWidth(USE_PREF_SIZE);
    name.getStyleClass().add("stage-title");
    count.getStyleClass().add("stage-count");
    count.setMinWidth(0);
    switches.getStyleClass().add("stage-switches");
    switches.setMinWidth(0);
    HBox.setHgrow(switches, Priority.ALWAYS);
    shown.setText(Labels.of("form.shown"));
    shown.setId("show-form");
    shown.setMinWidth(USE_PREF_SIZE);
    shown.setSelected(true);
    form.visibleProperty().bind(shown.selectedProperty());
    form.managedProperty().bind(shown.selectedProperty());
    shown.setOnAction(_ -> chosen = true);
    Runnable fit =
        () -> {
          if (!chosen && stage.getHeight() > 0) {
            shown.setSelected(stage.getHeight() >= roomForForm * em.get());
          }
        };
    stage.heightProperty().addListener((_, _, _) -> fit.run());
    em.addListener((_, _, _) -> fit.run());
    getStyleClass().add("stage-head");
    ToggleButton reasons = new ToggleButton(Labels.of("reasons.title"));
    reasons.setId("show-reasons");
    reasons.setMinWidth(USE_PREF_SIZE);
    Bound.both(reasons.selectedProperty(), reasonsShown);
    switches.getChildren().addAll(shown, reasons);
    HBox line = new HBox(name, count, switches);
    line.getStyleClass().add("stage-line");
    getChildren().add(line);
    Runnable place =
        () -> {
          boolean wide = getWidth() >= ROOM_FOR_SWITCHES * em.get();
          if (getWidth() > 0 && wide != line.getChildren().contains(switches)) {
            getChildren().remove(switches);
            line.getChildren().remove(switches);
            (wide ? line : this).getChildren().add(switches);
          }
        };
    widthProperty().addListener((_, _, _) -> place.run());
    em.addListener((_, _, _) -> place.run());
  }

  /** Shows or hides the form, as a person asked for something in its place. */
  public void showForm(boolean is) {
    chosen = true;
    shown.setSelected(is);
  }

  /** A switch of the stage's own, before the others. */
  public ToggleButton toggle(String label, String id, boolean on) {
    ToggleButton toggle = new ToggleButton(Labels.of(label));
    toggle.setId(id);
    toggle.setMinWidth(USE_PREF_SIZE);
    toggle.setSelected(on);
    switches.getChildren().addFirst(toggle);
    return toggle;
  }

  /** A button of the stage's own, before the switches. */
  public Button button(String label, String id, Runnable action) {
    Button button = new Button(Labels.of(label));
    button.setId(id);
    button.setMinWidth(USE_PREF_SIZE);
    button.getStyleClass().add("head-button");
    button.setOnAction(_ -> action.run());
    switches.getChildren().addFirst(button);
    return button;
  }

  /** A field for words that the parts shown must carry. */
  public static TextField filterField(PartsModel parts) {
    TextField filter = new TextField();
    filter.setId("filter");
    filter.setPrefColumnCount(FILTER_COLUMNS);
    filter.setMinWidth(0);
    filter.setPromptText(Labels.of("table.filter"));
    filter.setAccessibleText(Labels.of("table.filter"));
    Bound.both(filter.textProperty(), parts.filterProperty());
    return filter;
  }

  /** Says how many. */
  public void count(String text) {
    count.setText(text);
  }
}
