package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.LeakageLimit;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/** Leakage current of an electrolytic at its rated voltage. */
final class LeakageCriterion {
  /** A test voltage this near to the rating counts as the rating. */
  private static final double NEAR_RATING = 0.9;

  private LeakageCriterion() {}

  static List<Finding> judge(Case c) {
    Optional<Reading> reading = c.evidence().newest(Figure.LEAKAGE);
    if (reading.isEmpty() || c.limits().isEmpty() || c.limits().get().leakage().isEmpty()) {
      return List.of();
    }
    return List.of(judge(c, c.limits().get(), reading.get()));
  }

  private static Finding judge(Case c, Limits limits, Reading reading) {
    String source = limits.cited().leakage();
    Quantity measured = Quantity.amperes(reading.figures().get(Figure.LEAKAGE).orElseThrow());
    OptionalDouble rated = c.part().ratedVolts();
    if (!reading.conditions().connection().alone()) {
      return Finding.open(Criterion.LEAKAGE, Optional.of(measured), source, Gap.IN_CIRCUIT);
    }
    if (rated.isEmpty()) {
      return open(measured, source, Message.of(AssessWords.LEAKAGE_NO_RATING));
    }
    LeakageLimit rule = limits.leakage().orElseThrow();
    OptionalDouble allowed = rule.amperes(c.part().farads(), rated.getAsDouble());
    if (allowed.isEmpty()) {
      return open(
          measured,
          source,
          Message.of(AssessWords.LEAKAGE_NO_RULE, Quantity.volts(rated.getAsDouble())));
    }
    Quantity limit = Quantity.amperes(allowed.getAsDouble());
    OptionalDouble testVolts = reading.conditions().testVolts();
    boolean over = !Edge.atMost(measured.value(), limit.value());
    boolean tooSoon =
        reading.conditions().minutesAtVoltage().stream().anyMatch(m -> m < rule.minutes());
    boolean atRating =
        testVolts.stream().anyMatch(v -> Edge.atLeast(v, NEAR_RATING * rated.getAsDouble()));
    Message working = working(rule, c, limit);
    if (over && tooSoon) {
      return open(
          measured,
          source,
          Message.of(
              AssessWords.LEAKAGE_TOO_SOON, limit, new Quantity(rule.minutes(), Unit.MINUTE)));
    }
    if (!over && testVolts.isEmpty()) {
      return open(
          measured,
          source,
          Message.of(AssessWords.LEAKAGE_NO_VOLTAGE, Quantity.volts(rated.getAsDouble())));
    }
    if (!over && !atRating) {
      return open(
          measured,
          source,
          Message.of(
              AssessWords.LEAKAGE_LOW_VOLTAGE,
              Quantity.volts(testVolts.getAsDouble()),
              Quantity.volts(rated.getAsDouble())));
    }
    return Finding.of(
        Criterion.LEAKAGE,
        over ? Outcome.BAD : Outcome.GOOD,
        measured,
        Limit.atMost(limit),
        source,
        Message.of(over ? AssessWords.LEAKAGE_HIGH : AssessWords.LEAKAGE_GOOD, measured, limit),
        working);
  }

  private static Finding open(Quantity measured, String source, Message words) {
    return Finding.open(Criterion.LEAKAGE, Optional.of(measured), source, words);
  }

  private static Message working(LeakageLimit rule, Case c, Quantity limit) {
    Quantity farads = Quantity.farads(c.part().farads());
    double rated = c.part().ratedVolts().orElseThrow();
    return switch (rule) {
      case LeakageLimit.Scaled s ->
          Message.of(AssessWords.LEAKAGE_SCALED_WORKING, Quantity.ratio(s.factor()), limit);
      case LeakageLimit.Service s ->
          Message.of(
              AssessWords.LEAKAGE_SERVICE_WORKING,
              Quantity.ratio(s.factor(rated).orElseThrow() * 1e-3),
              farads,
              Quantity.amperes(s.baseAmperes()),
              Quantity.amperes(s.capAmperes()),
              limit);
      case LeakageLimit.OfCharge o -> {
        boolean above = c.part().farads() * rated > o.boundCoulombs();
        yield Message.of(
            AssessWords.LEAKAGE_CHARGE_WORKING,
            Quantity.ratio(above ? o.shareAbove() : o.share()),
            farads,
            Quantity.volts(rated),
            Quantity.amperes(above ? o.additionAbove() : 0),
            Quantity.amperes(above ? 0 : o.leastAmperes()),
            limit);
      }
    };
  }
}
