package org.yellowhearth.workshop;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.Year;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.FormingCapacitor;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.link.LeakageBench;
import org.yellowhearth.instruments.link.LinkAddress;
import org.yellowhearth.instruments.link.LocalLink;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Reform without the window: the capacitors that may be brought up, their plans and runs, and the
 * leakage meter on its line. A rule that stops a run switches the output off before anything else;
 * what happens is in the journal when it happens.
 */
public final class ReformModel {
  /** Channels of a leakage meter that lanes can hang on. */
  public static final int CHANNELS = 4;

  /** The instrument switches off by itself when it hears nothing for so long. */
  private static final double WATCHDOG_SECONDS = 15;

  private static final double FIRST_READING = 10;
  private static final double RAREST_READING = 300;
  private static final double GROWTH = 12;

  /**
   * So many looks, of half a second, something may be on its way to the disk before its output goes
   * off.
   */
  private static final int MOST_LOOKS = 20;

  private final DeskModel model;
  private final Value<List<Lane>> lanes = new Value<>(List.of());
  private final InstrumentLine<LeakageBench> line;
  private final Value<Instant> moment = new Value<>(Instant.EPOCH);
  private final ReformPlans plans;
  private final ReformSchedule schedule;
  private final ForecastQuality quality;
  private final Map<PartRef, Integer> channels = new HashMap<>();
  private final Value<Set<PartRef>> unseen = new Value<>(Set.of());

  /** Runs begun since this job was opened: only these can have an output on. */
  private final Set<String> live = new HashSet<>();

  private boolean polling;

  /**
   * Runs of which something is on its way to the instrument or to the disk, and for how many looks:
   * they are not read meanwhile.
   */
  private final Map<String, Integer> onTheWay = new HashMap<>();

  private String openId = "";
  private OptionalDouble benchNow = OptionalDouble.empty();
  private Runnable alarm = () -> {};

  /**
   * One capacitor that may be brought up.
   *
   * @param ending what is left to do, once the output is off for good
   * @param channel of the leakage meter it hangs on; empty where a person reads and types
   */
  public record Lane(
      Capacitor part,
      Worth worth,
      Optional<ReformRun> run,
      Optional<Judgement> judgement,
      Optional<Ending> ending,
      Optional<Integer> channel) {
    public PartRef ref() {
      return part.ref();
    }
  }

  /** A reading that came over the line. */
  private record Came(
      String plan, LeakageBench.Taken taken, String instrument, OptionalDouble bench) {}

  private record Due(ReformRun run, int channel) {}

  ReformModel(DeskModel model) {
    this.model = model;
    line =
        new InstrumentLine<>(
            model.background(),
            () -> model.now().toInstant(),
            LeakageBench::new,
            this::greeting,
            LeakageBench.CLOCK::equals);
    line.onLost(this::lost);
    line.howProperty()
        .addListener((_, _, how) -> {
          if (how.state() == InstrumentLine.How.State.OPEN) {
            // The first thing it was told is to switch off what may be ours.
            List.copyOf(channels.values()).forEach(this::seenOff);
          }
        });
    plans = new ReformPlans(model, this);
    schedule = new ReformSchedule(model, this);
    quality = new ForecastQuality(model.background());
    model.openProperty().addListener((_, _, open) -> jobChanged(open));
  }

  public Watched<List<Lane>> lanesProperty() {
    return lanes.watched();
  }

  /** The present moment, as often as the window looks: countdowns go by it. */
  public Watched<Instant> momentProperty() {
    return moment.watched();
  }

  /** The line to the leakage meter. */
  public InstrumentLine<LeakageBench> line() {
    return line;
  }

  /** The plans of the lanes. */
  public ReformPlans plans() {
    return plans;
  }

  /** When which lane is under voltage. */
  public ReformSchedule schedule() {
    return schedule;
  }

  /** How good the forecasts are. */
  public ForecastQuality quality() {
    return quality;
  }

  /** What is done when a rule stops a run. */
  public void onAlarm(Runnable then) {
    alarm = then;
  }

  /** The parts that are under voltage on the bench. */
  public List<PartRef> underVoltage() {
    return lanes.get().stream().filter(ReformModel::running).map(Lane::ref).toList();
  }

  /** The lane of a part. */
  public Optional<Lane> lane(PartRef ref) {
    return lanes.get().stream().filter(l -> l.ref().equals(ref)).findFirst();
  }

  /** A run whose plan is taken back has no lane any more: its output does not stay on. */
  private void jobChanged(Optional<OpenJob> open) {
    String id = open.map(OpenJob::id).orElse("");
    if (!id.equals(openId)) {
      leave();
      openId = id;
      open.ifPresent(o -> pauseOrphans(o.job()));
    }
    List<Lane> before = lanes.get();
    lanes.set(model.openProperty().get().map(this::lanes).orElse(List.of()));
    before.stream()
        .filter(l ->
            l.channel().isPresent() && running(l) && lane(l.ref()).flatMap(Lane::run).isEmpty())
        .forEach(l -> switchOff(l.channel().get()));
  }

  /** Another job, or none: no output stays on without its lane in sight. */
  private void leave() {
    Set<PartRef> on = new HashSet<>();
    lanes.get().stream()
        .filter(l -> l.run().map(r -> live.contains(r.plan().id())).orElse(false))
        .forEach(l -> on.add(l.ref()));
    on.stream().filter(channels::containsKey).forEach(ref -> switchOff(channels.get(ref)));
    unseen.set(Set.of());
    channels.clear();
    live.clear();
    onTheWay.clear();
    plans.forget();
  }

  /**
   * Runs that the journal leaves under way while nothing of ours drives them: they pause where they
   * were, and it is said.
   */
  private void pauseOrphans(Job job) {
    List<String> told = new ArrayList<>();
    for (ReformPlan plan : job.items(ReformPlan.class)) {
      ReformRun run = ReformRun.of(plan, job.events());
      if (run.phase().on()) {
        model.happened(new Reforming.ReformPaused(plan.id(), Reforming.Cause.PROGRAM_ENDED));
        told.add(Labels.of("reform.was-at", plan.part(), run.step() + 1, plan.steps().size()));
      }
    }
    if (!told.isEmpty()) {
      model.tellLast(String.join(" ", told));
    }
  }

  private List<Lane> lanes(OpenJob open) {
    Job job = open.job();
    boolean museum = job.plate().purpose() == SetPlate.Purpose.MUSEUM;
    List<Lane> all = new ArrayList<>();
    for (Assessment a : open.assessments()) {
      if (a.part() instanceof Capacitor c && ReformPlans.formed(kind(c))) {
        Optional<Replaceable> how = plans.replaceable(c.ref());
        Worth worth =
            Worth.of(
                a,
                c,
                kind(c),
                new Worth.Circumstances(
                    job.policy(),
                    museum,
                    how.map(Replaceable::rare).orElse(false),
                    job.plate().age(Year.of(model.now().getYear())),
                    how.map(Replaceable::price).orElse(OptionalDouble.empty())));
        Optional<ReformRun> run =
            job.item(ReformPlan.idOf(c.ref()))
                .filter(ReformPlan.class::isInstance)
                .map(p -> ReformRun.of((ReformPlan) p, job.events()));
        all.add(
            new Lane(
                c,
                worth,
                run,
                run.map(this::judge),
                run.flatMap(r -> Ending.of(r, job, Optional.of(a), model.now().toInstant())),
                Optional.ofNullable(channels.get(c.ref()))));
      }
    }
    return all;
  }

  private Judgement judge(ReformRun run) {
    double room =
        byBench(run)
            ? FormingCapacitor.ROOM_CELSIUS
            : model.job().aspect(Bench.class).celsius().orElse(Judgement.USUAL_ROOM);
    return Judgement.of(run, now(run), room);
  }

  /** Whether a run goes by the clock, and in the room, of a stand-in. */
  private boolean byBench(ReformRun run) {
    return benchNow.isPresent() && channels.containsKey(run.plan().part());
  }

  /** The moment by the clock that the run goes by. */
  Instant now(ReformRun run) {
    return byBench(run) ? ReformRun.benchTime(benchNow.getAsDouble()) : model.now().toInstant();
  }

  /** The moment by the clock of each run that goes by another than the wall's. */
  Map<ReformPlan, Instant> clocks() {
    return lanes.get().stream()
        .flatMap(l -> l.run().stream())
        .filter(this::byBench)
        .collect(Collectors.toMap(ReformRun::plan, this::now));
  }

  private CapacitorKind kind(Capacitor c) {
    return model.knowledge().kind(c.kind());
  }

  // --- the line
  // --------------------------------------------------------------------------------------------------------------

  /**
   * Connects to the stand-in inside the program with fresh parts, which runs so many times faster
   * than life.
   */
  public void connectStandIn(double speed) {
    StandInBench bench = model.instruments().freshStandIns(speed);
    disconnect();
    List<PartRef> lying = model.instruments().lying();
    lying.forEach(ref -> hang(ref, Optional.of(lying.indexOf(ref) + 1)));
    line.connect(Labels.of("instruments.stand-in"), () -> new LocalLink(bench.leakageMeter()));
  }

  /** Connects to an instrument. */
  public void connect(String address) {
    model.made(() -> {
      LinkAddress to = LinkAddress.parse(address);
      disconnect();
      line.connect(to.toString(), () -> to.open(InstrumentsModel.PATIENCE));
    });
  }

  /**
   * Before anything else every output that may be ours is off, and the instrument is asked to
   * switch off when it hears nothing.
   */
  private InstrumentLine.Greeting<LeakageBench> greeting() {
    Set<Integer> ours = Set.copyOf(channels.values());
    return bench -> {
      String name = bench.name();
      boolean watched = bench.watchdog(WATCHDOG_SECONDS);
      for (int k = 1; k <= CHANNELS; k++) {
        if (bench.standIn() || ours.contains(k)) {
          bench.off(k);
        }
      }
      return name + ". " + Labels.of(watched ? "reform.link.watched" : "reform.link.unwatched");
    };
  }

  /** Puts the line down; runs that hang on it pause with their outputs off. */
  public void disconnect() {
    lanes.get().stream()
        .filter(l -> l.channel().isPresent() && running(l))
        .forEach(l -> pause(l.ref()));
    channels.values().forEach(this::switchOff);
    line.disconnect();
    benchNow = OptionalDouble.empty();
  }

  static boolean running(Lane l) {
    return l.run().map(r -> r.phase().on()).orElse(false);
  }

  /** Hangs a part on a channel, or takes it off; not while it runs. */
  public void hang(PartRef ref, Optional<Integer> channel) {
    if (lane(ref).map(ReformModel::running).orElse(false)) {
      model.tell(Labels.of("reform.running", ref), true);
      return;
    }
    channels.values().removeIf(c -> channel.isPresent() && c.equals(channel.get()));
    channel.ifPresentOrElse(c -> channels.put(ref, c), () -> channels.remove(ref));
    model.openProperty().get().ifPresent(o -> lanes.set(lanes(o)));
  }

  private void switchOff(int channel) {
    line.urge(LeakageBench.offCommand(channel));
    line.askNext(
        bench -> {
          try {
            bench.off(channel);
            return channel;
          } catch (IOException e) {
            throw new IOException(Labels.of("reform.not-off", channel) + " " + e.getMessage(), e);
          }
        },
        this::seenOff);
  }

  /**
   * The stop of every window: each output goes off at once, each run pauses; what is set by hand
   * somebody has to look at.
   */
  void stopAll() {
    Set<PartRef> notSeen = new TreeSet<>(Comparator.comparing(PartRef::toString));
    List<Integer> off = new ArrayList<>();
    for (Lane l : lanes.get()) {
      boolean driven =
          l.channel().isPresent()
              && (running(l)
                  || l.run().filter(r -> onTheWay.containsKey(r.plan().id())).isPresent());
      if (driven) {
        off.add(l.channel().get());
        line.urge(LeakageBench.offCommand(l.channel().get()));
      }
      if (running(l)) {
        notSeen.add(l.ref());
        model.urgently(() ->
            lane(l.ref())
                .filter(ReformModel::running)
                .ifPresent(now ->
                    act(
                        new Reforming.ReformPaused(
                            now.run().orElseThrow().plan().id(), Reforming.Cause.PERSON))));
      }
    }
    if (!notSeen.isEmpty()) {
      unseen.set(union(notSeen));
    }
    // Whether they obeyed is asked once all have been told.
    off.forEach(this::switchOff);
  }

  private void act(Reforming event) {
    onTheWay.remove(event.plan());
    model.act(event, () -> {});
  }

  private Set<PartRef> union(Set<PartRef> more) {
    Set<PartRef> all = new TreeSet<>(Comparator.comparing(PartRef::toString));
    all.addAll(unseen.get());
    all.addAll(more);
    return Collections.unmodifiableSet(all);
  }

  /**
   * Capacitors whose run was stopped and of which nobody knows yet that the output is off: set by
   * hand, or the line is gone.
   */
  public Watched<Set<PartRef>> unseenProperty() {
    return unseen.watched();
  }

  /** A person looked: every output is off. */
  public void seenOff() {
    unseen.set(Set.of());
  }

  private void seenOff(int channel) {
    unseen.set(
        unseen.get().stream()
            .filter(ref -> !Integer.valueOf(channel).equals(channels.get(ref)))
            .collect(Collectors.toUnmodifiableSet()));
  }

  /**
   * The line is gone: every run on it pauses; the instrument's watchdog, where it has one, has its
   * outputs off.
   */
  private void lost(String why) {
    onTheWay.clear();
    List<Lane> driven =
        lanes.get().stream().filter(l -> l.channel().isPresent() && running(l)).toList();
    unseen.set(union(driven.stream().map(Lane::ref).collect(Collectors.toSet())));
    driven.forEach(l ->
        model.happened(
            new Reforming.ReformPaused(
                l.run().orElseThrow().plan().id(), Reforming.Cause.LINK_LOST)));
    benchNow = OptionalDouble.empty();
    model.tellLast(Labels.of("reform.lost", why));
    alarm.run();
  }

  // --- runs
  // ------------------------------------------------------------------------------------------------------------------

  /** Switches the output on at the step where the run is; on a linked channel it really goes on. */
  public void begin(PartRef ref) {
    lane(ref)
        .filter(l -> l.run().map(r -> r.phase().mayBegin()).orElse(false))
        .ifPresent(l -> {
          ReformRun run = l.run().orElseThrow();
          drive(
              l,
              run.plan(),
              run.step(),
              bench -> {
                live.add(run.plan().id());
                write(new Reforming.ReformBegun(run.plan().id(), run.step(), bench));
              });
        });
  }

  /** Sets the next step. */
  public void next(PartRef ref) {
    lane(ref)
        .filter(ReformModel::running)
        .ifPresent(l -> {
          ReformRun run = l.run().orElseThrow();
          if (!run.last()) {
            drive(
                l,
                run.plan(),
                run.step() + 1,
                bench ->
                    write(new Reforming.ReformStepped(run.plan().id(), run.step() + 1, bench)));
          }
        });
  }

  private interface Driven {
    void at(OptionalDouble benchSeconds);
  }

  /**
   * Sets supply and output of a linked lane, then goes on; a lane without a line goes on at once,
   * its person sets the supply.
   */
  private void drive(Lane l, ReformPlan plan, int step, Driven then) {
    if (l.channel().isEmpty()) {
      then.at(OptionalDouble.empty());
      return;
    }
    if (!line.open()) {
      model.tell(Labels.of("reform.no-line"), true);
      return;
    }
    if (plan.school() == ReformPlan.ReformSchool.IN_SET) {
      model.tell(Labels.of("reform.in-set-by-hand", l.ref()), true);
      return;
    }
    ReformPlan.Step s = plan.steps().get(step);
    onTheWay.put(plan.id(), 0);
    int before = model.stops();
    line.ask(
        bench -> {
          if (before == model.stops()) {
            bench.on(l.channel().get(), s.volts(), s.ohms(), s.limitAmperes());
          }
          if (before != model.stops()) {
            // Stopped meanwhile: what was still on its way is taken back.
            bench.off(l.channel().get());
          }
          return bench.benchSeconds();
        },
        now -> {
          benchNow = now;
          if (before == model.stops()) {
            then.at(now);
          } else {
            onTheWay.remove(plan.id());
          }
        });
  }

  /** Takes a reading that a person made. */
  public void read(PartRef ref, double volts, double amperes, OptionalDouble celsius) {
    lane(ref)
        .filter(ReformModel::running)
        .ifPresent(l ->
            model.made(() ->
                take(
                    ref,
                    new Reforming.ReformRead(
                        l.run().orElseThrow().plan().id(),
                        volts,
                        amperes,
                        celsius,
                        "",
                        OptionalDouble.empty()))));
  }

  /** Writes down what happened; until it is on the disk its run is not read. */
  private void write(Reforming event) {
    write(event, () -> {});
  }

  private void write(Reforming event, Runnable after) {
    onTheWay.put(event.plan(), 0);
    model.inTurn(() ->
        model.act(
            event,
            () -> {
              onTheWay.remove(event.plan());
              after.run();
            }));
  }

  /** Keeps a reading and does at once what the rules ask for. */
  private void take(PartRef ref, Reforming.ReformRead reading) {
    write(reading, () -> follow(ref));
  }

  private void follow(PartRef ref) {
    lane(ref)
        .filter(ReformModel::running)
        .ifPresent(l -> {
          Judgement j = l.judgement().orElseThrow();
          switch (j.counsel()) {
            case STOP -> {
              unseen.set(union(Set.of(l.ref())));
              l.channel().ifPresent(this::switchOff);
              write(
                  new Reforming.ReformStopped(
                      l.run().orElseThrow().plan().id(), j.rule().orElseThrow()));
              alarm.run();
            }
            case NEXT -> l.channel().ifPresent(_ -> next(ref));
            case FINISH -> l.channel().ifPresent(_ -> finish(ref));
            case USELESS, LATE, WAIT, REST -> {
              // Shown in the lane; the person decides.
            }
          }
        });
  }

  /** Output off; it may go on later. */
  public void pause(PartRef ref) {
    end(ref, plan -> new Reforming.ReformPaused(plan, Reforming.Cause.PERSON));
  }

  /** Output off, given up, with a reason. */
  public void abort(PartRef ref, String reason) {
    if (reason.isBlank()) {
      model.tell(Labels.of("reform.reason-needed"), true);
      return;
    }
    lane(ref)
        .flatMap(Lane::run)
        .filter(
            r -> r.phase() != ReformRun.RunPhase.DONE && r.phase() != ReformRun.RunPhase.ABORTED)
        .ifPresent(r -> {
          lane(ref).flatMap(Lane::channel).ifPresent(this::switchOff);
          model.happened(new Reforming.ReformAborted(r.plan().id(), reason.strip()));
        });
  }

  /**
   * Output off, the run has come to its end; one that was on to measure its leakage leaves the
   * reading.
   */
  public void finish(PartRef ref) {
    lane(ref)
        .flatMap(Lane::run)
        .filter(r -> r.phase() == ReformRun.RunPhase.PROVING)
        .ifPresent(this::keepLeakage);
    end(ref, Reforming.ReformFinished::new);
  }

  private void keepLeakage(ReformRun run) {
    if (run.curve().isEmpty()) {
      model.tell(Labels.of("reform.no-leakage"), true);
      return;
    }
    ReformRun.Point last = run.on().getLast();
    double minutes = seconds(run.since().orElseThrow(), last.at()) / 60;
    String instrument =
        model.job().events().stream()
            .map(Job.Happening::event)
            .filter(e -> e instanceof Reforming.ReformRead r && r.plan().equals(run.plan().id()))
            .map(e -> ((Reforming.ReformRead) e).instrument())
            .reduce("", (_, newer) -> newer);
    Conditions conditions =
        Conditions.of(d -> {
          d.testVolts = OptionalDouble.of(last.volts());
          d.minutesAtVoltage = OptionalDouble.of(minutes);
          d.celsius = last.celsius();
          d.instrument = instrument;
        });
    model.inTurn(() ->
        model.act(
            new Edit.ReadingKept(
                new Reading(
                    model.newId(),
                    run.plan().part(),
                    model.now().toInstant(),
                    Figures.of(Figure.LEAKAGE, last.amperes()),
                    conditions,
                    "")),
            () -> {}));
  }

  /** After the rest: voltage on again at the target, to measure the leakage. */
  public void prove(PartRef ref) {
    lane(ref)
        .filter(l -> l.run().map(r -> r.phase() == ReformRun.RunPhase.DONE).orElse(false))
        .ifPresent(l -> {
          ReformPlan plan = l.run().orElseThrow().plan();
          drive(
              l,
              plan,
              plan.steps().size() - 1,
              bench -> {
                live.add(plan.id());
                write(new Reforming.ReformProving(plan.id(), bench));
              });
        });
  }

  /** A resistor was put across it. */
  public void discharging(PartRef ref, double ohms) {
    lane(ref)
        .flatMap(Lane::run)
        .ifPresent(r ->
            model.made(() -> model.happened(new Reforming.ReformDischarging(r.plan().id(), ohms))));
  }

  /** What a meter shows across it, typed. */
  public void discharged(PartRef ref, double volts) {
    lane(ref)
        .flatMap(Lane::run)
        .ifPresent(r ->
            model.made(() -> model.happened(new Reforming.ReformDischarged(r.plan().id(), volts))));
  }

  /** What the leakage meter shows across it with its output off. */
  public void readCharge(PartRef ref) {
    lane(ref)
        .flatMap(Lane::channel)
        .ifPresentOrElse(
            channel ->
                line.ask(
                    bench -> bench.read(channel).volts(),
                    volts -> discharged(ref, Math.max(0, volts))),
            () -> model.tell(Labels.of("reform.by-hand-only"), true));
  }

  private interface Off {
    Reforming of(String plan);
  }

  private void end(PartRef ref, Off off) {
    lane(ref)
        .filter(ReformModel::running)
        .ifPresent(l -> {
          l.channel().ifPresent(this::switchOff);
          write(off.of(l.run().orElseThrow().plan().id()));
        });
  }

  /**
   * Reads what is due on the line, and tries a lost one again; called again and again by the
   * window.
   */
  public void poll() {
    moment.set(model.now().toInstant());
    line.tryAgain();
    model.instruments().lcr().tryAgain();
    if (!line.open() || polling || model.openProperty().get().isEmpty()) {
      return;
    }
    stuck();
    List<Due> running =
        lanes.get().stream()
            .filter(l -> l.channel().isPresent() && running(l))
            .filter(l -> !onTheWay.containsKey(l.run().orElseThrow().plan().id()))
            .map(l -> new Due(l.run().orElseThrow(), l.channel().get()))
            .toList();
    polling = true;
    line.ask(
        bench -> readDue(bench, running),
        polled -> {
          benchNow = polled.bench;
          polled.came.forEach(c ->
              lanes.get().stream()
                  .filter(l -> l.run().map(r -> r.plan().id().equals(c.plan)).orElse(false))
                  .filter(ReformModel::running)
                  .findFirst()
                  .ifPresent(l ->
                      take(
                          l.ref(),
                          new Reforming.ReformRead(
                              c.plan,
                              Math.max(0, c.taken.volts()),
                              Math.max(0, c.taken.amperes()),
                              OptionalDouble.of(c.taken.celsius()),
                              c.instrument,
                              c.bench))));
        },
        () -> polling = false);
  }

  /** What cannot be written down is not gone on with: its output goes off, and it is said. */
  private void stuck() {
    onTheWay.replaceAll((_, looks) -> looks + 1);
    lanes.get().stream()
        .filter(l -> l.channel().isPresent())
        .forEach(l ->
            l.run()
                .map(r -> r.plan().id())
                .filter(id -> onTheWay.getOrDefault(id, 0) == MOST_LOOKS)
                .ifPresent(_ -> {
                  switchOff(l.channel().get());
                  model.tell(Labels.of("reform.stuck", l.ref()), true);
                  alarm.run();
                }));
  }

  private record Polled(List<Came> came, OptionalDouble bench) {}

  private Polled readDue(LeakageBench bench, List<Due> running) throws IOException {
    OptionalDouble clock = bench.benchSeconds();
    Instant now =
        clock.isPresent() ? ReformRun.benchTime(clock.getAsDouble()) : model.now().toInstant();
    List<Came> came = new ArrayList<>();
    for (Due d : running) {
      double at = seconds(d.run.since().orElse(now), now);
      double last =
          d.run.on().isEmpty() ? 0 : seconds(d.run.since().orElse(now), d.run.on().getLast().at());
      if (at - last >= Math.clamp(at / GROWTH, FIRST_READING, RAREST_READING)) {
        came.add(new Came(d.run.plan().id(), bench.read(d.channel), bench.name(), clock));
      }
    }
    return new Polled(came, clock);
  }

  private static double seconds(Instant from, Instant to) {
    return Duration.between(from, to).toMillis() / 1000.0;
  }
}
