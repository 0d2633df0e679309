package org.yellowhearth.desk.replace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.replace.Glance;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.ReplaceModel.Row;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** Every place of the set in one table: old, new, price, whence, and what to look at first. */
final class GlancePage extends BorderPane {
  /** What the scroll bar and the borders take of the width. */
  private static final double TRIM_PIXELS = 24;

  /** What all columns want, in heights of the text. */
  private static final double ALL_EMS = 67;

  /** So much of it they do with before the table scrolls sideways. */
  private static final double NARROWEST = 0.65;

  private final DeskModel model;
  private final ReplaceModel renew;
  private final Consumer<PartRef> closer;
  private final TableView<Place> table = new TableView<>();
  private final Label sum = Page.text("", "strong-note");
  private final Button one = new Button(Labels.of("replace.glance.take"));
  private final Button all = new Button();
  private final FlowPane acts = new FlowPane();

  /** A row of the list, and what would come first there where nothing is chosen. */
  private record Place(Row row, Optional<Glance.Line> line) {}

  /** A page over the model's open job; what is looked at more closely is handed on. */
  GlancePage(DeskModel model, DoubleBinding em, Consumer<PartRef> closer) {
    this.model = model;
    this.renew = model.renew();
    this.closer = closer;
    getStyleClass().add("glance");
    column("replace.glance.part", 4, em, "cell-ref", p -> p.row.ref().toString());
    column(
        "replace.glance.old",
        11,
        em,
        "cell-plain",
        p -> new Describe(model.words()).value(p.row.part()));
    column("replace.glance.new", 16, em, "cell-ref", this::fresh);
    column(
        "replace.glance.price", 5, em, "cell-figure", p -> price(p).map(Money::amount).orElse(""));
    column("replace.glance.whence", 7, em, "cell-plain", this::whence);
    column("replace.glance.doubt", 24, em, "cell-plain", this::doubt);
    table.setId("glance-table");
    table.getStyleClass().add("part-table");
    table.setAccessibleText(Labels.of("replace.page.glance"));
    Label none = Page.text(Labels.of("replace.glance.none"), "empty-state");
    table.setPlaceholder(none);
    table.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        if (e.isShortcutDown()) {
          look();
        } else {
          takeOne();
        }
        e.consume();
      }
    });
    table.setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        look();
      }
    });
    one.setId("glance-take");
    one.setOnAction(_ -> takeOne());
    all.setId("glance-take-all");
    all.setOnAction(_ -> renew.take(plain()));
    all.getStyleClass().add("keep-button");
    Button look = new Button(Labels.of("replace.glance.look"));
    look.setId("glance-look");
    look.setOnAction(_ -> look());
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(Bound.number(renew.glancing().progressProperty()));
    progress
        .visibleProperty()
        .bind(Bound.number(renew.glancing().progressProperty()).greaterThanOrEqualTo(0));
    sum.setId("glance-sum");
    acts.getChildren().addAll(one, look, all, progress);
    acts.getStyleClass().add("line-form");
    VBox foot = new VBox(sum, acts);
    foot.getStyleClass().add("column");
    setTop(Page.text(Labels.of("replace.glance.about"), "quiet"));
    setCenter(table);
    setBottom(foot);
    renew.rowsProperty().addListener((_, _, _) -> show());
    renew.glanceProperty().addListener((_, _, _) -> show());
    model.stock().shelvedProperty().addListener((_, _, _) -> show());
    sceneProperty().addListener((_, _, _) -> show());
  }

  private void column(
      String label, double ems, DoubleBinding em, String style, Function<Place, String> text) {
    TableColumn<Place, String> column = new TableColumn<>(Labels.of(label));
    column.setCellValueFactory(f -> new ReadOnlyStringWrapper(text.apply(f.getValue())));
    column.setCellFactory(_ -> new Text(style));
    column.setReorderable(false);
    column.setSortable(false);
    column
        .prefWidthProperty()
        .bind(
            Bindings.max(
                em.multiply(ems * NARROWEST),
                table.widthProperty().subtract(TRIM_PIXELS).multiply(ems / ALL_EMS)));
    table.getColumns().add(column);
  }

  private static final class Text extends TableCell<Place, String> {
    private Text(String style) {
      getStyleClass().add(style);
    }

    @Override
    protected void updateItem(String item, boolean empty) {
      super.updateItem(item, empty);
      setText(empty ? null : item);
      setTooltip(empty || item.isEmpty() ? null : new Tooltip(item));
    }
  }

  private String fresh(Place p) {
    return p.row
        .choice()
        .map(c -> "✓ " + Describe.choice(c))
        .or(() -> p.line.flatMap(Glance.Line::first).map(Describe::choice))
        .orElse(p.line.isPresent() ? Labels.of("replace.glance.nothing") : "…");
  }

  private static Optional<Double> price(Place p) {
    return p.line
        .map(Glance.Line::price)
        .filter(OptionalDouble::isPresent)
        .map(OptionalDouble::getAsDouble);
  }

  private String whence(Place p) {
    if (p.row.choice().isPresent()) {
      return Labels.of(
          p.row.fitting().fitted() ? "replace.glance.fitted" : "replace.glance.chosen");
    }
    return p.line
        .filter(l -> l.first().isPresent())
        .map(l -> Labels.of(l.fromTheDrawer() ? "replace.from-drawer" : "replace.glance.catalogue"))
        .orElse("");
  }

  private String doubt(Place p) {
    return p.line.flatMap(Glance.Line::doubt).map(m -> model.words().say(m)).orElse("");
  }

  private List<Glance.Line> plain() {
    return table.getItems().stream()
        .flatMap(p -> p.line.stream())
        .filter(Glance.Line::plain)
        .toList();
  }

  private Optional<Place> selected() {
    return Optional.ofNullable(table.getSelectionModel().getSelectedItem());
  }

  private void takeOne() {
    selected().flatMap(Place::line).ifPresent(l -> renew.take(List.of(l)));
  }

  private void look() {
    selected().ifPresent(p -> closer.accept(p.row.ref()));
  }

  /** Shows it where it is looked at, and asks for what is not known yet. */
  void show() {
    if (getScene() == null
        || model.openProperty().get().isEmpty()
        || model.stageProperty().get() != Stage.REPLACE) {
      return;
    }
    renew.glance();
    Map<PartRef, Glance.Line> lines =
        renew.glanceProperty().get().map(Glance::lines).orElse(List.of()).stream()
            .collect(Collectors.toMap(Glance.Line::ref, l -> l));
    int at = table.getSelectionModel().getSelectedIndex();
    table
        .getItems()
        .setAll(
            renew.rowsProperty().get().stream()
                .map(r ->
                    new Place(
                        r,
                        r.choice().isPresent()
                            ? Optional.empty()
                            : Optional.ofNullable(lines.get(r.ref()))))
                .toList());
    if (!table.getItems().isEmpty()) {
      table.getSelectionModel().select(Math.clamp(at, 0, table.getItems().size() - 1));
    }
    List<Glance.Line> plain = plain();
    all.setText(Labels.of("replace.glance.take-all", plain.size()));
    all.setDisable(plain.isEmpty());
    sum.setVisible(!table.getItems().isEmpty());
    acts.setVisible(!table.getItems().isEmpty());
    double cost =
        table.getItems().stream().flatMap(p -> price(p).stream()).mapToDouble(d -> d).sum();
    long open = table.getItems().stream().filter(p -> p.row.choice().isEmpty()).count();
    sum.setText(
        Labels.of(
            "replace.glance.sum", table.getItems().size(), open, plain.size(), Money.amount(cost)));
  }
}
