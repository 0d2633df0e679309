package org.yellowhearth.workshop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.Ceiling;
import org.yellowhearth.core.replace.ChoiceEffect;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.DeviceSearch;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.Glance;
import org.yellowhearth.core.replace.KitMatch;
import org.yellowhearth.core.replace.MainsWork;
import org.yellowhearth.core.replace.RectifierChange;
import org.yellowhearth.core.replace.ResistorSearch;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Renew without the window: which parts want others, what could take their places, what was chosen
 * and what it does, and how far the bench has come. What takes long runs beside the window.
 */
public final class ReplaceModel {
  private static final double RESISTOR_TOLERANCE = 0.1;
  private static final int RESISTORS = 20;
  private static final double USUAL_WATTS = 0.5;
  private static final double SUPPLY_SHARE = 0.7;

  private final DeskModel model;
  private final LongWork answering;
  private final LongWork effects;
  private final LongWork sums;
  private final LongWork glancing;
  private final Value<List<Row>> rows = new Value<>(List.of());
  private final Value<Optional<Answer>> answer = new Value<>(Optional.empty());
  private final Value<Optional<ChoiceEffect>> effect = new Value<>(Optional.empty());
  private final Value<Optional<Glance>> glance = new Value<>(Optional.empty());
  private final Value<Optional<KitMatch>> match = new Value<>(Optional.empty());
  private final Value<Map<String, RectifierChange>> changes = new Value<>(Map.of());
  private final Value<Optional<MainsWork>> mains = new Value<>(Optional.empty());
  private Optional<Substitute> preview = Optional.empty();
  private List<?> asked = List.of();
  private List<?> askedEffect = List.of();
  private List<?> askedGlance = List.of();
  private List<?> basis = List.of();

  /** Worked out beside the window, read there only. */
  private volatile Optional<Places> known = Optional.empty();

  /**
   * A part that wants another, or has one chosen.
   *
   * @param condemned whether its verdict says so
   */
  public record Row(Part part, boolean condemned, Optional<Choice> choice, Fitting fitting) {
    public PartRef ref() {
      return part.ref();
    }
  }

  /** What could take the place of a part. */
  public sealed interface Answer {
    PartRef ref();

    /** For a capacitor. */
    record ForCapacitor(Substitutes of) implements Answer {
      @Override
      public PartRef ref() {
        return of.part().ref();
      }
    }

    /**
     * For a resistor.
     *
     * @param watts that were asked for
     */
    record ForResistor(Resistor part, double watts, List<ResistorSearch.Found> found)
        implements Answer {
      public ForResistor {
        found = List.copyOf(found);
      }

      @Override
      public PartRef ref() {
        return part.ref();
      }
    }

    /** For a semiconductor or a valve. */
    record ForDevice(Part part, List<DeviceSearch.Found> found) implements Answer {
      public ForDevice {
        found = List.copyOf(found);
      }

      @Override
      public PartRef ref() {
        return part.ref();
      }
    }
  }

  /** What the places of a supply ask, worked out once for a supply. */
  private record Places(
      List<?> of,
      SupplyModel drawn,
      Map<PartRef, Demand> demands,
      Map<PartRef, Optional<Ceiling>> ceilings) {
    Demand demand(Job job, Capacitor c, Knowledge knowledge) {
      return Optional.ofNullable(demands.get(c.ref()))
          .map(d -> d.with(c.workingVolts()))
          .orElseGet(() -> Demand.typed(job, c, knowledge));
    }
  }

  ReplaceModel(DeskModel model) {
    this.model = model;
    answering = new LongWork(model.background());
    effects = new LongWork(model.background());
    sums = new LongWork(model.background());
    glancing = new LongWork(model.background());
    model.openProperty().addListener((_, _, _) -> jobChanged());
    model.stageProperty().addListener((_, _, _) -> jobChanged());
    model
        .chosenProperty()
        .addListener((_, _, _) -> {
          preview = Optional.empty();
          ask();
        });
    model.stock().shelvedProperty().addListener((_, _, _) -> ask());
  }

  /** The parts that want others, in the order of the census. */
  public Watched<List<Row>> rowsProperty() {
    return rows.watched();
  }

  /** What could take the place of the chosen part, once worked out. */
  public Watched<Optional<Answer>> answerProperty() {
    return answer.watched();
  }

  /** What all that is chosen does to the supply, and what is looked at with it. */
  public Watched<Optional<ChoiceEffect>> effectProperty() {
    return effect.watched();
  }

  /** Which part of the drawer or a kit goes where, once asked. */
  public Watched<Optional<KitMatch>> matchProperty() {
    return match.watched();
  }

  /** What silicon would make of rectifiers, by the ids of their sections, once asked. */
  public Watched<Map<String, RectifierChange>> changesProperty() {
    return changes.watched();
  }

  /** The sums of the mains side, once asked. */
  public Watched<Optional<MainsWork>> mainsProperty() {
    return mains.watched();
  }

  /** What would come first everywhere, once asked. */
  public Watched<Optional<Glance>> glanceProperty() {
    return glance.watched();
  }

  /** The look at all places. */
  public LongWork glancing() {
    return glancing;
  }

  /** The search for substitutes. */
  public LongWork answering() {
    return answering;
  }

  /** The sums that are asked for: a match, a rectifier, the mains side. */
  public LongWork sums() {
    return sums;
  }

  private void jobChanged() {
    Optional<OpenJob> open = model.openProperty().get();
    if (open.isEmpty() || model.stageProperty().get() != Stage.REPLACE) {
      answering.stop();
      effects.stop();
      sums.stop();
      glancing.stop();
      asked = List.of();
      if (open.isEmpty()) {
        known = Optional.empty();
        forget(List.of());
        rows.set(List.of());
      }
      return;
    }
    Job job = open.get().job();
    List<?> now =
        List.of(
            open.get().id(),
            job.items(SupplySection.class),
            job.census(),
            job.plate(),
            job.items(RectifierSwap.class).stream().anyMatch(RectifierSwap::swapped));
    if (!now.equals(basis)) {
      forget(now);
    }
    rows.set(
        open.get().assessments().stream()
            .map(a -> row(job, a))
            .filter(r -> r.condemned || r.choice.isPresent())
            .toList());
    if (model.stock().shelvedProperty().get().isEmpty()) {
      model.stock().refresh();
    }
    ask();
    workEffect();
  }

  private void forget(List<?> now) {
    basis = now;
    answer.set(Optional.empty());
    effect.set(Optional.empty());
    glance.set(Optional.empty());
    match.set(Optional.empty());
    changes.set(Map.of());
    mains.set(Optional.empty());
    asked = List.of();
    askedEffect = List.of();
    askedGlance = List.of();
  }

  private static Row row(Job job, Assessment a) {
    PartRef ref = a.part().ref();
    return new Row(a.part(), a.verdict() == Verdict.REPLACE, choice(job, ref), fitting(job, ref));
  }

  private static Optional<Choice> choice(Job job, PartRef ref) {
    return job.of(ref, Choice.class).stream().findFirst();
  }

  private static Fitting fitting(Job job, PartRef ref) {
    return job.of(ref, Fitting.class).stream().findFirst().orElse(Fitting.of(ref));
  }

  /** The row of a part, one that wants no other too. */
  public Optional<Row> row(PartRef ref) {
    return model.openProperty().get().flatMap(o -> o.assessment(ref).map(a -> row(o.job(), a)));
  }

  // --- what could take its place
  // -------------------------------------------------------------------------------------------

  private void ask() {
    Optional<PartRef> ref = model.chosenProperty().get();
    Optional<StockModel.Shelved> shelved = model.stock().shelvedProperty().get();
    if (model.openProperty().get().isEmpty()
        || model.stageProperty().get() != Stage.REPLACE
        || ref.isEmpty()
        || shelved.isEmpty()) {
      return;
    }
    Job job = model.job();
    Part part = job.part(ref.get()).orElseThrow();
    List<?> now =
        List.of(
            basis,
            part,
            job.policy(),
            job.of(ref.get(), Place.class),
            job.of(ref.get(), Body.class),
            job.aspect(MainsEntry.class),
            choice(job, ref.get()).map(Choice::standing),
            shelved.get().stock().acts(),
            shelved.get().uses());
    if (now.equals(asked)) {
      return;
    }
    asked = now;
    List<?> of = basis;
    if (answer.get().map(a -> !a.ref().equals(ref.get())).orElse(false)) {
      answer.set(Optional.empty());
    }
    answering.start((watcher, show) ->
        answer(job, part, shelved.get(), of, watcher)
            .ifPresent(a -> show.accept(() -> answer.set(Optional.of(a)))));
  }

  private Optional<Answer> answer(
      Job job, Part part, StockModel.Shelved shelved, List<?> of, Watcher watcher) {
    return switch (part) {
      case Capacitor c -> {
        Places places = places(job, of, s -> watcher.goOn(SUPPLY_SHARE * s));
        yield Optional.of(
            new Answer.ForCapacitor(
                Substitutes.of(
                    question(job, c, places, shelved, s -> watcher.goOn(SUPPLY_SHARE + 0.2 * s)))));
      }
      case Resistor r -> {
        double watts = r.watts().orElse(USUAL_WATTS);
        yield Optional.of(
            new Answer.ForResistor(
                r,
                watts,
                ResistorSearch.of(
                    shelved.toBeHad(), r.ohms(), watts, RESISTOR_TOLERANCE, RESISTORS)));
      }
      default ->
          Optional.of(
              new Answer.ForDevice(part, DeviceSearch.of(part, job, model.knowledge().devices())));
    };
  }

  /** Looks at every place that wants a part and has none chosen; nothing where that is known. */
  public void glance() {
    Optional<StockModel.Shelved> shelved = model.stock().shelvedProperty().get();
    if (model.openProperty().get().isEmpty() || shelved.isEmpty()) {
      return;
    }
    Job job = model.job();
    List<Part> wanting =
        rows.get().stream().filter(r -> r.choice.isEmpty()).map(Row::part).toList();
    List<?> now =
        List.of(
            basis,
            wanting,
            job.policy(),
            job.items(Place.class),
            job.items(Body.class),
            job.aspect(MainsEntry.class),
            shelved.get().stock().acts(),
            shelved.get().uses());
    if (now.equals(askedGlance)) {
      return;
    }
    askedGlance = now;
    List<?> of = basis;
    StockModel.Shelved stock = shelved.get();
    glancing.start((watcher, show) -> {
      Places places = places(job, of, s -> watcher.goOn(SUPPLY_SHARE * s));
      Glance found =
          Glance.of(
              wanting,
              job,
              model.knowledge().devices(),
              stock.toBeHad(),
              stock.uses(),
              (c, left) -> Substitutes.of(question(job, c, places, stock, left, watcher)),
              n -> watcher.goOn(SUPPLY_SHARE + (1 - SUPPLY_SHARE) * n / wanting.size()));
      show.accept(() -> glance.set(Optional.of(found)));
    });
  }

  /** Takes what stands first at these places, as one step. */
  public void take(List<Glance.Line> lines) {
    preview = Optional.empty();
    Job job = model.job();
    List<Choice> made =
        lines.stream().flatMap(l -> l.first().stream()).map(c -> kept(job, c)).toList();
    if (!made.isEmpty()) {
      model.putAll(made);
    }
  }

  private Substitutes.Question question(
      Job job, Capacitor c, Places places, StockModel.Shelved shelved, Watcher watcher) {
    return question(job, c, places, shelved, shelved.toBeHad(), watcher);
  }

  private Substitutes.Question question(
      Job job,
      Capacitor c,
      Places places,
      StockModel.Shelved shelved,
      List<StockPart> stock,
      Watcher watcher) {
    Optional<Ceiling> ceiling =
        places.ceilings.computeIfAbsent(c.ref(), ref -> ceiling(job, c, places, watcher));
    return new Substitutes.Question(
        job,
        c,
        places.demand(job, c, model.knowledge()),
        ceiling,
        stock,
        shelved.uses(),
        model.knowledge(),
        model.now().getYear());
  }

  private Optional<Ceiling> ceiling(Job job, Capacitor c, Places places, Watcher watcher) {
    try {
      return Ceiling.of(places.drawn, job, model.knowledge(), c.ref(), c.farads(), watcher);
    } catch (BadCircuitException | NoSolutionException _) {
      // The places then ask what was typed, and the answer says so by its circumstance.
      return Optional.empty();
    }
  }

  /** What the places of the job's supply ask; kept for as long as the supply is the same. */
  private Places places(Job job, List<?> of, Watcher watcher) {
    return known
        .filter(p -> p.of.equals(of))
        .orElseGet(() -> {
          SupplyModel drawn = drawn(job);
          boolean silicon =
              job.items(RectifierSwap.class).stream().anyMatch(RectifierSwap::swapped);
          Map<PartRef, Demand> demands = Map.of();
          try {
            demands = drawn.supply().map(s -> Demand.of(s, silicon, watcher)).orElse(Map.of());
          } catch (BadCircuitException | NoSolutionException _) {
            // A supply without a steady state asks nothing that could be known.
            demands = Map.of();
          }
          Places places = new Places(of, drawn, demands, new ConcurrentHashMap<>());
          known = Optional.of(places);
          return places;
        });
  }

  private SupplyModel drawn(Job job) {
    return model.judge().of(job, model.now().toLocalDate()).supply(SupplyModel.View.AS_DRAWN);
  }

  // --- what it does
  // --------------------------------------------------------------------------------------------------------

  /** Looks at a substitute for the chosen part before it is chosen. */
  public void look(Optional<Substitute> at) {
    preview = at;
    workEffect();
  }

  private void workEffect() {
    if (model.openProperty().get().isEmpty() || model.stageProperty().get() != Stage.REPLACE) {
      return;
    }
    Job job = model.job();
    Map<PartRef, ChoiceEffect.New> all = new HashMap<>(ChoiceEffect.chosen(job, model.knowledge()));
    model
        .chosenProperty()
        .get()
        .ifPresent(ref -> preview.ifPresent(p -> all.put(ref, ChoiceEffect.of(p.combination()))));
    List<RectifierSwap> swaps =
        job.items(RectifierSwap.class).stream().filter(RectifierSwap::swapped).toList();
    List<?> now = List.of(basis, all, swaps);
    if (now.equals(askedEffect)) {
      return;
    }
    askedEffect = now;
    List<?> of = basis;
    effects.start((watcher, show) -> {
      Places places = places(job, of, watcher);
      Optional<ChoiceEffect> found =
          all.isEmpty() && swaps.isEmpty()
              ? Optional.empty()
              : ChoiceEffect.of(places.drawn, all, swaps, watcher);
      show.accept(() -> effect.set(found));
    });
  }

  // --- choosing
  // ------------------------------------------------------------------------------------------------------------

  /** Chooses a substitute; what was decided of the old part before stands. */
  public void choose(Substitutes of, Substitute substitute) {
    PartRef ref = of.part().ref();
    Choice made = substitute.choice(ref, of.worstVolts());
    choose(made);
  }

  /** Chooses a device. */
  public void choose(PartRef ref, DeviceSearch.Found found) {
    choose(found.choice(ref));
  }

  /** Chooses resistors. */
  public void choose(PartRef ref, ResistorSearch.Found found) {
    choose(found.choice(ref));
  }

  private void choose(Choice made) {
    preview = Optional.empty();
    model.put(kept(model.job(), made));
  }

  /** A choice with the way and the reason of the one it takes the place of. */
  private static Choice kept(Job job, Choice made) {
    return choice(job, made.part())
        .map(old ->
            new Choice(
                made.id(),
                made.part(),
                made.joined(),
                made.groups(),
                made.balanceOhms(),
                old.way(),
                old.standing(),
                old.reason()))
        .orElse(made);
  }

  /** Takes a choice back; what was ticked at the bench stands against it. */
  public void unchoose(PartRef ref) {
    model.made(() -> {
      if (fitting(model.job(), ref).fitted()) {
        throw new IllegalArgumentException(Labels.of("replace.fitted-already", ref));
      }
      choice(model.job(), ref).ifPresent(model::take);
    });
  }

  /** Says more of a choice: what becomes of the old part, whether it stands under voltage, why. */
  public void say(PartRef ref, Choice.Way way, boolean standing, String reason) {
    choice(model.job(), ref)
        .ifPresent(c ->
            model.put(
                new Choice(
                    c.id(),
                    c.part(),
                    c.joined(),
                    c.groups(),
                    c.balanceOhms(),
                    way,
                    standing,
                    reason)));
  }

  // --- at the bench
  // --------------------------------------------------------------------------------------------------------

  /** Changes how far the exchange of a part has come; what cannot be is told. */
  public void fit(PartRef ref, Consumer<Fitting.Draft> change) {
    model.inTurn(() ->
        model.made(() -> {
          Fitting before = fitting(model.job(), ref);
          Fitting after = before.with(change);
          if (after.checked()
              && !before.checked()
              && polar(ref)
              && after.sign() != Fitting.MeterSign.RIGHT) {
            throw new IllegalArgumentException(Labels.of("replace.sheet.sign-first", ref));
          }
          if (after.fitted() && !before.fitted() && choice(model.job(), ref).isEmpty()) {
            throw new IllegalArgumentException(Labels.of("replace.sheet.nothing-chosen", ref));
          }
          model.put(after);
        }));
  }

  /** Whether what was chosen for a part has a plus and a minus. */
  public boolean polar(PartRef ref) {
    return choice(model.job(), ref).stream()
        .flatMap(c -> c.all().stream())
        .anyMatch(t ->
            t.ware() instanceof CapacitorWare w
                && model.knowledge().kinds().containsKey(w.kind())
                && model.knowledge().kind(w.kind()).polarised());
  }

  /** Something else to be done at the bench. */
  public boolean task(BenchTask.Doing doing, String where, String what) {
    return model.made(
        () -> model.put(new BenchTask(model.newId(), doing, where.strip(), what.strip(), false)));
  }

  /** Every can of the set with its sections. */
  public Map<PartRef, List<Capacitor>> cans() {
    Map<PartRef, List<Capacitor>> cans = new LinkedHashMap<>();
    model.job().capacitors().stream()
        .filter(Capacitor::section)
        .sorted(Comparator.comparing(Capacitor::ref))
        .forEach(c -> cans.computeIfAbsent(c.ref().whole(), _ -> new ArrayList<>()).add(c));
    return cans;
  }

  /** What becomes of a can, with all its sections at once. */
  public void can(CanWork work) {
    model.inTurn(() -> {
      List<Item> after = new ArrayList<>(List.of(work));
      model.job().items(Choice.class).stream()
          .filter(c -> c.part().whole().equals(work.can()))
          .forEach(c -> after.add(c.with(work.way())));
      together(after, Optional.empty());
    });
  }

  /** Puts items in as one act, and takes one out; nothing where all of it stands already. */
  private void together(List<Item> items, Optional<Item> out) {
    Job job = model.job();
    List<Edit> edits = new ArrayList<>();
    items.stream()
        .filter(i -> !job.item(i.id()).equals(Optional.of(i)))
        .forEach(i -> edits.add(new Edit.ItemChanged(job.item(i.id()), Optional.of(i))));
    out.ifPresent(i -> edits.add(new Edit.ItemChanged(Optional.of(i), Optional.empty())));
    if (!edits.isEmpty()) {
      model.act(BenchLineModel.together(edits), () -> {});
    }
  }

  /** The rectifiers of the supply. */
  public List<SupplyRectifier> rectifiers() {
    return model.job().items(SupplyRectifier.class);
  }

  /**
   * Decides about a rectifier; silicon becomes a step of the fitting sheet, and goes from it where
   * the old one stays after all.
   */
  public void decide(RectifierSwap swap, String step) {
    model.inTurn(() -> {
      String id = FittingSheet.stepOf(swap);
      if (swap.swapped()) {
        together(
            List.of(
                swap,
                new BenchTask(
                    id, BenchTask.Doing.OTHER, Labels.of("replace.rectifier.place"), step, false)),
            Optional.empty());
      } else {
        together(List.of(swap), model.job().item(id));
      }
    });
  }

  // --- sums that are asked for
  // ---------------------------------------------------------------------------------------------

  /** Works out what silicon makes of a rectifier. */
  public void workRectifier(SupplyRectifier r) {
    Job job = model.job();
    List<?> of = basis;
    boolean slow = r.heating() == SupplyRectifier.Heating.INDIRECT;
    sums.start((watcher, show) -> {
      SupplyModel drawn = places(job, of, _ -> watcher.goOn(0)).drawn;
      Map<PartRef, Double> ratings = new HashMap<>();
      job.capacitors().forEach(c -> rated(job, c).ifPresent(v -> ratings.put(c.ref(), v)));
      try {
        Optional<RectifierChange> found =
            drawn.supply().flatMap(s -> RectifierChange.of(s, r.name(), slow, ratings, watcher));
        show.accept(() ->
            found.ifPresentOrElse(
                c -> {
                  Map<String, RectifierChange> all = new HashMap<>(changes.get());
                  all.put(r.id(), c);
                  changes.set(Map.copyOf(all));
                },
                () -> model.tell(Labels.of("replace.rectifier.unknown", r.name()), true)));
      } catch (BadCircuitException | NoSolutionException e) {
        show.accept(() ->
            model.tell(Labels.of("replace.rectifier.trouble", r.name(), e.getMessage()), true));
      }
    });
  }

  /** What stands in a place is made for: the new part where one was chosen. */
  private static OptionalDouble rated(Job job, Capacitor c) {
    OptionalDouble chosen =
        choice(job, c.ref())
            .filter(x -> x.all().size() == 1)
            .flatMap(x -> x.all().stream().findFirst())
            .filter(t -> t.ware() instanceof CapacitorWare)
            .map(t -> OptionalDouble.of(((CapacitorWare) t.ware()).volts()))
            .orElse(OptionalDouble.empty());
    return chosen.isPresent() ? chosen : c.ratedVolts();
  }

  /** Works out the mains side. */
  public void workMains() {
    Job job = model.job();
    List<?> of = basis;
    sums.start((watcher, show) -> {
      Optional<MainsWork> found =
          MainsWork.of(job, places(job, of, _ -> watcher.goOn(0)).drawn.supply(), watcher);
      show.accept(() ->
          found.ifPresentOrElse(
              m -> mains.set(Optional.of(m)),
              () -> model.tell(Labels.of("replace.mains.no-plate"), true)));
    });
  }

  /** Matches the drawer to every place that is open. */
  public void matchDrawer() {
    model.stock().shelvedProperty().get().ifPresent(s -> match(s, s.stock().drawer(), Map.of()));
  }

  /** Brings a bought kit into the drawer and matches it to every place that is open. */
  public void matchKit(Path file) {
    model
        .stock()
        .bringInKit(
            file,
            (kit, places) ->
                model.stock().shelvedProperty().get().ifPresent(s -> match(s, kit, places)));
  }

  private void match(
      StockModel.Shelved shelved, List<StockPart> lines, Map<String, List<PartRef>> places) {
    Job job = model.job();
    List<?> of = basis;
    List<Capacitor> open =
        rows.get().stream()
            .filter(r -> !r.fitting.fitted())
            .map(Row::part)
            .filter(Capacitor.class::isInstance)
            .map(Capacitor.class::cast)
            .toList();
    if (open.isEmpty()) {
      model.tell(Labels.of("replace.kit.nothing-open"), false);
      return;
    }
    // What is promised to a place of this job that is open is free for it again.
    Map<String, Long> own = new HashMap<>();
    open.forEach(c ->
        choice(job, c.ref()).stream()
            .flatMap(x -> x.all().stream())
            .filter(t -> t.whence() == Whence.DRAWER)
            .forEach(t -> own.merge(t.stock(), 1L, Long::sum)));
    List<StockPart> kit =
        lines.stream()
            .filter(p -> !p.withdrawn() && p.ware() instanceof CapacitorWare)
            .flatMap(p ->
                Collections.nCopies(
                    (int) Math.max(0, shelved.uses().free(p) + own.getOrDefault(p.id(), 0L)), p)
                    .stream())
            .toList();
    sums.start((watcher, show) -> {
      Places asked = places(job, of, s -> watcher.goOn(SUPPLY_SHARE * s));
      List<Substitutes.Question> questions =
          open.stream().map(c -> question(job, c, asked, shelved, watcher)).toList();
      KitMatch found = KitMatch.of(questions, kit, places);
      show.accept(() -> match.set(Optional.of(found)));
    });
  }

  /** Makes choices of a match, all at once; one undo takes them back. */
  public void acceptMatch() {
    match
        .get()
        .filter(m -> !m.placed().isEmpty())
        .ifPresent(m ->
            model.inTurn(() -> {
              Job job = model.job();
              List<Edit> edits =
                  m.placed().stream()
                      .map(p -> kept(job, Choice.one(p.part(), p.ware().taken())))
                      .filter(c -> !job.item(c.id()).equals(Optional.of(c)))
                      .map(c -> (Edit) new Edit.ItemChanged(job.item(c.id()), Optional.of(c)))
                      .toList();
              if (edits.isEmpty()) {
                model.tell(Labels.of("replace.kit.chosen-already"), false);
              } else {
                model.act(
                    BenchLineModel.together(edits),
                    () -> model.tell(Labels.of("replace.kit.chosen", edits.size()), false));
              }
            }));
  }
}
