package org.yellowhearth.core.safety;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.knowledge.Knowledge;

/**
 * What the set holds, followed from its power events, the volts measured, and the discharge paths.
 * Two courses run side by side: the likely one believes every resistor, the safe one only bleeders
 * that were measured: a clip may have slipped, and a low reading does not tell, because the
 * capacitor may have been emptied another way. States and countdowns that somebody could rely on
 * come from the safe course.
 */
public final class Hearth {
  private static final double MILLIS = 1000;

  private final boolean lit;
  private final Optional<Instant> since;
  private final List<Course> courses;

  /** One store from its last event on. */
  private record Course(
      Store store,
      boolean known,
      Instant from,
      double litVolts,
      ChargeModel.Course safe,
      ChargeModel.Course likely,
      OptionalDouble clipOhms) {}

  private Hearth(boolean lit, Optional<Instant> since, List<Course> courses) {
    this.lit = lit;
    this.since = since;
    this.courses = courses;
  }

  /** The hearth of a job as its journal has it; it goes on by itself from there. */
  public static Hearth of(Job job, Knowledge knowledge) {
    Map<String, Follower> followers = new LinkedHashMap<>();
    Store.of(job, knowledge).forEach(s -> followers.put(s.id(), new Follower(s)));
    Instant now = Instant.MIN;
    boolean lit = false;
    for (Job.Happening h : job.events()) {
      // A clock that was set back must not undo a discharge or stretch one.
      now = h.at().isAfter(now) ? h.at() : now;
      if (h.event() instanceof Edit.PowerSwitched(Edit.Power power)) {
        lit = power == Edit.Power.LIT;
      }
      for (Follower f : followers.values()) {
        f.take(h.event(), now);
      }
    }
    return new Hearth(
        lit, job.powerSince(), followers.values().stream().map(Follower::course).toList());
  }

  /** Since when the set has been under power, or off. */
  public Optional<Instant> since() {
    return since;
  }

  /** What is known at a moment. */
  public ChargeReading at(Instant now) {
    List<ChargeReading.StoreReading> stores = courses.stream().map(c -> at(c, now)).toList();
    return new ChargeReading(state(stores), stores);
  }

  private ChargeState state(List<ChargeReading.StoreReading> stores) {
    if (lit) {
      return ChargeState.LIT;
    }
    if (stores.isEmpty() || stores.stream().anyMatch(s -> !s.known())) {
      return ChargeState.UNKNOWN;
    }
    return stores.stream().allMatch(s -> s.highestVolts() < HazardClass.METER_VOLTS)
        ? ChargeState.COLD
        : ChargeState.BANKED;
  }

  private ChargeReading.StoreReading at(Course c, Instant now) {
    Store s = c.store;
    boolean known = c.known && s.complete();
    if (lit || !known) {
      return new ChargeReading.StoreReading(
          s,
          known,
          c.litVolts,
          c.litVolts,
          c.litVolts,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          c.clipOhms);
    }
    double seconds = Math.max(0, Duration.between(c.from, now).toMillis() / MILLIS);
    return new ChargeReading.StoreReading(
        s,
        true,
        c.safe.at(seconds).node(),
        c.likely.at(seconds).node(),
        c.safe.highestFrom(seconds),
        left(c.safe, HazardClass.touchVolts(s.highFarads()), seconds),
        left(c.safe, HazardClass.METER_VOLTS, seconds),
        left(c.likely, HazardClass.touchVolts(s.highFarads()), seconds),
        left(c.likely, HazardClass.METER_VOLTS, seconds),
        c.clipOhms);
  }

  private static Optional<Duration> left(ChargeModel.Course course, double limit, double gone) {
    OptionalDouble under = course.under(limit);
    // Longer than a few hundred years is never, and would not fit a Duration in milliseconds
    // either.
    double longest = 1e10;
    return under.isEmpty() || under.getAsDouble() > longest
        ? Optional.empty()
        : Optional.of(
            Duration.ofMillis((long) Math.ceil(Math.max(0, under.getAsDouble() - gone) * MILLIS)));
  }

  /** Follows one store through the events. */
  private static final class Follower {
    private final Store store;
    private boolean lit;
    private boolean known;
    private Instant from = Instant.EPOCH;
    private double litVolts;
    private ChargeModel.Volts safe;
    private ChargeModel.Volts likely;
    private OptionalDouble clip = OptionalDouble.empty();

    Follower(Store store) {
      this.store = store;
      this.litVolts = store.litVolts();
      this.safe = ChargeModel.Volts.soaked(store.litVolts());
      this.likely = safe;
    }

    void take(Edit.Event event, Instant now) {
      goOn(now);
      switch (event) {
        case Edit.PowerSwitched e when e.power() == Edit.Power.LIT -> {
          litVolts = lit ? litVolts : store.litVolts();
          lit = true;
        }
        case Edit.PowerSwitched _ -> switchedOff();
        case Edit.VoltsMeasured e when e.rail().equals(store.id()) ->
            measured(e.volts(), e.asFound());
        case Edit.ClipPut e when e.rail().equals(store.id()) -> clip = OptionalDouble.of(e.ohms());
        case Edit.ClipTaken e when e.rail().equals(store.id()) -> clip = OptionalDouble.empty();
        case Edit.VoltsMeasured _,
            Edit.ClipPut _,
            Edit.ClipTaken _,
            Edit.Answered _,
            Reforming _,
            PoweringUp _ -> {
          // Another store's, or nothing that moves charge.
        }
      }
    }

    private void goOn(Instant now) {
      if (!lit && from.isBefore(now) && known) {
        double seconds = Duration.between(from, now).toMillis() / MILLIS;
        safe = store.safe().from(safe).at(seconds);
        likely = store.likely(clip).from(likely).at(seconds);
      }
      from = now;
    }

    private void switchedOff() {
      if (lit) {
        lit = false;
        known = true;
        safe = ChargeModel.Volts.soaked(litVolts);
        likely = safe;
      }
    }

    private void measured(double volts, boolean asFound) {
      if (lit) {
        litVolts = Math.max(litVolts, Math.abs(volts));
        return;
      }
      // What nobody discharged soaks at what it is found at; anything else may have stood at its
      // rail till just now.
      boolean found = asFound && !known && clip.isEmpty();
      safe = found ? ChargeModel.Volts.soaked(volts) : safe.measured(volts);
      likely = found ? safe : likely.measured(volts);
      known = true;
    }

    Course course() {
      return new Course(
          store,
          known || lit,
          from,
          litVolts,
          store.safe().from(safe),
          store.likely(clip).from(likely),
          clip);
    }
  }
}
