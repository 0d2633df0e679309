package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.MeterFrequency;
import org.yellowhearth.core.reading.Reading;

/**
 * Dissipation and ESR against the limit at the measuring frequency. The limit set at 100 Hz is carried to another frequency as a
 * constant resistance of the electrolyte and a constant dissipation of the oxide, because one frequency cannot simply be scaled.
 */
final class LossCriterion {
    /** The frequency that limits of dissipation are stated for. */
    static final double STATED_HERTZ = 100;

    private LossCriterion() {
    }

    /** Limits of dissipation at 100 Hz and the share of them that stays the same at all frequencies. */
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

    static List<Finding> judge(Case c) {
        Optional<Reading> reading = c.evidence().newestLoss();
        if (c.limits().isEmpty() || reading.isEmpty()) {
            return List.of();
        }
        Limits limits = c.limits().get();
        Derived d = Derived.of(reading.get().figures(), reading.get().conditions());
        Optional<Limits.DissipationLimit> at100 = limits.dissipationFor(c.part().ratedVolts());
        if (at100.isEmpty()) {
            return d.dissipation().stream().mapToObj(x -> Finding.open(Criterion.DISSIPATION, Optional.of(Quantity.ratio(x)),
                    limits.cited().dissipation(), Message.of(AssessWords.NO_LIMIT))).toList();
        }
        Pair pair = new Pair(new LossLimit(at100.get().watchAbove(), limits.oxideDissipation(), c.part().farads()),
                new LossLimit(at100.get().renewAbove(), limits.oxideDissipation(), c.part().farads()),
                limits.cited().dissipation());
        List<Finding> findings = new ArrayList<>();
        boolean alone = reading.get().conditions().connection().alone();
        d.dissipation().ifPresent(x -> findings.add(alone
                ? pair.dissipation(x, d.hertz())
                : Finding.open(Criterion.DISSIPATION, Optional.of(Quantity.ratio(x)), pair.source,
                        Message.of(AssessWords.IN_CIRCUIT))));
        boolean read = reading.get().figures().has(Figure.ESR);
        if (read || (alone && c.kind().lossyByNature())) {
            d.esrOhms().ifPresent(x -> findings.add(pair.esr(x, d.hertz())));
        }
        return findings;
    }

    /** The watch limit and the renew limit of one part. */
    private record Pair(LossLimit watch, LossLimit renew, String source) {
        Finding dissipation(double measured, OptionalDouble hertz) {
            Quantity shown = Quantity.ratio(measured);
            // The limit rises with frequency, so the lowest usual frequency is the strictest and the highest the kindest.
            double strict = hertz.orElse(MeterFrequency.USUAL.getFirst());
            double kind = hertz.orElse(MeterFrequency.USUAL.getLast());
            if (hertz.isEmpty() && measured > watch.dissipationAt(strict) && measured <= renew.dissipationAt(kind)) {
                return Finding.open(Criterion.DISSIPATION, Optional.of(shown), source, Message.of(AssessWords.FREQUENCY_MISSING));
            }
            boolean bad = measured > renew.dissipationAt(kind);
            boolean doubtful = measured > watch.dissipationAt(strict);
            LossLimit held = bad ? renew : watch;
            Quantity at = Quantity.hertz(bad ? kind : strict);
            Quantity limit = Quantity.ratio(held.dissipationAt(at.value()));
            return finding(Criterion.DISSIPATION, bad, doubtful, shown, limit, at,
                    working(held, at, limit, AssessWords.DISSIPATION_WORKING, AssessWords.DISSIPATION_WORKING_AT));
        }

        Finding esr(double measured, OptionalDouble hertz) {
            Quantity shown = Quantity.ohms(measured);
            // Here the limit falls with frequency: the highest usual frequency is the strictest.
            double strict = hertz.orElse(MeterFrequency.USUAL.getLast());
            double kind = hertz.orElse(MeterFrequency.USUAL.getFirst());
            if (hertz.isEmpty() && measured > watch.ohmsAt(strict) && measured <= renew.ohmsAt(kind)) {
                return Finding.open(Criterion.ESR, Optional.of(shown), source, Message.of(AssessWords.FREQUENCY_MISSING));
            }
            boolean bad = measured > renew.ohmsAt(kind);
            boolean doubtful = measured > watch.ohmsAt(strict);
            LossLimit held = bad ? renew : watch;
            Quantity at = Quantity.hertz(bad ? kind : strict);
            Quantity limit = Quantity.ohms(held.ohmsAt(at.value()));
            return finding(Criterion.ESR, bad, doubtful, shown, limit, at,
                    working(held, at, limit, AssessWords.ESR_WORKING, AssessWords.ESR_WORKING_AT));
        }

        private Finding finding(Criterion criterion, boolean bad, boolean doubtful, Quantity measured, Quantity limit,
                Quantity at,
                Message working) {
            Outcome outcome = bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD;
            boolean good = outcome == Outcome.GOOD;
            AssessWords words = criterion == Criterion.ESR
                    ? good ? AssessWords.ESR_GOOD : AssessWords.ESR_HIGH
                    : good ? AssessWords.DISSIPATION_GOOD : AssessWords.DISSIPATION_HIGH;
            return Finding.of(criterion, outcome, measured, Limit.atMost(limit), source, Message.of(words, measured, at),
                    working);
        }

        private static Message working(LossLimit held, Quantity at, Quantity limit, MessageKey atStated, MessageKey elsewhere) {
            Quantity farads = Quantity.farads(held.farads);
            return at.value() == STATED_HERTZ
                    ? Message.of(atStated, Quantity.ratio(held.dissipation), farads, limit)
                    : Message.of(elsewhere, Quantity.ratio(held.electrolyte()),
                            Quantity.ratio(Math.min(held.oxide, held.dissipation)),
                            farads, at, limit);
        }
    }
}
