package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Resistor;

/**
 * What may be believed of an ESR that was read in circuit. What lies in parallel can only make it
 * look better: a high one is high, a low one may be the neighbour's.
 */
final class InCircuit {
  /** A neighbour with less than this share of the capacitance cannot hide a bad ESR. */
  private static final double COUNTS = 0.1;

  /** A resistor beside it must be this many times the ESR to leave the reading alone. */
  private static final double WELL_ABOVE = 10;

  private InCircuit() {}

  /** The findings on losses, with those that a neighbour may have made good left open. */
  static List<Finding> guarded(List<Finding> losses, Case c, List<Part> beside) {
    boolean alone =
        c.evidence().newestLoss().filter(r -> !r.conditions().connection().alone()).isEmpty();
    if (alone || beside.isEmpty()) {
      return losses;
    }
    return losses.stream()
        .map(f ->
            f.criterion() == Criterion.ESR && f.outcome() == Outcome.GOOD
                ? hiding(c.part(), f, beside)
                    .map(p ->
                        Finding.open(
                            Criterion.ESR,
                            f.measured(),
                            f.source(),
                            Gap.NEIGHBOUR,
                            p.ref().toString()))
                    .orElse(f)
                : f)
        .toList();
  }

  private static Optional<Part> hiding(Capacitor part, Finding esr, List<Part> beside) {
    double ohms = esr.measured().orElseThrow().value();
    return beside.stream()
        .filter(p ->
            switch (p) {
              case Capacitor c -> c.farads() >= COUNTS * part.farads();
              case Resistor r -> r.ohms() < WELL_ABOVE * ohms;
              default -> false;
            })
        .findFirst();
  }
}
