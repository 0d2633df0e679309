package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Criterion;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;

/**
 * Whether an old capacitor is worth bringing up, with every reason for and against.
 *
 * @param reasons the deciding one first
 */
public record Worth(Answer answer, List<Message> reasons) {
  /** What comes of it. */
  public enum Answer implements Coded {
    YES, //
    /** It can be tried, and something speaks against it. */
    PERHAPS, //
    /** Tantalum: a soak, not a reform. */
    SOAK, //
    /** Something must be measured or said first. */
    FIRST_MEASURE, //
    NO, //
    /**
     * Bulged, oozing, shorted, or of a kind that does not form: nobody should put voltage on it.
     */
    NEVER
  }

  /**
   * Below this price a new part costs less than the hours of the bench supply (common practice;
   * money of the shop).
   */
  private static final double CHEAP = 10;

  private static final double OLD_YEARS = 60;

  public Worth {
    reasons = List.copyOf(reasons);
  }

  /**
   * What the person knows besides.
   *
   * @param museum whether the set is to be kept as it is
   * @param rare whether the part cannot be had again
   * @param price of a replacement, in the shop's money
   */
  public record Circumstances(
      Policy policy, boolean museum, boolean rare, OptionalDouble ageYears, OptionalDouble price) {}

  /** The answer for an assessed capacitor. */
  public static Worth of(Assessment a, Capacitor part, CapacitorKind kind, Circumstances c) {
    List<Message> no = new ArrayList<>();
    if (kind.family() == Family.TANTALUM
        && bad(a, Criterion.LOOK).isEmpty()
        && bad(a, Criterion.SHORT_OR_OPEN).isEmpty()) {
      return new Worth(Answer.SOAK, List.of(Message.of(ReformWords.NO_TANTALUM)));
    }
    if (!kind.wear().reforms()) {
      no.add(Message.of(ReformWords.NO_KIND, kind.words().getFirst()));
    }
    bad(a, Criterion.LOOK).forEach(f -> no.add(Message.of(ReformWords.NO_LOOK, f.words())));
    bad(a, Criterion.SHORT_OR_OPEN)
        .forEach(f -> no.add(Message.of(ReformWords.NO_SHORT, f.words())));
    if (!no.isEmpty()) {
      return new Worth(Answer.NEVER, no);
    }
    bad(a, Criterion.CAPACITANCE_KEPT)
        .forEach(f -> no.add(Message.of(ReformWords.NO_DRY, f.words())));
    bad(a, Criterion.DISSIPATION).forEach(f -> no.add(Message.of(ReformWords.NO_DRY, f.words())));
    if (no.isEmpty() && c.policy.electrolytics() == Policy.OldElectrolytics.NEVER_REFORM) {
      no.add(Message.of(ReformWords.NO_POLICY, c.policy.electrolytics().term()));
    }
    if (!no.isEmpty()) {
      return new Worth(Answer.NO, no);
    }
    if (part.ratedVolts().isEmpty()) {
      return new Worth(Answer.FIRST_MEASURE, List.of(Message.of(ReformWords.NO_RATING)));
    }
    if (!a.measured()) {
      return new Worth(Answer.FIRST_MEASURE, List.of(Message.of(ReformWords.NO_UNMEASURED)));
    }
    return weighed(a, part, c);
  }

  private static Worth weighed(Assessment a, Capacitor part, Circumstances c) {
    List<Message> pro = new ArrayList<>();
    List<Message> contra = new ArrayList<>();
    if (c.museum) {
      pro.add(Message.of(ReformWords.YES_MUSEUM));
    } else if (c.policy.electrolytics() == Policy.OldElectrolytics.REFORM_WHATEVER_PASSES) {
      pro.add(Message.of(ReformWords.YES_POLICY, c.policy.electrolytics().term()));
    } else if (!c.rare) {
      contra.add(Message.of(ReformWords.NO_POLICY, c.policy.electrolytics().term()));
    }
    if (c.rare) {
      pro.add(Message.of(ReformWords.YES_RARE));
    }
    c.price.ifPresent(p -> {
      if (p >= CHEAP) {
        pro.add(Message.of(ReformWords.YES_DEAR, Quantity.ratio(p)));
      } else if (!c.rare) {
        contra.add(Message.of(ReformWords.NO_CHEAP, Quantity.ratio(p)));
      }
    });
    if (a.findings().stream()
        .anyMatch(f ->
            f.criterion() == Criterion.CAPACITANCE_KEPT && f.outcome() == Finding.Outcome.GOOD)) {
      pro.add(
          bad(a, Criterion.LEAKAGE).isEmpty()
              ? Message.of(ReformWords.YES_GOOD)
              : Message.of(ReformWords.YES_LEAKS_ONLY));
    }
    c.ageYears.ifPresent(y -> {
      if (y > OLD_YEARS) {
        contra.add(Message.of(ReformWords.BUT_OLD, Quantity.ratio(y)));
      }
    });
    if (part.role() == Role.RESERVOIR && !c.museum) {
      contra.add(Message.of(ReformWords.BUT_SUPPLY));
    }
    boolean yes = !pro.isEmpty() && (c.museum || c.rare || contra.size() < pro.size());
    Answer answer = pro.isEmpty() ? Answer.NO : yes ? Answer.YES : Answer.PERHAPS;
    List<Message> all = new ArrayList<>(answer == Answer.NO ? contra : pro);
    all.addAll(answer == Answer.NO ? pro : contra);
    return new Worth(answer, all);
  }

  private static List<Finding> bad(Assessment a, Criterion criterion) {
    return a.findings().stream()
        .filter(f -> f.criterion() == criterion && f.outcome() == Finding.Outcome.BAD)
        .toList();
  }
}
