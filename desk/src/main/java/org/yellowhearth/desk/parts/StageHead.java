package org.yellowhearth.desk.parts;

import javafx.beans.binding.DoubleBinding;
import javafx.beans.property.BooleanProperty;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.yellowhearth.desk.Labels;

/** The head of a stage: its name, a count, and the switches for the form at its foot and the reasons at its right. */
public final class StageHead extends HBox {
    /** A stage less high than this many heights of the text starts with its form hidden: the bench line does all that it does. */
    private static final double ROOM_FOR_FORM = 30;

    private final Label count = new Label();
    private boolean chosen;

    /** A head for a stage with a form at its foot. */
    public StageHead(String title, BorderPane stage, Region form, DoubleBinding em, BooleanProperty reasonsShown) {
        Label name = new Label(Labels.of(title));
        name.getStyleClass().add("stage-title");
        count.getStyleClass().add("stage-count");
        count.setMinWidth(0);
        Region gap = new Region();
        setHgrow(gap, Priority.ALWAYS);
        ToggleButton shown = new ToggleButton(Labels.of("form.shown"));
        shown.setMinWidth(USE_PREF_SIZE);
        shown.setSelected(true);
        form.visibleProperty().bind(shown.selectedProperty());
        form.managedProperty().bind(shown.selectedProperty());
        shown.setOnAction(_ -> chosen = true);
        Runnable fit = () -> {
            if (!chosen && stage.getHeight() > 0) {
                shown.setSelected(stage.getHeight() >= ROOM_FOR_FORM * em.get());
            }
        };
        stage.heightProperty().addListener((_, _, _) -> fit.run());
        em.addListener((_, _, _) -> fit.run());
        getStyleClass().add("stage-head");
        ToggleButton reasons = new ToggleButton(Labels.of("reasons.title"));
        reasons.setId("show-reasons");
        reasons.setMinWidth(USE_PREF_SIZE);
        reasons.selectedProperty().bindBidirectional(reasonsShown);
        getChildren().addAll(name, count, gap, shown, reasons);
    }

    /** Says how many. */
    public void count(String text) {
        count.setText(text);
    }
}
