package org.yellowhearth.desk.census;

import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.OpenJob;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.records.words.Describe;

/** Census: every part as it is printed and as it was understood. */
public final class CensusView extends BorderPane {
    private final Label count = new Label();

    /** A view of the model's open job. */
    public CensusView(DeskModel model) {
        getStyleClass().add("stage");
        Label title = new Label(Labels.of("census.title"));
        title.getStyleClass().add("stage-title");
        count.getStyleClass().add("stage-count");
        HBox head = new HBox(title, count);
        head.getStyleClass().add("stage-head");
        setTop(head);
        PartTable table = new PartTable(model, "census.empty").column("table.ref", 55, "cell-ref", r -> r.part().ref().toString())
                .column("table.marking", 130, "cell-figure", r -> r.part().marking())
                .column("table.value", 115, "cell-text", r -> new Describe(model.words()).value(r.part()))
                .column("table.kind", 110, "cell-text", r -> model.words().capacitorKind(r.part().kind()))
                .column("table.role", 100, "cell-text", r -> role(model, r.part()))
                .column("table.polarity", 130, "cell-text", r -> polarity(model, r.part()))
                .column("table.sees", 65, "cell-figure",
                        r -> r.part().workingVolts().stream().mapToObj(Quantity::volts).map(Quantity::toString).findFirst()
                                .orElse("—"));
        table.setId("census-table");
        setCenter(table);
        VBox entry = new VBox(new PartForm(model).node());
        entry.getStyleClass().add("entry");
        setBottom(entry);
        model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
    }

    private static String role(DeskModel model, Capacitor part) {
        return part.role() == Role.UNSTATED ? "—" : model.words().word(part.role());
    }

    private static String polarity(DeskModel model, Capacitor part) {
        return part.polarity() == Polarity.UNSTATED ? "—" : model.words().word(part.polarity());
    }

    private void show(OpenJob open) {
        long noKind = open.job().census().stream().filter(c -> c.kind().equals(Capacitor.UNSTATED_KIND)).count();
        long noRole = open.job().census().stream().filter(c -> c.role() == Role.UNSTATED).count();
        count.setText(Labels.of("census.count", open.assessments().size(), noKind, noRole));
    }
}
