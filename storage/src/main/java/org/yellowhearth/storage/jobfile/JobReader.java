package org.yellowhearth.storage.jobfile;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Supplier;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.IllegalEditException;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.knowledge.words.Words;

/**
 * Reads job files. Everything is refused that is not understood to the last field: a job is taken
 * whole or not at all. A file written by hand may leave out ids, journal and every value that
 * follows from a marking or from the line as typed.
 */
public final class JobReader {
  private static final int LONGEST_NAME = JobFormat.LONGEST_NAME;
  private static final int LONGEST_TEXT = JobFormat.LONGEST_TEXT;

  private final PartFile parts;

  public JobReader(Knowledge knowledge) {
    this.parts = new PartFile(knowledge);
  }

  /**
   * Reads a job.
   *
   * @param now the time that entries get which the file gives no time
   * @throws BadFileException with line and pointer where anything is not as it must be
   */
  public JobFile read(JsonValue root, ZonedDateTime now) {
    root.object(
        "format",
        "version",
        "id",
        "set",
        "policy",
        "parts",
        "readings",
        "notes",
        "journal",
        "aspects",
        "items");
    JsonValue format = root.field("format");
    if (!format.text(LONGEST_NAME).equals(JobFormat.NAME)) {
      throw format.bad("this is no job file; expected \"" + JobFormat.NAME + "\"");
    }
    JsonValue version = root.field("version");
    int number = version.integer(0, Integer.MAX_VALUE);
    if (number < 1 || number > JobFormat.VERSION) {
      throw version.bad(
          "version "
              + number
              + " is not known here; expected 1 to "
              + JobFormat.VERSION
              + ". A newer file needs a newer program");
    }
    Optional<String> id = root.optional("id").map(JobReader::id);
    SetPlate plate = plate(root.field("set"));
    Policy policy = policy(root.optional("policy"));
    List<Part> census = parts(root);
    List<Reading> readings = readings(root, census, now);
    List<Aspect> aspects = FactReader.aspects(root);
    List<Item> items = FactReader.items(root);
    Optional<JsonValue> journal = root.optional("journal");
    if (journal.isPresent() && root.optional("notes").isPresent()) {
      throw root.field("notes")
          .bad("notes stand in the journal where there is one; leave out one of the two");
    }
    Job job =
        journal.isPresent()
            ? replayed(journal.get())
            : Job.of(
                opening(plate, policy, census, readings, notes(root, now), aspects, items, now));
    boolean same =
        job.plate().equals(plate)
            && job.policy().equals(policy)
            && Set.copyOf(job.census()).equals(Set.copyOf(census))
            && Set.copyOf(job.readings()).equals(Set.copyOf(readings))
            && Set.copyOf(job.aspects()).equals(Set.copyOf(aspects))
            && Set.copyOf(job.items()).equals(Set.copyOf(items));
    if (journal.isPresent() && !same) {
      throw journal
          .get()
          .bad(
              "set, policy, parts, readings, aspects or items are not what the journal leads to; "
                  + "leave the journal out to import them as they stand");
    }
    return new JobFile(id, job);
  }

  static String id(JsonValue v) {
    String id = v.text(64);
    if (!id.matches("[A-Za-z0-9-]{1,64}")) {
      throw v.bad("expected an id of letters, digits and hyphens");
    }
    return id;
  }

  private static List<Entry> opening(
      SetPlate plate,
      Policy policy,
      List<Part> parts,
      List<Reading> readings,
      List<Entry> notes,
      List<Aspect> aspects,
      List<Item> items,
      ZonedDateTime now) {
    ZonedDateTime first = notes.stream().map(Entry::at).min(Comparator.naturalOrder()).orElse(now);
    for (Reading r : readings) {
      first = r.at().isBefore(first.toInstant()) ? r.at().atZone(now.getZone()) : first;
    }
    List<Entry> timed = new ArrayList<>();
    readings.forEach(r ->
        timed.add(
            new Entry(0, r.at().atZone(now.getZone()), new Act.Did(new Edit.ReadingKept(r)))));
    timed.addAll(notes);
    timed.sort(Comparator.comparing(e -> e.at().toInstant()));
    List<Entry> journal = new ArrayList<>();
    journal.add(new Entry(0, first, new Act.Did(new Edit.Arrived(plate, policy))));
    List<Edit> edits = new ArrayList<>();
    aspects.forEach(a -> edits.add(new Edit.AspectChanged(Aspect.blank(a.getClass()), a)));
    parts.forEach(part -> edits.add(new Edit.PartAdded(part)));
    items.forEach(item -> edits.add(new Edit.ItemChanged(Optional.empty(), Optional.of(item))));
    for (Edit edit : edits) {
      journal.add(new Entry(journal.size(), first, new Act.Did(edit)));
    }
    timed.forEach(e -> journal.add(new Entry(journal.size(), e.at(), e.act())));
    return journal;
  }

  private List<Entry> notes(JsonValue root, ZonedDateTime now) {
    return root.list("notes", JobFormat.MOST_ENTRIES).stream()
        .map(v -> {
          v.object("at", "text");
          ZonedDateTime at =
              v.optional("at").map(t -> instant(t).atZone(now.getZone())).orElse(now);
          return new Entry(
              0, at, new Act.Did(new Edit.NoteWritten(v.field("text").text(LONGEST_TEXT))));
        })
        .toList();
  }

  private Job replayed(JsonValue journal) {
    List<JsonValue> values = journal.list(JobFormat.MOST_ENTRIES);
    List<Entry> entries = new ArrayList<>();
    for (JsonValue v : values) {
      ZonedDateTime at = instant(v.field("at")).atZone(zone(v.field("zone")));
      entries.add(made(v, entries.size(), at));
    }
    Job job;
    try {
      job = Job.of(entries);
    } catch (IllegalEditException e) {
      JsonValue at = e.entry() < values.size() ? values.get(e.entry()) : journal;
      throw at.bad("the journal does not hold together: " + e.getMessage());
    }
    return job;
  }

  private Entry made(JsonValue v, int number, ZonedDateTime at) {
    String by = v.optional("by").map(b -> b.text(Entry.LONGEST)).orElse("");
    try {
      return new Entry(number, at, act(v), by);
    } catch (IllegalArgumentException e) {
      throw v.bad(e.getMessage());
    }
  }

  /** One act of a journal; the fields of its time and its signature are the caller's. */
  public Act act(JsonValue v) {
    JsonValue act = v.field("act");
    return switch (act.text(LONGEST_NAME)) {
      case "undo" ->
          new Act.Undid(fields(v, "entry").field("entry").integer(0, JobFormat.MOST_ENTRIES));
      case "redo" ->
          new Act.Redid(fields(v, "entry").field("entry").integer(0, JobFormat.MOST_ENTRIES));
      case "arrived" ->
          did(
              new Edit.Arrived(
                  plate(fields(v, "set", "policy").field("set")),
                  policy(Optional.of(v.field("policy")))));
      case "set-changed" ->
          did(
              new Edit.PlateChanged(
                  plate(fields(v, "before", "after").field("before")), plate(v.field("after"))));
      case "policy-changed" ->
          did(
              new Edit.PolicyChanged(
                  policy(Optional.of(fields(v, "before", "after").field("before"))),
                  policy(Optional.of(v.field("after")))));
      case "part-added" ->
          did(
              new Edit.PartAdded(
                  parts.read(fields(v, "part", "readings").field("part")), ownReadings(v)));
      case "part-removed" ->
          did(
              new Edit.PartRemoved(
                  parts.read(fields(v, "part", "readings").field("part")), ownReadings(v)));
      case "part-changed" ->
          did(
              new Edit.PartChanged(
                  parts.read(fields(v, "before", "after").field("before")),
                  parts.read(v.field("after"))));
      case "reading-kept" ->
          did(new Edit.ReadingKept(ownReading(fields(v, "reading").field("reading"))));
      case "reading-withdrawn" ->
          did(new Edit.ReadingWithdrawn(ownReading(fields(v, "reading").field("reading"))));
      case "note" -> did(new Edit.NoteWritten(fields(v, "text").field("text").text(LONGEST_TEXT)));
      case "aspect-changed" -> {
        Aspect before = FactReader.aspect(fields(v, "before", "after").field("before"));
        yield made(v, () -> new Edit.AspectChanged(before, FactReader.aspect(v.field("after"))));
      }
      case "item-changed" -> {
        fields(v, "before", "after");
        Optional<Item> before = v.optional("before").map(FactReader::item);
        Optional<Item> after = v.optional("after").map(FactReader::item);
        yield made(v, () -> new Edit.ItemChanged(before, after));
      }
      case "together" -> {
        List<Edit> edits =
            fields(v, "edits").field("edits").list(JobFormat.MOST_ENTRIES).stream()
                .map(this::plainEdit)
                .toList();
        yield made(v, () -> new Edit.Together(edits));
      }
      case "volts" -> did(event(v, Edit.VoltsMeasured.class));
      case "clip" -> did(event(v, Edit.ClipPut.class));
      case "unclip" -> did(event(v, Edit.ClipTaken.class));
      case "answered" -> did(event(v, Edit.Answered.class));
      case String reform when reform.startsWith("reform-") ->
          did(RecordJson.readTagged(v, "act", Reforming.class, "at", "zone", "by"));
      case String ramp when ramp.startsWith("ramp-") ->
          did(RecordJson.readTagged(v, "act", PoweringUp.class, "at", "zone", "by"));
      case "power" ->
          did(new Edit.PowerSwitched(fields(v, "power").field("power").code(Edit.Power.class)));
      default ->
          throw act.bad(
              "unknown act; expected one of arrived, set-changed, policy-changed, part-added, part-changed, "
                  + "part-removed, reading-kept, reading-withdrawn, aspect-changed, item-changed, together, note, power, volts, clip, "
                  + "unclip, answered, reform-begun, reform-read, reform-stepped, reform-paused, reform-stopped, reform-aborted, "
                  + "reform-finished, reform-discharging, reform-discharged, reform-proving, ramp-begun, ramp-stepped, ramp-read, "
                  + "ramp-stopped, ramp-finished, undo, redo");
    };
  }

  private Edit plainEdit(JsonValue v) {
    if (v.optional("at").isPresent()
        || v.optional("zone").isPresent()
        || v.optional("by").isPresent()) {
      throw v.bad(
          "edits that stand together have one time and one signature, those of their entry");
    }
    if (v.field("act").text(LONGEST_NAME).equals("together") || !(act(v) instanceof Act.Did did)) {
      throw v.bad("together stand plain edits that can be undone");
    }
    return did.edit();
  }

  private static Act did(Edit edit) {
    return new Act.Did(edit);
  }

  private static <E extends Edit.Event> E event(JsonValue v, Class<E> type) {
    return RecordJson.read(v, type, "at", "zone", "by", "act");
  }

  private static Act made(JsonValue v, Supplier<Edit> edit) {
    try {
      return did(edit.get());
    } catch (IllegalArgumentException e) {
      throw v.bad(e.getMessage());
    }
  }

  private static JsonValue fields(JsonValue v, String... names) {
    List<String> all = new ArrayList<>(List.of("at", "zone", "by", "act"));
    all.addAll(List.of(names));
    return v.object(all.toArray(String[]::new));
  }

  private static List<Reading> ownReadings(JsonValue v) {
    return v.list("readings", JobFormat.MOST_READINGS).stream().map(JobReader::ownReading).toList();
  }

  /** A reading of a journal gives its moment and its figures itself. */
  private static Reading ownReading(JsonValue v) {
    return ReadingFile.read(v, Instant.EPOCH, _ -> Sort.CAPACITOR);
  }

  static Instant instant(JsonValue v) {
    try {
      return Instant.parse(v.text(LONGEST_NAME));
    } catch (DateTimeException e) {
      throw v.bad("expected a time in UTC such as 2026-11-20T10:15:00Z");
    }
  }

  private static ZoneId zone(JsonValue v) {
    try {
      return ZoneId.of(v.text(LONGEST_NAME));
    } catch (DateTimeException e) {
      throw v.bad("expected a time zone such as Europe/London");
    }
  }

  private static SetPlate plate(JsonValue v) {
    v.object(
        "name",
        "kind",
        "technology",
        "place",
        "made",
        "mains",
        "chassis",
        "purpose",
        "dialect",
        "complaint",
        "endState");
    JsonValue name = v.field("name");
    if (name.text(LONGEST_NAME).isBlank()) {
      throw name.bad("a set needs a name");
    }
    Optional<JsonValue> made = v.optional("made");
    return new SetPlate(
        name.text(LONGEST_NAME),
        v.code("kind", SetPlate.Kind.RADIO_RECEIVER),
        v.code("technology", SetPlate.Technology.VALVE),
        v.text("place", LONGEST_NAME),
        made.isPresent()
            ? OptionalInt.of(made.get().integer(SetPlate.FIRST_YEAR, SetPlate.LAST_YEAR))
            : OptionalInt.empty(),
        v.optional("mains").map(JobReader::mains),
        v.code("chassis", SetPlate.Chassis.UNKNOWN),
        v.code("purpose", SetPlate.Purpose.USE),
        v.code("dialect", SetPlate.Dialect.BRITISH),
        v.text("complaint", LONGEST_TEXT),
        v.text("endState", LONGEST_TEXT));
  }

  private static SetPlate.Mains mains(JsonValue v) {
    v.object("volts", "hertz");
    return new SetPlate.Mains(v.field("volts").number(1, 1000), v.field("hertz").number(0, 1000));
  }

  private static Policy policy(Optional<JsonValue> given) {
    if (given.isEmpty()) {
      return Policy.USUAL;
    }
    JsonValue v =
        given
            .get()
            .object(
                "renew",
                "voltage",
                "capacitance",
                "electrolytics",
                "appearance",
                "tantalum",
                "rectifiers",
                "paper",
                "limits");
    Policy usual = Policy.USUAL;
    return new Policy(
        v.code("renew", usual.renew()),
        v.code("voltage", usual.voltage()),
        v.code("capacitance", usual.capacitance()),
        v.code("electrolytics", usual.electrolytics()),
        v.code("appearance", usual.appearance()),
        v.code("tantalum", usual.tantalum()),
        v.code("rectifiers", usual.rectifiers()),
        v.code("paper", usual.paper()),
        v.code("limits", usual.limits()));
  }

  private List<Part> parts(JsonValue root) {
    Set<PartRef> seen = new HashSet<>();
    return root.list("parts", JobFormat.MOST_PARTS).stream()
        .map(v -> {
          Part part = parts.read(v);
          if (!seen.add(part.ref())) {
            throw v.field("ref").bad(part.ref() + " stands in the parts list twice");
          }
          return part;
        })
        .toList();
  }

  private static List<Reading> readings(JsonValue root, List<Part> parts, ZonedDateTime now) {
    Map<PartRef, Sort> known = new HashMap<>();
    parts.forEach(p -> known.put(p.ref(), p.sort()));
    Set<String> ids = new HashSet<>();
    List<Reading> readings = new ArrayList<>();
    for (JsonValue v : root.list("readings", JobFormat.MOST_READINGS)) {
      Reading given =
          ReadingFile.read(v, now.toInstant(), ref -> known.getOrDefault(ref, Sort.CAPACITOR));
      Reading reading =
          given.id().isEmpty()
              ? new Reading(
                  "r" + (readings.size() + 1),
                  given.part(),
                  given.at(),
                  given.figures(),
                  given.conditions(),
                  given.typed())
              : given;
      if (!known.containsKey(reading.part())) {
        throw v.field("part").bad("there is no " + reading.part() + " among the parts");
      }
      if (!ids.add(reading.id())) {
        throw v.bad("the reading id " + reading.id() + " stands here a second time");
      }
      readings.add(reading);
    }
    return readings;
  }

  static <T> T understood(JsonValue at, Supplier<T> reading) {
    Words words = Words.of(SetPlate.Dialect.BRITISH);
    try {
      return reading.get();
    } catch (UnreadableException e) {
      throw at.bad(words.say(e.problem()));
    } catch (AmbiguousException e) {
      throw at.bad(words.say(e.question()) + " Write it plainly.");
    }
  }
}
