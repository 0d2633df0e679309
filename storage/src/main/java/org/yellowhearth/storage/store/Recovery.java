package org.yellowhearth.storage.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.IllegalEditException;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.RecordJson;

/**
 * Makes a new shop of what can still be read of a damaged one. Of each journal the longest
 * beginning that can be read is kept, because later entries rest on earlier ones; where a backup
 * has more of a job than the damaged file, the job comes from there. The damaged file is set aside,
 * never deleted.
 */
public final class Recovery {
  private Recovery() {}

  /**
   * What became of it.
   *
   * @param whole jobs with every entry
   * @param cut jobs of which later entries are lost, with how many were kept
   * @param lost ids of jobs of which nothing could be read
   * @param drawer whether every act of the drawer could be read
   * @param aside where the damaged file lies now
   */
  public record Report(
      List<String> whole, List<Cut> cut, List<String> lost, boolean drawer, Path aside) {}

  /**
   * A job of which later entries are lost.
   *
   * @param fromBackup whether it was taken from a backup
   */
  public record Cut(String name, int kept, boolean fromBackup) {}

  private record Found(Optional<Job> job, boolean whole) {}

  /** Recovers the shop in a folder, which is not open. */
  public static Report recover(Path folder, Knowledge knowledge, Instant now) {
    try {
      Path fresh = Files.createTempDirectory(folder, "recovering");
      List<String> whole = new ArrayList<>();
      List<Cut> cut = new ArrayList<>();
      List<String> lost = new ArrayList<>();
      boolean drawer;
      try (SqliteShop to = SqliteShop.open(fresh, knowledge)) {
        Optional<Backups.Backup> backup =
            Backups.of(folder).stream()
                .filter(b -> Backups.check(b.file(), knowledge).sound())
                .findFirst();
        List<Shop.ShelfEntry> backed =
            backup.map(b -> Backups.jobs(b.file(), knowledge)).orElse(List.of());
        Set<String> ids = new LinkedHashSet<>(ids(folder.resolve(SqliteShop.FILE)));
        backed.forEach(b -> ids.add(b.id()));
        for (String id : ids) {
          Found found = found(folder.resolve(SqliteShop.FILE), id, knowledge);
          Optional<Job> old =
              backed.stream().filter(b -> b.id().equals(id)).map(Shop.ShelfEntry::job).findFirst();
          boolean fromBackup =
              !found.whole
                  && old.isPresent()
                  && old.get().journal().size() > found.job.map(j -> j.journal().size()).orElse(0);
          Optional<Job> best = fromBackup ? old : found.job;
          best.ifPresent(j -> to.addAs(id, j));
          if (best.isEmpty()) {
            lost.add(id);
          } else if (found.whole) {
            whole.add(best.get().plate().name());
          } else {
            cut.add(new Cut(best.get().plate().name(), best.get().journal().size(), fromBackup));
          }
        }
        drawer = drawer(folder.resolve(SqliteShop.FILE), to, now);
      }
      Path aside = Backups.setAside(folder, now);
      Files.move(
          fresh.resolve(SqliteShop.FILE),
          folder.resolve(SqliteShop.FILE),
          StandardCopyOption.ATOMIC_MOVE);
      try (Stream<Path> left = Files.list(fresh)) {
        for (Path file : left.toList()) {
          Files.delete(file);
        }
      }
      Files.delete(fresh);
      return new Report(whole, cut, lost, drawer, aside);
    } catch (IOException e) {
      throw new ShopException(
          "The shop could not be recovered: "
              + e.getMessage()
              + ". Nothing was taken away. Check that the drive has room.",
          e);
    }
  }

  /** The ids of jobs, from the shelf and from the journals: either may be damaged. */
  private static Set<String> ids(Path file) {
    Set<String> ids = new LinkedHashSet<>();
    for (String sql :
        List.of(
            "select id from job",
            "select distinct job from entry",
            "select distinct job from item",
            "select distinct job from reading")) {
      try (Connection connection = Backups.readOnly(file);
          Handle handle = Jdbi.create(connection).open();
          Stream<String> rows = handle.createQuery(sql).mapTo(String.class).stream()) {
        rows.forEach(ids::add);
      } catch (SQLException | JdbiException _) {
        // What came before the damage is in already; the other tables may tell the rest.
      }
    }
    return ids;
  }

  private static Found found(Path file, String id, Knowledge knowledge) {
    List<Entry> journal = new ArrayList<>();
    boolean whole = false;
    try (Connection connection = Backups.readOnly(file);
        Handle handle = Jdbi.create(connection).open()) {
      Journals journals = Journals.ofFile(handle, knowledge);
      Optional<Entry> next = journals.entry(id, 0);
      while (next.isPresent()) {
        journal.add(next.get());
        next = journals.entry(id, journal.size());
      }
      Optional<Integer> last =
          handle
              .createQuery("select max(number) from entry where job = ?")
              .bind(0, id)
              .mapTo(Integer.class)
              .findFirst();
      whole = last.filter(n -> n == journal.size() - 1).isPresent();
    } catch (SQLException | JdbiException | BadFileException | DateTimeException _) {
      // This is where the damage is: what was read before it counts.
      whole = false;
    }
    Optional<Job> job = longest(journal);
    return new Found(
        job, whole && job.filter(j -> j.journal().size() == journal.size()).isPresent());
  }

  /**
   * The longest beginning that is a job: damage may have left an entry that can be read and does
   * not fit.
   */
  private static Optional<Job> longest(List<Entry> journal) {
    Optional<Job> job = Optional.empty();
    try {
      for (Entry e : journal) {
        job = Optional.of(job.isEmpty() ? Job.of(List.of(e)) : job.get().after(e));
      }
    } catch (IllegalEditException | IllegalArgumentException _) {
      // What fits so far is kept.
    }
    return job;
  }

  private static boolean drawer(Path file, SqliteShop to, Instant now) {
    try (Connection connection = Backups.readOnly(file);
        Handle handle = Jdbi.create(connection).open();
        Stream<String> acts =
            handle
                .createQuery("select act from stock_entry order by number")
                .mapTo(String.class)
                .stream()) {
      acts.forEach(act ->
          to.append(
              RecordJson.readTagged(JsonText.read(act), "act", Stock.Act.class),
              now.atZone(java.time.ZoneOffset.UTC)));
      return true;
    } catch (SQLException | JdbiException | BadFileException | IllegalArgumentException _) {
      return false;
    }
  }
}
