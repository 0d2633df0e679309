package org.yellowhearth.storage.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.learn.Tally;
import org.yellowhearth.core.learn.Topic;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.archive.Hit.Where;
import org.yellowhearth.storage.jobfile.JobReader;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.Shop.ShelfEntry;
import org.yellowhearth.storage.store.SqliteShop;

/** Finding anything over all jobs, by words and by values in any notation. */
public class ArchiveTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-08-01T10:00:00Z").atZone(ZoneOffset.UTC);
  private final List<ShelfEntry> jobs = new ArrayList<>();
  private Shop shop;

  @BeforeClass
  public void readTheDemo() throws IOException {
    shop = SqliteShop.open(Files.createTempDirectory("archive"), KNOWLEDGE);
    DigestMaker digests = new DigestMaker(KNOWLEDGE);
    try (Stream<Path> files = Files.list(Path.of(System.getProperty("hearth.root"), "demo"))) {
      for (Path file : files.filter(f -> f.toString().endsWith(".json")).sorted().toList()) {
        Job job = new JobReader(KNOWLEDGE).read(JsonText.read(file), NOW).job();
        job =
            job.after(
                new Entry(
                    job.journal().size(),
                    NOW,
                    new Act.Did(
                        new Edit.NoteWritten(
                            "Hums at full moon, says the mate of " + job.plate().name()))));
        String id = shop.add(job);
        jobs.add(new ShelfEntry(id, job));
        shop.keep(digests.of(id, new Judge(KNOWLEDGE).of(job, NOW.toLocalDate()), NOW));
      }
    }
  }

  @AfterClass
  public void close() {
    shop.close();
  }

  private List<Hit> find(String search) {
    return shop.find(Search.of(search), 500);
  }

  /** 50 nF by any of its names finds the same capacitors, those of 50 nF and no others. */
  @DataProvider
  Object[][] fiftyNanofarads() {
    return new Object[][] {
      {".05"}, {"0.05u"}, {"50n"}, {".05 mfd"}, {"50 kpF"}, {"50000 mmf"}, {"0,05uF"}
    };
  }

  @Test(dataProvider = "fiftyNanofarads")
  public void aValueIsFoundInAnyNotation(String search) {
    List<String> wanted =
        jobs.stream()
            .flatMap(j ->
                j.job().capacitors().stream()
                    .filter(c -> Math.abs(c.farads() - 50e-9) < 1e-12)
                    .map(c -> j.id() + c.ref()))
            .sorted()
            .toList();
    assertThat(wanted).isNotEmpty();
    assertThat(
            find(search).stream()
                .filter(h -> h.where() == Where.PART)
                .map(h -> h.job() + h.part().orElseThrow())
                .sorted()
                .toList())
        .isEqualTo(wanted);
  }

  @Test
  public void wordsAreFoundWhereverTheyStand() {
    assertThat(find("full moon"))
        .hasSize(jobs.size())
        .allSatisfy(h -> assertThat(h.where()).isEqualTo(Where.NOTE));
    assertThat(find("moon brindle"))
        .singleElement()
        .satisfies(h -> assertThat(h.set()).isEqualTo("Brindlecote 51"));
    assertThat(find("BRINDLE"))
        .first()
        .satisfies(h -> assertThat(h.set()).isEqualTo("Brindlecote 51"));
    assertThat(find("brindle").stream().filter(h -> h.where() == Where.SET)).hasSize(1);
    // What is found by the plate of its set alone is not what was looked for.
    assertThat(find("brindle").stream().filter(h -> h.where() == Where.PART)).isEmpty();
    assertThat(find("leaflet glued"))
        .isNotEmpty()
        .allSatisfy(h -> assertThat(h.where()).isEqualTo(Where.WRITTEN));
    assertThat(find("moonshine")).isEmpty();
    assertThat(find("  ")).isEmpty();
  }

  /** Verdict, family, role, year and place narrow it down; the hit opens at its part. */
  @Test
  public void severalWordsNarrowItDown() {
    List<Hit> renew = find("replace electrolytic 1951");
    assertThat(renew).isNotEmpty().allSatisfy(h -> assertThat(h.set()).isEqualTo("Brindlecote 51"));
    assertThat(renew).anySatisfy(h -> assertThat(h.part()).contains(PartRef.of("C16b")));
    Job brindlecote =
        jobs.stream()
            .map(ShelfEntry::job)
            .filter(j -> j.plate().name().startsWith("Brindle"))
            .findFirst()
            .orElseThrow();
    assertThat(
            find("350 V brindle").stream()
                .filter(h -> h.where() == Where.PART)
                .map(h -> h.part().orElseThrow()))
        .allSatisfy(ref -> {
          Capacitor c = brindlecote.capacitor(ref).orElseThrow();
          assertThat(c.ratedVolts().orElse(c.workingVolts().orElse(0))).isEqualTo(350.0);
        });
    assertThat(find("C16b brindle"))
        .first()
        .satisfies(h -> assertThat(h.part()).contains(PartRef.of("C16b")));
    assertThat(find("4k7 mess").stream().filter(h -> h.where() == Where.PART)).isEmpty();
    assertThat(find("33k mess").stream().filter(h -> h.where() == Where.PART))
        .extracting(h -> h.part().orElseThrow().toString())
        .containsExactly("R2");
  }

  /**
   * A digest that is behind its journal is found out, and what one job teaches is what all teach
   * less what the others do.
   */
  @Test
  public void digestsKnowWhenTheyAreBehind() throws IOException {
    DigestMaker digests = new DigestMaker(KNOWLEDGE);
    try (Shop other = SqliteShop.open(Files.createTempDirectory("behind"), KNOWLEDGE)) {
      List<String> ids = jobs.stream().map(j -> other.add(j.job())).toList();
      assertThat(other.undigested(100)).containsExactlyInAnyOrderElementsOf(ids);
      for (String id : ids) {
        other.keep(digests.of(id, new Judge(KNOWLEDGE).of(other.job(id), NOW.toLocalDate()), NOW));
      }
      assertThat(other.undigested(100)).isEmpty();
      other.append(ids.getFirst(), List.of(new Act.Did(new Edit.NoteWritten("later"))), NOW);
      assertThat(other.undigested(100)).containsExactly(ids.getFirst());
      long all =
          other.tallies().stream()
              .filter(t -> t.topic() == Topic.KIND)
              .mapToLong(Tally::seen)
              .sum();
      long without =
          other.talliesWithout(ids.getFirst()).stream()
              .filter(t -> t.topic() == Topic.KIND)
              .mapToLong(Tally::seen)
              .sum();
      long own =
          digests
              .of("x", new Judge(KNOWLEDGE).of(other.job(ids.getFirst()), NOW.toLocalDate()), NOW)
              .tallies()
              .stream()
              .filter(t -> t.topic() == Topic.KIND)
              .mapToLong(Tally::seen)
              .sum();
      assertThat(own).isPositive();
      assertThat(without).isEqualTo(all - own);
    }
  }

  /** How far a set has come is a word like any other. */
  @Test
  public void howFarASetHasComeIsFound() {
    assertThat(find("measuring").stream().filter(h -> h.where() == Where.SET)).isNotEmpty();
    assertThat(find("supply brindle").stream().filter(h -> h.where() == Where.SET))
        .extracting(Hit::set)
        .containsExactly("Brindlecote 51");
    assertThat(find("proving").stream().filter(h -> h.where() == Where.SET)).isEmpty();
  }

  /** No search does anything but find or not find. */
  @Test
  public void oddSearchesAreTaken() {
    for (String odd :
        List.of(
            "1,234",
            "..",
            "%",
            "'; drop table",
            "\\E",
            "999999999999999999u",
            "µ",
            "\"",
            "8..2",
            "1e999")) {
      assertThat(find(odd)).isNotNull();
    }
    assertThat(shop.find(Search.of("c"), 3)).hasSize(3);
  }
}
