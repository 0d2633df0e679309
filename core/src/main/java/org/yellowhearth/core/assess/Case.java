package org.yellowhearth.core.assess;

import java.util.Optional;
import java.util.OptionalDouble;

import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.part.Capacitor;

/** One part before the bench: all that its verdict may depend on. */
record Case(Capacitor part, CapacitorKind kind, Evidence evidence, Policy policy, boolean museum, OptionalDouble ageYears) {
    /** The limits of the job's profile; empty for a part whose kind is not stated. */
    Optional<Limits> limits() {
        return Optional.ofNullable(kind.limits().get(policy.limits().limits()));
    }
}
