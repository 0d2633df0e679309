package org.yellowhearth.desk.reform;

import java.util.List;
import java.util.Optional;

import javafx.geometry.NodeOrientation;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
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
final class LanesPane extends ScrollPane {
    private final DeskModel model;
    private final VBox rows = new VBox();

    LanesPane(DeskModel model) {
        this.model = model;
        getStyleClass().add("lanes");
        rows.getStyleClass().add("lane-rows");
        setFitToWidth(true);
        setContent(rows);
        setNodeOrientation(NodeOrientation.LEFT_TO_RIGHT);
    }

    void show(List<Lane> lanes) {
        rows.getChildren().clear();
        if (lanes.isEmpty()) {
            rows.getChildren().add(Page.text(Labels.of("reform.nothing"), "quiet"));
        }
        lanes.forEach(l -> rows.getChildren().add(row(l)));
    }

    private Button row(Lane l) {
        Region light = new Region();
        light.getStyleClass().addAll("gate-light", "gate-" + light(l));
        Label ref = new Label(l.ref().toString());
        ref.getStyleClass().add("lane-ref");
        ref.setMinWidth(Region.USE_PREF_SIZE);
        Label marking = new Label(l.part().marking());
        marking.getStyleClass().add("quiet");
        marking.setMinWidth(0);
        marking.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(marking, Priority.ALWAYS);
        Label state = new Label(state(l));
        state.getStyleClass().add("lane-state");
        state.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(light, ref, marking, state);
        head.getStyleClass().add("lane-head");
        // Two lines and no more: the whole of it stands on the page at the right.
        Label line = new Label(line(l));
        line.setWrapText(true);
        line.getStyleClass().addAll("quiet", "lane-line");
        VBox box = new VBox(head, line);
        Button button = new Button();
        button.setGraphic(box);
        button.setId("lane-" + l.ref());
        button.setAccessibleText(l.ref() + ", " + state(l) + ", " + line(l));
        button.getStyleClass().add("lane");
        if (model.chosenProperty().get().filter(l.ref()::equals).isPresent()) {
            button.getStyleClass().add("current");
        }
        button.setMaxWidth(Double.MAX_VALUE);
        box.prefWidthProperty().bind(button.widthProperty().subtract(24));
        button.setOnAction(_ -> model.chosenProperty().set(Optional.of(l.ref())));
        return button;
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
