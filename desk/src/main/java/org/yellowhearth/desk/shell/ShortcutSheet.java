package org.yellowhearth.desk.shell;

import java.util.List;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.Labels;

/** The sheet on F1: every key, and the whole grammar of the bench line. */
final class ShortcutSheet extends StackPane {
    private final Button close = new Button(Labels.of("sheet.close"));

    ShortcutSheet() {
        getStyleClass().add("sheet-ground");
        VBox sheet = new VBox();
        sheet.getStyleClass().add("sheet");
        sheet.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        Label title = new Label(Labels.of("sheet.title"));
        title.getStyleClass().add("sheet-title");
        GridPane keys = grid(SheetTexts.keys());
        GridPane line = grid(SheetTexts.line());
        Label licences = new Label(SheetTexts.licences());
        licences.getStyleClass().add("sheet-licences");
        licences.setWrapText(true);
        VBox body = new VBox(heading("sheet.line"), line, heading("sheet.keys"), keys, heading("sheet.licences"), licences);
        body.getStyleClass().add("sheet-body");
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("sheet-scroll");
        close.setOnAction(_ -> setVisible(false));
        sheet.getChildren().addAll(title, scroll, close);
        getChildren().add(sheet);
        setVisible(false);
        heightProperty().addListener((_, _, h) -> scroll.setMaxHeight(Math.max(200, h.doubleValue() - 200)));
    }

    private static Label heading(String key) {
        Label label = new Label(Labels.of(key));
        label.getStyleClass().add("sheet-heading");
        return label;
    }

    private static GridPane grid(List<SheetTexts.Line> lines) {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("sheet-grid");
        int row = 0;
        for (SheetTexts.Line l : lines) {
            Label typed = new Label(l.typed());
            typed.getStyleClass().add("sheet-typed");
            typed.setMinWidth(Region.USE_PREF_SIZE);
            Label meaning = new Label(l.meaning());
            meaning.setWrapText(true);
            grid.addRow(row++, typed, meaning);
        }
        return grid;
    }

    void open() {
        setVisible(true);
        close.requestFocus();
    }

    void close() {
        setVisible(false);
    }
}
