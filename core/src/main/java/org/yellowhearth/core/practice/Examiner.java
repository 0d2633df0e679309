package org.yellowhearth.core.practice;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.practice.Debrief.Asked;
import org.yellowhearth.core.practice.Debrief.Line;
import org.yellowhearth.core.practice.Debrief.Mark;
import org.yellowhearth.core.practice.Debrief.Substituted;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;

/** Works out from the journal what came of an exercise, by the rules of the real work. */
public final class Examiner {
  private static final int WHOLE = 100;
  private static final int MISSED_COSTS = 25;
  private static final int NEEDLESS_COSTS = 8;
  private static final int UNDECIDED_COSTS = 5;
  private static final int FAULT_UNDECIDED_COSTS = 15;
  private static final int ASKED_COSTS = 30;
  private static final int REFUSED_COSTS = 15;
  private static final int RISK_COSTS = 15;
  private static final int HINT_COSTS = 6;
  private static final int NOTHING_COSTS = 2;
  private static final int OVER_COSTS = 5;

  private final Knowledge knowledge;
  private final Judge judge;
  private final List<StockPart> stock;

  /**
   * An examiner.
   *
   * @param stock what is to be had to take the places of parts
   */
  public Examiner(Knowledge knowledge, Judge judge, List<StockPart> stock) {
    this.knowledge = knowledge;
    this.judge = judge;
    this.stock = List.copyOf(stock);
  }

  /**
   * The debrief of a job that began as an exercise.
   *
   * @param end what ended it before it was handed in: a charged rail touched, or a set wrecked by
   *     power
   * @param hints how many were taken
   */
  public Debrief debrief(
      Exercise exercise, Job job, ZonedDateTime now, Optional<Message> end, int hints) {
    LocalDate today = now.toLocalDate();
    List<Line> lines = new ArrayList<>();
    List<Assessment> assessments = judge.of(job, today).assessments();
    for (Assessment a : assessments) {
      Truth truth = exercise.truth(a.part().ref());
      if (truth != null) {
        lines.add(
            new Line(truth.part(), truth.ailment(), a.verdict(), mark(exercise, job, truth, a)));
      }
    }
    exercise.parts().stream()
        .map(Part::ref)
        .filter(ref -> job.part(ref).isEmpty())
        .forEach(ref ->
            lines.add(
                new Line(ref, exercise.truth(ref).ailment(), Verdict.RECHECK, Mark.UNDECIDED)));
    List<Substituted> substitutes = substitutes(exercise, job, today);
    List<Asked> asked =
        Arrays.stream(Goal.values())
            .filter(exercise.theme().goals()::contains)
            .map(g ->
                new Asked(g, reached(g, exercise, job, now.toInstant(), assessments, substitutes)))
            .toList();
    List<Message> remarks = new ArrayList<>();
    int score =
        WHOLE
            - MISSED_COSTS * count(lines, Mark.MISSED)
            - NEEDLESS_COSTS * count(lines, Mark.NEEDLESS)
            - lines.stream()
                .filter(l -> l.mark() == Mark.UNDECIDED)
                .mapToInt(Examiner::undecided)
                .sum()
            - ASKED_COSTS * (int) asked.stream().filter(a -> !a.reached()).count()
            - REFUSED_COSTS
                * (int) substitutes.stream().filter(s -> s.refused().isPresent()).count();
    List<Reading> readings =
        exercise.done(job).stream().map(Examiner::kept).flatMap(Optional::stream).toList();
    Set<Reading> telling = telling(exercise, job, today);
    List<Reading> nothing = readings.stream().filter(r -> !telling.contains(r)).toList();
    if (!nothing.isEmpty()) {
      remarks.add(
          Message.of(
              PracticeWords.TOLD_NOTHING,
              Integer.toString(nothing.size()),
              nothing.stream()
                  .map(r -> r.part().toString())
                  .distinct()
                  .collect(Collectors.joining(", "))));
    }
    score -= NOTHING_COSTS * nothing.size();
    long risks =
        job.events().stream()
            .filter(h -> h.event() instanceof Edit.Answered a && risky(a, exercise, job, h.at()))
            .count();
    if (risks > 0) {
      remarks.add(Message.of(PracticeWords.RISK, Long.toString(risks)));
    }
    score -= RISK_COSTS * (int) risks + HINT_COSTS * hints;
    if (hints > 0) {
      remarks.add(Message.of(PracticeWords.HINTS, Integer.toString(hints)));
    }
    Spent spent = Spent.of(exercise, job, stock);
    score -= overdone(exercise, job, spent, remarks);
    end.ifPresent(remarks::add);
    boolean lit =
        job.events().stream()
            .anyMatch(h -> h.event().equals(new Edit.PowerSwitched(Edit.Power.LIT)));
    if (end.isEmpty() && lit) {
      remarks.add(Message.of(PracticeWords.PLAYS));
    }
    if (end.isEmpty() && exercise.charged() > 0 && risks == 0) {
      remarks.add(Message.of(PracticeWords.SAFE, Quantity.volts(exercise.charged())));
    }
    remarks.add(
        Message.of(
            PracticeWords.ORDER,
            order(exercise, job, today).stream()
                .map(PartRef::toString)
                .collect(Collectors.joining(", "))));
    int enough = (int) telling.stream().map(Reading::part).distinct().count();
    return new Debrief(
        end.isPresent() ? 0 : Math.max(0, score),
        lines,
        asked,
        substitutes,
        remarks,
        spent,
        readings.size() + Spent.rails(exercise, job),
        enough,
        end.isPresent());
  }

  private static int overdone(Exercise exercise, Job job, Spent spent, List<Message> remarks) {
    int costs = 0;
    if (spent.minutes() > exercise.minutes()) {
      remarks.add(
          Message.of(
              PracticeWords.OVER_TIME,
              Integer.toString(spent.minutes()),
              Integer.toString(exercise.minutes())));
      costs += OVER_COSTS;
    }
    double limit = exercise.money(job);
    if (spent.money() > limit) {
      remarks.add(
          Message.of(PracticeWords.OVER_COST, Money.amount(spent.money()), Money.amount(limit)));
      costs += OVER_COSTS;
    }
    return costs;
  }

  // --- what was asked
  // ------------------------------------------------------------------------------------------------------

  private static boolean reached(
      Goal goal,
      Exercise exercise,
      Job job,
      Instant now,
      List<Assessment> assessments,
      List<Substituted> substitutes) {
    return switch (goal) {
      case SET_RIGHT -> Math.abs(exercise.overSetting(job) - 1) < 0.01;
      case LISTED ->
          exercise.parts().stream()
              .allMatch(p -> job.part(p.ref()).filter(q -> listed(p, q)).isPresent());
      case EMPTIED -> PracticeRail.volts(exercise, job, now) < PracticeRail.EMPTY;
      case FORMED ->
          exercise.faults().stream()
              .filter(t -> t.ailment() == Ailment.UNFORMED)
              .allMatch(t -> Exercise.formed(job, t.part()));
      case CHOSEN ->
          assessments.stream()
              .filter(a -> a.verdict() == Verdict.REPLACE && a.part() instanceof Capacitor)
              .allMatch(a ->
                  substitutes.stream()
                      .anyMatch(s -> s.part().equals(a.part().ref()) && s.refused().isEmpty()));
      case WOKEN ->
          job.events().stream().anyMatch(h -> h.event() instanceof PoweringUp.PowerUpFinished);
      case CHARTED ->
          job.items(SupplyTarget.class).stream()
              .allMatch(t ->
                  job.items(SupplyReading.class).stream()
                      .anyMatch(r -> r.point().equals(t.point())));
    };
  }

  /** By value and rating, whatever else was said of it. */
  private static boolean listed(Part printed, Part typed) {
    return switch (printed) {
      case Capacitor p ->
          typed instanceof Capacitor t
              && near(p.farads(), t.farads())
              && p.ratedVolts().equals(t.ratedVolts());
      case Resistor p -> typed instanceof Resistor t && near(p.ohms(), t.ohms());
      default -> printed.sort() == typed.sort();
    };
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) <= 0.01 * a;
  }

  /** What was chosen at the practice bench, judged as Renew judges what is in stock. */
  private List<Substituted> substitutes(Exercise exercise, Job job, LocalDate today) {
    List<Substituted> all = new ArrayList<>();
    for (Choice c : job.items(Choice.class)) {
      if (exercise.items().stream().anyMatch(i -> i instanceof Choice old && old.equals(c))) {
        continue;
      }
      job.capacitor(c.part()).ifPresent(part -> all.add(judged(c, part, job, today)));
    }
    return all;
  }

  private Substituted judged(Choice choice, Capacitor part, Job job, LocalDate today) {
    String title =
        choice.all().stream().map(Choice.Taken::title).collect(Collectors.joining(" + "));
    List<StockPart> taken =
        choice.all().stream()
            .flatMap(t -> stock.stream().filter(s -> s.id().equals(t.stock())).limit(1))
            .toList();
    double price = taken.stream().mapToDouble(s -> s.price().orElse(0)).sum();
    if (taken.size() != 1 || choice.all().size() != 1) {
      // What is joined was worked out by Renew itself, which refuses what does not do.
      return new Substituted(choice.part(), title, Optional.empty(), List.of(), price);
    }
    Substitutes.Judged j =
        Substitutes.judge(
                new Substitutes.Question(
                    job,
                    part,
                    Demand.typed(job, part, knowledge),
                    Optional.empty(),
                    stock,
                    Stock.Uses.NONE,
                    knowledge,
                    today.getYear()))
            .of(taken.getFirst());
    return new Substituted(
        choice.part(),
        title,
        j.as().isPresent() ? Optional.empty() : j.refused().or(Examiner::noKind),
        j.as()
            .map(s ->
                s.points().stream()
                    .filter(Substitute.Point::against)
                    .map(Substitute.Point::words)
                    .toList())
            .orElse(List.of()),
        price);
  }

  private static Optional<Message> noKind() {
    return Optional.of(Message.of(ReplaceWords.SUB_NO_KIND));
  }

  // --- verdicts
  // ------------------------------------------------------------------------------------------------------------

  private static int undecided(Line line) {
    return line.truth() == Ailment.SOUND ? UNDECIDED_COSTS : FAULT_UNDECIDED_COSTS;
  }

  private static int count(List<Line> lines, Mark mark) {
    return (int) lines.stream().filter(l -> l.mark() == mark).count();
  }

  private static Mark mark(Exercise exercise, Job job, Truth truth, Assessment a) {
    // What was changed at the bench is the new part's, whatever the old one was.
    if (truth.ailment().right(a.verdict(), Exercise.formed(job, truth.part()))
        || (truth.ailment() != Ailment.SOUND && exercise.renewed(job, truth.part()))) {
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

  // --- the way there
  // -------------------------------------------------------------------------------------------------------

  /** Who says that he saw less than a volt, and that is so, took no risk. */
  private static boolean risky(Edit.Answered answered, Exercise exercise, Job job, Instant at) {
    return answered.question() != Edit.Question.READ_WHILE_BANKED
        || PracticeRail.volts(exercise, job, at) > PracticeRail.EMPTY;
  }

  private static Optional<Reading> kept(Entry e) {
    return e.act() instanceof Act.Did(Edit.ReadingKept(Reading r))
        ? Optional.of(r)
        : Optional.empty();
  }

  /** What was judged of a part, and how it came out. */
  private static Set<String> judged(Assessment a) {
    Set<String> all = new HashSet<>();
    a.findings().forEach(f -> all.add(f.criterion() + " " + f.outcome()));
    return all;
  }

  /**
   * Readings after which a part was judged otherwise than before, for another reason, or by
   * something more.
   */
  private Set<Reading> telling(Exercise exercise, Job job, LocalDate today) {
    Set<Reading> telling = new HashSet<>();
    List<Entry> done = exercise.done(job);
    Job before = Job.of(job.journal().subList(0, job.journal().size() - done.size()));
    for (Entry e : done) {
      Job after = before.after(e);
      Optional<Reading> reading = kept(e).filter(r -> after.part(r.part()).isPresent());
      if (reading.isPresent()) {
        PartRef part = reading.get().part();
        Assessment was = judge.of(before, today).assessment(part).orElseThrow();
        Assessment is = judge.of(after, today).assessment(part).orElseThrow();
        if (was.verdict() != is.verdict()
            || !was.because().equals(is.because())
            || !judged(was).equals(judged(is))) {
          telling.add(reading.get());
        }
      }
      before = after;
    }
    return telling;
  }

  /**
   * The order in which the rules would have looked, before anything was measured: the riskiest
   * first.
   */
  private List<PartRef> order(Exercise exercise, Job job, LocalDate today) {
    Job fresh = exercise.job(job.journal().getFirst().at());
    List<Assessment> all = new ArrayList<>(judge.of(fresh, today).assessments());
    all.sort((a, b) -> Double.compare(b.risk().score(), a.risk().score()));
    return all.stream().map(a -> a.part().ref()).toList();
  }
}
