package org.yellowhearth.records.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;

import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationState;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.jdbi.v3.core.statement.PreparedBatch;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.renew.Stock;
import org.yellowhearth.core.renew.StockPart;
import org.yellowhearth.records.jobfile.JobWriter;
import org.yellowhearth.records.json.JsonText;
import org.yellowhearth.records.json.RecordJson;

/**
 * A shop in a SQLite file: write-ahead log, full synchronisation, one writer, every append one transaction. A lock beside the file
 * keeps a second window out.
 */
public final class SqliteShop implements Shop {
    static final String FILE = "shop.sqlite";

    private final Path folder;
    private final Handle handle;
    private final Connection connection;
    private final FileChannel lockChannel;
    private final Journals journals;
    private final Map<String, Job> open = new HashMap<>();
    private Optional<Stock> stock = Optional.empty();

    private SqliteShop(Path folder, Connection connection, FileChannel lockChannel, Knowledge knowledge) {
        this.folder = folder;
        this.connection = connection;
        this.handle = Jdbi.create(connection).open();
        this.lockChannel = lockChannel;
        this.journals = new Journals(handle, knowledge);
    }

    /**
     * Opens the shop in a folder, making it if there is none, and brings an older one up to date.
     *
     * @throws ShopException where the folder cannot be used, the shop is open already, or the file is no shop or a newer one
     */
    public static SqliteShop open(Path folder, Knowledge knowledge) {
        FileChannel lock = lock(folder);
        try {
            SQLiteConfig config = new SQLiteConfig();
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
            config.enforceForeignKeys(true);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
            SQLiteDataSource source = new SQLiteDataSource(config);
            source.setUrl("jdbc:sqlite:" + folder.resolve(FILE));
            Flyway flyway = Flyway.configure().dataSource(source).locations("classpath:org/yellowhearth/records/store").load();
            if (Arrays.stream(flyway.info().all()).anyMatch(m -> m.getState() == MigrationState.FUTURE_SUCCESS)) {
                throw new FlywayException("it was made by a newer version of the program");
            }
            flyway.migrate();
            return new SqliteShop(folder, source.getConnection(), lock, knowledge);
        } catch (FlywayException | SQLException e) {
            release(lock);
            throw new ShopException("The shop in " + folder + " cannot be opened: " + firstLine(e)
                    + " It was left as it is. Start with another folder, or put a backup in its place.", e);
        }
    }

    static String firstLine(Throwable e) {
        Throwable cause = e;
        while (cause.getCause() != null) {
            cause = cause.getCause();
        }
        return String.valueOf(cause.getMessage()).lines().findFirst().orElse("").strip() + ".";
    }

    private static FileChannel lock(Path folder) {
        try {
            Files.createDirectories(folder);
            FileChannel channel = FileChannel.open(folder.resolve("shop.lock"), StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE);
            FileLock lock = tryLock(channel);
            if (lock == null) {
                channel.close();
                throw new ShopException("The shop in " + folder + " is open in another window. Go on there, or close it first.");
            }
            return channel;
        } catch (IOException e) {
            throw new ShopException("The folder " + folder + " cannot be written to: " + e.getMessage()
                    + ". Check that the drive is there and that you may write to it.", e);
        }
    }

    private static FileLock tryLock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    private static void release(FileChannel lock) {
        try {
            lock.close();
        } catch (IOException e) {
            throw new ShopException("The lock on the shop could not be given back: " + e.getMessage(), e);
        }
    }

    /** The folder it is kept in. */
    public Path folder() {
        return folder;
    }

    @Override
    public synchronized List<ShelfEntry> shelf() {
        return guarded("read the shelf", () -> handle.createQuery("select id from job order by touched_at desc, name, id")
                .mapTo(String.class).list().stream().map(id -> new ShelfEntry(id, job(id))).toList());
    }

    @Override
    public synchronized Job job(String id) {
        return open.computeIfAbsent(id, this::load);
    }

    private Job load(String id) {
        return guarded("read a job", () -> journals.job(id));
    }

    @Override
    public synchronized String add(Job job) {
        return addAs(UUID.randomUUID().toString(), job);
    }

    /** Puts a job on the shelf under the id that it had. */
    synchronized String addAs(String id, Job job) {
        guarded("put a job on the shelf", () -> inTransaction(() -> {
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
        Job before = job(id);
        Job after = before;
        List<Entry> entries = new ArrayList<>();
        for (Act act : acts) {
            Entry entry = new Entry(after.journal().size(), at, act);
            entries.add(entry);
            after = after.after(entry);
        }
        Job standing = after;
        guarded("keep an entry", () -> inTransaction(() -> {
            write(id, standing, entries);
            projectChanges(id, before, standing);
            return standing;
        }));
        open.put(id, standing);
        return standing;
    }

    private void write(String id, Job job, List<Entry> entries) {
        Instant touched = job.journal().getLast().at().toInstant();
        handle.createUpdate("""
                insert into job (id, name, kind, place, made, touched_at) values (:id, :name, :kind, :place, :made, :touched)
                on conflict (id) do update set name = excluded.name, kind = excluded.kind, place = excluded.place,
                    made = excluded.made, touched_at = excluded.touched_at
                """).bind("id", id).bind("name", job.plate().name()).bind("kind", job.plate().kind().code())
                .bind("place", job.plate().place())
                .bind("made", job.plate().made().isPresent() ? Integer.valueOf(job.plate().made().getAsInt()) : null)
                .bind("touched", touched.toString()).execute();
        PreparedBatch batch = handle.prepareBatch("insert into entry (job, number, at, zone, act) values (?, ?, ?, ?, ?)");
        for (Entry e : entries) {
            batch.add(id, e.number(), e.at().toInstant().toString(), e.at().getZone().getId(), JobWriter.act(e.act()).toString());
        }
        batch.execute();
    }

    private void projectChanges(String id, Job before, Job after) {
        Set<Part> was = new HashSet<>(before.census());
        Set<Part> is = new HashSet<>(after.census());
        project(id, was.stream().filter(p -> !is.contains(p)).toList(), is.stream().filter(p -> !was.contains(p)).toList());
        Set<Reading> had = new HashSet<>(before.readings());
        Set<Reading> has = new HashSet<>(after.readings());
        projectReadings(id, new HashSet<>(had.stream().filter(r -> !has.contains(r)).map(Reading::id).toList()),
                has.stream().filter(r -> !had.contains(r)).toList());
        projectFacts(id, before.items(), after);
    }

    private void projectFacts(String id, List<Item> before, Job after) {
        Set<Item> was = new HashSet<>(before);
        Set<Item> is = new HashSet<>(after.items());
        before.stream().filter(i -> !is.contains(i))
                .forEach(i -> handle.execute("delete from item where job = ? and id = ?", id, i.id()));
        after.items().stream().filter(i -> !was.contains(i))
                .forEach(i -> handle.execute("insert into item values (?, ?, ?, ?)", id,
                        i.id(), RecordJson.tag(i.getClass()), RecordJson.write((Record) i).toString()));
        handle.execute("delete from aspect where job = ?", id);
        after.aspects().forEach(a -> handle.execute("insert into aspect values (?, ?, ?)", id, RecordJson.tag(a.getClass()),
                RecordJson.write((Record) a).toString()));
    }

    private void project(String id, List<Part> gone, List<Part> come) {
        for (Part part : gone) {
            handle.execute("delete from part where job = ? and ref = ?", id, part.ref().toString());
        }
        for (Part part : come) {
            Optional<Capacitor> c = Optional.of(part).filter(Capacitor.class::isInstance).map(Capacitor.class::cast);
            handle.execute("insert into part values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", id, part.ref().toString(),
                    part.sort().code(), part.marking(), c.map(Capacitor::kind).orElse(null),
                    c.map(x -> x.role().code()).orElse(null), c.map(Capacitor::farads).orElse(null),
                    c.map(x -> boxed(x.ratedVolts())).orElse(null), c.map(x -> boxed(x.workingVolts())).orElse(null),
                    part.dateCode(), JobWriter.part(part).toString());
        }
    }

    private void projectReadings(String id, Set<String> gone, List<Reading> come) {
        for (String reading : gone) {
            handle.execute("delete from reading where job = ? and id = ?", id, reading);
        }
        for (Reading r : come) {
            handle.execute("insert into reading values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", id, r.id(),
                    r.part().toString(),
                    r.at().toString(), boxed(r.figures().get(Figure.CAPACITANCE)), boxed(r.figures().get(Figure.ESR)),
                    boxed(r.figures().get(Figure.DISSIPATION)), boxed(r.figures().get(Figure.QUALITY)),
                    boxed(r.figures().get(Figure.LEAKAGE)), boxed(r.figures().get(Figure.INSULATION)),
                    boxed(r.conditions().frequencyHertz()), boxed(r.conditions().testVolts()),
                    r.conditions().connection().code(), JobWriter.reading(r).toString());
        }
    }

    @Override
    public synchronized Stock stock() {
        if (stock.isEmpty()) {
            stock = Optional.of(guarded("read the drawer", () -> {
                Stock now = Stock.EMPTY;
                for (String act : handle.createQuery("select act from stock_entry order by number").mapTo(String.class).list()) {
                    now = now.after(RecordJson.readTagged(JsonText.read(act), "act", Stock.Act.class));
                }
                return now;
            }));
        }
        return stock.get();
    }

    @Override
    public synchronized Stock append(Stock.Act act, ZonedDateTime at) {
        Stock before = stock();
        Stock after = before.after(act);
        guarded("keep what was done to the drawer", () -> inTransaction(() -> {
            handle.execute("insert into stock_entry values (?, ?, ?, ?)", before.acts(), at.toInstant().toString(),
                    at.getZone().getId(), RecordJson.writeTagged("act", (Record) act).toString());
            project(before, after);
            return after;
        }));
        stock = Optional.of(after);
        return after;
    }

    private void project(Stock before, Stock after) {
        Set<StockPart> was = new HashSet<>(before.all());
        Set<StockPart> is = new HashSet<>(after.all());
        was.stream().filter(p -> !is.contains(p)).forEach(p -> handle.execute("delete from stock where id = ?", p.id()));
        is.stream().filter(p -> !was.contains(p))
                .forEach(p -> handle.execute("insert into stock values (?, ?, ?, ?, ?)", p.id(), p.whence().code(), p.title(),
                        p.quantity().isPresent() ? Integer.valueOf(p.quantity().getAsInt()) : null,
                        RecordJson.write(p).toString()));
    }

    /** Writes a whole copy of the shop as it stands at this moment into a new file. */
    synchronized void copyTo(Path file) {
        guarded("be copied", () -> handle.execute("vacuum into ?", file.toString()));
    }

    /** Lets the file grow no larger than so many pages: a full disk, for tests. */
    synchronized void limitPages(long pages) {
        guarded("be limited", () -> handle.createQuery("pragma max_page_count = " + pages).mapTo(Long.class).one());
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? Double.valueOf(value.getAsDouble()) : null;
    }

    private <T> T inTransaction(Supplier<T> work) {
        return handle.inTransaction(_ -> work.get());
    }

    private static <T> T guarded(String what, Supplier<T> work) {
        try {
            return work.get();
        } catch (JdbiException e) {
            throw new ShopException("The shop could not " + what + ": " + firstLine(e)
                    + " Nothing was changed. Check that the drive is there and has room.", e);
        }
    }

    @Override
    public synchronized void close() {
        handle.close();
        try {
            connection.close();
        } catch (SQLException e) {
            throw new ShopException("The shop could not be closed: " + firstLine(e), e);
        } finally {
            release(lockChannel);
        }
    }
}
