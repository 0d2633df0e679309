package org.yellowhearth.storage.jobfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.safety.Hearth;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.storage.store.SqliteShop;

/**
 * Files of every version that there was, written by the program of that time and never edited
 * since: read, judged, written again.
 */
public class CorpusTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final int MOST_JUDGED = Boolean.getBoolean("hearth.long") ? 100 : 2;
  private static final ZonedDateTime NOW =
      Instant.parse("2026-12-01T10:00:00Z").atZone(ZoneOffset.UTC);

  @DataProvider
  public Object[][] versions() {
    Object[][] all = new Object[JobFormat.VERSION][];
    for (int v = 1; v <= JobFormat.VERSION; v++) {
      all[v - 1] = new Object[] {v};
    }
    return all;
  }

  private static Path unpacked(int version) throws IOException {
    Path folder = Files.createTempDirectory("corpus");
    String name = String.format("/org/yellowhearth/storage/corpus/v%02d.zip", version);
    try (InputStream in = CorpusTest.class.getResourceAsStream(name)) {
      assertThat(in)
          .as("a file of version " + version + " belongs into the corpus: " + name)
          .isNotNull();
      ZipInputStream zip = new ZipInputStream(in);
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        Path to = folder.resolve(e.getName());
        Files.createDirectories(e.isDirectory() ? to : to.getParent());
        if (!e.isDirectory()) {
          Files.copy(zip, to);
        }
      }
    }
    return folder;
  }

  private static List<Path> jobs(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(f -> f.toString().endsWith(".json")).sorted().toList();
    }
  }

  private static Job read(Path file) throws IOException {
    return new JobReader(KNOWLEDGE).read(JsonText.read(file), NOW).job();
  }

  private static void judged(Job job) {
    Judge judge = new Judge(KNOWLEDGE);
    assertThat(judge.of(job, LocalDate.of(2026, 12, 1)).assessments()).hasSameSizeAs(job.census());
    assertThat(Hearth.of(job, KNOWLEDGE).at(NOW.toInstant()).state()).isNotNull();
  }

  @Test(dataProvider = "versions")
  public void jobFilesAreReadJudgedAndWrittenAgain(int version) throws IOException {
    List<Path> files = jobs(unpacked(version));
    assertThat(files).hasSizeGreaterThan(1);
    int judged = 0;
    for (Path file : files) {
      assertThat(Files.readString(file)).containsPattern("\"version\" : " + version + ",");
      Job job = read(file);
      assertThat(job.journal()).as(file.toString()).hasSizeGreaterThan(20);
      if (judged++ < MOST_JUDGED) {
        judged(job);
      }
      String again = JobWriter.write("again", job);
      Job back = new JobReader(KNOWLEDGE).read(JsonText.read(again), NOW).job();
      assertThat(back.journal()).as(file.toString()).isEqualTo(job.journal());
      assertThat(back.items()).isEqualTo(job.items());
      assertThat(back.aspects()).isEqualTo(job.aspects());
      assertThat(JobWriter.write("again", back)).isEqualTo(again);
    }
  }

  @Test(dataProvider = "versions")
  public void shopsAreBroughtUpToDateAndHoldWhatTheyHeld(int version) throws IOException {
    Path folder = unpacked(version);
    List<Job> jobs = new ArrayList<>();
    for (Path file : jobs(folder)) {
      jobs.add(read(file));
    }
    try (SqliteShop shop = SqliteShop.open(folder.resolve("shop"), KNOWLEDGE)) {
      assertThat(shop.shelf()).hasSameSizeAs(jobs);
      List<List<Entry>> held = shop.shelf().stream().map(l -> shop.job(l.id()).journal()).toList();
      assertThat(held)
          .containsExactlyInAnyOrderElementsOf(jobs.stream().map(Job::journal).toList());
      String id = shop.shelf().getFirst().id();
      int before = shop.job(id).journal().size();
      assertThat(
              shop.append(id, List.of(new Act.Did(new Edit.NoteWritten("gone on with"))), NOW)
                  .journal())
          .hasSize(before + 1);
    }
  }

  /**
   * The newest version's files hold everything there is: what is added later wants a new version,
   * and a new file here.
   */
  @Test
  public void theNewestHoldsEverySort() throws IOException {
    StringBuilder all = new StringBuilder();
    for (Path file : jobs(unpacked(JobFormat.VERSION))) {
      all.append(Files.readString(file));
    }
    Map.of("item", Item.class, "aspect", Aspect.class, "sort", Part.class, "act", Reforming.class)
        .forEach((field, root) ->
            assertThat(
                    RecordJson.records(root)
                        .filter(t -> t != Capacitor.class)
                        .map(RecordJson::tag)
                        .filter(
                            tag -> !all.toString().contains("\"" + field + "\" : \"" + tag + "\""))
                        .toList())
                .as(field)
                .isEmpty());
  }

  /** What a later version wrote is never half read. */
  @Test
  public void aLaterVersionIsRefused() throws IOException {
    String newest = Files.readString(jobs(unpacked(JobFormat.VERSION)).getFirst());
    String later =
        newest.replaceFirst("\"version\" : \\d+", "\"version\" : " + (JobFormat.VERSION + 1));
    assertThatThrownBy(() -> new JobReader(KNOWLEDGE).read(JsonText.read(later), NOW))
        .isInstanceOf(BadFileException.class)
        .hasMessageContaining("newer");
  }
}
