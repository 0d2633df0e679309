package org.yellowhearth.publishing.dossier;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import org.yellowhearth.storage.disk.NewFile;

/** Where dossiers go, and under what names: one that is there is never overwritten. */
public final class DossierFiles {
  private static final int LONGEST = 60;

  private DossierFiles() {}

  /** Where a dossier of a shop goes when nobody says otherwise. */
  public static Path usualFolder(Path shop) {
    return shop.resolve("dossiers");
  }

  /**
   * Writes a dossier into a folder under a name that is not taken yet, and returns the file. The
   * file appears whole or not at all.
   *
   * @param set the name of the set
   */
  public static Path writeInto(Path folder, String set, LocalDate day, byte[] pdf)
      throws IOException {
    Files.createDirectories(folder);
    while (true) {
      Path file = free(folder, set, day, ".pdf");
      try {
        NewFile.write(file, pdf);
        return file;
      } catch (FileAlreadyExistsException _) {
        // Another program took the name meanwhile: the next one.
      }
    }
  }

  /** A name in a folder that is not taken yet. */
  public static Path free(Path folder, String set, LocalDate day, String ending) {
    for (int i = 1; ; i++) {
      Path file = folder.resolve(name(set, day, i) + ending);
      if (!Files.exists(file)) {
        return file;
      }
    }
  }

  private static String name(String set, LocalDate day, int copy) {
    return plain(set) + " dossier " + day + (copy == 1 ? "" : " (" + copy + ")");
  }

  /** The name of a set as a file may be called: letters of any script and figures, not too many. */
  public static String plain(String set) {
    String name = set.replaceAll("[^\\p{L}\\p{M}\\p{N} .-]", "").strip();
    int end =
        name.length() <= LONGEST
            ? name.length()
            : name.offsetByCodePoints(0, name.codePointCount(0, LONGEST));
    String shortName = name.substring(0, end).strip();
    return shortName.isEmpty() ? "set" : shortName;
  }
}
