package org.yellowhearth.records.store;

import java.time.ZonedDateTime;
import java.util.List;

import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.renew.Stock;

/**
 * A shop: jobs on a shelf, each with its journal. Every call either happens whole and is on the disk when it returns, or throws
 * {@link ShopException} and has changed nothing. Safe to call from any thread, one call at a time.
 */
public interface Shop extends AutoCloseable {
    /** A job as it lies on the shelf. */
    record ShelfEntry(String id, Job job) {
    }

    /** All jobs, the one touched last first. */
    List<ShelfEntry> shelf();

    /** The job with this id as it stands. */
    Job job(String id);

    /** Puts a job with its whole journal on the shelf under a new id, which is returned. */
    String add(Job job);

    /** Appends to the journal of a job, all acts or none, and returns the job as it then stands. */
    Job append(String id, List<Act> acts, ZonedDateTime at);

    /** Drawer and changed catalogue as they stand. */
    Stock stock();

    /** Does something to the stock, and returns it as it then stands. */
    Stock append(Stock.Act act, ZonedDateTime at);

    @Override
    void close();
}
