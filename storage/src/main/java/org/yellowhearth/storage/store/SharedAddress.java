package org.yellowhearth.storage.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.yellowhearth.storage.disk.PrivateFiles;

/**
 * Where a bench finds the shop that it shares with others: one line in a file of its own folder
 * that only this person can read, and can take away.
 */
public final class SharedAddress {
  private static final String FILE = "shared.address";

  private SharedAddress() {}

  /** The address that a bench works at; none where it works in its own shop. */
  public static Optional<String> of(Path folder) {
    try {
      Path file = folder.resolve(FILE);
      PrivateFiles.close(file);
      return Files.exists(file)
          ? Optional.of(Files.readString(file).strip()).filter(a -> !a.isEmpty())
          : Optional.empty();
    } catch (IOException e) {
      throw new ShopException(
          "The file "
              + folder.resolve(FILE)
              + " that says where the shared shop is cannot be read: "
              + e.getMessage()
              + ". Mend it, or take it away to work in this bench's own shop.",
          e);
    }
  }

  /** Says from the next start on where it works; an empty address leads back into its own shop. */
  public static void set(Path folder, String address) {
    try {
      PrivateFiles.folder(folder);
      if (address.isBlank()) {
        Files.deleteIfExists(folder.resolve(FILE));
      } else {
        PrivateFiles.write(folder.resolve(FILE), address.strip() + "\n");
      }
    } catch (IOException e) {
      throw new ShopException(
          "Where the shared shop is could not be written down: "
              + e.getMessage()
              + ". It stays as it was. Check that the drive has room.",
          e);
    }
  }
}
