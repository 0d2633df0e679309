package org.yellowhearth.core.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;

/**
 * A job as it stands after every entry of its journal: immutable; {@link #after} gives the next.
 * The journal is the truth, and everything else here follows from it.
 */
public final class Job {
  private final SetPlate plate;
  private final Policy policy;
  private final SortedMap<PartRef, Part> parts;
  private final List<Reading> readings;
  private final Map<PartRef, List<Reading>> byPart;
  private final List<Entry> journal;
  private final List<Integer> done;
  private final List<Integer> undone;
  private final Map<Class<?>, Aspect> aspects;
  private final SortedMap<String, Item> items;
  private final List<Happening> events;
  private final Map<PartRef, List<OfPart>> ofParts;

  /** Something that happened to the set, and when. */
  public record Happening(Instant at, Edit.Event event) {}

  private Job(Draft d) {
    plate = d.plate;
    policy = d.policy;
    parts = Collections.unmodifiableSortedMap(d.parts);
    readings = List.copyOf(d.readings);
    byPart = readings.stream().collect(Collectors.groupingBy(Reading::part));
    journal = List.copyOf(d.journal);
    done = List.copyOf(d.done);
    undone = List.copyOf(d.undone);
    aspects = Map.copyOf(d.aspects);
    items = Collections.unmodifiableSortedMap(d.items);
    events = List.copyOf(d.events);
    ofParts =
        items.values().stream()
            .filter(OfPart.class::isInstance)
            .map(OfPart.class::cast)
            .collect(Collectors.groupingBy(OfPart::part));
  }

  /**
   * A job from its whole journal.
   *
   * @throws IllegalEditException where an entry does not fit what stands before it
   */
  public static Job of(List<Entry> journal) {
    Draft draft = new Draft();
    journal.forEach(draft::take);
    if (journal.isEmpty()) {
      throw new IllegalEditException("a journal begins with the arrival of the set", 0);
    }
    return new Job(draft);
  }

  /**
   * This job after one more entry.
   *
   * @throws IllegalEditException where the entry does not fit
   */
  public Job after(Entry entry) {
    Draft draft = new Draft(this);
    draft.take(entry);
    return new Job(draft);
  }

  public SetPlate plate() {
    return plate;
  }

  public Policy policy() {
    return policy;
  }

  /** The census in order of reference. */
  public List<Part> census() {
    return List.copyOf(parts.values());
  }

  /** The capacitors of the census, sections of cans one by one, in order of reference. */
  public List<Capacitor> capacitors() {
    return parts.values().stream()
        .filter(Capacitor.class::isInstance)
        .map(Capacitor.class::cast)
        .toList();
  }

  public Optional<Part> part(PartRef ref) {
    return Optional.ofNullable(parts.get(ref));
  }

  /** The capacitor with this reference; empty where there is none, or another sort of part. */
  public Optional<Capacitor> capacitor(PartRef ref) {
    return part(ref).filter(Capacitor.class::isInstance).map(Capacitor.class::cast);
  }

  /** What is written down of one part, of one type. */
  public <I extends OfPart> List<I> of(PartRef ref, Class<I> type) {
    List<OfPart> all = ofParts.getOrDefault(ref, List.of());
    return all.isEmpty()
        ? List.of()
        : all.stream().filter(type::isInstance).map(type::cast).toList();
  }

  /** All readings that count, oldest first. */
  public List<Reading> readings() {
    return readings;
  }

  /** The readings of one part that count, oldest first. */
  public List<Reading> readingsOf(PartRef ref) {
    return Collections.unmodifiableList(byPart.getOrDefault(ref, List.of()));
  }

  public List<Entry> journal() {
    return journal;
  }

  /** The entry that undo would take back. */
  public OptionalInt nextUndo() {
    return done.isEmpty() ? OptionalInt.empty() : OptionalInt.of(done.getLast());
  }

  /** The entry that redo would do again. */
  public OptionalInt nextRedo() {
    return undone.isEmpty() ? OptionalInt.empty() : OptionalInt.of(undone.getLast());
  }

  /** Whether an edit of the journal counts now: it was done and not taken back since. */
  public boolean counts(int entry) {
    return journal.get(entry).act() instanceof Act.Did did
        && (done.contains(entry) || !did.edit().canBeUndone());
  }

  /** An aspect of the set as it stands, blank where nobody filled it. */
  public <A extends Aspect> A aspect(Class<A> type) {
    Aspect filled = aspects.get(type);
    return filled == null ? Aspect.blank(type) : type.cast(filled);
  }

  /** The aspects that somebody filled, in the order they are asked for. */
  public List<Aspect> aspects() {
    return Aspect.BLANKS.stream()
        .map(blank -> (Aspect) aspect(blank.getClass()))
        .filter(a -> !Aspect.BLANKS.contains(a))
        .toList();
  }

  /** All items, in the order of their ids. */
  public List<Item> items() {
    return List.copyOf(items.values());
  }

  /** All items of a type, in the order of their ids. */
  public <I extends Item> List<I> items(Class<I> type) {
    return items.values().stream().filter(type::isInstance).map(type::cast).toList();
  }

  public Optional<Item> item(String id) {
    return Optional.ofNullable(items.get(id));
  }

  /** What happened to the set, in the order it was written down. */
  public List<Happening> events() {
    return events;
  }

  /** The last power event; empty for a set nobody has switched yet. */
  public Optional<Edit.Power> power() {
    return lastPower().map(h -> ((Edit.PowerSwitched) h.event()).power());
  }

  public Optional<Instant> powerSince() {
    return lastPower().map(Happening::at);
  }

  private Optional<Happening> lastPower() {
    return events.reversed().stream()
        .filter(h -> h.event() instanceof Edit.PowerSwitched)
        .findFirst();
  }

  /** The edit of a journal entry. */
  public Edit edit(int entry) {
    return Draft.editOf(journal, entry);
  }

  /** A job in the making; the only place where entries change anything. */
  private static final class Draft {
    private SetPlate plate;
    private Policy policy;
    private final SortedMap<PartRef, Part> parts = new TreeMap<>();
    private final List<Reading> readings = new ArrayList<>();
    private final Set<String> readingIds = new HashSet<>();
    private final List<Entry> journal = new ArrayList<>();
    private final List<Integer> done = new ArrayList<>();
    private final List<Integer> undone = new ArrayList<>();
    private final Map<Class<?>, Aspect> aspects = new HashMap<>();
    private final SortedMap<String, Item> items = new TreeMap<>();
    private final List<Happening> events = new ArrayList<>();

    Draft() {
      plate = SetPlate.named("?");
      policy = Policy.USUAL;
    }

    Draft(Job job) {
      plate = job.plate;
      policy = job.policy;
      parts.putAll(job.parts);
      readings.addAll(job.readings);
      readings.forEach(r -> readingIds.add(r.id()));
      journal.addAll(job.journal);
      done.addAll(job.done);
      undone.addAll(job.undone);
      aspects.putAll(job.aspects);
      items.putAll(job.items);
      events.addAll(job.events);
    }

    static Edit editOf(List<Entry> journal, int number) {
      if (number < 0
          || number >= journal.size()
          || !(journal.get(number).act() instanceof Act.Did did)) {
        throw new IllegalEditException("entry " + number + " is no edit", number);
      }
      return did.edit();
    }

    void take(Entry entry) {
      require(entry.number() == journal.size(), entry, "entries are numbered from 0 without gaps");
      require(
          journal.isEmpty() == (entry.act() instanceof Act.Did(Edit.Arrived _)),
          entry,
          "the first entry, and no other, is the arrival of the set");
      switch (entry.act()) {
        case Act.Did did -> {
          change(did.edit(), entry);
          if (did.edit().canBeUndone()) {
            done.add(entry.number());
            undone.clear();
          }
        }
        case Act.Undid undo -> {
          require(
              !done.isEmpty() && done.getLast() == undo.entry(),
              entry,
              "only the last edit that counts can be undone");
          change(reversed(editOf(journal, undo.entry())), entry);
          undone.add(done.removeLast());
        }
        case Act.Redid redo -> {
          require(
              !undone.isEmpty() && undone.getLast() == redo.entry(),
              entry,
              "only the edit undone last can be redone");
          change(Optional.of(editOf(journal, redo.entry())), entry);
          done.add(undone.removeLast());
        }
      }
      journal.add(entry);
    }

    private static Optional<Edit> reversed(Edit edit) {
      return switch (edit) {
        case Edit.PlateChanged e -> Optional.of(new Edit.PlateChanged(e.after(), e.before()));
        case Edit.PolicyChanged e -> Optional.of(new Edit.PolicyChanged(e.after(), e.before()));
        case Edit.AspectChanged e -> Optional.of(new Edit.AspectChanged(e.after(), e.before()));
        case Edit.ItemChanged e -> Optional.of(new Edit.ItemChanged(e.after(), e.before()));
        case Edit.PartAdded e -> Optional.of(new Edit.PartRemoved(e.part(), e.readings()));
        case Edit.PartRemoved e -> Optional.of(new Edit.PartAdded(e.part(), e.readings()));
        case Edit.PartChanged e -> Optional.of(new Edit.PartChanged(e.after(), e.before()));
        case Edit.ReadingKept e -> Optional.of(new Edit.ReadingWithdrawn(e.reading()));
        case Edit.ReadingWithdrawn e -> Optional.of(new Edit.ReadingKept(e.reading()));
        case Edit.NoteWritten _ -> Optional.empty();
        case Edit.Together e -> {
          List<Edit> back =
              e.edits().reversed().stream().flatMap(one -> reversed(one).stream()).toList();
          yield back.isEmpty() ? Optional.empty() : Optional.of(new Edit.Together(back));
        }
        case Edit.Arrived _, Edit.Event _ ->
            throw new IllegalStateException("never undone: " + edit);
      };
    }

    private void change(Optional<Edit> edit, Entry entry) {
      edit.ifPresent(e -> change(e, entry));
    }

    private void change(Edit edit, Entry entry) {
      switch (edit) {
        case Edit.Arrived e -> {
          plate = e.plate();
          policy = e.policy();
        }
        case Edit.PlateChanged e -> {
          require(plate.equals(e.before()), entry, "the plate before the change is another");
          plate = e.after();
        }
        case Edit.PolicyChanged e -> {
          require(policy.equals(e.before()), entry, "the policy before the change is another");
          policy = e.after();
        }
        case Edit.AspectChanged e -> {
          Aspect now =
              aspects.getOrDefault(e.before().getClass(), Aspect.blank(e.before().getClass()));
          require(
              now.equals(e.before()), entry, "what was written down before the change is another");
          aspects.put(e.after().getClass(), e.after());
        }
        case Edit.ItemChanged e -> change(e, entry);
        case Edit.PartAdded e -> {
          PartRef ref = e.part().ref();
          require(
              parts.putIfAbsent(ref, e.part()) == null,
              entry,
              ref + " is in the parts list already");
          e.readings().forEach(r -> keep(r, entry));
        }
        case Edit.PartRemoved e -> {
          PartRef ref = e.part().ref();
          require(parts.remove(ref, e.part()), entry, ref + " is not so in the parts list");
          e.readings().forEach(r -> withdraw(r, entry));
          require(
              readings.stream().noneMatch(r -> r.part().equals(ref)),
              entry,
              "all readings of " + ref + " go with it");
          require(
              items.values().stream().noneMatch(i -> i instanceof OfPart o && o.part().equals(ref)),
              entry,
              "what is written of " + ref + " goes with it");
        }
        case Edit.PartChanged e -> {
          require(e.before().ref().equals(e.after().ref()), entry, "a change keeps the reference");
          require(
              parts.replace(e.before().ref(), e.before(), e.after()),
              entry,
              e.before().ref() + " is not so in the parts list");
        }
        case Edit.ReadingKept e -> keep(e.reading(), entry);
        case Edit.ReadingWithdrawn e -> withdraw(e.reading(), entry);
        case Edit.Together e -> e.edits().forEach(one -> change(one, entry));
        case Edit.NoteWritten _ -> {
          // A note changes nothing but the journal itself.
        }
        case Edit.Event e -> {
          store(e)
              .ifPresent(id ->
                  require(
                      id.equals(Edit.PICTURE_TUBE) || items.get(id) instanceof Rail,
                      entry,
                      "there is no rail " + id));
          events.add(new Happening(entry.at().toInstant(), e));
        }
      }
    }

    private void change(Edit.ItemChanged edit, Entry entry) {
      String id = edit.item().id();
      require(
          Optional.ofNullable(items.get(id)).equals(edit.before()),
          entry,
          id + " is not so written down");
      require(
          !(edit.item() instanceof OfPart o) || parts.containsKey(o.part()),
          entry,
          "its part is not in the parts list");
      edit.after().ifPresentOrElse(after -> items.put(id, after), () -> items.remove(id));
    }

    private static Optional<String> store(Edit.Event event) {
      return switch (event) {
        case Edit.VoltsMeasured e -> Optional.of(e.rail());
        case Edit.ClipPut e -> Optional.of(e.rail());
        case Edit.ClipTaken e -> Optional.of(e.rail());
        case Edit.PowerSwitched _, Edit.Answered _, Reforming _, PoweringUp _ -> Optional.empty();
      };
    }

    private void keep(Reading reading, Entry entry) {
      require(
          parts.containsKey(reading.part()), entry, reading.part() + " is not in the parts list");
      require(readingIds.add(reading.id()), entry, "reading " + reading.id() + " is there already");
      readings.add(position(reading), reading);
    }

    private void withdraw(Reading reading, Entry entry) {
      require(readings.remove(reading), entry, "reading " + reading.id() + " is not there");
      readingIds.remove(reading.id());
    }

    /** Readings stay in order of time, equal times in order of entry; most come last. */
    private int position(Reading reading) {
      int at = readings.size();
      while (at > 0 && readings.get(at - 1).at().isAfter(reading.at())) {
        at--;
      }
      return at;
    }

    private static void require(boolean fits, Entry entry, String why) {
      if (!fits) {
        throw new IllegalEditException(why, entry.number());
      }
    }
  }
}
