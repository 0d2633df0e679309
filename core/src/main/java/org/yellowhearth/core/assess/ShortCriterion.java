package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Connection;
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

  /**
   * Less than this in circuit is a short of the part, where nothing is said to lie beside it
   * (common practice: semiconductors and most coils show more).
   */
  static final double IN_CIRCUIT_OHMS = 5;

  /** What most ESR meters measure at (common practice). */
  private static final double METER_HERTZ = 100e3;

  /** No sound part has less than this share of what the chart allows (our own reading of it). */
  private static final double SOUND_AT_LEAST = 8;

  /**
   * A tester that reads up to some microfarads gives up on an open electrolytic (common practice).
   */
  private static final double OPEN_FARADS = 1e-6;

  /** What a part is of which this was said. */
  private static final Map<AssessWords, State> SAYS =
      Map.ofEntries(
          Map.entry(AssessWords.READS_OPEN, State.OPEN),
          Map.entry(AssessWords.CURVE_FLAT, State.OPEN),
          Map.entry(AssessWords.CAPACITANCE_OL, State.OPEN),
          Map.entry(AssessWords.CAPACITANCE_NONE, State.OPEN),
          Map.entry(AssessWords.ESR_OVER, State.OPEN),
          Map.entry(AssessWords.OPEN_CIRCUIT, State.OPEN),
          Map.entry(AssessWords.READS_SHORT, State.SHORT),
          Map.entry(AssessWords.CURVE_UPRIGHT, State.SHORT),
          Map.entry(AssessWords.SHORTS, State.SHORT),
          Map.entry(AssessWords.CURVE_OVAL, State.LEAKY),
          Map.entry(AssessWords.CURVE_SLANT, State.LEAKY),
          Map.entry(AssessWords.CURVE_KNEE, State.LEAKY),
          Map.entry(AssessWords.READS_RESISTOR, State.LEAKY),
          Map.entry(AssessWords.REVERSE_CONDUCTS, State.LEAKY),
          Map.entry(AssessWords.GRID_LEAK, State.LEAKY),
          Map.entry(AssessWords.DRIED_OUT, State.WORN),
          Map.entry(AssessWords.SCRATCHY, State.WORN));

  private static final String SOURCE = "tester";

  private ShortCriterion() {}

  /**
   * What is found.
   *
   * @param hidden whether something else may be what shows a low resistance in circuit
   */
  static List<Finding> judge(Case c, boolean hidden) {
    Evidence evidence = c.evidence();
    List<Finding> findings = new ArrayList<>();
    evidence
        .newest(Figure.CALLED_RESISTOR)
        .ifPresent(r ->
            findings.add(
                resistance(
                    r, Figure.CALLED_RESISTOR, AssessWords.CALLED_RESISTOR, Outcome.BAD, hidden)));
    evidence
        .newest(Figure.RESISTANCE)
        .ifPresent(r -> {
          boolean low = r.figures().get(Figure.RESISTANCE).orElseThrow() < LEAST_OHMS;
          findings.add(
              resistance(
                  r,
                  Figure.RESISTANCE,
                  low ? AssessWords.OHMS_LOW : AssessWords.OHMS_FINE,
                  low ? Outcome.BAD : Outcome.GOOD,
                  hidden));
        });
    evidence
        .newest(Figure.ESR)
        .filter(r -> belowASoundOne(c, r))
        .ifPresent(r ->
            findings.add(resistance(r, Figure.ESR, AssessWords.BELOW_SOUND, Outcome.BAD, hidden)));
    evidence
        .newestTelling(Figure.CAPACITANCE)
        .map(r -> r.figures().bounds().get(Figure.CAPACITANCE))
        .ifPresent(b -> findings.add(capacitance(c, b)));
    evidence
        .newestTelling(Figure.ESR)
        .map(r -> r.figures().bounds().get(Figure.ESR))
        .ifPresent(b ->
            findings.add(
                b.side() == Bound.End.ABOVE
                    ? plain(Outcome.BAD, AssessWords.ESR_OVER)
                    : said(Criterion.ESR, Outcome.GOOD, AssessWords.ESR_BELOW)));
    evidence.newestQualified().ifPresent(r -> findings.addAll(qualified(r, hidden)));
    return findings;
  }

  /**
   * Whether ohms that were read in place or with a leg lifted, at a frequency nobody stated, are
   * less than a sound part of that size has at the frequency of an ESR meter: then they are no ESR.
   */
  static boolean belowASoundOne(Case c, Reading reading) {
    if (reading.figures().get(Figure.ESR).isEmpty()
        || reading.conditions().frequencyHertz().isPresent()
        || reading.conditions().connection() == Connection.OUT_OF_CIRCUIT
        || reading.figures().has(Figure.CAPACITANCE)) {
      return false;
    }
    double expected = c.expectedOhms().orElse(1 / (2 * Math.PI * METER_HERTZ * c.part().farads()));
    return reading.figures().get(Figure.ESR).getAsDouble() < expected / SOUND_AT_LEAST;
  }

  /**
   * Whether a reading in place shows next to no resistance, of this part or of what is beside it.
   */
  static boolean shortInPlace(Reading r) {
    return !r.conditions().connection().alone()
        && (r.figures().qualifiers().contains(Qualifier.READS_SHORT)
            || r.figures().get(Figure.RESISTANCE).orElse(IN_CIRCUIT_OHMS) < IN_CIRCUIT_OHMS);
  }

  /**
   * A tester that shows no figure for an electrolytic of some size finds it open; where it once
   * showed one, the two contradict each other.
   */
  private static Finding capacitance(Case c, Bound bound) {
    if (bound.side() == Bound.End.BELOW) {
      return plain(Outcome.BAD, AssessWords.CAPACITANCE_NONE);
    }
    boolean open =
        bound.range().isEmpty()
            && c.kind().lossyByNature()
            && c.evidence().newest(Figure.CAPACITANCE).isEmpty()
            && Edge.atLeast(c.part().farads(), OPEN_FARADS);
    return open ? plain(Outcome.BAD, AssessWords.CAPACITANCE_OL) : open(Gap.CAPACITANCE_OVER);
  }

  private static Finding resistance(
      Reading reading, Figure figure, AssessWords words, Outcome outcome, boolean hidden) {
    Quantity read = Quantity.ohms(reading.figures().get(figure).orElseThrow());
    boolean nothingShowsSoLittle = !hidden && read.value() < IN_CIRCUIT_OHMS;
    if (!reading.conditions().connection().alone() && !nothingShowsSoLittle) {
      return Finding.open(Criterion.SHORT_OR_OPEN, Optional.of(read), SOURCE, Gap.IN_CIRCUIT);
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

  private static List<Finding> qualified(Reading reading, boolean hidden) {
    List<Finding> findings = new ArrayList<>();
    boolean alone = reading.conditions().connection().alone();
    OptionalDouble volts = reading.conditions().testVolts();
    for (Qualifier q : reading.figures().qualifiers()) {
      switch (q) {
        case OVAL -> findings.add(plain(Outcome.GOOD, AssessWords.CURVE_OVAL));
        case SLANT -> findings.add(unless(alone, AssessWords.CURVE_SLANT));
        case KNEE -> findings.add(unless(alone, AssessWords.CURVE_KNEE));
        case FLAT -> findings.add(plain(Outcome.BAD, AssessWords.CURVE_FLAT));
        case UPRIGHT -> findings.add(unless(alone, AssessWords.CURVE_UPRIGHT));
        case INTERMITTENT -> findings.add(plain(Outcome.BAD, AssessWords.INTERMITTENT));
        case INDICATOR_OPEN -> findings.add(indicator(Outcome.GOOD, volts));
        case INDICATOR_CLOSED -> findings.add(indicator(alone ? Outcome.BAD : Outcome.OPEN, volts));
        case READS_OPEN -> findings.add(plain(Outcome.BAD, AssessWords.READS_OPEN));
        case READS_SHORT -> findings.add(unless(alone || !hidden, AssessWords.READS_SHORT));
        case READS_RESISTOR -> findings.add(unless(alone, AssessWords.READS_RESISTOR));
        case DRIED_OUT -> findings.add(plain(Outcome.BAD, AssessWords.DRIED_OUT));
        case CALLED_BAD ->
            findings.add(said(Criterion.TESTER, Outcome.BAD, AssessWords.CALLED_BAD));
        case CALLED_WEAK ->
            findings.add(said(Criterion.TESTER, Outcome.DOUBTFUL, AssessWords.CALLED_WEAK));
        case CALLED_GOOD ->
            findings.add(said(Criterion.TESTER, Outcome.GOOD, AssessWords.CALLED_GOOD));
        case FALLS, RISES, PULSES -> findings.add(moving(q, reading));
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

  /**
   * A figure that does not stand still. Leakage that rises at a steady voltage runs away, and a
   * capacitance that creeps up is a leak that charges the meter; what still falls has not settled.
   */
  static Finding moving(Qualifier how, Reading reading) {
    boolean leakage = reading.figures().tells(Figure.LEAKAGE);
    boolean capacitance = reading.figures().tells(Figure.CAPACITANCE);
    if (how == Qualifier.PULSES) {
      return said(Criterion.TESTER, Outcome.DOUBTFUL, AssessWords.PULSES);
    }
    if (how == Qualifier.RISES && leakage) {
      return said(Criterion.LEAKAGE, Outcome.BAD, AssessWords.LEAKAGE_RISES);
    }
    return how == Qualifier.RISES && capacitance
        ? said(Criterion.LEAKAGE, Outcome.DOUBTFUL, AssessWords.CAPACITANCE_CREEPS)
        : said(Criterion.TESTER, Outcome.OPEN, AssessWords.NOT_SETTLED);
  }

  private static Finding indicator(Outcome outcome, OptionalDouble volts) {
    if (volts.isEmpty()) {
      return Finding.open(
          Criterion.LEAKAGE, Optional.empty(), SOURCE, Message.of(AssessWords.INDICATOR_NO_VOLTS));
    }
    if (outcome == Outcome.OPEN) {
      return open(Gap.IN_CIRCUIT).of(State.LEAKY);
    }
    Quantity at = Quantity.volts(volts.getAsDouble());
    return new Finding(
        Criterion.SHORT_OR_OPEN,
        outcome,
        Optional.empty(),
        Optional.empty(),
        SOURCE,
        Message.of(
            outcome == Outcome.GOOD
                ? AssessWords.INDICATOR_STAYS_OPEN
                : AssessWords.INDICATOR_CLOSES,
            at),
        Optional.empty(),
        Optional.of(State.LEAKY),
        Optional.empty());
  }

  /** Bad where nothing beside the part can be what was seen. */
  static Finding unless(boolean alone, AssessWords bad) {
    return alone ? plain(Outcome.BAD, bad) : open(Gap.IN_CIRCUIT);
  }

  private static Finding open(Gap why) {
    return Finding.open(Criterion.SHORT_OR_OPEN, Optional.empty(), SOURCE, why);
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
        Optional.empty(),
        Optional.ofNullable(SAYS.get(words)),
        Optional.empty());
  }
}
