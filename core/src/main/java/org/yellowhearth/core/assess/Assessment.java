package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;

/**
 * The verdict on one part with everything it rests on.
 *
 * @param verdict what is to be done: what a person decided, else what the rules say
 * @param because the reason that decided, naming the school where a school decided
 * @param next the one measurement that would settle it, where the evidence is thin or contradicts
 *     itself
 * @param measured whether anything has been measured of it yet
 * @param overruled what the rules say, where a person decided otherwise
 * @param belief what it is taken to be by every stage
 * @param risk the chance that it fails and what that costs
 */
public record Assessment(
    Part part,
    List<Finding> findings,
    Verdict verdict,
    Message because,
    Optional<Message> next,
    boolean measured,
    Optional<Ruled> overruled,
    Belief belief,
    Risk risk) {
  /** What the rules say, and why. */
  public record Ruled(Verdict verdict, Message because) {}

  public Assessment {
    findings = List.copyOf(findings);
  }

  /** This with another verdict and reason, as the neighbours in its can or batch ask. */
  Assessment becoming(Verdict other, Message why) {
    return new Assessment(
        part, findings, other, why, Optional.empty(), measured, overruled, belief, risk);
  }

  /** This with its risk. */
  Assessment withRisk(Risk known) {
    return new Assessment(
        part, findings, verdict, because, next, measured, overruled, belief, known);
  }

  /** This with another belief. */
  Assessment believing(Belief other) {
    return new Assessment(part, findings, verdict, because, next, measured, overruled, other, risk);
  }

  /** This as a person decided it. */
  Assessment overruled(Verdict decided, Message why) {
    return new Assessment(
        part,
        findings,
        decided,
        why,
        Optional.empty(),
        measured,
        Optional.of(new Ruled(verdict, because)),
        belief,
        risk);
  }

  /** Whether a reading or a look, not a school, found it bad. */
  public boolean foundBad() {
    return findings.stream()
        .anyMatch(f ->
            f.outcome() == Finding.Outcome.BAD
                && f.criterion() != Criterion.AGREEMENT
                && f.criterion() != Criterion.WITNESSES
                && f.criterion() != Criterion.CONTACT
                && f.criterion() != Criterion.MAINS_CLASS);
  }
}
