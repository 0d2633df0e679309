package org.yellowhearth.core.assess;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;

/**
 * A board sorted by what was read in place: a first look that asks for no capacitance and no lifted
 * leg. What passes is not called good; it says what the pass is worth.
 *
 * @param why what put it there, and of a pass what is still not known
 */
public record Triage(Part part, Heap heap, Message why) {
  /** Where a part is put, in the order of what needs a hand first. */
  public enum Heap implements Coded {
    /** It goes. */
    BAD,
    /** Away from what a sound one shows. */
    SUSPECT,
    /** What lies around it hides it: a leg is lifted to know. */
    LIFT,
    /** Nothing has been read of it yet that tells good from bad. */
    UNKNOWN,
    /** Nothing found against it in place. */
    PASSES
  }

  /** What, found good, lets a part pass. */
  private static final Set<Criterion> TELLING =
      EnumSet.of(
          Criterion.ESR,
          Criterion.DISSIPATION,
          Criterion.CAPACITANCE_KEPT,
          Criterion.INSULATION,
          Criterion.LEAKAGE,
          Criterion.TESTER,
          Criterion.SHORT_OR_OPEN,
          Criterion.RESISTANCE,
          Criterion.VOLTS,
          Criterion.GAIN,
          Criterion.CONDUCTANCE,
          Criterion.EMISSION);

  /** What a low ESR says nothing of. */
  private static final Set<Criterion> LEAKS =
      EnumSet.of(Criterion.LEAKAGE, Criterion.INSULATION, Criterion.GRID_SHIFT);

  /** Every part on its heap, in the order of the list. */
  public static List<Triage> of(List<Assessment> assessments) {
    return assessments.stream().map(Triage::of).toList();
  }

  /** A part on its heap. */
  public static Triage of(Assessment a) {
    if (a.foundBad()) {
      return new Triage(a.part(), Heap.BAD, found(a, VerdictRules::condemns));
    }
    if (a.because().key() == AssessWords.BECAUSE_CAN) {
      return new Triage(a.part(), Heap.BAD, a.because());
    }
    if (!a.measured()) {
      return new Triage(a.part(), Heap.UNKNOWN, Message.of(AssessWords.PASS_UNREAD));
    }
    if (first(a, f -> f.outcome() == Outcome.DOUBTFUL).isPresent()) {
      return new Triage(a.part(), Heap.SUSPECT, found(a, f -> f.outcome() == Outcome.DOUBTFUL));
    }
    if (first(a, f -> f.criterion() == Criterion.AGREEMENT && f.outcome() == Outcome.BAD)
        .isPresent()) {
      return new Triage(a.part(), Heap.SUSPECT, a.because());
    }
    if (first(a, f -> f.outcome() == Outcome.GOOD && TELLING.contains(f.criterion())).isPresent()) {
      boolean leaks =
          first(a, f -> f.outcome() == Outcome.GOOD && LEAKS.contains(f.criterion())).isPresent();
      boolean kept =
          first(a, f -> f.outcome() == Outcome.GOOD && f.criterion() == Criterion.CAPACITANCE_KEPT)
              .isPresent();
      return new Triage(
          a.part(),
          Heap.PASSES,
          Message.of(
              leaks
                  ? AssessWords.PASS_WITH_LEAKAGE
                  : kept ? AssessWords.PASS_WITH_CAPACITANCE : AssessWords.PASS_IN_PLACE));
    }
    Optional<Finding> open = first(a, f -> f.outcome() == Outcome.OPEN);
    return new Triage(
        a.part(),
        open.flatMap(Finding::gap).filter(Gap::hidden).isPresent() ? Heap.LIFT : Heap.UNKNOWN,
        open.map(Finding::words).orElse(Message.of(AssessWords.BECAUSE_NOTHING_JUDGED)));
  }

  private static Message found(Assessment a, Predicate<Finding> wanted) {
    return first(a, wanted).map(Finding::words).orElse(a.because());
  }

  private static Optional<Finding> first(Assessment a, Predicate<Finding> wanted) {
    return a.findings().stream().filter(wanted).findFirst();
  }
}
