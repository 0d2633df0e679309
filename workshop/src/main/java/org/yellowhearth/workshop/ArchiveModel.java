package org.yellowhearth.workshop;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.learn.Learned;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * Finding anything over all jobs and what they teach, without the window: searched while one types.
 */
public final class ArchiveModel {
  private static final int MOST = 300;

  private final DeskModel model;
  private final Shop shop;
  private final Value<String> search = new Value<>("");
  private final Value<Optional<Found>> found = new Value<>(Optional.empty());
  private final Value<Optional<Learned>> learned = new Value<>(Optional.empty());
  private int asked;
  private boolean learning;

  /** What a search found, among how many things. */
  public record Found(String search, List<Hit> hits, long among) {}

  ArchiveModel(DeskModel model, Shop shop) {
    this.model = model;
    this.shop = shop;
    search.addListener((_, _, _) -> find());
    model
        .shelf()
        .jobsProperty()
        .addListener((_, _, _) -> {
          if (!search.get().isBlank()) {
            find();
          }
          if (learning) {
            learn();
          }
        });
  }

  /** What is looked for. */
  public Value<String> searchProperty() {
    return search;
  }

  /** What was found; none before the first search. */
  public Watched<Optional<Found>> foundProperty() {
    return found.watched();
  }

  private void find() {
    String text = search.get();
    int mine = ++asked;
    model
        .background()
        .keep(
            () ->
                new Found(
                    text,
                    mine == asked ? shop.find(Search.of(text), MOST) : List.of(),
                    shop.things()),
            answer -> {
              if (mine == asked) {
                found.set(Optional.of(answer));
              }
            });
  }

  /** What the shop has learned; none before it was asked for. */
  public Watched<Optional<Learned>> learnedProperty() {
    return learned.watched();
  }

  /** Adds it up, and from now on whenever the shelf is another. */
  public void learn() {
    learning = true;
    model
        .background()
        .keep(shop::tallies, tallies -> learned.set(Optional.of(Learned.of(tallies))));
  }

  /** Lets what the other jobs had seen until now weigh in the open one. */
  public void takeOver() {
    String id = model.openProperty().get().orElseThrow().id();
    model
        .background()
        .keep(
            () -> Learned.of(shop.talliesWithout(id)).experience(),
            e -> model.changeAspect(ShopExperience.class, _ -> e));
  }

  /** Lets the open job stand alone again. */
  public void standAlone() {
    model.changeAspect(ShopExperience.class, _ -> ShopExperience.BLANK);
  }

  /** Opens a hit where it is. */
  public void open(Hit hit) {
    model.openJob(
        hit.job(),
        switch (hit.where()) {
          case SET -> Stage.ARRIVAL;
          case PART -> Stage.ASSESS;
          case WRITTEN -> hit.part().isPresent() ? Stage.ASSESS : Stage.ARRIVAL;
          case NOTE -> Stage.DOSSIER;
        },
        hit.part());
  }
}
