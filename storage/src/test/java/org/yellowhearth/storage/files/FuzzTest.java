package org.yellowhearth.storage.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.calendar.CalendarFile;
import org.yellowhearth.storage.jobfile.JobReader;
import org.yellowhearth.storage.partslist.BadListException;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.storage.partslist.PartsListTable;
import org.yellowhearth.storage.photo.BadPhotographException;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.stock.DrawerFile;
import org.yellowhearth.storage.stock.StockCsv;
import org.yellowhearth.storage.store.Shop.DatedAct;

/**
 * Everything that can be brought in, damaged at random by a seed of its own, as long as the time
 * budget lasts: it is taken or refused with a sentence, and nothing else ever happens, in a bounded
 * time each.
 */
public class FuzzTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-05-05T12:00:00Z").atZone(ZoneOffset.UTC);
  private static final Job JOB =
      Job.of(
          List.of(
              new Entry(
                  0, NOW, new Act.Did(new Edit.Arrived(SetPlate.named("Fuzzed"), Policy.USUAL)))));
  private static final Duration BUDGET =
      Duration.ofMillis(Boolean.getBoolean("hearth.long") ? 60_000 : 400);
  private static final Duration EACH = Duration.ofSeconds(10);
  private static final String LIST =
      """
      Ref;Marking;Kind;Role;V;Reading
      C1;32 MFD 450 V;electrolytic;reservoir;450;29u D0.2 @100
      C2;.05 MFD;waxed paper;coupling;400;IR40M @250V
      "C3, C4";500 pF;silver mica;tuned;;503p
      C5;=1+1;;;;
      R1;4k7;;;;4.9k
      """;
  private static final String CALENDAR =
      """
      BEGIN:VCALENDAR
      VERSION:2.0
      PRODID:-//x//y//EN
      BEGIN:VEVENT
      UID:a
      DTSTAMP:20260501T000000Z
      DTSTART;TZID=Europe/Berlin:20260506T100000
      RRULE:FREQ=DAILY;COUNT=5
      SUMMARY:look
      END:VEVENT
      END:VCALENDAR
      """;
  private static final List<String> NASTY =
      List.of(
          "\"",
          ";",
          ",",
          "\n",
          "\r",
          "\u0000",
          "\uFEFF",
          "\uD800",
          "9".repeat(400),
          "1e999",
          "-0",
          "NaN",
          "=cmd|' /C x'!A0",
          "..",
          "{",
          "[".repeat(200),
          "\u202e",
          "\u212b\u0301",
          "RRULE:FREQ=SECONDLY\r\n",
          "\\u0000");

  private Path folder;
  private PhotoStore photographs;

  /** One way in. */
  public interface Import {
    void take(byte[] bytes) throws IOException, BadPhotographException;
  }

  @BeforeClass
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("fuzz");
    photographs = new PhotoStore(folder.resolve("shop"));
  }

  private Path file(String name, byte[] bytes) throws IOException {
    return Files.write(folder.resolve(name), bytes);
  }

  @DataProvider
  Object[][] imports() throws IOException {
    byte[] job =
        Files.readAllBytes(
            Path.of(System.getProperty("hearth.root"), "demo", "mess-receiver.json"));
    List<StockPart> drawer =
        StockCsv.shipped(KNOWLEDGE.kinds().keySet()).stream().limit(4).toList();
    DatedAct act =
        new DatedAct(
            NOW,
            new Stock.Act.Changed(
                drawer.stream()
                    .map(
                        p -> new Stock.Change(java.util.Optional.empty(), java.util.Optional.of(p)))
                    .toList()));
    Import jobs = b -> new JobReader(KNOWLEDGE).read(JsonText.read(file("job.json", b)), NOW);
    Import list =
        b ->
            PartsListImport.preview(
                PartsListTable.read(file("list.csv", b)),
                JOB,
                KNOWLEDGE,
                Words.of(SetPlate.Dialect.BRITISH),
                NOW.toInstant());
    int[] id = {0};
    Import stock =
        b ->
            StockCsv.read(
                file("stock.csv", b),
                KNOWLEDGE.kinds().keySet(),
                Choice.Whence.DRAWER,
                () -> "n" + id[0]++);
    Import calendar = b -> CalendarFile.read(file("in.ics", b), NOW.toInstant(), ZoneOffset.UTC);
    Import history = b -> DrawerFile.read(JsonText.read(file("drawer.json", b)));
    Import jpeg = b -> photographs.take(file("a.jpg", b), "p1");
    Import png = b -> photographs.take(file("a.png", b), "p2");
    return new Object[][] {
      {"job file", jobs, job},
      {"list of parts", list, LIST.getBytes(StandardCharsets.UTF_8)},
      {"drawer list", stock, StockCsv.write(drawer).getBytes(StandardCharsets.UTF_8)},
      {"calendar", calendar, CALENDAR.getBytes(StandardCharsets.UTF_8)},
      {
        "drawer with its history",
        history,
        DrawerFile.write(List.of(act)).getBytes(StandardCharsets.UTF_8)
      },
      {"photograph", jpeg, picture("jpg")},
      {"picture", png, picture("png")}
    };
  }

  private static byte[] picture(String format) throws IOException {
    BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 60; x++) {
      image.setRGB(x, x % 40, x * 70_000);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, format, out);
    return out.toByteArray();
  }

  @Test(dataProvider = "imports")
  public void whateverComesIsTakenOrRefusedWithASentence(String what, Import in, byte[] sound)
      throws IOException, BadPhotographException {
    in.take(sound);
    Random random = new Random(20260901);
    int refused = 0;
    int tried = 0;
    for (long end = System.nanoTime() + BUDGET.toNanos(); System.nanoTime() < end; tried++) {
      byte[] damaged = damaged(sound, random);
      long start = System.nanoTime();
      try {
        in.take(damaged);
      } catch (BadFileException | BadListException | BadPhotographException e) {
        assertThat(e.getMessage())
            .as("%s, try %d", what, tried)
            .isNotBlank()
            .doesNotContain("Exception");
        refused++;
      } catch (RuntimeException e) {
        throw new AssertionError(
            what + ", try " + tried + ": " + new String(damaged, StandardCharsets.ISO_8859_1), e);
      }
      assertThat(Duration.ofNanos(System.nanoTime() - start))
          .as("%s, try %d", what, tried)
          .isLessThan(EACH);
    }
    System.out.printf("%s: %d damaged, %d refused%n", what, tried, refused);
    assertThat(refused).isPositive();
  }

  private static byte[] damaged(byte[] sound, Random random) {
    byte[] bytes = sound.clone();
    for (int n = 0; n <= random.nextInt(5); n++) {
      int at = random.nextInt(bytes.length);
      bytes =
          switch (random.nextInt(5)) {
            case 0 -> put(bytes, at, at + 1, new byte[] {(byte) random.nextInt(256)});
            case 1 ->
                put(bytes, at, Math.min(bytes.length, at + 1 + random.nextInt(60)), new byte[0]);
            case 2 ->
                put(
                    bytes,
                    at,
                    at,
                    Arrays.copyOfRange(
                        bytes, at, Math.min(bytes.length, at + random.nextInt(200))));
            case 3 ->
                put(
                    bytes,
                    at,
                    at,
                    NASTY.get(random.nextInt(NASTY.size())).getBytes(StandardCharsets.UTF_8));
            default -> random.nextInt(6) == 0 ? Arrays.copyOf(bytes, 1 + at) : bytes;
          };
      if (bytes.length == 0) {
        return new byte[] {0};
      }
    }
    return bytes;
  }

  private static byte[] put(byte[] into, int from, int to, byte[] what) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(into, 0, from);
    out.writeBytes(what);
    out.write(into, to, into.length - to);
    return out.toByteArray();
  }

  /**
   * A history of the drawer whose acts do not follow from one another is refused at the act that
   * does not fit.
   */
  @Test
  public void aDrawerWhoseActsDoNotFitIsRefused() throws IOException {
    Path odd =
        file(
            "odd.json",
            DrawerFile.write(List.of(new DatedAct(NOW, new Stock.Act.TakenBack(5))))
                .getBytes(StandardCharsets.UTF_8));
    assertThat(refusal(() -> DrawerFile.read(JsonText.read(odd))))
        .contains("/acts/0")
        .contains("does not fit");
  }

  /** 200 MB of a list are refused for their size, before anything of them is read. */
  @Test
  public void hugeFilesAreRefusedAtOnce() throws IOException {
    Path huge = folder.resolve("huge.csv");
    try (var f = new java.io.RandomAccessFile(huge.toFile(), "rw")) {
      f.setLength(200_000_000);
    }
    long start = System.nanoTime();
    assertThat(refusal(() -> PartsListTable.read(huge))).contains("MB");
    assertThat(
            refusal(() ->
                StockCsv.read(huge, KNOWLEDGE.kinds().keySet(), Choice.Whence.DRAWER, () -> "a")))
        .contains("MB");
    assertThat(refusal(() -> JsonText.read(huge))).contains("MB");
    assertThat(refusal(() -> CalendarFile.read(huge, NOW.toInstant(), ZoneOffset.UTC)))
        .contains("MB");
    assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(2));
    Files.delete(huge);
  }

  private interface Reading {
    Object read() throws IOException;
  }

  private static String refusal(Reading reading) throws IOException {
    try {
      reading.read();
      return "";
    } catch (BadFileException | BadListException e) {
      return e.getMessage();
    }
  }
}
