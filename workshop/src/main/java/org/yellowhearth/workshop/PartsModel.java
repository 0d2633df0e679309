package org.yellowhearth.workshop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Which parts are shown and in what order, which are picked, and what is done to all that are
 * picked at once.
 */
public final class PartsModel {
  private final DeskModel model;
  private final Value<String> filter = new Value<>("");
  private final Value<Order> order = new Value<>(Order.REFERENCE);
  private final Value<Set<PartRef>> picked = new Value<>(Set.of());

  /** The order of a list of parts. */
  public enum Order {
    REFERENCE,
    RISK,
    VERDICT
  }

  PartsModel(DeskModel model) {
    this.model = model;
    model
        .openProperty()
        .addListener((_, was, is) -> {
          if (is.isEmpty() || was.map(o -> !o.id().equals(is.get().id())).orElse(true)) {
            filter.set("");
            picked.set(Set.of());
          } else {
            pick(picked.get());
          }
        });
  }

  /** Words that a part must all carry to be shown: reference, value, kind, role or verdict. */
  public Value<String> filterProperty() {
    return filter;
  }

  public Value<Order> orderProperty() {
    return order;
  }

  /** The parts that are picked together. */
  public Watched<Set<PartRef>> pickedProperty() {
    return picked.watched();
  }

  /** Picks these and no others; those that left the census are let go. */
  public void pick(Set<PartRef> refs) {
    Set<PartRef> there = new LinkedHashSet<>(refs);
    there.removeIf(ref -> model.openProperty().get().flatMap(o -> o.assessment(ref)).isEmpty());
    if (!there.equals(picked.get())) {
      picked.set(Set.copyOf(there));
    }
  }

  /** The assessments that are shown, in order. */
  public List<Assessment> shown() {
    return model
        .openProperty()
        .get()
        .map(open -> {
          List<String> wanted =
              List.of(filter.get().strip().toLowerCase(Locale.ROOT).split("\\s+"));
          Stream<Assessment> all = open.assessments().stream();
          Stream<Assessment> found =
              filter.get().isBlank()
                  ? all
                  : all.filter(a -> wanted.stream().allMatch(text(a)::contains));
          return switch (order.get()) {
            case REFERENCE -> found.toList();
            case RISK ->
                found
                    .sorted(Comparator.comparingDouble((Assessment a) -> -a.risk().score()))
                    .toList();
            case VERDICT ->
                found
                    .sorted(Comparator.comparing((Assessment a) -> a.verdict()).reversed())
                    .toList();
          };
        })
        .orElse(List.of());
  }

  private String text(Assessment a) {
    String written =
        model.job().of(a.part().ref(), VisualInspection.class).stream()
            .map(l -> model.words().word(l.sign()))
            .reduce("", (x, y) -> x + " " + y);
    return (a.part().ref()
            + " "
            + a.part().marking()
            + " "
            + new Describe(model.words()).part(a.part())
            + " "
            + model.words().word(a.verdict())
            + written)
        .toLowerCase(Locale.ROOT);
  }

  /** Changes every picked capacitor; those that are as they would be are left. */
  public void change(Function<Capacitor, Capacitor> change) {
    together(ref ->
        model.job().capacitor(ref).stream()
            .flatMap(before -> {
              Capacitor after = change.apply(before);
              return after.equals(before)
                  ? Stream.of()
                  : Stream.<Edit>of(new Edit.PartChanged(before, after));
            }));
  }

  /** Writes down something seen of every picked part. */
  public void seen(VisualInspection.Sign sign) {
    together(ref -> {
      VisualInspection look = VisualInspection.of(ref, sign, "");
      return model.job().item(look.id()).isPresent()
          ? Stream.of()
          : Stream.<Edit>of(new Edit.ItemChanged(Optional.empty(), Optional.of(look)));
    });
  }

  /** Every picked part leaves the census; one undo brings all of them back. */
  public void remove() {
    model.inTurn(() -> {
      List<Edit> edits = new ArrayList<>();
      picked.get().stream()
          .sorted()
          .flatMap(ref -> model.job().part(ref).stream())
          .forEach(p -> edits.addAll(BenchLineModel.removals(model.job(), p, picked.get())));
      act(edits);
    });
  }

  private void together(Function<PartRef, Stream<Edit>> edits) {
    model.inTurn(() -> act(picked.get().stream().sorted().flatMap(edits).toList()));
  }

  private void act(List<Edit> edits) {
    if (edits.isEmpty()) {
      model.tell(Labels.of("pick.nothing"), false);
    } else {
      model.act(
          BenchLineModel.together(edits),
          () -> model.tell(Labels.of("pick.done", edits.size()), false));
    }
  }

  /** The picked parts in order, as text. */
  public String pickedText() {
    return picked.get().stream()
        .sorted()
        .map(PartRef::toString)
        .reduce((a, b) -> a + " " + b)
        .orElse("");
  }

  /** The parts themselves. */
  public List<Part> pickedParts() {
    return picked.get().stream().sorted().flatMap(ref -> model.job().part(ref).stream()).toList();
  }
}
