package org.yellowhearth.storage.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.KnowledgeFiles;

/**
 * Kills a process that writes a shop, at random moments, and looks whether anything it had
 * confirmed is gone.
 */
public class KillTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-07-01T10:00:00Z").atZone(ZoneOffset.UTC);

  /**
   * The process that is killed: appends notes for ever and prints the number of each once it is
   * kept.
   */
  public static void main(String[] args) {
    SqliteShop shop = SqliteShop.open(Path.of(args[0]), KNOWLEDGE);
    String id = shop.shelf().isEmpty() ? shop.add(newJob()) : shop.shelf().getFirst().id();
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    out.println("ready");
    while (true) {
      int number = shop.job(id).journal().size();
      shop.append(id, List.of(new Act.Did(new Edit.NoteWritten("note " + number))), NOW);
      out.println(number);
    }
  }

  private static Job newJob() {
    return Job.of(
        List.of(
            new Entry(
                0, NOW, new Act.Did(new Edit.Arrived(SetPlate.named("Killed"), Policy.USUAL)))));
  }

  @Test
  public void nothingThatWasConfirmedIsLostWhenTheProcessIsKilled()
      throws IOException, InterruptedException {
    Path folder = Files.createTempDirectory("killed");
    Random random = new Random(1);
    int confirmed = 0;
    int kills = Boolean.getBoolean("hearth.long") ? 60 : 1;
    for (int i = 0; i < kills; i++) {
      confirmed = Math.max(confirmed, lastConfirmedBeforeKill(folder, 5 + random.nextInt(60)));
      try (SqliteShop shop = SqliteShop.open(folder, KNOWLEDGE)) {
        Job job = shop.job(shop.shelf().getFirst().id());
        assertThat(job.journal().size()).as("after kill %d", i).isGreaterThan(confirmed);
        assertThat(job.journal().get(confirmed).act())
            .isEqualTo(new Act.Did(new Edit.NoteWritten("note " + confirmed)));
      }
    }
    assertThat(confirmed).isGreaterThan(kills);
  }

  private static int lastConfirmedBeforeKill(Path folder, int lines)
      throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                KillTest.class.getName(),
                folder.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    int confirmed = 0;
    try (BufferedReader reader =
        new BufferedReader(
            new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
      String line = reader.readLine();
      while (line != null && !line.equals("ready")) {
        line = reader.readLine();
      }
      for (int i = 0; i < lines && line != null; i++) {
        line = reader.readLine();
        confirmed = line == null ? confirmed : Integer.parseInt(line);
      }
      process.destroyForcibly();
    }
    assertThat(process.waitFor(240, TimeUnit.SECONDS)).isTrue();
    return confirmed;
  }
}
