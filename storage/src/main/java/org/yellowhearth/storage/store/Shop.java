package org.yellowhearth.storage.store;

import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.learn.Tally;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.storage.archive.Digest;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.storage.archive.Search;

/**
 * A shop: jobs on a shelf, each with its journal. Every call either happens whole and is on the
 * disk when it returns, or throws {@link ShopException} and has changed nothing. Safe to call from
 * any thread, one call at a time.
 */
public interface Shop extends AutoCloseable {
  /** A job with its id. */
  record ShelfEntry(String id, Job job) {}

  /** All jobs as they lie on the shelf, the one touched last first; no journal is read for it. */
  List<ShelfLine> shelf();

  /** The job with this id as it stands. */
  Job job(String id);

  /** Puts a job with its whole journal on the shelf under a new id, which is returned. */
  String add(Job job);

  /** Appends to the journal of a job, all acts or none, and returns the job as it then stands. */
  Job append(String id, List<Act> acts, ZonedDateTime at);

  /** Signs every entry appended from now on. */
  void sign(String by);

  /** Drawer and changed catalogue as they stand. */
  Stock stock();

  /** Everything that was done to the drawer and the catalogue, in its order. */
  List<DatedAct> stockJournal();

  /**
   * Takes over everything that was done elsewhere, whole; only into a drawer and a catalogue to
   * which nothing was done yet.
   */
  Stock takeOver(List<DatedAct> acts);

  /** Something that was done to the stock, and when. */
  record DatedAct(ZonedDateTime at, Stock.Act act) {}

  /** Does something to the stock, and returns it as it then stands. */
  Stock append(Stock.Act act, ZonedDateTime at);

  /**
   * What each job has fitted out of the drawer or promised itself of it, by its id; jobs without
   * any are left out.
   */
  Map<String, Stock.Uses> uses();

  /** Ids of jobs whose digest does not tell of all their entries, the one touched last first. */
  List<String> undigested(int most);

  /** Keeps a digest in the place of the one before. */
  void keep(Digest digest);

  /**
   * What a search finds among the digests: parts first, then sets, then what is written; of each
   * sort at most so many.
   */
  List<Hit> find(Search search, int most);

  /** How many things there are to be found. */
  long things();

  /** What the jobs teach, added up. */
  List<Tally> tallies();

  /** What the other jobs teach. */
  List<Tally> talliesWithout(String job);

  /** Whether several benches work on it, so that it may change on its own. */
  boolean shared();

  @Override
  void close();
}
