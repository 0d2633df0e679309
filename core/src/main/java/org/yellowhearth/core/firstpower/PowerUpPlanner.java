package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.AsFitted;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * Makes the ramp plan of a job's set: its supply with the parts that are in it now, what is
 * connected, and what each clipped meter should show.
 */
public final class PowerUpPlanner {
  /** So many sets within their tolerances are tried at each step. */
  public static final int RUNS = 30;

  private static final List<Double> LOW = List.of(0.05, 0.1, 0.15, 0.2, 0.25, 0.33, 0.5);
  private static final double SIGN_VOLTS = 1;
  private static final double DRAIN_VOLTS = 1;
  private static final double DRAIN_WATTS = 2;
  private static final double LAMP_LARGE = 6;
  private static final int FIRST_RAILS = 3;
  private static final double HEATERS_OUT = 0.3;
  private static final double IDLE_VOLTS = 10;
  private static final double IDLE_OHMS = 1e6;

  /** A set takes this much less than its plate says, or more (common practice, rough). */
  private static final double PLATE_LEAST = 0.5;

  private static final double PLATE_MOST = 1.3;

  private final Bare bare;

  /**
   * The set without a lamp, as it stands now.
   *
   * @param supply as it is described, else one that takes what sets of its kind usually do
   * @param others where nothing is described: what it might take as well, at the least and the most
   * @param loads what the supply feeds
   * @param points where a meter can be put
   */
  public record Bare(
      Supply supply,
      List<Supply> others,
      TurnedUp.Loads loads,
      List<String> points,
      Map<Parameter, Double> spread,
      Map<String, Double> odds,
      Map<PartRef, Double> ratedVolts) {
    public Bare {
      others = List.copyOf(others);
      points = List.copyOf(points);
      spread = Map.copyOf(spread);
      odds = Map.copyOf(odds);
      ratedVolts = Map.copyOf(ratedVolts);
    }

    /** Whether anything of the supply is described. */
    public boolean described() {
      return others.isEmpty();
    }
  }

  /**
   * What is wanted of a ramp.
   *
   * @param fed the rails that are connected; empty where all are
   * @param heaterVolts what the heater line carries at full mains, where a meter is clipped to it
   */
  public record Wanted(
      PowerUpKind kind,
      List<String> fed,
      boolean valves,
      OptionalDouble lampWatts,
      List<Clip> clips,
      OptionalDouble heaterVolts) {
    public Wanted {
      fed = List.copyOf(fed);
      clips = List.copyOf(clips);
    }
  }

  /** A plan, and what to mind of it. */
  public record Proposed(PowerUpPlan plan, List<Message> notes) {
    public Proposed {
      notes = List.copyOf(notes);
    }
  }

  private PowerUpPlanner(Bare bare) {
    this.bare = bare;
  }

  /**
   * The set of a job as it stands now, parts fitted as the sheet says; where nothing is described
   * of its supply, what sets of its kind take. None while a described supply cannot be worked out,
   * or the mains is not known or not alternating.
   */
  public static Optional<Bare> bare(JudgedJob judged, Knowledge knowledge) {
    Job job = judged.job();
    if (job.items(SupplySection.class).isEmpty()) {
      return undescribed(job, knowledge);
    }
    return judged
        .suspicion()
        .map(s -> {
          AsFitted fitted = AsFitted.of(s.question().supply(), job, knowledge);
          Primary p = fitted.supply().primary();
          Supply supply =
              fitted.supply().with(new Primary(p.ohms(), p.otherWatts(), Optional.empty()));
          return new Bare(
              supply,
              List.of(),
              loads(job),
              s.question().points(),
              s.question().wholeSpread(),
              s.question().odds(),
              fitted.ratedVolts());
        });
  }

  private static TurnedUp.Loads loads(Job job) {
    return job.plate().technology() == SetPlate.Technology.TRANSISTOR
        ? TurnedUp.Loads.SEMICONDUCTORS
        : TurnedUp.Loads.VALVES;
  }

  /**
   * A set of which nothing is described: what its plate says it takes, else what sets of its kind
   * do, all of it as a resistance.
   */
  private static Optional<Bare> undescribed(Job job, Knowledge knowledge) {
    boolean transistors = job.plate().technology() == SetPlate.Technology.TRANSISTOR;
    SupplyRules.UsualWatts usual =
        knowledge
            .supply()
            .usualWatts(
                job.plate().kind().code(),
                (transistors ? SetPlate.Technology.TRANSISTOR : SetPlate.Technology.VALVE).code());
    OptionalDouble plate = job.aspect(Build.class).watts();
    double watts = plate.orElse(usual.usual());
    double least = plate.isPresent() ? PLATE_LEAST * watts : usual.least();
    double most = plate.isPresent() ? PLATE_MOST * watts : usual.most();
    return job.plate()
        .mains()
        .filter(m -> m.hertz() > 0)
        .map(m ->
            new Bare(
                taking(m, watts),
                List.of(taking(m, least), taking(m, most)),
                loads(job),
                List.of(),
                Map.of(),
                Map.of(),
                Map.of()));
  }

  /** A primary that takes so many watts, and a winding that nothing hangs on. */
  private static Supply taking(SetPlate.Mains m, double watts) {
    String idle = "idle";
    return Supply.of(
            Supply.Mains.of(m.volts(), m.hertz()),
            new Section.Winding(idle, IDLE_VOLTS, 1, false),
            new Section.Resist(idle + ".a", idle + ".a", idle + ".a", Section.CHASSIS, IDLE_OHMS),
            new Section.Resist(idle + ".b", idle + ".b", idle + ".b", Section.CHASSIS, IDLE_OHMS))
        .with(new Primary(0, watts, Optional.empty()));
  }

  /**
   * With the valves out their heaters are out too; iron, dial lamps and what else hangs on the
   * primary stay (our own guess of their share).
   */
  private static Supply without(Supply supply) {
    Primary p = supply.primary();
    return supply.with(new Primary(p.ohms(), HEATERS_OUT * p.otherWatts(), p.lamp()));
  }

  /**
   * The plan that is wanted.
   *
   * @param id of the plan
   * @param runs how many sets within their tolerances are tried at each step, {@link #RUNS} as a
   *     rule
   * @throws IllegalArgumentException with a sentence, where it cannot be
   */
  public static Proposed of(String id, Bare bare, Wanted wanted, int runs, Watcher watcher) {
    return new PowerUpPlanner(bare).plan(id, wanted, runs, watcher);
  }

  private Proposed plan(String id, Wanted w, int runs, Watcher watcher) {
    if (w.kind() == PowerUpKind.STATIC_DRAIN) {
      return drain(id, w);
    }
    boolean valves = w.valves() && w.kind() != PowerUpKind.POLARITY;
    Supply supply = connected(w.fed(), valves, bare.supply());
    double nominal = supply.mains().nominalVolts();
    Optional<Lamp> lamp =
        w.lampWatts().isPresent()
            ? Optional.of(Lamp.cold(w.lampWatts().getAsDouble(), nominal))
            : Optional.empty();
    Map<String, Double> limits = limits(supply);
    TurnedUp.Loads loads = valves ? bare.loads() : TurnedUp.Loads.OUT;
    List<Double> shares =
        w.kind() == PowerUpKind.POLARITY ? List.of(sign(supply, lamp, w)) : PowerUp.USUAL;
    PowerUp.Setup setup =
        new PowerUp.Setup(lamp, loads, w.clips(), shares, w.heaterVolts(), limits);
    PowerUp ramp = PowerUp.of(supply, setup, bare.spread(), runs, watcher);
    for (Supply other : bare.others()) {
      ramp =
          ramp.orAs(
              PowerUp.of(connected(w.fed(), valves, other), setup, bare.spread(), 1, watcher));
    }
    PowerUpPlan plan =
        new PowerUpPlan(
            id,
            w.kind(),
            w.fed(),
            valves,
            w.lampWatts(),
            w.clips(),
            ramp.rungs().stream().map(PowerUp.Rung::step).toList());
    List<Message> notes = new ArrayList<>();
    if (!bare.described()) {
      notes.add(
          Message.of(
              FirstPowerWords.NOTE_NOT_DESCRIBED,
              Quantity.watts(bare.others().getFirst().primary().otherWatts()),
              Quantity.watts(bare.others().getLast().primary().otherWatts())));
    }
    if (bare.loads() == TurnedUp.Loads.VALVES) {
      cold(supply, limits, notes);
    }
    lamp(ramp, w, notes);
    if (w.kind() == PowerUpKind.POLARITY) {
      polarity(plan, notes);
    }
    return new Proposed(plan, notes);
  }

  /** The lowest mains at which every rail that is read shows its sign. */
  private static double sign(Supply supply, Optional<Lamp> lamp, Wanted w) {
    List<Clip> direct = w.clips().stream().filter(c -> c.shows() == Shows.DIRECT).toList();
    for (double share : LOW) {
      try {
        PowerUp.Rung rung =
            PowerUp.of(
                    supply,
                    new PowerUp.Setup(lamp, TurnedUp.Loads.OUT, direct, List.of(share)),
                    Map.of(),
                    1,
                    Watcher.NOBODY)
                .rungs()
                .getFirst();
        if (rung.step().bands().stream().allMatch(x -> Math.abs(x.expected()) >= SIGN_VOLTS)) {
          return share;
        }
      } catch (NoSolutionException _) {
        // A regulator that gets next to nothing has no steady state to speak of: a little more
        // mains tells more.
      }
    }
    return LOW.getFirst();
  }

  /** The most that the weakest capacitor from a point to the chassis is made for. */
  private Map<String, Double> limits(Supply supply) {
    Map<String, Double> limits = new HashMap<>();
    for (Section s : supply.sections()) {
      switch (s) {
        case Section.Filter f when f.against().equals(Section.CHASSIS) ->
            f.shunt().ifPresent(c -> limit(limits, f.to(), c));
        case Section.Doubler d when d.cascade() && d.common().equals(Section.CHASSIS) ->
            limit(limits, d.to(), d.second());
        default -> {
          // No capacitor of its own to the chassis.
        }
      }
    }
    return limits;
  }

  private void limit(Map<String, Double> limits, String point, Section.Cap cap) {
    PartRef.parse(cap.part())
        .map(bare.ratedVolts()::get)
        .ifPresent(v -> limits.merge(point, v, Math::min));
  }

  /** Rails that come to more than their weakest capacitor stands while nothing draws yet. */
  private static void cold(Supply supply, Map<String, Double> limits, List<Message> notes) {
    Waveforms waves = Settled.of(TurnedUp.at(supply, 1, 1, TurnedUp.Loads.OUT)).waves();
    limits.keySet().stream()
        .sorted()
        .forEach(point -> {
          double volts = Math.abs(waves.voltage(point).mean());
          if (volts > limits.get(point)) {
            notes.add(
                Message.of(
                    FirstPowerWords.NOTE_RATING,
                    point,
                    Quantity.volts(volts),
                    Quantity.volts(limits.get(point))));
          }
        });
  }

  private void lamp(PowerUp ramp, Wanted w, List<Message> notes) {
    if (bare.supply().primary().otherWatts() <= 0) {
      notes.add(Message.of(FirstPowerWords.NOTE_NO_HEATERS));
    }
    if (w.lampWatts().isEmpty()) {
      notes.add(Message.of(FirstPowerWords.NOTE_NO_LAMP));
      return;
    }
    PowerUp.Rung last = ramp.rungs().getLast();
    if (w.kind() != PowerUpKind.POLARITY && last.heaters() < LampChoice.ENOUGH) {
      notes.add(Message.of(FirstPowerWords.NOTE_LAMP_STARVES, Quantity.percent(last.heaters())));
    } else if (w.kind() == PowerUpKind.WHOLE
        && w.lampWatts().getAsDouble() > LAMP_LARGE * last.watts()) {
      notes.add(Message.of(FirstPowerWords.NOTE_LAMP_LARGE, Quantity.watts(last.watts())));
    }
  }

  private void polarity(PowerUpPlan plan, List<Message> notes) {
    List<String> silent =
        plan.clips().stream()
            .filter(c -> c.shows() == Shows.DIRECT)
            .filter(c -> Math.abs(plan.band(0, c).expected()) < SIGN_VOLTS)
            .map(Clip::point)
            .toList();
    if (!silent.isEmpty()) {
      notes.add(Message.of(FirstPowerWords.NOTE_NO_SIGN, String.join(", ", silent)));
    } else if (plan.steps().getFirst().share() > LOW.get(1)) {
      notes.add(
          Message.of(
              FirstPowerWords.NOTE_POLARITY_LATE,
              Quantity.percent(plan.steps().getFirst().share())));
    }
    if (bare.supply().sections().stream().anyMatch(TurnedUp::vacuum)) {
      notes.add(Message.of(FirstPowerWords.NOTE_VALVE_RECTIFIER));
    }
  }

  /** With the switch off nothing is live behind it, and next to nothing is taken. */
  private Proposed drain(String id, Wanted w) {
    double nominal = bare.supply().mains().nominalVolts();
    List<PowerUpPlan.Band> bands =
        w.clips().stream()
            .map(c -> {
              if (c.equals(Clip.BEHIND_LAMP)) {
                return around(nominal, PowerUp.METER * nominal);
              }
              return around(0, c.shows() == Shows.WATTS ? DRAIN_WATTS : DRAIN_VOLTS);
            })
            .toList();
    PowerUpPlan plan =
        new PowerUpPlan(
            id,
            w.kind(),
            List.of(),
            true,
            w.lampWatts(),
            w.clips(),
            List.of(new PowerUpPlan.Step(1, nominal, 5, 30, 0, PowerUpPlan.Warm.COLD, 0, bands)));
    List<Message> notes =
        w.lampWatts().isEmpty() ? List.of(Message.of(FirstPowerWords.NOTE_NO_LAMP)) : List.of();
    return new Proposed(plan, notes);
  }

  private static PowerUpPlan.Band around(double expected, double either) {
    return new PowerUpPlan.Band(
        expected, expected - either, expected + either, expected - either, expected + either);
  }

  /** What a plan has connected. */
  public static Supply connected(PowerUpPlan plan, Bare bare) {
    return connected(plan.fed(), plan.valves(), bare.supply());
  }

  private static Supply connected(List<String> fed, boolean valves, Supply supply) {
    Supply there = fed.isEmpty() ? supply : SeparateSupplies.only(supply, fed);
    return valves ? there : without(there);
  }

  /** What the connected supply feeds under a plan. */
  public static TurnedUp.Loads loads(PowerUpPlan plan, Bare bare) {
    return plan.valves() ? bare.loads() : TurnedUp.Loads.OUT;
  }

  /** The connected supply as it stands at a step, its lamp as warm as it gets there. */
  public static Supply at(PowerUpPlan plan, int step, Bare bare) {
    Supply supply = connected(plan, bare);
    Optional<Lamp> lamp =
        plan.lampWatts().stream()
            .mapToObj(w -> Lamp.cold(w, supply.mains().nominalVolts()))
            .findFirst();
    PowerUp.Setup setup =
        new PowerUp.Setup(
            lamp, loads(plan, bare), List.of(), List.of(plan.steps().get(step).share()));
    return PowerUp.of(supply, setup, Map.of(), 1, Watcher.NOBODY).rungs().getFirst().supply();
  }

  /**
   * The clips that are put on where nobody says otherwise: behind the lamp, what is taken, and the
   * first rails.
   */
  public static List<Clip> usualClips(Bare bare, boolean lamp) {
    List<Clip> clips = new ArrayList<>();
    if (lamp) {
      clips.add(Clip.BEHIND_LAMP);
    }
    if (!bare.described()) {
      clips.add(Clip.TAKEN);
      return clips;
    }
    List<String> rails =
        SeparateSupplies.of(bare.supply()).stream()
            .flatMap(p -> p.rails().stream())
            .filter(bare.points()::contains)
            .toList();
    bare.points().stream()
        .filter(rails::contains)
        .limit(FIRST_RAILS)
        .forEach(p -> clips.add(new Clip(p, Shows.DIRECT)));
    return clips;
  }
}
