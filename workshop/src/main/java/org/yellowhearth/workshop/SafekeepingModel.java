package org.yellowhearth.workshop;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.publishing.dossier.DossierFiles;
import org.yellowhearth.storage.disk.NewFile;
import org.yellowhearth.storage.jobfile.JobWriter;
import org.yellowhearth.storage.stock.DrawerFile;
import org.yellowhearth.storage.stock.StockCsv;
import org.yellowhearth.storage.store.Backups;
import org.yellowhearth.storage.store.Backups.Backup;
import org.yellowhearth.storage.store.PostgresAddress;
import org.yellowhearth.storage.store.PostgresShop;
import org.yellowhearth.storage.store.SharedAddress;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.Shop.ShelfEntry;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.storage.store.SqliteShop;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Copies of the shop without the window: made when they are due, looked into, jobs brought back,
 * and the whole shop as open files.
 */
public final class SafekeepingModel {
  private static final Logger LOG = LoggerFactory.getLogger(SafekeepingModel.class);
  private static final Duration EVERY = Duration.ofHours(20);

  private final DeskModel model;
  private final Shop shop;
  private final Value<List<Backup>> backups = new Value<>(List.of());
  private final Value<Optional<Opened>> opened = new Value<>(Optional.empty());

  private Optional<Path> bench = Optional.empty();
  private final Value<String> signature = new Value<>("");

  /** How a job of a backup stands to the one on the shelf. */
  public enum Stands {
    SAME,
    SHELF_HAS_MORE,
    BACKUP_HAS_MORE,
    NOT_ON_SHELF
  }

  /** A job of a backup. */
  public record InBackup(Backups.Kept kept, Stands stands) {}

  /** A backup that is looked into. */
  public record Opened(Backup backup, List<InBackup> jobs) {}

  SafekeepingModel(DeskModel model, Shop shop) {
    this.model = model;
    this.shop = shop;
  }

  /** Who works at this bench; entries are signed with it once the shop took it. */
  public Watched<String> signatureProperty() {
    return signature;
  }

  /** Signs every entry from now on; an empty name signs none. */
  public void sign(String name) {
    String plain = name.strip();
    model
        .background()
        .keep(
            () -> {
              try {
                shop.sign(plain);
                return "";
              } catch (IllegalArgumentException e) {
                return Labels.of("safe.not-signed", e.getMessage());
              }
            },
            trouble -> {
              model.tell(trouble, !trouble.isEmpty());
              if (trouble.isEmpty()) {
                signature.set(plain);
              }
            });
  }

  /** The folder of this bench, in which it is written down where it works. */
  public void at(Path folder) {
    bench = Optional.of(folder);
  }

  /** Whether several benches share the shop; its server is then backed up by whoever runs it. */
  public boolean shared() {
    return shop.shared();
  }

  /**
   * The address of the shared shop that this bench works at, without its password; empty for its
   * own.
   */
  public String sharedAddress() {
    return writtenDown().map(PostgresAddress::masked).orElse("");
  }

  private Optional<PostgresAddress> writtenDown() {
    return bench.flatMap(SharedAddress::of).filter(PostgresAddress::is).map(PostgresAddress::parse);
  }

  /**
   * Tries an address, and writes it down for the next start; an empty one leads back into the
   * bench's own shop.
   */
  public void share(String address) {
    String plain = address.strip();
    model.tell(Labels.of("safe.share.trying"), false);
    model
        .background()
        .aside(
            () -> {
              try {
                if (plain.isEmpty()) {
                  bench.ifPresent(folder -> SharedAddress.set(folder, ""));
                  return new Background.Notice(Labels.of("safe.share.own"), false);
                }
                String whole = PostgresAddress.parse(plain).withPasswordsOf(writtenDown()).text();
                boolean owner;
                try (PostgresShop tried = PostgresShop.open(whole, model.knowledge())) {
                  owner = tried.asOwner();
                }
                bench.ifPresent(folder -> SharedAddress.set(folder, whole));
                return new Background.Notice(
                    Labels.of("safe.share.done")
                        + (owner ? "  " + Labels.of("safe.share.as-owner") : ""),
                    false);
              } catch (ShopException e) {
                return new Background.Notice(e.getMessage(), true);
              }
            },
            n -> model.tell(n.text(), n.trouble()));
  }

  /** The copies, the newest first. */
  public Watched<List<Backup>> backupsProperty() {
    return backups.watched();
  }

  /** The copy that is looked into. */
  public Watched<Optional<Opened>> openedProperty() {
    return opened.watched();
  }

  private Optional<SqliteShop> file() {
    return Optional.of(shop).filter(SqliteShop.class::isInstance).map(SqliteShop.class::cast);
  }

  private static List<Backup> found(SqliteShop of) {
    try {
      return Backups.of(of.folder());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Looks which there are. */
  public void refresh() {
    file().ifPresent(s -> model.background().keep(() -> found(s), backups::set));
  }

  /**
   * Makes one where the newest is older than a day and the shop holds anything; to be asked at the
   * start and now and then.
   */
  public void backUpWhenDue() {
    Instant now = model.now().toInstant();
    file()
        .ifPresent(s ->
            model
                .background()
                .keep(
                    () ->
                        found(s).stream().noneMatch(b -> b.at().isAfter(now.minus(EVERY)))
                            && !s.shelf().isEmpty(),
                    due -> {
                      if (due) {
                        make(
                            s,
                            checked ->
                                LOG.info(
                                    "Backed up: {} jobs, {} entries",
                                    checked.jobs(),
                                    checked.entries()));
                      }
                    }));
  }

  /** Makes one now. */
  public void backUp() {
    model.tell(Labels.of("safe.making"), false);
    file()
        .ifPresent(
            s -> make(s, c -> model.tell(Labels.of("safe.made", c.jobs(), c.entries()), false)));
  }

  /** Only the copying keeps the shop busy; it is read through beside everything else. */
  private void make(SqliteShop of, Consumer<Backups.Checked> then) {
    Instant now = model.now().toInstant();
    model
        .background()
        .keep(
            () -> Backups.copy(of),
            copy ->
                model
                    .background()
                    .aside(
                        () -> Backups.settle(copy, model.knowledge(), now),
                        checked -> {
                          then.accept(checked);
                          refresh();
                        }));
  }

  /** Looks into one, and holds it against the shelf. */
  public void look(Backup backup) {
    model
        .background()
        .keep(
            () -> {
              Map<String, Integer> entries =
                  shop.shelf().stream()
                      .collect(Collectors.toMap(ShelfLine::id, ShelfLine::entries));
              return new Opened(
                  backup,
                  Backups.list(backup.file()).stream()
                      .map(
                          k -> new InBackup(k, stands(k, Optional.ofNullable(entries.get(k.id())))))
                      .toList());
            },
            o -> opened.set(Optional.of(o)));
  }

  private static Stands stands(Backups.Kept in, Optional<Integer> onShelf) {
    if (onShelf.isEmpty()) {
      return Stands.NOT_ON_SHELF;
    }
    int more = Integer.compare(in.entries(), onShelf.get());
    return more > 0 ? Stands.BACKUP_HAS_MORE : more < 0 ? Stands.SHELF_HAS_MORE : Stands.SAME;
  }

  /** Closes it. */
  public void shut() {
    opened.set(Optional.empty());
  }

  /** Puts a job of a backup onto the shelf as one more: what is there stays as it is. */
  public void bringBack(Backup backup, Backups.Kept kept) {
    model
        .background()
        .keep(
            () -> shop.add(Backups.job(backup.file(), kept.id(), model.knowledge())),
            _ -> {
              model.tell(Labels.of("safe.brought", kept.name()), false);
              model.shelf().refresh();
            });
  }

  /** Writes every job with its photographs, and the drawer, as open files into a new folder. */
  public void takeOut(Path folder) {
    model
        .background()
        .keep(
            () -> {
              try {
                return new Background.Notice(
                    Labels.of("safe.written", written(folder), folder), false);
              } catch (FileAlreadyExistsException e) {
                return new Background.Notice(
                    Labels.of("safe.not-written", folder, e.getReason()), true);
              } catch (IOException e) {
                return new Background.Notice(
                    Labels.of("safe.not-written", folder, e.toString()), true);
              }
            },
            n -> model.tell(n.text(), n.trouble()));
  }

  private int written(Path folder) throws IOException {
    List<ShelfLine> all = shop.shelf();
    NewFile.writeFolder(folder, making -> write(all, making));
    return all.size();
  }

  private void write(List<ShelfLine> all, Path folder) throws IOException {
    Set<String> names = new HashSet<>();
    List<Photograph> photographs = new ArrayList<>();
    for (ShelfLine l : all) {
      ShelfEntry e = new ShelfEntry(l.id(), shop.job(l.id()));
      String name = DossierFiles.plain(e.job().plate().name());
      for (int k = 2; !names.add(name.toLowerCase(Locale.ROOT)); k++) {
        name = name.replaceFirst(" \\(\\d+\\)$", "") + " (" + k + ")";
      }
      NewFile.write(
          folder.resolve(name + ".json"),
          JobWriter.write(e.id(), e.job()).getBytes(StandardCharsets.UTF_8));
      photographs.addAll(e.job().items(Photograph.class));
    }
    model.photographs().copyTo(folder.resolve(Shelf.PHOTOGRAPHS), photographs);
    NewFile.write(
        folder.resolve("drawer.json"),
        DrawerFile.write(shop.stockJournal()).getBytes(StandardCharsets.UTF_8));
    NewFile.write(
        folder.resolve("drawer.csv"),
        StockCsv.write(shop.stock().drawer()).getBytes(StandardCharsets.UTF_8));
  }
}
