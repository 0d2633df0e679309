package org.yellowhearth.desk.model;

import java.util.List;
import java.util.Optional;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import org.yellowhearth.records.archive.Archive;
import org.yellowhearth.records.archive.Archive.Hit;

/** Finding anything over all jobs without the window: read when it is first wanted and whenever the shelf is another, searched while one types. */
public final class ArchiveModel {
    private static final int MOST = 300;

    private final DeskModel model;
    private final StringProperty search = new SimpleStringProperty("");
    private final ReadOnlyObjectWrapper<Optional<Found>> found = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<Archive> archive = Optional.empty();
    private int shelf;
    private int asked;

    /** What a search found, among how many things. */
    public record Found(String search, List<Hit> hits, int among) {
    }

    ArchiveModel(DeskModel model) {
        this.model = model;
        search.addListener((_, _, _) -> find());
        model.shelf().jobsProperty().addListener((_, _, _) -> {
            // Read anew when it is wanted again.
            archive = Optional.empty();
            shelf++;
            if (!search.get().isBlank()) {
                find();
            }
        });
    }

    /** What is looked for. */
    public StringProperty searchProperty() {
        return search;
    }

    /** What was found; none before the first search. */
    public ReadOnlyObjectProperty<Optional<Found>> foundProperty() {
        return found.getReadOnlyProperty();
    }

    private record Answer(Archive archive, Found found) {
    }

    private void find() {
        String text = search.get();
        List<OpenJob> jobs = model.shelf().jobsProperty().get();
        Optional<Archive> known = archive;
        int mineShelf = shelf;
        int mine = ++asked;
        model.background().aside(() -> {
            Archive a = known
                    .orElseGet(() -> Archive.of(jobs.stream().map(o -> new Archive.Shelved(o.id(), o.job(), o.assessments()))
                            .toList(), model.knowledge()));
            return new Answer(a, new Found(text, a.find(text, MOST), a.size()));
        }, answer -> {
            if (mine == asked) {
                if (mineShelf == shelf) {
                    archive = Optional.of(answer.archive);
                }
                found.set(Optional.of(answer.found));
            }
        });
    }

    /** Opens a hit where it is. */
    public void open(Hit hit) {
        model.openJob(hit.job(), switch (hit.where()) {
            case SET -> Stage.ARRIVAL;
            case PART -> Stage.ASSESS;
            case WRITTEN -> hit.part().isPresent() ? Stage.ASSESS : Stage.ARRIVAL;
            case NOTE -> Stage.DOSSIER;
        }, hit.part());
    }
}
