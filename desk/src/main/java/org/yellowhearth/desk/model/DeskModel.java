package org.yellowhearth.desk.model;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Year;
import java.time.ZonedDateTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.safety.HearthState;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.records.jobfile.JobFile;
import org.yellowhearth.records.jobfile.JobReader;
import org.yellowhearth.records.jobfile.JobWriter;
import org.yellowhearth.records.json.BadFileException;
import org.yellowhearth.records.json.JsonText;
import org.yellowhearth.records.store.Shop;
import org.yellowhearth.records.store.ShopException;
import org.yellowhearth.records.words.Words;

/**
 * What the window shows and does, without the window. Everything that touches the disk runs on the keeper, one thing at a time, and
 * comes back on the interface thread; the screen shows an entry only once it is on the disk.
 */
public final class DeskModel {
    private static final Logger LOG = LoggerFactory.getLogger(DeskModel.class);

    private final Shop shop;
    private final Knowledge knowledge;
    private final Clock clock;
    private final Executor keeper;
    private final Executor aside;
    private final Executor window;
    private final Assessor assessor;

    private final ReadOnlyObjectWrapper<List<OpenJob>> shelf = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<OpenJob>> open = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Stage> stage = new SimpleObjectProperty<>(Stage.ASSESS);
    private final ObjectProperty<Optional<PartRef>> chosen = new SimpleObjectProperty<>(Optional.empty());
    private final StringProperty line = new SimpleStringProperty("");
    private final ReadOnlyObjectWrapper<Echo> echo = new ReadOnlyObjectWrapper<>(Echo.NOTHING);
    private final ReadOnlyObjectWrapper<Notice> notice = new ReadOnlyObjectWrapper<>(Notice.NONE);
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
    private final BooleanProperty reasonsShown = new SimpleBooleanProperty(true);
    private final List<String> history = new ArrayList<>();
    private BenchOutcome outcome = new BenchOutcome.Empty();
    /** Edits asked for while another is on its way to the disk; each is worked out only when its turn comes. */
    private final Deque<Runnable> waiting = new ArrayDeque<>();
    private int recalled;
    private int pending;
    private boolean keeping;

    /** Something to tell the person: done, or what went wrong and what to do. */
    public record Notice(String text, boolean trouble) {
        static final Notice NONE = new Notice("", false);
    }

    /**
     * A model over a shop.
     *
     * @param keeper runs what touches the shop, one thing at a time
     * @param aside runs what takes long and must not hold up the keeper
     * @param window runs what changes the screen
     */
    public DeskModel(Shop shop, Knowledge knowledge, Clock clock, Executor keeper, Executor aside, Executor window) {
        this.shop = shop;
        this.knowledge = knowledge;
        this.clock = clock;
        this.keeper = keeper;
        this.aside = aside;
        this.window = window;
        this.assessor = new Assessor(knowledge);
        line.addListener((_, _, _) -> readLine());
        chosen.addListener((_, _, _) -> readLine());
        open.addListener((_, _, _) -> readLine());
    }

    public ReadOnlyObjectProperty<List<OpenJob>> shelfProperty() {
        return shelf.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<OpenJob>> openProperty() {
        return open.getReadOnlyProperty();
    }

    public ObjectProperty<Stage> stageProperty() {
        return stage;
    }

    public ObjectProperty<Optional<PartRef>> chosenProperty() {
        return chosen;
    }

    /** Whether the reasons stand at the right. */
    public BooleanProperty reasonsShownProperty() {
        return reasonsShown;
    }

    public StringProperty lineProperty() {
        return line;
    }

    public ReadOnlyObjectProperty<Echo> echoProperty() {
        return echo.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Notice> noticeProperty() {
        return notice.getReadOnlyProperty();
    }

    /** Whether something is being kept or fetched at the moment. */
    public ReadOnlyBooleanProperty busyProperty() {
        return busy.getReadOnlyProperty();
    }

    public Knowledge knowledge() {
        return knowledge;
    }

    /** The words of the open job's dialect. */
    public Words words() {
        return Words.of(open.get().map(o -> o.job().plate().dialect()).orElse(SetPlate.Dialect.BRITISH));
    }

    public ZonedDateTime now() {
        return ZonedDateTime.now(clock);
    }

    // --- the shelf -----------------------------------------------------------------------------------------------------

    /** Fetches the shelf anew. */
    public void refreshShelf() {
        keep(() -> shop.shelf().stream().map(e -> judged(e.id(), e.job())).toList(), shelf::set);
    }

    /** Opens a job of the shelf at the stage where the work is. */
    public void openJob(String id) {
        keep(() -> judged(id, shop.job(id)), this::show);
    }

    private void show(OpenJob job) {
        chosen.set(Optional.empty());
        line.set("");
        open.set(Optional.of(job));
        stage.set(job.job().census().isEmpty() ? Stage.ARRIVAL : Stage.ASSESS);
        chosen.set(job.assessments().stream().map(a -> a.part().ref()).findFirst());
        notice.set(Notice.NONE);
    }

    /** Puts the job back on the shelf; there is nothing to save. */
    public void toShop() {
        open.set(Optional.empty());
        chosen.set(Optional.empty());
        line.set("");
        notice.set(Notice.NONE);
        refreshShelf();
    }

    /** A set arrives: a new job with a name on its plate. */
    public void arrive(String name) {
        String plain = name.strip();
        if (plain.isEmpty() || plain.length() > 200) {
            notice.set(new Notice(Labels.of("shop.name-needed"), true));
            return;
        }
        Entry arrival = new Entry(0, now(), new Act.Did(new Edit.Arrived(SetPlate.named(plain), Policy.USUAL)));
        keep(() -> {
            Job job = Job.of(List.of(arrival));
            return judged(shop.add(job), job);
        }, this::show);
    }

    /** Brings job files in; each whole or not at all. */
    public void bringIn(List<Path> files) {
        keep(() -> {
            List<String> taken = new ArrayList<>();
            List<String> refused = new ArrayList<>();
            for (Path file : files) {
                try {
                    JobFile job = new JobReader(knowledge).read(JsonText.read(file), now());
                    shop.add(job.job());
                    taken.add(job.job().plate().name());
                } catch (BadFileException | IOException e) {
                    refused.add(Labels.of("shop.refused", file.getFileName(), e.getMessage()));
                }
            }
            String said = taken.isEmpty() ? "" : Labels.of("shop.brought-in", String.join(", ", taken)) + "  ";
            return new Notice(said + String.join("  ", refused), !refused.isEmpty());
        }, n -> {
            notice.set(n);
            refreshShelf();
        });
    }

    /** Writes the open job as a job file; a file that is there already is not touched. */
    public void takeOut(Path file) {
        OpenJob job = open.get().orElseThrow();
        keep(() -> {
            try {
                Files.writeString(file, JobWriter.write(job.id(), job.job()), StandardOpenOption.CREATE_NEW);
                return new Notice(Labels.of("dossier.saved", file), false);
            } catch (IOException e) {
                return new Notice(Labels.of("dossier.not-saved", file, e.toString()), true);
            }
        }, notice::set);
    }

    // --- the bench line ------------------------------------------------------------------------------------------------

    private void readLine() {
        Optional<OpenJob> job = open.get();
        outcome = job.isEmpty()
                ? new BenchOutcome.Empty()
                : new BenchLine(job.get().job(), chosen.get(), knowledge.vocabulary()).read(line.get());
        echo.set(job.map(j -> new EchoWords(words(), assessor, j, now()).of(outcome)).orElse(Echo.NOTHING));
    }

    /** Enter: keeps what the line says, or answers nothing when it cannot be taken; the echo already says why. */
    public void enter() {
        inTurn(this::enterNow);
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
            case BenchEntry.AddPart e -> act(new Edit.PartAdded(e.part()), then(after, Optional.of(e.part().ref())));
            case BenchEntry.CorrectPart e ->
                act(new Edit.PartChanged(e.before(), e.after()), then(after, Optional.of(e.after().ref())));
            case BenchEntry.RemovePart e -> removePart(e.part(), after);
            case BenchEntry.KeepReading e -> {
                Reading reading = EchoWords.reading(e, job().readings().size(), now());
                act(new Edit.ReadingKept(reading), then(after, Optional.of(e.part())));
            }
            case BenchEntry.WriteNote e -> act(new Edit.NoteWritten(e.text()), () -> {
                after.run();
                notice.set(new Notice(Labels.of("bench.noted"), false));
            });
            case BenchEntry.SwitchPower e -> act(new Edit.PowerSwitched(e.power()), after);
            case BenchEntry.ShowPart e -> {
                after.run();
                chosen.set(Optional.of(e.part()));
            }
        }
    }

    private Runnable then(Runnable after, Optional<PartRef> choose) {
        return () -> {
            after.run();
            chosen.set(choose);
        };
    }

    private void removePart(Capacitor part, Runnable after) {
        chosen.set(Optional.empty());
        act(new Edit.PartRemoved(part, job().readingsOf(part.ref())), after);
    }

    /** Puts an earlier line back, one step older or newer. */
    public void recall(int step) {
        int at = Math.clamp((long) recalled + step, 0, history.size());
        recalled = at;
        line.set(at == history.size() ? "" : history.get(at));
    }

    /** Chooses the next or the previous part of the census. */
    public void chooseBy(int step) {
        open.get().ifPresent(o -> {
            List<PartRef> refs = o.assessments().stream().map(a -> a.part().ref()).toList();
            if (!refs.isEmpty()) {
                int now = chosen.get().map(refs::indexOf).orElse(step > 0 ? -1 : refs.size());
                chosen.set(Optional.of(refs.get(Math.clamp((long) now + step, 0, refs.size() - 1))));
            }
        });
    }

    // --- edits ---------------------------------------------------------------------------------------------------------

    private Job job() {
        return open.get().orElseThrow().job();
    }

    /** Changes the set plate. */
    public void changePlate(UnaryOperator<SetPlate> change) {
        inTurn(() -> {
            SetPlate after = change.apply(job().plate());
            if (!after.equals(job().plate())) {
                act(new Edit.PlateChanged(job().plate(), after), () -> {
                });
            }
        });
    }

    /** Changes the policy; every verdict follows. */
    public void changePolicy(Policy.School school) {
        inTurn(() -> {
            Policy after = job().policy().with(school);
            if (!after.equals(job().policy())) {
                act(new Edit.PolicyChanged(job().policy(), after), () -> {
                });
            }
        });
    }

    /** Withdraws a reading; it stays in the journal. */
    public void withdraw(Reading reading) {
        inTurn(() -> {
            if (job().readings().contains(reading)) {
                act(new Edit.ReadingWithdrawn(reading), () -> {
                });
            }
        });
    }

    /** The set was switched on, or off. */
    public void togglePower() {
        inTurn(() -> {
            boolean lit = HearthState.of(job()) == HearthState.LIT;
            act(new Edit.PowerSwitched(lit ? Edit.Power.OFF : Edit.Power.LIT), () -> {
            });
        });
    }

    /** Takes the last edit back. */
    public void undo() {
        inTurn(() -> job().nextUndo().ifPresentOrElse(entry -> append(new Act.Undid(entry), () -> {
        }),
                () -> notice.set(new Notice(Labels.of("bench.nothing-to-undo"), false))));
    }

    /** Does the edit undone last again. */
    public void redo() {
        inTurn(() -> job().nextRedo().ifPresentOrElse(entry -> append(new Act.Redid(entry), () -> {
        }),
                () -> notice.set(new Notice(Labels.of("bench.nothing-to-redo"), false))));
    }

    /** Does something to the open job once nothing else is on its way to the disk, so that it starts from what then stands. */
    private void inTurn(Runnable edit) {
        waiting.add(edit);
        nextInTurn();
    }

    private void nextInTurn() {
        while (!keeping && !waiting.isEmpty()) {
            Runnable edit = waiting.remove();
            if (open.get().isPresent()) {
                edit.run();
            }
        }
    }

    private void act(Edit edit, Runnable after) {
        append(new Act.Did(edit), after);
    }

    private void append(Act act, Runnable after) {
        String id = open.get().orElseThrow().id();
        keeping = true;
        run(keeper, () -> judged(id, shop.append(id, List.of(act), now())), job -> {
            notice.set(Notice.NONE);
            if (open.get().map(OpenJob::id).filter(id::equals).isPresent()) {
                open.set(Optional.of(job));
                if (chosen.get().filter(ref -> job.assessment(ref).isEmpty()).isPresent()) {
                    chosen.set(Optional.empty());
                }
            }
            after.run();
        }, () -> {
            keeping = false;
            nextInTurn();
        });
    }

    private OpenJob judged(String id, Job job) {
        return OpenJob.of(id, job, assessor.assessAll(job, Year.from(now())));
    }

    // --- the keeper ----------------------------------------------------------------------------------------------------

    /** What is done beside the window. */
    public interface Work<T> {
        T get();
    }

    /** Runs work that needs no shop beside everything else and hands its result to the window. */
    public <T> void aside(Work<T> work, Consumer<T> then) {
        run(aside, work, then, () -> {
        });
    }

    private <T> void keep(Work<T> work, Consumer<T> then) {
        run(keeper, work, then, () -> {
        });
    }

    /** Runs work and hands its result to the window; what goes wrong is told and changes nothing; the end comes in either case. */
    private <T> void run(Executor executor, Work<T> work, Consumer<T> then, Runnable end) {
        pending++;
        busy.set(true);
        executor.execute(() -> {
            try {
                T result = work.get();
                window.execute(() -> settled(() -> then.accept(result), end));
            } catch (ShopException e) {
                LOG.error("The shop refused", e);
                window.execute(() -> settled(() -> notice.set(new Notice(e.getMessage(), true)), end));
            } catch (RuntimeException e) {
                LOG.error("Unexpected", e);
                window.execute(() -> settled(() -> {
                    notice.set(new Notice(Labels.of("fault", e.toString()), true));
                    throw e;
                }, end));
            }
        });
    }

    private void settled(Runnable then, Runnable end) {
        pending--;
        busy.set(pending > 0);
        try {
            then.run();
        } finally {
            end.run();
        }
    }

    /** Tells the person something. */
    public void tell(String text, boolean trouble) {
        notice.set(new Notice(text, trouble));
    }
}
