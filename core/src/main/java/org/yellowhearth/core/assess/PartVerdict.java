package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.assess.VerdictRules.Decision;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Sort;

/**
 * How the findings on a part that is no capacitor become a verdict. The order is the order in which
 * reasons win.
 */
final class PartVerdict {
  private PartVerdict() {}

  static Decision decide(Part part, List<Finding> findings, Evidence evidence, Policy policy) {
    return looked(findings)
        .or(() -> wiper(findings))
        .or(() -> failed(part, findings))
        .or(() -> school(part, policy))
        .or(() -> VerdictRules.doubted(findings))
        .or(() -> VerdictRules.residue(findings))
        .or(() -> unmeasured(part, evidence))
        .or(() -> open(findings))
        .or(() -> evidence.stale() && part.sort() == Sort.BATTERY ? stale() : Optional.empty())
        .or(() ->
            first(findings, f -> f.outcome() == Outcome.DOUBTFUL)
                .map(f ->
                    Decision.of(
                        Verdict.WATCH,
                        Message.of(AssessWords.BECAUSE_DOUBTFUL, f.criterion().term()))))
        .orElseGet(() ->
            judged(findings)
                ? Decision.of(Verdict.KEEP, Message.of(AssessWords.BECAUSE_GOOD))
                : Decision.recheck(Message.of(AssessWords.BECAUSE_NOTHING_JUDGED), next(part)));
  }

  private static Optional<Decision> looked(List<Finding> findings) {
    return first(findings, f -> f.criterion() == Criterion.LOOK && f.outcome() == Outcome.BAD)
        .map(f -> Decision.of(Verdict.REPLACE, Message.of(AssessWords.BECAUSE_LOOK, f.words())));
  }

  /** A noisy wiper is cleaned before it is condemned. */
  private static Optional<Decision> wiper(List<Finding> findings) {
    boolean onlyWiper =
        findings.stream()
            .filter(f -> f.outcome() == Outcome.BAD)
            .allMatch(f -> f.criterion() == Criterion.WIPER);
    return first(findings, f -> f.criterion() == Criterion.WIPER && f.outcome() == Outcome.BAD)
        .filter(_ -> onlyWiper)
        .map(_ ->
            Decision.recheck(Message.of(AssessWords.BECAUSE_WIPER), AssessWords.NEXT_CLEAN_WIPER));
  }

  private static Optional<Decision> failed(Part part, List<Finding> findings) {
    return first(
            findings,
            f ->
                f.outcome() == Outcome.BAD
                    && f.criterion() != Criterion.CONTACT
                    && f.criterion() != Criterion.WITNESSES)
        .map(f ->
            Decision.of(
                Verdict.REPLACE,
                part.sort() == Sort.FUSE
                    ? Message.of(AssessWords.BECAUSE_FUSE_BLOWN)
                    : VerdictRules.because(f)));
  }

  private static Optional<Decision> school(Part part, Policy policy) {
    boolean old = part instanceof Rectifier r && r.make().replacedOnSight();
    return old && policy.rectifiers() == Policy.Rectifiers.SILICON_WITH_RESISTANCE
        ? Optional.of(
            Decision.of(
                Verdict.REPLACE,
                Message.of(AssessWords.BECAUSE_RECTIFIER, policy.rectifiers().term())))
        : Optional.empty();
  }

  private static Optional<Decision> unmeasured(Part part, Evidence evidence) {
    return evidence.isEmpty()
        ? Optional.of(Decision.recheck(Message.of(AssessWords.BECAUSE_NOT_MEASURED), next(part)))
        : Optional.empty();
  }

  private static Optional<Decision> stale() {
    return Optional.of(
        Decision.recheck(
            Message.of(AssessWords.BECAUSE_STALE_PLAIN), AssessWords.NEXT_MEASURE_AGAIN));
  }

  private static Optional<Decision> open(List<Finding> findings) {
    return first(findings, f -> f.outcome() == Outcome.OPEN)
        .map(f ->
            Decision.recheck(
                Message.of(AssessWords.BECAUSE_THIN, f.criterion().term()),
                f.gap().flatMap(Gap::next).orElse(AssessWords.NEXT_MEASURE_AGAIN)));
  }

  /** What to measure first of a sort. */
  private static MessageKey next(Part part) {
    return switch (part.sort()) {
      case RESISTOR -> AssessWords.NEXT_OHMS;
      case POTENTIOMETER -> AssessWords.NEXT_POTENTIOMETER;
      case RECTIFIER -> AssessWords.NEXT_RECTIFIER;
      case ZENER -> AssessWords.NEXT_ZENER;
      case TRANSISTOR -> AssessWords.NEXT_TRANSISTOR;
      case INTEGRATED_CIRCUIT -> AssessWords.NEXT_CIRCUIT;
      case VALVE -> AssessWords.NEXT_VALVE;
      case WINDING -> AssessWords.NEXT_WINDING;
      case MOVEMENT -> AssessWords.NEXT_MOVEMENT;
      case RELAY -> AssessWords.NEXT_RELAY;
      case FUSE, LAMP, CONNECTOR -> AssessWords.NEXT_CONTINUITY;
      case BATTERY -> AssessWords.NEXT_BATTERY;
      case CAPACITOR -> AssessWords.NEXT_MEASURE_CAPACITANCE;
    };
  }

  private static boolean judged(List<Finding> findings) {
    return findings.stream()
        .anyMatch(f ->
            f.outcome() == Outcome.GOOD
                && f.criterion() != Criterion.CONTACT
                && f.criterion() != Criterion.WITNESSES
                && f.gap().filter(Gap::half).isEmpty());
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
