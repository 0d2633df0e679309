package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.EsrChart;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.MeterFrequency;
import org.yellowhearth.core.reading.Reading;

/**
 * Dissipation and ESR against the limit at the measuring frequency. The limit set at 100 Hz is
 * carried to another frequency as a constant resistance of the electrolyte and a constant
 * dissipation of the oxide, because one frequency cannot simply be scaled.
 */
final class LossCriterion {
  /** The frequency that limits of dissipation are stated for. */
  static final double STATED_HERTZ = 100;

  private LossCriterion() {}

  /**
   * Limits of dissipation at 100 Hz and the share of them that stays the same at all frequencies.
   */
  private record LossLimit(double dissipation, double oxide, double farads) {
    double electrolyte() {
      return Math.max(0, dissipation - oxide);
    }

    double dissipationAt(double hertz) {
      return electrolyte() * hertz / STATED_HERTZ + Math.min(oxide, dissipation);
    }

    double ohmsAt(double hertz) {
      return dissipationAt(hertz) / (2 * Math.PI * hertz * farads);
    }
  }

  /**
   * The losses of a reading as a share of those at which the part is watched; empty where there is
   * no limit or no reading.
   */
  static OptionalDouble ofWatchLimit(Capacitor part, Limits limits, Derived d) {
    Optional<Limits.DissipationLimit> at100 = limits.dissipationFor(part.ratedVolts());
    if (at100.isEmpty()) {
      return OptionalDouble.empty();
    }
    LossLimit watch =
        new LossLimit(at100.get().watchAbove(), limits.oxideDissipation(), part.farads());
    double hertz = d.hertz().orElse(STATED_HERTZ);
    if (d.esrOhms().isPresent() && d.hertz().isPresent()) {
      return OptionalDouble.of(d.esrOhms().getAsDouble() / watch.ohmsAt(hertz));
    }
    return d.dissipation().isPresent()
        ? OptionalDouble.of(d.dissipation().getAsDouble() / watch.dissipationAt(hertz))
        : OptionalDouble.empty();
  }

  static List<Finding> judge(Case c) {
    Optional<Reading> reading = c.evidence().newestLoss();
    if (c.limits().isEmpty() || reading.isEmpty()) {
      return List.of();
    }
    Limits limits = c.limits().get();
    Derived d = Derived.of(reading.get().figures(), reading.get().conditions());
    Optional<Limits.DissipationLimit> at100 = limits.dissipationFor(c.part().ratedVolts());
    if (at100.isEmpty()) {
      return d.dissipation().stream()
          .mapToObj(x ->
              Finding.open(
                  Criterion.DISSIPATION,
                  Optional.of(Quantity.ratio(x)),
                  limits.cited().dissipation(),
                  Gap.NO_LIMIT))
          .toList();
    }
    Pair pair =
        new Pair(
            new LossLimit(at100.get().watchAbove(), limits.oxideDissipation(), c.part().farads()),
            new LossLimit(at100.get().renewAbove(), limits.oxideDissipation(), c.part().farads()),
            limits.cited().dissipation(),
            c.chart(),
            c.expectedOhms());
    List<Finding> findings = new ArrayList<>();
    boolean alone = reading.get().conditions().connection().alone();
    d.dissipation()
        .ifPresent(x ->
            findings.add(
                alone
                    ? pair.dissipation(x, d.hertz())
                    : Finding.open(
                        Criterion.DISSIPATION,
                        Optional.of(Quantity.ratio(x)),
                        pair.source,
                        Gap.IN_CIRCUIT)));
    boolean read = reading.get().figures().has(Figure.ESR);
    if (read && ShortCriterion.belowASoundOne(c, reading.get())) {
      return findings;
    }
    if (read || (alone && c.kind().lossyByNature())) {
      d.esrOhms().ifPresent(x -> findings.add(pair.esr(x, d.hertz())));
    }
    return findings;
  }

  /**
   * The watch limit and the renew limit of one part, by its dissipation and by the chart of the
   * trade: what exceeds the stricter is watched, what exceeds both is replaced.
   *
   * @param expected what the chart expects at most, in Ω; empty where it says nothing
   */
  private record Pair(
      LossLimit watch, LossLimit renew, String source, EsrChart chart, OptionalDouble expected) {
    /**
     * The limit of D rises with frequency: the lowest usual frequency is the strictest, the highest
     * the kindest.
     */
    Finding dissipation(double measured, OptionalDouble hertz) {
      return judge(
          Criterion.DISSIPATION,
          Quantity.ratio(measured),
          hertz,
          MeterFrequency.USUAL.getFirst(),
          MeterFrequency.USUAL.getLast(),
          watch::dissipationAt,
          renew::dissipationAt);
    }

    /** The limit of ESR falls with frequency: here the highest usual frequency is the strictest. */
    Finding esr(double measured, OptionalDouble hertz) {
      return judge(
          Criterion.ESR,
          Quantity.ohms(measured),
          hertz,
          MeterFrequency.USUAL.getLast(),
          MeterFrequency.USUAL.getFirst(),
          hz -> charted(hz) ? Math.min(watch.ohmsAt(hz), ohms()) : watch.ohmsAt(hz),
          hz -> charted(hz) ? Math.max(renew.ohmsAt(hz), ohms()) : renew.ohmsAt(hz));
    }

    private boolean charted(double hertz) {
      return expected.isPresent() && hertz >= chart.leastHertz();
    }

    private double ohms() {
      return expected.orElseThrow();
    }

    private Finding judge(
        Criterion criterion,
        Quantity measured,
        OptionalDouble hertz,
        double strictest,
        double kindest,
        DoubleUnaryOperator watchAt,
        DoubleUnaryOperator renewAt) {
      double strict = hertz.orElse(strictest);
      double kind = hertz.orElse(kindest);
      boolean doubtful = !Edge.atMost(measured.value(), watchAt.applyAsDouble(strict));
      boolean bad = !Edge.atMost(measured.value(), renewAt.applyAsDouble(kind));
      if (hertz.isEmpty() && doubtful && !bad) {
        return Finding.open(criterion, Optional.of(measured), source, Gap.FREQUENCY_MISSING);
      }
      LossLimit held = bad ? renew : watch;
      Quantity at = Quantity.hertz(bad ? kind : strict);
      double most = (bad ? renewAt : watchAt).applyAsDouble(at.value());
      Quantity limit = Quantity.of(most, measured.unit());
      Outcome outcome = bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD;
      boolean esr = criterion == Criterion.ESR;
      AssessWords words =
          outcome == Outcome.GOOD
              ? esr ? AssessWords.ESR_GOOD : AssessWords.DISSIPATION_GOOD
              : esr ? AssessWords.ESR_HIGH : AssessWords.DISSIPATION_HIGH;
      boolean byChart = esr && charted(at.value()) && most == ohms();
      Message working =
          byChart
              ? Message.of(AssessWords.ESR_CHART_WORKING, Quantity.farads(held.farads), limit)
              : esr
                  ? working(held, at, limit, AssessWords.ESR_WORKING, AssessWords.ESR_WORKING_AT)
                  : working(
                      held,
                      at,
                      limit,
                      AssessWords.DISSIPATION_WORKING,
                      AssessWords.DISSIPATION_WORKING_AT);
      return Finding.of(
          criterion,
          outcome,
          measured,
          Limit.atMost(limit),
          byChart ? chart.source() : source,
          Message.of(words, measured, at),
          working);
    }

    private static Message working(
        LossLimit held, Quantity at, Quantity limit, MessageKey atStated, MessageKey elsewhere) {
      Quantity farads = Quantity.farads(held.farads);
      boolean plain = at.value() == STATED_HERTZ || held.electrolyte() == 0;
      return plain
          ? Message.of(atStated, Quantity.ratio(held.dissipation), at, farads, limit)
          : Message.of(
              elsewhere,
              Quantity.ratio(held.electrolyte()),
              Quantity.ratio(Math.min(held.oxide, held.dissipation)),
              farads,
              at,
              limit);
    }
  }
}
