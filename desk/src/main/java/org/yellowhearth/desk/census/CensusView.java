package org.yellowhearth.desk.census;

import javafx.beans.binding.DoubleBinding;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.OpenJob;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.desk.parts.StageHead;
import org.yellowhearth.records.words.Describe;

/** Census: every part as it is printed and as it was understood. */
public final class CensusView extends BorderPane {
    private final StageHead head;

    /** A view of the model's open job. */
    public CensusView(DeskModel model, DoubleBinding em) {
        getStyleClass().add("stage");
        PartTable table = new PartTable(model, em, "census.empty")
                .column("table.ref", 3.8, 0, "cell-ref", r -> r.part().ref().toString())
                .column("table.marking", 9, 2, "cell-figure", r -> r.part().marking())
                .column("table.value", 8, 0, "cell-text", r -> new Describe(model.words()).value(r.part()))
                .column("table.kind", 8, 1, "cell-text", r -> new Describe(model.words()).kind(r.part()))
                .column("table.role", 7.8, 1, "cell-text", r -> role(model, r.part()))
                .column("table.polarity", 9, 3, "cell-text", r -> polarity(model, r.part()))
                .column("table.sees", 4.6, 4, "cell-figure",
                        r -> r.part() instanceof Capacitor c
                                ? c.workingVolts().stream().mapToObj(Quantity::volts)
                                        .map(Quantity::toString).findFirst().orElse("—")
                                : "—");
        table.setId("census-table");
        setCenter(table);
        VBox entry = new VBox(new PartForm(model).node());
        entry.getStyleClass().add("entry");
        setBottom(entry);
        head = new StageHead("census.title", this, entry, em, model.reasonsShownProperty());
        setTop(head);
        model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
    }

    private static String role(DeskModel model, Part part) {
        return part instanceof Capacitor c && c.role() != Role.UNSTATED ? model.words().word(c.role()) : "—";
    }

    private static String polarity(DeskModel model, Part part) {
        return part instanceof Capacitor c && c.polarity() != Polarity.UNSTATED ? model.words().word(c.polarity()) : "—";
    }

    private void show(OpenJob open) {
        long noKind = open.job().capacitors().stream().filter(c -> c.kind().equals(Capacitor.UNSTATED_KIND)).count();
        long noRole = open.job().capacitors().stream().filter(c -> c.role() == Role.UNSTATED).count();
        head.count(Labels.of("census.count", open.assessments().size(), noKind, noRole));
    }
}
