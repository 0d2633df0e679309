package org.yellowhearth.core.practice;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.StockPart;

/**
 * What has gone into an exercise so far.
 *
 * @param minutes at the meters, and at the transformer while a set is brought up
 * @param money those minutes at the hourly rate of the set's budget, and the parts
 * @param parts what of it went into parts
 */
public record Spent(int minutes, double money, double parts) {
  /** One reading under power. */
  static final int RAIL_MINUTES = 1;

  private static final double MINUTES_OF_HOUR = 60;
  private static final double SECONDS_OF_MINUTE = 60;

  /**
   * Sums up what was done at the practice bench.
   *
   * @param stock what parts cost; one that is not in it costs what the budget says one part does
   */
  public static Spent of(Exercise exercise, Job job, List<StockPart> stock) {
    double minutes = 0;
    for (Entry e : exercise.done(job)) {
      if (e.act() instanceof Act.Did(Edit edit)) {
        minutes += minutes(edit, job);
      }
    }
    Map<String, Double> prices = new HashMap<>();
    stock.forEach(p -> p.price().ifPresent(v -> prices.put(p.id(), v)));
    Budget budget = job.aspect(Budget.class);
    double usual = budget.partPrice().likely();
    double parts =
        job.items(Choice.class).stream()
            .filter(c -> !before(exercise, c.part()))
            .flatMap(c -> c.all().stream())
            .mapToDouble(t -> prices.getOrDefault(t.stock(), usual))
            .sum();
    parts +=
        usual
            * job.items(Fitting.class).stream()
                .filter(f -> exercise.renewed(job, f.part()))
                .filter(f -> job.of(f.part(), Choice.class).isEmpty())
                .count();
    int whole = (int) Math.ceil(minutes);
    return new Spent(whole, whole / MINUTES_OF_HOUR * budget.ratePerHour() + parts, parts);
  }

  /** How many readings were taken under power by hand. */
  static int rails(Exercise exercise, Job job) {
    return (int)
        exercise.done(job).stream()
            .filter(e -> e.act() instanceof Act.Did(Edit.ItemChanged c) && newReading(c))
            .count();
  }

  private static boolean newReading(Edit.ItemChanged c) {
    return c.before().isEmpty() && c.after().filter(SupplyReading.class::isInstance).isPresent();
  }

  private static boolean before(Exercise exercise, PartRef part) {
    return exercise.items().stream().anyMatch(i -> i instanceof Choice c && c.part().equals(part));
  }

  private static double minutes(Edit edit, Job job) {
    return switch (edit) {
      case Edit.ReadingKept(var reading) -> Measuring.of(reading).minutes();
      case Edit.ItemChanged c -> newReading(c) ? RAIL_MINUTES : 0;
      case PoweringUp.PowerUpBegun(String plan) -> held(job, plan, 0);
      case PoweringUp.PowerUpStepped(String plan, int step) -> held(job, plan, step);
      case Edit.Together t -> t.edits().stream().mapToDouble(e -> minutes(e, job)).sum();
      default -> 0;
    };
  }

  /** Whoever turns to a step stays there as long as the plan says. */
  private static double held(Job job, String plan, int step) {
    return job.items(PowerUpPlan.class).stream()
        .filter(p -> p.id().equals(plan))
        .findFirst()
        .map(p -> p.steps().get(step).holdSeconds() / SECONDS_OF_MINUTE)
        .orElse(0.0);
  }
}
