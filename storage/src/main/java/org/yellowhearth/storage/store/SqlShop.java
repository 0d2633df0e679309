package org.yellowhearth.storage.store;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;
import org.jdbi.v3.core.statement.PreparedBatch;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.IllegalEditException;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.learn.Tally;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.safety.Gate;
import org.yellowhearth.core.safety.Hearth;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.archive.Digest;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;
import org.yellowhearth.storage.jobfile.JobWriter;

/**
 * A shop in a database: every append is one transaction, the journals are the truth, and whatever
 * can be looked up beside them is kept in the same transaction. What is read from the database is
 * never older than it: another bench's entries are read before one's own are appended.
 */
abstract class SqlShop implements Shop {
  private static final int MOST_OPEN = 64;

  private final Knowledge knowledge;
  private final Map<String, Job> open =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Job> eldest) {
          return size() > MOST_OPEN;
        }
      };
  private Stock stock = Stock.EMPTY;
  private String by = "";

  SqlShop(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** The connection, made anew where it was lost. */
  abstract Handle handle();

  private Journals journals() {
    return new Journals(handle(), knowledge);
  }

  private DigestTables digests() {
    return new DigestTables(handle(), this::hits);
  }

  /** What to do where the database refuses. */
  abstract String remedy();

  /** Lets nobody else append to a job until the transaction ends. */
  abstract void lockJob(String id);

  /** The same for the drawer. */
  abstract void lockStock();

  /** The same for digests. */
  abstract void lockDigests();

  /** What a search finds of one sort. */
  abstract List<Hit> hits(Search search, Hit.Where where, int most);

  @Override
  public synchronized void sign(String name) {
    Entry.requireSignature(name.strip());
    by = name.strip();
  }

  @Override
  public synchronized List<ShelfLine> shelf() {
    return guarded("read the shelf", () -> digests().shelf());
  }

  @Override
  public synchronized List<String> undigested(int most) {
    return guarded("read the shelf", () -> digests().undigested(most));
  }

  @Override
  public synchronized void keep(Digest digest) {
    guarded(
        "keep what there is to be found",
        () ->
            inTransaction(() -> {
              lockDigests();
              digests().keep(digest);
              return digest;
            }));
  }

  @Override
  public synchronized List<Hit> find(Search search, int most) {
    return search.isEmpty()
        ? List.of()
        : guarded("look for something", () -> digests().find(search, most));
  }

  @Override
  public synchronized long things() {
    return guarded("count what there is", () -> digests().things());
  }

  @Override
  public synchronized List<Tally> tallies() {
    return guarded("add up what it has learned", () -> digests().tallies(""));
  }

  @Override
  public synchronized List<Tally> talliesWithout(String job) {
    return guarded("add up what it has learned", () -> digests().tallies(job));
  }

  @Override
  public synchronized Map<String, Stock.Uses> uses() {
    return guarded("read what is spoken for", () -> digests().uses());
  }

  @Override
  public synchronized Job job(String id) {
    return guarded("read a job", () -> current(id));
  }

  /** The job as the database has it: what is known already is not read again. */
  private Job current(String id) {
    Optional<Job> known = Optional.ofNullable(open.get(id));
    int had = known.map(j -> j.journal().size()).orElse(0);
    Job now =
        known.isPresent() && journals().size(id) == had ? known.get() : journals().after(id, known);
    open.put(id, now);
    return now;
  }

  @Override
  public synchronized String add(Job job) {
    return addAs(UUID.randomUUID().toString(), job);
  }

  /** Puts a job on the shelf under the id that it had. */
  synchronized String addAs(String id, Job job) {
    guarded(
        "put a job on the shelf",
        () ->
            inTransaction(() -> {
              lockJob(id);
              write(id, job, job.journal());
              project(id, List.of(), job.census());
              projectReadings(id, Set.of(), job.readings());
              projectFacts(id, List.of(), job);
              return id;
            }));
    open.put(id, job);
    return id;
  }

  @Override
  public synchronized Job append(String id, List<Act> acts, ZonedDateTime at) {
    Job standing =
        guarded(
            "keep an entry",
            () ->
                inTransaction(() -> {
                  lockJob(id);
                  Job known = open.getOrDefault(id, null);
                  Job before = current(id);
                  List<Entry> entries = new ArrayList<>();
                  Job after = before;
                  try {
                    for (Act act : acts) {
                      requireAsked(act, entries, after, at.toInstant());
                      Entry entry = new Entry(after.journal().size(), at, act, by);
                      entries.add(entry);
                      after = after.after(entry);
                    }
                  } catch (IllegalEditException e) {
                    throw known != null && known.journal().size() < before.journal().size()
                        ? conflict(before.journal().get(known.journal().size()), e)
                        : e;
                  }
                  write(id, after, entries);
                  projectChanges(id, before, after);
                  return after;
                }));
    open.put(id, standing);
    return standing;
  }

  /**
   * No way into a journal leads past a gate: what could mean a hand or a meter in a charged set is
   * written only right after the answer of whoever was asked.
   */
  private void requireAsked(Act act, List<Entry> before, Job job, Instant now) {
    Gate.before(act, job, () -> Hearth.of(job, knowledge).at(now), now)
        .ifPresent(gate -> {
          boolean asked =
              !before.isEmpty()
                  && before.getLast().act() instanceof Act.Did(Edit.Answered a)
                  && a.question() == gate.question();
          if (!asked) {
            Words words = Words.of(job.plate().dialect());
            throw new GateClosedException(
                gate, words.word(gate.question()) + " " + words.say(gate.words()));
          }
        });
  }

  private static ShopException conflict(Entry others, IllegalEditException why) {
    String who = others.by().isEmpty() ? "another bench" : others.by();
    return new ShopException(
        "Meanwhile "
            + who
            + " changed the same thing (entry "
            + others.number()
            + "), so this was not kept: "
            + why.getMessage()
            + ". What stands now is shown; do it again if it is still right.",
        why);
  }

  private void write(String id, Job job, List<Entry> entries) {
    Instant touched = job.journal().getLast().at().toInstant();
    handle()
        .createUpdate(
            """
            insert into job (id, name, kind, place, made, touched_at, entries)
                values (:id, :name, :kind, :place, :made, :touched, :entries)
            on conflict (id) do update set name = excluded.name, kind = excluded.kind, place = excluded.place,
                made = excluded.made, touched_at = excluded.touched_at, entries = excluded.entries
            """)
        .bind("id", id)
        .bind("name", job.plate().name())
        .bind("kind", job.plate().kind().code())
        .bind("place", job.plate().place())
        .bind(
            "made",
            job.plate().made().isPresent() ? Integer.valueOf(job.plate().made().getAsInt()) : null)
        .bind("touched", touched.toString())
        .bind("entries", job.journal().size())
        .execute();
    PreparedBatch batch =
        handle()
            .prepareBatch(
                "insert into entry (job, number, at, zone, act, signed) values (?, ?, ?, ?, ?, ?)");
    for (Entry e : entries) {
      batch.add(
          id,
          e.number(),
          e.at().toInstant().toString(),
          e.at().getZone().getId(),
          JobWriter.act(e.act()).toString(),
          e.by());
    }
    batch.execute();
  }

  private void projectChanges(String id, Job before, Job after) {
    Set<Part> was = new HashSet<>(before.census());
    Set<Part> is = new HashSet<>(after.census());
    project(
        id,
        was.stream().filter(p -> !is.contains(p)).toList(),
        is.stream().filter(p -> !was.contains(p)).toList());
    Set<Reading> had = new HashSet<>(before.readings());
    Set<Reading> has = new HashSet<>(after.readings());
    projectReadings(
        id,
        new HashSet<>(had.stream().filter(r -> !has.contains(r)).map(Reading::id).toList()),
        has.stream().filter(r -> !had.contains(r)).toList());
    projectFacts(id, before.items(), after);
  }

  private void projectFacts(String id, List<Item> before, Job after) {
    Set<Item> was = new HashSet<>(before);
    Set<Item> is = new HashSet<>(after.items());
    before.stream()
        .filter(i -> !is.contains(i))
        .forEach(i -> handle().execute("delete from item where job = ? and id = ?", id, i.id()));
    after.items().stream()
        .filter(i -> !was.contains(i))
        .forEach(i ->
            handle()
                .execute(
                    "insert into item values (?, ?, ?, ?)",
                    id,
                    i.id(),
                    RecordJson.tag(i.getClass()),
                    RecordJson.write((Record) i).toString()));
    handle().execute("delete from aspect where job = ?", id);
    after
        .aspects()
        .forEach(a ->
            handle()
                .execute(
                    "insert into aspect values (?, ?, ?)",
                    id,
                    RecordJson.tag(a.getClass()),
                    RecordJson.write((Record) a).toString()));
  }

  private void project(String id, List<Part> gone, List<Part> come) {
    for (Part part : gone) {
      handle().execute("delete from part where job = ? and ref = ?", id, part.ref().toString());
    }
    for (Part part : come) {
      Optional<Capacitor> c =
          Optional.of(part).filter(Capacitor.class::isInstance).map(Capacitor.class::cast);
      handle()
          .execute(
              "insert into part values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
              id,
              part.ref().toString(),
              part.sort().code(),
              part.marking(),
              c.map(Capacitor::kind).orElse(null),
              c.map(x -> x.role().code()).orElse(null),
              c.map(Capacitor::farads).orElse(null),
              c.map(x -> boxed(x.ratedVolts())).orElse(null),
              c.map(x -> boxed(x.workingVolts())).orElse(null),
              part.dateCode(),
              JobWriter.part(part).toString());
    }
  }

  private void projectReadings(String id, Set<String> gone, List<Reading> come) {
    for (String reading : gone) {
      handle().execute("delete from reading where job = ? and id = ?", id, reading);
    }
    for (Reading r : come) {
      handle()
          .execute(
              "insert into reading values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
              id,
              r.id(),
              r.part().toString(),
              r.at().toString(),
              boxed(r.figures().get(Figure.CAPACITANCE)),
              boxed(r.figures().get(Figure.ESR)),
              boxed(r.figures().get(Figure.DISSIPATION)),
              boxed(r.figures().get(Figure.QUALITY)),
              boxed(r.figures().get(Figure.LEAKAGE)),
              boxed(r.figures().get(Figure.INSULATION)),
              boxed(r.conditions().frequencyHertz()),
              boxed(r.conditions().testVolts()),
              r.conditions().connection().code(),
              JobWriter.reading(r).toString());
    }
  }

  @Override
  public synchronized Stock stock() {
    return guarded("read the drawer", this::currentStock);
  }

  @Override
  public synchronized List<DatedAct> stockJournal() {
    return guarded(
        "read the drawer",
        () ->
            handle()
                .createQuery("select at, zone, act from stock_entry order by number")
                .map((r, _) ->
                    new DatedAct(
                        Instant.parse(r.getString("at")).atZone(ZoneId.of(r.getString("zone"))),
                        RecordJson.readTagged(
                            JsonText.read(r.getString("act")), "act", Stock.Act.class)))
                .list());
  }

  private Stock currentStock() {
    Stock now = stock;
    for (String act :
        handle()
            .createQuery("select act from stock_entry where number >= ? order by number")
            .bind(0, now.acts())
            .mapTo(String.class)
            .list()) {
      now = now.after(RecordJson.readTagged(JsonText.read(act), "act", Stock.Act.class));
    }
    stock = now;
    return now;
  }

  @Override
  public synchronized Stock append(Stock.Act act, ZonedDateTime at) {
    stock =
        guarded(
            "keep what was done to the drawer",
            () ->
                inTransaction(() -> {
                  lockStock();
                  int known = stock.acts();
                  Stock before = currentStock();
                  try {
                    return appended(before, List.of(new DatedAct(at, act)));
                  } catch (IllegalArgumentException e) {
                    throw before.acts() > known
                        ? new ShopException(
                            "Meanwhile another bench changed the drawer, so this was not kept: "
                                + e.getMessage()
                                + ". What stands now is shown; do it again if it is still right.",
                            e)
                        : e;
                  }
                }));
    return stock;
  }

  @Override
  public synchronized Stock takeOver(List<DatedAct> acts) {
    stock =
        guarded(
            "take over what was done to the drawer",
            () ->
                inTransaction(() -> {
                  lockStock();
                  Stock before = currentStock();
                  if (before.acts() > 0) {
                    throw new ShopException(
                        "The drawer of this shop has a history of its own, so that of another was not taken over. "
                            + "Bring its lines in as a list (CSV) instead, or into a new shop.");
                  }
                  return appended(before, acts);
                }));
    return stock;
  }

  private Stock appended(Stock before, List<DatedAct> acts) {
    Stock after = before;
    for (DatedAct a : acts) {
      handle()
          .execute(
              "insert into stock_entry values (?, ?, ?, ?)",
              after.acts(),
              a.at().toInstant().toString(),
              a.at().getZone().getId(),
              RecordJson.writeTagged("act", (Record) a.act()).toString());
      after = after.after(a.act());
    }
    project(before, after);
    return after;
  }

  private void project(Stock before, Stock after) {
    Set<StockPart> was = new HashSet<>(before.all());
    Set<StockPart> is = new HashSet<>(after.all());
    was.stream()
        .filter(p -> !is.contains(p))
        .forEach(p -> handle().execute("delete from stock where id = ?", p.id()));
    is.stream()
        .filter(p -> !was.contains(p))
        .forEach(p ->
            handle()
                .execute(
                    "insert into stock values (?, ?, ?, ?, ?)",
                    p.id(),
                    p.whence().code(),
                    p.title(),
                    p.quantity().isPresent() ? Integer.valueOf(p.quantity().getAsInt()) : null,
                    RecordJson.write(p).toString()));
  }

  static Double boxed(OptionalDouble value) {
    return value.isPresent() ? Double.valueOf(value.getAsDouble()) : null;
  }

  private <T> T inTransaction(Supplier<T> work) {
    return handle().inTransaction(_ -> work.get());
  }

  /** Does something with the database; what the database refuses changed nothing and is told. */
  final <T> T guarded(String what, Supplier<T> work) {
    try {
      return work.get();
    } catch (JdbiException e) {
      throw new ShopException(
          "The shop could not " + what + ": " + firstLine(e) + " Nothing was changed. " + remedy(),
          e);
    }
  }

  static String firstLine(Throwable e) {
    Throwable cause = e;
    while (cause.getCause() != null) {
      cause = cause.getCause();
    }
    return String.valueOf(cause.getMessage()).lines().findFirst().orElse("").strip() + ".";
  }
}
