package org.yellowhearth.storage.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.testng.SkipException;
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
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.archive.DigestMaker;
import org.yellowhearth.storage.disk.NewFile;
import org.yellowhearth.storage.jobfile.JobReader;
import org.yellowhearth.storage.jobfile.JobWriter;

/**
 * What a killed process leaves, at hundreds of random moments. The process is stopped by a signal,
 * its files are copied, and it goes on: a stopped process has written exactly what one killed at
 * that moment has. What it had confirmed by then, in a file of its own, must be in the copy.
 */
public class KilledAnywhereTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-07-01T10:00:00Z").atZone(ZoneOffset.UTC);
  private static final int IMPORTED = 31;

  /**
   * The process that is stopped: edits, imports, counts of the drawer, digests, backups, exports
   * and old shops brought up to date, for ever.
   */
  public static void main(String[] args) throws IOException {
    Path folder = Path.of(args[0]);
    Path said = Path.of(args[1]);
    SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE);
    DigestMaker digests = new DigestMaker(KNOWLEDGE);
    String id = shop.add(job("Edited", 0));
    say(said, "ready " + id);
    for (int round = 1; ; round++) {
      for (int k = 0; k < 5; k++) {
        Job now = shop.append(id, List.of(note(shop.job(id).journal().size())), NOW);
        say(said, "entry " + now.journal().size());
      }
      say(said, "import " + shop.add(job("Imported " + round, IMPORTED - 1)));
      StockPart bag = bag(round);
      shop.append(
          new Stock.Act.Changed(
              List.of(new Stock.Change(shop.stock().part("bag"), Optional.of(bag)))),
          NOW);
      say(said, "drawer " + round);
      shop.keep(digests.of(id, new Judge(KNOWLEDGE).of(shop.job(id), NOW.toLocalDate()), NOW));
      NewFile.write(
          folder.resolve("export " + round + ".json"),
          JobWriter.write(id, shop.job(id)).getBytes(StandardCharsets.UTF_8));
      say(said, "export " + round);
      if (round % 7 == 0) {
        Backups.settle(Backups.copy(shop), KNOWLEDGE, NOW.plusMinutes(round).toInstant());
      }
      Path old = folder.resolve("old " + round);
      Files.createDirectories(old);
      Files.copy(Path.of(args[2]), old.resolve(SqliteShop.FILE));
      say(said, "old " + round);
      SqliteShop.open(old, KNOWLEDGE).close();
      Files.deleteIfExists(folder.resolve("export " + (round - 2) + ".json"));
      if (round > 1) {
        delete(folder.resolve("old " + (round - 1)));
      }
    }
  }

  private static void say(Path said, String line) throws IOException {
    Files.writeString(said, line + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
  }

  private static Act note(int number) {
    return new Act.Did(new Edit.NoteWritten("note " + number));
  }

  private static Job job(String name, int notes) {
    List<Entry> journal = new ArrayList<>();
    journal.add(
        new Entry(0, NOW, new Act.Did(new Edit.Arrived(SetPlate.named(name), Policy.USUAL))));
    for (int k = 1; k <= notes; k++) {
      journal.add(new Entry(k, NOW, note(k)));
    }
    return Job.of(journal);
  }

  private static StockPart bag(int count) {
    return new StockPart(
        "bag",
        Choice.Whence.DRAWER,
        "bag 1",
        new ResistorWare(
            150,
            0.05,
            5,
            Leads.AXIAL,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty()),
        OptionalInt.of(count),
        OptionalDouble.empty(),
        OptionalInt.empty(),
        OptionalDouble.empty(),
        1,
        "",
        false,
        "");
  }

  @Test
  public void whateverWasConfirmedIsThereWhereverItIsKilled()
      throws IOException, InterruptedException {
    if (!Files.isDirectory(Path.of("/proc/self"))) {
      throw new SkipException("a process is stopped and looked at by signals and /proc");
    }
    Path work = Files.createTempDirectory("anywhere");
    Path folder = work.resolve("shop");
    Path said = work.resolve("said");
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-Xmx300m",
                "-cp",
                System.getProperty("java.class.path"),
                KilledAnywhereTest.class.getName(),
                folder.toString(),
                said.toString(),
                oldShop(work).toString())
            .redirectErrorStream(true)
            .redirectOutput(work.resolve("log").toFile())
            .start();
    try {
      Random random = new Random(20260815);
      int stops = Boolean.getBoolean("hearth.long") ? 1000 : 50;
      while (!Files.exists(said)) {
        assertThat(process.isAlive()).isTrue();
        Thread.sleep(20);
      }
      Map<String, Integer> seen = new HashMap<>();
      for (int k = 0; k < stops; k++) {
        Thread.sleep(0, random.nextInt(999_999));
        Thread.sleep(random.nextInt(50));
        signal(process, "STOP");
        Path copy = work.resolve("copy");
        copy(folder, copy);
        check(copy, Files.readAllLines(said), k, seen);
        delete(copy);
        // It stands still meanwhile, or it would do more than can be looked through.
        signal(process, "CONT");
      }
      System.out.printf("stopped %d times; amid: %s%n", stops, seen);
      assertThat(seen.keySet()).contains("log", "old shop");
    } finally {
      process.destroyForcibly();
      assertThat(process.waitFor(240, TimeUnit.SECONDS)).isTrue();
      delete(work);
    }
  }

  private static void check(Path copy, List<String> confirmed, int stop, Map<String, Integer> seen)
      throws IOException {
    String id = confirmed.getFirst().substring("ready ".length());
    Map<String, String> last = new HashMap<>();
    List<String> imported = new ArrayList<>();
    for (String line : confirmed) {
      String[] words = line.split(" ", -1);
      last.put(words[0], words[1]);
      if (words[0].equals("import")) {
        imported.add(words[1]);
      }
    }
    if (Files.exists(copy.resolve(SqliteShop.FILE + "-wal"))) {
      seen.merge("log", 1, Integer::sum);
    }
    try (SqliteShop shop = SqliteShop.open(copy, KNOWLEDGE)) {
      assertThat(shop.job(id).journal().size())
          .as("stop %d", stop)
          .isGreaterThanOrEqualTo(Integer.parseInt(last.getOrDefault("entry", "1")));
      List<String> there = new ArrayList<>();
      shop.shelf().stream()
          .filter(l -> l.name().startsWith("Imported"))
          .forEach(l -> {
            assertThat(shop.job(l.id()).journal())
                .as("whole or not at all, stop %d", stop)
                .hasSize(IMPORTED);
            there.add(l.id());
          });
      assertThat(there).as("stop %d", stop).containsAll(imported);
      assertThat(shop.stock().part("bag").map(b -> b.quantity().getAsInt()).orElse(0))
          .as("stop %d", stop)
          .isGreaterThanOrEqualTo(Integer.parseInt(last.getOrDefault("drawer", "0")));
      assertThat(shop.append(id, List.of(note(9999)), NOW).journal()).as("it goes on").isNotEmpty();
    }
    files(copy, last, stop, seen);
    Path old = copy.resolve("old " + last.getOrDefault("old", "0"));
    if (Files.exists(old.resolve(SqliteShop.FILE))) {
      seen.merge("old shop", 1, Integer::sum);
      try (SqliteShop shop = SqliteShop.open(old, KNOWLEDGE)) {
        assertThat(shop.shelf())
            .as("stop %d", stop)
            .singleElement()
            .satisfies(l -> assertThat(l.entries()).isEqualTo(1));
        assertThat(shop.job("old").plate().name()).isEqualTo("Old set");
      }
    }
  }

  /** A file that has its name is whole; backups that count can be read. */
  private static void files(
      Path copy, Map<String, String> last, int stop, Map<String, Integer> seen) throws IOException {
    try (Stream<Path> all = Files.list(copy)) {
      for (Path file : all.toList()) {
        String name = file.getFileName().toString();
        if (name.startsWith("export")
            && name.endsWith(last.getOrDefault("export", "0") + ".json")) {
          assertThat(new JobReader(KNOWLEDGE).read(JsonText.read(file), NOW).job().plate().name())
              .as("stop %d", stop)
              .isEqualTo("Edited");
        } else if (name.endsWith(".part")) {
          seen.merge("file being written", 1, Integer::sum);
        }
      }
    }
    for (Backups.Backup b : Backups.of(copy)) {
      assertThat(Backups.check(b.file(), KNOWLEDGE).sound())
          .as("stop %d, %s", stop, b.file())
          .isTrue();
    }
  }

  /** A shop as the first version left it. */
  private static Path oldShop(Path work) throws IOException {
    Path file = work.resolve("old.sqlite");
    String url = "jdbc:sqlite:" + file;
    Flyway.configure()
        .dataSource(url, null, null)
        .locations("classpath:org/yellowhearth/storage/store/sqlite")
        .target("1")
        .load()
        .migrate();
    try (var c = java.sql.DriverManager.getConnection(url);
        var s = c.createStatement()) {
      s.execute(
          "insert into job values ('old', 'Old set', 'radio-receiver', 'loft', 1949, '2026-01-01T00:00:00Z')");
      s.execute(
          "insert into entry values ('old', 0, '2026-01-01T00:00:00Z', 'UTC', '{\"act\":\"arrived\",\"set\":{\"name\":"
              + "\"Old set\",\"kind\":\"radio-receiver\",\"technology\":\"valve\",\"chassis\":\"live\",\"purpose\":\"use\","
              + "\"dialect\":\"british\"},\"policy\":{}}')");
    } catch (java.sql.SQLException e) {
      throw new IOException(e);
    }
    return file;
  }

  private static void signal(Process process, String name)
      throws IOException, InterruptedException {
    assertThat(
            new ProcessBuilder("kill", "-" + name, Long.toString(process.pid())).start().waitFor())
        .isZero();
    if (name.equals("STOP")) {
      // Every thread of it must stand still before anything is copied.
      Path tasks = Path.of("/proc", Long.toString(process.pid()), "task");
      while (!stopped(tasks)) {
        Thread.onSpinWait();
      }
    }
  }

  private static boolean stopped(Path tasks) throws IOException {
    try (Stream<Path> all = Files.list(tasks)) {
      for (Path task : all.toList()) {
        try {
          String stat = Files.readString(task.resolve("stat"));
          if (stat.charAt(stat.lastIndexOf(')') + 2) != 'T') {
            return false;
          }
        } catch (NoSuchFileException _) {
          return false;
        }
      }
    }
    return true;
  }

  private static void copy(Path from, Path to) throws IOException {
    try (Stream<Path> all = Files.walk(from)) {
      for (Path p : all.toList()) {
        Path target = to.resolve(from.relativize(p).toString());
        if (Files.isDirectory(p)) {
          Files.createDirectories(target);
        } else {
          Files.copy(p, target);
        }
      }
    }
  }

  private static void delete(Path folder) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }
}
