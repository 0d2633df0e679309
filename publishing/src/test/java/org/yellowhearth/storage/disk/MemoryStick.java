package org.yellowhearth.storage.disk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.testng.SkipException;

/**
 * A memory stick: an image with a real FAT or exFAT on it, mounted by a driver in user space, where
 * the machine may mount.
 */
final class MemoryStick implements AutoCloseable {
  private static final long BYTES = 48_000_000;

  private final Path folder;
  private final List<List<String>> undo;

  /** What it is formatted with. */
  enum Format {
    FAT,
    EXFAT
  }

  private MemoryStick(Path folder, List<List<String>> undo) {
    this.folder = folder;
    this.undo = undo;
  }

  /** One that is plugged in; where none can be, the test that wants one is left out with a word. */
  static MemoryStick of(Format format) throws IOException {
    Path image = Files.createTempFile("stick", ".img");
    Path folder = Files.createTempDirectory("stick");
    try (var file = new java.io.RandomAccessFile(image.toFile(), "rw")) {
      file.setLength(BYTES);
    }
    List<List<String>> undo = new ArrayList<>();
    undo.addFirst(List.of("rm", "-f", image.toString()));
    try {
      if (format == Format.FAT) {
        run(List.of("mkfs.vfat", image.toString()));
        run(List.of("fusefat", "-o", "rw+", image.toString(), folder.toString()));
      } else {
        run(List.of("mkfs.exfat", image.toString()));
        String device = run(List.of("losetup", "-f", "--show", image.toString())).strip();
        undo.addFirst(List.of("losetup", "-d", device));
        run(List.of("mount.exfat-fuse", device, folder.toString()));
      }
      undo.addFirst(List.of("umount", folder.toString()));
      return new MemoryStick(folder, undo);
    } catch (IOException e) {
      undone(undo);
      throw new SkipException(
          "left out: this machine mounts no " + format + " image (" + e.getMessage() + ")");
    }
  }

  private static String run(List<String> command) throws IOException {
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    p.getOutputStream().close();
    String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    try {
      if (!p.waitFor(60, TimeUnit.SECONDS) || p.exitValue() != 0) {
        throw new IOException(command.getFirst() + ": " + said.strip());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(command.getFirst() + " was interrupted", e);
    }
    return said;
  }

  private static void undone(List<List<String>> undo) throws IOException {
    for (List<String> command : undo) {
      run(command);
    }
  }

  Path folder() {
    return folder;
  }

  @Override
  public void close() throws IOException {
    undone(undo);
  }
}
