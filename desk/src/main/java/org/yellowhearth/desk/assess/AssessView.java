package org.yellowhearth.desk.assess;

import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.OpenJob;
import org.yellowhearth.desk.parts.PartRow;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.desk.parts.StageHead;
import org.yellowhearth.records.words.Describe;

/** Assess: every part with its newest figures and verdict, and reading entry always at hand. */
public final class AssessView extends BorderPane {
    private final StageHead head;
    private final Label formFor = new Label();

    /** A view of the model's open job. */
    public AssessView(DeskModel model, DoubleBinding em) {
        getStyleClass().add("stage");
        PartTable table = new PartTable(model, em, "assess.empty").verdicts(5.6)
                .column("table.ref", 3.3, 0, "cell-ref", r -> r.part().ref().toString())
                .column("table.value", 7.2, 0, "cell-text", r -> new Describe(model.words()).value(r.part()))
                .column("table.role", 8.4, 4, "cell-text", r -> r.part() instanceof Capacitor c
                        ? model.words().word(c.role())
                        : new Describe(model.words()).kind(r.part()))
                .column("table.c", 5.8, 1, "cell-figure", PartRow::capacitance)
                .column("table.esr", 5.4, 2, "cell-figure", PartRow::esr)
                .column("table.d", 4.6, 3, "cell-figure", PartRow::dissipation)
                .column("table.leak", 6.4, 5, "cell-figure", PartRow::leakage);
        table.setId("assess-table");
        setCenter(table);
        formFor.getStyleClass().add("form-title");
        VBox entry = new VBox(formFor, new ReadingForm(model).node());
        entry.getStyleClass().add("entry");
        setBottom(entry);
        head = new StageHead("assess.title", this, entry, em, model.reasonsShownProperty());
        setTop(head);
        model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
        model.chosenProperty().addListener((_, _, ref) -> formFor
                .setText(Labels.of("assess.form") + " " + ref.map(PartRef::toString).orElse(Labels.of("plate.nothing"))));
    }

    private void show(OpenJob open) {
        long measured = open.assessments().stream().filter(Assessment::measured).count();
        head.count(Labels.of("assess.count", measured, open.assessments().size()));
    }
}
