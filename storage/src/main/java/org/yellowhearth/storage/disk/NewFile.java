package org.yellowhearth.storage.disk;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.Locale;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;

/**
 * Files and folders that appear whole or not at all, and never in the place of another. What is
 * written is for others to read: it gets the rights that new files of this person usually have, on
 * whatever file system the drive has.
 */
public final class NewFile {
  private static final int TRIES = 20;

  private NewFile() {}

  /** Writes the content of a file. */
  public interface Content {
    void writeTo(OutputStream out) throws IOException;
  }

  /** Writes the content of a folder. */
  public interface FolderContent {
    void writeInto(Path folder) throws IOException;
  }

  private interface Making {
    Path at(Path place) throws IOException;
  }

  /** Writes bytes. */
  public static void write(Path file, byte[] bytes) throws IOException {
    write(file, out -> out.write(bytes));
  }

  /**
   * Writes a file beside its place, puts it on the disk, and only then gives it its name. A program
   * that is killed leaves at most a file whose name begins with a dot and ends in {@code .part}.
   *
   * @throws FileAlreadyExistsException where something of that name is there
   */
  public static void write(Path file, Content content) throws IOException {
    Path whole = file.toAbsolutePath();
    refuseIfThere(whole);
    Path part = beside(whole, Files::createFile);
    try {
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
        OutputStream out = Channels.newOutputStream(channel);
        content.writeTo(out);
        out.flush();
        channel.force(true);
      }
      name(part, whole);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /**
   * The same for a folder: it is filled under another name beside its place and gets its own only
   * when all of it is there. What fails leaves nothing that would stand in the way of a second try.
   *
   * @throws FileAlreadyExistsException where something of that name is there
   */
  public static void writeFolder(Path folder, FolderContent content) throws IOException {
    Path whole = folder.toAbsolutePath();
    refuseIfThere(whole);
    Path part = beside(whole, Files::createDirectory);
    try {
      content.writeInto(part);
      refuseIfThere(whole);
      Files.move(part, whole);
    } finally {
      sweep(part);
    }
  }

  /** A name that nothing else has, on the same drive. */
  private static Path beside(Path whole, Making making) throws IOException {
    for (int k = 0; ; k++) {
      Path part =
          whole.resolveSibling(
              String.format(Locale.ROOT, ".%016x.part", ThreadLocalRandom.current().nextLong()));
      try {
        return making.at(part);
      } catch (FileAlreadyExistsException e) {
        if (k == TRIES) {
          throw e;
        }
      }
    }
  }

  /**
   * A link refuses a name that is taken even where two programs ask at once. Memory sticks and
   * cards (FAT, exFAT) and some drives of a network know no links: there the name is looked at
   * first.
   */
  private static void name(Path part, Path whole) throws IOException {
    try {
      Files.createLink(whole, part);
    } catch (FileAlreadyExistsException e) {
      throw taken(whole);
    } catch (FileSystemException | UnsupportedOperationException _) {
      refuseIfThere(whole);
      Files.move(part, whole);
    }
  }

  private static void refuseIfThere(Path file) throws FileAlreadyExistsException {
    if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
      throw taken(file);
    }
  }

  private static FileAlreadyExistsException taken(Path file) {
    return new FileAlreadyExistsException(
        file.toString(), null, "it is there already; choose another name");
  }

  /** Deletes a folder of our own with all that is in it, where it is there. */
  public static void sweep(Path folder) throws IOException {
    if (!Files.exists(folder, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }
}
