package org.yellowhearth.desk.model;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.ReformModel.Lane;
import org.yellowhearth.records.calendar.CalendarFile;

/** When which lane is under voltage within the hours at the bench, made anew whenever a lane or the hours change. */
public final class ReformSchedule {
    private static final double LEAST_LEFT = 60;
    private static final Duration AT_THE_BENCH = Duration.ofMinutes(10);

    private final DeskModel model;
    private final ReformModel reform;
    private final ReadOnlyObjectWrapper<Optional<Schedule>> schedule = new ReadOnlyObjectWrapper<>(Optional.empty());
    /** What each step of a plan is expected to take; plans never change. */
    private final Map<ReformPlan, List<Double>> expected = new HashMap<>();
    private int wanted;

    ReformSchedule(DeskModel model, ReformModel reform) {
        this.model = model;
        this.reform = reform;
    }

    /** The schedule, once worked out. */
    public ReadOnlyObjectProperty<Optional<Schedule>> scheduleProperty() {
        return schedule.getReadOnlyProperty();
    }

    /** The hours at the bench. */
    public BenchHours hours() {
        return model.job().aspect(BenchHours.class);
    }

    /** Says when somebody is at the bench, and what the bench can do at once. */
    public void say(String hours, double channels, double amperes) {
        model.changeAspect(BenchHours.class, _ -> new BenchHours(hours.strip(), (int) Math.rint(channels), amperes));
    }

    /** Works it out for the lanes as they are; the newest question only. */
    public void workOut() {
        List<Lane> planned = reform.lanesProperty().get().stream().filter(ReformSchedule::open).toList();
        Map<ReformPlan, List<Double>> known = new HashMap<>(expected);
        BenchHours hours = hours();
        ZonedDateTime now = model.now();
        Map<ReformPlan, Instant> clocks = new HashMap<>();
        planned.forEach(l -> l.run().ifPresent(r -> clocks.put(r.plan(), reform.now(r))));
        int mine = ++wanted;
        model.background().aside(() -> {
            List<Schedule.Work> works = new ArrayList<>();
            for (Lane l : planned) {
                ReformRun run = l.run().orElseThrow();
                List<Double> steps = known.computeIfAbsent(run.plan(), p -> ReformPlans.figures(p, l.part()).expectedSeconds(p));
                works.add(work(l, run, steps, clocks.get(run.plan())));
            }
            return Schedule.of(works, hours, now, Ending.USUAL_REST);
        }, made -> {
            expected.putAll(known);
            if (mine == wanted) {
                schedule.set(Optional.of(made));
            }
        });
    }

    private static boolean open(Lane l) {
        return l.run().map(r -> r.phase() == ReformRun.RunPhase.PLANNED || r.phase() == ReformRun.RunPhase.PAUSED
                || r.phase() == ReformRun.RunPhase.RUNNING).orElse(false);
    }

    private static Schedule.Work work(Lane l, ReformRun run, List<Double> steps, Instant now) {
        List<Double> left = new ArrayList<>(steps.subList(run.step(), steps.size()));
        boolean on = run.phase().on();
        if (on) {
            double held = Duration.between(run.since().orElse(now), now).toMillis() / 1000.0;
            OptionalDouble median = l.judgement().flatMap(Judgement::forecast).map(Forecast::median)
                    .orElse(OptionalDouble.empty());
            double whole = run.met() ? 0 : median.orElse(left.getFirst());
            left.set(0, Math.max(LEAST_LEFT, Math.max(whole, run.now().holdSeconds()) - held));
        }
        return new Schedule.Work(l.ref(), left, run.step(), run.now().limitAmperes(), on,
                run.plan().school() == ReformPlan.ReformSchool.OVERNIGHT);
    }

    /** What is to be done, in words. */
    public String deed(Schedule.Due due) {
        boolean step = due.deed() == Schedule.Deed.NEXT_STEP || due.deed() == Schedule.Deed.GO_ON;
        return model.words().word(due.deed()) + (step ? " " + (due.step() + 1) : "");
    }

    /** What is due as a calendar file. */
    public String calendar() {
        String set = model.job().plate().name();
        String id = model.openProperty().get().map(OpenJob::id).orElse("");
        return CalendarFile.text(schedule.get().map(Schedule::dues).orElse(List.of()).stream()
                .map(d -> new CalendarFile.Entry(id + "-" + d.part() + "-" + d.deed().code() + "-" + d.step(), d.at(),
                        AT_THE_BENCH,
                        d.part() + " " + deed(d), Labels.of("reform.calendar.of", set)))
                .toList(), model.now().toInstant());
    }
}
