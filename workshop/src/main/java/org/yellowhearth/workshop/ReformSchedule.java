package org.yellowhearth.workshop;

import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.agenda.StageDues;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.storage.calendar.CalendarFile;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * When which lane is under voltage within the hours at the bench, made anew whenever a lane or the
 * hours change.
 */
public final class ReformSchedule {

  private final DeskModel model;
  private final ReformModel reform;
  private final Value<Optional<Schedule>> schedule = new Value<>(Optional.empty());

  /** What each step of a plan is expected to take; plans never change. */
  private final Map<ReformPlan, List<Double>> expected = new HashMap<>();

  private int wanted;

  ReformSchedule(DeskModel model, ReformModel reform) {
    this.model = model;
    this.reform = reform;
  }

  /** The schedule, once worked out. */
  public Watched<Optional<Schedule>> scheduleProperty() {
    return schedule.watched();
  }

  /** The hours at the bench. */
  public BenchHours hours() {
    return model.job().aspect(BenchHours.class);
  }

  /** Says when somebody is at the bench, and what the bench can do at once. */
  public void say(String hours, double channels, double amperes) {
    model.changeAspect(
        BenchHours.class, _ -> new BenchHours(hours.strip(), (int) Math.rint(channels), amperes));
  }

  /** Works it out for the lanes as they are; the newest question only. */
  public void workOut() {
    List<Lane> planned =
        reform.lanesProperty().get().stream()
            .filter(l -> l.run().map(r -> r.phase().open()).orElse(false))
            .toList();
    Map<ReformPlan, List<Double>> known = new HashMap<>(expected);
    BenchHours hours = hours();
    ZonedDateTime now = model.now();
    Map<ReformPlan, Instant> clocks = new HashMap<>();
    planned.forEach(l -> l.run().ifPresent(r -> clocks.put(r.plan(), reform.now(r))));
    int mine = ++wanted;
    model
        .background()
        .aside(
            () -> {
              List<Schedule.Work> works = new ArrayList<>();
              for (Lane l : planned) {
                ReformRun run = l.run().orElseThrow();
                List<Double> steps =
                    known.computeIfAbsent(
                        run.plan(),
                        p ->
                            PlanFigures.expectedSeconds(
                                p,
                                l.part().farads(),
                                l.part().ratedVolts().orElse(p.targetVolts())));
                works.add(Schedule.Work.of(run, steps, l.judgement(), clocks.get(run.plan())));
              }
              return Schedule.of(works, hours, now, Ending.USUAL_REST);
            },
            made -> {
              expected.putAll(known);
              if (mine == wanted) {
                schedule.set(Optional.of(made));
              }
            });
  }

  /** What is to be done, in words. */
  public String deed(Schedule.Due due) {
    boolean step = due.deed() == Schedule.Deed.NEXT_STEP || due.deed() == Schedule.Deed.GO_ON;
    return model.words().word(due.deed()) + (step ? " " + (due.step() + 1) : "");
  }

  /**
   * What is due as a calendar file; a calendar knows each thing again in the agenda of the whole
   * shop.
   */
  public String calendar() {
    ZonedDateTime now = model.now();
    String set = model.job().plate().name();
    String id = model.openProperty().get().map(OpenJob::id).orElse("");
    return CalendarFile.text(
        schedule.get().map(Schedule::dues).orElse(List.of()).stream()
            .map(StageDues::of)
            .map(d ->
                AgendaModel.entry(
                    id + "." + d.key(), d, set + ": " + model.words().say(d.what()), now))
            .toList(),
        now.toInstant());
  }
}
