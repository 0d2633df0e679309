package org.yellowhearth.storage.store;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.result.RowView;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.jobfile.JobReader;

/** Reads the journals of a shop through an open connection. */
final class Journals {
  private final Handle handle;
  private final JobReader reader;
  private final String columns;

  Journals(Handle handle, Knowledge knowledge) {
    this(handle, knowledge, true);
  }

  private Journals(Handle handle, Knowledge knowledge, boolean signed) {
    this.handle = handle;
    this.reader = new JobReader(knowledge);
    this.columns =
        "select number, at, zone, act, " + (signed ? "signed" : "'' as signed") + " from entry ";
  }

  /** The journals of a file that may be older than signatures. */
  static Journals ofFile(Handle handle, Knowledge knowledge) {
    return new Journals(
        handle,
        knowledge,
        handle
                .createQuery(
                    "select count(*) from pragma_table_info('entry') where name = 'signed'")
                .mapTo(Integer.class)
                .one()
            > 0);
  }

  /** The ids of all jobs, the one touched last first. */
  List<String> ids() {
    return handle
        .createQuery("select id from job order by touched_at desc, name, id")
        .mapTo(String.class)
        .list();
  }

  /** A job from its whole journal. */
  Job job(String id) {
    return after(id, Optional.empty());
  }

  /** How many entries a job has. */
  int size(String id) {
    return handle
        .createQuery("select entries from job where id = ?")
        .bind(0, id)
        .mapTo(Integer.class)
        .findOne()
        .orElse(0);
  }

  /** A job as far as it is known, with the entries that came since. */
  Job after(String id, Optional<Job> known) {
    int from = known.map(j -> j.journal().size()).orElse(0);
    List<Entry> more =
        handle
            .createQuery(columns + "where job = :job and number >= :from order by number")
            .bind("job", id)
            .bind("from", from)
            .reduceRows(
                new ArrayList<Entry>(),
                (all, row) -> {
                  all.add(entry(row));
                  return all;
                });
    if (known.isEmpty() && more.isEmpty()) {
      throw new ShopException("There is no job " + id + " in this shop.");
    }
    if (known.isEmpty()) {
      return Job.of(more);
    }
    Job now = known.get();
    for (Entry e : more) {
      now = now.after(e);
    }
    return now;
  }

  /** One entry; none where the journal has no such number. */
  Optional<Entry> entry(String id, int number) {
    return handle
        .createQuery(columns + "where job = :job and number = :number")
        .bind("job", id)
        .bind("number", number)
        .reduceRows(Optional.<Entry>empty(), (_, row) -> Optional.of(entry(row)));
  }

  private Entry entry(RowView row) {
    return new Entry(
        row.getColumn("number", Integer.class),
        Instant.parse(row.getColumn("at", String.class))
            .atZone(ZoneId.of(row.getColumn("zone", String.class))),
        reader.act(JsonText.read(row.getColumn("act", String.class))),
        row.getColumn("signed", String.class));
  }
}
