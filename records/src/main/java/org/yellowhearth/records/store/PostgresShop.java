package org.yellowhearth.records.store;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationState;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.records.archive.Hit;
import org.yellowhearth.records.archive.Search;

/**
 * A shop that several benches share, on a PostgreSQL server that its owner runs. Whoever appends to a job holds it for that moment and reads first what
 * others appended; what then fits no more is told and not kept. A connection that was lost is made anew with the next call.
 */
public final class PostgresShop extends SqlShop {
    private static final String PREFIX = "jdbc:postgresql:";
    private static final int CONNECT_SECONDS = 8;

    private final String address;
    private Handle handle;

    private PostgresShop(String address, Connection connection, Knowledge knowledge) {
        super(knowledge);
        this.address = address;
        this.handle = Jdbi.create(connection).open();
    }

    /** Whether this is the address of a shared shop. */
    public static boolean is(String address) {
        return address.strip().toLowerCase(Locale.ROOT).startsWith(PREFIX);
    }

    /**
     * Opens a shared shop, making its tables where there are none, and brings an older one up to date.
     *
     * @param address a JDBC address such as {@code jdbc:postgresql://workshop.local/hearth?user=ann}; the password may stand in it, or in the file
     *            that PostgreSQL's own tools read it from
     * @throws ShopException where the server cannot be reached, lets nobody in, or the shop is of a newer program
     */
    public static PostgresShop open(String address, Knowledge knowledge) {
        if (!is(address)) {
            throw new ShopException("\"" + address + "\" is not the address of a shared shop. Expected one such as "
                    + "jdbc:postgresql://workshop.local/hearth?user=ann");
        }
        String plain = address.strip();
        try {
            Flyway flyway = Flyway.configure().dataSource(plain, null, null).connectRetries(0)
                    .locations("classpath:org/yellowhearth/records/store/postgres").load();
            if (Arrays.stream(flyway.info().all()).anyMatch(m -> m.getState() == MigrationState.FUTURE_SUCCESS)) {
                throw new FlywayException("it was made by a newer version of the program");
            }
            flyway.migrate();
            return new PostgresShop(plain, connected(plain), knowledge);
        } catch (FlywayException | SQLException e) {
            throw new ShopException("The shared shop at " + shown(plain) + " cannot be opened: " + firstLine(e)
                    + " Nothing was changed. Check address, name and password, and that the server runs and can be reached.", e);
        }
    }

    private static Connection connected(String address) throws SQLException {
        Connection connection = DriverManager
                .getConnection(address + (address.contains("?") ? "&" : "?") + "connectTimeout=" + CONNECT_SECONDS
                        + "&tcpKeepAlive=true");
        connection.setTransactionIsolation(Connection.TRANSACTION_READ_COMMITTED);
        return connection;
    }

    /** An address without what may be a password. */
    static String shown(String address) {
        return address.replaceAll("(?i)(password=)[^&]*", "$1…");
    }

    @Override
    synchronized Handle handle() {
        try {
            if (handle.getConnection().isClosed()) {
                handle.close();
                handle = Jdbi.create(connected(address)).open();
            }
            return handle;
        } catch (SQLException e) {
            throw new ShopException("The shared shop at " + shown(address) + " cannot be reached: " + firstLine(e)
                    + " Nothing was changed. Look after server and network, and do it again.", e);
        }
    }

    @Override
    String remedy() {
        return "Check that the server runs and can be reached, and do it again.";
    }

    @Override
    void lockJob(String id) {
        handle().createQuery("select id from job where id = ? for update").bind(0, id).mapTo(String.class).findOne();
    }

    @Override
    void lockStock() {
        handle().execute("lock table stock_entry in exclusive mode");
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
        return DigestTables.hits(handle().createQuery("""
                select t.job as job, j.name as name, t.place as place, t.part as part, t.text as text
                from thing_word w join thing t on t.id = w.rowid join job j on j.id = t.job
                where w.place = :place and w.all_words @@ cast(:all as tsquery)
                    and (:place = 'set' or w.own_words @@ cast(:own as tsquery)) limit :most
                """).bind("place", where.code()).bind("all", search.tsqueryOfAll()).bind("own", search.tsqueryOfOwn())
                .bind("most", most));
    }

    @Override
    public synchronized void close() {
        handle.close();
    }
}
