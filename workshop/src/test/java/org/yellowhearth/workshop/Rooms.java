package org.yellowhearth.workshop;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.SqliteShop;

/**
 * What desk tests start from: a model over a shop in a fresh folder, everything done at once and on
 * one day.
 */
public final class Rooms {
  public static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  public static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-09-09T09:09:09Z"), ZoneOffset.UTC);

  private static final Map<List<String>, Path> READY = new ConcurrentHashMap<>();

  private Rooms() {}

  public static Path folder() {
    try {
      return Files.createTempDirectory("desk");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A fresh folder with a shop that these demo sets have arrived in; they arrive once. */
  public static Path folder(String... demos) {
    Path ready = READY.computeIfAbsent(List.of(demos), Rooms::arrived);
    Path copy = folder();
    try (Stream<Path> all = Files.walk(ready)) {
      for (Path from : all.toList()) {
        Path to = copy.resolve(ready.relativize(from));
        if (Files.isDirectory(from)) {
          Files.createDirectories(to);
        } else {
          Files.copy(from, to);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return copy;
  }

  private static Path arrived(List<String> demos) {
    Path folder = folder();
    try (Shop shop = shop(folder)) {
      DeskModel model = model(shop, new PhotoStore(folder));
      model.shelf().bringIn(demos.stream().map(Rooms::demo).toList());
      if (model.shelf().jobsProperty().get().size() != demos.size()) {
        throw new IllegalStateException("not all demo sets came in");
      }
    }
    return folder;
  }

  public static Shop shop(Path folder) {
    return SqliteShop.open(folder, KNOWLEDGE);
  }

  public static DeskModel model(Shop shop) {
    return model(shop, new PhotoStore(folder()));
  }

  private static DeskModel model(Shop shop, PhotoStore photos) {
    return new DeskModel(
        shop,
        photos,
        KNOWLEDGE,
        CLOCK,
        new Background(Runnable::run, Runnable::run, Runnable::run));
  }

  public static Path demo(String name) {
    return Path.of(System.getProperty("hearth.root"), "demo", name);
  }

  public static void type(DeskModel model, String line) {
    model.benchLine().lineProperty().set(line);
    model.benchLine().enter();
  }

  public static List<Capacitor> census(DeskModel model) {
    return model.openProperty().get().orElseThrow().job().capacitors();
  }

  public static PartRef ref(String text) {
    return PartRef.of(text);
  }
}
