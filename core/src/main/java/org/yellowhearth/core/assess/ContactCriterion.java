package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.Repeats;

/**
 * Whether the newest reading can be believed: repeats that scatter, clips that did not hold, a
 * figure that never settled.
 */
final class ContactCriterion {
  /**
   * Repeats that scatter more than this share of their median to either side are no reading (common
   * practice).
   */
  static final double MOST_SPREAD = 0.1;

  private static final String SOURCE = "contact";

  private ContactCriterion() {}

  static List<Finding> judge(Evidence evidence) {
    return evidence.isEmpty() ? List.of() : judge(evidence.readings().getLast());
  }

  static List<Finding> judge(Reading newest) {
    List<Finding> findings = new ArrayList<>();
    newest
        .figures()
        .repeats()
        .forEach((figure, all) -> {
          Repeats repeats = Repeats.of(all);
          boolean bad = repeats.spread() > MOST_SPREAD;
          Message words =
              repeats.outliers().isEmpty()
                  ? Message.of(
                      bad ? AssessWords.REPEATS_SCATTER : AssessWords.REPEATS_GOOD,
                      figure.term(),
                      Quantity.percent(repeats.spread()))
                  : Message.of(
                      AssessWords.REPEATS_OUTLIER,
                      figure.term(),
                      figure.quantity(repeats.outliers().getFirst()),
                      figure.quantity(repeats.median()));
          findings.add(
              Finding.of(
                  Criterion.CONTACT,
                  bad ? Outcome.BAD : Outcome.GOOD,
                  Quantity.percent(repeats.spread()),
                  Limit.atMost(Quantity.percent(MOST_SPREAD)),
                  SOURCE,
                  words,
                  Message.of(
                      AssessWords.REPEATS_WORKING,
                      Integer.toString(all.size()),
                      figure.quantity(repeats.median()))));
        });
    if (newest.conditions().contact() == Contact.SHAKY
        || newest.figures().qualifiers().contains(Qualifier.BOUNCING)) {
      findings.add(
          new Finding(
              Criterion.CONTACT,
              Outcome.BAD,
              Optional.empty(),
              Optional.empty(),
              SOURCE,
              Message.of(AssessWords.CONTACT_SHAKY),
              Optional.empty()));
    }
    return findings;
  }
}
