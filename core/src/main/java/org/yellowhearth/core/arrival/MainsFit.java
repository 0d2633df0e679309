package org.yellowhearth.core.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;

/** Whether the set, as it is set and wired, fits the supply of the bench. */
public final class MainsFit {
  /**
   * More core flux than it was made for: a core of the period stands this much (common practice).
   */
  static final double FLUX_CARE = 1.05;

  /**
   * From here on a core of the period saturates and the winding burns in time (common practice).
   */
  static final double FLUX_STOP = 1.12;

  /**
   * Supply voltage against setting: heaters are held to within 10 % (common practice for valves,
   * from memory).
   */
  static final double VOLTS_CARE = 1.06;

  static final double VOLTS_STOP = 1.10;
  static final double VOLTS_LOW = 0.90;

  /**
   * A fuse carries the running current with this much in hand, and no more than the next bound, so
   * that it stands the inrush of a transformer and still blows (common practice).
   */
  public static final double FUSE_LEAST = 1.25;

  public static final double FUSE_MOST = 5;

  /** What a thin cord is protected by, in amperes (common practice). */
  static final double CORD_FUSE = 3;

  /** A fuse of this many times the running current protects nothing. */
  static final double FUSE_STOP = 10;

  private MainsFit() {}

  /** How much it matters. */
  public enum Severity implements Coded {
    STOP,
    CARE,
    NOTE,
    GOOD
  }

  /** What the comparison can say. */
  public enum MainsWords implements MessageKey {
    NO_MAINS_ON_PLATE,
    NO_LOCAL_MAINS,
    MAINS_NOT_MEASURED,
    SETTING_UNSEEN, //
    VOLTS_GOOD,
    VOLTS_HIGH,
    VOLTS_TOO_HIGH,
    VOLTS_LOW,
    VOLTS_REMEDY,
    VOLTS_LOW_REMEDY,
    VOLTS_WORKING, //
    FLUX_GOOD,
    FLUX_HIGH,
    FLUX_TOO_HIGH,
    FLUX_REMEDY,
    FLUX_WORKING, //
    DIRECT_ON_TRANSFORMER,
    DIRECT_REMEDY,
    SET_FOR_DIRECT,
    SET_FOR_DIRECT_REMEDY, //
    FREQUENCY_SETTING,
    FREQUENCY_SETTING_REMEDY,
    FREQUENCY_PART,
    FREQUENCY_PART_REMEDY, //
    CORD_UNSEEN,
    CORD_BAD,
    CORD_REMEDY,
    PLUG_UNSEEN,
    PLUG_REVERSIBLE,
    PLUG_LIVE,
    PLUG_REMEDY,
    PLUG_NONE, //
    FUSE_UNSEEN,
    FUSE_GOOD,
    FUSE_NONE,
    FUSE_BRIDGED,
    FUSE_NEUTRAL,
    FUSE_SECONDARY,
    FUSE_HIGH,
    FUSE_LOW,
    FUSE_REMEDY, //
    FUSE_WORKING,
    FUSE_UNKNOWN,
    PLUG_FUSE_GOOD,
    PLUG_FUSE_HIGH,
    PLUG_FUSE_ALONE,
    PLUG_FUSE_REMEDY, //
    SWITCH_UNSEEN,
    SWITCH_NEUTRAL,
    SWITCH_SECONDARY,
    SWITCH_NONE,
    SWITCH_REMEDY, //
    EARTH_UNSEEN,
    EARTH_ABSENT,
    EARTH_REMEDY,
    EARTH_LIVE,
    EARTH_LIVE_REMEDY,
    LIVE_NO_ISOLATION,
    LIVE_REMEDY
  }

  /**
   * One thing found.
   *
   * @param remedy what to do; empty where nothing is to be done
   * @param working the arithmetic; empty where there is none
   */
  public record Point(
      Severity severity, Message words, List<Message> remedy, List<Message> working) {
    public Point {
      remedy = List.copyOf(remedy);
      working = List.copyOf(working);
    }
  }

  /** What a finding is about: each is a check of its own. */
  public enum Subject {
    /** Voltage and frequency of the supply against what the set is made for and set to. */
    SUPPLY,
    CORD,
    FUSE,
    SWITCH,
    /** The plug, the earth, and isolation where the chassis is live. */
    PLUG_AND_EARTH
  }

  /** Everything found, the gravest first. */
  public static List<Point> of(Job job) {
    if (job.plate().chassis() == SetPlate.Chassis.BATTERY) {
      return List.of();
    }
    List<Point> points = new ArrayList<>();
    for (Subject s : Subject.values()) {
      points.addAll(of(job, s));
    }
    points.sort((a, b) -> a.severity.compareTo(b.severity));
    return List.copyOf(points);
  }

  private static List<Point> of(Job job, Subject subject) {
    List<Point> points = new ArrayList<>();
    MainsEntry m = job.aspect(MainsEntry.class);
    switch (subject) {
      case SUPPLY -> {
        supply(job, points);
        frequencyParts(job, points);
      }
      case CORD -> cord(m, points);
      case FUSE -> fuse(job, m, points);
      case SWITCH -> mainsSwitch(m, points);
      case PLUG_AND_EARTH -> {
        plug(m, live(job), points);
        earth(job, m, points);
      }
    }
    return points;
  }

  /** Whether power must wait: something here stops it. */
  public static boolean stops(Job job) {
    return of(job).stream().anyMatch(p -> p.severity == Severity.STOP);
  }

  /** Whether something about this stops it. */
  public static boolean stops(Job job, Subject subject) {
    return of(job, subject).stream().anyMatch(p -> p.severity == Severity.STOP);
  }

  /** Whether a line-frequency transformer stands between mains and set. */
  static boolean hasTransformer(Job job) {
    return switch (job.plate().chassis()) {
      case ISOLATED, FLOATING_HIGH_VOLTAGE -> !job.aspect(Build.class).switchingSupply();
      case UNKNOWN, LIVE, PRIMARY_SIDE, BATTERY -> false;
    };
  }

  /**
   * Core flux against what the transformer was made for. Flux follows volt-seconds per half cycle,
   * and so V/f.
   *
   * @return the ratio; 1.2 for a 60 Hz set on 50 Hz at the same voltage
   */
  public static double fluxRatio(double madeVolts, double madeHertz, double volts, double hertz) {
    if (!(madeVolts > 0 && madeHertz > 0 && volts > 0 && hertz > 0)) {
      throw new IllegalArgumentException("flux needs volts and hertz above zero");
    }
    return volts / hertz / (madeVolts / madeHertz);
  }

  private static void supply(Job job, List<Point> points) {
    Bench bench = job.aspect(Bench.class);
    MainsEntry entry = job.aspect(MainsEntry.class);
    if (job.plate().mains().isEmpty()) {
      points.add(plain(Severity.CARE, MainsWords.NO_MAINS_ON_PLATE));
      return;
    }
    if (bench.mainsVolts().isEmpty() || bench.mainsHertz().isEmpty()) {
      points.add(plain(Severity.CARE, MainsWords.NO_LOCAL_MAINS));
      return;
    }
    if (!bench.measured()) {
      points.add(plain(Severity.NOTE, MainsWords.MAINS_NOT_MEASURED));
    }
    SetPlate.Mains made = job.plate().mains().get();
    double setVolts = entry.settingVolts().orElse(made.volts());
    if (entry.settingVolts().isEmpty()) {
      points.add(plain(Severity.CARE, MainsWords.SETTING_UNSEEN));
    }
    double volts = bench.mainsVolts().getAsDouble();
    double hertz = bench.mainsHertz().getAsDouble();
    if (hertz == 0 && (hasTransformer(job) || made.hertz() > 0)) {
      points.add(
          point(
              Severity.STOP,
              Message.of(MainsWords.DIRECT_ON_TRANSFORMER),
              MainsWords.DIRECT_REMEDY));
      return;
    }
    if (made.hertz() == 0 && hertz > 0) {
      points.add(
          point(
              Severity.CARE,
              Message.of(MainsWords.SET_FOR_DIRECT),
              MainsWords.SET_FOR_DIRECT_REMEDY));
    }
    volts(setVolts, volts, points);
    double setHertz = entry.settingHertz().orElse(made.hertz());
    if (hasTransformer(job) && made.hertz() > 0) {
      flux(setVolts, made.hertz(), volts, hertz, points);
    }
    if (entry.settingHertz().isPresent() && setHertz != Math.rint(hertz)) {
      points.add(
          point(
              Severity.STOP,
              Message.of(
                  MainsWords.FREQUENCY_SETTING, Quantity.hertz(setHertz), Quantity.hertz(hertz)),
              MainsWords.FREQUENCY_SETTING_REMEDY));
    }
  }

  private static void volts(double set, double supply, List<Point> points) {
    double ratio = supply / set;
    Message working =
        Message.of(
            MainsWords.VOLTS_WORKING,
            Quantity.volts(supply),
            Quantity.volts(set),
            Quantity.percent(ratio));
    if (ratio > VOLTS_CARE) {
      boolean stop = ratio > VOLTS_STOP;
      points.add(
          new Point(
              stop ? Severity.STOP : Severity.CARE,
              Message.of(
                  stop ? MainsWords.VOLTS_TOO_HIGH : MainsWords.VOLTS_HIGH,
                  Quantity.volts(supply),
                  Quantity.volts(set),
                  Quantity.percent(ratio - 1)),
              List.of(Message.of(MainsWords.VOLTS_REMEDY, Quantity.volts(set))),
              List.of(working)));
    } else if (ratio < VOLTS_LOW) {
      points.add(
          new Point(
              Severity.CARE,
              Message.of(
                  MainsWords.VOLTS_LOW,
                  Quantity.volts(supply),
                  Quantity.volts(set),
                  Quantity.percent(1 - ratio)),
              List.of(Message.of(MainsWords.VOLTS_LOW_REMEDY)),
              List.of(working)));
    } else {
      points.add(
          new Point(
              Severity.GOOD,
              Message.of(MainsWords.VOLTS_GOOD, Quantity.volts(supply), Quantity.volts(set)),
              List.of(),
              List.of(working)));
    }
  }

  private static void flux(
      double setVolts, double madeHertz, double volts, double hertz, List<Point> points) {
    double ratio = fluxRatio(setVolts, madeHertz, volts, hertz);
    Message working =
        Message.of(
            MainsWords.FLUX_WORKING,
            Quantity.volts(volts),
            Quantity.hertz(hertz),
            Quantity.volts(setVolts),
            Quantity.hertz(madeHertz),
            Quantity.percent(ratio));
    if (ratio <= FLUX_CARE) {
      points.add(
          new Point(
              Severity.GOOD,
              Message.of(MainsWords.FLUX_GOOD, Quantity.percent(ratio)),
              List.of(),
              List.of(working)));
      return;
    }
    boolean stop = ratio > FLUX_STOP;
    points.add(
        new Point(
            stop ? Severity.STOP : Severity.CARE,
            Message.of(
                stop ? MainsWords.FLUX_TOO_HIGH : MainsWords.FLUX_HIGH,
                Quantity.percent(ratio),
                Quantity.hertz(madeHertz),
                Quantity.hertz(hertz)),
            List.of(
                Message.of(
                    MainsWords.FLUX_REMEDY,
                    Quantity.volts(setVolts * hertz / madeHertz),
                    Quantity.percent(1 - hertz / madeHertz))),
            List.of(working)));
  }

  private static void frequencyParts(Job job, List<Point> points) {
    OptionalDouble local = job.aspect(Bench.class).mainsHertz();
    double made = job.plate().mains().map(SetPlate.Mains::hertz).orElse(0.0);
    if (local.isEmpty() || made == 0 || made == Math.rint(local.getAsDouble())) {
      return;
    }
    for (Feature f :
        List.of(
            Feature.MAINS_MOTOR,
            Feature.MAINS_LOCKED_FIELD,
            Feature.INTEGRATING_METER,
            Feature.CONSTANT_VOLTAGE_TRANSFORMER)) {
      if (job.aspect(Build.class).features().contains(f)) {
        points.add(
            point(
                Severity.CARE,
                Message.of(
                    MainsWords.FREQUENCY_PART,
                    f.term(),
                    Quantity.hertz(made),
                    Quantity.hertz(local.getAsDouble())),
                MainsWords.FREQUENCY_PART_REMEDY));
      }
    }
  }

  private static void cord(MainsEntry m, List<Point> points) {
    switch (m.cord()) {
      case UNSEEN -> points.add(plain(Severity.CARE, MainsWords.CORD_UNSEEN));
      case STIFF, CRACKED, TAPED, MISSING ->
          points.add(
              point(
                  Severity.STOP,
                  Message.of(MainsWords.CORD_BAD, m.cord().term()),
                  MainsWords.CORD_REMEDY));
      case SOUND -> {
        // Nothing to say.
      }
    }
  }

  private static void plug(MainsEntry m, boolean live, List<Point> points) {
    switch (m.plug()) {
      case UNSEEN -> points.add(plain(Severity.CARE, MainsWords.PLUG_UNSEEN));
      case NONE ->
          points.add(
              point(Severity.STOP, Message.of(MainsWords.PLUG_NONE), MainsWords.PLUG_REMEDY));
      case REVERSIBLE ->
          points.add(
              point(
                  live ? Severity.STOP : Severity.NOTE,
                  Message.of(live ? MainsWords.PLUG_LIVE : MainsWords.PLUG_REVERSIBLE),
                  MainsWords.PLUG_REMEDY));
      case EARTHED, POLARISED -> {
        // Nothing to say.
      }
    }
  }

  private static void mainsSwitch(MainsEntry m, List<Point> points) {
    switch (m.switchPlace()) {
      case UNSEEN -> points.add(plain(Severity.CARE, MainsWords.SWITCH_UNSEEN));
      case NEUTRAL ->
          points.add(
              point(
                  Severity.CARE, Message.of(MainsWords.SWITCH_NEUTRAL), MainsWords.SWITCH_REMEDY));
      case SECONDARY ->
          points.add(
              point(
                  Severity.CARE,
                  Message.of(MainsWords.SWITCH_SECONDARY),
                  MainsWords.SWITCH_REMEDY));
      case NONE -> points.add(plain(Severity.NOTE, MainsWords.SWITCH_NONE));
      case BOTH, LINE -> {
        // Nothing to say.
      }
    }
  }

  private static void earth(Job job, MainsEntry m, List<Point> points) {
    boolean live = live(job);
    switch (m.earth()) {
      case UNSEEN -> points.add(plain(Severity.CARE, MainsWords.EARTH_UNSEEN));
      case ABSENT -> {
        if (!live) {
          points.add(
              point(Severity.CARE, Message.of(MainsWords.EARTH_ABSENT), MainsWords.EARTH_REMEDY));
        }
      }
      case CONNECTED -> {
        if (live) {
          points.add(
              point(
                  Severity.STOP, Message.of(MainsWords.EARTH_LIVE), MainsWords.EARTH_LIVE_REMEDY));
        }
      }
    }
    if (live && !job.aspect(Bench.class).isolated()) {
      points.add(
          point(Severity.STOP, Message.of(MainsWords.LIVE_NO_ISOLATION), MainsWords.LIVE_REMEDY));
    }
  }

  private static boolean live(Job job) {
    return job.plate().chassis() == SetPlate.Chassis.LIVE
        || job.plate().chassis() == SetPlate.Chassis.PRIMARY_SIDE;
  }

  private static void fuse(Job job, MainsEntry m, List<Point> points) {
    switch (m.fusePlace()) {
      case UNSEEN -> points.add(plain(Severity.CARE, MainsWords.FUSE_UNSEEN));
      case BRIDGED ->
          points.add(
              point(Severity.STOP, Message.of(MainsWords.FUSE_BRIDGED), MainsWords.FUSE_REMEDY));
      case NONE ->
          points.add(
              point(Severity.CARE, Message.of(MainsWords.FUSE_NONE), MainsWords.FUSE_REMEDY));
      case NEUTRAL ->
          points.add(
              point(Severity.CARE, Message.of(MainsWords.FUSE_NEUTRAL), MainsWords.FUSE_REMEDY));
      case SECONDARY ->
          points.add(
              point(Severity.CARE, Message.of(MainsWords.FUSE_SECONDARY), MainsWords.FUSE_REMEDY));
      case LINE -> {
        // Its rating is judged below.
      }
    }
    boolean fitted =
        m.fusePlace() == MainsEntry.FusePlace.LINE || m.fusePlace() == MainsEntry.FusePlace.NEUTRAL;
    if (fitted && m.fuseAmperes().isPresent()) {
      fuseRating(job, m, points);
    }
    m.plugFuseAmperes().ifPresent(a -> points.add(plugFuse(m, a)));
  }

  /**
   * The fuse in a plug protects the cord, not the set: 3 A for a light cord of up to about 700 W,
   * and no more than the cord bears (common practice where plugs carry fuses).
   */
  private static Point plugFuse(MainsEntry m, double amperes) {
    Quantity rating = Quantity.amperes(amperes);
    if (amperes > CORD_FUSE) {
      return point(
          Severity.CARE,
          Message.of(MainsWords.PLUG_FUSE_HIGH, rating),
          MainsWords.PLUG_FUSE_REMEDY);
    }
    boolean alone =
        m.fusePlace() == MainsEntry.FusePlace.NONE || m.fusePlace() == MainsEntry.FusePlace.BRIDGED;
    return new Point(
        alone ? Severity.CARE : Severity.GOOD,
        Message.of(alone ? MainsWords.PLUG_FUSE_ALONE : MainsWords.PLUG_FUSE_GOOD, rating),
        List.of(),
        List.of());
  }

  private static void fuseRating(Job job, MainsEntry m, List<Point> points) {
    OptionalDouble running = runningAmperes(job);
    Quantity rating = Quantity.amperes(m.fuseAmperes().orElseThrow());
    if (running.isEmpty()) {
      points.add(plain(Severity.NOTE, MainsWords.FUSE_UNKNOWN));
      return;
    }
    double times = rating.value() / running.getAsDouble();
    Message working =
        Message.of(
            MainsWords.FUSE_WORKING,
            Quantity.amperes(running.getAsDouble()),
            Quantity.amperes(FUSE_LEAST * running.getAsDouble()),
            Quantity.amperes(FUSE_MOST * running.getAsDouble()));
    boolean good = times >= FUSE_LEAST && times <= FUSE_MOST;
    MainsWords words =
        good
            ? MainsWords.FUSE_GOOD
            : times > FUSE_MOST ? MainsWords.FUSE_HIGH : MainsWords.FUSE_LOW;
    Severity severity = good ? Severity.GOOD : times > FUSE_STOP ? Severity.STOP : Severity.CARE;
    points.add(
        new Point(
            severity,
            Message.of(words, rating, Quantity.amperes(running.getAsDouble())),
            good ? List.of() : List.of(Message.of(MainsWords.FUSE_REMEDY)),
            List.of(working)));
  }

  /**
   * The current it runs at, by its power and the voltage it is made for; reactive current is not in
   * it.
   */
  public static OptionalDouble runningAmperes(Job job) {
    OptionalDouble watts = job.aspect(Build.class).watts();
    return watts.isPresent() && job.plate().mains().isPresent()
        ? OptionalDouble.of(watts.getAsDouble() / job.plate().mains().get().volts())
        : OptionalDouble.empty();
  }

  private static Point plain(Severity severity, MainsWords words) {
    return new Point(severity, Message.of(words), List.of(), List.of());
  }

  private static Point point(Severity severity, Message words, MainsWords remedy) {
    return new Point(severity, words, List.of(Message.of(remedy)), List.of());
  }
}
