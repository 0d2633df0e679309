package org.yellowhearth.desk.reform;

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
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.ReformModel.Lane;
import org.yellowhearth.records.words.Durations;

/** One lane under another: every capacitor that may be brought up, its gate light, where it is, and what is to be done. */
final class LanesPane extends ListView<Lane> {
    private final DeskModel model;
    private boolean showing;

    LanesPane(DeskModel model) {
        this.model = model;
        getStyleClass().add("lanes");
        setId("lanes");
        setCellFactory(_ -> new LaneCell());
        Label nothing = Page.text(Labels.of("reform.nothing"), "quiet");
        nothing.setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
        nothing.setAlignment(Pos.TOP_LEFT);
        setPlaceholder(nothing);
        setAccessibleText(Labels.of("reform.lanes"));
        getSelectionModel().selectedItemProperty().addListener((_, _, lane) -> {
            if (!showing && lane != null) {
                model.chosenProperty().set(Optional.of(lane.ref()));
            }
        });
    }

    void show(List<Lane> lanes) {
        showing = true;
        if (!getItems().equals(lanes)) {
            getItems().setAll(lanes);
        }
        int chosen = model.chosenProperty().get().map(ref -> lanes.stream().map(Lane::ref).toList().indexOf(ref)).orElse(-1);
        if (chosen < 0) {
            getSelectionModel().clearSelection();
        } else if (getSelectionModel().getSelectedIndex() != chosen) {
            getSelectionModel().select(chosen);
            scrollTo(Math.max(0, chosen - 1));
        }
        showing = false;
    }

    private final class LaneCell extends ListCell<Lane> {
        private final Region light = new Region();
        private final Label ref = new Label();
        private final Label marking = new Label();
        private final Label state = new Label();
        private final Label line = new Label();
        private final VBox box;

        LaneCell() {
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
            // Two lines and no more: the whole of it stands on the page at the right.
            line.setWrapText(true);
            line.getStyleClass().addAll("quiet", "lane-line");
            box = new VBox(head, line);
            box.getStyleClass().add("lane");
            box.setMinWidth(0);
            // The list decides how wide a lane is, not the longest marking in it.
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Lane lane, boolean empty) {
            super.updateItem(lane, empty);
            if (empty || lane == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            light.getStyleClass().setAll("gate-light", "gate-" + light(lane));
            ref.setText(lane.ref().toString());
            marking.setText(lane.part().marking());
            state.setText(state(lane));
            line.setText(line(lane));
            box.setId("lane-" + lane.ref());
            setAccessibleText(lane.ref() + ", " + state(lane) + ", " + line(lane));
            setGraphic(box);
        }
    }

    /** Shut, waiting, open, or trouble: the light says the same as the words. */
    private static String light(Lane l) {
        if (l.run().isEmpty()) {
            return "none";
        }
        return switch (l.run().get().phase()) {
            case PLANNED, PAUSED -> "shut";
            case DONE -> l.ending().map(e -> e.upshot() == Ending.Upshot.BAD).orElse(false) ? "trouble" : "open";
            case STOPPED, ABORTED -> "trouble";
            case PROVING -> "waiting";
            case RUNNING -> switch (l.judgement().map(Judgement::counsel).orElse(Judgement.Counsel.WAIT)) {
                case NEXT, FINISH -> "open";
                case STOP, USELESS, LATE -> "trouble";
                case WAIT, REST -> "waiting";
            };
        };
    }

    private String state(Lane l) {
        if (l.run().isEmpty()) {
            return model.words().word(l.worth().answer());
        }
        ReformRun run = l.run().get();
        String phase = model.words().word(run.phase());
        return run.phase() == ReformRun.RunPhase.RUNNING || run.phase() == ReformRun.RunPhase.PAUSED
                ? Labels.of("reform.at-step", phase, run.step() + 1, run.plan().steps().size())
                : phase;
    }

    private String line(Lane l) {
        if (l.run().isEmpty()) {
            return l.worth().reasons().stream().findFirst().map(model.words()::say).orElse("");
        }
        ReformRun run = l.run().get();
        if (run.phase() == ReformRun.RunPhase.STOPPED) {
            return run.rule().map(model.words()::word).orElse("");
        }
        Optional<Ending> ending = l.ending().filter(e -> run.phase() == ReformRun.RunPhase.DONE);
        if (ending.isPresent()) {
            return ending.get().chores().isEmpty()
                    ? model.words().word(ending.get().upshot())
                    : model.words().word(ending.get().chores().getFirst());
        }
        if (run.readings().isEmpty()) {
            return Labels.of("reform.planned-line", Quantity.volts(run.plan().targetVolts()),
                    model.words().word(run.plan().school()));
        }
        ReformRun.Point last = run.readings().getLast();
        String figures = Quantity.volts(last.volts()) + " · " + Quantity.amperes(last.amperes());
        return run.phase() == ReformRun.RunPhase.RUNNING
                ? Labels.of("reform.lane-line", figures, ahead(run, l.judgement().flatMap(Judgement::forecast)))
                : figures;
    }

    /** What is to be expected of a run under way. */
    static String ahead(ReformRun run, Optional<Forecast> forecast) {
        if (run.met()) {
            return Labels.of("reform.met", Durations.text(run.now().holdSeconds()));
        }
        return forecast.map(LanesPane::until).orElse(Labels.of("reform.no-forecast"));
    }

    /** The forecast in a few words. */
    private static String until(Forecast f) {
        if (f.median().isEmpty()) {
            return Labels.of("reform.hardly-ever");
        }
        return f.high().isPresent()
                ? Labels.of("reform.between", Durations.text(f.low().orElse(0)),
                        Durations.text(f.high().getAsDouble()))
                : Labels.of("reform.not-before", Durations.text(f.low().orElse(0)));
    }
}
