package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.BenchTask.Doing;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;

/**
 * What is to be done at the bench, in order: what makes the place safe and clean, the mains side
 * and the supply, then a stop to test it alone, then the rest by what it costs when it fails;
 * within that by place, what blocks another before it, links closed and spare terminals insulated
 * at the end.
 */
public record FittingSheet(List<Step> steps) {
  /** The id of the stop after the supply. */
  public static final String SUPPLY_TEST = "sheet-test-supply";

  private static final Pattern REFERENCE = Pattern.compile("\\b[A-Za-z]{1,3}\\d{1,5}[a-z]?\\b");

  /**
   * One line of the sheet.
   *
   * @param id of the choice or task it stands for
   * @param place where in the set
   * @param part the part exchanged; none for a task
   * @param mind what to mind, the weightiest first
   * @param state how far it has come
   */
  public record Step(
      String id,
      String place,
      Optional<Part> part,
      Optional<Choice> choice,
      Optional<BenchTask> task,
      List<Message> mind,
      State state,
      Fitting fitting) {
    public Step {
      mind = List.copyOf(mind);
    }
  }

  /** How far a step has come. */
  public enum State {
    OPEN,
    REMOVED,
    FITTED,
    DONE
  }

  public FittingSheet {
    steps = List.copyOf(steps);
  }

  /** How many steps are done. */
  public long done() {
    return steps.stream().filter(s -> s.state() == State.DONE).count();
  }

  /** The first that is not done. */
  public Optional<Step> next() {
    return steps.stream().filter(s -> s.state() != State.DONE).findFirst();
  }

  /** The sheet of a job. */
  public static FittingSheet of(Job job, Knowledge knowledge) {
    List<Placed> all = new ArrayList<>();
    for (Choice c : job.items(Choice.class)) {
      job.part(c.part()).ifPresent(p -> all.add(exchange(job, p, c, knowledge)));
    }
    for (BenchTask t : job.items(BenchTask.class)) {
      if (!t.id().equals(SUPPLY_TEST)) {
        boolean swap =
            job.items(RectifierSwap.class).stream().anyMatch(s -> stepOf(s).equals(t.id()));
        all.add(new Placed(swap ? SUPPLY_RANK : rank(t.doing()), task(t)));
      }
    }
    boolean supply = all.stream().anyMatch(p -> p.rank <= SUPPLY_RANK && p.rank >= MAINS_RANK);
    boolean more = all.stream().anyMatch(p -> p.rank > TEST_RANK && p.rank < END_RANK);
    if (supply && more) {
      BenchTask stop =
          job.item(SUPPLY_TEST)
              .filter(BenchTask.class::isInstance)
              .map(BenchTask.class::cast)
              .orElse(new BenchTask(SUPPLY_TEST, Doing.TEST, "", "supply alone", false));
      Step step = task(stop);
      all.add(
          new Placed(
              TEST_RANK,
              new Step(
                  step.id(),
                  step.place(),
                  step.part(),
                  step.choice(),
                  step.task(),
                  List.of(Message.of(ReplaceWords.SHEET_TEST_SUPPLY)),
                  step.state(),
                  step.fitting())));
    }
    return new FittingSheet(ordered(all, job));
  }

  /** The id of the step that puts silicon in the place of a rectifier. */
  public static String stepOf(RectifierSwap swap) {
    return "sheet-" + swap.id();
  }

  private static final PartRef LAST = new PartRef("ZZZ", 0, "");
  private static final int FIRST_RANK = 0;
  private static final int MAINS_RANK = 1;
  private static final int SUPPLY_RANK = 2;
  private static final int TEST_RANK = 3;
  private static final int COSTLY_RANK = 4;
  private static final int REST_RANK = 5;
  private static final int END_RANK = 6;

  /** A step and when its turn is. */
  private record Placed(int rank, Step step) {
    /** The parts of the sheet that must be out of the way first. */
    Set<PartRef> behind(Job job) {
      return step.part().stream()
          .flatMap(p -> job.of(p.ref(), Place.class).stream())
          .flatMap(p -> REFERENCE.matcher(p.behind()).results())
          .map(MatchResult::group)
          .flatMap(r -> PartRef.parse(r).stream())
          .collect(Collectors.toSet());
    }
  }

  private static int rank(Doing doing) {
    return switch (doing) {
      case GUARD, CLEAN -> FIRST_RANK;
      case TEST -> TEST_RANK;
      case OTHER -> REST_RANK;
      case OPEN_LINK, SPARE_TERMINAL, PUT_BACK -> END_RANK;
    };
  }

  private static int rank(Part part) {
    return part instanceof Capacitor c
        ? switch (c.role().duty()) {
          case MAINS -> MAINS_RANK;
          case SUPPLY -> SUPPLY_RANK;
          case COSTLY -> COSTLY_RANK;
          case ORDINARY, EXACT -> REST_RANK;
        }
        : switch (part.sort()) {
          case FUSE, CONNECTOR -> MAINS_RANK;
          case RECTIFIER, WINDING, ZENER -> SUPPLY_RANK;
          default -> REST_RANK;
        };
  }

  private static Step task(BenchTask t) {
    return new Step(
        t.id(),
        t.where(),
        Optional.empty(),
        Optional.empty(),
        Optional.of(t),
        List.of(),
        t.done() ? State.DONE : State.OPEN,
        Fitting.of(LAST));
  }

  private static Placed exchange(Job job, Part part, Choice choice, Knowledge knowledge) {
    Fitting f =
        job.of(part.ref(), Fitting.class).stream().findFirst().orElse(Fitting.of(part.ref()));
    State state =
        f.checked()
            ? State.DONE
            : f.fitted() ? State.FITTED : f.removed() ? State.REMOVED : State.OPEN;
    String where =
        job.of(part.ref(), Place.class).stream().map(Place::where).findFirst().orElse("");
    return new Placed(
        rank(part),
        new Step(
            choice.id(),
            where,
            Optional.of(part),
            Optional.of(choice),
            Optional.empty(),
            new Minding(job, part, choice, knowledge).all(),
            state,
            f));
  }

  /**
   * By rank, place and reference, but what a part sits behind goes before it; where two sit behind
   * each other, as if neither did.
   */
  private static List<Step> ordered(List<Placed> all, Job job) {
    List<Placed> waiting =
        new ArrayList<>(
            all.stream()
                .sorted(
                    Comparator.comparingInt(Placed::rank)
                        .thenComparing(p -> p.step.place())
                        .thenComparing(p -> p.step.part().map(Part::ref).orElse(LAST))
                        .thenComparing(p -> p.step.id()))
                .toList());
    List<Step> ordered = new ArrayList<>();
    while (!waiting.isEmpty()) {
      Placed next = waiting.getFirst();
      List<Placed> others = new ArrayList<>(waiting);
      for (Optional<Placed> first = Optional.of(next);
          first.isPresent();
          first = blocker(next, others, job)) {
        next = first.get();
        others.remove(next);
      }
      waiting.remove(next);
      ordered.add(next.step);
    }
    return ordered;
  }

  private static Optional<Placed> blocker(Placed of, List<Placed> others, Job job) {
    Set<PartRef> behind = of.behind(job);
    return others.stream()
        .filter(o -> o.step.part().map(p -> behind.contains(p.ref())).orElse(false))
        .findFirst();
  }
}
