package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/** Capacitance against the marked value. A gain counts too: it can be leakage or moisture. */
final class KeptCriterion {
  private KeptCriterion() {}

  static List<Finding> judge(Case c) {
    if (c.limits().isEmpty()) {
      return List.of();
    }
    return c
        .evidence()
        .newest(Figure.CAPACITANCE)
        .map(reading -> judge(c, c.limits().get(), reading))
        .stream()
        .toList();
  }

  private static Finding judge(Case c, Limits limits, Reading reading) {
    OptionalDouble farads = Derived.of(reading.figures(), reading.conditions()).seriesFarads();
    double kept = farads.orElseThrow() / c.part().farads();
    Quantity measured = Quantity.percent(kept);
    String source = limits.cited().kept();
    if (!reading.conditions().connection().alone()) {
      return Finding.open(
          Criterion.CAPACITANCE_KEPT, Optional.of(measured), source, Gap.IN_CIRCUIT);
    }
    Limits.Kept kind = window(c, limits.kept());
    Limits.Kept window = inRole(c, kind);
    boolean high = kept > 1;
    boolean bad = !Edge.within(kept, window.renewBelow(), window.renewAbove());
    boolean doubtful = !Edge.within(kept, window.watchBelow(), window.watchAbove());
    // What the kind would have let pass, the role does not.
    boolean role = doubtful && Edge.within(kept, kind.watchBelow(), kind.watchAbove());
    Outcome outcome = bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD;
    Limit limit =
        high
            ? Limit.atMost(Quantity.percent(bad ? window.renewAbove() : window.watchAbove()))
            : Limit.atLeast(Quantity.percent(bad ? window.renewBelow() : window.watchBelow()));
    Message words =
        role
            ? Message.of(
                AssessWords.KEPT_ROLE,
                measured,
                c.part().role().term(),
                Quantity.percent(window.watchBelow()),
                Quantity.percent(window.watchAbove()))
            : Message.of(
                outcome == Outcome.GOOD
                    ? AssessWords.KEPT_GOOD
                    : high ? AssessWords.KEPT_HIGH : AssessWords.KEPT_LOW,
                measured);
    return Finding.of(
        Criterion.CAPACITANCE_KEPT,
        outcome,
        measured,
        limit,
        role ? c.roleRule().source() : source,
        words,
        Message.of(
            AssessWords.KEPT_WORKING,
            Quantity.farads(farads.getAsDouble()),
            Quantity.farads(c.part().farads()),
            measured));
  }

  /**
   * A printed tolerance widens the window upwards, and where the value must be exact it is the
   * window that is watched.
   */
  private static Limits.Kept window(Case c, Limits.Kept usual) {
    return c.part()
        .tolerance()
        .map(t -> {
          boolean exact = c.part().role().duty() == Role.Duty.EXACT;
          double low = exact ? 1 + t.below() : usual.watchBelow();
          double high = exact ? 1 + t.above() : Math.max(usual.watchAbove(), 1 + t.above());
          return new Limits.Kept(
              Math.min(usual.renewBelow(), low), low, high, Math.max(usual.renewAbove(), high));
        })
        .orElse(usual);
  }

  /**
   * What the role asks beyond the kind is watched; nothing is asked of a part that it was never
   * made to, by its tolerance.
   */
  private static Limits.Kept inRole(Case c, Limits.Kept kind) {
    double low =
        Math.min(
            c.roleRule().leastShare(), c.part().tolerance().map(t -> 1 + t.below()).orElse(1.0));
    double high =
        Math.max(
            c.roleRule().mostShare(), c.part().tolerance().map(t -> 1 + t.above()).orElse(1.0));
    return new Limits.Kept(
        kind.renewBelow(),
        Math.max(kind.watchBelow(), low),
        Math.min(kind.watchAbove(), high),
        kind.renewAbove());
  }
}
