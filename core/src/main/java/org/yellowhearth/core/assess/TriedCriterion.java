package org.yellowhearth.core.assess;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.reading.Reading;

/**
 * What was tried at a part under power: a good capacitor clipped across it cured the fault, or a
 * rail was no short any more once its leg was lifted. A reading of it alone that was taken later
 * says more.
 */
final class TriedCriterion {
  private static final String SOURCE = "bench-signs";

  private TriedCriterion() {}

  /**
   * What that says of a part.
   *
   * @param tried the signs at this part
   * @param family what sort of capacitor it is; empty for other parts
   */
  static List<Finding> judge(
      List<SupplySign> tried, List<Reading> readings, Optional<Family> family) {
    Instant alone =
        readings.stream()
            .filter(r -> r.conditions().connection().alone())
            .map(Reading::at)
            .max(Instant::compareTo)
            .orElse(Instant.MIN);
    return tried.stream()
        .filter(s -> s.at().isAfter(alone))
        .flatMap(s ->
            switch (s.sign()) {
              case SupplySign.BRIDGE_CURED ->
                  family
                      .map(f ->
                          bad(
                              AssessWords.BRIDGE_CURED,
                              f == Family.ELECTROLYTIC ? State.WORN : State.OPEN))
                      .stream();
              case SupplySign.LIFTED_SHORT_GONE ->
                  Optional.of(bad(AssessWords.LIFTED_CLEARED, State.SHORT)).stream();
              default -> Optional.<Finding>empty().stream();
            })
        .toList();
  }

  private static Finding bad(AssessWords words, State state) {
    return new Finding(
            Criterion.SHORT_OR_OPEN,
            Outcome.BAD,
            Optional.empty(),
            Optional.empty(),
            SOURCE,
            Message.of(words),
            Optional.empty())
        .of(state);
  }
}
