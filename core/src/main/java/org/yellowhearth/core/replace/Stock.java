package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;

/**
 * What a shop has: its drawer, and what it changed in the catalogue. Immutable; its acts, in their
 * order, are the truth. How many are left in the drawer is not written down a second time: it is
 * what was counted less what the jobs of the shop have fitted.
 */
public final class Stock {
  private final SortedMap<String, StockPart> parts;
  private final List<Act> acts;
  private final List<Integer> done;
  private final List<Integer> undone;

  /** A line came (no before), was changed, or went (no after). */
  public record Change(Optional<StockPart> before, Optional<StockPart> after) {
    public Change {
      if (before.isEmpty() && after.isEmpty()) {
        throw new IllegalArgumentException(
            "a change of the stock has something before or after it");
      }
      if (before.isPresent() && after.isPresent() && !before.get().id().equals(after.get().id())) {
        throw new IllegalArgumentException("a line of the stock keeps its id");
      }
    }

    String id() {
      return after.or(() -> before).orElseThrow().id();
    }

    Change back() {
      return new Change(/* before= */ after, /* after= */ before);
    }
  }

  /** What was done to the stock. */
  public sealed interface Act {
    /** Changes made together. */
    record Changed(List<Change> changes) implements Act {
      public Changed {
        changes = List.copyOf(changes);
      }
    }

    /** The act of this number was taken back. */
    record TakenBack(int number) implements Act {}

    /** The act of this number, taken back, was done again. */
    record DoneAgain(int number) implements Act {}
  }

  /** A stock of nothing. */
  public static final Stock EMPTY = new Stock(new TreeMap<>(), List.of(), List.of(), List.of());

  private Stock(
      SortedMap<String, StockPart> parts,
      List<Act> acts,
      List<Integer> done,
      List<Integer> undone) {
    this.parts = Collections.unmodifiableSortedMap(parts);
    this.acts = List.copyOf(acts);
    this.done = List.copyOf(done);
    this.undone = List.copyOf(undone);
  }

  /**
   * This after one more act.
   *
   * @throws IllegalArgumentException where the act does not fit what stands
   */
  public Stock after(Act act) {
    List<Integer> doneNow = new ArrayList<>(done);
    List<Integer> undoneNow = new ArrayList<>(undone);
    List<Change> changes =
        switch (act) {
          case Act.Changed c -> {
            doneNow.add(acts.size());
            undoneNow.clear();
            yield c.changes();
          }
          case Act.TakenBack t -> {
            require(!doneNow.isEmpty() && doneNow.getLast() == t.number(), t.number());
            undoneNow.add(doneNow.removeLast());
            yield changes(t.number()).reversed().stream().map(Change::back).toList();
          }
          case Act.DoneAgain d -> {
            require(!undoneNow.isEmpty() && undoneNow.getLast() == d.number(), d.number());
            doneNow.add(undoneNow.removeLast());
            yield changes(d.number());
          }
        };
    SortedMap<String, StockPart> now = new TreeMap<>(parts);
    for (Change c : changes) {
      if (!Optional.ofNullable(now.get(c.id())).equals(c.before())) {
        throw new IllegalArgumentException(
            "the line " + c.id() + " of the stock is no longer what it was");
      }
      c.after().ifPresentOrElse(p -> now.put(p.id(), p), () -> now.remove(c.id()));
    }
    List<Act> all = new ArrayList<>(acts);
    all.add(act);
    return new Stock(now, all, doneNow, undoneNow);
  }

  private static void require(boolean fits, int act) {
    if (!fits) {
      throw new IllegalArgumentException(
          "act " + act + " of the stock is not the one whose turn it is");
    }
  }

  private List<Change> changes(int act) {
    return ((Act.Changed) acts.get(act)).changes();
  }

  /** The act that undo takes back next. */
  public OptionalInt nextUndo() {
    return done.isEmpty() ? OptionalInt.empty() : OptionalInt.of(done.getLast());
  }

  /** The act that redo does again next. */
  public OptionalInt nextRedo() {
    return undone.isEmpty() ? OptionalInt.empty() : OptionalInt.of(undone.getLast());
  }

  /** How many acts it has come from. */
  public int acts() {
    return acts.size();
  }

  /** A line of it. */
  public Optional<StockPart> part(String id) {
    return Optional.ofNullable(parts.get(id));
  }

  /** Every line of the shop's own. */
  public List<StockPart> all() {
    return List.copyOf(parts.values());
  }

  /** The lines of the drawer. */
  public List<StockPart> drawer() {
    return parts.values().stream().filter(p -> p.whence() == Whence.DRAWER).toList();
  }

  /** The catalogue that ships, with what the shop changed in it and added to it. */
  public List<StockPart> catalogue(List<StockPart> shipped) {
    Map<String, StockPart> own = new HashMap<>();
    parts.values().stream()
        .filter(p -> p.whence() == Whence.CATALOGUE)
        .forEach(p -> own.put(p.id(), p));
    List<StockPart> all = new ArrayList<>();
    shipped.forEach(p -> all.add(Optional.ofNullable(own.remove(p.id())).orElse(p)));
    all.addAll(own.values());
    return List.copyOf(all);
  }

  /** How many of each line the jobs of a shop have fitted, and how many more they have promised. */
  public static Uses uses(Collection<Job> jobs) {
    Map<String, Integer> fitted = new HashMap<>();
    Map<String, Integer> promised = new HashMap<>();
    for (Job job : jobs) {
      for (Choice c : job.items(Choice.class)) {
        boolean in = job.of(c.part(), Fitting.class).stream().anyMatch(Fitting::fitted);
        c.all().stream()
            .filter(t -> t.whence() == Whence.DRAWER)
            .forEach(t -> (in ? fitted : promised).merge(t.stock(), 1, Integer::sum));
      }
    }
    return new Uses(fitted, promised);
  }

  /** What jobs have done with the drawer, by the ids of its lines. */
  public record Uses(Map<String, Integer> fitted, Map<String, Integer> promised) {
    /** Nothing used. */
    public static final Uses NONE = new Uses(Map.of(), Map.of());

    /** Those of several together. */
    public static Uses sum(Collection<Uses> all) {
      Map<String, Integer> fitted = new HashMap<>();
      Map<String, Integer> promised = new HashMap<>();
      all.forEach(u -> {
        u.fitted.forEach((id, n) -> fitted.merge(id, n, Integer::sum));
        u.promised.forEach((id, n) -> promised.merge(id, n, Integer::sum));
      });
      return new Uses(fitted, promised);
    }

    public Uses {
      fitted = Map.copyOf(fitted);
      promised = Map.copyOf(promised);
    }

    /** How many lie in the drawer. */
    public int left(StockPart part) {
      return part.quantity().orElse(0) - fitted.getOrDefault(part.id(), 0);
    }

    /** How many of them nobody has promised to a set. */
    public int free(StockPart part) {
      return left(part) - promised.getOrDefault(part.id(), 0);
    }
  }

  /**
   * Every line with a part that can be had now: the catalogue's, and those of the drawer of which
   * some are free.
   */
  public static List<StockPart> toBeHad(
      List<StockPart> catalogue, List<StockPart> drawer, Uses uses) {
    return Stream.concat(drawer.stream().filter(p -> uses.free(p) > 0), catalogue.stream())
        .filter(p -> !p.withdrawn())
        .toList();
  }
}
