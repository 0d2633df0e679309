package org.yellowhearth.core.assess;

import java.time.Month;
import java.time.Year;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.DateCode;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.reading.Reading;

/** Judges capacitors: every criterion gives its finding, then the job's policy turns findings into a verdict. */
public final class Assessor {
    private final Knowledge knowledge;

    public Assessor(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /** The verdict on one part of a job, from the readings that count. */
    public Assessment assess(Job job, Capacitor part, Year today) {
        return assess(job, part, job.readingsOf(part.ref()), today);
    }

    /** The verdict on every part of a job, in the order of the census. */
    public List<Assessment> assessAll(Job job, Year today) {
        return job.census().stream().map(part -> assess(job, part, today)).toList();
    }

    /** The verdict as it would be with one more reading, which is not kept. */
    public Assessment assessWith(Job job, Capacitor part, Reading another, Year today) {
        List<Reading> readings = new ArrayList<>(job.readingsOf(part.ref()));
        readings.add(another);
        return assess(job, part, readings, today);
    }

    private Assessment assess(Job job, Capacitor part, List<Reading> readings, Year today) {
        Case c = new Case(part, knowledge.kind(part.kind()), new Evidence(readings), job.policy(),
                job.plate().purpose() == SetPlate.Purpose.MUSEUM, age(job, part, today));
        List<Finding> findings = new ArrayList<>(AgreementCriterion.judge(c));
        findings.addAll(KeptCriterion.judge(c));
        findings.addAll(LossCriterion.judge(c));
        findings.addAll(LeakageCriterion.judge(c));
        findings.addAll(InsulationCriterion.judge(c));
        findings.addAll(PositionCriterion.judge(c));
        VerdictRules.Decision decision = VerdictRules.decide(c, findings);
        return new Assessment(part, findings, decision.verdict(), decision.because(), decision.next(),
                !readings.isEmpty());
    }

    /** The age of a part by its own date where one is settled, else that of its set. */
    private static OptionalDouble age(Job job, Capacitor part, Year today) {
        return Ages.dating(job, part, today.atMonth(Month.DECEMBER).atEndOfMonth())
                .filter(d -> d.settled() != DateCode.Settled.OPEN)
                .map(d -> OptionalDouble.of(Math.max(0, today.getValue() - d.best().year()))).orElse(job.plate().age(today));
    }
}
