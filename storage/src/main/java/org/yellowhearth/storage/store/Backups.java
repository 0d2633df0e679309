package org.yellowhearth.storage.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;

/**
 * Copies of a shop beside it, made on their own, each opened and read through before it counts, the
 * older ones thinned out: all of the last two days, then one a day for a week, one a week for two
 * months, one a month for two years.
 */
public final class Backups {
  private static final String FOLDER = "backups";
  private static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss'Z'", Locale.ROOT);
  private static final String BEFORE = "shop ";
  private static final String ENDING = ".sqlite";
  private static final int DAYS_OF_ALL = 2;
  private static final int DAYS = 7;
  private static final int WEEKS = 9;
  private static final int MONTHS = 24;

  private Backups() {}

  /** A copy of the shop. */
  public record Backup(Path file, Instant at, long bytes) {}

  /**
   * What was found in a copy that was read through.
   *
   * @param trouble what is wrong with it; empty for a sound one
   */
  public record Checked(int jobs, long entries, String trouble) {
    /** Whether every page and every journal of it can be read. */
    public boolean sound() {
      return trouble.isEmpty();
    }
  }

  /** The copies of a shop, the newest first. */
  public static List<Backup> of(Path shop) throws IOException {
    Path folder = shop.resolve(FOLDER);
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    List<Backup> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Optional<Instant> at = moment(file.getFileName().toString());
        if (at.isPresent()) {
          all.add(new Backup(file, at.get(), Files.size(file)));
        }
      }
    }
    all.sort(Comparator.comparing(Backup::at).reversed());
    return all;
  }

  private static Optional<Instant> moment(String name) {
    if (!name.startsWith(BEFORE) || !name.endsWith(ENDING)) {
      return Optional.empty();
    }
    try {
      String text = name.substring(BEFORE.length(), name.length() - ENDING.length());
      return Optional.of(LocalDateTime.parse(text, NAME).toInstant(ZoneOffset.UTC));
    } catch (DateTimeException _) {
      // Somebody's own file among ours.
      return Optional.empty();
    }
  }

  /**
   * Copies an open shop; the copy is no backup before {@link #settle} has read it through. Only
   * this keeps the shop busy.
   *
   * @return the copy
   */
  public static Path copy(SqliteShop shop) {
    Path backups = shop.folder().resolve(FOLDER);
    Path making = backups.resolve("making" + ENDING);
    try {
      Files.createDirectories(backups);
      Files.deleteIfExists(making);
    } catch (IOException e) {
      throw failed(backups, e);
    }
    shop.copyTo(making);
    return making;
  }

  /**
   * Reads a copy through, gives it its name, and thins out the older ones.
   *
   * @throws ShopException where it is not sound; then none is taken away
   */
  public static Checked settle(Path copy, Knowledge knowledge, Instant now) {
    Checked checked = check(copy, knowledge);
    if (!checked.sound()) {
      throw new ShopException(
          "The backup just made is not sound: "
              + checked.trouble()
              + " The older ones are kept. Check the drive, and make another.");
    }
    Path backups = copy.toAbsolutePath().getParent();
    try {
      Files.move(
          copy,
          backups.resolve(BEFORE + NAME.format(now.atOffset(ZoneOffset.UTC)) + ENDING),
          StandardCopyOption.ATOMIC_MOVE);
      for (Backup b : surplus(of(backups.getParent()), now)) {
        Files.delete(b.file());
      }
    } catch (IOException e) {
      throw failed(backups, e);
    }
    return checked;
  }

  private static ShopException failed(Path backups, IOException e) {
    return new ShopException(
        "The backup could not be made in "
            + backups
            + ": "
            + e.getMessage()
            + ". Check that the drive has room.",
        e);
  }

  /** The copies that are kept no longer; the newest always is. */
  static List<Backup> surplus(List<Backup> newestFirst, Instant now) {
    Set<String> taken = new HashSet<>();
    List<Backup> gone = new ArrayList<>();
    ZonedDateTime today = now.atZone(ZoneOffset.UTC);
    for (Backup b : newestFirst) {
      ZonedDateTime at = b.at().atZone(ZoneOffset.UTC);
      // The newest of a day stands for its day, its week and its month at once.
      boolean day = taken.add("day " + at.toLocalDate()) && at.isAfter(today.minusDays(DAYS));
      boolean week =
          taken.add(
                  "week "
                      + at.get(IsoFields.WEEK_BASED_YEAR)
                      + " "
                      + at.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR))
              && at.isAfter(today.minusWeeks(WEEKS));
      boolean month =
          taken.add("month " + at.getYear() + " " + at.getMonthValue())
              && at.isAfter(today.minusMonths(MONTHS));
      boolean keep = at.isAfter(today.minusDays(DAYS_OF_ALL)) || day || week || month;
      if (!keep && !b.equals(newestFirst.getFirst())) {
        gone.add(b);
      }
    }
    return gone;
  }

  /** Reads a copy through, every page and every journal. */
  public static Checked check(Path file, Knowledge knowledge) {
    try (Connection connection = readOnly(file);
        Handle handle = Jdbi.create(connection).open()) {
      String integrity = handle.createQuery("pragma integrity_check(1)").mapTo(String.class).one();
      if (!integrity.equals("ok")) {
        return new Checked(0, 0, integrity + ".");
      }
      Journals journals = Journals.ofFile(handle, knowledge);
      long entries = 0;
      List<String> ids = journals.ids();
      for (String id : ids) {
        entries += journals.job(id).journal().size();
      }
      return new Checked(ids.size(), entries, "");
    } catch (SQLException | JdbiException | IllegalArgumentException | ShopException e) {
      return new Checked(0, 0, SqlShop.firstLine(e));
    }
  }

  /** A job that a copy holds. */
  public record Kept(String id, String name, int entries) {}

  /** What a copy holds, without touching it. */
  public static List<Kept> list(Path file) {
    return looking(
        file,
        handle ->
            handle
                .createQuery(
                    """
                    select j.id as id, j.name as name, (select count(*) from entry e where e.job = j.id) as entries
                    from job j order by j.touched_at desc, j.name, j.id
                    """)
                .map(
                    (r, _) -> new Kept(r.getString("id"), r.getString("name"), r.getInt("entries")))
                .list());
  }

  /** One job of a copy. */
  public static Job job(Path file, String id, Knowledge knowledge) {
    return looking(file, handle -> Journals.ofFile(handle, knowledge).job(id));
  }

  private static <T> T looking(Path file, Function<Handle, T> work) {
    try (Connection connection = readOnly(file);
        Handle handle = Jdbi.create(connection).open()) {
      return work.apply(handle);
    } catch (SQLException | JdbiException e) {
      throw new ShopException(
          "The backup "
              + file.getFileName()
              + " cannot be read: "
              + SqlShop.firstLine(e)
              + " Take another.",
          e);
    }
  }

  /** The jobs of a copy by their ids, without touching it. */
  public static List<Shop.ShelfEntry> jobs(Path file, Knowledge knowledge) {
    return looking(
        file,
        handle -> {
          Journals journals = Journals.ofFile(handle, knowledge);
          return journals.ids().stream()
              .map(id -> new Shop.ShelfEntry(id, journals.job(id)))
              .toList();
        });
  }

  static Connection readOnly(Path file) throws SQLException {
    SQLiteConfig config = new SQLiteConfig();
    config.setReadOnly(true);
    SQLiteDataSource source = new SQLiteDataSource(config);
    source.setUrl("jdbc:sqlite:" + file);
    return source.getConnection();
  }

  /**
   * Puts a copy in the place of a shop that is not open. What stood there is set aside, never
   * deleted.
   *
   * @return the folder in which it was set aside
   */
  public static Path restore(Path shop, Path backup, Instant now) {
    try {
      Path copy = Files.createTempFile(shop, "restored", ENDING);
      Files.copy(backup, copy, StandardCopyOption.REPLACE_EXISTING);
      Path aside = setAside(shop, now);
      Files.move(copy, shop.resolve(SqliteShop.FILE), StandardCopyOption.ATOMIC_MOVE);
      return aside;
    } catch (IOException e) {
      throw new ShopException(
          "The backup could not be put in its place: "
              + e.getMessage()
              + ". The shop is as it was. Check that the drive has room and that the shop is not open.",
          e);
    }
  }

  /** Moves the file of a shop and its logs into a folder of their own beside it. */
  static Path setAside(Path shop, Instant now) throws IOException {
    Path aside =
        Files.createDirectories(
            shop.resolve("set aside " + NAME.format(now.atZone(ZoneId.of("UTC")))));
    for (String ending : List.of("-wal", "-shm", "")) {
      Path file = shop.resolve(SqliteShop.FILE + ending);
      if (Files.exists(file)) {
        Files.move(file, aside.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
      }
    }
    return aside;
  }
}
