package org.yellowhearth.core.arrival;

import java.util.Comparator;
import java.util.List;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.job.Job;

/**
 * The log of taking apart, and the same read from last to first: how the set goes together again.
 */
public final class Reassembly {
  private static final Comparator<TakeApartStep> ORDER =
      Comparator.comparingInt(TakeApartStep::number).thenComparing(TakeApartStep::id);

  private Reassembly() {}

  /** What came off, in order. */
  public static List<TakeApartStep> log(Job job) {
    return job.items(TakeApartStep.class).stream().sorted(ORDER).toList();
  }

  /** What goes back, in order. */
  public static List<TakeApartStep> list(Job job) {
    return job.items(TakeApartStep.class).stream().sorted(ORDER.reversed()).toList();
  }

  /** The number of the next step. */
  public static int next(Job job) {
    return job.items(TakeApartStep.class).stream().mapToInt(TakeApartStep::number).max().orElse(0)
        + 1;
  }
}
