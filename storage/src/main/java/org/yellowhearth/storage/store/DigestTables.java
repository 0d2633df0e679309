package org.yellowhearth.storage.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import org.jdbi.v3.core.statement.Query;
import org.yellowhearth.core.learn.Tally;
import org.yellowhearth.core.learn.Topic;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.storage.archive.Digest;
import org.yellowhearth.storage.archive.Digest.Thing;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;

/** The digests of a shop through an open connection; the same statements for every database. */
final class DigestTables {
  private final Handle handle;
  private final Finder finder;

  /** How a database finds words. */
  interface Finder {
    List<Hit> hits(Search search, Hit.Where where, int most);
  }

  DigestTables(Handle handle, Finder finder) {
    this.handle = handle;
    this.finder = finder;
  }

  List<ShelfLine> shelf() {
    return handle
        .createQuery(
            """
            select j.id as id, j.name as name, j.place as place, j.touched_at as touched, j.entries as entries,
                coalesce(d.entries, 0) as digested, coalesce(d.watched, 1) as watched, coalesce(d.card, '') as card
            from job j left join digest d on d.job = j.id order by j.touched_at desc, j.name, j.id
            """)
        .map((r, _) ->
            new ShelfLine(
                r.getString("id"),
                r.getString("name"),
                r.getString("place"),
                Instant.parse(r.getString("touched")),
                r.getInt("entries"),
                r.getInt("digested"),
                r.getString("card"),
                r.getInt("watched") != 0))
        .list();
  }

  List<String> undigested(int most) {
    return handle
        .createQuery(
            """
            select j.id from job j left join digest d on d.job = j.id and d.edition = :edition
            where d.entries is null or d.entries <> j.entries order by j.touched_at desc, j.id limit :most
            """)
        .bind("edition", Digest.EDITION)
        .bind("most", most)
        .mapTo(String.class)
        .list();
  }

  void keep(Digest d) {
    handle.execute(
        "delete from thing_word where rowid in (select id from thing where job = ?)", d.job());
    handle.execute("delete from thing where job = ?", d.job());
    handle.execute("delete from tally where job = ?", d.job());
    handle.execute("delete from digest where job = ?", d.job());
    handle.execute(
        "insert into digest (job, entries, edition, watched, things, card) values (?, ?, ?, ?, ?, ?)",
        d.job(),
        d.entries(),
        Digest.EDITION,
        d.watched() ? 1 : 0,
        d.things().size(),
        RecordJson.write(d.card()).toString());
    long id = handle.createQuery("select coalesce(max(id), 0) from thing").mapTo(Long.class).one();
    PreparedBatch things =
        handle.prepareBatch(
            "insert into thing (id, job, place, part, text) values (?, ?, ?, ?, ?)");
    PreparedBatch words =
        handle.prepareBatch(
            "insert into thing_word (rowid, place, own, plate) values (?, ?, ?, ?)");
    for (Thing t : d.things()) {
      id++;
      things.add(
          id, d.job(), t.where().code(), t.part().map(PartRef::toString).orElse(""), t.text());
      words.add(id, t.where().code(), t.own(), t.plate());
    }
    things.execute();
    words.execute();
    if (!d.tallies().isEmpty()) {
      PreparedBatch tallies =
          handle.prepareBatch(
              "insert into tally (job, topic, key, seen, hits) values (?, ?, ?, ?, ?)");
      d.tallies().forEach(t -> tallies.add(d.job(), t.topic().code(), t.key(), t.seen(), t.hits()));
      tallies.execute();
    }
  }

  List<Hit> find(Search search, int most) {
    List<Hit> all = new ArrayList<>();
    for (Hit.Where where : Hit.Where.values()) {
      if (all.size() < most) {
        all.addAll(finder.hits(search, where, most - all.size()));
      }
    }
    return all;
  }

  /** The hits of a query with the columns job, name, place, part and text. */
  static List<Hit> hits(Query query) {
    return query
        .map((r, _) ->
            new Hit(
                r.getString("job"),
                r.getString("name"),
                where(r.getString("place")),
                Optional.of(r.getString("part")).filter(p -> !p.isEmpty()).map(PartRef::of),
                r.getString("text")))
        .list();
  }

  private static Hit.Where where(String code) {
    for (Hit.Where w : Hit.Where.values()) {
      if (w.code().equals(code)) {
        return w;
      }
    }
    throw new ShopException(
        "The shop holds something of the unknown sort \""
            + code
            + "\". It was made by a newer program.");
  }

  long things() {
    return handle
        .createQuery("select coalesce(sum(things), 0) from digest")
        .mapTo(Long.class)
        .one();
  }

  /** Added up over all jobs but one; an empty id leaves none out. */
  List<Tally> tallies(String without) {
    Map<String, Topic> topics = new HashMap<>();
    for (Topic t : Topic.values()) {
      topics.put(t.code(), t);
    }
    return handle
        .createQuery(
            """
            select topic, key, sum(seen) as seen, sum(hits) as hits from tally where job <> :without
            group by topic, key order by topic, key
            """)
        .bind("without", without)
        .map((r, _) ->
            new Tally(
                topics.get(r.getString("topic")),
                r.getString("key"),
                r.getLong("seen"),
                r.getLong("hits")))
        .list();
  }

  private record Use(String job, String stock, boolean fitted, int count) {}

  Map<String, Stock.Uses> uses() {
    List<Use> uses =
        handle
            .createQuery("select job, stock, fitted, number from drawer_use")
            .map((r, _) ->
                new Use(
                    r.getString("job"),
                    r.getString("stock"),
                    r.getInt("fitted") != 0,
                    r.getInt("number")))
            .list();
    Map<String, Map<String, Integer>> fitted = new HashMap<>();
    Map<String, Map<String, Integer>> promised = new HashMap<>();
    for (Use u : uses) {
      (u.fitted ? fitted : promised)
          .computeIfAbsent(u.job, _ -> new HashMap<>())
          .merge(u.stock, u.count, Integer::sum);
    }
    Map<String, Stock.Uses> all = new HashMap<>();
    uses.forEach(u ->
        all.computeIfAbsent(
            u.job,
            job ->
                new Stock.Uses(
                    fitted.getOrDefault(job, Map.of()), promised.getOrDefault(job, Map.of()))));
    return all;
  }
}
