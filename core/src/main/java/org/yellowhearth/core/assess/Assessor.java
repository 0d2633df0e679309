package org.yellowhearth.core.assess;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.Look;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.reading.Reading;

/** Judges parts: every criterion gives its finding, then the job's policy turns findings into a verdict. */
public final class Assessor {
    private final Knowledge knowledge;
    private final Function<Job, Surroundings> surroundings;

    /** One who knows nothing of what lies around a part but what is stated beside it. */
    public Assessor(Knowledge knowledge) {
        this(knowledge, _ -> Surroundings.UNKNOWN);
    }

    /** One who knows the surroundings of the parts of a job. */
    public Assessor(Knowledge knowledge, Function<Job, Surroundings> surroundings) {
        this.knowledge = knowledge;
        this.surroundings = surroundings;
    }

    /** The verdict on one part of a job, from the readings that count, its can and batch asked. */
    public Assessment assess(Job job, Part part, LocalDate today) {
        return assessWith(job, part, Optional.empty(), today);
    }

    /** The verdict as it would be with one more reading, which is not kept. */
    public Assessment assessWith(Job job, Part part, Reading another, LocalDate today) {
        return assessWith(job, part, Optional.of(another), today);
    }

    private Assessment assessWith(Job job, Part part, Optional<Reading> another, LocalDate today) {
        Bench bench = new Bench(job, today, Map.of());
        List<Reading> readings = new ArrayList<>(job.readingsOf(part.ref()));
        another.ifPresent(readings::add);
        Assessment alone = bench.judged(part, readings);
        List<Assessment> can = new ArrayList<>();
        if (part instanceof Capacitor c && c.section()) {
            job.capacitors().stream().filter(o -> o.ref().whole().equals(c.ref().whole()) && !o.equals(c))
                    .forEach(o -> can.add(bench.judged(o, job.readingsOf(o.ref()))));
        }
        can.add(alone);
        return bench.decided(Together.cans(can).getLast());
    }

    /** The verdict on every part of a job, in the order of the census. */
    public List<Assessment> assessAll(Job job, LocalDate today) {
        Bench first = new Bench(job, today, Map.of());
        List<Assessment> alone = job.census().stream().map(p -> first.judged(p, job.readingsOf(p.ref()))).toList();
        Bench bench = new Bench(job, today, RiskRules.counts(alone));
        return Together.cans(alone).stream().map(bench::decided).toList();
    }

    /** One job on the bench on one day. */
    private final class Bench {
        private final Job job;
        private final LocalDate today;
        private final Instant now;
        private final RiskRules risks;
        private final OwnLimits limits;
        private final List<Capacitor> burst;
        private final Map<PartRef, List<Part>> beside = new HashMap<>();
        private final Surroundings around;

        Bench(Job job, LocalDate today, Map<String, RiskRules.Count> counts) {
            this.job = job;
            this.today = today;
            this.now = today.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant();
            this.risks = new RiskRules(knowledge, counts);
            this.limits = new OwnLimits(job);
            this.around = surroundings.apply(job);
            this.burst = job.items(Look.class).stream().filter(l -> l.sign() == Look.Sign.BURST)
                    .flatMap(l -> job.capacitor(l.part()).stream()).toList();
            for (Parallel p : job.items(Parallel.class)) {
                job.part(p.with()).ifPresent(other -> beside.computeIfAbsent(p.part(), _ -> new ArrayList<>()).add(other));
                job.part(p.part()).ifPresent(other -> beside.computeIfAbsent(p.with(), _ -> new ArrayList<>()).add(other));
            }
        }

        Assessment judged(Part part, List<Reading> readings) {
            Evidence evidence = Evidence.of(readings, job, now);
            List<Look> looks = job.of(part.ref(), Look.class);
            List<Part> with = beside.getOrDefault(part.ref(), List.of());
            List<Finding> findings = new ArrayList<>(LookCriterion.judge(looks));
            VerdictRules.Decision decision;
            if (part instanceof Capacitor c) {
                CapacitorKind kind = knowledge.kind(c.kind());
                Case one = new Case(c, kind, knowledge.role(c.role()), evidence, job.policy(),
                        job.plate().purpose() == SetPlate.Purpose.MUSEUM,
                        Ages.years(job, part, today), limits.of(kind, job.policy().limits().limits()), looks,
                        Together.burstSibling(c, burst, job));
                findings.addAll(AgreementCriterion.judge(one));
                findings.addAll(ContactCriterion.judge(evidence));
                findings.addAll(ShortCriterion.judge(evidence));
                findings.addAll(NetworkCriterion.judge(one, around).orElseGet(() -> Stream
                        .concat(KeptCriterion.judge(one).stream(),
                                InCircuit.guarded(LossCriterion.judge(one), one, with).stream())
                        .toList()));
                findings.addAll(LeakageCriterion.judge(one));
                findings.addAll(InsulationCriterion.judge(one));
                findings.addAll(GridCriterion.judge(one, job.of(part.ref(), GridCircuit.class)));
                findings.addAll(PositionCriterion.judge(one));
                findings.addAll(HiddenPathCriterion.suspect(job, with));
                findings.addAll(WitnessCriterion.judge(part, job.of(part.ref(), StatedValue.class)));
                decision = VerdictRules.decide(one, findings);
            } else {
                findings.addAll(ContactCriterion.judge(evidence));
                findings.addAll(new PartCriterion(part, evidence, knowledge).judge());
                if (part instanceof Resistor r) {
                    findings.addAll(HiddenPathCriterion.judge(r, evidence, job, with));
                    findings.addAll(Together.pair(r, job));
                }
                findings.addAll(WitnessCriterion.judge(part, job.of(part.ref(), StatedValue.class)));
                decision = PartVerdict.decide(part, findings, evidence, job.policy());
            }
            return new Assessment(part, findings, decision.verdict(), decision.because(), decision.next(), !readings.isEmpty(),
                    Optional.empty(), Risk.UNKNOWN);
        }

        /** The same with its risk, the fate of its like in the set in it. */
        private Assessment risked(Assessment a) {
            return a.withRisk(risks.of(a.part(), job, a.findings(), a.measured(), Ages.years(job, a.part(), today)));
        }

        /** What a person decided stands before what the rules say. */
        Assessment decided(Assessment a) {
            Assessment warm = VerdictRules.warm(risked(a), job.of(a.part().ref(), Place.class), job.policy());
            return job.of(a.part().ref(), Overrule.class).stream().findFirst()
                    .map(o -> warm.overruled(o.verdict(), Message.of(AssessWords.BECAUSE_OVERRULED, o.reason()))).orElse(warm);
        }
    }
}
