package org.yellowhearth.desk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * What a demo shop starts with: the job files of a folder, in order of name, and the list of its
 * drawer.
 */
final class DemoFiles {
  private DemoFiles() {}

  static List<Path> in(Path folder) {
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(f -> f.toString().endsWith(".json")).sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Path drawerIn(Path folder) {
    return folder.resolve("drawer.csv");
  }
}
