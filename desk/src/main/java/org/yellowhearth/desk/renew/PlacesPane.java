package org.yellowhearth.desk.renew;

import java.util.List;
import java.util.Optional;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.RenewModel.Row;
import org.yellowhearth.records.words.Describe;

/** The parts that want others, one beneath another: what each is, what comes in its place, how far it has come. */
final class PlacesPane extends ListView<Row> {
    private final DeskModel model;
    private boolean showing;

    PlacesPane(DeskModel model) {
        this.model = model;
        getStyleClass().add("lanes");
        setId("places");
        setCellFactory(_ -> new PlaceCell());
        Label nothing = Page.text(Labels.of("renew.nothing"), "quiet");
        nothing.setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
        nothing.setAlignment(Pos.TOP_LEFT);
        setPlaceholder(nothing);
        setAccessibleText(Labels.of("renew.places"));
        getSelectionModel().selectedItemProperty().addListener((_, _, row) -> {
            if (!showing && row != null) {
                model.chosenProperty().set(Optional.of(row.ref()));
            }
        });
    }

    void show(List<Row> rows) {
        showing = true;
        if (!getItems().equals(rows)) {
            getItems().setAll(rows);
        }
        List<PartRef> refs = rows.stream().map(Row::ref).toList();
        int chosen = model.chosenProperty().get().map(refs::indexOf).orElse(-1);
        if (chosen < 0) {
            getSelectionModel().clearSelection();
        } else if (getSelectionModel().getSelectedIndex() != chosen) {
            getSelectionModel().select(chosen);
            scrollTo(Math.max(0, chosen - 1));
        }
        showing = false;
    }

    /** How far an exchange has come, in one word's key. */
    static String state(Row r) {
        Fitting f = r.fitting();
        if (f.sign() == Fitting.MeterSign.REVERSED) {
            return "reversed";
        }
        if (f.debt() != Fitting.Debt.UNSTATED) {
            return "provisional";
        }
        return f.checked()
                ? "checked"
                : f.fitted() ? "fitted" : f.removed() ? "removed" : r.choice().isPresent() ? "chosen" : "open";
    }

    private final class PlaceCell extends ListCell<Row> {
        private final Region light = new Region();
        private final Label ref = new Label();
        private final Label marking = new Label();
        private final Label state = new Label();
        private final Label line = new Label();
        private final VBox box;

        PlaceCell() {
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
            line.getStyleClass().add("quiet");
            line.setMinWidth(0);
            box = new VBox(head, line);
            box.getStyleClass().add("lane");
            box.setMinWidth(0);
            // The list decides how wide a cell is, not the longest marking in it.
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Row row, boolean empty) {
            super.updateItem(row, empty);
            if (empty || row == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            String key = state(row);
            light.getStyleClass().setAll("gate-light", switch (key) {
                case "open" -> "gate-none";
                case "chosen" -> "gate-shut";
                case "removed", "fitted" -> "gate-waiting";
                case "checked" -> "gate-open";
                default -> "gate-trouble";
            });
            ref.setText(row.ref().toString());
            marking.setText(new Describe(model.words()).value(row.part()));
            state.setText(Labels.of("renew.state." + key));
            line.setText(row.choice().map(c -> "→ " + Describe.choice(c)).orElse(new Describe(model.words()).kind(row.part())));
            box.setId("place-" + row.ref());
            setAccessibleText(row.ref() + ", " + state.getText() + ", " + line.getText());
            setGraphic(box);
        }
    }
}
