package org.yellowhearth.storage.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.storage.disk.NewFile;

/** ZIPs that come in, friendly and hostile, and files that appear whole or not at all. */
public class JobBundleTest {
  private Path folder;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("bundle");
  }

  private interface Packing {
    void into(ZipOutputStream zip) throws IOException;
  }

  private static void add(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
  }

  private Path zip(Packing packing) throws IOException {
    Path file = folder.resolve("in.zip");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      packing.into(zip);
    }
    return file;
  }

  private void refused(Path zip, String... why) throws IOException {
    assertThatThrownBy(() -> JobBundle.unpack(zip, folder.resolve("unpacked"), 5_000_000))
        .isInstanceOf(BadFileException.class)
        .hasMessageContainingAll(why);
    try (Stream<Path> left = Files.list(folder.resolve("unpacked"))) {
      assertThat(left).as("nothing is left behind").isEmpty();
    }
    try (Stream<Path> beside = Files.list(folder)) {
      assertThat(beside).as("nothing got out").hasSize(2);
    }
  }

  @Test
  public void whatGoesOutComesBack() throws IOException {
    Path photograph = Files.write(folder.resolve("ab.jpg"), new byte[] {1, 2, 3});
    Path zip = folder.resolve("out.zip");
    JobBundle.write(zip, "job.json", "{\"a\": 1}", List.of(photograph));
    // Read by the JDK's own reader.
    try (ZipFile file = new ZipFile(zip.toFile())) {
      assertThat(file.stream().map(ZipEntry::getName))
          .containsExactly("job.json", "photographs/ab.jpg");
    }
    Path in;
    try (JobBundle bundle = JobBundle.unpack(zip, folder.resolve("unpacked"))) {
      in = bundle.jobs().getFirst();
      assertThat(in).content().isEqualTo("{\"a\": 1}");
      assertThat(in.resolveSibling("photographs").resolve("ab.jpg"))
          .hasBinaryContent(new byte[] {1, 2, 3});
    }
    assertThat(in).doesNotExist();
    assertThatThrownBy(() -> JobBundle.write(zip, "job.json", "{}", List.of()))
        .isInstanceOf(FileAlreadyExistsException.class);
  }

  /** A folder packed by a desktop, with what desktops put beside it. */
  @Test
  public void whatOtherProgramsPackBesideIsLeftAlone() throws IOException {
    Path zip =
        zip(z -> {
          z.putNextEntry(new ZipEntry("all/"));
          add(z, "all/one.json", "{}".getBytes(StandardCharsets.UTF_8));
          add(z, "all/.hidden.json", new byte[1]);
          add(z, "__MACOSX/all/._one.json", new byte[1]);
          add(z, "all/run.sh", new byte[1]);
          add(z, "all/photographs/x.PNG", new byte[1]);
          add(z, "all/photographs/y.gif", new byte[1]);
          add(z, "all/photographs/z.bmp", new byte[1]);
          add(z, "all/Brindle 51.hearthjob", "{}".getBytes(StandardCharsets.UTF_8));
        });
    try (JobBundle bundle = JobBundle.unpack(zip, folder.resolve("unpacked"));
        Stream<Path> all = Files.walk(folder.resolve("unpacked"))) {
      assertThat(bundle.jobs()).hasSize(2);
      assertThat(all.filter(Files::isRegularFile).map(p -> p.getFileName().toString()))
          .containsExactlyInAnyOrder("one.json", "Brindle 51.hearthjob", "x.PNG", "y.gif", "z.bmp");
    }
  }

  @DataProvider
  Object[][] ways() {
    return new Object[][] {
      {"../out.json", "leads out"},
      {"a/../../out.json", "leads out"},
      {"/etc/out.json", "leads out"},
      {"..\\out.json", "leads out"},
      {"C:out.json", "no folder here"},
      {"a\u0000.json", "no folder here"},
      {"x".repeat(300) + ".json", "no folder here"},
      {"./out.json", "leads out"}
    };
  }

  @Test(dataProvider = "ways")
  public void pathsOutOfTheFolderAreRefused(String name, String why) throws IOException {
    refused(zip(z -> add(z, name, "{}".getBytes(StandardCharsets.UTF_8))), why);
  }

  @Test
  public void linksAreRefused() throws IOException {
    Path file = folder.resolve("in.zip");
    try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(file.toFile())) {
      ZipArchiveEntry link = new ZipArchiveEntry("job.json");
      link.setUnixMode(0120777);
      zip.putArchiveEntry(link);
      zip.write("/etc/passwd".getBytes(StandardCharsets.UTF_8));
      zip.closeArchiveEntry();
    }
    refused(file, "is a link");
  }

  /**
   * A megabyte of zeros packs into a thousand bytes; twelve of them go over what one ZIP may unpack
   * to here.
   */
  @Test
  public void bombsAreRefusedWhileTheyUnpack() throws IOException {
    byte[] zeros = new byte[1_000_000];
    Path many =
        zip(z -> {
          for (int k = 0; k < 12; k++) {
            add(z, k + ".png", zeros);
          }
        });
    assertThat(Files.size(many)).isLessThan(20_000);
    refused(many, "unpacks to more");
    Path one =
        zip(z -> {
          z.putNextEntry(new ZipEntry("job.json"));
          for (int k = 0; k < 9; k++) {
            z.write(zeros);
          }
        });
    refused(one, "job.json", "unpacks to more");
    Path entries =
        zip(z -> {
          for (int k = 0; k < 20_002; k++) {
            add(z, "n" + k, new byte[0]);
          }
        });
    refused(entries, "more than 20000 entries");
  }

  @Test
  public void whatIsNoZipIsToldAsSuch() throws IOException {
    Path file = folder.resolve("in.zip");
    Files.write(file, "not at all".getBytes(StandardCharsets.UTF_8));
    refused(file, "no ZIP");
    refused(zip(z -> add(z, "readme.txt", new byte[1])), "no job file");
    refused(
        zip(z -> {
          add(z, "a.json", new byte[1]);
          add(z, "A.json", new byte[1]);
        }),
        "there twice");
  }

  /** Damaged anywhere, by a seed of its own: unpacked or refused, and nothing is left behind. */
  @Test
  public void damagedZipsAreUnpackedOrRefused() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      add(zip, "one/job.json", "{\"set\": 1}".repeat(50).getBytes(StandardCharsets.UTF_8));
      add(zip, "one/photographs/x.jpg", new byte[500]);
    }
    byte[] sound = out.toByteArray();
    Random random = new Random(77);
    int refused = 0;
    for (int k = 0; k < (Boolean.getBoolean("hearth.long") ? 5000 : 200); k++) {
      byte[] bytes = sound.clone();
      for (int n = 0; n <= random.nextInt(4); n++) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
      Path file =
          Files.write(
              folder.resolve("in.zip"),
              random.nextInt(4) == 0
                  ? java.util.Arrays.copyOf(bytes, random.nextInt(bytes.length))
                  : bytes);
      try (JobBundle bundle = JobBundle.unpack(file, folder.resolve("unpacked"))) {
        assertThat(bundle.jobs()).isNotEmpty();
      } catch (BadFileException | IOException e) {
        assertThat(e.getMessage()).isNotBlank();
        refused++;
      }
    }
    assertThat(refused).isGreaterThan(25);
    try (Stream<Path> left = Files.list(folder.resolve("unpacked"))) {
      assertThat(left).isEmpty();
    }
  }

  @Test
  public void aNewFileIsWholeOrNotThere() throws IOException {
    Path file = folder.resolve("new.pdf");
    assertThatThrownBy(() ->
            NewFile.write(
                file,
                (OutputStream o) -> {
                  o.write(1);
                  throw new IOException("the drive is full");
                }))
        .hasMessageContaining("full");
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left).isEmpty();
    }
    NewFile.write(file, new byte[] {7});
    assertThatThrownBy(() -> NewFile.write(file, new byte[] {8}))
        .isInstanceOf(FileAlreadyExistsException.class);
    assertThat(file).hasBinaryContent(new byte[] {7});
  }
}
