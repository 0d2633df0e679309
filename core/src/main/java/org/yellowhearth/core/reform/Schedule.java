package org.yellowhearth.core.reform;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Edge;

/**
 * When which capacitor is under voltage, so that all of them are done soonest within the hours that
 * somebody is there, the channels of the bench and the current of its supply. What is under voltage
 * when the hours end is switched off and gone on with next time; only a plan that may be left alone
 * runs through. It is made anew whenever anything takes longer or shorter than expected.
 *
 * <p>Method: list scheduling. Works are taken in an order whenever a channel is free; up to seven
 * of them in every order, more in some good ones improved by exchanging neighbours. Without pauses
 * and limits one of the orders is optimal for identical channels (Graham, "Bounds on
 * multiprocessing timing anomalies", SIAM J. Appl. Math. 17, 1969, from memory).
 *
 * @param sittings stretches under voltage, by time
 * @param dues what somebody has to do, by time
 * @param unplaced what does not fit into the next {@value #DAYS} days
 */
public record Schedule(List<Sitting> sittings, List<Due> dues, List<PartRef> unplaced) {
  /** So many days are looked ahead. */
  static final int DAYS = 60;

  /** Nothing is begun so near to the end of the hours, unless it is over by then. */
  private static final double LEAST_SECONDS = 1200;

  /**
   * What a step takes longer after a pause, while the leakage comes down from its rise (common
   * practice: minutes).
   */
  static final double AGAIN_SECONDS = 600;

  private static final double LEAST_LEFT = 60;
  private static final int EVERY_ORDER = 7;
  private static final int MOST_EXCHANGES = 300;

  /**
   * A capacitor to be brought up.
   *
   * @param stepSeconds how long each step from now on is expected to take, the one under way first
   * @param firstStep the number of the first of them, from 0
   * @param amperes the most that its supply may have to give
   * @param on whether it is under voltage now
   * @param alone whether its school lets it be left alone under voltage
   */
  public record Work(
      PartRef part,
      List<Double> stepSeconds,
      int firstStep,
      double amperes,
      boolean on,
      boolean alone) {
    public Work {
      stepSeconds = List.copyOf(stepSeconds);
      if (stepSeconds.isEmpty() || stepSeconds.stream().anyMatch(s -> !(s >= 0 && s < 1e9))) {
        throw new IllegalArgumentException("no work: steps of " + stepSeconds + " s for " + part);
      }
    }

    /**
     * What is left of a run.
     *
     * @param expected how long each step of its plan is expected to take
     * @param judgement what is thought of the run now; its forecast goes before what was expected
     * @param now by the clock that the run goes by
     */
    public static Work of(
        ReformRun run, List<Double> expected, Optional<Judgement> judgement, Instant now) {
      List<Double> left = new ArrayList<>(expected.subList(run.step(), expected.size()));
      boolean on = run.phase().on();
      if (on) {
        double held = ReformRun.seconds(run.since().orElse(now), now);
        OptionalDouble median =
            judgement
                .flatMap(Judgement::forecast)
                .map(Forecast::median)
                .orElse(OptionalDouble.empty());
        double whole = run.met() ? 0 : median.orElse(left.getFirst());
        left.set(0, Math.max(LEAST_LEFT, Math.max(whole, run.now().holdSeconds()) - held));
      }
      return new Work(
          run.plan().part(),
          left,
          run.step(),
          run.now().limitAmperes(),
          on,
          run.plan().school() == ReformPlan.ReformSchool.OVERNIGHT);
    }

    double seconds() {
      return stepSeconds.stream().mapToDouble(Double::doubleValue).sum();
    }
  }

  /** A stretch under voltage. */
  public record Sitting(PartRef part, int channel, Instant from, Instant to) {}

  /** What is to be done. */
  public enum Deed implements Coded {
    BEGIN,
    NEXT_STEP,
    SWITCH_OFF,
    GO_ON,
    DISCHARGE,
    MEASURE
  }

  /** Something to be done at a time; {@code step} counts from 0. */
  public record Due(Instant at, Deed deed, PartRef part, int step) {}

  private record Window(Instant from, Instant to) {}

  public Schedule {
    sittings = List.copyOf(sittings);
    dues = List.copyOf(dues);
    unplaced = List.copyOf(unplaced);
  }

  /** When the last of it is over; empty where there is nothing. */
  public Optional<Instant> end() {
    return sittings.stream().map(Sitting::to).max(Comparator.naturalOrder());
  }

  /**
   * The best schedule that is found. What is under voltage now goes on, whatever the hours say:
   * somebody is there.
   */
  public static Schedule of(List<Work> works, BenchHours bench, ZonedDateTime now, Duration rest) {
    List<Window> windows = windows(bench, now, works.stream().anyMatch(Work::on));
    List<Work> on = works.stream().filter(Work::on).toList();
    List<Work> waiting = works.stream().filter(w -> !w.on).toList();
    Search search =
        new Search(order -> new Draft(concat(on, order), bench, windows, rest).played());
    if (waiting.size() <= EVERY_ORDER) {
      search.everyOrder(new ArrayList<>(waiting), 0);
    } else {
      search.someOrders(waiting);
    }
    return search.best.schedule();
  }

  private static List<Work> concat(List<Work> a, List<Work> b) {
    List<Work> all = new ArrayList<>(a);
    all.addAll(b);
    return all;
  }

  private static List<Window> windows(BenchHours bench, ZonedDateTime now, boolean somebodyThere) {
    List<Window> all = new ArrayList<>();
    LocalDate today = now.toLocalDate();
    for (int k = 0; k < DAYS; k++) {
      LocalDate day = today.plusDays(k);
      for (BenchHours.Span s : bench.spans()) {
        if (s.day() == day.getDayOfWeek()) {
          Instant from =
              day.atStartOfDay().plusMinutes(s.fromMinute()).atZone(now.getZone()).toInstant();
          Instant to =
              day.atStartOfDay().plusMinutes(s.toMinute()).atZone(now.getZone()).toInstant();
          from = from.isBefore(now.toInstant()) ? now.toInstant() : from;
          if (to.isAfter(from)) {
            boolean joins = !all.isEmpty() && !all.getLast().to.isBefore(from);
            all.add(joins ? new Window(all.removeLast().from, to) : new Window(from, to));
          }
        }
      }
    }
    if (somebodyThere && (all.isEmpty() || all.getFirst().from.isAfter(now.toInstant()))) {
      Instant hour = now.toInstant().plusSeconds(3600);
      Instant until =
          all.isEmpty() || all.getFirst().from.isAfter(hour) ? hour : all.getFirst().from;
      all.addFirst(new Window(now.toInstant(), until));
    }
    return all;
  }

  private interface Player {
    Draft play(List<Work> order);
  }

  private static final class Search {
    private final Player player;
    private Draft best;

    Search(Player player) {
      this.player = player;
    }

    private boolean take(List<Work> order) {
      Draft d = player.play(order);
      boolean better = best == null || d.betterThan(best);
      best = better ? d : best;
      return better;
    }

    void everyOrder(List<Work> order, int from) {
      if (from >= order.size()) {
        take(order);
        return;
      }
      for (int k = from; k < order.size(); k++) {
        java.util.Collections.swap(order, from, k);
        everyOrder(order, from + 1);
        java.util.Collections.swap(order, from, k);
      }
    }

    void someOrders(List<Work> works) {
      List<Work> order = new ArrayList<>(works);
      take(order);
      for (Comparator<Work> by :
          List.of(
              Comparator.comparingDouble(Work::seconds).reversed(),
              Comparator.comparingDouble(Work::seconds))) {
        List<Work> sorted = works.stream().sorted(by).toList();
        if (take(sorted)) {
          order = new ArrayList<>(sorted);
        }
      }
      int left = MOST_EXCHANGES;
      for (boolean moved = true; moved && left > 0; ) {
        moved = false;
        for (int k = 0; k + 1 < order.size() && left > 0; k++, left--) {
          java.util.Collections.swap(order, k, k + 1);
          if (take(order)) {
            moved = true;
          } else {
            java.util.Collections.swap(order, k, k + 1);
          }
        }
      }
    }
  }

  /** One work while a schedule is played through. */
  private static final class Lane {
    private final Work work;
    private int at;
    private double left;
    private int channel = -1;
    private boolean begun;
    private Instant since;
    private Optional<Instant> end = Optional.empty();

    Lane(Work work) {
      this.work = work;
      left = work.stepSeconds.getFirst();
      begun = work.on;
    }

    boolean on() {
      return channel >= 0;
    }

    int step() {
      return work.firstStep + at;
    }

    double leftInAll() {
      return left + work.stepSeconds.stream().skip(at + 1L).mapToDouble(Double::doubleValue).sum();
    }
  }

  private static final class Draft {
    private final List<Lane> lanes;
    private final BenchHours bench;
    private final List<Window> windows;
    private final Duration rest;
    private final List<Sitting> sittings = new ArrayList<>();
    private final List<Due> dues = new ArrayList<>();

    Draft(List<Work> order, BenchHours bench, List<Window> windows, Duration rest) {
      lanes = order.stream().map(Lane::new).toList();
      this.bench = bench;
      this.windows = windows;
      this.rest = rest;
    }

    Draft played() {
      Instant before = null;
      for (Window w : windows) {
        if (lanes.stream().allMatch(l -> l.end.isPresent())) {
          break;
        }
        if (before != null) {
          pass(seconds(before, w.from));
        }
        sit(w);
        before = w.to;
      }
      return this;
    }

    private void sit(Window w) {
      Instant t = w.from;
      while (true) {
        settle(t);
        fill(t, seconds(t, w.to));
        double next =
            lanes.stream()
                .filter(Lane::on)
                .mapToDouble(l -> l.left)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        double until = seconds(t, w.to);
        if (next > until) {
          pass(until);
          leave(w.to);
          return;
        }
        pass(next);
        t = t.plusMillis(Math.round(1000 * next));
      }
    }

    private static double seconds(Instant from, Instant to) {
      return ReformRun.seconds(from, to);
    }

    private void pass(double seconds) {
      lanes.stream().filter(Lane::on).forEach(l -> l.left -= seconds);
    }

    /** Whoever has come to the end of a step goes on to the next, or is done. */
    private void settle(Instant t) {
      for (Lane l : lanes) {
        if (!l.on() || l.left > 1e-3) {
          continue;
        }
        if (l.at + 1 < l.work.stepSeconds.size()) {
          l.at++;
          l.left = l.work.stepSeconds.get(l.at);
          dues.add(new Due(t, Deed.NEXT_STEP, l.work.part, l.step()));
        } else {
          off(l, t);
          l.end = Optional.of(t);
          dues.add(new Due(t, Deed.DISCHARGE, l.work.part, l.step()));
          Instant rested = t.plus(rest);
          dues.add(
              new Due(
                  windows.stream()
                      .filter(w -> w.to.isAfter(rested))
                      .findFirst()
                      .map(w -> w.from.isAfter(rested) ? w.from : rested)
                      .orElse(rested),
                  Deed.MEASURE,
                  l.work.part,
                  l.step()));
        }
      }
    }

    private void off(Lane l, Instant t) {
      sittings.add(new Sitting(l.work.part, l.channel + 1, l.since, t));
      l.channel = -1;
    }

    /** What was begun goes before what was not. */
    private void fill(Instant t, double until) {
      for (boolean begun : new boolean[] {true, false}) {
        lanes.stream()
            .filter(l -> l.begun == begun && !l.on() && l.end.isEmpty())
            .forEach(l -> tryOn(l, t, until));
      }
    }

    private void tryOn(Lane l, Instant t, double until) {
      boolean[] taken = new boolean[bench.channels()];
      double amperes = 0;
      for (Lane other : lanes) {
        if (other.on()) {
          taken[other.channel] = true;
          amperes += other.work.amperes;
        }
      }
      int free = 0;
      while (free < taken.length && taken[free]) {
        free++;
      }
      boolean worthIt =
          until >= LEAST_SECONDS || l.leftInAll() <= until || (l.work.alone && until > 0);
      if (free == taken.length
          || !Edge.atMost(amperes + l.work.amperes, bench.supplyAmperes())
          || !worthIt) {
        return;
      }
      boolean already = l.work.on && l.since == null;
      if (!already) {
        dues.add(new Due(t, l.begun ? Deed.GO_ON : Deed.BEGIN, l.work.part, l.step()));
        l.left += l.begun ? AGAIN_SECONDS : 0;
      }
      l.begun = true;
      l.channel = free;
      l.since = t;
    }

    /** The hours end: what may not be left alone is switched off. */
    private void leave(Instant t) {
      lanes.stream()
          .filter(l -> l.on() && !l.work.alone)
          .forEach(l -> {
            off(l, t);
            dues.add(new Due(t, Deed.SWITCH_OFF, l.work.part, l.step()));
          });
    }

    private long unplaced() {
      return lanes.stream().filter(l -> l.end.isEmpty()).count();
    }

    private double sumOfEnds() {
      return lanes.stream().flatMap(l -> l.end.stream()).mapToDouble(Instant::toEpochMilli).sum();
    }

    private Instant lastEnd() {
      return lanes.stream()
          .flatMap(l -> l.end.stream())
          .max(Comparator.naturalOrder())
          .orElse(Instant.MIN);
    }

    boolean betterThan(Draft other) {
      int[] order = {
        Long.compare(unplaced(), other.unplaced()),
        lastEnd().compareTo(other.lastEnd()),
        Double.compare(sumOfEnds(), other.sumOfEnds())
      };
      return Arrays.stream(order).filter(c -> c != 0).findFirst().orElse(0) < 0;
    }

    Schedule schedule() {
      return new Schedule(
          sittings.stream().sorted(Comparator.comparing(Sitting::from)).toList(),
          dues.stream().sorted(Comparator.comparing(Due::at).thenComparing(Due::deed)).toList(),
          lanes.stream().filter(l -> l.end.isEmpty()).map(l -> l.work.part).toList());
    }
  }
}
