package org.yellowhearth.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.archive.DigestMaker;
import org.yellowhearth.storage.archive.Search;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.SqliteShop;

/**
 * Makes a shop of many jobs, and prints how long it takes to open it, to find something in it, to
 * open a job and to keep an entry.
 */
public final class ShopFigures {
  private static final int TIMES = 20;
  private static final ZonedDateTime NOW =
      Instant.parse("2026-06-01T12:00:00Z").atZone(ZoneOffset.UTC);

  private ShopFigures() {}

  /**
   * Arguments: a folder (one that holds such a shop is gone on with), how many jobs, how many
   * readings of each.
   */
  public static void main(String[] args) throws IOException {
    Path folder = args.length > 0 ? Path.of(args[0]) : Files.createTempDirectory("large-shop");
    int jobs = args.length > 1 ? Integer.parseInt(args[1]) : 10_000;
    int readings = args.length > 2 ? Integer.parseInt(args[2]) : 50;
    Knowledge knowledge = KnowledgeFiles.read();
    long began = System.nanoTime();
    try (SqliteShop shop = SqliteShop.open(folder, knowledge)) {
      fill(shop, knowledge, jobs, readings);
    }
    say("made and read in", since(began) / 1000, "s");
    for (int k = 0; k < 3; k++) {
      long start = System.nanoTime();
      try (SqliteShop shop = SqliteShop.open(folder, knowledge)) {
        double opened = since(start);
        List<ShelfLine> shelf = shop.shelf();
        say("shop opened", opened, "ms");
        say("and its shelf of " + shelf.size() + " read", since(start), "ms");
        boolean behind = !shop.undigested(1).isEmpty();
        say("and nothing found to be read (" + !behind + ")", since(start), "ms");
      }
    }
    try (SqliteShop shop = SqliteShop.open(folder, knowledge)) {
      figures(shop, knowledge);
    }
  }

  private static void fill(Shop shop, Knowledge knowledge, int jobs, int readings) {
    LargeShop large = new LargeShop(knowledge, 1);
    DigestMaker digests = new DigestMaker(knowledge);
    for (int k = shop.shelf().size(); k < jobs; k++) {
      Job job = large.job(k, readings);
      shop.keep(digests.of(shop.add(job), new Judge(knowledge).of(job, NOW.toLocalDate()), NOW));
      if (k % 1000 == 999) {
        System.out.printf(Locale.ROOT, "%d jobs%n", k + 1);
      }
    }
  }

  private static void figures(Shop shop, Knowledge knowledge) {
    List<ShelfLine> shelf = shop.shelf();
    for (String search :
        List.of(
            ".05",
            "paper",
            "p",
            "replace coupling",
            "mouse nest",
            "quillsand 4711",
            "c7 350 v",
            "nothing like it",
            "50n 1949 mess")) {
      Search of = Search.of(search);
      int[] found = {0};
      time("found \"" + search + "\"", () -> found[0] = shop.find(of, 300).size());
      System.out.printf(Locale.ROOT, "    %d hits%n", found[0]);
    }
    Judge judge = new Judge(knowledge);
    int[] next = {0};
    time(
        "job opened and judged",
        () -> {
          Job job = shop.job(shelf.get(next[0]++ * 37 % shelf.size()).id());
          judge.of(job, LocalDate.of(2026, 6, 1)).assessments();
        });
    time("what it has learned added up", shop::tallies);
    time("what is spoken for added up", shop::uses);
    time("shelf read", shop::shelf);
    DigestMaker digests = new DigestMaker(knowledge);
    time(
        "entry kept",
        () ->
            shop.append(
                shelf.getFirst().id(),
                List.of(new Act.Did(new Edit.NoteWritten("One more."))),
                NOW));
    Job job = shop.job(shelf.getFirst().id());
    time(
        "digest made and kept",
        () ->
            shop.keep(
                digests.of(
                    shelf.getFirst().id(), new Judge(knowledge).of(job, NOW.toLocalDate()), NOW)));
  }

  private static void time(String what, Runnable work) {
    List<Double> times = new ArrayList<>();
    for (int k = 0; k < TIMES; k++) {
      long start = System.nanoTime();
      work.run();
      times.add(since(start));
    }
    double first = times.getFirst();
    times.sort(null);
    System.out.printf(
        Locale.ROOT,
        "%-40s first %8.1f ms, median %8.1f ms, worst %8.1f ms%n",
        what,
        first,
        times.get(TIMES / 2),
        times.getLast());
  }

  private static double since(long start) {
    return (System.nanoTime() - start) / 1e6;
  }

  private static void say(String what, double value, String unit) {
    System.out.printf(Locale.ROOT, "%-40s %8.1f %s%n", what, value, unit);
  }
}
