package org.yellowhearth.core.safety;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.safety.Check.CheckWords;
import org.yellowhearth.core.safety.Check.Range;

/** What must be checked before this very set gets power, with what a meter should show. */
public final class Checks {
  /** The check of the fuse, the only one whose figure no meter gives. */
  static final String FUSE = "fuse";

  /**
   * Primary resistance against V²/P: copper loss in the primary at full load lies between these
   * shares (common practice).
   */
  static final double PRIMARY_LEAST = 0.008;

  static final double PRIMARY_MOST = 0.15;

  /** A smoothing choke or a field winding (common practice). */
  static final Range CHOKE = new Range(20, 3000, Unit.OHM);

  /**
   * Between mains and chassis at 500 V DC (common practice: ten megohms is sound, one the least).
   */
  static final Range INSULATION = new Range(1e6, Double.POSITIVE_INFINITY, Unit.OHM);

  /**
   * A rail with no bleeder rises past this once its capacitors have charged from the meter (common
   * practice).
   */
  static final double OPEN_RAIL_OHMS = 50e3;

  /** Below this share of its bleeders a rail has a leak or a short. */
  static final double RAIL_SHARE = 0.8;

  private static final double RAIL_EXCESS = 1.3;

  private final Job job;
  private final Instant now;
  private final List<Check> checks = new ArrayList<>();

  private Checks(Job job, Instant now) {
    this.job = job;
    this.now = now;
  }

  /** The checks for a set, in the order of doing. */
  public static List<Check> of(Job job, Instant now) {
    Checks c = new Checks(job, now);
    boolean mains = job.plate().chassis() != SetPlate.Chassis.BATTERY;
    if (mains) {
      c.mainsEntry();
      c.transformer();
    }
    c.job.aspect(Build.class).input().ifPresent(_ -> c.look("pole", CheckWords.POLE));
    c.job.items(Rail.class).forEach(c::rail);
    c.build();
    return List.copyOf(c.checks);
  }

  /** Those that keep the set from power. */
  public static List<Check> blocking(Job job, Instant now) {
    return of(job, now).stream().filter(Check::blocks).toList();
  }

  private void mainsEntry() {
    judged("mains-setting", CheckWords.MAINS_SETTING, against(MainsFit.Subject.SUPPLY));
    judged("cord", CheckWords.CORD, against(MainsFit.Subject.CORD));
    if (MainsFit.stops(job, MainsFit.Subject.PLUG_AND_EARTH)) {
      judged("plug", CheckWords.PLUG, Optional.of(false));
    }
    OptionalDouble running = MainsFit.runningAmperes(job);
    if (running.isPresent()) {
      Quantity least = Quantity.amperes(running.getAsDouble() * MainsFit.FUSE_LEAST);
      Quantity most = Quantity.amperes(running.getAsDouble() * MainsFit.FUSE_MOST);
      add(
          FUSE,
          Message.of(CheckWords.FUSE),
          Optional.of(new Range(least.value(), most.value(), Unit.AMPERE)),
          Optional.empty(),
          against(MainsFit.Subject.FUSE));
    } else {
      judged(FUSE, CheckWords.FUSE, against(MainsFit.Subject.FUSE));
    }
    look("switch", CheckWords.SWITCH);
    if (live()) {
      look("exposed-metal", CheckWords.EXPOSED_METAL);
    } else {
      look("earth", CheckWords.EARTH);
    }
  }

  /** Failed where what Arrival found stops it; else it is for a person to say. */
  private Optional<Boolean> against(MainsFit.Subject subject) {
    return MainsFit.stops(job, subject) ? Optional.of(false) : Optional.empty();
  }

  private boolean live() {
    return job.plate().chassis() == SetPlate.Chassis.LIVE
        || job.plate().chassis() == SetPlate.Chassis.PRIMARY_SIDE;
  }

  private void transformer() {
    if (job.plate().chassis() == SetPlate.Chassis.ISOLATED
        || job.plate().chassis() == SetPlate.Chassis.FLOATING_HIGH_VOLTAGE) {
      OptionalDouble watts = job.aspect(Build.class).watts();
      if (watts.isPresent() && job.plate().mains().isPresent()) {
        double volts = job.plate().mains().get().volts();
        double whole = volts * volts / watts.getAsDouble();
        add(
            "primary",
            Message.of(CheckWords.PRIMARY),
            Optional.of(new Range(whole * PRIMARY_LEAST, whole * PRIMARY_MOST, Unit.OHM)),
            Optional.of(
                Message.of(
                    CheckWords.PRIMARY_WORKING,
                    Quantity.volts(volts),
                    Quantity.watts(watts.getAsDouble()),
                    Quantity.ohms(whole),
                    Quantity.percent(PRIMARY_LEAST),
                    Quantity.percent(PRIMARY_MOST))),
            Optional.empty());
      } else {
        look("primary", CheckWords.PRIMARY);
      }
      look("secondary", CheckWords.SECONDARY);
      add(
          "insulation",
          Message.of(CheckWords.INSULATION),
          Optional.of(INSULATION),
          Optional.of(Message.of(CheckWords.INSULATION_WORKING)),
          Optional.empty());
    }
    boolean valves = job.plate().technology() != SetPlate.Technology.TRANSISTOR;
    boolean smoothed = job.capacitors().stream().anyMatch(p -> p.role() == Role.SMOOTHING);
    if (valves && smoothed) {
      add(
          "choke",
          Message.of(CheckWords.CHOKE),
          Optional.of(CHOKE),
          Optional.of(Message.of(CheckWords.CHOKE_WORKING)),
          Optional.empty());
    }
  }

  private void rail(Rail rail) {
    boolean drained = rail.bleeder() != Rail.Bleeder.NONE;
    double ohms = rail.bleederOhms().orElse(0);
    Message name = Message.of(drained ? CheckWords.RAIL : CheckWords.RAIL_OPEN, rail.name());
    Range range =
        drained
            ? new Range(RAIL_SHARE * ohms, RAIL_EXCESS * ohms, Unit.OHM)
            : new Range(OPEN_RAIL_OHMS, Double.POSITIVE_INFINITY, Unit.OHM);
    Message working =
        drained
            ? Message.of(
                CheckWords.RAIL_WORKING,
                Quantity.ohms(ohms),
                Quantity.percent(RAIL_SHARE),
                Quantity.percent(RAIL_EXCESS))
            : Message.of(CheckWords.RAIL_OPEN_WORKING, Quantity.ohms(OPEN_RAIL_OHMS));
    add("rail-" + rail.id(), name, Optional.of(range), Optional.of(working), Optional.empty());
  }

  private void build() {
    Build build = job.aspect(Build.class);
    if (build.features().contains(Feature.HEAT_SINKS)
        || job.plate().technology() != SetPlate.Technology.VALVE) {
      look("heat-sinks", CheckWords.HEAT_SINKS);
    }
    if (build.features().contains(Feature.SELENIUM_RECTIFIER)) {
      look("selenium", CheckWords.SELENIUM);
    }
    if (build.pictureTube().isPresent()) {
      look("picture-tube", CheckWords.PICTURE_TUBE);
    }
    long on = job.items(Jumper.class).stream().filter(j -> !j.removed()).count();
    if (on > 0) {
      add(
          "jumpers",
          Message.of(CheckWords.JUMPERS_ON, Long.toString(on)),
          Optional.empty(),
          Optional.empty(),
          Optional.of(false));
    } else {
      look("jumpers", CheckWords.JUMPERS);
    }
    job.items(DryingHold.class).stream()
        .map(DryingHold::until)
        .max(Comparator.naturalOrder())
        .ifPresent(until ->
            judged(
                "dry",
                now.isBefore(until) ? CheckWords.DRY_UNTIL : CheckWords.DRY,
                Optional.of(!now.isBefore(until))));
  }

  private void look(String code, MessageKey words) {
    judged(code, words, Optional.empty());
  }

  private void judged(String code, MessageKey words, Optional<Boolean> automatic) {
    add(code, Message.of(words), Optional.empty(), Optional.empty(), automatic);
  }

  private void add(
      String code,
      Message words,
      Optional<Range> expected,
      Optional<Message> working,
      Optional<Boolean> automatic) {
    Optional<CheckResult> result =
        job.items(CheckResult.class).stream()
            .filter(r -> r.check().equals(code))
            .reduce((_, last) -> last);
    checks.add(new Check(code, words, expected, working, automatic, result));
  }
}
