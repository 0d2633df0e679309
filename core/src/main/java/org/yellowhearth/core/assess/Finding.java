package org.yellowhearth.core.assess;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What one criterion says of a part: never a bare yes or no.
 *
 * @param measured the figure that was judged; empty where nothing was measured
 * @param limit what it was held against
 * @param source id of the source of the limit in the knowledge files
 * @param words what it means
 * @param working the formula with the numbers put in
 * @param state what the part is if it came out bad, where it speaks for more than its criterion
 *     says
 * @param gap why it does not settle the criterion, where that matters for what comes next
 */
public record Finding(
    Criterion criterion,
    Outcome outcome,
    Optional<Quantity> measured,
    Optional<Limit> limit,
    String source,
    Message words,
    Optional<Message> working,
    Optional<State> state,
    Optional<Gap> gap) {
  Finding(
      Criterion criterion,
      Outcome outcome,
      Optional<Quantity> measured,
      Optional<Limit> limit,
      String source,
      Message words,
      Optional<Message> working) {
    this(
        criterion,
        outcome,
        measured,
        limit,
        source,
        words,
        working,
        Optional.empty(),
        Optional.empty());
  }

  /** This, speaking for a state of the part. */
  Finding of(State spokenFor) {
    return new Finding(
        criterion, outcome, measured, limit, source, words, working, Optional.of(spokenFor), gap);
  }

  /** This, with words of its own, not settling its criterion. */
  Finding left(Gap why, Object... figures) {
    return new Finding(
        criterion,
        outcome,
        measured,
        limit,
        source,
        Message.of(why.words(), figures),
        working,
        state,
        Optional.of(why));
  }

  /** How a criterion came out. {@code OPEN}: it cannot be judged from what is known. */
  public enum Outcome implements Coded {
    GOOD,
    DOUBTFUL,
    BAD,
    OPEN
  }

  /** A limit and which side of it is good. */
  public record Limit(Side side, Quantity value) {
    /** The good side of a limit. */
    public enum Side implements Coded {
      AT_LEAST,
      AT_MOST
    }

    static Limit atLeast(Quantity value) {
      return new Limit(Side.AT_LEAST, value);
    }

    static Limit atMost(Quantity value) {
      return new Limit(Side.AT_MOST, value);
    }

    @Override
    public String toString() {
      return (side == Side.AT_LEAST ? "≥ " : "≤ ") + value;
    }
  }

  static Finding of(
      Criterion criterion,
      Outcome outcome,
      Quantity measured,
      Limit limit,
      String source,
      Message words,
      Message working) {
    return new Finding(
        criterion,
        outcome,
        Optional.of(measured),
        Optional.of(limit),
        source,
        words,
        Optional.of(working));
  }

  /** A criterion that cannot be judged, with what was measured if anything was. */
  static Finding open(
      Criterion criterion, Optional<Quantity> measured, String source, Message words) {
    return new Finding(
        criterion, Outcome.OPEN, measured, Optional.empty(), source, words, Optional.empty());
  }

  /** A criterion that cannot be judged for a known reason. */
  static Finding open(
      Criterion criterion, Optional<Quantity> measured, String source, Gap why, Object... figures) {
    return open(criterion, measured, source, Message.of(why.words())).left(why, figures);
  }

  /** How far inside the limit the figure lies, as a fraction of the limit; negative outside it. */
  public OptionalDouble margin() {
    if (measured.isEmpty() || limit.isEmpty() || limit.get().value.value() == 0) {
      return OptionalDouble.empty();
    }
    double ratio = measured.get().value() / limit.get().value.value();
    return OptionalDouble.of(limit.get().side == Limit.Side.AT_LEAST ? ratio - 1 : 1 - ratio);
  }
}
