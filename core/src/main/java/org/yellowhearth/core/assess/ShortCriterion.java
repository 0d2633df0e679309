package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.Reading;

/**
 * What instruments say of a capacitor beside its figures: a tester that takes it for a resistor, a
 * curve that slants, an eye that closes, an ohmmeter that settles low.
 */
final class ShortCriterion {
  /**
   * An ohmmeter that settles below this on any capacitor has found a leak (common practice;
   * electrolytics form to far more).
   */
  static final double LEAST_OHMS = 20e3;

  private static final String SOURCE = "tester";

  private ShortCriterion() {}

  static List<Finding> judge(Evidence evidence) {
    List<Finding> findings = new ArrayList<>();
    evidence
        .newest(Figure.CALLED_RESISTOR)
        .ifPresent(r ->
            findings.add(
                resistance(r, Figure.CALLED_RESISTOR, AssessWords.CALLED_RESISTOR, Outcome.BAD)));
    evidence
        .newest(Figure.RESISTANCE)
        .ifPresent(r -> {
          boolean low = r.figures().get(Figure.RESISTANCE).orElseThrow() < LEAST_OHMS;
          findings.add(
              resistance(
                  r,
                  Figure.RESISTANCE,
                  low ? AssessWords.OHMS_LOW : AssessWords.OHMS_FINE,
                  low ? Outcome.BAD : Outcome.GOOD));
        });
    evidence
        .newestTelling(Figure.CAPACITANCE)
        .map(r -> r.figures().bounds().get(Figure.CAPACITANCE))
        .ifPresent(b ->
            findings.add(
                plain(
                    b.side() == Bound.End.BELOW ? Outcome.BAD : Outcome.OPEN,
                    b.side() == Bound.End.BELOW
                        ? AssessWords.CAPACITANCE_NONE
                        : AssessWords.CAPACITANCE_OVER)));
    evidence
        .newestTelling(Figure.ESR)
        .map(r -> r.figures().bounds().get(Figure.ESR))
        .ifPresent(b ->
            findings.add(
                b.side() == Bound.End.ABOVE
                    ? plain(Outcome.BAD, AssessWords.ESR_OVER)
                    : said(Criterion.ESR, Outcome.GOOD, AssessWords.ESR_BELOW)));
    evidence.newestQualified().ifPresent(r -> findings.addAll(qualified(r)));
    return findings;
  }

  private static Finding resistance(
      Reading reading, Figure figure, AssessWords words, Outcome outcome) {
    Quantity read = Quantity.ohms(reading.figures().get(figure).orElseThrow());
    if (!reading.conditions().connection().alone()) {
      return Finding.open(
          Criterion.SHORT_OR_OPEN, Optional.of(read), SOURCE, Message.of(AssessWords.IN_CIRCUIT));
    }
    return new Finding(
        Criterion.SHORT_OR_OPEN,
        outcome,
        Optional.of(read),
        Optional.of(Limit.atLeast(Quantity.ohms(LEAST_OHMS))),
        SOURCE,
        Message.of(words, read),
        Optional.empty());
  }

  private static List<Finding> qualified(Reading reading) {
    List<Finding> findings = new ArrayList<>();
    boolean alone = reading.conditions().connection().alone();
    OptionalDouble volts = reading.conditions().testVolts();
    for (Qualifier q : reading.figures().qualifiers()) {
      switch (q) {
        case OVAL -> findings.add(plain(Outcome.GOOD, AssessWords.CURVE_OVAL));
        case SLANT ->
            findings.add(
                plain(
                    alone ? Outcome.BAD : Outcome.OPEN,
                    alone ? AssessWords.CURVE_SLANT : AssessWords.IN_CIRCUIT));
        case KNEE ->
            findings.add(
                plain(
                    alone ? Outcome.BAD : Outcome.OPEN,
                    alone ? AssessWords.CURVE_KNEE : AssessWords.IN_CIRCUIT));
        case FLAT -> findings.add(plain(Outcome.BAD, AssessWords.CURVE_FLAT));
        case UPRIGHT ->
            findings.add(
                plain(
                    alone ? Outcome.BAD : Outcome.OPEN,
                    alone ? AssessWords.CURVE_UPRIGHT : AssessWords.IN_CIRCUIT));
        case INTERMITTENT -> findings.add(plain(Outcome.BAD, AssessWords.INTERMITTENT));
        case INDICATOR_OPEN -> findings.add(indicator(Outcome.GOOD, volts));
        case INDICATOR_CLOSED -> findings.add(indicator(alone ? Outcome.BAD : Outcome.OPEN, volts));
        case READS_OPEN -> findings.add(plain(Outcome.BAD, AssessWords.READS_OPEN));
        case READS_SHORT ->
            findings.add(
                plain(
                    alone ? Outcome.BAD : Outcome.OPEN,
                    alone ? AssessWords.READS_SHORT : AssessWords.IN_CIRCUIT));
        case READS_RESISTOR ->
            findings.add(
                plain(
                    alone ? Outcome.BAD : Outcome.OPEN,
                    alone ? AssessWords.READS_RESISTOR : AssessWords.IN_CIRCUIT));
        case DRIED_OUT -> findings.add(plain(Outcome.BAD, AssessWords.DRIED_OUT));
        case CALLED_BAD ->
            findings.add(said(Criterion.TESTER, Outcome.BAD, AssessWords.CALLED_BAD));
        case CALLED_WEAK ->
            findings.add(said(Criterion.TESTER, Outcome.DOUBTFUL, AssessWords.CALLED_WEAK));
        case CALLED_GOOD ->
            findings.add(said(Criterion.TESTER, Outcome.GOOD, AssessWords.CALLED_GOOD));
        case BOUNCING,
            SCRATCHY,
            REVERSE_BLOCKS,
            REVERSE_CONDUCTS,
            NO_SHORTS,
            SHORTS,
            NO_GRID_LEAK,
            GRID_LEAK -> {
          // Tells of the contact, or is not said of capacitors.
        }
      }
    }
    return findings;
  }

  private static Finding indicator(Outcome outcome, OptionalDouble volts) {
    if (volts.isEmpty()) {
      return Finding.open(
          Criterion.LEAKAGE, Optional.empty(), SOURCE, Message.of(AssessWords.INDICATOR_NO_VOLTS));
    }
    Quantity at = Quantity.volts(volts.getAsDouble());
    return new Finding(
        Criterion.SHORT_OR_OPEN,
        outcome,
        Optional.empty(),
        Optional.empty(),
        SOURCE,
        switch (outcome) {
          case GOOD -> Message.of(AssessWords.INDICATOR_STAYS_OPEN, at);
          case BAD -> Message.of(AssessWords.INDICATOR_CLOSES, at);
          case OPEN, DOUBTFUL -> Message.of(AssessWords.IN_CIRCUIT);
        },
        Optional.empty());
  }

  private static Finding plain(Outcome outcome, AssessWords words) {
    return said(Criterion.SHORT_OR_OPEN, outcome, words);
  }

  /** What was said without a figure. */
  static Finding said(Criterion criterion, Outcome outcome, AssessWords words) {
    return new Finding(
        criterion,
        outcome,
        Optional.empty(),
        Optional.empty(),
        SOURCE,
        Message.of(words),
        Optional.empty());
  }
}
