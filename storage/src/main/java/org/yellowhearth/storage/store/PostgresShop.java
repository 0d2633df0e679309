package org.yellowhearth.storage.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationState;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;

/**
 * A shop that several benches share, on a PostgreSQL server that its owner runs. Whoever appends to
 * a job holds it for that moment and reads first what others appended; what then fits no more is
 * told and not kept. A connection that was lost is made anew with the next call.
 */
public final class PostgresShop extends SqlShop {
  /**
   * What a server answers that offers no TLS, and one whose certificate does not stand the test.
   */
  private static final List<String> ABOUT_TLS = List.of("SSL", "certificat", "PKIX");

  /** SQLSTATE of PostgreSQL, appendix A. */
  private static final String INSUFFICIENT_PRIVILEGE = "42501";

  private final PostgresAddress address;
  private final DataSource source;
  private Handle handle;

  private PostgresShop(
      PostgresAddress address, DataSource source, Connection connection, Knowledge knowledge) {
    super(knowledge);
    this.address = address;
    this.source = source;
    this.handle = Jdbi.create(connection).open();
  }

  /**
   * Opens a shared shop, making its tables where there are none, and brings an older one up to
   * date; only its owner can do either.
   *
   * @param text a JDBC address such as {@code jdbc:postgresql://workshop.local/hearth?user=ann};
   *     the password may stand in it, or in the file that PostgreSQL's own tools read it from
   * @throws ShopException where the server cannot be reached, lets nobody in, or the shop is of a
   *     newer program or waits for its owner
   */
  public static PostgresShop open(String text, Knowledge knowledge) {
    PostgresAddress address = PostgresAddress.parse(text);
    try {
      DataSource source = address.source();
      Flyway flyway =
          Flyway.configure()
              .dataSource(source)
              .connectRetries(0)
              .locations("classpath:org/yellowhearth/storage/store/postgres")
              .load();
      if (Arrays.stream(flyway.info().all())
          .anyMatch(m -> m.getState() == MigrationState.FUTURE_SUCCESS)) {
        throw new FlywayException("it was made by a newer version of the program");
      }
      if (flyway.info().pending().length > 0) {
        broughtUpToDate(flyway, address);
      }
      return new PostgresShop(address, source, connected(source), knowledge);
    } catch (FlywayException | SQLException e) {
      throw new ShopException(
          "The shared shop at "
              + address.shown()
              + " cannot be opened: "
              + firstLine(e)
              + " Nothing was changed. "
              + remedy(e, address),
          e);
    }
  }

  private static void broughtUpToDate(Flyway flyway, PostgresAddress address) {
    try {
      flyway.migrate();
    } catch (FlywayException e) {
      if (INSUFFICIENT_PRIVILEGE.equals(state(e))
          || String.valueOf(e.getMessage()).contains("non-empty schema")) {
        throw new ShopException(
            "The shared shop at "
                + address.shown()
                + " has to be made or brought up to date by its owner first: "
                + "open it once with this version and the owner's name, then let this bench in (docs/shop-format.md, A shared shop). "
                + "Nothing was changed.",
            e);
      }
      throw e;
    }
  }

  private static String state(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLException s && s.getSQLState() != null) {
        return s.getSQLState();
      }
    }
    return "";
  }

  private static String remedy(Throwable e, PostgresAddress address) {
    boolean tls = false;
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      tls |= ABOUT_TLS.stream().anyMatch(String.valueOf(cause.getMessage())::contains);
    }
    if (tls) {
      return address.saysHowSecured()
          ? "Check the certificate of the server and what the address says of it (sslmode, sslrootcert)."
          : "The connection goes over a network, so TLS is asked for. Let whoever runs the server switch it on; "
              + "only where nobody can listen, write sslmode=disable into the address.";
    }
    return "Check address, name and password, and that the server runs and can be reached.";
  }

  private static Connection connected(DataSource source) throws SQLException {
    Connection connection = source.getConnection();
    connection.setTransactionIsolation(Connection.TRANSACTION_READ_COMMITTED);
    return connection;
  }

  /**
   * Whether this bench works under the name that owns the tables; a name of its own can do less
   * harm.
   */
  public synchronized boolean asOwner() {
    return guarded(
        "say whose it is",
        () ->
            handle()
                .createQuery(
                    "select pg_has_role(c.relowner, 'MEMBER') from pg_class c where c.oid = 'entry'::regclass")
                .mapTo(Boolean.class)
                .one());
  }

  @Override
  synchronized Handle handle() {
    try {
      if (handle.getConnection().isClosed()) {
        handle.close();
        handle = Jdbi.create(connected(source)).open();
      }
      return handle;
    } catch (SQLException e) {
      throw new ShopException(
          "The shared shop at "
              + address.shown()
              + " cannot be reached: "
              + firstLine(e)
              + " Nothing was changed. VisualInspection after server and network, and do it again.",
          e);
    }
  }

  @Override
  String remedy() {
    return "Check that the server runs and can be reached, and do it again.";
  }

  @Override
  void lockJob(String id) {
    handle()
        .createQuery("select id from job where id = ? for update")
        .bind(0, id)
        .mapTo(String.class)
        .findOne();
  }

  @Override
  void lockStock() {
    // A bench may not lock a table that it can only add to; whoever writes into the drawer asks for
    // this first.
    handle()
        .createQuery("select 1 from (select pg_advisory_xact_lock(hashtext('stock_entry'))) asked")
        .mapTo(Integer.class)
        .one();
  }

  @Override
  void lockDigests() {
    handle().execute("lock table digest in exclusive mode");
  }

  @Override
  public boolean shared() {
    return true;
  }

  @Override
  List<Hit> hits(Search search, Hit.Where where, int most) {
    return DigestTables.hits(
        handle()
            .createQuery(
                """
                select t.job as job, j.name as name, t.place as place, t.part as part, t.text as text
                from thing_word w join thing t on t.id = w.rowid join job j on j.id = t.job
                where w.place = :place and w.all_words @@ cast(:all as tsquery)
                    and (:place = 'set' or w.own_words @@ cast(:own as tsquery)) limit :most
                """)
            .bind("place", where.code())
            .bind("all", search.tsqueryOfAll())
            .bind("own", search.tsqueryOfOwn())
            .bind("most", most));
  }

  @Override
  public synchronized void close() {
    handle.close();
  }
}
