package org.yellowhearth.core.practice;

import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.ReformRun;

/**
 * A set with hidden faults.
 *
 * @param charged volts that its rail truly holds when it comes in; 0 for an empty one
 * @param setVolts what its voltage setting truly stands at; as the plate where nobody moved it
 * @param minutes that a good hand needs
 * @param aspects what is known of it when it comes
 * @param items the same: its rail, its supply, what was done to it before
 */
public record Exercise(
    String id,
    Theme theme,
    long seed,
    SetPlate plate,
    List<Part> parts,
    Map<PartRef, Truth> truths,
    Rail rail,
    double charged,
    OptionalDouble setVolts,
    int minutes,
    List<Aspect> aspects,
    List<Item> items) {
  public Exercise {
    parts = List.copyOf(parts);
    truths = Map.copyOf(truths);
    aspects = List.copyOf(aspects);
    items = List.copyOf(items);
  }

  /**
   * At the practice bench measurement decides: what a school throws out on sight could be learned
   * nothing from.
   */
  public static final Policy POLICY =
      Policy.USUAL
          .with(Policy.WhenToRenew.MEASURED_ONLY)
          .with(Policy.Paper.LEAKAGE_DECIDES)
          .with(Policy.OldElectrolytics.REFORM_WHATEVER_PASSES)
          .with(Policy.Tantalum.SAME_RATING);

  /**
   * The job as it lies on the practice bench at the beginning: plate, census, rail, and what
   * somebody did before.
   */
  public Job job(ZonedDateTime now) {
    return Beginning.of(this, now);
  }

  /** What was done at the practice bench, without what the set came with. */
  public List<Entry> done(Job job) {
    return job.journal()
        .subList(job(job.journal().getFirst().at()).journal().size(), job.journal().size());
  }

  /**
   * What it may cost: a good hand's minutes at the hourly rate, and twice what one part usually
   * costs for each fault.
   */
  public double money(Job job) {
    Budget budget = job.aspect(Budget.class);
    return minutes / 60.0 * budget.ratePerHour()
        + 2 * budget.partPrice().likely() * (faults().size() + 1);
  }

  /** One of its parts, whether somebody has listed it or not. */
  Part part(PartRef ref) {
    return parts.stream().filter(p -> p.ref().equals(ref)).findFirst().orElseThrow();
  }

  /** The truth about a part. */
  public Truth truth(PartRef part) {
    return truths.get(part);
  }

  /**
   * How a part is by now: as it came, unless it was brought up or renewed at the practice bench.
   */
  public Truth now(Job job, PartRef part) {
    Truth came = truths.get(part);
    if (renewed(job, part)) {
      return came.renewed(part(part));
    }
    return came.ailment() == Ailment.UNFORMED && formed(job, part) ? came.formed() : came;
  }

  /** Whether a run of forming came to its end. */
  static boolean formed(Job job, PartRef part) {
    return job.of(part, ReformPlan.class).stream()
        .anyMatch(p -> ReformRun.of(p, job.events()).phase() == ReformRun.RunPhase.DONE);
  }

  /** The parts that are not sound. */
  public List<Truth> faults() {
    return parts.stream()
        .map(p -> truths.get(p.ref()))
        .filter(t -> t.ailment() != Ailment.SOUND)
        .toList();
  }

  /**
   * Whether a new part was fitted at the practice bench; what somebody fitted before counts for
   * nothing.
   */
  public boolean renewed(Job job, PartRef part) {
    boolean in = job.of(part, Fitting.class).stream().anyMatch(Fitting::fitted);
    return in
        && done(job).stream()
            .anyMatch(e -> e.act() instanceof Act.Did(Edit edit) && fits(edit, part));
  }

  private static boolean fits(Edit edit, PartRef part) {
    return switch (edit) {
      case Edit.ItemChanged(var before, var after) ->
          after
                  .filter(i -> i instanceof Fitting f && f.fitted() && f.part().equals(part))
                  .isPresent()
              && before.filter(i -> i instanceof Fitting f && f.fitted()).isEmpty();
      case Edit.Together t -> t.edits().stream().anyMatch(e -> fits(e, part));
      default -> false;
    };
  }

  /**
   * What the voltage setting stands at now: as it truly came, until somebody writes down another.
   */
  public double setting(Job job) {
    double made = plate.mains().map(SetPlate.Mains::volts).orElse(0.0);
    return job.aspect(MainsEntry.class).settingVolts().orElse(setVolts.orElse(made));
  }

  /** How much more than it is set for the set gets from its mains. */
  public double overSetting(Job job) {
    Optional<SetPlate.Mains> mains = plate.mains();
    return mains.isEmpty() ? 1 : mains.get().volts() / setting(job);
  }
}
