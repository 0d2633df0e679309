package org.yellowhearth.desk.partslist;

import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.storage.partslist.Column;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.storage.partslist.PartsListTable;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ImportModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * A list of parts before it is brought in: what each column means, and what will happen to each
 * line.
 */
final class ImportPane extends BorderPane {
  private final DeskModel model;
  private final FlowPane columns = new FlowPane();
  private final Label told = Page.text("", "stage-count");
  private final TableView<PartsListImport.Row> rows = new TableView<>();
  private final HBox buttons;
  private boolean showing;

  ImportPane(DeskModel model, FileAsk files) {
    this.model = model;
    getStyleClass().add("import");
    ImportModel list = model.imports();
    columns.getStyleClass().add("line-form");
    told.setId("import-told");
    rows.setId("import-rows");
    rows.getStyleClass().add("part-table");
    Label empty = Page.text(Labels.of("import.empty"), "empty-state");
    rows.setPlaceholder(empty);
    column("import.line", 0.06, r -> Integer.toString(r.line()));
    column("table.ref", 0.09, PartsListImport.Row::reference);
    column(
        "import.what",
        0.18,
        r -> Labels.of("import.what." + r.what().name().toLowerCase(Locale.ROOT)));
    column("import.said", 0.66, r -> r.trouble().isEmpty() ? r.said() : r.trouble());
    Button take = Page.button("import.take", "import-take", list::apply);
    take.getStyleClass().add("keep-button");
    buttons =
        new HBox(
            Page.button("import.file", "import-file", () -> files.list().ifPresent(list::take)),
            Page.button(
                "import.paste",
                "import-paste",
                () -> {
                  String text = Clipboard.getSystemClipboard().getString();
                  if (text != null) {
                    list.take(text);
                  }
                }),
            take,
            Page.button("import.close", "import-close", list::close));
    buttons.getStyleClass().add("form-buttons");
    setTop(new VBox(Page.text(Labels.of("import.how"), "quiet"), buttons, columns, told));
    setCenter(rows);
    list.previewProperty().addListener((_, _, now) -> now.ifPresent(this::show));
    take.disableProperty()
        .bind(
            Bound.to(
                list.previewProperty()
                    .map(p ->
                        p.stream()
                            .flatMap(x -> x.rows().stream())
                            .noneMatch(r -> !r.edits().isEmpty()))));
  }

  private void column(String label, double share, Function<PartsListImport.Row, String> text) {
    TableColumn<PartsListImport.Row, String> column = new TableColumn<>(Labels.of(label));
    column.setCellValueFactory(f -> new ReadOnlyStringWrapper(text.apply(f.getValue())));
    column.setCellFactory(_ ->
        new TableCell<>() {
          @Override
          protected void updateItem(String cell, boolean empty) {
            super.updateItem(cell, empty);
            setText(empty ? null : cell);
            setTooltip(empty || cell == null || cell.length() < 40 ? null : new Tooltip(cell));
          }
        });
    column.setSortable(false);
    column.prefWidthProperty().bind(rows.widthProperty().subtract(24).multiply(share));
    rows.getColumns().add(column);
  }

  private void show(ImportModel.Preview preview) {
    showing = true;
    rows.getItems().setAll(preview.rows());
    columns.getChildren().clear();
    preview.table().ifPresent(this::columns);
    told.setText(
        preview.trouble().isEmpty()
            ? preview.table().map(_ -> counts(preview)).orElse("")
            : preview.trouble());
    told.getStyleClass().remove("notice-trouble");
    if (!preview.trouble().isEmpty()) {
      told.getStyleClass().add("notice-trouble");
    }
    showing = false;
  }

  private static String counts(ImportModel.Preview p) {
    return Labels.of(
        "import.counts",
        p.count(PartsListImport.What.ADDS),
        p.count(PartsListImport.What.CORRECTS),
        p.count(PartsListImport.What.READS),
        p.count(PartsListImport.What.SAME),
        p.count(PartsListImport.What.REFUSED));
  }

  private void columns(PartsListTable table) {
    for (int i = 0; i < table.columns().size(); i++) {
      int at = i;
      ComboBox<Column> meaning = new ComboBox<>();
      meaning.setId("import-column-" + i);
      meaning.getItems().setAll(List.of(Column.values()));
      meaning.setConverter(Shown.by(c -> model.words().word(c), ""));
      meaning.setValue(table.columns().get(i));
      meaning.setOnAction(_ -> {
        if (!showing) {
          model.imports().change(t -> t.with(at, meaning.getValue()));
        }
      });
      String heading =
          table.headings().get(i).isEmpty()
              ? Labels.of("import.column", i + 1)
              : table.headings().get(i);
      Label above = new Label(heading.length() > 18 ? heading.substring(0, 17) + "…" : heading);
      above.getStyleClass().add("form-label");
      meaning.setAccessibleText(heading);
      columns.getChildren().add(new VBox(above, meaning));
    }
    CheckBox comma = new CheckBox(Labels.of("import.comma"));
    comma.setId("import-comma");
    comma.setSelected(table.decimalComma());
    comma.setOnAction(_ -> model.imports().change(t -> t.withDecimalComma(comma.isSelected())));
    ComboBox<String> unit = new ComboBox<>();
    unit.setId("import-unit");
    unit.getItems().setAll("", "uF", "nF", "pF");
    unit.setConverter(
        Shown.by(u -> u.isEmpty() ? Labels.of("import.unit.none") : u.replace('u', 'µ'), ""));
    unit.setValue(table.bareUnit());
    unit.setAccessibleText(Labels.of("import.unit"));
    unit.setOnAction(_ -> {
      if (!showing) {
        model.imports().change(t -> t.withBareUnit(unit.getValue()));
      }
    });
    columns
        .getChildren()
        .addAll(new VBox(Page.text(Labels.of("import.unit"), "form-label"), unit), comma);
  }
}
