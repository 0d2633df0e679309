package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What the position asks of a part whatever it measures: voltage headroom, and a safety class
 * across the mains.
 */
final class PositionCriterion {
  private PositionCriterion() {}

  static List<Finding> judge(Case c) {
    List<Finding> findings = new ArrayList<>();
    if (c.part().role().duty() == Role.Duty.MAINS) {
      findings.add(mainsClass(c));
    }
    headroom(c).ifPresent(findings::add);
    return findings;
  }

  private static Finding mainsClass(Case c) {
    boolean classed = c.kind().family() == Family.SUPPRESSION;
    return new Finding(
        Criterion.MAINS_CLASS,
        classed ? Outcome.GOOD : Outcome.BAD,
        Optional.empty(),
        Optional.empty(),
        "mains-class",
        Message.of(
            classed ? AssessWords.MAINS_CLASS_GOOD : AssessWords.MAINS_CLASS_MISSING,
            c.part().role().term()),
        Optional.empty());
  }

  private static Optional<Finding> headroom(Case c) {
    boolean tantalum = c.kind().family() == Family.TANTALUM;
    OptionalDouble rated = c.part().ratedVolts();
    OptionalDouble working = c.part().workingVolts();
    if (rated.isEmpty() || working.isEmpty()) {
      return tantalum
          ? Optional.of(
              Finding.open(
                  Criterion.HEADROOM, Optional.empty(), "tantalum-headroom", Gap.HEADROOM_UNKNOWN))
          : Optional.empty();
    }
    boolean twice = tantalum && c.policy().tantalum() == Policy.Tantalum.TWICE_THE_RAIL;
    double needed = working.getAsDouble() * (twice ? Policy.TANTALUM_HEADROOM : 1);
    boolean bad = rated.getAsDouble() < needed;
    AssessWords words =
        !bad
            ? AssessWords.HEADROOM_GOOD
            : twice ? AssessWords.HEADROOM_TANTALUM : AssessWords.HEADROOM_OVER;
    Quantity ratedVolts = Quantity.volts(rated.getAsDouble());
    Quantity workingVolts = Quantity.volts(working.getAsDouble());
    return Optional.of(
        Finding.of(
            Criterion.HEADROOM,
            bad ? Outcome.BAD : Outcome.GOOD,
            ratedVolts,
            Limit.atLeast(Quantity.volts(needed)),
            tantalum ? "tantalum-headroom" : "rating",
            Message.of(words, ratedVolts, workingVolts),
            Message.of(
                AssessWords.HEADROOM_WORKING,
                Quantity.ratio(twice ? Policy.TANTALUM_HEADROOM : 1),
                workingVolts,
                Quantity.volts(needed))));
  }
}
