package org.yellowhearth.workshop;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZonedDateTime;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.Gate;
import org.yellowhearth.core.safety.Hearth;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the window shows and does, without the window: the open job, its hearth, and every edit of
 * it. The screen shows an entry only once it is on the disk.
 */
public final class DeskModel {
  /** So often a shared shop is looked at for what other benches did. */
  private static final long EVERY_NANOS = 3_000_000_000L;

  private final Shop shop;
  private final Knowledge knowledge;
  private final Clock clock;
  private final Background background;
  private final Judge judge;
  private final Shelf shelf;
  private final BenchLineModel benchLine;
  private final PhotoModel photographs;

  private final Value<Optional<OpenJob>> open = new Value<>(Optional.empty());
  private final Value<ChargeReading> hearth = new Value<>(ChargeReading.UNKNOWN);
  private final Value<Optional<AskedGate>> gate = new Value<>(Optional.empty());
  private final Value<Stage> stage = new Value<>(Stage.ASSESS);
  private final Value<Optional<PartRef>> chosen = new Value<>(Optional.empty());
  private final Value<Boolean> reasonsShown = new Value<>(true);

  /**
   * Edits asked for while another is on its way to the disk; each is worked out only when its turn
   * comes.
   */
  private final Deque<Runnable> waiting = new ArrayDeque<>();

  /** What goes before all of them: that something was switched off. */
  private final Deque<Runnable> urgent = new ArrayDeque<>();

  /**
   * How often everything was stopped: what was begun before a stop does not switch anything on
   * after it.
   */
  private final AtomicInteger stops = new AtomicInteger();

  private final PartsModel parts;
  private final ImportModel imports;
  private final TraceModel trace;
  private final InstrumentsModel instruments;
  private final ReformModel reform;
  private final StockModel stock;
  private final ReplaceModel renew;
  private final FirstPowerModel wake;
  private final FinalTestModel prove;
  private final AgendaModel agenda;
  private final DossierModel dossier;
  private final SafekeepingModel safekeeping;
  private final ArchiveModel archive;
  private final CauseModel causes;
  private final PracticeModel practice;
  private Runnable beforeOpening = DeskModel::nothing;
  private boolean keeping;
  private long lookedNanos = Long.MIN_VALUE / 2;
  private final AtomicInteger ids = new AtomicInteger();

  /** A model over a shop. */
  public DeskModel(
      Shop shop, PhotoStore photographs, Knowledge knowledge, Clock clock, Background background) {
    this.shop = shop;
    this.knowledge = knowledge;
    this.clock = clock;
    this.background = background;
    this.judge = new Judge(knowledge);
    this.shelf =
        new Shelf(shop, photographs, knowledge, judge, background, this::now, this::judged);
    open.addListener((_, _, _) -> tick());
    this.benchLine = new BenchLineModel(this);
    this.photographs = new PhotoModel(this, photographs);
    this.parts = new PartsModel(this);
    this.imports = new ImportModel(this);
    this.trace = new TraceModel(this);
    this.instruments = new InstrumentsModel(this);
    this.reform = new ReformModel(this);
    this.stock = new StockModel(this, shop);
    this.renew = new ReplaceModel(this);
    this.wake = new FirstPowerModel(this);
    this.prove = new FinalTestModel(this);
    this.agenda = new AgendaModel(this, shop);
    this.dossier = new DossierModel(this);
    this.safekeeping = new SafekeepingModel(this, shop);
    this.archive = new ArchiveModel(this, shop);
    this.causes = new CauseModel(this);
    this.practice = new PracticeModel(this);
  }

  public Watched<Optional<OpenJob>> openProperty() {
    return open.watched();
  }

  /** What the open set holds, as of the last {@link #tick}. */
  public Watched<ChargeReading> hearthProperty() {
    return hearth.watched();
  }

  /** The gate at which somebody stands, if any; nothing else is done until it is answered. */
  public Watched<Optional<AskedGate>> gateProperty() {
    return gate.watched();
  }

  public Value<Stage> stageProperty() {
    return stage;
  }

  public Value<Optional<PartRef>> chosenProperty() {
    return chosen;
  }

  /** Whether the reasons stand at the right. */
  public Value<Boolean> reasonsShownProperty() {
    return reasonsShown;
  }

  public Knowledge knowledge() {
    return knowledge;
  }

  /** Who judges; jobs judged by it once are not judged again. */
  public Judge judge() {
    return judge;
  }

  /** The open job as it is judged. */
  JudgedJob judged() {
    return open.get().orElseThrow().judged();
  }

  public Background background() {
    return background;
  }

  public Shelf shelf() {
    return shelf;
  }

  public BenchLineModel benchLine() {
    return benchLine;
  }

  public PhotoModel photographs() {
    return photographs;
  }

  public PartsModel parts() {
    return parts;
  }

  public ImportModel imports() {
    return imports;
  }

  public TraceModel trace() {
    return trace;
  }

  public ReformModel reform() {
    return reform;
  }

  public StockModel stock() {
    return stock;
  }

  public ReplaceModel renew() {
    return renew;
  }

  public FirstPowerModel wake() {
    return wake;
  }

  public FinalTestModel prove() {
    return prove;
  }

  public PracticeModel practice() {
    return practice;
  }

  public CauseModel causes() {
    return causes;
  }

  public ArchiveModel archive() {
    return archive;
  }

  public SafekeepingModel safekeeping() {
    return safekeeping;
  }

  public DossierModel dossier() {
    return dossier;
  }

  public AgendaModel agenda() {
    return agenda;
  }

  public InstrumentsModel instruments() {
    return instruments;
  }

  /** The words of the open job's dialect. */
  public Words words() {
    return Words.of(
        open.get().map(o -> o.job().plate().dialect()).orElse(SetPlate.Dialect.BRITISH));
  }

  public ZonedDateTime now() {
    return ZonedDateTime.now(clock);
  }

  /** Tells the person something. */
  public void tell(String text, boolean trouble) {
    background.tell(text, trouble);
  }

  /** Tells of trouble once every edit asked for is done, so that no later edit wipes it away. */
  void tellLast(String trouble) {
    tellLast(trouble, true);
  }

  /** Tells something once every edit asked for is done. */
  void tellLast(String text, boolean trouble) {
    inTurn(() -> tell(text, trouble));
  }

  /** Lets the hearth go on to the present moment. */
  public void tick() {
    hearth.set(open.get().map(o -> o.hearth().at(clock.instant())).orElse(ChargeReading.UNKNOWN));
  }

  // --- opening and closing
  // -------------------------------------------------------------------------------------------

  /** Opens a job of the shelf at the stage where the work is. */
  public void openJob(String id) {
    shelf.open(id, this::show);
  }

  /** Opens a job at a stage, with a part chosen where there is one. */
  public void openJob(String id, Stage at, Optional<PartRef> part) {
    shelf.open(
        id,
        job -> {
          show(job);
          stage.set(at);
          part.filter(ref -> job.assessment(ref).isPresent())
              .ifPresent(ref -> chosen.set(Optional.of(ref)));
        });
  }

  /** A set arrives: a new job with a name on its plate. */
  public void arrive(String name) {
    shelf.arrive(name, this::show);
  }

  /** What has to stand before a job is opened. */
  public void beforeOpening(Runnable what) {
    beforeOpening = what;
  }

  private void show(OpenJob job) {
    beforeOpening.run();
    chosen.set(Optional.empty());
    benchLine.lineProperty().set("");
    background.hush();
    open.set(Optional.of(job));
    stage.set(job.job().census().isEmpty() ? Stage.ARRIVAL : Stage.ASSESS);
    chosen.set(job.assessments().stream().map(a -> a.part().ref()).findFirst());
  }

  /** Puts the job back on the shelf; there is nothing to save. */
  public void toShop() {
    if (wake.on()) {
      tell(Labels.of("firstpower.leave"), true);
      return;
    }
    gate.get().ifPresent(g -> g.leave().run());
    open.set(Optional.empty());
    chosen.set(Optional.empty());
    benchLine.lineProperty().set("");
    background.hush();
    shelf.refresh();
  }

  /** To be called often: where several benches share the shop, shows what another one did. */
  public void lookAround() {
    lookAround(System.nanoTime());
  }

  /** The same, with what the running clock of the computer shows. */
  public void lookAround(long nanos) {
    if (!shop.shared() || keeping || nanos - lookedNanos < EVERY_NANOS) {
      return;
    }
    lookedNanos = nanos;
    open.get()
        .ifPresentOrElse(
            o ->
                background.keep(
                    () -> shop.job(o.id()),
                    now -> {
                      if (now.journal().size() > o.job().journal().size() && !keeping) {
                        Entry first = now.journal().get(o.job().journal().size());
                        reopen(
                            o.id(),
                            Labels.of(
                                "shared.changed",
                                first.by().isEmpty() ? Labels.of("shared.somebody") : first.by(),
                                first.number()));
                      }
                    }),
            shelf::refresh);
  }

  private void reopen(String id, String said) {
    background.keep(
        () -> judged(id, shop.job(id)),
        job -> {
          if (open.get().map(OpenJob::id).filter(id::equals).isPresent()) {
            open.set(Optional.of(job));
            if (chosen.get().filter(ref -> job.assessment(ref).isEmpty()).isPresent()) {
              chosen.set(Optional.empty());
            }
            tell(said, false);
          }
        });
  }

  /** Writes the open job as a job file; a file that is there already is not touched. */
  public void takeOut(Path file) {
    shelf.takeOut(open.get().orElseThrow(), file);
  }

  /** Writes text into a new file; one that is there already is not touched. */
  public void save(Path file, String text) {
    save(file, text.getBytes(StandardCharsets.UTF_8));
  }

  /** The same with bytes. */
  public void save(Path file, byte[] bytes) {
    background.keep(() -> Shelf.written(file, bytes), told -> tell(told.text(), told.trouble()));
  }

  /** Chooses the next or the previous part of the census. */
  public void chooseBy(int step) {
    open.get()
        .ifPresent(o -> {
          List<PartRef> refs = o.assessments().stream().map(a -> a.part().ref()).toList();
          if (!refs.isEmpty()) {
            int now = chosen.get().map(refs::indexOf).orElse(step > 0 ? -1 : refs.size());
            chosen.set(Optional.of(refs.get(Math.clamp((long) now + step, 0, refs.size() - 1))));
          }
        });
  }

  // --- edits
  // ---------------------------------------------------------------------------------------------------------

  /** The open job as it stands. */
  public Job job() {
    return open.get().orElseThrow().job();
  }

  /** An id for a new item; later ones sort later. */
  public String newId() {
    return Long.toString(clock.millis(), 36)
        + "-"
        + String.format(Locale.ROOT, "%04d", ids.getAndIncrement());
  }

  /** Changes the set plate. */
  public void changePlate(UnaryOperator<SetPlate> change) {
    inTurn(() -> {
      SetPlate after = change.apply(job().plate());
      if (!after.equals(job().plate())) {
        act(new Edit.PlateChanged(job().plate(), after), DeskModel::nothing);
      }
    });
  }

  /** Changes the policy; every verdict follows. */
  public void changePolicy(Policy.School school) {
    inTurn(() -> {
      Policy after = job().policy().with(school);
      if (!after.equals(job().policy())) {
        act(new Edit.PolicyChanged(job().policy(), after), DeskModel::nothing);
      }
    });
  }

  /** Changes an aspect of the set; a change that cannot stand is told and not made. */
  public <A extends Aspect> void changeAspect(Class<A> type, UnaryOperator<A> change) {
    inTurn(() ->
        made(() -> {
          A before = job().aspect(type);
          A after = change.apply(before);
          if (!after.equals(before)) {
            act(new Edit.AspectChanged(before, after), DeskModel::nothing);
          }
        }));
  }

  /** Adds an item, or puts it in the place of the one with its id. */
  public void put(Item item) {
    inTurn(() -> {
      Optional<Item> before = job().item(item.id());
      if (!before.equals(Optional.of(item))) {
        act(new Edit.ItemChanged(before, Optional.of(item)), DeskModel::nothing);
      }
    });
  }

  /** Adds several items at once; one undo takes them back. */
  public void putAll(List<? extends Item> items) {
    inTurn(() ->
        act(
            BenchLineModel.together(
                items.stream()
                    .map(i -> (Edit) new Edit.ItemChanged(Optional.empty(), Optional.of(i)))
                    .toList()),
            DeskModel::nothing));
  }

  /** Takes an item out; undo brings it back. */
  public void take(Item item) {
    inTurn(() ->
        job()
            .item(item.id())
            .ifPresent(now ->
                act(new Edit.ItemChanged(Optional.of(now), Optional.empty()), DeskModel::nothing)));
  }

  /** Makes something of what was typed; what cannot stand is told, and answers false. */
  public boolean made(Runnable making) {
    try {
      making.run();
      return true;
    } catch (IllegalArgumentException e) {
      String why = String.valueOf(e.getMessage());
      tell(
          Character.toUpperCase(why.charAt(0)) + why.substring(1) + (why.endsWith(".") ? "" : "."),
          true);
      return false;
    }
  }

  /** Withdraws a reading; it stays in the journal. */
  public void withdraw(Reading reading) {
    inTurn(() -> {
      if (job().readings().contains(reading)) {
        act(new Edit.ReadingWithdrawn(reading), DeskModel::nothing);
      }
    });
  }

  /**
   * Something happened to the set: power, a measured voltage, a resistor clipped on or taken off.
   */
  public void happened(Edit.Event event) {
    inTurn(() -> act(event, DeskModel::nothing));
  }

  /**
   * The set was put under power, or switched off and unplugged; said a second time it changes
   * nothing. Off ends a first power that runs.
   */
  public void power(Edit.Power power) {
    if (power == Edit.Power.OFF) {
      wake.stop(PoweringUp.StopCause.PERSON, "");
      urgently(() ->
          record(
              job().power().equals(Optional.of(power))
                  ? List.of()
                  : List.of(new Edit.PowerSwitched(power))));
      return;
    }
    int before = stops.get();
    inTurn(() -> {
      if (before == stops.get() && !job().power().equals(Optional.of(power))) {
        act(new Edit.PowerSwitched(power), () -> toldOfPower(power));
      }
    });
  }

  /**
   * Whether an output of ours may be on: a first power or a reforming that runs, driven or by hand.
   */
  public boolean anythingOn() {
    return wake.on() || wake.beginning() || !reform.underVoltage().isEmpty();
  }

  /**
   * The stop of every window, key and page: whatever is open or asked, every output goes off at
   * once, and that it did is written down before anything else. Whoever stops says with it that the
   * set is off; where nothing of ours can see that, a look at it is asked for.
   */
  public void stopAll() {
    stops.incrementAndGet();
    wake.stop(PoweringUp.StopCause.PERSON, "");
    reform.stopAll();
    urgently(() -> record(off()));
    gate.get().ifPresent(g -> g.leave().run());
  }

  /** That the set is off, where it was under power. */
  List<Edit> off() {
    return job().power().equals(Optional.of(Edit.Power.LIT))
        ? List.of(new Edit.PowerSwitched(Edit.Power.OFF))
        : List.of();
  }

  /** Writes down what happened, all of it at once; before none of it anybody is asked anything. */
  void record(List<Edit> happened) {
    if (!happened.isEmpty()) {
      append(happened.stream().map(e -> (Act) new Act.Did(e)).toList(), DeskModel::nothing);
    }
  }

  /**
   * Writes down that a set which was said to be off is not: nobody asks for a reason to tell the
   * truth, it is given with it.
   */
  void stillOn(String answer) {
    if (!job().power().equals(Optional.of(Edit.Power.LIT))) {
      record(
          List.of(
              new Edit.Answered(Edit.Question.POWER_UNCHECKED, OptionalDouble.empty(), answer),
              new Edit.PowerSwitched(Edit.Power.LIT)));
    }
  }

  /** How often everything was stopped until now. */
  int stops() {
    return stops.get();
  }

  /** Counts a stop that a rule made. */
  void stopped() {
    stops.incrementAndGet();
  }

  /** Writes something down before every edit that waits. */
  void urgently(Runnable edit) {
    urgent.add(edit);
    nextInTurn();
  }

  /** At the moment of power the dangers that go with it are said again. */
  private void toldOfPower(Edit.Power power) {
    if (power == Edit.Power.LIT) {
      tell(
          Labels.of("echo.lit")
              + "  "
              + SetCautions.dangersAt(CautionRule.Moment.POWER, job(), knowledge).stream()
                  .map(c -> words().term("Danger." + c.id()))
                  .collect(Collectors.joining(" ")),
          false);
    }
  }

  /** Takes the last edit back. */
  public void undo() {
    inTurn(() ->
        job()
            .nextUndo()
            .ifPresentOrElse(
                entry -> act(new Act.Undid(entry), DeskModel::nothing),
                () -> tell(Labels.of("bench.nothing-to-undo"), false)));
  }

  /** Does the edit undone last again. */
  public void redo() {
    inTurn(() ->
        job()
            .nextRedo()
            .ifPresentOrElse(
                entry -> act(new Act.Redid(entry), DeskModel::nothing),
                () -> tell(Labels.of("bench.nothing-to-redo"), false)));
  }

  /**
   * Does something to the open job once nothing else is on its way to the disk, so that it starts
   * from what then stands.
   */
  void inTurn(Runnable edit) {
    waiting.add(edit);
    nextInTurn();
  }

  private void nextInTurn() {
    while (!keeping && !(urgent.isEmpty() && waiting.isEmpty())) {
      Runnable edit = urgent.isEmpty() ? waiting.remove() : urgent.remove();
      if (open.get().isPresent()) {
        edit.run();
      }
    }
  }

  /** Does an edit, after the gate that may stand before it. */
  void act(Edit edit, Runnable after) {
    act(new Act.Did(edit), after);
  }

  private void act(Act act, Runnable after) {
    tick();
    Optional<Gate> before = Gate.before(act, job(), hearth::get, clock.instant());
    if (before.isEmpty()) {
      append(List.of(act), after);
      return;
    }
    keeping = true;
    Gate asked = before.get();
    gate.set(
        Optional.of(
            new AskedGate(
                asked,
                answer -> {
                  gate.set(Optional.empty());
                  Edit answered = new Edit.Answered(asked.question(), asked.volts(), answer);
                  append(List.of(new Act.Did(answered), act), after);
                },
                () -> {
                  gate.set(Optional.empty());
                  keeping = false;
                  nextInTurn();
                })));
  }

  private void append(List<Act> acts, Runnable after) {
    String id = open.get().orElseThrow().id();
    keeping = true;
    background.keep(
        () -> judged(id, shop.append(id, acts, now())),
        job -> {
          background.hush();
          if (open.get().map(OpenJob::id).filter(id::equals).isPresent()) {
            open.set(Optional.of(job));
            if (chosen.get().filter(ref -> job.assessment(ref).isEmpty()).isPresent()) {
              chosen.set(Optional.empty());
            }
          }
          after.run();
        },
        () -> {
          keeping = false;
          nextInTurn();
        });
  }

  private static void nothing() {
    // What some edits do once they are on the disk.
  }

  private OpenJob judged(String id, Job job) {
    return new OpenJob(id, judge.of(job, now().toLocalDate()), Hearth.of(job, knowledge));
  }
}
