package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;

/** Arrival: the set plate being filled, and the schools the job follows. Every field is kept as soon as it is left. */
public final class ArrivalView extends ScrollPane {
    private final DeskModel model;
    private final PlateFields plate;
    private final GridPane plateGrid = grid();
    private final GridPane policyGrid = grid();
    private final VBox cautions = new VBox();
    private boolean showing;
    private final List<Runnable> shown = new ArrayList<>();

    /** A view of the model's open job. */
    public ArrivalView(DeskModel model) {
        this.model = model;
        this.plate = new PlateFields(model);
        getStyleClass().add("arrival");
        setFitToWidth(true);
        Label title = new Label(Labels.of("arrival.title"));
        title.getStyleClass().add("stage-title");
        fillPlate();
        fillPolicy();
        Label note = new Label(Labels.of("arrival.policy.note"));
        note.setWrapText(true);
        note.getStyleClass().add("form-note");
        VBox left = new VBox(section("arrival.plate"), plateGrid, cautions);
        VBox right = new VBox(section("arrival.policy"), note, policyGrid);
        left.getStyleClass().add("arrival-column");
        right.getStyleClass().add("arrival-column");
        HBox.setHgrow(left, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        left.setPrefWidth(100);
        right.setPrefWidth(100);
        HBox columns = new HBox(left, right);
        columns.getStyleClass().add("arrival-columns");
        VBox all = new VBox(title, columns);
        all.getStyleClass().add("stage");
        setContent(all);
        model.openProperty().addListener((_, _, open) -> open.ifPresent(_ -> show()));
    }

    private static GridPane grid() {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("arrival-grid");
        ColumnConstraints label = new ColumnConstraints();
        label.setMinWidth(Region.USE_PREF_SIZE);
        ColumnConstraints field = new ColumnConstraints();
        field.setHgrow(Priority.ALWAYS);
        field.setFillWidth(true);
        grid.getColumnConstraints().addAll(label, field);
        return grid;
    }

    private static Label section(String key) {
        Label label = new Label(Labels.of(key));
        label.getStyleClass().add("section-title");
        return label;
    }

    private SetPlate now() {
        return model.openProperty().get().orElseThrow().job().plate();
    }

    private void fillPlate() {
        text("arrival.name", "plate-name", new TextField(), SetPlate::name, plate::name);
        choice("arrival.kind", "plate-kind", SetPlate.Kind.values(), SetPlate::kind, (p, v) -> p.with(d -> d.kind = v));
        choice("arrival.technology", "plate-technology", SetPlate.Technology.values(), SetPlate::technology,
                (p, v) -> p.with(d -> d.technology = v));
        text("arrival.place", "plate-place", new TextField(), SetPlate::place, (p, v) -> p.with(d -> d.place = v));
        text("arrival.made", "plate-made", new TextField(), PlateFields::made, plate::made);
        text("arrival.mains.volts", "plate-volts", new TextField(), PlateFields::volts, plate::volts);
        text("arrival.mains.hertz", "plate-hertz", new TextField(), PlateFields::hertz, plate::hertz);
        choice("arrival.chassis", "plate-chassis", SetPlate.Chassis.values(), SetPlate::chassis,
                (p, v) -> p.with(d -> d.chassis = v));
        choice("arrival.purpose", "plate-purpose", SetPlate.Purpose.values(), SetPlate::purpose,
                (p, v) -> p.with(d -> d.purpose = v));
        choice("arrival.dialect", "plate-dialect", SetPlate.Dialect.values(), SetPlate::dialect,
                (p, v) -> p.with(d -> d.dialect = v));
        text("arrival.complaint", "plate-complaint", area(), SetPlate::complaint, (p, v) -> p.with(d -> d.complaint = v));
        text("arrival.end", "plate-end", area(), SetPlate::endState, (p, v) -> p.with(d -> d.endState = v));
    }

    private static TextArea area() {
        TextArea area = new TextArea();
        area.setPrefRowCount(2);
        area.setWrapText(true);
        return area;
    }

    private void text(String label, String id, TextInputControl field, Function<SetPlate, String> get,
            BiFunction<SetPlate, String, SetPlate> with) {
        Runnable keep = () -> {
            if (!showing && model.openProperty().get().isPresent() && !field.getText().equals(get.apply(now()))) {
                String text = field.getText().strip();
                if (with.apply(now(), text).equals(now())) {
                    field.setText(get.apply(now()));
                } else {
                    model.changePlate(plate -> with.apply(plate, text));
                }
            }
        };
        field.focusedProperty().addListener((_, _, focused) -> {
            if (!focused) {
                keep.run();
            }
        });
        if (field instanceof TextField line) {
            line.setOnAction(_ -> keep.run());
        }
        add(plateGrid, label, id, field, () -> field.setText(get.apply(now())));
    }

    private <T extends Coded> void choice(String label, String id, T[] options, Function<SetPlate, T> get,
            BiFunction<SetPlate, T, SetPlate> with) {
        ComboBox<T> box = box(options);
        box.valueProperty().addListener((_, _, value) -> {
            if (!showing && value != null) {
                model.changePlate(plate -> with.apply(plate, value));
            }
        });
        add(plateGrid, label, id, box, () -> box.setValue(get.apply(now())));
    }

    private <T extends Coded> ComboBox<T> box(T[] options) {
        ComboBox<T> box = new ComboBox<>();
        box.getItems().addAll(Arrays.asList(options));
        box.setMaxWidth(Double.MAX_VALUE);
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(T option) {
                return option == null ? "" : model.words().word(option);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("the choice is not typed into");
            }
        });
        return box;
    }

    private void add(GridPane grid, String label, String id, Control control, Runnable show) {
        Label name = new Label(Labels.of(label));
        name.getStyleClass().add("form-label");
        name.setLabelFor(control);
        control.setId(id);
        control.setAccessibleText(name.getText());
        grid.addRow(grid.getRowCount(), name, control);
        shown.add(show);
    }

    private void fillPolicy() {
        school("arrival.renew", Policy.WhenToRenew.values(), Policy::renew);
        school("arrival.voltage", Policy.VoltageRating.values(), Policy::voltage);
        school("arrival.capacitance", Policy.CapacitanceChoice.values(), Policy::capacitance);
        school("arrival.electrolytics", Policy.OldElectrolytics.values(), Policy::electrolytics);
        school("arrival.appearance", Policy.Appearance.values(), Policy::appearance);
        school("arrival.tantalum", Policy.Tantalum.values(), Policy::tantalum);
        school("arrival.rectifiers", Policy.Rectifiers.values(), Policy::rectifiers);
        school("arrival.paper", Policy.Paper.values(), Policy::paper);
        school("arrival.limits", Policy.Profile.values(), Policy::limits);
    }

    private <T extends Policy.School> void school(String label, T[] options, Function<Policy, T> get) {
        ComboBox<T> box = box(options);
        Function<SetPlate, Policy> policy = _ -> model.openProperty().get().orElseThrow().job().policy();
        box.valueProperty().addListener((_, _, value) -> {
            if (!showing && value != null) {
                model.changePolicy(value);
            }
        });
        add(policyGrid, label, label.replace('.', '-'), box, () -> box.setValue(get.apply(policy.apply(now()))));
    }

    private void show() {
        showing = true;
        shown.forEach(Runnable::run);
        showing = false;
        cautions.getChildren().setAll(cautionsFor(now()));
    }

    private static List<Node> cautionsFor(SetPlate plate) {
        Label always = caution("arrival.voltage.danger");
        return switch (plate.chassis()) {
            case LIVE -> List.of(caution("arrival.live"), always);
            case FLOATING_HIGH_VOLTAGE -> List.of(caution("arrival.floating"), always);
            case UNKNOWN, ISOLATED -> List.of(always);
            case BATTERY -> List.of();
        };
    }

    private static Label caution(String key) {
        Label label = new Label(Labels.of(key));
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll("caution", "caution-danger");
        label.setMaxWidth(Double.MAX_VALUE);
        return label;
    }
}
