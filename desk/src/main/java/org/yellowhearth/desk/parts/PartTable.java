package org.yellowhearth.desk.parts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.binding.DoubleBinding;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.ListChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.control.skin.VirtualFlow;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** A table of parts whose chosen line and the model's chosen part are one. */
public final class PartTable extends TableView<PartRow> {
  /** What the scroll bar and the borders take of the width. */
  private static final double TRIM_PIXELS = 24;

  private final DeskModel model;
  private final DoubleBinding em;
  private final List<Share> shares = new ArrayList<>();
  private boolean filling;

  /**
   * A column, the width it wants in heights of the text, and its rank: the highest ranks give way
   * first.
   */
  private record Share(TableColumn<PartRow, String> column, double ems, int rank) {}

  /** An empty table over the model's open job. */
  public PartTable(DeskModel model, DoubleBinding em, String emptyLabel) {
    this.model = model;
    this.em = em;
    widthProperty().addListener((_, _, _) -> fit());
    em.addListener((_, _, _) -> fit());
    getStyleClass().add("part-table");
    setAccessibleText(Labels.of("parts.table"));
    Label empty = new Label(Labels.of(emptyLabel));
    empty.setWrapText(true);
    empty.getStyleClass().add("empty-state");
    setPlaceholder(empty);
    model.openProperty().addListener((_, _, _) -> fill());
    model.chosenProperty().addListener((_, _, _) -> showChosen());
    model.parts().filterProperty().addListener((_, _, _) -> fill());
    model
        .parts()
        .orderProperty()
        .addListener((_, _, _) -> {
          getSortOrder().clear();
          fill();
        });
    model.parts().pickedProperty().addListener((_, _, _) -> showChosen());
    getSortOrder()
        .addListener(
            (ListChangeListener<TableColumn<PartRow, ?>>)
                _ -> {
                  if (getSortOrder().isEmpty()) {
                    fill();
                  }
                });
    getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    getSelectionModel()
        .getSelectedItems()
        .addListener((ListChangeListener<PartRow>) _ -> selected());
  }

  /**
   * Adds a column of text; the columns of the highest ranks give way first where the table is
   * narrow.
   */
  public PartTable column(
      String label, double ems, int rank, String style, Function<PartRow, String> text) {
    TableColumn<PartRow, String> column = new TableColumn<>(Labels.of(label));
    column.setCellValueFactory(f -> new ReadOnlyStringWrapper(text.apply(f.getValue())));
    column.setCellFactory(_ -> new TextCell(style));
    column.setComparator(ShownOrder.OF_CELLS);
    return add(column, ems, rank);
  }

  /** Adds the column of verdicts: sign and word. */
  public PartTable verdicts(double ems) {
    TableColumn<PartRow, String> column = new TableColumn<>(Labels.of("table.verdict"));
    column.setCellValueFactory(
        f -> new ReadOnlyStringWrapper(model.words().word(f.getValue().assessment().verdict())));
    column.setCellFactory(_ -> new VerdictCell());
    return add(column, ems, 0);
  }

  private PartTable add(TableColumn<PartRow, String> column, double ems, int rank) {
    column.setReorderable(false);
    shares.add(new Share(column, ems, rank));
    getColumns().add(column);
    return this;
  }

  /** Shows the columns that have room, and gives what is left over to all of them alike. */
  private void fit() {
    double room = (getWidth() - TRIM_PIXELS) / em.get();
    int lowestHidden = Integer.MAX_VALUE;
    double wanted = shares.stream().mapToDouble(Share::ems).sum();
    for (Share s :
        shares.stream().sorted(Comparator.comparingInt(Share::rank).reversed()).toList()) {
      if (wanted > room && s.rank > 0) {
        wanted -= s.ems;
        lowestHidden = s.rank;
      }
    }
    double stretch = Math.max(1, room / wanted);
    for (Share s : shares) {
      s.column.setVisible(s.rank < lowestHidden);
      s.column.setPrefWidth(s.ems * stretch * em.get());
    }
  }

  /** Shows the open job. */
  public void fill() {
    filling = true;
    getItems()
        .setAll(
            model
                .openProperty()
                .get()
                .map(o -> PartRow.of(o, model.parts().shown(), model.knowledge(), model.words()))
                .orElse(List.of()));
    sort();
    filling = false;
    showChosen();
  }

  /** What the person selected here is chosen, or picked together where it is several. */
  private void selected() {
    if (filling) {
      return;
    }
    List<PartRow> rows =
        getSelectionModel().getSelectedItems().stream().filter(r -> r != null).toList();
    filling = true;
    model
        .parts()
        .pick(
            rows.size() < 2
                ? Set.of()
                : rows.stream().map(r -> r.part().ref()).collect(Collectors.toSet()));
    PartRow last = getSelectionModel().getSelectedItem();
    if (last != null) {
      model.chosenProperty().set(Optional.of(last.part().ref()));
    }
    filling = false;
  }

  private void showChosen() {
    if (filling) {
      return;
    }
    filling = true;
    getSelectionModel().clearSelection();
    Set<PartRef> picked = model.parts().pickedProperty().get();
    Optional<PartRef> chosen = model.chosenProperty().get();
    for (int i = 0; i < getItems().size(); i++) {
      PartRef ref = getItems().get(i).part().ref();
      if (picked.contains(ref) && chosen.filter(ref::equals).isEmpty()) {
        getSelectionModel().select(i);
      }
    }
    chosen.ifPresent(ref -> {
      for (int i = 0; i < getItems().size(); i++) {
        if (getItems().get(i).part().ref().equals(ref)) {
          getSelectionModel().select(i);
          scrollIntoView(i);
        }
      }
    });
    filling = false;
  }

  /**
   * Scrolls only when the row is not in full view, so that choosing with the mouse never moves the
   * table.
   */
  private void scrollIntoView(int row) {
    if (lookup(".virtual-flow") instanceof VirtualFlow<?> flow
        && flow.getFirstVisibleCell() != null) {
      boolean above = row <= flow.getFirstVisibleCell().getIndex();
      boolean below = row >= flow.getLastVisibleCell().getIndex();
      if (above || below) {
        scrollTo(
            Math.max(
                0,
                above
                    ? row - 1
                    : row
                        - (flow.getLastVisibleCell().getIndex()
                            - flow.getFirstVisibleCell().getIndex())
                        + 2));
      }
    }
  }

  /** Text that keeps its style and shows in full when pointed at. */
  private static final class TextCell extends TableCell<PartRow, String> {
    TextCell(String style) {
      getStyleClass().add(style);
    }

    @Override
    protected void updateItem(String text, boolean empty) {
      super.updateItem(text, empty);
      setText(empty ? null : text);
      setTooltip(empty || text == null || text.length() < 18 ? null : new Tooltip(text));
    }
  }

  private static final class VerdictCell extends TableCell<PartRow, String> {
    @Override
    protected void updateItem(String word, boolean empty) {
      super.updateItem(word, empty);
      getStyleClass().removeIf(c -> c.startsWith("verdict-"));
      PartRow row = empty || getTableRow() == null ? null : getTableRow().getItem();
      if (row == null) {
        setText(null);
        setGraphic(null);
        return;
      }
      Assessment a = row.assessment();
      setText(word);
      setGraphic(new VerdictGlyph(a.verdict()));
      getStyleClass().add(VerdictGlyph.styleClass(a.verdict()));
    }
  }
}
