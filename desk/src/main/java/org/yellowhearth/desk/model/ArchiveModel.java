package org.yellowhearth.desk.model;

import java.util.List;
import java.util.Optional;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.learn.Learned;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;
import org.yellowhearth.storage.store.Shop;

/** Finding anything over all jobs and what they teach, without the window: searched while one types. */
public final class ArchiveModel {
    private static final int MOST = 300;

    private final DeskModel model;
    private final Shop shop;
    private final StringProperty search = new SimpleStringProperty("");
    private final ReadOnlyObjectWrapper<Optional<Found>> found = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Learned>> learned = new ReadOnlyObjectWrapper<>(Optional.empty());
    private int asked;
    private boolean learning;

    /** What a search found, among how many things. */
    public record Found(String search, List<Hit> hits, long among) {
    }

    ArchiveModel(DeskModel model, Shop shop) {
        this.model = model;
        this.shop = shop;
        search.addListener((_, _, _) -> find());
        model.shelf().jobsProperty().addListener((_, _, _) -> {
            if (!search.get().isBlank()) {
                find();
            }
            if (learning) {
                learn();
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

    private void find() {
        String text = search.get();
        int mine = ++asked;
        model.background().keep(
                () -> new Found(text, mine == asked ? shop.find(Search.of(text), MOST) : List.of(), shop.things()),
                answer -> {
                    if (mine == asked) {
                        found.set(Optional.of(answer));
                    }
                });
    }

    /** What the shop has learned; none before it was asked for. */
    public ReadOnlyObjectProperty<Optional<Learned>> learnedProperty() {
        return learned.getReadOnlyProperty();
    }

    /** Adds it up, and from now on whenever the shelf is another. */
    public void learn() {
        learning = true;
        model.background().keep(shop::tallies, tallies -> learned.set(Optional.of(Learned.of(tallies))));
    }

    /** Lets what the other jobs had seen until now weigh in the open one. */
    public void takeOver() {
        String id = model.openProperty().get().orElseThrow().id();
        model.background().keep(() -> Learned.of(shop.talliesWithout(id)).experience(),
                e -> model.changeAspect(ShopExperience.class, _ -> e));
    }

    /** Lets the open job stand alone again. */
    public void standAlone() {
        model.changeAspect(ShopExperience.class, _ -> ShopExperience.BLANK);
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
