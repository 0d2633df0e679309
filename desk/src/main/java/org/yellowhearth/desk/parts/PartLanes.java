package org.yellowhearth.desk.parts;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Parts one beneath another, each with a light, its state and a line; the one that is chosen here
 * is the one that is chosen everywhere.
 */
public abstract class PartLanes<T> extends ListView<T> {
  private final DeskModel model;
  private boolean showing;

  /**
   * What is shown of a part.
   *
   * @param light none, shut, waiting, open or trouble; it says the same as the words
   */
  public record Shown(String light, String marking, String state, String line) {}

  /**
   * An empty list.
   *
   * @param id of the list; each cell has the id {@code cell-} and its part
   * @param lineStyles how the line beneath is styled
   */
  @SuppressWarnings(
      "this-escape") // cells and listeners are made only once the list is shown, whole by then
  protected PartLanes(
      DeskModel model,
      String id,
      String cell,
      String name,
      String empty,
      boolean wraps,
      String... lineStyles) {
    this.model = model;
    getStyleClass().add("lanes");
    setId(id);
    setCellFactory(_ -> new Cell(cell, wraps, lineStyles));
    Label nothing = Page.text(Labels.of(empty), "quiet");
    nothing.setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
    nothing.setAlignment(Pos.TOP_LEFT);
    setPlaceholder(nothing);
    setAccessibleText(Labels.of(name));
    getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, item) -> {
          if (!showing && item != null) {
            model.chosenProperty().set(Optional.of(ref(item)));
          }
        });
  }

  /** The part of an item. */
  protected abstract PartRef ref(T item);

  /** What is shown of it. */
  protected abstract Shown shown(T item);

  /** Shows other parts, the chosen one in sight. */
  public final void show(List<T> items) {
    showing = true;
    if (!getItems().equals(items)) {
      getItems().setAll(items);
    }
    int chosen =
        model
            .chosenProperty()
            .get()
            .map(ref -> items.stream().map(this::ref).toList().indexOf(ref))
            .orElse(-1);
    if (chosen < 0) {
      getSelectionModel().clearSelection();
    } else if (getSelectionModel().getSelectedIndex() != chosen) {
      getSelectionModel().select(chosen);
      scrollTo(Math.max(0, chosen - 1));
    }
    showing = false;
  }

  private final class Cell extends ListCell<T> {
    private final Region light = new Region();
    private final Label ref = new Label();
    private final Label marking = new Label();
    private final Label state = new Label();
    private final Label line = new Label();

    /** What a narrow list cuts off. */
    private final Tooltip whole = new Tooltip();

    private final VBox box;
    private final String id;

    Cell(String id, boolean wraps, String... lineStyles) {
      this.id = id;
      getStyleClass().add("lane-cell");
      ref.getStyleClass().add("lane-ref");
      ref.setMinWidth(Region.USE_PREF_SIZE);
      marking.getStyleClass().add("quiet");
      marking.setMinWidth(0);
      marking.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(marking, Priority.ALWAYS);
      state.getStyleClass().add("lane-state");
      state.setMinWidth(Region.USE_PREF_SIZE);
      HBox head = new HBox(light, ref, marking, state);
      head.getStyleClass().add("lane-head");
      line.setWrapText(wraps);
      line.setMinWidth(0);
      line.getStyleClass().addAll(lineStyles);
      box = new VBox(head, line);
      box.getStyleClass().add("lane");
      box.setMinWidth(0);
      // The list decides how wide a cell is, not the longest marking in it.
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(T item, boolean empty) {
      super.updateItem(item, empty);
      if (empty || item == null) {
        setGraphic(null);
        setAccessibleText(null);
        setTooltip(null);
        return;
      }
      Shown s = shown(item);
      light.getStyleClass().setAll("gate-light", "gate-" + s.light);
      ref.setText(ref(item).toString());
      marking.setText(s.marking);
      state.setText(s.state);
      line.setText(s.line);
      box.setId(id + "-" + ref(item));
      setAccessibleText(ref(item) + ", " + s.state + ", " + s.line);
      whole.setText(s.marking + "\n" + s.line);
      setTooltip(whole);
      setGraphic(box);
    }
  }
}
