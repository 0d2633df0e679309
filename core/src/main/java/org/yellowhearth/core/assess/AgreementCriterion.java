package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Agreement;

/** Whether the newest reading of losses agrees with itself. */
public final class AgreementCriterion {
  static final String SOURCE = "series-identity";

  private AgreementCriterion() {}

  static List<Finding> judge(Case c) {
    return c
        .evidence()
        .newestLoss()
        .flatMap(r -> finding(Agreement.of(r.figures(), r.conditions())))
        .stream()
        .toList();
  }

  /** What an agreement or contradiction says; empty where there is nothing to compare. */
  public static Optional<Finding> finding(Agreement agreement) {
    return switch (agreement) {
      case Agreement.NotComparable _ -> Optional.empty();
      case Agreement.Agrees a ->
          Optional.of(
              of(
                  Outcome.GOOD,
                  a.compared(),
                  a.computedOhms(),
                  a.allowanceOhms(),
                  a.hertz(),
                  Message.of(
                      a.frequencyStated() ? AssessWords.AGREES : AssessWords.AGREES_AT,
                      difference(a.compared(), a.computedOhms()),
                      Quantity.hertz(a.hertz()))));
      case Agreement.Contradicts x ->
          Optional.of(
              of(
                  Outcome.BAD,
                  x.compared(),
                  x.computedOhms(),
                  x.allowanceOhms(),
                  x.hertz(),
                  Message.of(
                      AssessWords.CONTRADICTS,
                      Quantity.ohms(x.computedOhms()),
                      Quantity.ohms(x.compared().esrOhms()),
                      suspicion(x))));
    };
  }

  private static Quantity difference(Agreement.Compared read, double computedOhms) {
    return Quantity.percent(Math.abs(read.esrOhms() - computedOhms) / computedOhms);
  }

  private static Finding of(
      Outcome outcome,
      Agreement.Compared read,
      double computedOhms,
      double allowanceOhms,
      double hertz,
      Message words) {
    return Finding.of(
        Criterion.AGREEMENT,
        outcome,
        Quantity.ohms(Math.abs(read.esrOhms() - computedOhms)),
        Limit.atMost(Quantity.ohms(allowanceOhms)),
        SOURCE,
        words,
        Message.of(
            AssessWords.AGREEMENT_WORKING,
            Quantity.ratio(read.dissipation()),
            Quantity.hertz(hertz),
            Quantity.farads(read.farads()),
            Quantity.ohms(computedOhms),
            Quantity.ohms(read.esrOhms())));
  }

  private static Argument suspicion(Agreement.Contradicts x) {
    Quantity value =
        switch (x.suspicion()) {
          case PARALLEL_MODE -> Quantity.farads(x.value());
          case OTHER_FREQUENCY, NO_USUAL_FREQUENCY -> Quantity.hertz(x.value());
          case QUALITY_FOR_DISSIPATION -> Quantity.ratio(x.value());
          case SLIP_OF_THOUSAND, LEADS, BAD_CONTACT, PARALLEL_PATH, UNCLEAR ->
              Quantity.ohms(Math.abs(x.value()));
        };
    return new Argument.Phrase(Message.of(SuspicionWords.valueOf(x.suspicion().name()), value));
  }

  /** One sentence for each suspicion. */
  public enum SuspicionWords implements MessageKey {
    PARALLEL_MODE,
    OTHER_FREQUENCY,
    NO_USUAL_FREQUENCY,
    QUALITY_FOR_DISSIPATION,
    SLIP_OF_THOUSAND,
    LEADS,
    BAD_CONTACT,
    PARALLEL_PATH,
    UNCLEAR
  }
}
