package org.yellowhearth.workshop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * The line typed at the bench: how it is understood while it is typed, and what Enter makes of it.
 */
public final class BenchLineModel {
  private final DeskModel model;
  private final Value<String> line = new Value<>("");
  private final Value<Echo> echo = new Value<>(Echo.NOTHING);
  private final Value<String> held = new Value<>("");
  private final List<String> history = new ArrayList<>();
  private BenchOutcome outcome = new BenchOutcome.Empty();
  private int recalled;

  BenchLineModel(DeskModel model) {
    this.model = model;
    line.addListener((_, _, _) -> readLine());
    model.chosenProperty().addListener((_, _, _) -> readLine());
    model.openProperty().addListener((_, _, _) -> readLine());
    model.openProperty().addListener((_, _, job) -> held.set(job.map(this::held).orElse("")));
  }

  private String held(OpenJob job) {
    MeterSettings settings = job.job().aspect(MeterSettings.class);
    return settings.equals(MeterSettings.BLANK)
        ? ""
        : new Describe(model.words(), job.job()).conditions(settings.conditions());
  }

  /** What holds of readings that do not say otherwise, in words; empty where nothing does. */
  public Watched<String> heldProperty() {
    return held.watched();
  }

  /** Nothing holds any more. */
  public void endHold() {
    model.changeAspect(MeterSettings.class, _ -> MeterSettings.BLANK);
  }

  public Value<String> lineProperty() {
    return line;
  }

  public Watched<Echo> echoProperty() {
    return echo.watched();
  }

  private void readLine() {
    Optional<OpenJob> job = model.openProperty().get();
    outcome =
        job.isEmpty()
            ? new BenchOutcome.Empty()
            : new BenchLine(
                    job.get().job(), model.chosenProperty().get(), model.knowledge().vocabulary())
                .read(line.get());
    echo.set(
        job.map(j -> new EchoWords(model.words(), j, model.now()).of(outcome))
            .orElse(Echo.NOTHING));
  }

  /**
   * Enter: keeps what the line says, or answers nothing when it cannot be taken; the echo already
   * says why.
   */
  public void enter() {
    model.inTurn(this::enterNow);
  }

  private void enterNow() {
    if (outcome instanceof BenchOutcome.Understood(BenchEntry entry)) {
      String typed = line.get();
      done(
          entry,
          () -> {
            history.add(typed);
            recalled = history.size();
            line.set("");
          });
    }
  }

  private void done(BenchEntry entry, Runnable after) {
    switch (entry) {
      case BenchEntry.AddParts e ->
          model.act(
              together(e.parts().stream().map(p -> (Edit) new Edit.PartAdded(p)).toList()),
              choosing(after, e.parts().getFirst().ref()));
      case BenchEntry.CorrectPart e ->
          model.act(new Edit.PartChanged(e.before(), e.after()), choosing(after, e.after().ref()));
      case BenchEntry.RemovePart e -> model.act(removal(model.job(), e.part()), after);
      case BenchEntry.WriteDown e -> {
        List<Edit> edits =
            e.items().stream()
                .filter(i -> !model.job().item(i.id()).equals(Optional.of(i)))
                .map(i -> (Edit) new Edit.ItemChanged(model.job().item(i.id()), Optional.of(i)))
                .toList();
        if (edits.isEmpty()) {
          after.run();
        } else {
          model.act(together(edits), choosing(after, e.items().getFirst().part()));
        }
      }
      case BenchEntry.TakeOut e ->
          model.act(
              new Edit.ItemChanged(Optional.of(e.item()), Optional.empty()),
              choosing(after, e.item().part()));
      case BenchEntry.KeepReading e ->
          model.act(
              new Edit.ReadingKept(
                  EchoWords.reading(e, model.job().readings().size(), model.now())),
              choosing(after, e.part()));
      case BenchEntry.HoldSettings e -> {
        MeterSettings before = model.job().aspect(MeterSettings.class);
        if (before.equals(e.settings())) {
          after.run();
        } else {
          model.act(new Edit.AspectChanged(before, e.settings()), after);
        }
      }
      case BenchEntry.WriteNote e ->
          model.act(
              new Edit.NoteWritten(e.text()),
              () -> {
                after.run();
                model.tell(Labels.of("bench.noted"), false);
              });
      case BenchEntry.SwitchPower e -> {
        after.run();
        model.power(e.power());
      }
      case BenchEntry.Happened e -> model.act(e.event(), after);
      case BenchEntry.ReadSupply e -> {
        List<SupplyBridge.Clipped> clipped =
            model.job().items(SupplyBridge.class).stream().map(SupplyBridge::clipped).toList();
        String last =
            model.job().items(SupplyReading.class).stream()
                .max(Comparator.comparing(SupplyReading::at))
                .map(SupplyReading::after)
                .orElse("");
        List<Edit> promised = e.drawn().stream().map(d -> promised(e.point(), d)).toList();
        model.act(
            together(
                Stream.concat(
                        promised.stream(),
                        e.shown().stream()
                            .map(x ->
                                (Edit)
                                    new Edit.ItemChanged(
                                        Optional.empty(),
                                        Optional.of(
                                            new SupplyReading(
                                                model.newId(),
                                                model.now().toInstant(),
                                                e.point(),
                                                x.kind(),
                                                x.value(),
                                                e.lineVolts(),
                                                e.meterOhms(),
                                                OptionalDouble.empty(),
                                                e.state(),
                                                OptionalDouble.empty(),
                                                "",
                                                last,
                                                clipped,
                                                OptionalDouble.empty())))))
                    .toList()),
            () -> {
              after.run();
              model.trace().chosenProperty().set(e.point());
            });
      }
      case BenchEntry.Notice e ->
          model.act(
              new Edit.ItemChanged(
                  Optional.empty(),
                  Optional.of(
                      new SupplySign(
                          model.newId(),
                          model.now().toInstant(),
                          e.sign(),
                          e.place(),
                          e.figure(),
                          e.said()))),
              after);
      case BenchEntry.KeepRail e -> {
        Optional<Rail> before = e.listed(model.job());
        model.act(
            new Edit.ItemChanged(before.map(r -> r), Optional.of(e.rail(before, model.newId()))),
            after);
      }
      case BenchEntry.Exchange e -> new Exchanges(model).made(e, choosing(after, e.old().ref()));
      case BenchEntry.ShowPart e -> choosing(after, e.part()).run();
    }
  }

  /** What the drawing promises at a point, in the place of what was promised there before. */
  private Edit promised(String point, BenchEntry.ReadSupply.Drawn drawn) {
    Optional<SupplyTarget> before =
        model.job().items(SupplyTarget.class).stream()
            .filter(t -> t.point().equalsIgnoreCase(point) && !t.alternating())
            .findFirst();
    return new Edit.ItemChanged(
        before.map(t -> t),
        Optional.of(
            new SupplyTarget(
                before.map(SupplyTarget::id).orElseGet(model::newId),
                before.map(SupplyTarget::point).orElse(point),
                drawn.volts(),
                drawn.tolerance().isPresent()
                    ? drawn.tolerance()
                    : before.map(SupplyTarget::tolerance).orElse(OptionalDouble.empty()),
                before.map(SupplyTarget::lineVolts).orElse(OptionalDouble.empty()),
                before.map(SupplyTarget::meterOhms).orElse(OptionalDouble.empty()),
                before.map(SupplyTarget::follows).orElse(SupplyTarget.Follows.UNSTATED))));
  }

  /** One edit as it is, several as one that undo takes back at once. */
  static Edit together(List<Edit> edits) {
    return edits.size() == 1 ? edits.getFirst() : new Edit.Together(edits);
  }

  /** A part leaves with everything that was written down of it. */
  static Edit removal(Job job, Part part) {
    return together(removals(job, part, Set.of(part.ref())));
  }

  /**
   * The edits by which one of several parts leaves; what ties it to another part that leaves too
   * goes with that one.
   */
  static List<Edit> removals(Job job, Part part, Set<PartRef> leaving) {
    List<Edit> edits = new ArrayList<>();
    job.of(part.ref(), OfPart.class)
        .forEach(i -> edits.add(new Edit.ItemChanged(Optional.of(i), Optional.empty())));
    job.items(Parallel.class).stream()
        .filter(p -> p.with().equals(part.ref()) && !leaving.contains(p.part()))
        .forEach(p -> edits.add(new Edit.ItemChanged(Optional.of(p), Optional.empty())));
    edits.add(new Edit.PartRemoved(part, job.readingsOf(part.ref())));
    return edits;
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
