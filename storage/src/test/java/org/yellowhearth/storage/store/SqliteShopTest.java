package org.yellowhearth.storage.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.flywaydb.core.Flyway;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.IllegalEditException;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.jobfile.JobFileTest;

public class SqliteShopTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-07-01T10:00:00.123456789Z").atZone(ZoneId.of("America/New_York"));
  private Path folder;

  @BeforeMethod
  public void freshFolder() throws IOException {
    folder = Files.createTempDirectory("shop");
  }

  private static void assertSame(Job a, Job b) {
    assertThat(a.journal()).isEqualTo(b.journal());
    assertThat(a.census()).isEqualTo(b.census());
    assertThat(a.readings()).isEqualTo(b.readings());
    assertThat(a.plate()).isEqualTo(b.plate());
  }

  private long count(String table) throws SQLException {
    try (Connection c =
            DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("shop.sqlite"));
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery("select count(*) from " + table)) {
      return r.getLong(1);
    }
  }

  @Test
  public void whatWasPutOnTheShelfIsThereAfterARestart() {
    Job job = JobFileTest.randomJob(1);
    String id;
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      id = shop.add(job);
    }
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      assertSame(shop.job(id), job);
      assertThat(shop.shelf()).extracting(ShelfLine::id).containsExactly(id);
    }
  }

  @Test
  public void undoAndRedoSurviveARestart() {
    String id;
    Job undone;
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      id = shop.add(JobFileTest.randomJob(2));
      shop.append(
          id,
          List.of(
              new Act.Did(new Edit.NoteWritten("one")), new Act.Did(new Edit.NoteWritten("two"))),
          NOW);
      undone = shop.append(id, List.of(new Act.Undid(61)), NOW);
    }
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      assertSame(shop.job(id), undone);
      Job redone =
          shop.append(id, List.of(new Act.Redid(shop.job(id).nextRedo().orElseThrow())), NOW);
      assertThat(redone.counts(61)).isTrue();
      assertThat(redone.journal().getLast().at()).isEqualTo(NOW);
    }
  }

  @Test
  public void anAppendThatDoesNotFitLeavesEverythingAsItWas() throws SQLException {
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      String id = shop.add(JobFileTest.randomJob(4));
      Job before = shop.job(id);
      assertThatThrownBy(() ->
              shop.append(
                  id, List.of(new Act.Did(new Edit.NoteWritten("first")), new Act.Undid(0)), NOW))
          .isInstanceOf(IllegalEditException.class);
      assertSame(shop.job(id), before);
      assertThat(count("entry")).isEqualTo(before.journal().size());
    }
  }

  @Test
  public void theTablesShowWhatStandsNow() throws SQLException {
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      for (int seed = 0; seed < 12; seed++) {
        String id = shop.add(Job.of(JobFileTest.randomJob(seed).journal().subList(0, 1)));
        Job whole = JobFileTest.randomJob(seed);
        // Answers at gates come between, so that what undo and redo name is found under another
        // number.
        List<Integer> at = new ArrayList<>(List.of(0));
        whole.journal().stream()
            .skip(1)
            .forEach(e -> {
              Act act =
                  switch (e.act()) {
                    case Act.Did did -> did;
                    case Act.Undid undid -> new Act.Undid(at.get(undid.entry()));
                    case Act.Redid redid -> new Act.Redid(at.get(redid.entry()));
                  };
              Job now;
              try {
                now = shop.append(id, List.of(act), e.at());
              } catch (GateClosedException asked) {
                now = shop.append(id, List.of(answer(asked.gate().question()), act), e.at());
              }
              at.add(now.journal().size() - 1);
            });
      }
      long parts = Shelves.jobs(shop).stream().mapToLong(e -> e.job().census().size()).sum();
      long readings = Shelves.jobs(shop).stream().mapToLong(e -> e.job().readings().size()).sum();
      assertThat(count("part")).isEqualTo(parts).isPositive();
      assertThat(count("reading")).isEqualTo(readings).isPositive();
    }
  }

  private static Act answer(Edit.Question question) {
    return new Act.Did(new Edit.Answered(question, OptionalDouble.empty(), "looked at"));
  }

  /**
   * No way into a journal leads past a gate: not by a command, not by undo or redo, not by an
   * answer to another question.
   */
  @Test
  public void nothingIsWrittenPastAGate() {
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      String id =
          shop.add(
              Job.of(
                  List.of(
                      new Entry(
                          0,
                          NOW,
                          new Act.Did(new Edit.Arrived(SetPlate.named("Set"), Policy.USUAL))))));
      Act power = new Act.Did(new Edit.PowerSwitched(Edit.Power.LIT));
      assertThatThrownBy(() -> shop.append(id, List.of(power), NOW))
          .isInstanceOf(GateClosedException.class)
          .hasMessageContaining("Nothing was kept");
      assertThatThrownBy(
              () -> shop.append(id, List.of(answer(Edit.Question.READ_WHILE_LIT), power), NOW))
          .isInstanceOf(GateClosedException.class);
      assertThatThrownBy(() ->
              shop.append(
                  id,
                  List.of(
                      answer(Edit.Question.POWER_UNCHECKED),
                      new Act.Did(new Edit.NoteWritten("between")),
                      power),
                  NOW))
          .isInstanceOf(GateClosedException.class);
      assertThat(shop.job(id).journal()).hasSize(1);
      Resistor part =
          new Resistor(
              PartRef.of("R1"),
              "1k",
              1000,
              Optional.empty(),
              OptionalDouble.empty(),
              Resistor.Make.UNSTATED,
              Resistor.Task.UNSTATED,
              "",
              "");
      shop.append(id, List.of(new Act.Did(new Edit.PartAdded(part))), NOW);
      shop.append(id, List.of(answer(Edit.Question.POWER_UNCHECKED), power), NOW);
      Act out = new Act.Did(new Edit.PartRemoved(part, List.of()));
      Act undo = new Act.Undid(1);
      for (Act taking : List.of(out, undo)) {
        assertThatThrownBy(() -> shop.append(id, List.of(taking), NOW))
            .as("out of a set that is on")
            .isInstanceOf(GateClosedException.class);
      }
      shop.append(id, List.of(answer(Edit.Question.REMOVE_WHILE_LIT), undo), NOW);
      assertThat(shop.job(id).census()).isEmpty();
      shop.append(id, List.of(new Act.Did(new Edit.PowerSwitched(Edit.Power.OFF))), NOW);
    }
  }

  @Test
  public void theJournalCannotBeRewrittenBySql() throws SQLException {
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      shop.add(JobFileTest.randomJob(5));
    }
    try (Connection c =
            DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("shop.sqlite"));
        Statement s = c.createStatement()) {
      assertThatThrownBy(() -> s.execute("update entry set act = '{}'"))
          .hasMessageContaining("only appended");
      assertThatThrownBy(() -> s.execute("delete from entry"))
          .hasMessageContaining("only appended");
      try (ResultSet r = s.executeQuery("pragma journal_mode")) {
        assertThat(r.getString(1)).isEqualTo("wal");
      }
    }
  }

  @Test
  public void aSecondWindowIsKeptOut() {
    try (SqliteShop first = SqliteShop.open(folder, KNOWLEDGE)) {
      assertThatThrownBy(() -> SqliteShop.open(folder, KNOWLEDGE))
          .isInstanceOf(ShopException.class)
          .hasMessageContaining("open in another window");
      assertThat(first.shelf()).isEmpty();
    }
    try (SqliteShop again = SqliteShop.open(folder, KNOWLEDGE)) {
      assertThat(again.shelf()).isEmpty();
    }
  }

  @Test
  public void aFileThatIsNoShopIsLeftAsItIs() throws IOException {
    byte[] nonsense =
        "this is not a database, it is a shopping list, and a long one at that"
            .repeat(40)
            .getBytes(StandardCharsets.UTF_8);
    Files.write(folder.resolve("shop.sqlite"), nonsense);
    assertThatThrownBy(() -> SqliteShop.open(folder, KNOWLEDGE))
        .isInstanceOf(ShopException.class)
        .hasMessageContaining("cannot be opened")
        .hasMessageContaining("left as it is");
    assertThat(Files.readAllBytes(folder.resolve("shop.sqlite"))).isEqualTo(nonsense);
  }

  @Test
  public void aShopOfANewerProgramIsRefused() throws SQLException {
    SqliteShop.open(folder, KNOWLEDGE).close();
    try (Connection c =
            DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("shop.sqlite"));
        Statement s = c.createStatement()) {
      s.execute(
          "insert into flyway_schema_history select 99, '99', 'future', type, script, checksum, installed_by, installed_on, "
              + "execution_time, success from flyway_schema_history where installed_rank = 1");
    }
    assertThatThrownBy(() -> SqliteShop.open(folder, KNOWLEDGE))
        .isInstanceOf(ShopException.class)
        .hasMessageContaining("newer");
  }

  @DataProvider
  public Object[][] released() {
    return new Object[][] {{"1", ""}, {"2", ", ''"}};
  }

  /** A shop as an earlier version left it, made by its migrations alone. */
  @Test(dataProvider = "released")
  public void aShopOfAnEarlierVersionIsBroughtUpToDate(String version, String dateColumn)
      throws SQLException {
    String url = "jdbc:sqlite:" + folder.resolve("shop.sqlite");
    Flyway.configure()
        .dataSource(url, null, null)
        .locations("classpath:org/yellowhearth/storage/store/sqlite")
        .target(version)
        .load()
        .migrate();
    try (Connection c = DriverManager.getConnection(url);
        Statement s = c.createStatement()) {
      s.execute(
          "insert into job values ('old', 'Old set', 'radio-receiver', 'loft', 1949, '2026-01-01T00:00:00Z')");
      s.execute(
          "insert into entry values ('old', 0, '2026-01-01T00:00:00Z', 'UTC', '{\"act\":\"arrived\","
              + "\"set\":{\"name\":\"Old set\",\"kind\":\"radio-receiver\",\"technology\":\"valve\",\"place\":\"loft\",\"made\":1949,"
              + "\"chassis\":\"live\",\"purpose\":\"use\",\"dialect\":\"british\"},\"policy\":{}}')");
      s.execute(
          "insert into entry values ('old', 1, '2026-01-01T00:00:01Z', 'UTC', '{\"act\":\"part-added\",\"part\":"
              + "{\"ref\":\"C1\",\"marking\":\"8 MFD\",\"kind\":\"electrolytic-dry\",\"capacitanceFarads\":8e-6}}')");
      s.execute(
          "insert into part values ('old', 'C1', '8 MFD', 'electrolytic-dry', 'unstated', 8e-6, null, null"
              + dateColumn
              + ")");
    }
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      Job old = shop.job("old");
      assertThat(old.census()).extracting(p -> p.dateCode()).containsExactly("");
      assertThat(old.aspects()).isEmpty();
      Paper paper = new Paper("p1", "Drawing", "B");
      Act added = new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(paper)));
      assertThat(shop.append("old", List.of(added), NOW).items()).containsExactly(paper);
    }
    try (Connection c = DriverManager.getConnection(url);
        Statement s = c.createStatement();
        ResultSet row =
            s.executeQuery(
                "select json_extract(content, '$.title') from item where type = 'paper'")) {
      assertThat(row.next()).isTrue();
      assertThat(row.getString(1)).isEqualTo("Drawing");
    }
    try (Connection c = DriverManager.getConnection(url);
        Statement s = c.createStatement();
        ResultSet row =
            s.executeQuery("select sort, capacitance_farads from part where ref = 'C1'")) {
      assertThat(row.next()).isTrue();
      assertThat(row.getString(1)).isEqualTo("capacitor");
      assertThat(row.getDouble(2)).isEqualTo(8e-6);
    }
  }

  @Test
  public void aFolderThatCannotBeUsedIsNamed() throws IOException {
    Path file = Files.createFile(folder.resolve("plain"));
    assertThatThrownBy(() -> SqliteShop.open(file, KNOWLEDGE))
        .isInstanceOf(ShopException.class)
        .hasMessageContaining("plain")
        .hasMessageContaining("drive");
  }

  @Test
  public void anUnknownJobIsSaidToBeUnknown() {
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      assertThatThrownBy(() -> shop.job("nothing"))
          .isInstanceOf(ShopException.class)
          .hasMessageContaining("no job nothing");
    }
  }

  @Test
  public void placesFollowThePlatform() {
    Path home = Path.of("/home/x");
    Places linux = new Places(Map.of(), home, "Linux");
    assertThat(linux.shop()).isEqualTo(Path.of("/home/x/.local/share/yellow-hearth/shop"));
    assertThat(linux.logs()).isEqualTo(Path.of("/home/x/.local/state/yellow-hearth"));
    assertThat(new Places(Map.of("XDG_DATA_HOME", "/data"), home, "Linux").shop())
        .isEqualTo(Path.of("/data/yellow-hearth/shop"));
    assertThat(new Places(Map.of("XDG_DATA_HOME", "not/absolute"), home, "Linux").shop())
        .isEqualTo(linux.shop());
    assertThat(new Places(Map.of(), home, "Mac OS X").shop())
        .isEqualTo(Path.of("/home/x/Library/Application Support/Yellow Hearth/shop"));
    assertThat(new Places(Map.of(), home, "Mac OS X").logs())
        .isEqualTo(Path.of("/home/x/Library/Logs/Yellow Hearth"));
    assertThat(new Places(Map.of("APPDATA", "/roaming"), home, "Windows 11").logs())
        .isEqualTo(Path.of("/roaming/Yellow Hearth/logs"));
  }

  /**
   * Undo gives back what a change took, redo takes it again, another change ends that; all of it is
   * there after a restart.
   */
  @Test
  public void theDrawerKeepsEveryActAndItsUndo() {
    StockPart bag =
        new StockPart(
            "bag-1",
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
            OptionalInt.of(3),
            OptionalDouble.empty(),
            OptionalInt.empty(),
            OptionalDouble.of(0.35),
            1,
            "",
            false,
            "");
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      assertThat(shop.stock().all()).isEmpty();
      shop.append(changed(Optional.empty(), Optional.of(bag)), NOW);
      shop.append(changed(Optional.of(bag), Optional.of(bag.counted(9))), NOW);
      shop.append(new Stock.Act.TakenBack(shop.stock().nextUndo().getAsInt()), NOW);
    }
    try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
      assertThat(shop.stock().drawer()).containsExactly(bag);
      shop.append(new Stock.Act.DoneAgain(shop.stock().nextRedo().getAsInt()), NOW);
      assertThat(shop.stock().part("bag-1").orElseThrow().quantity()).hasValue(9);
      assertThat(shop.stock().nextRedo()).isEmpty();
      assertThatThrownBy(() -> shop.append(changed(Optional.of(bag), Optional.empty()), NOW))
          .hasMessageContaining("no longer what it was");
      assertThatThrownBy(() -> shop.append(new Stock.Act.TakenBack(0), NOW))
          .hasMessageContaining("turn");
      shop.append(changed(Optional.of(bag.counted(9)), Optional.empty()), NOW);
      assertThat(shop.stock().all()).isEmpty();
    }
  }

  private static Stock.Act changed(Optional<StockPart> before, Optional<StockPart> after) {
    return new Stock.Act.Changed(List.of(new Stock.Change(before, after)));
  }
}
