package org.yellowhearth.core.finaltest;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * How a burn-in stands: its channels, when the next readings are due, and whether it has passed.
 *
 * @param due every moment of its schedule
 * @param next the first that was not read, while it goes on
 * @param odd what was noticed
 */
public record BurnWatch(
    BurnIn of,
    List<Channel> channels,
    List<Due> due,
    Optional<Instant> next,
    BurnCounsel counsel,
    List<BurnReading> odd) {
  /** Dense first, then sparse (common practice: minutes, then hours, overnight, the next day). */
  static final List<Double> SCHEDULE =
      List.of(5 / 60.0, 10 / 60.0, 20 / 60.0, 0.5, 1.0, 1.5, 2.0, 3.0, 4.0, 6.0, 8.0);

  private static final double LATER = 8;
  private static final double MILLIS = 3_600_000;

  /** What to do. */
  public enum BurnCounsel implements Coded {
    /** Nothing is due. */
    WAIT,
    /** A reading is due. */
    READ,
    /** Something is beyond its bound: off, and look. */
    STOP,
    /** The hours are over, and everything stayed within its bound. */
    PASS,
    /** The hours are over, but not every channel can be told. */
    UNDECIDED,
    /** It has ended. */
    ENDED
  }

  /** A moment of the schedule, and whether nothing is to be read for it any more. */
  public record Due(Instant at, boolean over) {}

  /**
   * A channel.
   *
   * @param base what it is held against: what was expected, or its first reading after the warm-up
   * @param beyond whether its newest reading is further from that than its bound
   */
  public record Channel(
      BurnIn.BurnChannel of,
      List<Drift.At> readings,
      OptionalDouble base,
      Drift drift,
      boolean beyond) {
    public Channel {
      readings = List.copyOf(readings);
    }
  }

  public BurnWatch {
    channels = List.copyOf(channels);
    due = List.copyOf(due);
    odd = List.copyOf(odd);
  }

  /** How it stands at a moment; readings of other burn-ins are left out. */
  public static BurnWatch of(BurnIn burn, List<BurnReading> all, Instant now) {
    List<BurnReading> mine =
        all.stream()
            .filter(r -> r.of().equals(burn.id()) && !r.at().isBefore(burn.begun()))
            .sorted(Comparator.comparing(BurnReading::at))
            .toList();
    List<Channel> channels = burn.channels().stream().map(c -> channel(burn, c, mine)).toList();
    List<Due> due = due(burn, mine, now);
    boolean open = burn.end() == BurnIn.BurnEnd.UNDECIDED;
    Optional<Instant> next =
        open ? due.stream().filter(d -> !d.over).map(Due::at).findFirst() : Optional.empty();
    BurnCounsel counsel =
        !open
            ? BurnCounsel.ENDED
            : channels.stream()
                    .anyMatch(c -> c.beyond || c.drift.verdict() == Drift.DriftVerdict.DRIFTS)
                ? BurnCounsel.STOP
                : next.isEmpty()
                    ? ended(channels)
                    : now.isBefore(next.get()) ? BurnCounsel.WAIT : BurnCounsel.READ;
    return new BurnWatch(
        burn,
        channels,
        due,
        next,
        counsel,
        mine.stream().filter(r -> !r.note().isBlank()).toList());
  }

  private static BurnCounsel ended(List<Channel> channels) {
    return channels.stream().allMatch(c -> c.drift.verdict() == Drift.DriftVerdict.STEADY)
        ? BurnCounsel.PASS
        : BurnCounsel.UNDECIDED;
  }

  private static Channel channel(BurnIn burn, BurnIn.BurnChannel c, List<BurnReading> mine) {
    List<Drift.At> readings = new ArrayList<>();
    for (BurnReading r : mine) {
      r.shown().stream()
          .filter(s -> s.channel().equals(c.name()))
          .findFirst()
          .ifPresent(s -> readings.add(new Drift.At(hours(burn.begun(), r.at()), s.value())));
    }
    OptionalDouble base =
        c.expected().isPresent()
            ? c.expected()
            : readings.stream()
                .filter(r -> r.hours() >= Drift.WARM_UP_HOURS)
                .mapToDouble(Drift.At::value)
                .findFirst();
    boolean beyond =
        !readings.isEmpty()
            && base.isPresent()
            && readings.getLast().hours() >= Drift.WARM_UP_HOURS
            && !Edge.near(readings.getLast().value(), base.getAsDouble(), c.bound());
    return new Channel(c, readings, base, Drift.of(readings, burn.hours(), c.bound()), beyond);
  }

  private static double hours(Instant from, Instant to) {
    return Duration.between(from, to).toMillis() / MILLIS;
  }

  /** The hours at which readings are due. */
  static List<Double> hours(double total) {
    List<Double> all = new ArrayList<>(SCHEDULE.stream().filter(h -> h < total).toList());
    for (double h = SCHEDULE.getLast() + LATER; h < total; h += LATER) {
      all.add(h);
    }
    all.add(total);
    return all;
  }

  /**
   * A moment was read where a reading came at it or later, before the next; one that was missed is
   * not asked for again.
   */
  private static List<Due> due(BurnIn burn, List<BurnReading> mine, Instant now) {
    List<Instant> moments =
        hours(burn.hours()).stream()
            .map(h -> burn.begun().plus(Duration.ofMillis(Math.round(h * MILLIS))))
            .toList();
    List<Due> all = new ArrayList<>();
    for (int k = 0; k < moments.size(); k++) {
      Instant at = moments.get(k);
      boolean last = k == moments.size() - 1;
      boolean read = mine.stream().anyMatch(r -> !r.shown().isEmpty() && !r.at().isBefore(at));
      boolean missed = !last && !now.isBefore(moments.get(k + 1));
      all.add(new Due(at, read || missed));
    }
    return all;
  }
}
