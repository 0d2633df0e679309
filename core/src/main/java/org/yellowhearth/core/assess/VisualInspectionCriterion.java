package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;

/** What is seen of a part, or known of its past: some signs condemn it however it measures. */
final class VisualInspectionCriterion {
  private static final String SOURCE = "look";

  private VisualInspectionCriterion() {}

  static List<Finding> judge(List<VisualInspection> looks) {
    List<Finding> findings = new ArrayList<>();
    boolean tested =
        looks.stream()
            .anyMatch(l ->
                l.sign() == VisualInspection.Sign.RESIDUE_IS_GLUE
                    || l.sign() == VisualInspection.Sign.RESIDUE_IS_ELECTROLYTE);
    for (VisualInspection look : looks) {
      Optional<Outcome> outcome =
          switch (look.sign().weight()) {
            case CONDEMNS -> Optional.of(Outcome.BAD);
            case DOUBTS -> Optional.of(Outcome.DOUBTFUL);
            case ASKS -> tested ? Optional.empty() : Optional.of(Outcome.OPEN);
            case HARMLESS -> Optional.empty();
          };
      outcome.ifPresent(o ->
          findings.add(
              new Finding(
                  Criterion.LOOK,
                  o,
                  Optional.empty(),
                  Optional.empty(),
                  SOURCE,
                  Message.of(words(o), look.sign().term()),
                  Optional.empty())));
    }
    return findings;
  }

  private static MessageKey words(Outcome outcome) {
    return switch (outcome) {
      case BAD -> AssessWords.LOOK_CONDEMNS;
      case OPEN -> AssessWords.LOOK_ASKS;
      case DOUBTFUL, GOOD -> AssessWords.LOOK_DOUBTS;
    };
  }
}
