package org.yellowhearth.storage.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationState;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;
import org.yellowhearth.storage.disk.PrivateFiles;

/**
 * A shop in a SQLite file: write-ahead log, full synchronisation, one writer, every append one
 * transaction. A lock beside the file keeps a second window out.
 */
public final class SqliteShop extends SqlShop {
  static final String FILE = "shop.sqlite";

  private final Path folder;
  private final Handle handle;
  private final Connection connection;
  private final FileChannel lockChannel;

  /** The file system's own name of the file. */
  private final Optional<Object> key;

  private SqliteShop(
      Path folder, Connection connection, FileChannel lockChannel, Knowledge knowledge) {
    super(knowledge);
    this.folder = folder;
    this.connection = connection;
    this.handle = Jdbi.create(connection).open();
    this.lockChannel = lockChannel;
    this.key = fileKey(folder);
  }

  /**
   * Opens the shop in a folder, making it if there is none, and brings an older one up to date.
   *
   * @throws ShopException where the folder cannot be used, the shop is open already, or the file is
   *     no shop or a newer one
   */
  public static SqliteShop open(Path folder, Knowledge knowledge) {
    FileChannel lock = lock(folder);
    try {
      SQLiteConfig config = new SQLiteConfig();
      config.setJournalMode(SQLiteConfig.JournalMode.WAL);
      config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
      config.enforceForeignKeys(true);
      config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
      SQLiteDataSource source = new SQLiteDataSource(config);
      source.setUrl("jdbc:sqlite:" + folder.resolve(FILE));
      Flyway flyway =
          Flyway.configure()
              .dataSource(source)
              .locations("classpath:org/yellowhearth/storage/store/sqlite")
              .load();
      if (Arrays.stream(flyway.info().all())
          .anyMatch(m -> m.getState() == MigrationState.FUTURE_SUCCESS)) {
        throw new FlywayException("it was made by a newer version of the program");
      }
      flyway.migrate();
      return new SqliteShop(folder, source.getConnection(), lock, knowledge);
    } catch (FlywayException | SQLException e) {
      release(lock);
      throw new ShopException(
          "The shop in "
              + folder
              + " cannot be opened: "
              + firstLine(e)
              + " It was left as it is. Start with another folder, or put a backup in its place.",
          e);
    }
  }

  private static FileChannel lock(Path folder) {
    try {
      PrivateFiles.folder(folder);
      FileChannel channel =
          FileChannel.open(
              folder.resolve("shop.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      FileLock lock = tryLock(channel);
      if (lock == null) {
        channel.close();
        throw new ShopException(
            "The shop in "
                + folder
                + " is open in another window. Go on there, or close it first.");
      }
      return channel;
    } catch (IOException e) {
      throw new ShopException(
          "The folder "
              + folder
              + " cannot be written to: "
              + e.getMessage()
              + ". Check that the drive is there and that you may write to it.",
          e);
    }
  }

  private static FileLock tryLock(FileChannel channel) throws IOException {
    try {
      return channel.tryLock();
    } catch (OverlappingFileLockException e) {
      return null;
    }
  }

  private static void release(FileChannel lock) {
    try {
      lock.close();
    } catch (IOException e) {
      throw new ShopException("The lock on the shop could not be given back: " + e.getMessage(), e);
    }
  }

  /** The folder it is kept in. */
  public Path folder() {
    return folder;
  }

  @Override
  Handle handle() {
    return handle;
  }

  @Override
  String remedy() {
    return "Check that the drive is there and has room.";
  }

  /**
   * Nobody else has this file open, and a transaction is the only one; but the file must still be
   * where it was.
   */
  @Override
  void lockJob(String id) {
    requireFile();
  }

  @Override
  void lockStock() {
    requireFile();
  }

  /**
   * A drive that was pulled out, or a folder thrown away, would take what is written with it
   * without a word.
   */
  private void requireFile() {
    if (!fileKey(folder).equals(key)) {
      throw new ShopException(
          "The file of the shop is no longer in "
              + folder
              + ". Nothing was kept. Put the drive or the folder back in its place, and start again; a backup is a way too.");
    }
  }

  private static Optional<Object> fileKey(Path folder) {
    try {
      BasicFileAttributes is =
          Files.readAttributes(folder.resolve(FILE), BasicFileAttributes.class);
      return Optional.of(Optional.ofNullable(is.fileKey()).orElse(is.creationTime()));
    } catch (IOException _) {
      // It is not there, and that is what is told.
      return Optional.empty();
    }
  }

  @Override
  void lockDigests() {
    // The lock beside the file stands for it.
  }

  @Override
  public boolean shared() {
    return false;
  }

  @Override
  List<Hit> hits(Search search, Hit.Where where, int most) {
    return DigestTables.hits(
        handle
            .createQuery(
                """
                select t.job as job, j.name as name, t.place as place, t.part as part, t.text as text
                from thing_word w join thing t on t.id = w.rowid join job j on j.id = t.job
                where thing_word match :words limit :most
                """)
            .bind("words", search.fts5(where))
            .bind("most", most));
  }

  /** Writes a whole copy of the shop as it stands at this moment into a new file. */
  synchronized void copyTo(Path file) {
    guarded("be copied", () -> handle.execute("vacuum into ?", file.toString()));
  }

  /** Lets the file grow no larger than so many pages: a full disk, for tests. */
  synchronized void limitPages(long pages) {
    guarded(
        "be limited",
        () -> handle.createQuery("pragma max_page_count = " + pages).mapTo(Long.class).one());
  }

  @Override
  public synchronized void close() {
    handle.close();
    try {
      connection.close();
    } catch (SQLException e) {
      throw new ShopException("The shop could not be closed: " + firstLine(e), e);
    } finally {
      release(lockChannel);
    }
  }
}
