package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.PartRule;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Makes;
import org.yellowhearth.core.part.Movement;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Relay;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.part.Zener;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.Reading;

/**
 * Judges parts that are no capacitors: every figure against the window that the knowledge files
 * give for it.
 */
final class PartCriterion {
  /** A resistance read so far from the marked one is most likely a slip of a thousand. */
  private static final double SLIP = 1000;

  private static final double SLIP_SPREAD = 0.3;
  private static final Set<Sort> CONDUCT =
      Set.of(
          Sort.RESISTOR,
          Sort.POTENTIOMETER,
          Sort.WINDING,
          Sort.MOVEMENT,
          Sort.RELAY,
          Sort.FUSE,
          Sort.LAMP,
          Sort.CONNECTOR,
          Sort.VALVE);
  private static final Set<Sort> JUNCTIONS = Set.of(Sort.RECTIFIER, Sort.ZENER, Sort.TRANSISTOR);

  /** No sound junction shows an ohmmeter less either way (common practice). */
  private static final double SHORT_OHMS = 5;

  private static final String TESTER = "tester";

  private final Part part;
  private final Evidence evidence;
  private final Knowledge knowledge;

  PartCriterion(Part part, Evidence evidence, Knowledge knowledge) {
    this.part = part;
    this.evidence = evidence;
    this.knowledge = knowledge;
  }

  List<Finding> judge() {
    List<Finding> findings = new ArrayList<>();
    for (Figure figure : Figure.values()) {
      evidence.newestTelling(figure).ifPresent(r -> judge(figure, r).ifPresent(findings::add));
    }
    evidence
        .newestQualified()
        .ifPresent(
            r -> r.figures().qualifiers().forEach(q -> shown(q, r).ifPresent(findings::add)));
    return findings;
  }

  private Optional<Finding> judge(Figure figure, Reading reading) {
    Bound bound = reading.figures().bounds().get(figure);
    if (bound != null) {
      return left(figure, bound);
    }
    if (figure == Figure.RESISTANCE
        && JUNCTIONS.contains(part.sort())
        && reading.figures().get(figure).orElseThrow() < SHORT_OHMS) {
      return Optional.of(
          ShortCriterion.unless(
              reading.conditions().connection().alone(), AssessWords.READS_SHORT));
    }
    boolean transistor = part.sort() == Sort.TRANSISTOR;
    if (figure == Figure.DRAIN_CURRENT
        || figure == Figure.THRESHOLD
        || (figure == Figure.CONDUCTANCE && transistor)) {
      // They scatter widely among good ones of one type.
      return Optional.of(
          Finding.open(
              Criterion.of(figure),
              Optional.of(figure.quantity(reading.figures().get(figure).orElseThrow())),
              TESTER,
              Message.of(AssessWords.CALLED_GOOD_SEMICONDUCTOR)));
    }
    return rule(figure).map(rule -> judge(rule, reading));
  }

  /** The rule for how this part is made, or what it does, before the one for all of its sort. */
  private Optional<PartRule> rule(Figure figure) {
    Set<String> codes = Makes.of(part).stream().map(Coded::code).collect(Collectors.toSet());
    List<PartRule> rules =
        knowledge.partRules().stream()
            .filter(r -> r.sort() == part.sort() && r.figure() == figure)
            .toList();
    return rules.stream()
        .filter(r -> codes.contains(r.made()))
        .findFirst()
        .or(() -> rules.stream().filter(r -> r.made().isEmpty()).findFirst());
  }

  /**
   * A figure that left the range: no current where there should be some, or less leakage than the
   * meter can tell.
   */
  private Optional<Finding> left(Figure figure, Bound bound) {
    boolean above = bound.side() == Bound.End.ABOVE;
    if (figure == Figure.RESISTANCE && above && CONDUCT.contains(part.sort())) {
      return Optional.of(plain(Outcome.BAD, AssessWords.OPEN_CIRCUIT));
    }
    if (figure == Figure.LEAKAGE && !above && bound.range().isPresent()) {
      return rule(figure).map(rule -> judge(rule, figure, bound.range().getAsDouble(), true));
    }
    return Optional.of(
        Finding.open(
            Criterion.of(figure), Optional.empty(), TESTER, Message.of(AssessWords.RANGE_UNKNOWN)));
  }

  private Finding judge(PartRule rule, Reading reading) {
    double read = reading.figures().get(rule.figure()).orElseThrow();
    return judge(rule, rule.figure(), read, reading.conditions().connection().alone());
  }

  private Finding judge(PartRule rule, Figure figure, double read, boolean alone) {
    Criterion criterion = Criterion.of(figure);
    Quantity measured = figure.quantity(read);
    OptionalDouble low = scale(rule, false);
    OptionalDouble high = scale(rule, true);
    if ((rule.renewBelow().isPresent() && low.isEmpty())
        || (rule.renewAbove().isPresent() && high.isEmpty())) {
      return Finding.open(criterion, Optional.of(measured), rule.source(), Gap.NOTHING_EXPECTED);
    }
    Tolerance printed =
        rule.widens() ? tolerance().orElse(new Tolerance(0, 0)) : new Tolerance(0, 0);
    double below = wider(rule.renewBelow(), 1 + printed.below(), low, false);
    double watchBelow = wider(rule.watchBelow(), 1 + printed.below(), low, false);
    double watchAbove = wider(rule.watchAbove(), 1 + printed.above(), high, true);
    double above = wider(rule.renewAbove(), 1 + printed.above(), high, true);
    boolean isLow = !Edge.atLeast(read, watchBelow);
    boolean bad = !Edge.within(read, below, above);
    boolean doubtful = isLow || !Edge.atMost(read, watchAbove);
    if (isLow && !alone) {
      return Finding.open(criterion, Optional.of(measured), rule.source(), Gap.LOW_IN_CIRCUIT);
    }
    if (bad && slipped(rule, read, low)) {
      return Finding.open(
          criterion,
          Optional.of(measured),
          rule.source(),
          Gap.SLIP,
          figure.quantity(read * (isLow ? SLIP : 1 / SLIP)));
    }
    boolean lower = isLow || Double.isInfinite(watchAbove);
    double limit = lower ? bad ? below : watchBelow : bad ? above : watchAbove;
    Limit shown =
        lower ? Limit.atLeast(figure.quantity(limit)) : Limit.atMost(figure.quantity(limit));
    return Finding.of(
        criterion,
        bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD,
        measured,
        shown,
        rule.source(),
        Message.of(
            !doubtful && !bad
                ? AssessWords.WITHIN
                : isLow ? AssessWords.TOO_LOW : AssessWords.TOO_HIGH,
            criterion.term(),
            measured),
        working(rule, figure, low, high));
  }

  private static Message working(
      PartRule rule, Figure figure, OptionalDouble low, OptionalDouble high) {
    OptionalDouble scale = low.isPresent() ? low : high;
    return switch (rule.basis()) {
      case PLAIN -> Message.of(AssessWords.PLAIN_WORKING);
      case NOMINAL, PER_PLATE, TYPE ->
          Message.of(AssessWords.SHARE_WORKING, figure.quantity(scale.orElse(0)));
    };
  }

  /** A bound in the figure's own unit; what no rule bounds is bounded by nothing. */
  private static double wider(
      OptionalDouble share, double tolerance, OptionalDouble scale, boolean upper) {
    if (share.isEmpty()) {
      return upper ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
    }
    double wide =
        tolerance == 1
            ? share.getAsDouble()
            : upper
                ? Math.max(share.getAsDouble(), tolerance)
                : Math.min(share.getAsDouble(), tolerance);
    return wide * scale.orElse(1);
  }

  private static boolean slipped(PartRule rule, double read, OptionalDouble nominal) {
    if (rule.basis() != PartRule.Basis.NOMINAL
        || rule.figure() != Figure.RESISTANCE
        || nominal.isEmpty()
        || read <= 0) {
      return false;
    }
    double times = Math.max(read / nominal.getAsDouble(), nominal.getAsDouble() / read);
    return Math.abs(times / SLIP - 1) < SLIP_SPREAD;
  }

  private OptionalDouble scale(PartRule rule, boolean upper) {
    return switch (rule.basis()) {
      case PLAIN -> OptionalDouble.of(1);
      case NOMINAL -> nominal(rule.figure());
      case PER_PLATE ->
          part instanceof Rectifier r && r.plates().isPresent()
              ? OptionalDouble.of(r.plates().getAsInt())
              : OptionalDouble.empty();
      case TYPE ->
          switch (part) {
            case Transistor t -> upper ? t.mostGain() : t.leastGain();
            case Valve v -> knowledge.devices().conductance(v.marking());
            default -> OptionalDouble.empty();
          };
    };
  }

  private OptionalDouble nominal(Figure figure) {
    return switch (part) {
      case Resistor r when figure == Figure.RESISTANCE -> OptionalDouble.of(r.ohms());
      case Potentiometer p when figure == Figure.RESISTANCE -> OptionalDouble.of(p.ohms());
      case Winding w when figure == Figure.RESISTANCE -> w.ohms();
      case Winding w when figure == Figure.INDUCTANCE -> w.henries();
      case Movement m when figure == Figure.FULL_SCALE -> m.fullScaleAmperes();
      case Movement m when figure == Figure.RESISTANCE -> m.ohms();
      case Relay r when figure == Figure.RESISTANCE -> r.ohms();
      case Relay r when figure == Figure.VOLTS -> r.coilVolts();
      case Zener z when figure == Figure.VOLTS -> OptionalDouble.of(z.volts());
      case Battery b when figure == Figure.VOLTS -> b.volts();
      case IntegratedCircuit i when figure == Figure.VOLTS -> i.volts();
      default -> OptionalDouble.empty();
    };
  }

  private Optional<Tolerance> tolerance() {
    return switch (part) {
      case Resistor r -> r.tolerance();
      case Potentiometer p -> p.tolerance();
      case Zener z -> z.tolerance();
      default -> Optional.empty();
    };
  }

  private Optional<Finding> shown(Qualifier qualifier, Reading reading) {
    boolean alone = reading.conditions().connection().alone();
    boolean junction = JUNCTIONS.contains(part.sort());
    return switch (qualifier) {
      case KNEE ->
          junction ? Optional.of(plain(Outcome.GOOD, AssessWords.JUNCTION_KNEE)) : Optional.empty();
      case FLAT -> Optional.of(plain(Outcome.BAD, AssessWords.CURVE_FLAT));
      case UPRIGHT ->
          junction ? Optional.of(plain(Outcome.BAD, AssessWords.CURVE_UPRIGHT)) : Optional.empty();
      case SLANT ->
          junction ? Optional.of(plain(Outcome.BAD, AssessWords.CURVE_SLANT)) : Optional.empty();
      case INTERMITTENT ->
          Optional.of(
              part.sort() == Sort.POTENTIOMETER
                  ? ShortCriterion.said(Criterion.WIPER, Outcome.BAD, AssessWords.INTERMITTENT)
                  : plain(Outcome.BAD, AssessWords.INTERMITTENT));
      case READS_OPEN -> Optional.of(plain(Outcome.BAD, AssessWords.READS_OPEN));
      case READS_SHORT -> Optional.of(ShortCriterion.unless(alone, AssessWords.READS_SHORT));
      case CALLED_BAD -> Optional.of(called(Outcome.BAD, AssessWords.CALLED_BAD));
      case CALLED_WEAK -> Optional.of(called(Outcome.DOUBTFUL, AssessWords.CALLED_WEAK));
      case CALLED_GOOD ->
          Optional.of(
              part instanceof IntegratedCircuit
                      || (part instanceof Transistor t
                          && t.channel() == Transistor.Channel.FIELD_EFFECT)
                  ? called(Outcome.OPEN, AssessWords.CALLED_GOOD_SEMICONDUCTOR)
                  : called(Outcome.GOOD, AssessWords.CALLED_GOOD));
      case SCRATCHY ->
          Optional.of(
              ShortCriterion.said(
                  part.sort() == Sort.POTENTIOMETER ? Criterion.WIPER : Criterion.TESTER,
                  part.sort() == Sort.POTENTIOMETER ? Outcome.BAD : Outcome.DOUBTFUL,
                  AssessWords.SCRATCHY));
      case REVERSE_BLOCKS ->
          Optional.of(plain(Outcome.GOOD, AssessWords.REVERSE_BLOCKS).left(Gap.REVERSE_BLOCKS));
      case REVERSE_CONDUCTS ->
          Optional.of(ShortCriterion.unless(alone, AssessWords.REVERSE_CONDUCTS));
      case NO_SHORTS -> Optional.of(plain(Outcome.GOOD, AssessWords.NO_SHORTS).left(Gap.NO_SHORTS));
      case SHORTS -> Optional.of(plain(Outcome.BAD, AssessWords.SHORTS));
      case NO_GRID_LEAK ->
          Optional.of(called(Outcome.GOOD, AssessWords.NO_GRID_LEAK).left(Gap.NO_GRID_LEAK));
      case GRID_LEAK -> Optional.of(called(Outcome.BAD, AssessWords.GRID_LEAK));
      case FALLS, RISES, PULSES -> Optional.of(ShortCriterion.moving(qualifier, reading));
      case OVAL, INDICATOR_OPEN, INDICATOR_CLOSED, BOUNCING, READS_RESISTOR, DRIED_OUT ->
          Optional.empty();
    };
  }

  private static Finding called(Outcome outcome, AssessWords words) {
    return ShortCriterion.said(Criterion.TESTER, outcome, words);
  }

  private static Finding plain(Outcome outcome, AssessWords words) {
    return ShortCriterion.said(Criterion.SHORT_OR_OPEN, outcome, words);
  }
}
