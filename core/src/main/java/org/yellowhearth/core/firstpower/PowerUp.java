package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.ToleranceRuns;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * What clipped meters show while the variable transformer is turned up, step by step, through a
 * series lamp or without one, everything warm as far as it gets at each step.
 *
 * <p>Lamp and heaters are found together: what the lamp takes the heaters miss, and what they miss
 * the valves do not draw. The band of a meter is three and a half standard deviations of what sets
 * within their tolerances show, wider by what five per cent of heater voltage either way make of it
 * (where a cathode has just begun to emit that is most of it), and by the meter; it ends at what
 * the weakest capacitor at that point is made for. While cathodes still warm up it reaches from
 * nothing to what the point comes to with nothing drawn. Heaters are taken at their working
 * resistance.
 */
public record PowerUp(List<PowerUpPlan.Clip> clips, List<Rung> rungs) {
  /**
   * Pauses that tell something: a third, three quarters, full (common practice), with two more
   * before the valves draw.
   */
  public static final List<Double> USUAL = List.of(0.15, 0.33, 0.5, 0.75, 1.0);

  /**
   * Loaded heaters get their voltage within so much (common practice, 6.3 V ± 10 %); windings that
   * are not loaded read higher, and at little mains none is loaded in proportion (2.6 V of 6.3 V at
   * 40 V of 115 V, common practice).
   */
  static final double HEATER_BAND = 0.1;

  private static final double HEATER_UNLOADED = 0.2;
  static final double METER = 0.03;
  static final double DIRECT_FLOOR = 0.1;
  static final double ALTERNATING_FLOOR = 0.02;
  private static final double WATTS_FLOOR = 1;

  /** Iron and dial lamps are known no better. */
  private static final double WATTS_UNSURE = 0.1;

  private static final double HEATER_UNSURE = 0.05;

  /** A cold filament takes so many times its working current (common practice). */
  private static final double COLD_HEATERS = 8;

  /** So many standard deviations of sets within their tolerances are no reason to stop. */
  private static final double WIDE = 3.5;

  private static final int MOST = 25;
  private static final double NEAR = 1e-5;

  /** Which lamp suits is told by per cents. */
  private static final double ROUGH = 2e-3;

  private static final long SEED = 20_261_129;

  /** How far cathodes have come with so much emission. */
  static PowerUpPlan.Warm warm(double emission) {
    return emission < 0.02
        ? PowerUpPlan.Warm.COLD
        : emission < 0.7 ? PowerUpPlan.Warm.WARMING : PowerUpPlan.Warm.CONDUCTING;
  }

  /**
   * How a ramp is run.
   *
   * @param lamp in series with the whole set, where there is one
   * @param loads what the supply feeds; its rectifiers are always in
   * @param clips where meters are clipped
   * @param shares of the nominal mains, rising
   * @param heaterVolts what the heater line carries at full mains, where a meter is clipped to it
   * @param ratedVolts the most that the weakest capacitor at each point is made for, where that is
   *     known
   */
  public record Setup(
      Optional<Lamp> lamp,
      TurnedUp.Loads loads,
      List<PowerUpPlan.Clip> clips,
      List<Double> shares,
      OptionalDouble heaterVolts,
      Map<String, Double> ratedVolts) {
    public Setup {
      clips = List.copyOf(clips);
      shares = List.copyOf(shares);
      ratedVolts = Map.copyOf(ratedVolts);
      if (shares.isEmpty() || shares.stream().anyMatch(s -> !(s > 0 && s <= 1.2))) {
        throw new IllegalArgumentException(
            "a ramp has steps above nothing, up to a fifth more than the mains");
      }
      if (clips.contains(PowerUpPlan.Clip.HEATERS) && heaterVolts.isEmpty()) {
        throw new IllegalArgumentException(
            "say what the heater line carries at full mains, such as 6.3 V");
      }
    }

    /** A ramp of which nothing else is known. */
    public Setup(
        Optional<Lamp> lamp,
        TurnedUp.Loads loads,
        List<PowerUpPlan.Clip> clips,
        List<Double> shares) {
      this(lamp, loads, clips, shares, OptionalDouble.empty(), Map.of());
    }
  }

  /**
   * One step.
   *
   * @param watts that the set takes, without the lamp
   * @param supply as it stands at this step, for what comes after
   */
  public record Rung(PowerUpPlan.Step step, double watts, Supply supply) {
    public double heaters() {
      return step.heaters();
    }

    public double glow() {
      return step.glow();
    }
  }

  public PowerUp {
    clips = List.copyOf(clips);
    rungs = List.copyOf(rungs);
  }

  /** This where the set may also be another: each meter may show what it shows in either. */
  PowerUp orAs(PowerUp other) {
    List<Rung> both = new ArrayList<>();
    for (int k = 0; k < rungs.size(); k++) {
      PowerUpPlan.Step step = rungs.get(k).step();
      List<PowerUpPlan.Band> theirs = other.rungs.get(k).step().bands();
      List<PowerUpPlan.Band> bands = new ArrayList<>();
      for (int c = 0; c < theirs.size(); c++) {
        PowerUpPlan.Band a = step.bands().get(c);
        PowerUpPlan.Band b = theirs.get(c);
        bands.add(
            new PowerUpPlan.Band(
                a.expected(),
                Math.min(a.low(), b.low()),
                Math.max(a.high(), b.high()),
                Math.min(a.settlingLow(), b.settlingLow()),
                Math.max(a.settlingHigh(), b.settlingHigh())));
      }
      both.add(new Rung(step.with(bands), rungs.get(k).watts(), rungs.get(k).supply()));
    }
    return new PowerUp(clips, both);
  }

  /** What a meter should show at a step. */
  public PowerUpPlan.Band band(int step, PowerUpPlan.Clip clip) {
    return rungs.get(step).step().bands().get(clips.indexOf(clip));
  }

  /**
   * Plans a ramp.
   *
   * @param spread the standard tolerance of each value, as a fraction
   * @param runs how many sets within their tolerances are tried at each step
   * @throws org.yellowhearth.core.circuit.BadCircuitException where the supply cannot be
   * @throws org.yellowhearth.core.circuit.NoSolutionException where it has no steady state
   * @throws StoppedException where the watcher did not want to go on
   */
  public static PowerUp of(
      Supply supply, Setup setup, Map<Parameter, Double> spread, int runs, Watcher watcher) {
    List<Rung> rungs = new ArrayList<>();
    int count = setup.shares().size();
    for (int k = 0; k < count; k++) {
      int at = k;
      rungs.add(
          rung(
              supply,
              setup,
              setup.shares().get(k),
              spread,
              runs,
              s -> watcher.goOn((at + s) / count)));
      if (!watcher.goOn((k + 1.0) / count)) {
        throw new StoppedException();
      }
    }
    return new PowerUp(setup.clips(), rightWay(setup.clips(), rungs));
  }

  private static Rung rung(
      Supply supply,
      Setup setup,
      double share,
      Map<Parameter, Double> spread,
      int runs,
      Watcher watcher) {
    At found = at(supply, setup, share, NEAR);
    double glow = setup.lamp().map(l -> found.lampWatts / l.watts()).orElse(0.0);
    Settled less = near(supply, setup, share, found.heaters * (1 - HEATER_UNSURE), found.settled);
    Settled more = near(supply, setup, share, found.heaters * (1 + HEATER_UNSURE), found.settled);
    // What needs no warming draws from the first moment on.
    Settled cold =
        setup.loads() == TurnedUp.Loads.SEMICONDUCTORS
            ? found.settled
            : Settled.near(
                behind(setup, TurnedUp.at(supply, share, found.heaters, TurnedUp.Loads.OUT)),
                found.settled);
    List<String> points =
        setup.clips().stream()
            .filter(c -> onSupply(c))
            .map(PowerUpPlan.Clip::point)
            .distinct()
            .toList();
    ToleranceRuns tolerance =
        ToleranceRuns.of(found.settled.supply(), points, spread, runs, SEED, watcher);
    PowerUpPlan.Warm warm = warm(TurnedUp.emission(found.heaters));
    // What a cathode passes that does not glow yet nobody can tell: anything up to what the point
    // comes to is right.
    boolean unknown =
        warm == PowerUpPlan.Warm.COLD && supply.sections().stream().anyMatch(TurnedUp::vacuum);
    List<PowerUpPlan.Band> bands = new ArrayList<>();
    for (PowerUpPlan.Clip c : setup.clips()) {
      if (c.equals(PowerUpPlan.Clip.HEATERS)) {
        bands.add(heaters(setup, found.heaters));
        continue;
      }
      Spread s =
          new Spread(
              read(c, found.settled),
              List.of(read(c, less), read(c, more)),
              made(c, points, tolerance),
              read(c, cold));
      double unsure = unsure(c, s, supply, share);
      boolean open = unknown && onSupply(c) && !c.equals(PowerUpPlan.Clip.BEHIND_LAMP);
      double swing =
          c.shows() == PowerUpPlan.Shows.ALTERNATING && !c.equals(PowerUpPlan.Clip.BEHIND_LAMP)
              ? Math.abs(found.settled.waves().voltage(c.point()).mean())
              : 0;
      double surge =
          c.shows() == PowerUpPlan.Shows.WATTS
              ? COLD_HEATERS * supply.primary().otherWatts() * share * share
              : 0;
      PowerUpPlan.Band band = limited(s.band(unsure, swing + surge), c, setup);
      bands.add(
          open
              ? new PowerUpPlan.Band(
                  band.expected(),
                  band.settlingLow(),
                  band.settlingHigh(),
                  band.settlingLow(),
                  band.settlingHigh())
              : band);
    }
    boolean cathodes =
        setup.loads() == TurnedUp.Loads.VALVES
            || supply.sections().stream()
                .anyMatch(x -> x instanceof Section.Stage || TurnedUp.vacuum(x));
    PowerUpPlan.Step step =
        new PowerUpPlan.Step(
            share,
            share * supply.mains().nominalVolts(),
            settle(cathodes, warm),
            hold(cathodes, warm, share),
            found.heaters,
            warm,
            glow,
            bands);
    return new Rung(step, found.settled.mainsWatts() - found.lampWatts, found.settled.supply());
  }

  /** Cathodes take most of a minute, capacitors and a series lamp seconds (common practice). */
  private static double settle(boolean cathodes, PowerUpPlan.Warm warm) {
    return cathodes && warm != PowerUpPlan.Warm.COLD ? 45 : 10;
  }

  /**
   * A minute where nothing warms up yet, two where it does, five at full line (common practice).
   */
  private static double hold(boolean cathodes, PowerUpPlan.Warm warm, double share) {
    return share >= 0.99 ? 300 : cathodes && warm != PowerUpPlan.Warm.COLD ? 120 : 60;
  }

  private static boolean onSupply(PowerUpPlan.Clip clip) {
    return !clip.equals(PowerUpPlan.Clip.HEATERS) && clip.shows() != PowerUpPlan.Shows.WATTS;
  }

  /** What a meter shows in a steady state. */
  static double read(PowerUpPlan.Clip clip, Settled settled) {
    return switch (clip.shows()) {
      case WATTS -> settled.mainsWatts();
      case DIRECT -> settled.waves().voltage(clip.point()).mean();
      case ALTERNATING -> settled.waves().voltage(clip.point()).rippleRms();
    };
  }

  private static List<Double> made(
      PowerUpPlan.Clip clip, List<String> points, ToleranceRuns tolerance) {
    if (clip.shows() == PowerUpPlan.Shows.WATTS) {
      return tolerance.watts();
    }
    ToleranceRuns.Rail rail = tolerance.rails().get(points.indexOf(clip.point()));
    return clip.shows() == PowerUpPlan.Shows.DIRECT ? rail.dcVolts() : rail.rippleRms();
  }

  /** What may be off without anything being wrong, beside the parts' tolerances. */
  private static double unsure(PowerUpPlan.Clip clip, Spread s, Supply supply, double share) {
    return METER * Math.abs(s.drawn)
        + switch (clip.shows()) {
          case DIRECT -> DIRECT_FLOOR;
          case ALTERNATING -> ALTERNATING_FLOOR;
          case WATTS -> WATTS_FLOOR + WATTS_UNSURE * supply.primary().otherWatts() * share * share;
        };
  }

  private static PowerUpPlan.Band heaters(Setup setup, double share) {
    double volts = setup.heaterVolts().orElseThrow() * share;
    boolean loaded = setup.loads() == TurnedUp.Loads.VALVES && share > 0.5;
    double high = volts * (1 + (loaded ? HEATER_BAND : HEATER_UNLOADED)) + DIRECT_FLOOR;
    return new PowerUpPlan.Band(
        volts,
        volts * (1 - HEATER_BAND) - DIRECT_FLOOR,
        high,
        -DIRECT_FLOOR,
        Math.max(high, volts * (1 + HEATER_UNLOADED) + DIRECT_FLOOR));
  }

  /**
   * A rail that has a sign to speak of at any step never shows the other one, at no step; an AC
   * voltage and what is taken of the mains are never below nothing.
   */
  private static List<Rung> rightWay(List<PowerUpPlan.Clip> clips, List<Rung> rungs) {
    List<Rung> right = new ArrayList<>();
    for (Rung r : rungs) {
      List<PowerUpPlan.Band> bands = new ArrayList<>();
      for (int k = 0; k < clips.size(); k++) {
        int clip = k;
        double most =
            rungs.stream()
                .mapToDouble(x -> x.step().bands().get(clip).expected())
                .reduce(0, (a, b) -> Math.abs(b) > Math.abs(a) ? b : a);
        PowerUpPlan.Band b = r.step().bands().get(k);
        bands.add(
            clips.get(k).shows() != PowerUpPlan.Shows.DIRECT
                ? between(b, 0, Double.POSITIVE_INFINITY)
                : Math.abs(most) < NO_SIGN_VOLTS
                    ? b
                    : most > 0
                        ? between(b, -NO_SIGN_VOLTS, Double.POSITIVE_INFINITY)
                        : between(b, Double.NEGATIVE_INFINITY, NO_SIGN_VOLTS));
      }
      right.add(new Rung(r.step().with(bands), r.watts(), r.supply()));
    }
    return right;
  }

  private static PowerUpPlan.Band between(PowerUpPlan.Band b, double least, double most) {
    return new PowerUpPlan.Band(
        b.expected(),
        Math.clamp(b.low(), least, most),
        Math.clamp(b.high(), least, most),
        Math.clamp(b.settlingLow(), least, most),
        Math.clamp(b.settlingHigh(), least, most));
  }

  private static final double NO_SIGN_VOLTS = 0.5;

  /**
   * No reading is right that is above what the weakest capacitor there stands, unless the set as
   * drawn goes there.
   */
  private static PowerUpPlan.Band limited(PowerUpPlan.Band b, PowerUpPlan.Clip clip, Setup setup) {
    Double most =
        clip.shows() == PowerUpPlan.Shows.DIRECT ? setup.ratedVolts().get(clip.point()) : null;
    if (most == null || Math.abs(b.expected()) >= most) {
      return b;
    }
    double low = Math.max(b.low(), -most);
    double high = Math.min(b.high(), most);
    return new PowerUpPlan.Band(
        b.expected(),
        low,
        high,
        Math.min(low, Math.max(b.settlingLow(), -RATED_SURGE * most)),
        Math.max(high, Math.min(b.settlingHigh(), RATED_SURGE * most)));
  }

  /**
   * For the moments before anything draws an electrolytic stands a tenth more (common practice).
   */
  private static final double RATED_SURGE = 1.1;

  /**
   * What a meter shows in sets that are all sound.
   *
   * @param drawn with every part as it is taken to be
   * @param otherwise with heaters that get less or more
   * @param made in sets within their tolerances
   * @param cold before anything is drawn
   */
  private record Spread(double drawn, List<Double> otherwise, List<Double> made, double cold) {
    /**
     * The band.
     *
     * @param unsure to either side
     * @param settling what the moments after a step may bring beyond
     */
    PowerUpPlan.Band band(double unsure, double settling) {
      double mean = made.stream().mapToDouble(v -> v).average().orElse(drawn);
      double sigma =
          Math.sqrt(made.stream().mapToDouble(v -> (v - mean) * (v - mean)).average().orElse(0));
      double cooler = otherwise.stream().mapToDouble(v -> v - drawn).min().orElse(0);
      double warmer = otherwise.stream().mapToDouble(v -> v - drawn).max().orElse(0);
      double each = WIDE * sigma + unsure;
      double low = Math.min(mean, drawn) + Math.min(0, cooler) - each;
      double high = Math.max(mean, drawn) + Math.max(0, warmer) + each;
      double apart = each + METER * Math.abs(cold);
      return new PowerUpPlan.Band(
          drawn,
          low,
          high,
          Math.min(low, Math.min(0, cold) - apart),
          Math.max(high, Math.max(0, cold) + apart) + settling);
    }
  }

  /**
   * What a set gets through a lamp at full mains, roughly.
   *
   * @param heaters share of its mains
   * @param rails the least share of its voltage that a rectified rail gets
   * @param glow of the lamp, against its rating
   */
  record Through(double heaters, double rails, double glow) {
    static Through of(Supply supply, TurnedUp.Loads loads, Lamp lamp) {
      At found = at(supply, new Setup(Optional.of(lamp), loads, List.of(), List.of(1.0)), 1, ROUGH);
      Waveforms whole = Settled.of(TurnedUp.at(supply, 1, 1, loads)).waves();
      Waveforms through = found.settled.waves();
      double rails =
          supply.sections().stream()
              .map(PowerUp::rail)
              .flatMap(Optional::stream)
              .mapToDouble(p -> through.voltage(p).mean() / whole.voltage(p).mean())
              .min()
              .orElse(found.heaters);
      return new Through(found.heaters, rails, found.lampWatts / lamp.watts());
    }
  }

  private static Optional<String> rail(Section s) {
    return switch (s) {
      case Section.Rectify r -> Optional.of(r.to());
      case Section.Doubler d -> Optional.of(d.to());
      default -> Optional.empty();
    };
  }

  /** A supply at a step, its heaters and its lamp in agreement. */
  private record At(double heaters, double lampWatts, Settled settled) {}

  /**
   * Lamp and heaters: what the heaters get falls as they are taken to get more, since warmer valves
   * draw more and the lamp takes what is drawn; so there is one place where both agree, and false
   * position (Illinois; textbook) finds it.
   */
  private static At at(Supply supply, Setup setup, double share, double near) {
    if (setup.lamp().isEmpty()) {
      return new At(share, 0, Settled.of(standing(supply, setup, share, share)));
    }
    double low = 0;
    At now = tried(Settled.of(standing(supply, setup, share, low)), supply);
    double above = now.heaters;
    double high = share;
    now = tried(near(supply, setup, share, high, now.settled), supply);
    double below = now.heaters - high;
    for (int k = 0; k < MOST && Math.abs(below) > near; k++) {
      double between = (low * below - high * above) / (below - above);
      At next = tried(near(supply, setup, share, between, now.settled), supply);
      double gap = next.heaters - between;
      if (gap * below < 0) {
        low = high;
        above = below;
      } else {
        above /= 2;
      }
      high = between;
      below = gap;
      now = next;
    }
    return now;
  }

  /** What the heaters get in a steady state in which they were taken to get so much. */
  private static At tried(Settled settled, Supply supply) {
    double nominal = supply.mains().nominalVolts();
    Waveforms w = settled.waves();
    double amperes = w.current(Supply.LAMP).rms();
    double lampOhms = settled.supply().primary().lamp().orElseThrow().ohms();
    return new At(w.voltage("mains.l").rms() / nominal, amperes * amperes * lampOhms, settled);
  }

  /** The steady state with the heaters taken to get so much, looked for near another. */
  private static Settled near(
      Supply supply, Setup setup, double share, double heaters, Settled other) {
    return Settled.near(standing(supply, setup, share, heaters), other);
  }

  private static Supply standing(Supply supply, Setup setup, double share, double heaters) {
    return behind(setup, TurnedUp.at(supply, share, heaters, setup.loads()));
  }

  private static Supply behind(Setup setup, Supply at) {
    return setup.lamp().map(at::behind).orElse(at);
  }
}
