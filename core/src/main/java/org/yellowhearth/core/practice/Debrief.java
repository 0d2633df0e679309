package org.yellowhearth.core.practice;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Reading;

/**
 * What came of an exercise: every part against the truth, readings that told nothing, risks, time, and the shortest way to the same end. It is
 * worked out from the journal by the rules of the real work.
 *
 * @param score 0 to 100
 * @param minutes that the readings took
 * @param readings how many were taken
 * @param enough how many would have done: the first telling reading of each part that was worth one, the likeliest first
 */
public record Debrief(int score, List<Line> lines, List<Message> remarks, int minutes, int readings, int enough, boolean ended) {
    private static final int WHOLE = 100;
    private static final int MISSED_COSTS = 25;
    private static final int NEEDLESS_COSTS = 8;
    private static final int UNDECIDED_COSTS = 5;
    private static final int FAULT_UNDECIDED_COSTS = 15;
    private static final int RISK_COSTS = 15;
    private static final int HINT_COSTS = 6;
    private static final int NOTHING_COSTS = 2;
    private static final int OVER_TIME_COSTS = 5;

    /** How a verdict stands to the truth. */
    public enum Mark implements Coded {
        RIGHT, MISSED, NEEDLESS, UNDECIDED,
        /** A sound part that a school renews on sight: right by the policy. */
        BY_SCHOOL
    }

    /** One part. */
    public record Line(PartRef part, Ailment truth, Verdict verdict, Mark mark) {
    }

    /**
     * The debrief of a job that began as an exercise.
     *
     * @param end what ended it before it was handed in: a charged rail touched, or a set wrecked by power
     * @param hints how many were taken
     */
    public static Debrief of(Exercise exercise, Job job, Assessor assessor, LocalDate today, Optional<Message> end,
            int hints) {
        List<Line> lines = new ArrayList<>();
        for (Assessment a : assessor.assessAll(job, today)) {
            Truth truth = exercise.truth(a.part().ref());
            if (truth != null) {
                lines.add(new Line(truth.part(), truth.ailment(), a.verdict(), mark(truth, a)));
            }
        }
        List<Message> remarks = new ArrayList<>();
        int score = WHOLE;
        score -= MISSED_COSTS * count(lines, Mark.MISSED) + NEEDLESS_COSTS * count(lines, Mark.NEEDLESS)
                + lines.stream().filter(l -> l.mark == Mark.UNDECIDED).mapToInt(Debrief::undecided).sum();
        List<Reading> readings = job.readings();
        Set<Reading> telling = telling(job, assessor, today);
        List<Reading> nothing = readings.stream().filter(r -> !telling.contains(r)).toList();
        if (!nothing.isEmpty()) {
            remarks.add(Message.of(PracticeWords.TOLD_NOTHING, Integer.toString(nothing.size()),
                    String.join(", ", nothing.stream().map(r -> r.part().toString()).distinct().toList())));
        }
        score -= NOTHING_COSTS * nothing.size();
        long risks = job.events().stream().filter(h -> h.event() instanceof Edit.Answered a && risky(a, exercise, job, h.at()))
                .count();
        if (risks > 0) {
            remarks.add(Message.of(PracticeWords.RISK, Long.toString(risks)));
        }
        score -= RISK_COSTS * (int) risks + HINT_COSTS * hints;
        if (hints > 0) {
            remarks.add(Message.of(PracticeWords.HINTS, Integer.toString(hints)));
        }
        int minutes = minutes(job);
        if (minutes > exercise.minutes()) {
            remarks.add(Message.of(PracticeWords.OVER_TIME, Integer.toString(minutes), Integer.toString(exercise.minutes())));
            score -= OVER_TIME_COSTS;
        }
        end.ifPresent(remarks::add);
        if (end.isEmpty() && job.power().filter(Edit.Power.LIT::equals).isPresent()) {
            remarks.add(Message.of(PracticeWords.PLAYS));
        }
        if (end.isEmpty() && exercise.charged() > 0 && risks == 0) {
            remarks.add(Message.of(PracticeWords.SAFE, Quantity.volts(exercise.charged())));
        }
        List<PartRef> order = order(exercise, assessor, job, today);
        remarks.add(Message.of(PracticeWords.ORDER, String.join(", ", order.stream().map(PartRef::toString).toList())));
        int enough = (int) telling.stream().map(Reading::part).distinct().count();
        return new Debrief(end.isPresent() ? 0 : Math.max(0, score), lines, remarks, minutes, readings.size(), enough,
                end.isPresent());
    }

    /** Who says that he saw less than a volt, and that is so, took no risk. */
    private static boolean risky(Edit.Answered answered, Exercise exercise, Job job, Instant at) {
        return answered.question() != Edit.Question.READ_WHILE_BANKED
                || PracticeRail.volts(exercise, job, at) > PracticeRail.EMPTY;
    }

    private static int undecided(Line line) {
        return line.truth == Ailment.SOUND ? UNDECIDED_COSTS : FAULT_UNDECIDED_COSTS;
    }

    private static int count(List<Line> lines, Mark mark) {
        return (int) lines.stream().filter(l -> l.mark == mark).count();
    }

    private static Mark mark(Truth truth, Assessment a) {
        if (truth.ailment().right(a.verdict())) {
            return Mark.RIGHT;
        }
        if (a.verdict() == Verdict.RECHECK) {
            return Mark.UNDECIDED;
        }
        if (truth.ailment() != Ailment.SOUND) {
            return Mark.MISSED;
        }
        return a.foundBad() ? Mark.NEEDLESS : Mark.BY_SCHOOL;
    }

    /** What was judged of a part, and how it came out. */
    private static Set<String> judged(Assessment a) {
        Set<String> all = new HashSet<>();
        a.findings().forEach(f -> all.add(f.criterion() + " " + f.outcome()));
        return all;
    }

    /** Readings after which a part was judged otherwise than before, for another reason, or by something more. */
    private static Set<Reading> telling(Job job, Assessor assessor, LocalDate today) {
        Set<Reading> telling = new HashSet<>();
        Job before = Job.of(List.of(job.journal().getFirst()));
        for (Entry e : job.journal().subList(1, job.journal().size())) {
            Job after = before.after(e);
            if (e.act() instanceof Act.Did(Edit.ReadingKept(Reading r)) && after.part(r.part()).isPresent()) {
                Assessment was = assessor.assess(before, before.part(r.part()).orElseThrow(), today);
                Assessment is = assessor.assess(after, after.part(r.part()).orElseThrow(), today);
                if (was.verdict() != is.verdict() || !was.because().equals(is.because()) || !judged(was).equals(judged(is))) {
                    telling.add(r);
                }
            }
            before = after;
        }
        return telling;
    }

    /** What the meters of a job have taken so far. */
    public static int minutes(Job job) {
        return job.readings().stream().mapToInt(Debrief::minutes).sum();
    }

    private static int minutes(Reading r) {
        return r.conditions().testVolts().isPresent()
                ? Measuring.LEAKAGE.minutes()
                : r.conditions().frequencyHertz().isPresent() ? Measuring.LCR.minutes() : Measuring.OHMS.minutes();
    }

    /** The order in which the rules would have looked, before anything was measured: the riskiest first. */
    private static List<PartRef> order(Exercise exercise, Assessor assessor, Job job, LocalDate today) {
        Job fresh = exercise.job(job.journal().getFirst().at());
        List<Assessment> all = new ArrayList<>(assessor.assessAll(fresh, today));
        all.sort((a, b) -> Double.compare(b.risk().score(), a.risk().score()));
        return all.stream().map(a -> a.part().ref()).toList();
    }
}
