package org.yellowhearth.records.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.renew.Stock;
import org.yellowhearth.core.renew.StockPart;
import org.yellowhearth.records.archive.DigestMaker;
import org.yellowhearth.records.archive.Search;
import org.yellowhearth.records.jobfile.JobReader;
import org.yellowhearth.records.json.JsonText;
import org.yellowhearth.records.knowledge.KnowledgeFiles;

/** A shop that benches share, on Debian's own PostgreSQL server: the same as one in a file, and nothing of what two benches do at once is lost. */
public class PostgresShopTest {
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
    private static final ZonedDateTime NOW = Instant.parse("2026-07-01T10:00:00Z").atZone(ZoneOffset.UTC);
    private Optional<PostgresServer> server = Optional.empty();
    private int databases;

    @BeforeClass
    public void startServer() throws IOException, InterruptedException {
        server = PostgresServer.start();
        if (server.isEmpty()) {
            throw new SkipException("PostgreSQL is not here");
        }
    }

    @AfterClass(alwaysRun = true)
    public void stopServer() throws IOException, InterruptedException {
        if (server.isPresent()) {
            server.get().end();
        }
    }

    private String database() throws IOException, InterruptedException {
        return server.orElseThrow().database("shop" + databases++);
    }

    private static Job job(String name) {
        return Job.of(List.of(new Entry(0, NOW, new Act.Did(new Edit.Arrived(SetPlate.named(name), Policy.USUAL)))));
    }

    private static List<Act> note(String text) {
        return List.of(new Act.Did(new Edit.NoteWritten(text)));
    }

    private static List<Act> called(Job job, String place) {
        SetPlate plate = job.plate();
        return List.of(new Act.Did(new Edit.PlateChanged(plate, plate.with(p -> p.place = place))));
    }

    /** The demo in both: what lies there, what is found, what was learned and what is spoken for are the same. */
    @Test
    public void itIsTheSameAsAShopInAFile() throws IOException, InterruptedException {
        DigestMaker digests = new DigestMaker(KNOWLEDGE);
        try (SqliteShop file = SqliteShop.open(Files.createTempDirectory("file"), KNOWLEDGE);
                PostgresShop shared = PostgresShop.open(database(), KNOWLEDGE);
                Stream<Path> demo = Files.list(Path.of(System.getProperty("hearth.root"), "demo"))) {
            for (Path p : demo.filter(f -> f.toString().endsWith(".json")).sorted().toList()) {
                Job job = new JobReader(KNOWLEDGE).read(JsonText.read(p), NOW).job();
                for (SqlShop shop : List.of(file, shared)) {
                    shop.addAs("id-" + p.getFileName(), job);
                    assertThat(shop.undigested(100)).contains("id-" + p.getFileName());
                    shop.append("id-" + p.getFileName(), note("Hums at full moon, says the mate's \\ cousin"), NOW);
                    shop.keep(digests.of("id-" + p.getFileName(), shop.job("id-" + p.getFileName()), NOW));
                }
            }
            assertThat(shared.undigested(100)).isEmpty();
            assertThat(shared.shelf()).isEqualTo(file.shelf());
            for (String search : List.of(".05", "50n", "paper", "renew electrolytic 1951", "350 V brindle", "C16b brindle",
                    "full moon",
                    "mate's \\", "33k mess", "%", "'; drop table", "é", "\"", "..", "c")) {
                Search of = Search.of(search);
                assertThat(shared.find(of, 5000)).as(search).containsExactlyInAnyOrderElementsOf(file.find(of, 5000));
            }
            assertThat(shared.things()).isEqualTo(file.things()).isPositive();
            assertThat(shared.tallies()).containsExactlyInAnyOrderElementsOf(file.tallies());
            assertThat(shared.uses()).isEqualTo(file.uses());
            String id = shared.shelf().getFirst().id();
            assertThat(shared.talliesWithout(id)).containsExactlyInAnyOrderElementsOf(file.talliesWithout(id));
            assertThat(shared.job(id).journal()).isEqualTo(file.job(id).journal());
        }
    }

    /** Two benches write into one job at once: every entry of both is there, in one order, under its name. */
    @Test
    public void nothingIsLostWhenTwoBenchesWriteAtOnce() throws IOException, InterruptedException, ExecutionException {
        String address = database();
        int each = Boolean.getBoolean("hearth.long") ? 2000 : 150;
        try (PostgresShop one = PostgresShop.open(address, KNOWLEDGE);
                PostgresShop two = PostgresShop.open(address, KNOWLEDGE);
                ExecutorService benches = Executors.newFixedThreadPool(2)) {
            String id = one.add(job("Shared"));
            one.sign("Ann");
            two.sign("Ben");
            List<Future<?>> work = new ArrayList<>();
            for (PostgresShop bench : List.of(one, two)) {
                String name = bench.equals(one) ? "Ann" : "Ben";
                work.add(benches.submit(() -> {
                    for (int k = 0; k < each; k++) {
                        bench.append(id, note(name + " " + k), NOW);
                    }
                }));
            }
            for (Future<?> w : work) {
                w.get();
            }
            List<Entry> journal = one.job(id).journal();
            assertThat(journal).hasSize(1 + 2 * each).isEqualTo(two.job(id).journal());
            for (String name : List.of("Ann", "Ben")) {
                List<String> notes = journal.stream().filter(e -> e.by().equals(name))
                        .map(e -> e.act() instanceof Act.Did(Edit.NoteWritten(String text)) ? text : "").toList();
                List<String> wanted = Stream.iterate(0, k -> k + 1).limit(each).map(k -> name + " " + k).toList();
                assertThat(notes).isEqualTo(wanted);
            }
            assertThat(one.shelf()).singleElement().satisfies(l -> assertThat(l.entries()).isEqualTo(1 + 2 * each));
        }
    }

    /** The same thing changed at both benches: the second is told who was first, keeps nothing, and sees what stands. */
    @Test
    public void conflictsAreTold() throws IOException, InterruptedException {
        String address = database();
        try (PostgresShop one = PostgresShop.open(address, KNOWLEDGE); PostgresShop two = PostgresShop.open(address, KNOWLEDGE)) {
            one.sign("Ann");
            String id = one.add(job("Shared"));
            Job seen = two.job(id);
            one.append(id, called(seen, "mess"), NOW);
            assertThatThrownBy(() -> two.append(id, called(seen, "loft"), NOW)).isInstanceOf(ShopException.class)
                    .hasMessageContaining("Ann changed the same thing").hasMessageContaining("not kept");
            assertThat(two.job(id).plate().place()).isEqualTo("mess");
            // What does not touch it goes on, and what another did last is not undone by mistake.
            assertThat(two.append(id, note("from the second bench"), NOW).journal()).hasSize(3);
            assertThatThrownBy(() -> one.append(id, List.of(new Act.Undid(1)), NOW)).isInstanceOf(ShopException.class);
            assertThat(one.append(id, List.of(new Act.Undid(2), new Act.Undid(1)), NOW).plate().place()).isEmpty();
            StockPart bag = new StockPart("bag", Choice.Whence.DRAWER, "bag 1",
                    new ResistorWare(150, 0.05, 5, Leads.AXIAL, OptionalDouble.empty(), OptionalDouble.empty(),
                            OptionalDouble.empty()),
                    OptionalInt.of(3), OptionalDouble.empty(), OptionalInt.empty(), OptionalDouble.empty(), 1, "", false, "");
            one.append(counted(Optional.empty(), bag), NOW);
            assertThat(two.stock().part("bag")).contains(bag);
            one.append(counted(Optional.of(bag), bag.counted(7)), NOW);
            assertThatThrownBy(() -> two.append(counted(Optional.of(bag), bag.counted(9)), NOW)).isInstanceOf(ShopException.class)
                    .hasMessageContaining("another bench changed the drawer");
            assertThat(two.stock().part("bag")).contains(bag.counted(7));
        }
    }

    private static Stock.Act counted(Optional<StockPart> before, StockPart after) {
        return new Stock.Act.Changed(List.of(new Stock.Change(before, Optional.of(after))));
    }

    /** The server fails in the middle and comes back: what was confirmed is there, and the bench goes on without a new start. */
    @Test(dependsOnMethods = {"itIsTheSameAsAShopInAFile", "nothingIsLostWhenTwoBenchesWriteAtOnce", "conflictsAreTold"})
    public void aServerThatFailsLosesNothing() throws IOException, InterruptedException {
        try (PostgresShop shop = PostgresShop.open(database(), KNOWLEDGE)) {
            String id = shop.add(job("Shared"));
            for (int k = 0; k < 20; k++) {
                shop.append(id, note("note " + k), NOW);
            }
            server.orElseThrow().fail();
            assertThatThrownBy(() -> shop.append(id, note("lost"), NOW)).isInstanceOf(ShopException.class)
                    .hasMessageContaining("Nothing was changed").hasMessageContaining("do it again");
            assertThatThrownBy(() -> shop.append(id, note("lost"), NOW)).isInstanceOf(ShopException.class)
                    .hasMessageContaining("cannot be reached");
            server.orElseThrow().begin();
            assertThat(shop.append(id, note("again"), NOW).journal()).hasSize(22);
        }
    }

    @Test
    public void whatCannotBeOpenedIsTold() throws IOException, InterruptedException, SQLException {
        assertThatThrownBy(() -> PostgresShop.open("jdbc:postgresql://127.0.0.1:1/none?user=x&password=secret", KNOWLEDGE))
                .isInstanceOf(ShopException.class).hasMessageContaining("cannot be opened").hasMessageNotContaining("secret");
        assertThatThrownBy(() -> PostgresShop.open("http://example.org", KNOWLEDGE)).isInstanceOf(ShopException.class)
                .hasMessageContaining("not the address");
        String address = database();
        try (PostgresShop shop = PostgresShop.open(address, KNOWLEDGE)) {
            shop.add(job("Shared"));
        }
        try (Connection c = DriverManager.getConnection(address); Statement s = c.createStatement()) {
            assertThatThrownBy(() -> s.execute("update entry set act = '{}'")).hasMessageContaining("only appended to");
            assertThatThrownBy(() -> s.execute("delete from entry")).hasMessageContaining("only appended to");
            s.execute(
                    "insert into flyway_schema_history select 99, '99', 'future', type, script, checksum, installed_by, installed_on, "
                            + "execution_time, success from flyway_schema_history where installed_rank = 1");
        }
        assertThatThrownBy(() -> PostgresShop.open(address, KNOWLEDGE)).isInstanceOf(ShopException.class)
                .hasMessageContaining("newer");
    }
}
