package org.yellowhearth.workshop;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.agenda.ClockWatch;
import org.yellowhearth.core.agenda.Due;
import org.yellowhearth.core.agenda.Later;
import org.yellowhearth.core.agenda.Reminders;
import org.yellowhearth.core.agenda.StageDues;
import org.yellowhearth.core.agenda.WhenText;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.calendar.CalendarFile;
import org.yellowhearth.storage.calendar.CalendarFile.Found;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * What is due across all jobs, without the window. It is made anew from the jobs and the clock
 * whenever a job changes, every so often, and at once when the computer slept or its clock was set;
 * every answer to it is an edit of its job.
 */
public final class AgendaModel {
  private static final long EVERY_NANOS = Duration.ofSeconds(20).toNanos();

  /** So long it is said that the clock leapt. */
  private static final long SAID_NANOS = Duration.ofMinutes(15).toNanos();

  /** What has a time may become another thing as time passes; what has none does not. */
  private static final Duration FRESH = Duration.ofMinutes(1);

  private static final int IN_NOTICE = 4;

  /** What is done is shown so long. */
  private static final Duration LATELY = Duration.ofDays(14);

  private final DeskModel model;
  private final Shop shop;
  private final StageDues dues;
  private final Reminders reminders = new Reminders();
  private final Value<Optional<Agenda>> agenda = new Value<>(Optional.empty());
  private final Value<Optional<ClockWatch.Seen>> jump = new Value<>(Optional.empty());
  private final Map<String, Kept> kept = new HashMap<>();

  /** What was done here, newest last, to be taken back. */
  private final Deque<Done> acts = new ArrayDeque<>();

  private Optional<ClockWatch> watch = Optional.empty();
  private long lastNanos;
  private long jumpedNanos;
  private boolean making;
  private boolean reading;
  private boolean again;
  private Consumer<List<Agenda.Line>> remind = _ -> {};

  private record Kept(Job job, Instant at, List<Due> dues) {
    boolean fresh(Job now, Instant moment) {
      boolean timed = dues.stream().anyMatch(d -> d.at().isPresent());
      return job.journal().size() == now.journal().size()
          && job.journal().getLast().equals(now.journal().getLast())
          && (!timed || Duration.between(at, moment).abs().compareTo(FRESH) < 0);
    }
  }

  private record Done(String job, int entry) {}

  AgendaModel(DeskModel model, Shop shop) {
    this.model = model;
    this.shop = shop;
    dues = new StageDues(model.knowledge());
    model.shelf().jobsProperty().addListener((_, _, _) -> refresh());
  }

  /** What is due; none before it was worked out. */
  public Watched<Optional<Agenda>> agendaProperty() {
    return agenda.watched();
  }

  /** The last time that the clock of the wall and the running clock of the computer parted. */
  public Watched<Optional<ClockWatch.Seen>> jumpProperty() {
    return jump.watched();
  }

  /** What is done when something falls due; it hears of everything once. */
  public void onDue(Consumer<List<Agenda.Line>> then) {
    remind = then;
  }

  /** To be called often: looks at the clocks, and makes the agenda anew when it is time. */
  public void poll() {
    poll(System.nanoTime());
  }

  /** The same, with what the running clock of the computer shows. */
  public void poll(long nanos) {
    Instant wall = model.now().toInstant();
    ClockWatch.Jump seen =
        watch
            .map(w -> {
              ClockWatch.Seen s = w.since(wall, nanos);
              if (s.jump() != ClockWatch.Jump.NONE) {
                jump.set(Optional.of(s));
                jumpedNanos = nanos;
              }
              return s.jump();
            })
            .orElse(ClockWatch.Jump.NONE);
    watch = Optional.of(new ClockWatch(wall, nanos));
    if (jump.get().isPresent() && nanos - jumpedNanos > SAID_NANOS) {
      jump.set(Optional.empty());
    }
    if (seen != ClockWatch.Jump.NONE || nanos - lastNanos > EVERY_NANOS) {
      lastNanos = nanos;
      refresh();
    }
  }

  /** Makes it anew beside the window; asked while it is being made, once more after that. */
  public void refresh() {
    if (making) {
      again = true;
      return;
    }
    making = true;
    reading = true;
    ZonedDateTime now = model.now();
    Map<ReformPlan, Instant> clocks = model.reform().clocks();
    Map<String, Kept> before = Map.copyOf(kept);
    List<ShelfLine> watched =
        model.shelf().jobsProperty().get().stream()
            .filter(l -> watched(l, now.toInstant()))
            .toList();
    Optional<OpenJob> open = model.openProperty().get();
    model
        .background()
        .keep(
            () -> {
              // Only what changed is read.
              Map<String, Job> jobs = new HashMap<>();
              watched.forEach(l ->
                  jobs.put(
                      l.id(),
                      Optional.ofNullable(before.get(l.id()))
                          .map(Kept::job)
                          .filter(j -> j.journal().size() == l.entries())
                          .orElseGet(() -> shop.job(l.id()))));
              open.ifPresent(o -> jobs.put(o.id(), o.job()));
              return jobs;
            },
            jobs -> {
              reading = false;
              make(jobs, before, now, clocks);
            },
            () -> {
              if (reading) {
                // It could not be read; that was told, and is tried again.
                reading = false;
                making = false;
              }
            });
  }

  /** Whether anything of a job may be due, or was lately. */
  private static boolean watched(ShelfLine line, Instant now) {
    return (line.watched() && line.digested() > 0) || line.touched().isAfter(now.minus(LATELY));
  }

  private void make(
      Map<String, Job> jobs,
      Map<String, Kept> before,
      ZonedDateTime now,
      Map<ReformPlan, Instant> clocks) {
    model
        .background()
        .aside(
            () -> {
              Map<String, Kept> made = new HashMap<>();
              jobs.forEach((id, job) ->
                  made.put(
                      id,
                      Optional.ofNullable(before.get(id))
                          .filter(k -> k.fresh(job, now.toInstant()))
                          .orElseGet(
                              () -> new Kept(job, now.toInstant(), dues.of(job, now, clocks)))));
              return made;
            },
            made -> {
              making = false;
              kept.clear();
              kept.putAll(made);
              Agenda now2 =
                  Agenda.of(
                      made.entrySet().stream()
                          .map(e ->
                              new Agenda.OfSet(
                                  e.getKey(),
                                  e.getValue().job().plate().name(),
                                  e.getValue().job().journal().getLast().at().toInstant(),
                                  e.getValue().dues()))
                          .toList(),
                      model.now());
              agenda.set(Optional.of(now2));
              List<Agenda.Line> fresh = reminders.take(now2, model.now());
              if (!fresh.isEmpty()) {
                remind.accept(fresh);
              }
              if (again) {
                again = false;
                refresh();
              }
            });
  }

  // --- words
  // ---------------------------------------------------------------------------------------------------------------

  /** What is to be done, in the words of its set. */
  public String say(Agenda.Line line) {
    return words(line.job()).say(line.due().what());
  }

  /** Several things in a few lines, for a notice. */
  public String summary(List<Agenda.Line> lines) {
    String first =
        lines.stream()
            .limit(IN_NOTICE)
            .map(l -> l.set() + ": " + say(l))
            .collect(Collectors.joining("\n"));
    return lines.size() > IN_NOTICE ? first + "\n…" : first;
  }

  private Words words(String job) {
    return Optional.ofNullable(kept.get(job))
        .map(k -> Words.of(k.job().plate().dialect()))
        .orElseGet(model::words);
  }

  // --- answers
  // -------------------------------------------------------------------------------------------------------------

  /** Adds a task to a set; an empty time leaves it without one. */
  public boolean add(String job, OwnTask.TaskKind kind, String what, String when) {
    return model.made(() -> {
      Optional<WhenText> at =
          when.isBlank() ? Optional.empty() : Optional.of(WhenText.parse(when, model.now()));
      put(
          job,
          List.of(
              new OwnTask(
                  model.newId(),
                  kind,
                  what.strip(),
                  at.map(WhenText::at),
                  at.map(WhenText::wholeDay).orElse(false),
                  false)));
    });
  }

  /**
   * Sets the time of anything that is due, and says a task of one's own in other words; an empty
   * time leaves it as it is.
   */
  public boolean change(Agenda.Line line, String what, String when) {
    return model.made(() -> {
      Optional<WhenText> to =
          when.isBlank() ? Optional.empty() : Optional.of(WhenText.parse(when, model.now()));
      put(
          line.job(),
          line.due()
              .own()
              .map(t ->
                  List.<Item>of(
                      new OwnTask(
                          t.id(),
                          t.kind(),
                          what.strip(),
                          to.map(WhenText::at).or(t::at),
                          to.map(WhenText::wholeDay).orElse(t.wholeDay()),
                          t.done())))
              .orElseGet(() ->
                  to.map(w ->
                          List.<Item>of(
                              mark(
                                  line,
                                  Optional.of(w.at().atZone(model.now().getZone()).toInstant()),
                                  /* done= */ false)))
                      .orElse(List.of())));
    });
  }

  /** Puts it off. */
  public void later(Agenda.Line line, Later until) {
    BenchHours hours =
        Optional.ofNullable(kept.get(line.job()))
            .map(k -> k.job().aspect(BenchHours.class))
            .orElse(BenchHours.BLANK);
    Instant at = until.from(model.now(), hours);
    put(
        line.job(),
        List.of(
            line.due()
                .own()
                .<Item>map(t -> t.at(at.atZone(model.now().getZone()).toLocalDateTime(), false))
                .orElseGet(() -> mark(line, Optional.of(at), false))));
  }

  /** It is done, or not done after all. */
  public void done(Agenda.Line line, boolean is) {
    put(
        line.job(),
        List.of(
            line.due()
                .own()
                .<Item>map(t -> t.done(is))
                .orElseGet(() ->
                    mark(line, line.due().moved() ? line.due().at() : Optional.empty(), is))));
  }

  private static AgendaMark mark(Agenda.Line line, Optional<Instant> until, boolean done) {
    return new AgendaMark(AgendaMark.idOf(line.due().key()), until, done);
  }

  /** Takes a task of one's own out; undo brings it back. */
  public void take(Agenda.Line line) {
    line.due()
        .own()
        .ifPresent(t ->
            act(
                line.job(),
                job ->
                    job.item(t.id())
                        .map(now ->
                            (Act)
                                new Act.Did(
                                    new Edit.ItemChanged(Optional.of(now), Optional.empty())))));
  }

  private void put(String job, List<? extends Item> items) {
    act(
        job,
        j -> {
          List<Edit> edits =
              items.stream()
                  .filter(i -> !j.item(i.id()).equals(Optional.of(i)))
                  .map(i -> (Edit) new Edit.ItemChanged(j.item(i.id()), Optional.of(i)))
                  .toList();
          return edits.isEmpty()
              ? Optional.empty()
              : Optional.of(new Act.Did(BenchLineModel.together(edits)));
        });
  }

  /** Whether something done here can be taken back. */
  public boolean canUndo() {
    return !acts.isEmpty();
  }

  /** Takes the last answer back, as long as nothing else was done to its set since. */
  public void undo() {
    if (!acts.isEmpty()) {
      Done last = acts.removeLast();
      act(
          last.job,
          job -> {
            OptionalInt next = job.nextUndo();
            if (next.isEmpty() || next.getAsInt() != last.entry) {
              throw new IllegalArgumentException(Labels.of("agenda.no-undo", job.plate().name()));
            }
            return Optional.of(new Act.Undid(last.entry));
          });
    }
  }

  private record Acted(Optional<Integer> entry, String trouble) {}

  /** Does something to a job of the shelf as it stands when its turn comes. */
  private void act(String id, Function<Job, Optional<Act>> making) {
    model
        .background()
        .keep(
            () -> {
              Job now = shop.job(id);
              try {
                Optional<Act> act = making.apply(now);
                act.ifPresent(a -> shop.append(id, List.of(a), model.now()));
                return new Acted(
                    act.filter(Act.Did.class::isInstance).map(_ -> now.journal().size()), "");
              } catch (IllegalArgumentException e) {
                return new Acted(Optional.empty(), e.getMessage());
              }
            },
            acted -> {
              acted.entry.ifPresent(entry -> acts.addLast(new Done(id, entry)));
              model.tell(acted.trouble, !acted.trouble.isEmpty());
              model.shelf().refresh();
            });
  }

  /** Opens the set where the thing is done. */
  public void open(Agenda.Line line) {
    model.openJob(
        line.job(),
        switch (line.due().source()) {
          case REFORM -> Stage.REFORM;
          case BURN_IN, WARM_UP, WAITING -> Stage.FINAL_TEST;
          case DRYING, OWNER, TASK -> Stage.ARRIVAL;
          case CHARGE -> Stage.SAFETY;
          case PARTS -> Stage.REPLACE;
        },
        line.due().part());
  }

  // --- calendars
  // -----------------------------------------------------------------------------------------------------------

  /** Everything that has a time and is not done, as a calendar file. */
  public String calendar() {
    ZonedDateTime now = model.now();
    return CalendarFile.text(
        agenda.get().map(Agenda::lines).orElse(List.of()).stream()
            .filter(l -> l.due().at().isPresent() && l.bucket() != Agenda.Bucket.DONE)
            .map(l -> entry(l.key(), l.due(), l.set() + ": " + say(l), now))
            .toList(),
        now.toInstant());
  }

  static CalendarFile.Entry entry(String key, Due due, String summary, ZonedDateTime now) {
    return new CalendarFile.Entry(
        key,
        due.at().orElseThrow(),
        due.wholeDay(),
        now.getZone(),
        due.takes(),
        summary,
        Labels.of("agenda.calendar.about"));
  }

  private record Brought(
      Map<String, List<Item>> marks, List<OwnTask> tasks, int unknown, String trouble) {}

  /**
   * Brings a calendar in: what we wrote and was moved or ticked off there follows, anything else
   * becomes a task of a set; read again it is the same task.
   */
  public void bringIn(Path file, String job) {
    ZonedDateTime now = model.now();
    Map<String, Agenda.Line> lines =
        agenda.get().map(Agenda::lines).orElse(List.of()).stream()
            .collect(Collectors.toMap(Agenda.Line::key, Function.identity(), (a, _) -> a));
    model
        .background()
        .aside(
            () -> {
              try {
                return brought(CalendarFile.read(file, now.toInstant(), now.getZone()), lines, now);
              } catch (BadFileException | IllegalArgumentException | IOException e) {
                return new Brought(
                    Map.of(),
                    List.of(),
                    0,
                    Labels.of("shop.refused", file.getFileName(), e.getMessage()));
              }
            },
            b -> {
              if (!b.trouble.isEmpty()) {
                model.tell(b.trouble, true);
                return;
              }
              b.marks.forEach(this::put);
              if (!b.tasks.isEmpty()) {
                put(job, b.tasks);
              }
              int moved = b.marks.values().stream().mapToInt(List::size).sum();
              model
                  .background()
                  .keep(
                      () -> moved,
                      m ->
                          model.tell(
                              Labels.of("agenda.brought-in", b.tasks.size(), m, b.unknown), false));
            });
  }

  private static Brought brought(
      List<Found> found, Map<String, Agenda.Line> lines, ZonedDateTime now) {
    Map<String, List<Item>> marks = new HashMap<>();
    List<OwnTask> tasks = new ArrayList<>();
    int unknown = 0;
    for (Found f : found) {
      if (!f.ours()) {
        if (!f.summary().isEmpty()) {
          tasks.add(
              new OwnTask(
                  "ics-" + UUID.nameUUIDFromBytes(f.key().getBytes(StandardCharsets.UTF_8)),
                  OwnTask.TaskKind.TASK,
                  f.summary(),
                  f.at(),
                  f.wholeDay(),
                  f.done()));
        }
        continue;
      }
      Agenda.Line line = lines.get(f.key());
      if (line == null) {
        unknown++;
        continue;
      }
      answer(line, f, now)
          .ifPresent(i -> marks.computeIfAbsent(line.job(), _ -> new ArrayList<>()).add(i));
    }
    return new Brought(marks, tasks, unknown, "");
  }

  private static Optional<Item> answer(Agenda.Line line, Found f, ZonedDateTime now) {
    Due due = line.due();
    Optional<Instant> at = f.at().map(t -> t.atZone(now.getZone()).toInstant());
    boolean moved =
        at.isPresent()
            && due.at().map(d -> Duration.between(d, at.get()).abs().toMinutes() >= 1).orElse(true);
    if (!moved && f.done() == due.done()) {
      return Optional.empty();
    }
    boolean done = due.done() || f.done();
    return Optional.of(
        due.own()
            .<Item>map(t ->
                new OwnTask(
                    t.id(),
                    t.kind(),
                    t.what(),
                    f.at().or(t::at),
                    f.at().isPresent() ? f.wholeDay() : t.wholeDay(),
                    done))
            .orElseGet(
                () -> mark(line, moved ? at : due.moved() ? due.at() : Optional.empty(), done)));
  }
}
