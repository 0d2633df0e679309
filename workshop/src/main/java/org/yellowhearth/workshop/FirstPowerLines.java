package org.yellowhearth.workshop;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleSupplier;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.firstpower.PowerUpJudgement;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.instruments.bench.SimulatedSet;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.link.InstrumentLink;
import org.yellowhearth.instruments.link.LinkAddress;
import org.yellowhearth.instruments.link.LocalLink;
import org.yellowhearth.instruments.link.MainsSource;
import org.yellowhearth.instruments.link.MultimeterBench;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * The lines to a variable transformer and to a multimeter while a set gets its first power; each
 * may be missing, a person does its part then.
 */
public final class FirstPowerLines {
  private static final long SEED = 20_261_129;

  /** What stays in its band is written down so often. */
  private static final double EVERY_SECONDS = 30;

  /** A heater line of which nothing is said. */
  private static final double USUAL_HEATERS = 6.3;

  private final DeskModel model;
  private final FirstPowerModel wake;
  private final InstrumentLine<MainsSource> source;
  private final InstrumentLine<MultimeterBench> meter;
  private final Value<Map<Clip, Double>> live = new Value<>(Map.of());
  private Optional<StandInBench> standIn = Optional.empty();
  private UnaryOperator<Supply> hidden = s -> s;
  private DoubleSupplier overheated = () -> 1;
  private boolean asking;

  /** Whether the transformer was lost before it told that it is off. */
  private boolean owed;

  private Instant written = Instant.MIN;
  private String meterName = "";

  FirstPowerLines(DeskModel model, FirstPowerModel wake) {
    this.model = model;
    this.wake = wake;
    source =
        new InstrumentLine<>(
            model.background(),
            () -> model.now().toInstant(),
            MainsSource::new,
            this::greeting,
            _ -> false);
    meter = line(MultimeterBench::new, MultimeterBench::name);
    source.onLost(why -> {
      if (wake.on()
          || owed
          || wake.unseenProperty().get().equals(Optional.of(FirstPowerModel.Unseen.NOT_ANSWERED))) {
        owed = true;
        wake.linkGone();
      }
      wake.stop(PoweringUp.StopCause.LINK_LOST, why);
      model.tellLast(Labels.of("firstpower.source-lost", why));
    });
    source
        .howProperty()
        .addListener((_, _, how) -> {
          if (owed && how.state() == InstrumentLine.How.State.OPEN) {
            owed = false;
            wake.seenOff();
            model.tellLast(Labels.of("firstpower.source-back"), false);
          }
        });
    meter.onLost(why -> {
      live.set(Map.of());
      model.tellLast(Labels.of("firstpower.meter-lost", why));
    });
  }

  /**
   * A transformer that was lost while it may have been on is switched off before anything else when
   * it is found again.
   */
  private InstrumentLine.Greeting<MainsSource> greeting() {
    boolean first = owed;
    return s -> {
      if (first) {
        s.off();
      }
      return s.name();
    };
  }

  private interface Named<D> {
    String of(D driver) throws IOException;
  }

  private <D> InstrumentLine<D> line(Function<InstrumentLink, D> driver, Named<D> name) {
    return new InstrumentLine<>(
        model.background(), () -> model.now().toInstant(), driver, () -> name::of, _ -> false);
  }

  /** The line to the transformer. */
  public InstrumentLine<MainsSource> source() {
    return source;
  }

  /** The line to the multimeter, channel by channel in the order of the plan's clips. */
  public InstrumentLine<MultimeterBench> meter() {
    return meter;
  }

  /** What the meters on the line show at this moment; nothing while no run is on. */
  public Watched<Map<Clip, Double>> liveProperty() {
    return live.watched();
  }

  Map<Clip, Double> live() {
    return live.get();
  }

  /** How many times faster than life the bench runs; once for anything but a stand-in. */
  public double speed() {
    return source.open() ? standIn.map(b -> b.clock().speed()).orElse(1.0) : 1;
  }

  /** For the practice of faults: the stand-in set has this wrong. */
  public void hide(UnaryOperator<Supply> fault) {
    hide(fault, () -> 1);
  }

  /** The same with heaters that get so many times their voltage. */
  void hide(UnaryOperator<Supply> fault, DoubleSupplier heaters) {
    hidden = fault;
    overheated = heaters;
  }

  /**
   * Takes a stand-in set of the plan, each of its parts off by its tolerance, on a stand-in
   * transformer and multimeter.
   */
  public void useStandIns(double speed) {
    Optional<PowerUpRun> run = wake.runProperty().get();
    Optional<FirstPowerModel.Basis> basis = wake.basisProperty().get();
    if (run.isEmpty()
        || basis.isEmpty()
        || run.get().plan().kind() == PowerUpPlan.PowerUpKind.STATIC_DRAIN) {
      model.tell(Labels.of("firstpower.stand-in.none"), true);
      return;
    }
    if (wake.on()) {
      model.tell(Labels.of("firstpower.on"), true);
      return;
    }
    PowerUpPlan plan = run.get().plan();
    PowerUpPlanner.Bare bare = basis.get().bare();
    Random random = new Random(SEED + plan.id().hashCode());
    Supply made =
        PowerUpPlanner.connected(plan, bare)
            .tuned((knob, now) ->
                now
                    * Math.exp(
                        bare.spread().getOrDefault(knob, 0.0)
                            * Math.clamp(random.nextGaussian(), -2, 2)));
    double heaters =
        plan.clips().contains(Clip.HEATERS)
            ? plan.band(plan.steps().size() - 1, Clip.HEATERS).expected()
                / plan.steps().getLast().heaters()
            : USUAL_HEATERS;
    StandInBench bench =
        new StandInBench(
            () -> model.now().toInstant(),
            SEED,
            new SimulatedSet(
                hidden.apply(made),
                PowerUpPlanner.loads(plan, bare),
                points(plan),
                heaters * overheated.getAsDouble()));
    bench.clock().runAt(speed);
    standIn = Optional.of(bench);
    source.connect(Labels.of("instruments.stand-in"), () -> new LocalLink(bench.mainsBench()));
    meter.connect(Labels.of("instruments.stand-in"), () -> new LocalLink(bench.multimeter()));
  }

  /** Connects to a transformer. */
  public void connectSource(String address) {
    connect(source, address);
  }

  /** Connects to a multimeter. */
  public void connectMeter(String address) {
    connect(meter, address);
  }

  private void connect(InstrumentLine<?> line, String address) {
    if (wake.on()) {
      model.tell(Labels.of("firstpower.on"), true);
      return;
    }
    model.made(() -> {
      LinkAddress to = LinkAddress.parse(address);
      standIn = Optional.empty();
      line.connect(to.toString(), () -> to.open(InstrumentsModel.PATIENCE));
    });
  }

  /** Puts both lines down; a transformer that is ours goes off first. */
  public void disconnect() {
    wake.stop(PoweringUp.StopCause.PERSON, "");
    source.disconnect();
    meter.disconnect();
    standIn = Optional.empty();
    live.set(Map.of());
  }

  // --- the transformer
  // -----------------------------------------------------------------------------------------------------

  void turnOn(PowerUpPlan plan) {
    written = Instant.MIN;
    live.set(Map.of());
    int before = model.stops();
    source.ask(
        s -> {
          s.off();
          s.lamp(plan.lampWatts().orElse(0));
          s.turn(plan.steps().getFirst().mainsVolts());
          if (before == model.stops()) {
            s.on();
          }
          if (before != model.stops()) {
            // Stopped meanwhile: what was still on its way is taken back.
            s.off();
          }
          return true;
        },
        _ -> {});
  }

  void turn(PowerUpPlan plan, int step) {
    written = Instant.MIN;
    live.set(Map.of());
    int before = model.stops();
    source.ask(
        s -> {
          if (before == model.stops()) {
            s.turn(plan.steps().get(step).mainsVolts());
          }
          return true;
        },
        _ -> {});
  }

  /**
   * Switches the transformer off at once.
   *
   * @return whether there is a line on which it can be told to
   */
  boolean turnOff() {
    return source.urge(MainsSource.OFF);
  }

  /** Makes sure that it is off, before anything else is asked of it. */
  void makeSure(Runnable then) {
    source.askNext(
        s -> {
          s.off();
          return true;
        },
        _ -> then.run());
  }

  // --- the meters
  // ----------------------------------------------------------------------------------------------------------

  /** The points of the channels, in order. */
  private static List<String> points(PowerUpPlan plan) {
    return plan.clips().stream()
        .filter(c -> !c.equals(Clip.TAKEN))
        .map(Clip::point)
        .distinct()
        .toList();
  }

  /** The channel that a clip is on; none for what the transformer itself tells. */
  public static int channel(PowerUpPlan plan, Clip clip) {
    return points(plan).indexOf(clip.point()) + 1;
  }

  void poll() {
    source.tryAgain();
    meter.tryAgain();
    Optional<PowerUpRun> run = wake.runProperty().get();
    if (!wake.on() || asking || (!meter.open() && !source.open())) {
      return;
    }
    PowerUpRun r = run.orElseThrow();
    List<Clip> onMeter =
        meter.open()
            ? r.plan().clips().stream().filter(c -> !c.equals(Clip.TAKEN)).toList()
            : List.of();
    asking = true;
    meter.ask(
        m -> read(m, r.plan(), onMeter),
        shown -> {
          meterName = shown.name;
          came(r, shown.values);
        },
        () -> asking = false);
    if (r.plan().clips().contains(Clip.TAKEN)) {
      source.ask(MainsSource::watts, w -> came(r, Map.of(Clip.TAKEN, w)));
    }
  }

  private record Shown(Map<Clip, Double> values, String name) {}

  private static Shown read(MultimeterBench m, PowerUpPlan plan, List<Clip> clips)
      throws IOException {
    Map<Clip, Double> values = new LinkedHashMap<>();
    int channels = points(plan).size();
    for (Clip c : clips) {
      values.put(c, m.read(channel(plan, c), channels, c.shows() == PowerUpPlan.Shows.ALTERNATING));
    }
    return new Shown(values, m.name());
  }

  /**
   * What came is shown at once; written down where it is out of its band, first of a settled step,
   * and now and then.
   */
  private void came(PowerUpRun asked, Map<Clip, Double> values) {
    Optional<PowerUpRun> run = wake.runProperty().get();
    if (!wake.on()
        || run.map(r -> r.step() != asked.step() || !r.plan().equals(asked.plan())).orElse(true)) {
      return;
    }
    Map<Clip, Double> all = new LinkedHashMap<>(live.get());
    all.putAll(values);
    live.set(Map.copyOf(all));
    PowerUpRun r = run.get();
    Instant now = model.now().toInstant();
    PowerUpJudgement j = r.judged(now, speed(), all);
    List<Clip> off = new ArrayList<>(j.off().stream().map(PowerUpJudgement.Off::clip).toList());
    boolean settled = speed() * r.seconds(now) >= r.now().settleSeconds();
    boolean due =
        settled
            && all.size() == r.plan().clips().size()
            && (written.equals(Instant.MIN)
                || now.isAfter(written.plusMillis((long) (1000 * EVERY_SECONDS / speed()))));
    if (!off.isEmpty() || due) {
      written = now;
      wake.take(off.isEmpty() ? all : keep(all, off), meterName);
    }
  }

  /** What is off is told with everything that is known beside it. */
  private static Map<Clip, Double> keep(Map<Clip, Double> all, List<Clip> off) {
    Map<Clip, Double> first = new LinkedHashMap<>();
    all.forEach((c, v) -> {
      if (!off.contains(c)) {
        first.put(c, v);
      }
    });
    off.forEach(c -> first.put(c, all.get(c)));
    return first;
  }
}
