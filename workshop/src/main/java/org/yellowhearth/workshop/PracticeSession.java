package org.yellowhearth.workshop;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Consumer;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Examiner;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.FormingParts;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PowerSpan;
import org.yellowhearth.core.practice.PracticeRail;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Spent;
import org.yellowhearth.core.practice.TrueSupply;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reform.FormingCapacitor;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.instruments.bench.Parts;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * One exercise at the practice bench, without the window: a set with hidden faults in a shop of its
 * own, worked at through the very stages of real work. Only the meters are of the practice bench,
 * and the stand-in instruments that the stages bring along: they show what is truly there.
 */
public final class PracticeSession {
  private static final double METER_OHMS = 10e6;
  private static final double METER = 0.005;
  private static final Duration WAIT = Duration.ofMinutes(10);

  private final DeskModel model;
  private final Exercise exercise;
  private final Random random;
  private final Value<Optional<Debrief>> debrief = new Value<>(Optional.empty());
  private final List<PartRef> channels;
  private final List<String> points;
  private final Consumer<Duration> forward;
  private int hints;
  private boolean over;
  private Optional<PowerSpan> span = Optional.empty();
  private Optional<FullPower.Wreck> doom = Optional.empty();

  /**
   * Puts the set of an exercise on the bench of a model over an empty shop.
   *
   * @param forward puts the clock of the model forward
   */
  public PracticeSession(
      DeskModel model, Shop shop, Exercise exercise, Consumer<Duration> forward) {
    this.forward = forward;
    this.model = model;
    this.exercise = exercise;
    this.random = new Random(exercise.seed());
    var forming = FormingParts.of(exercise, model.knowledge());
    this.channels = List.copyOf(forming.keySet());
    Job beginning = exercise.job(model.now());
    this.points =
        SupplyModel.of(
                beginning, model.knowledge(), SupplyModel.View.AS_DRAWN, OptionalDouble.empty())
            .points();
    model.instruments().lay(() -> parts(List.copyOf(forming.values())), channels);
    model
        .wake()
        .lines()
        .hide(
            s -> TrueSupply.hidden(s, exercise, model.job()),
            () -> exercise.overSetting(model.job()));
    model.stock().refresh();
    model.background().keep(() -> shop.add(beginning), id -> model.openJob(id));
  }

  /** One for each channel; the last ones twice where there are fewer. */
  private static Parts parts(List<FormingCapacitor.Make> makes) {
    List<FormingCapacitor.Make> all = new ArrayList<>(makes);
    while (!all.isEmpty() && all.size() < ReformModel.CHANNELS) {
      all.add(all.getLast());
    }
    return Parts.of(all);
  }

  public DeskModel model() {
    return model;
  }

  public Exercise exercise() {
    return exercise;
  }

  /** What came of it; none while it goes on. */
  public Watched<Optional<Debrief>> debriefProperty() {
    return debrief.watched();
  }

  /**
   * Where a meter can be clipped while the set is under power: the points of its supply, and the
   * mains; nothing where none is drawn.
   */
  public List<String> points() {
    return points;
  }

  /**
   * The channel of the stand-in leakage meter that a part hangs on; none where it cannot be formed.
   */
  public Optional<Integer> channel(PartRef part) {
    int at = channels.indexOf(part);
    return at < 0 ? Optional.empty() : Optional.of(at + 1);
  }

  /** What has gone into it so far. */
  public Spent spent() {
    return Spent.of(exercise, model.job(), stock());
  }

  private List<StockPart> stock() {
    return model
        .stock()
        .shelvedProperty()
        .get()
        .map(s -> List.copyOf(s.byId().values()))
        .orElse(List.of());
  }

  private boolean over() {
    return over || model.openProperty().get().isEmpty();
  }

  // --- what is measured and seen
  // -------------------------------------------------------------------------------------------

  private Optional<Part> chosen() {
    Optional<Part> part = model.chosenProperty().get().flatMap(model.job()::part);
    if (part.isEmpty()) {
      model.tell(Labels.of("practice.choose"), false);
    }
    return part;
  }

  /**
   * Measures the chosen part. Who puts a meter that wants no charge, and the fingers with it, on a
   * charged rail learns why not.
   */
  public void measure(Measuring how) {
    if (over()) {
      return;
    }
    chosen()
        .ifPresent(part -> {
          PartRef ref = part.ref();
          boolean onRail = exercise.rail().parts().contains(ref);
          double volts = PracticeRail.volts(exercise, model.job(), model.now().toInstant());
          if (lit() || (onRail && volts > PracticeRail.HURTS)) {
            end(
                Message.of(
                    PracticeWords.TOUCHED,
                    Quantity.volts(lit() ? exercise.rail().volts() : volts)));
            return;
          }
          Optional<Figures> shown = how.read(part, exercise.now(model.job(), ref), random);
          if (shown.isEmpty()) {
            model.tell(Labels.of("practice.no-use", model.words().word(how), ref), false);
            return;
          }
          Reading reading =
              new Reading(
                  model.newId(),
                  ref,
                  model.now().toInstant(),
                  shown.get(),
                  how.conditions(part),
                  "");
          model.inTurn(() ->
              model.act(
                  new Edit.ReadingKept(reading),
                  () -> {
                    // It stands in the job now.
                  }));
        });
  }

  private boolean lit() {
    return model.job().power().filter(Edit.Power.LIT::equals).isPresent();
  }

  /** Looks at the chosen part closely; what there is to be seen is written down. */
  public void look() {
    if (over()) {
      return;
    }
    chosen()
        .ifPresent(part -> {
          PartRef ref = part.ref();
          Optional<VisualInspection.Sign> sign = exercise.now(model.job(), ref).ailment().shows();
          sign.ifPresent(s -> model.put(VisualInspection.of(ref, s, "")));
          model.tellLast(
              sign.map(s -> Labels.of("practice.seen", ref, model.words().word(s)))
                  .orElse(Labels.of("practice.seen-nothing", ref)),
              false);
        });
  }

  /**
   * Looks at the mains side with the plug out; what the voltage setting stands at is written down.
   */
  public void lookAtMains() {
    if (!over()) {
      double volts = exercise.setting(model.job());
      model.changeAspect(
          MainsEntry.class, e -> e.with(d -> d.settingVolts = OptionalDouble.of(volts)));
      model.tellLast(
          Labels.of(
              "practice.mains",
              Quantity.volts(volts),
              exercise
                  .plate()
                  .mains()
                  .map(SetPlate.Mains::volts)
                  .map(Quantity::volts)
                  .map(Quantity::toString)
                  .orElse("—")),
          false);
    }
  }

  /** Puts the meter across the rail of a set that is switched off. */
  public void measureRail() {
    if (!over()) {
      double volts = PracticeRail.volts(exercise, model.job(), model.now().toInstant());
      boolean asFound =
          exercise.charged() == 0
              && model.job().events().stream()
                  .noneMatch(h ->
                      h.event() instanceof Edit.PowerSwitched || h.event() instanceof Edit.ClipPut);
      model.happened(
          new Edit.VoltsMeasured(exercise.rail().id(), Math.round(volts * 10) / 10.0, asFound));
      model.tellLast(
          Labels.of("practice.rail", exercise.rail().name(), Math.round(volts * 10) / 10.0),
          volts > PracticeRail.HURTS);
    }
  }

  /**
   * Reads a point of the supply under full mains with clips that were put on before; of the mains
   * the watts.
   */
  public void readPoint(String point, boolean alternating) {
    if (over()) {
      return;
    }
    Optional<PowerSpan> on = PowerSpan.last(model.job()).filter(s -> s.to().isEmpty());
    if (on.isEmpty()) {
      model.tell(Labels.of("practice.not-on"), false);
      return;
    }
    if (on.get().share() < 1) {
      model.tell(Labels.of("practice.ramp-reads"), false);
      return;
    }
    Job job = model.job();
    Kind kind =
        point.equals(SupplyMains.POINT) ? Kind.WATTS : alternating ? Kind.TRUE_RMS : Kind.DIRECT;
    model
        .background()
        .aside(
            () -> shows(job, point, kind),
            shown ->
                shown.ifPresentOrElse(
                    v -> keep(point, kind, v),
                    () -> model.tell(Labels.of("practice.no-rest"), true)));
  }

  private Optional<Double> shows(Job job, String point, Kind kind) {
    try {
      return TrueSupply.of(exercise, job, model.knowledge())
          .map(Settled::of)
          .map(s ->
              switch (kind) {
                case WATTS -> s.mainsWatts();
                case DIRECT -> s.waves().voltage(point).mean();
                case PEAK_TO_PEAK -> s.waves().voltage(point).peakToPeak();
                case TRUE_RMS, AVERAGE -> s.waves().voltage(point).rippleRms();
              });
    } catch (NoSolutionException _) {
      return Optional.empty();
    }
  }

  private void keep(String point, Kind kind, double volts) {
    double shown = volts * (1 + METER * Math.clamp(random.nextGaussian(), -2, 2));
    OptionalDouble line =
        exercise
            .plate()
            .mains()
            .map(m -> OptionalDouble.of(m.volts()))
            .orElse(OptionalDouble.empty());
    model.put(
        new SupplyReading(
            model.newId(),
            model.now().toInstant(),
            point,
            kind,
            shown,
            line,
            kind == Kind.WATTS ? OptionalDouble.empty() : OptionalDouble.of(METER_OHMS),
            OptionalDouble.of(METER),
            SupplyReading.State.UNSTATED,
            OptionalDouble.empty(),
            "",
            "",
            List.of(),
            OptionalDouble.empty()));
    Quantity q = kind == Kind.WATTS ? Quantity.watts(shown) : Quantity.volts(shown);
    model.tellLast(Labels.of("practice.shows", point, q), false);
  }

  /**
   * Lets time pass that is waited for: a rail that drains, a part that rests. Not with a set under
   * power.
   */
  public void pass() {
    if (over()) {
      return;
    }
    if (lit()) {
      model.tell(Labels.of("practice.no-waiting"), true);
      return;
    }
    forward.accept(WAIT);
    model.tick();
    model.tell(Labels.of("practice.waited", WAIT.toMinutes()), false);
  }

  // --- what power does
  // -----------------------------------------------------------------------------------------------------

  /**
   * Goes on with what time brings; called again and again by the window. What was left wrong under
   * power breaks after a while.
   */
  public void poll() {
    if (over()) {
      return;
    }
    Job job = model.job();
    Optional<PowerSpan> now = PowerSpan.last(job).filter(s -> s.to().isEmpty());
    if (!now.equals(span)) {
      span = now;
      doom = Optional.empty();
      now.ifPresent(s ->
          model
              .background()
              .aside(
                  () -> FullPower.wrecks(exercise, job, model.knowledge(), s),
                  found -> {
                    if (span.equals(now)) {
                      doom = found;
                    }
                  }));
    }
    doom.filter(w -> span.orElseThrow().seconds(model.now().toInstant()) >= w.afterSeconds())
        .ifPresent(w -> end(w.why()));
  }

  // --- hints and the end
  // ---------------------------------------------------------------------------------------------------

  /** Says what to look at next; that costs. */
  public void hint() {
    if (over()) {
      return;
    }
    hints++;
    Optional<Assessment> next =
        model.openProperty().get().orElseThrow().assessments().stream()
            .filter(a -> a.verdict() == Verdict.RECHECK)
            .max(Comparator.comparingDouble(a -> a.risk().score()));
    model.tell(
        next.map(a ->
                Labels.of(
                    "practice.hint", a.part().ref(), a.next().map(model.words()::say).orElse("")))
            .orElseGet(() ->
                exercise.theme().goals().stream()
                    .findFirst()
                    .map(g -> Labels.of("practice.hint-asked", model.words().word(g)))
                    .orElse(Labels.of("practice.hint-none"))),
        false);
    next.ifPresent(a -> model.chosenProperty().set(Optional.of(a.part().ref())));
  }

  /** The end: what was found against what was there. */
  public void handIn() {
    if (!over()) {
      close(Optional.empty());
    }
  }

  private void end(Message why) {
    close(Optional.of(why));
  }

  private void close(Optional<Message> why) {
    over = true;
    Job job = model.job();
    List<StockPart> stock = stock();
    model
        .background()
        .aside(
            () ->
                new Examiner(model.knowledge(), model.judge(), stock)
                    .debrief(exercise, job, model.now(), why, hints),
            d -> {
              model.wake().lines().disconnect();
              debrief.set(Optional.of(d));
            });
  }
}
