package org.yellowhearth.storage.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.publishing.dossier.DossierFiles;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.WebFolio;
import org.yellowhearth.storage.files.JobBundle;

/**
 * What goes out goes onto any drive: memory sticks and cards know no links (FAT and exFAT as
 * published, common practice).
 */
public class DrivesTest {
  private static final byte[] BYTES = "eight".getBytes(StandardCharsets.UTF_8);

  private static void filesGoOnto(Path drive) throws IOException {
    Path file = drive.resolve("Brindle 51.json");
    NewFile.write(file, BYTES);
    assertThat(Files.readAllBytes(file)).isEqualTo(BYTES);
    assertThatThrownBy(() -> NewFile.write(file, new byte[3]))
        .isInstanceOf(FileAlreadyExistsException.class)
        .hasMessageContaining("choose another name");
    assertThat(Files.readAllBytes(file)).isEqualTo(BYTES);
    Path dossiers = drive.resolve("dossiers");
    LocalDate day = LocalDate.of(2026, 12, 1);
    assertThat(DossierFiles.writeInto(dossiers, "Brindle 51", day, BYTES)).exists();
    assertThat(DossierFiles.writeInto(dossiers, "Brindle 51", day, BYTES).getFileName())
        .asString()
        .contains("(2)");
    JobBundle.write(drive.resolve("out.zip"), "job.json", "{}", List.of(file));
    try (Stream<Path> all = Files.walk(drive)) {
      assertThat(all.map(Path::toString)).noneMatch(n -> n.endsWith(".part"));
    }
  }

  private static void foldersGoOnto(Path drive) throws IOException {
    Path whole = drive.resolve("whole shop");
    assertThatThrownBy(() ->
            NewFile.writeFolder(
                whole,
                into -> {
                  NewFile.write(into.resolve("one.json"), BYTES);
                  throw new IOException("pulled out");
                }))
        .hasMessage("pulled out");
    assertThat(whole).as("what failed does not stand in the way").doesNotExist();
    NewFile.writeFolder(whole, into -> NewFile.write(into.resolve("one.json"), BYTES));
    assertThat(Files.readAllBytes(whole.resolve("one.json"))).isEqualTo(BYTES);
    assertThatThrownBy(() -> NewFile.writeFolder(whole, _ -> {}))
        .isInstanceOf(FileAlreadyExistsException.class);
    Folio folio =
        new Folio(
            "Brindle 51",
            "a set",
            "foot",
            List.of(new Folio.Part("One", List.of(new Folio.Block.Title("Brindle 51")))));
    assertThat(WebFolio.writeInto(drive.resolve("page"), folio, WebFolio.Form.HTML, Watcher.NOBODY))
        .exists();
  }

  /** Memory sticks as they are sold. */
  @DataProvider
  public Object[][] formats() {
    return new Object[][] {{MemoryStick.Format.EXFAT}, {MemoryStick.Format.FAT}};
  }

  @Test(dataProvider = "formats")
  public void aMemoryStickTakesWhatGoesOut(MemoryStick.Format format) throws IOException {
    try (MemoryStick stick = MemoryStick.of(format)) {
      filesGoOnto(stick.folder());
      if (format == MemoryStick.Format.EXFAT) {
        // The driver for FAT in user space loses what is in a folder that gets another name,
        // whoever renames it.
        foldersGoOnto(stick.folder());
      }
    }
  }

  /** A ZIP as a file system knows no links at all and says so in its own way. */
  @Test
  public void aFileSystemThatRefusesLinksTakesWhatGoesOut() throws IOException {
    Path zip = Files.createTempDirectory("drive").resolve("drive.zip");
    try (FileSystem drive =
        FileSystems.newFileSystem(URI.create("jar:" + zip.toUri()), Map.of("create", "true"))) {
      Path file = drive.getPath("/one.json");
      assertThatThrownBy(() -> Files.createLink(drive.getPath("/link"), file))
          .isInstanceOf(UnsupportedOperationException.class);
      NewFile.write(file, BYTES);
      assertThat(Files.readAllBytes(file)).isEqualTo(BYTES);
      assertThatThrownBy(() -> NewFile.write(file, new byte[3]))
          .isInstanceOf(FileAlreadyExistsException.class);
    }
  }

  private static String rights(Path path) throws IOException {
    return PosixFilePermissions.toString(Files.getPosixFilePermissions(path));
  }

  /** What goes out gets the rights of any new file; what stays is the shop's alone. */
  @Test
  public void aColleagueCanOpenWhatGoesOutAndNobodyWhatStays() throws IOException {
    Path folder = Files.createTempDirectory("rights");
    Path usual = Files.createFile(folder.resolve("usual"));
    Path usualFolder = Files.createDirectory(folder.resolve("usual folder"));
    NewFile.write(folder.resolve("out.json"), BYTES);
    NewFile.writeFolder(folder.resolve("out"), into -> NewFile.write(into.resolve("one"), BYTES));
    assertThat(rights(folder.resolve("out.json"))).isEqualTo(rights(usual));
    assertThat(rights(folder.resolve("out"))).isEqualTo(rights(usualFolder));
    assertThat(rights(folder.resolve("out/one"))).isEqualTo(rights(usual));
    Path shop = folder.resolve("shops/mine");
    PrivateFiles.folder(shop);
    assertThat(rights(shop)).isEqualTo("rwx------");
    Files.setPosixFilePermissions(shop, PosixFilePermissions.fromString("rwxr-xr-x"));
    PrivateFiles.folder(shop);
    assertThat(rights(shop)).as("one that an older version left open").isEqualTo("rwx------");
    Path address = shop.resolve("shared.address");
    Files.writeString(address, "old");
    PrivateFiles.write(address, "new");
    assertThat(address).hasContent("new");
    assertThat(rights(address)).isEqualTo("rw-------");
  }
}
