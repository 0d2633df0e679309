package org.yellowhearth.core.assess;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;

/**
 * How findings become a verdict under the job's policy. The order below is the order in which
 * reasons win.
 */
final class VerdictRules {
  /** The age in years from which the blanket school renews electrolytic and paper parts. */
  static final double BLANKET_YEARS = 25;

  /** What speaks of the reading and not of the part. */
  private static final Set<Criterion> UNSURE =
      EnumSet.of(Criterion.AGREEMENT, Criterion.CONTACT, Criterion.WITNESSES);

  /** A place this much warmer than the set is hot; from this consequence on a failure is dear. */
  private static final int DEAR = 4;

  private VerdictRules() {}

  /** A verdict, what decided it, and what would settle it where it is open. */
  record Decision(Verdict verdict, Message because, Optional<Message> next) {
    static Decision of(Verdict verdict, Message because) {
      return new Decision(verdict, because, Optional.empty());
    }

    static Decision recheck(Message because, MessageKey next, Object... arguments) {
      return new Decision(Verdict.RECHECK, because, Optional.of(Message.of(next, arguments)));
    }
  }

  static Decision decide(Case c, List<Finding> findings) {
    return mainsClass(c, findings)
        .or(() -> looked(findings))
        .or(() -> sibling(c))
        .or(() -> failed(c, findings))
        .or(() -> onSight(c))
        .or(() -> precaution(c, findings))
        .or(() -> contradiction(findings))
        .or(() -> doubted(findings))
        .or(() -> residue(findings))
        .or(() -> unknownKind(c))
        .or(() -> notMeasured(c))
        .or(() -> open(findings))
        .or(() -> thin(c))
        .or(() -> stale(c))
        .or(() -> doubtful(findings))
        .orElseGet(() -> Decision.of(Verdict.KEEP, Message.of(AssessWords.BECAUSE_GOOD)));
  }

  private static Optional<Decision> mainsClass(Case c, List<Finding> findings) {
    return first(
            findings, f -> f.criterion() == Criterion.MAINS_CLASS && f.outcome() == Outcome.BAD)
        .map(f ->
            Decision.of(
                Verdict.REPLACE,
                Message.of(AssessWords.BECAUSE_MAINS_CLASS, c.part().role().term())));
  }

  /** What was seen condemns a part however it measures. */
  private static Optional<Decision> looked(List<Finding> findings) {
    return first(findings, f -> f.criterion() == Criterion.LOOK && f.outcome() == Outcome.BAD)
        .map(f -> Decision.of(Verdict.REPLACE, Message.of(AssessWords.BECAUSE_LOOK, f.words())));
  }

  /** The like of a part that burst goes with it. */
  private static Optional<Decision> sibling(Case c) {
    return c.burstSibling()
        .map(ref ->
            Decision.of(Verdict.REPLACE, Message.of(AssessWords.BECAUSE_SIBLING, ref.toString())));
  }

  /** Witnesses that contradict each other, or a clip that did not hold: first that is settled. */
  static Optional<Decision> doubted(List<Finding> findings) {
    Optional<Decision> contact =
        first(findings, f -> f.criterion() == Criterion.CONTACT && f.outcome() == Outcome.BAD)
            .map(_ ->
                Decision.recheck(
                    Message.of(AssessWords.BECAUSE_CONTACT), AssessWords.NEXT_MEASURE_AGAIN));
    return contact.or(() ->
        first(findings, f -> f.criterion() == Criterion.WITNESSES && f.outcome() == Outcome.BAD)
            .map(_ ->
                Decision.recheck(
                    Message.of(AssessWords.BECAUSE_WITNESSES), AssessWords.NEXT_SETTLE_WITNESSES)));
  }

  /** Something under a part may be glue or electrolyte; a little test tells. */
  static Optional<Decision> residue(List<Finding> findings) {
    return first(findings, f -> f.criterion() == Criterion.LOOK && f.outcome() == Outcome.OPEN)
        .map(_ ->
            Decision.recheck(
                Message.of(AssessWords.BECAUSE_RESIDUE), AssessWords.NEXT_TEST_RESIDUE));
  }

  /** What read well long ago is not known to be good now. */
  private static Optional<Decision> stale(Case c) {
    boolean ages = electrolyticOrPaper(c) || c.kind().family() == Family.TANTALUM;
    return ages && c.evidence().stale()
        ? Optional.of(
            Decision.recheck(
                Message.of(
                    AssessWords.BECAUSE_STALE,
                    Quantity.ratio(c.evidence().years()),
                    Integer.toString(c.evidence().powerUps())),
                AssessWords.NEXT_MEASURE_AGAIN))
        : Optional.empty();
  }

  /**
   * A part that measures well and yet sits hot where its failure is dear is watched, unless only
   * measurements count.
   */
  static Assessment warm(Assessment a, List<Place> places, Policy policy) {
    boolean hot = places.stream().anyMatch(p -> Warmth.kelvin(p) >= Warmth.HOT_KELVIN);
    boolean counts =
        policy.renew() == Policy.WhenToRenew.MEASURED_PLUS_PRECAUTION
            || policy.renew() == Policy.WhenToRenew.BLANKET;
    return a.verdict() == Verdict.KEEP && hot && counts && a.risk().consequence() >= DEAR
        ? a.becoming(
            Verdict.WATCH,
            Message.of(AssessWords.BECAUSE_HOT, Integer.toString(a.risk().consequence())))
        : a;
  }

  /**
   * A bad reading condemns, unless the figures it rests on contradict each other; then only what
   * does not rest on them.
   */
  private static Optional<Decision> failed(Case c, List<Finding> findings) {
    if (first(findings, VerdictRules::condemns).isEmpty()) {
      return Optional.empty();
    }
    boolean contradicted = contradicts(findings).isPresent();
    List<Finding> bad =
        findings.stream()
            .filter(VerdictRules::condemns)
            .filter(f ->
                !contradicted
                    || f.criterion() == Criterion.LEAKAGE
                    || f.criterion() == Criterion.INSULATION
                    || f.criterion() == Criterion.HEADROOM
                    || f.criterion() == Criterion.SHORT_OR_OPEN
                    || f.criterion() == Criterion.GRID_SHIFT)
            .toList();
    if (bad.isEmpty()) {
      return Optional.empty();
    }
    boolean onlyLeaks = bad.stream().allMatch(f -> f.criterion() == Criterion.LEAKAGE);
    if (onlyLeaks && !contradicted && mayReform(c)) {
      return Optional.of(
          Decision.of(
              Verdict.REFORM,
              Message.of(AssessWords.BECAUSE_REFORM_LEAKAGE, c.policy().electrolytics().term())));
    }
    return Optional.of(Decision.of(Verdict.REPLACE, because(bad.getFirst())));
  }

  /** Whether a finding speaks against the part, and not of how it was read. */
  static boolean condemns(Finding f) {
    return f.outcome() == Outcome.BAD && !UNSURE.contains(f.criterion());
  }

  /** A figure is outside its limit; what was only said speaks for itself. */
  static Message because(Finding bad) {
    return bad.measured().isPresent() || bad.limit().isPresent()
        ? Message.of(AssessWords.BECAUSE_BAD, bad.criterion().term())
        : Message.of(AssessWords.BECAUSE_SAID, bad.words());
  }

  private static Optional<Decision> onSight(Case c) {
    Family family = c.kind().family();
    if (family == Family.PAPER && c.policy().paper() == Policy.Paper.REPLACE_ON_SIGHT) {
      return Optional.of(
          Decision.of(
              Verdict.REPLACE,
              Message.of(AssessWords.BECAUSE_ON_SIGHT, c.policy().paper().term())));
    }
    if (family == Family.TANTALUM && c.policy().tantalum() == Policy.Tantalum.CHANGE_KIND) {
      return Optional.of(
          Decision.of(
              Verdict.REPLACE,
              Message.of(AssessWords.BECAUSE_TANTALUM_CHANGED, c.policy().tantalum().term())));
    }
    if (c.policy().renew() == Policy.WhenToRenew.BLANKET
        && electrolyticOrPaper(c)
        && c.ageYears().stream().anyMatch(age -> age >= BLANKET_YEARS)) {
      return Optional.of(
          Decision.of(
              Verdict.REPLACE,
              Message.of(
                  AssessWords.BECAUSE_BLANKET,
                  c.policy().renew().term(),
                  Quantity.ratio(c.ageYears().orElseThrow()),
                  Quantity.ratio(BLANKET_YEARS))));
    }
    return Optional.empty();
  }

  private static Optional<Decision> contradiction(List<Finding> findings) {
    return contradicts(findings)
        .map(f ->
            Decision.recheck(
                Message.of(AssessWords.BECAUSE_CONTRADICTION),
                AssessWords.NEXT_SETTLE_CONTRADICTION));
  }

  private static Optional<Decision> unknownKind(Case c) {
    return c.kind().family() == Family.UNSTATED
        ? Optional.of(
            Decision.recheck(
                Message.of(AssessWords.BECAUSE_KIND_UNSTATED), AssessWords.NEXT_NAME_KIND))
        : Optional.empty();
  }

  private static Optional<Decision> precaution(Case c, List<Finding> findings) {
    if (c.policy().renew() != Policy.WhenToRenew.MEASURED_PLUS_PRECAUTION
        || !electrolyticOrPaper(c)
        || !c.part().role().precaution()) {
      return Optional.empty();
    }
    if (mayReform(c)) {
      boolean leakageKnownGood =
          first(findings, f -> f.criterion() == Criterion.LEAKAGE && f.outcome() == Outcome.GOOD)
              .isPresent();
      return leakageKnownGood || c.evidence().isEmpty() || contradicts(findings).isPresent()
          ? Optional.empty()
          : Optional.of(
              Decision.of(
                  Verdict.REFORM,
                  Message.of(
                      AssessWords.BECAUSE_REFORM_PRECAUTION, c.policy().electrolytics().term())));
    }
    return Optional.of(
        Decision.of(
            Verdict.REPLACE,
            Message.of(
                AssessWords.BECAUSE_PRECAUTION,
                c.policy().renew().term(),
                c.part().role().term())));
  }

  private static Optional<Decision> notMeasured(Case c) {
    if (!c.evidence().isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        Decision.recheck(Message.of(AssessWords.BECAUSE_NOT_MEASURED), firstMeasurement(c)));
  }

  private static MessageKey firstMeasurement(Case c) {
    return switch (c.kind().family()) {
      case ELECTROLYTIC, TANTALUM -> AssessWords.NEXT_MEASURE_ELECTROLYTIC;
      case PAPER -> AssessWords.NEXT_MEASURE_INSULATION;
      case FILM, MICA, CERAMIC, SUPPRESSION, AIR, UNSTATED -> AssessWords.NEXT_MEASURE_CAPACITANCE;
    };
  }

  /** A criterion that stayed open although something was measured: say what would close it. */
  private static Optional<Decision> open(List<Finding> findings) {
    return first(
            findings,
            f -> f.outcome() == Outcome.OPEN && f.gap().filter(g -> g == Gap.NO_LIMIT).isEmpty())
        .map(f ->
            Decision.recheck(
                Message.of(AssessWords.BECAUSE_THIN, f.criterion().term()),
                f.gap().flatMap(Gap::next).orElse(AssessWords.NEXT_LEAKAGE_AT_RATING)));
  }

  /** The least that must have been measured of a kind before it may be called good. */
  private static Optional<Decision> thin(Case c) {
    Evidence e = c.evidence();
    boolean capacitance = e.newest(Figure.CAPACITANCE).isPresent();
    boolean insulation =
        e.newestTelling(Figure.INSULATION).isPresent()
            || e.newestTelling(Figure.LEAKAGE).isPresent()
            || e.shownAtVoltage();
    return switch (c.kind().family()) {
      case ELECTROLYTIC, TANTALUM ->
          !capacitance
              ? missing(Criterion.CAPACITANCE_KEPT, AssessWords.NEXT_MEASURE_CAPACITANCE)
              : e.newestLoss().isEmpty() && e.newestTelling(Figure.ESR).isEmpty()
                  ? missing(Criterion.ESR, AssessWords.NEXT_MEASURE_LOSS)
                  : Optional.empty();
      case PAPER ->
          insulation
              ? Optional.empty()
              : missing(Criterion.INSULATION, AssessWords.NEXT_MEASURE_INSULATION);
      case FILM, MICA, CERAMIC, SUPPRESSION, AIR, UNSTATED ->
          capacitance
              ? Optional.empty()
              : missing(Criterion.CAPACITANCE_KEPT, AssessWords.NEXT_MEASURE_CAPACITANCE);
    };
  }

  private static Optional<Decision> missing(Criterion criterion, AssessWords next) {
    return Optional.of(
        Decision.recheck(Message.of(AssessWords.BECAUSE_THIN, criterion.term()), next));
  }

  private static Optional<Decision> doubtful(List<Finding> findings) {
    return first(findings, f -> f.outcome() == Outcome.DOUBTFUL)
        .map(f ->
            Decision.of(
                Verdict.WATCH, Message.of(AssessWords.BECAUSE_DOUBTFUL, f.criterion().term())));
  }

  private static boolean electrolyticOrPaper(Case c) {
    return c.kind().family() == Family.ELECTROLYTIC || c.kind().family() == Family.PAPER;
  }

  private static boolean mayReform(Case c) {
    return c.kind().wear().reforms()
        && c.policy().renew() != Policy.WhenToRenew.ECONOMIC
        && switch (c.policy().electrolytics()) {
          case REFORM_FOR_MUSEUM -> c.museum();
          case REFORM_WHATEVER_PASSES -> true;
          case NEVER_REFORM -> false;
        };
  }

  private static Optional<Finding> contradicts(List<Finding> findings) {
    return first(findings, f -> f.criterion() == Criterion.AGREEMENT && f.outcome() == Outcome.BAD);
  }

  private static Optional<Finding> first(List<Finding> findings, Predicate<Finding> wanted) {
    for (Finding f : findings) {
      if (wanted.test(f)) {
        return Optional.of(f);
      }
    }
    return Optional.empty();
  }
}
