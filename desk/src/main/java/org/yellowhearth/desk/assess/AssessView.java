package org.yellowhearth.desk.assess;

import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.OpenJob;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.records.words.Describe;

/** Assess: every part with its newest figures and verdict, and reading entry always at hand. */
public final class AssessView extends BorderPane {
    private final Label count = new Label();
    private final Label formFor = new Label();

    /** A view of the model's open job. */
    public AssessView(DeskModel model) {
        getStyleClass().add("stage");
        Label title = new Label(Labels.of("assess.title"));
        title.getStyleClass().add("stage-title");
        count.getStyleClass().add("stage-count");
        HBox head = new HBox(title, count);
        head.getStyleClass().add("stage-head");
        setTop(head);
        PartTable table = new PartTable(model, "assess.empty").verdicts(95)
                .column("table.ref", 60, "cell-ref", r -> r.part().ref().toString())
                .column("table.value", 105, "cell-text", r -> new Describe(model.words()).value(r.part()))
                .column("table.role", 110, "cell-text", r -> model.words().word(r.part().role()))
                .column("table.c", 85, "cell-figure", r -> r.capacitance()).column("table.esr", 80, "cell-figure", r -> r.esr())
                .column("table.d", 60, "cell-figure", r -> r.dissipation())
                .column("table.leak", 95, "cell-figure", r -> r.leakage());
        table.setId("assess-table");
        setCenter(table);
        formFor.getStyleClass().add("form-title");
        VBox entry = new VBox(formFor, new ReadingForm(model).node());
        entry.getStyleClass().add("entry");
        setBottom(entry);
        model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
        model.chosenProperty().addListener((_, _, ref) -> formFor
                .setText(Labels.of("assess.form") + " " + ref.map(PartRef::toString).orElse(Labels.of("plate.nothing"))));
    }

    private void show(OpenJob open) {
        long measured = open.assessments().stream().filter(Assessment::measured).count();
        count.setText(Labels.of("assess.count", measured, open.assessments().size()));
    }
}
