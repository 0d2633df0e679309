package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Taken;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.part.PartRef;

/**
 * What is to be bought for the jobs of a shop, and whether it pays to wait with it.
 *
 * @param goods what the lines cost together
 * @param extra what a small order costs on top: its surcharge where the goods are below the least
 *     order
 */
public record Shopping(List<Line> lines, double goods, double postage, double extra) {
  /**
   * One part.
   *
   * @param needed for places
   * @param spares on top
   * @param bought in whole packs
   * @param each price of one; nothing where it is not stated
   */
  public record Line(
      String stock,
      String title,
      int needed,
      int spares,
      int bought,
      Optional<Double> each,
      List<Use> uses) {
    public Line {
      uses = List.copyOf(uses);
    }

    public double price() {
      return bought * each.orElse(0.0);
    }

    /** Where its parts go. */
    public String where() {
      return Use.where(uses);
    }
  }

  /** Where a part goes. */
  public record Use(String job, PartRef part) {
    /** Uses in a few words, job by job: {@code Mess set: C1, C2; Radio room: C7}. */
    static String where(List<Use> uses) {
      Map<String, String> byJob = new LinkedHashMap<>();
      uses.forEach(u -> byJob.merge(u.job, u.part.toString(), (a, b) -> a + ", " + b));
      return byJob.entrySet().stream()
          .map(e -> e.getKey() + ": " + e.getValue())
          .collect(Collectors.joining("; "));
    }
  }

  /**
   * How is bought.
   *
   * @param spareShare so many more of each, as a share, rounded up
   * @param postage for an order
   * @param leastOrder goods below this cost a surcharge
   */
  public record Terms(double spareShare, double postage, double leastOrder, double surcharge) {
    public Terms {
      if (!(spareShare >= 0
          && spareShare <= 5
          && postage >= 0
          && leastOrder >= 0
          && surcharge >= 0
          && postage + leastOrder + surcharge <= 1e6)) {
        throw new IllegalArgumentException(
            "spares of none to five times as many and prices of zero or more are expected");
      }
    }
  }

  /** A job by its name with what was chosen for it. */
  public record Wanting(String job, List<Choice> choices, List<Fitting> fittings) {}

  public Shopping {
    lines = List.copyOf(lines);
  }

  /** What all of it costs now. */
  public double total() {
    return lines.isEmpty() ? 0 : goods + postage + extra;
  }

  /**
   * The list over several jobs.
   *
   * @param stock price and pack of each line, by its id
   */
  public static Shopping of(List<Wanting> jobs, Map<String, StockPart> stock, Terms terms) {
    Map<String, Taken> taken = new LinkedHashMap<>();
    Map<String, List<Use>> uses = new LinkedHashMap<>();
    for (Wanting w : jobs) {
      for (Choice c : w.choices()) {
        boolean in = w.fittings().stream().anyMatch(f -> f.part().equals(c.part()) && f.fitted());
        if (!in) {
          c.all().stream()
              .filter(t -> t.whence() == Whence.CATALOGUE)
              .forEach(t -> {
                taken.putIfAbsent(t.stock(), t);
                uses.computeIfAbsent(t.stock(), _ -> new ArrayList<>())
                    .add(new Use(w.job(), c.part()));
              });
        }
      }
    }
    List<Line> lines =
        taken.values().stream()
            .map(t -> {
              int needed = uses.get(t.stock()).size();
              int spares = (int) Math.ceil(terms.spareShare() * needed - 1e-9);
              int pack = Optional.ofNullable(stock.get(t.stock())).map(StockPart::pack).orElse(1);
              int bought = (needed + spares + pack - 1) / pack * pack;
              Optional<Double> each =
                  Optional.ofNullable(stock.get(t.stock()))
                      .filter(s -> s.price().isPresent())
                      .map(s -> s.price().getAsDouble());
              return new Line(
                  t.stock(), t.title(), needed, spares, bought, each, uses.get(t.stock()));
            })
            .toList();
    double goods = lines.stream().mapToDouble(Line::price).sum();
    return new Shopping(
        lines, goods, terms.postage(), goods < terms.leastOrder() ? terms.surcharge() : 0);
  }

  /**
   * What waiting for the next order would save, less what it costs: the jobs stand still so long.
   *
   * @param others how many more jobs would share postage and surcharge
   * @param weeks until then
   * @param perWeek what a job that stands still costs in a week
   * @return above nothing where waiting pays
   */
  public double waitingSaves(int others, double weeks, double perWeek) {
    long jobs = lines.stream().flatMap(l -> l.uses().stream()).map(Use::job).distinct().count();
    if (jobs == 0) {
      return 0;
    }
    return (postage + extra) * others / (jobs + others) - jobs * weeks * perWeek;
  }
}
