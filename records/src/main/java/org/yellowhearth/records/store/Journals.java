package org.yellowhearth.records.store;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;

import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.result.RowView;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.records.jobfile.JobReader;
import org.yellowhearth.records.json.JsonText;

/** Reads the journals of a shop through an open connection. */
final class Journals {
    private final Handle handle;
    private final JobReader reader;

    Journals(Handle handle, Knowledge knowledge) {
        this.handle = handle;
        this.reader = new JobReader(knowledge);
    }

    /** The ids of all jobs, the one touched last first. */
    List<String> ids() {
        return handle.createQuery("select id from job order by touched_at desc, name, id").mapTo(String.class).list();
    }

    /** A job from its whole journal. */
    Job job(String id) {
        List<Entry> journal = handle.createQuery("select number, at, zone, act from entry where job = :job order by number")
                .bind("job", id).reduceRows(new java.util.ArrayList<Entry>(), (all, row) -> {
                    all.add(entry(row));
                    return all;
                });
        if (journal.isEmpty()) {
            throw new ShopException("There is no job " + id + " in this shop.");
        }
        return Job.of(journal);
    }

    /** One entry; none where the journal has no such number. */
    Optional<Entry> entry(String id, int number) {
        return handle.createQuery("select number, at, zone, act from entry where job = :job and number = :number").bind("job", id)
                .bind("number", number).reduceRows(Optional.<Entry>empty(), (_, row) -> Optional.of(entry(row)));
    }

    private Entry entry(RowView row) {
        return new Entry(row.getColumn("number", Integer.class),
                Instant.parse(row.getColumn("at", String.class)).atZone(ZoneId.of(row.getColumn("zone", String.class))),
                reader.act(JsonText.read(row.getColumn("act", String.class))));
    }
}
