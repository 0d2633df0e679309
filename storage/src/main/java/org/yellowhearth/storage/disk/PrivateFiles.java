package org.yellowhearth.storage.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.util.Set;

/**
 * Folders and files that nobody else on the computer has to read: owners' addresses, the way into a
 * shared shop. Where a file system knows no such rights nothing is asked of it.
 */
public final class PrivateFiles {
  private static final Set<PosixFilePermission> FOLDER =
      PosixFilePermissions.fromString("rwx------");
  private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");

  private PrivateFiles() {}

  /**
   * Makes a folder, with those above it, that only its owner can look into; one of ours that was
   * open before is closed.
   */
  public static void folder(Path folder) throws IOException {
    Files.createDirectories(folder);
    restrict(folder, FOLDER);
  }

  /**
   * Writes a text into a file that only its owner can read, in the place of what was in it; the old
   * content stays until the new is on the disk.
   */
  public static void write(Path file, String text) throws IOException {
    Path part = file.resolveSibling("." + file.getFileName() + ".part");
    Files.deleteIfExists(part);
    try {
      Files.createFile(part);
      restrict(part, FILE);
      Files.writeString(part, text, StandardCharsets.UTF_8, StandardOpenOption.WRITE);
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
        channel.force(true);
      }
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (FileAlreadyExistsException e) {
      throw new IOException(part + " is in the way; delete it", e);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** What others could read of an older version's file of ours is closed to them. */
  public static void close(Path file) throws IOException {
    if (Files.exists(file)) {
      restrict(file, FILE);
    }
  }

  private static void restrict(Path path, Set<PosixFilePermission> rights) throws IOException {
    PosixFileAttributeView view = Files.getFileAttributeView(path, PosixFileAttributeView.class);
    if (view == null || view.readAttributes().permissions().equals(rights)) {
      return;
    }
    UserPrincipal me =
        path.getFileSystem()
            .getUserPrincipalLookupService()
            .lookupPrincipalByName(System.getProperty("user.name"));
    // What belongs to somebody else is theirs to open or close.
    if (view.getOwner().equals(me)) {
      view.setPermissions(rights);
    }
  }
}
