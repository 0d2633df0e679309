package org.yellowhearth.desk.practice;

import java.util.List;
import java.util.Optional;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.PracticeSession;
import org.yellowhearth.records.words.Words;

/** An exercise: the very stages of real work, the meters of the practice bench under them, and at the end what there was to be found. */
public final class PracticeView extends BorderPane {
    private final PracticeSession session;
    private final DeskModel model;
    private final Label chosen = new Label();
    private final Label time = Page.text("", "quiet");

    /**
     * A view.
     *
     * @param stages the window of the session's model
     */
    public PracticeView(PracticeSession session, Node stages) {
        this.session = session;
        this.model = session.model();
        getStyleClass().add("practice");
        setCenter(stages);
        chosen.getStyleClass().add("lane-ref");
        chosen.setId("practice-chosen");
        FlowPane bar = new FlowPane(chosen);
        bar.getStyleClass().addAll("line-form", "practice-bar");
        bar.getChildren().addAll(
                Page.button("practice.look", "practice-look", session::look),
                Page.button("practice.measure-lcr", "measure-lcr", () -> session.measure(Measuring.LCR)),
                Page.button("practice.measure-leakage", "measure-leakage", () -> session.measure(Measuring.LEAKAGE)));
        bar.getChildren().addAll(Page.button("practice.rail-button", "practice-rail", session::measureRail),
                Page.button("practice.hint-button", "practice-hint", session::hint),
                Page.button("practice.hand-in", "practice-hand-in", session::handIn));
        bar.getChildren().add(time);
        time.setId("practice-time");
        setBottom(bar);
        model.openProperty().addListener((_, _, now) -> now.ifPresent(o -> tell(o.job())));
        model.chosenProperty().addListener((_, _, now) -> choose(now));
        choose(model.chosenProperty().get());
        session.debriefProperty().addListener((_, _, now) -> now.ifPresent(this::show));
    }

    private void tell(Job job) {
        time.setText(Labels.of("practice.time", Debrief.minutes(job), session.exercise().minutes()));
    }

    private void choose(Optional<PartRef> ref) {
        chosen.setText(Labels.of("practice.bench", ref.map(PartRef::toString).orElse("—")));
    }

    private void show(Debrief d) {
        Words words = model.words();
        VBox box = new VBox(Page.text(Labels.of(d.ended() ? "practice.ended" : "practice.score", d.score()), "stage-title"),
                Page.text(Labels.of("practice.used", d.readings(), d.minutes(), session.exercise().minutes(), d.enough()),
                        "strong-note"));
        d.remarks().forEach(r -> box.getChildren().add(Page.text(words.say(r))));
        Grid grid = new Grid("debrief");
        grid.head(List.of(Labels.of("practice.part"), Labels.of("practice.truth"), Labels.of("practice.verdict"), ""));
        d.lines().forEach(l -> grid.row(List.of(l.part().toString(), words.word(l.truth()), words.word(l.verdict()),
                words.word(l.mark())), switch (l.mark()) {
                    case RIGHT, BY_SCHOOL -> "quiet";
                    case MISSED, NEEDLESS -> "point-against";
                    case UNDECIDED -> "strong-note";
                }));
        box.getChildren().add(grid);
        box.getStyleClass().add("practice-debrief");
        box.setId("practice-debrief");
        ScrollPane scroll = new ScrollPane(box);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("page");
        setCenter(scroll);
        setBottom(null);
    }
}
