package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.EsrChart;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.knowledge.RoleRule;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;

/**
 * One capacitor before the bench: all that its verdict may depend on.
 *
 * @param limits the limits of the job's profile; empty for a part whose kind is not stated
 * @param chart what the trade expects of a series resistance at high frequency
 * @param burstSibling a burst part of its kind and batch, where there is one
 */
record Case(
    Capacitor part,
    CapacitorKind kind,
    RoleRule roleRule,
    Evidence evidence,
    Policy policy,
    boolean museum,
    OptionalDouble ageYears,
    Optional<Limits> limits,
    EsrChart chart,
    List<VisualInspection> looks,
    Optional<PartRef> burstSibling) {
  /** The same part by other evidence. */
  Case with(Evidence other) {
    return new Case(
        part, kind, roleRule, other, policy, museum, ageYears, limits, chart, looks, burstSibling);
  }

  /** What the chart expects of it at most, in Ω at high frequency. */
  OptionalDouble expectedOhms() {
    return chart.ohms(kind.family(), part.farads(), part.ratedVolts());
  }

  boolean looks(VisualInspection.Weight weight) {
    return looks.stream().anyMatch(l -> l.sign().weight() == weight);
  }
}
