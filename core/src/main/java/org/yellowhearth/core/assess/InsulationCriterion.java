package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

/**
 * Insulation of paper, film, mica and ceramic: the resistance asked falls with capacitance until it
 * is enough in any place.
 */
final class InsulationCriterion {
  private InsulationCriterion() {}

  static List<Finding> judge(Case c) {
    if (c.limits().isEmpty() || c.limits().get().insulation().isEmpty()) {
      return List.of();
    }
    Limits limits = c.limits().get();
    Optional<Reading> reading = newest(c.evidence());
    if (reading.isEmpty()) {
      return List.of();
    }
    String source = limits.cited().insulation();
    OptionalDouble ohms = ohms(reading.get());
    if (ohms.isEmpty()) {
      return List.of(
          Finding.open(
              Criterion.INSULATION, Optional.empty(), source, Gap.INSULATION_FROM_LEAKAGE));
    }
    Quantity measured = Quantity.ohms(ohms.getAsDouble());
    if (!reading.get().conditions().connection().alone()) {
      return List.of(
          Finding.open(Criterion.INSULATION, Optional.of(measured), source, Gap.IN_CIRCUIT));
    }
    return List.of(judge(c, limits.insulation().orElseThrow(), measured, source));
  }

  private static Optional<Reading> newest(Evidence evidence) {
    return evidence.newest(
        r -> r.figures().tells(Figure.INSULATION) || r.figures().tells(Figure.LEAKAGE));
  }

  /** The insulation by the newest reading that nothing else took part in. */
  static OptionalDouble newestAlone(Evidence evidence) {
    return newest(evidence)
        .filter(r -> r.conditions().connection().alone())
        .map(InsulationCriterion::ohms)
        .orElse(OptionalDouble.empty());
  }

  /**
   * As read, or test voltage over leakage. A meter that ran out of range tells the least it can be,
   * or the most that leaks.
   */
  private static OptionalDouble ohms(Reading reading) {
    Figures f = reading.figures();
    OptionalDouble over = range(f.bounds().get(Figure.INSULATION), Bound.End.ABOVE);
    OptionalDouble leakage =
        f.has(Figure.LEAKAGE)
            ? f.get(Figure.LEAKAGE)
            : range(f.bounds().get(Figure.LEAKAGE), Bound.End.BELOW);
    OptionalDouble volts = reading.conditions().testVolts();
    if (f.has(Figure.INSULATION)) {
      return f.get(Figure.INSULATION);
    }
    return over.isPresent() || leakage.isEmpty() || volts.isEmpty()
        ? over
        : OptionalDouble.of(volts.getAsDouble() / leakage.getAsDouble());
  }

  private static OptionalDouble range(Bound bound, Bound.End side) {
    return bound == null || bound.side() != side ? OptionalDouble.empty() : bound.range();
  }

  private static Finding judge(
      Case c, Limits.InsulationLimit limit, Quantity measured, String source) {
    double renewOhms = Math.min(limit.enoughOhms(), limit.renewBelowSeconds() / c.part().farads());
    double watchOhms = Math.min(limit.enoughOhms(), limit.watchBelowSeconds() / c.part().farads());
    boolean bad = measured.value() < renewOhms;
    boolean doubtful = measured.value() < watchOhms;
    Quantity asked = Quantity.ohms(bad ? renewOhms : watchOhms);
    Quantity seconds =
        new Quantity(bad ? limit.renewBelowSeconds() : limit.watchBelowSeconds(), Unit.OHM_FARAD);
    return Finding.of(
        Criterion.INSULATION,
        bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD,
        measured,
        Limit.atLeast(asked),
        source,
        Message.of(doubtful ? AssessWords.INSULATION_LOW : AssessWords.INSULATION_GOOD, measured),
        Message.of(
            AssessWords.INSULATION_WORKING,
            seconds,
            Quantity.farads(c.part().farads()),
            Quantity.ohms(limit.enoughOhms()),
            asked));
  }
}
