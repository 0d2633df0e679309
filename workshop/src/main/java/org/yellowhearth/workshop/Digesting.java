package org.yellowhearth.workshop;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.job.IllegalEditException;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.storage.archive.Digest;
import org.yellowhearth.storage.archive.DigestMaker;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.Shop.ShelfEntry;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.workshop.words.Labels;

/**
 * Reads the jobs whose digests are behind, a few at a time, so that nobody waits for it: the keeper
 * is free between them, and a job that cannot be read holds up no other.
 */
final class Digesting {
  private static final Logger LOG = LoggerFactory.getLogger(Digesting.class);
  private static final int AT_ONCE = 8;

  /** After so many the shelf is shown anew. */
  private static final int SHOWN = 400;

  private final Shop shop;
  private final DigestMaker maker;
  private final Judge judge;
  private final Background background;
  private final Supplier<ZonedDateTime> now;
  private final Runnable show;
  private final Set<String> unreadable = new HashSet<>();
  private boolean running;
  private int done;

  private record Batch(List<ShelfEntry> jobs, List<String> troubles, Set<String> unreadable) {}

  Digesting(
      Shop shop,
      Knowledge knowledge,
      Judge judge,
      Background background,
      Supplier<ZonedDateTime> now,
      Runnable show) {
    this.shop = shop;
    this.maker = new DigestMaker(knowledge);
    this.judge = judge;
    this.background = background;
    this.now = now;
    this.show = show;
  }

  /** Begins, unless it is at it. */
  void begin() {
    if (!running) {
      running = true;
      done = 0;
      next();
    }
  }

  private void next() {
    Set<String> passed = Set.copyOf(unreadable);
    background.keep(
        () -> read(passed),
        batch -> {
          unreadable.addAll(batch.unreadable);
          batch.troubles.forEach(t -> background.tell(t, true));
          if (batch.jobs.isEmpty()) {
            running = false;
            if (done > 0) {
              show.run();
            }
            return;
          }
          digest(batch.jobs);
        });
  }

  private Batch read(Set<String> passed) {
    List<ShelfEntry> jobs = new ArrayList<>();
    List<String> troubles = new ArrayList<>();
    Set<String> bad = new HashSet<>();
    for (String id : shop.undigested(AT_ONCE + passed.size())) {
      if (!passed.contains(id) && jobs.size() < AT_ONCE) {
        try {
          jobs.add(new ShelfEntry(id, shop.job(id)));
        } catch (ShopException | BadFileException | IllegalEditException e) {
          LOG.error("A job cannot be read", e);
          bad.add(id);
          troubles.add(Labels.of("shop.unreadable", id, e.getMessage()));
        }
      }
    }
    return new Batch(jobs, troubles, bad);
  }

  private void digest(List<ShelfEntry> jobs) {
    ZonedDateTime at = now.get();
    background.aside(
        () ->
            jobs.stream()
                .map(j -> maker.of(j.id(), judge.of(j.job(), at.toLocalDate()), at))
                .toList(),
        digests ->
            background.keep(
                () -> kept(digests),
                _ -> {
                  int before = done / SHOWN;
                  done += digests.size();
                  if (done / SHOWN > before) {
                    show.run();
                  }
                  next();
                }));
  }

  private int kept(List<Digest> digests) {
    digests.forEach(shop::keep);
    return digests.size();
  }
}
