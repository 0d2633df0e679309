package org.yellowhearth.core.finaltest;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.Adjustment.Adjusted;
import org.yellowhearth.core.fact.Adjustment.Turn;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Edge;

/**
 * How an adjustment stands: whether it is at its target under the real load, what one turn does,
 * how far is left to turn, and how long it has been wrong under power.
 *
 * @param perTurn what one turn to the right changes, by least squares through the origin over the
 *     turns that were counted
 * @param toGo turns that are left, to the right positive; none where nobody counted, or it is
 *     within its tolerance
 * @param outside how long the set has been under power with it out of its tolerance, since it was
 *     first read so
 */
public record Adjusting(
    Adjustment of,
    AdjustState state,
    OptionalDouble now,
    OptionalDouble perTurn,
    OptionalDouble toGo,
    Duration outside) {
  /**
   * A valve or an output stage with the wrong bias is not left under power for longer than setting
   * it takes (common practice: a minute).
   */
  static final Duration URGENT = Duration.ofMinutes(1);

  /** Anything else. */
  static final Duration PATIENT = Duration.ofMinutes(10);

  private static final double REGULATED = 0.02;
  private static final double LEAST_COUNT = 0.01;

  /** How it stands. */
  public enum AdjustState implements Coded {
    UNTRIED,
    WITHIN,
    /** At its target, but not under the real load: it will move. */
    WITHOUT_LOAD,
    OUT,
    /** Where something suffers. */
    HARMFUL
  }

  /** How it stands at a moment. */
  public static Adjusting of(Adjustment a, List<Job.Happening> events, Instant now) {
    if (a.turns().isEmpty()) {
      return new Adjusting(
          a,
          AdjustState.UNTRIED,
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          Duration.ZERO);
    }
    Turn last = a.turns().getLast();
    AdjustState state = state(a, last);
    OptionalDouble perTurn = perTurn(a.turns());
    boolean left = state == AdjustState.OUT || state == AdjustState.HARMFUL;
    OptionalDouble toGo =
        left && perTurn.isPresent() && perTurn.getAsDouble() != 0
            ? OptionalDouble.of((a.target() - last.after()) / perTurn.getAsDouble())
            : OptionalDouble.empty();
    return new Adjusting(
        a,
        state,
        OptionalDouble.of(last.after()),
        perTurn,
        toGo,
        left ? underPower(outSince(a), now, events) : Duration.ZERO);
  }

  private static AdjustState state(Adjustment a, Turn last) {
    if (harms(a, last.after())) {
      return AdjustState.HARMFUL;
    }
    if (!Edge.near(last.after(), a.target(), a.tolerance())) {
      return AdjustState.OUT;
    }
    return last.loaded() ? AdjustState.WITHIN : AdjustState.WITHOUT_LOAD;
  }

  private static boolean harms(Adjustment a, double value) {
    return a.harmful().isPresent()
        && (a.harmful().getAsDouble() > a.target()
            ? Edge.atLeast(value, a.harmful().getAsDouble())
            : Edge.atMost(value, a.harmful().getAsDouble()));
  }

  private static OptionalDouble perTurn(List<Turn> turns) {
    double squares = 0;
    double products = 0;
    for (Turn t : turns) {
      double count = t.count().orElse(0);
      squares += count * count;
      products += count * (t.after() - t.before());
    }
    return squares > LEAST_COUNT * LEAST_COUNT
        ? OptionalDouble.of(products / squares)
        : OptionalDouble.empty();
  }

  /** When the newest stretch of readings out of the tolerance began. */
  private static Instant outSince(Adjustment a) {
    Instant since = a.turns().getLast().at();
    for (Turn t : a.turns().reversed()) {
      if (Edge.near(t.after(), a.target(), a.tolerance())) {
        break;
      }
      since = t.at();
    }
    return since;
  }

  /** The time under power between two moments, from the power events. */
  static Duration underPower(Instant from, Instant to, List<Job.Happening> events) {
    Duration sum = Duration.ZERO;
    Optional<Instant> lit = Optional.empty();
    for (Job.Happening h : events) {
      if (h.event() instanceof Edit.PowerSwitched(Edit.Power power)) {
        if (power == Edit.Power.LIT && lit.isEmpty()) {
          lit = Optional.of(h.at());
        } else if (power == Edit.Power.OFF && lit.isPresent()) {
          sum = sum.plus(overlap(lit.get(), h.at(), from, to));
          lit = Optional.empty();
        }
      }
    }
    return lit.isPresent() ? sum.plus(overlap(lit.get(), to, from, to)) : sum;
  }

  private static Duration overlap(Instant begin, Instant end, Instant from, Instant to) {
    Instant a = begin.isAfter(from) ? begin : from;
    Instant b = end.isBefore(to) ? end : to;
    return b.isAfter(a) ? Duration.between(a, b) : Duration.ZERO;
  }

  /** Whether it has been wrong under power for longer than it should. */
  public boolean tooLong() {
    return outside.compareTo(of.kind().urgent() ? URGENT : PATIENT) > 0
        || (state == AdjustState.HARMFUL && !outside.isZero());
  }

  /** How it is set, step by step. */
  public List<Message> procedure() {
    List<FinalTestWords> steps =
        new ArrayList<>(
            List.of(
                FinalTestWords.ADJUST_OFF, FinalTestWords.ADJUST_LOAD, FinalTestWords.ADJUST_WARM));
    if (of.kind().urgent()) {
      steps.set(2, FinalTestWords.ADJUST_LEAST);
      steps.add(FinalTestWords.ADJUST_METER);
    }
    steps.add(FinalTestWords.ADJUST_SLOWLY);
    steps.add(
        of.kind() == Adjusted.RAIL ? FinalTestWords.ADJUST_RAIL : FinalTestWords.ADJUST_AGAIN);
    steps.add(FinalTestWords.ADJUST_SEAL);
    return steps.stream().map(Message::of).toList();
  }

  /**
   * What the supply says is set by a control: points that the drawing says follow one, and
   * regulated rails.
   */
  public static List<Adjustment> proposed(Job job) {
    List<Adjustment> all = new ArrayList<>();
    for (SupplyTarget t : job.items(SupplyTarget.class)) {
      if (t.follows() == SupplyTarget.Follows.CONTROL) {
        all.add(
            proposal(
                "adjust-" + t.id(),
                t.volts() < 0 ? Adjusted.BIAS : Adjusted.RAIL,
                t.point(),
                t.volts(),
                t.tolerance().orElse(VoltageChart.RAIL)));
      }
    }
    for (SupplyRegulator r : job.items(SupplyRegulator.class)) {
      if (all.stream().noneMatch(a -> a.point().equals(r.to()))) {
        all.add(
            proposal(
                "adjust-" + r.id(),
                Adjusted.RAIL,
                r.to(),
                r.negative() ? -r.volts() : r.volts(),
                REGULATED));
      }
    }
    return all.stream()
        .filter(
            a -> job.items(Adjustment.class).stream().noneMatch(b -> b.point().equals(a.point())))
        .toList();
  }

  private static Adjustment proposal(
      String id, Adjusted kind, String point, double volts, double tolerance) {
    return new Adjustment(
        id,
        kind,
        point,
        "V",
        volts,
        Math.max(1e-3, Math.abs(volts) * tolerance),
        OptionalDouble.empty(),
        "",
        List.of());
  }
}
