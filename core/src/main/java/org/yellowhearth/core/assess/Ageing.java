package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Reading;

/**
 * Where a capacitor stands in the ageing field: across, the capacitance it kept; up, its losses
 * against those of a sound part of its kind, taken as half of the loss at which it is watched.
 *
 * @param before where its first readings put it, where later ones differ
 */
public record Ageing(Capacitor part, Spot now, Optional<Spot> before) {
  /** A sound part has half the losses at which it is watched (our choice; the axis needs a one). */
  public static final double SOUND_SHARE = 0.5;

  /** Marks nearer than this are one. */
  private static final double SAME = 0.02;

  /**
   * A place in the field.
   *
   * @param kept capacitance as a share of the marking, where it was read
   * @param times losses as a multiple of a sound part's, where they were read and there is a limit
   *     for them
   */
  public record Spot(OptionalDouble kept, OptionalDouble times) {
    boolean empty() {
      return kept.isEmpty() && times.isEmpty();
    }
  }

  /**
   * The limits of the field as its ground.
   *
   * @param watchTimes losses from which a part is watched
   * @param renewTimes losses from which it is renewed
   */
  public record Ground(Limits.Kept kept, double watchTimes, double renewTimes) {}

  /** Every capacitor of a job of which anything was read. */
  public static List<Ageing> of(Job job, Knowledge knowledge) {
    OwnLimits limits = new OwnLimits(job);
    return job.capacitors().stream()
        .flatMap(c ->
            limits
                .of(knowledge.kind(c.kind()), job.policy().limits().limits())
                .flatMap(l -> of(c, l, job.readingsOf(c.ref())))
                .stream())
        .toList();
  }

  /** The ground for a part. */
  public static Optional<Ground> ground(Job job, Capacitor part, Knowledge knowledge) {
    return new OwnLimits(job)
        .of(knowledge.kind(part.kind()), job.policy().limits().limits())
        .map(l -> {
          Optional<Limits.DissipationLimit> d = l.dissipationFor(part.ratedVolts());
          return new Ground(
              l.kept(),
              1 / SOUND_SHARE,
              d.map(x -> x.renewAbove() / x.watchAbove() / SOUND_SHARE).orElse(1.5 / SOUND_SHARE));
        });
  }

  private static Optional<Ageing> of(Capacitor part, Limits limits, List<Reading> readings) {
    List<Reading> alone =
        readings.stream().filter(r -> r.conditions().connection().alone()).toList();
    Spot now = spot(part, limits, alone.reversed());
    if (now.empty()) {
      return Optional.empty();
    }
    Spot first = spot(part, limits, alone);
    return Optional.of(
        new Ageing(part, now, moved(first, now) ? Optional.of(first) : Optional.empty()));
  }

  private static boolean moved(Spot a, Spot b) {
    return apart(a.kept, b.kept) || apart(a.times, b.times);
  }

  private static boolean apart(OptionalDouble a, OptionalDouble b) {
    return a.isPresent() && b.isPresent() && Math.abs(a.getAsDouble() / b.getAsDouble() - 1) > SAME;
  }

  /** The first of each figure in the order given. */
  private static Spot spot(Capacitor part, Limits limits, List<Reading> readings) {
    OptionalDouble kept = OptionalDouble.empty();
    OptionalDouble times = OptionalDouble.empty();
    for (Reading r : readings) {
      Derived d = Derived.of(r.figures(), r.conditions());
      if (kept.isEmpty() && d.seriesFarads().isPresent()) {
        kept = OptionalDouble.of(d.seriesFarads().getAsDouble() / part.farads());
      }
      if (times.isEmpty()) {
        times = LossCriterion.ofWatchLimit(part, limits, d);
      }
    }
    return new Spot(
        kept, times.isPresent() ? OptionalDouble.of(times.getAsDouble() / SOUND_SHARE) : times);
  }
}
