package org.yellowhearth.desk.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.Labels;

/** The line typed at the bench: how it is understood while it is typed, and what Enter makes of it. */
public final class BenchLineModel {
    private final DeskModel model;
    private final Assessor assessor;
    private final StringProperty line = new SimpleStringProperty("");
    private final ReadOnlyObjectWrapper<Echo> echo = new ReadOnlyObjectWrapper<>(Echo.NOTHING);
    private final List<String> history = new ArrayList<>();
    private BenchOutcome outcome = new BenchOutcome.Empty();
    private int recalled;

    BenchLineModel(DeskModel model, Assessor assessor) {
        this.model = model;
        this.assessor = assessor;
        line.addListener((_, _, _) -> readLine());
        model.chosenProperty().addListener((_, _, _) -> readLine());
        model.openProperty().addListener((_, _, _) -> readLine());
    }

    public StringProperty lineProperty() {
        return line;
    }

    public ReadOnlyObjectProperty<Echo> echoProperty() {
        return echo.getReadOnlyProperty();
    }

    private void readLine() {
        Optional<OpenJob> job = model.openProperty().get();
        outcome = job.isEmpty()
                ? new BenchOutcome.Empty()
                : new BenchLine(job.get().job(), model.chosenProperty().get(), model.knowledge().vocabulary()).read(line.get());
        echo.set(job.map(j -> new EchoWords(model.words(), assessor, j, model.now()).of(outcome)).orElse(Echo.NOTHING));
    }

    /** Enter: keeps what the line says, or answers nothing when it cannot be taken; the echo already says why. */
    public void enter() {
        model.inTurn(this::enterNow);
    }

    private void enterNow() {
        if (outcome instanceof BenchOutcome.Understood(BenchEntry entry)) {
            String typed = line.get();
            done(entry, () -> {
                history.add(typed);
                recalled = history.size();
                line.set("");
            });
        }
    }

    private void done(BenchEntry entry, Runnable after) {
        switch (entry) {
            case BenchEntry.AddPart e -> model.act(new Edit.PartAdded(e.part()), choosing(after, e.part().ref()));
            case BenchEntry.CorrectPart e ->
                model.act(new Edit.PartChanged(e.before(), e.after()), choosing(after, e.after().ref()));
            case BenchEntry.RemovePart e ->
                model.act(new Edit.PartRemoved(e.part(), model.job().readingsOf(e.part().ref())), after);
            case BenchEntry.KeepReading e -> model.act(
                    new Edit.ReadingKept(EchoWords.reading(e, model.job().readings().size(), model.now())),
                    choosing(after, e.part()));
            case BenchEntry.WriteNote e -> model.act(new Edit.NoteWritten(e.text()), () -> {
                after.run();
                model.tell(Labels.of("bench.noted"), false);
            });
            case BenchEntry.SwitchPower e -> {
                after.run();
                model.power(e.power());
            }
            case BenchEntry.Happened e -> model.act(e.event(), after);
            case BenchEntry.ShowPart e -> choosing(after, e.part()).run();
        }
    }

    private Runnable choosing(Runnable after, PartRef part) {
        return () -> {
            after.run();
            model.chosenProperty().set(Optional.of(part));
        };
    }

    /** Puts an earlier line back, one step older or newer. */
    public void recall(int step) {
        int at = Math.clamp((long) recalled + step, 0, history.size());
        recalled = at;
        line.set(at == history.size() ? "" : history.get(at));
    }
}
