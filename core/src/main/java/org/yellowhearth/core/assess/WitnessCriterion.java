package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.StatedValue.Origin;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * Whether the drawing, the board legend, the bands and a working twin say the same of a part as its
 * marking. What was fitted later on purpose is no witness of what belongs there.
 */
final class WitnessCriterion {
  /**
   * Values nearer than this are one: old and new preferred values of the same place (50 and 47,
   * 0.05 and 0.047).
   */
  static final double SAME = 0.15;

  private static final String SOURCE = "witnesses";
  private static final Set<Origin> LATER = Set.of(Origin.NEWLY_FITTED);

  private WitnessCriterion() {}

  static List<Finding> judge(Part part, List<StatedValue> said) {
    List<Finding> findings = new ArrayList<>();
    OptionalDouble own = value(part);
    Unit unit = part instanceof Capacitor ? Unit.FARAD : Unit.OHM;
    List<StatedValue> witnesses = said.stream().filter(s -> !LATER.contains(s.origin())).toList();
    if (own.isPresent()) {
      worst(witnesses, own.getAsDouble())
          .ifPresent(w -> findings.add(values(w, own.getAsDouble(), unit)));
    }
    if (part instanceof Capacitor c) {
      witnesses.stream()
          .filter(w -> contradicts(w.polarity(), c.polarity()))
          .findFirst()
          .ifPresent(w ->
              findings.add(
                  new Finding(
                      Criterion.WITNESSES,
                      Outcome.BAD,
                      Optional.empty(),
                      Optional.empty(),
                      SOURCE,
                      Message.of(
                          AssessWords.POLARITY_DISPUTED,
                          w.origin().term(),
                          w.polarity().term(),
                          c.polarity().term()),
                      Optional.empty())));
    }
    return findings;
  }

  private static Optional<StatedValue> worst(List<StatedValue> witnesses, double own) {
    return witnesses.stream()
        .filter(w -> w.value().isPresent())
        .max(Comparator.comparingDouble(w -> Math.abs(Math.log(w.value().getAsDouble() / own))));
  }

  private static Finding values(StatedValue witness, double own, Unit unit) {
    double apart = Math.exp(Math.abs(Math.log(witness.value().getAsDouble() / own))) - 1;
    boolean same = apart <= SAME;
    Quantity told = Quantity.of(witness.value().getAsDouble(), unit);
    return Finding.of(
        Criterion.WITNESSES,
        same ? Outcome.GOOD : Outcome.BAD,
        Quantity.percent(apart),
        Limit.atMost(Quantity.percent(SAME)),
        SOURCE,
        Message.of(
            same ? AssessWords.WITNESSES_AGREE : AssessWords.WITNESSES_DISAGREE,
            witness.origin().term(),
            told,
            Quantity.of(own, unit)),
        Message.of(
            AssessWords.WITNESSES_WORKING, told, Quantity.of(own, unit), Quantity.percent(apart)));
  }

  private static boolean contradicts(Polarity one, Polarity other) {
    return (one == Polarity.POSITIVE_TO_CHASSIS && other == Polarity.NEGATIVE_TO_CHASSIS)
        || (one == Polarity.NEGATIVE_TO_CHASSIS && other == Polarity.POSITIVE_TO_CHASSIS);
  }

  private static OptionalDouble value(Part part) {
    return switch (part) {
      case Capacitor c -> OptionalDouble.of(c.farads());
      case Resistor r -> OptionalDouble.of(r.ohms());
      case Potentiometer p -> OptionalDouble.of(p.ohms());
      default -> OptionalDouble.empty();
    };
  }
}
