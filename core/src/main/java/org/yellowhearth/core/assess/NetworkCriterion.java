package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.circuit.Impedance;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.reading.Reading;

/**
 * A capacitor that was read where it sits, in a network that is described: what lies around it is
 * taken off, 1/Z = 1/Z_read − 1/Z_around, and what is left is judged like any reading. It counts
 * only where the outcome is the same whether the surroundings are as described or off by a quarter
 * either way; where they carry most of what the meter saw, nothing is judged.
 */
final class NetworkCriterion {
  private static final double[] SURROUNDINGS = {1, 0.75, 1.25};

  /** The share of the admittance read that may be the surroundings'. */
  private static final double MOST_SHARE = 0.7;

  private static final double LEAST_OHMS = 1e-3;

  private NetworkCriterion() {}

  /**
   * The findings on capacitance and losses in place of those of a reading in circuit; none where it
   * does not apply.
   */
  static Optional<List<Finding>> judge(Case c, Surroundings surroundings) {
    Optional<Reading> read =
        c.evidence().newest(Figure.CAPACITANCE).filter(r -> !r.conditions().connection().alone());
    if (read.isEmpty() || c.limits().isEmpty()) {
      return Optional.empty();
    }
    Derived d = Derived.of(read.get().figures(), read.get().conditions());
    if (d.hertz().isEmpty() || d.esrOhms().isEmpty() || d.seriesFarads().isEmpty()) {
      return Optional.empty();
    }
    double hertz = d.hertz().getAsDouble();
    return surroundings
        .around(c.part().ref(), hertz)
        .map(around -> judge(c, read.get(), d, around));
  }

  private static List<Finding> judge(Case c, Reading read, Derived d, Impedance around) {
    double omega = 2 * Math.PI * d.hertz().getAsDouble();
    Impedance shown =
        new Impedance(d.esrOhms().getAsDouble(), -1 / (omega * d.seriesFarads().getAsDouble()));
    boolean hidden = shown.magnitude() / around.magnitude() > MOST_SHARE;
    List<List<Finding>> cases = new ArrayList<>();
    Impedance own = shown.without(around, 1);
    for (double share : SURROUNDINGS) {
      Impedance left = shown.without(around, share);
      hidden |= left.reactance() >= 0 || left.ohms() < -0.1 * left.magnitude();
      if (!hidden) {
        cases.add(alone(c, read, left, d.hertz().getAsDouble()));
      }
    }
    if (hidden) {
      return List.of(
          Finding.open(
              Criterion.CAPACITANCE_KEPT,
              Optional.of(Quantity.percent(d.seriesFarads().getAsDouble() / c.part().farads())),
              c.limits().orElseThrow().cited().kept(),
              Gap.NETWORK_HIDES,
              Quantity.ohms(around.magnitude())));
    }
    Message working =
        Message.of(
            AssessWords.NETWORK_WORKING,
            Quantity.ohms(shown.magnitude()),
            Quantity.ohms(around.magnitude()),
            Quantity.farads(-1 / (omega * own.reactance())),
            Quantity.ohms(Math.max(LEAST_OHMS, own.ohms())));
    return cases.getFirst().stream()
        .map(f -> {
          boolean same =
              cases.stream()
                  .allMatch(other ->
                      other.stream()
                          .filter(o -> o.criterion() == f.criterion())
                          .allMatch(o -> o.outcome() == f.outcome()));
          Finding shownAlone =
              new Finding(
                  f.criterion(),
                  same ? f.outcome() : Outcome.OPEN,
                  f.measured(),
                  f.limit(),
                  f.source(),
                  f.words(),
                  Optional.of(working));
          return same ? shownAlone : shownAlone.left(Gap.NETWORK_UNSURE);
        })
        .toList();
  }

  /** The findings on what is left, as if it had been read alone. */
  private static List<Finding> alone(Case c, Reading read, Impedance own, double hertz) {
    Reading left =
        new Reading(
            read.id(),
            read.part(),
            read.at(),
            new Figures(
                Map.of(
                    Figure.CAPACITANCE,
                    -1 / (2 * Math.PI * hertz * own.reactance()),
                    Figure.ESR,
                    Math.max(LEAST_OHMS, own.ohms()))),
            Conditions.of(s -> {
              s.frequencyHertz = OptionalDouble.of(hertz);
              s.mode = Mode.SERIES;
            }),
            read.typed());
    Case one = c.with(new Evidence(List.of(left), c.evidence().powerUps(), c.evidence().years()));
    List<Finding> findings = new ArrayList<>(KeptCriterion.judge(one));
    findings.addAll(LossCriterion.judge(one));
    return findings;
  }
}
