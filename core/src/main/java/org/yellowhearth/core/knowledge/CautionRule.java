package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;

/**
 * A caution of the trade and when it is shown.
 *
 * @param id names it, and its words
 * @param danger whether it is about life rather than care
 * @param when any one of these is enough
 * @param stages where it is shown again
 */
public record CautionRule(
    String id, boolean danger, List<Case> when, List<Moment> stages, String source) {
  /** When in a job a caution is shown. */
  public enum Moment implements Coded {
    ALWAYS,
    @Stored("census")
    PARTS,
    MEASURING,
    FITTING,
    POWER,
    DISPOSAL
  }

  /** Conditions that must hold together. */
  public record Case(List<Condition> all) {
    public Case {
      all = List.copyOf(all);
    }
  }

  /** A condition on one fact about the set. */
  public sealed interface Condition {
    /** The fact has one of these codes. */
    record Is(String fact, Set<String> codes) implements Condition {
      public Is {
        codes = Set.copyOf(codes);
      }
    }

    /**
     * The fact is a figure within these bounds, the upper not included; where the figure is not
     * known, as the rule says.
     */
    record Within(String fact, OptionalDouble from, OptionalDouble below, boolean whenUnknown)
        implements Condition {}
  }

  /** What is known of a set, in the words that the rules use. */
  public record Facts(Map<String, Set<String>> codes, Map<String, Double> figures) {
    public Facts {
      codes = Map.copyOf(codes);
      figures = Map.copyOf(figures);
    }
  }

  public CautionRule {
    when = List.copyOf(when);
    stages = List.copyOf(stages);
  }

  /** Whether it applies to a set. */
  public boolean appliesTo(Facts facts) {
    return when.stream()
        .anyMatch(c -> c.all.stream().allMatch(condition -> holds(condition, facts)));
  }

  private static boolean holds(Condition condition, Facts facts) {
    return switch (condition) {
      case Condition.Is is ->
          facts.codes.getOrDefault(is.fact, Set.of()).stream().anyMatch(is.codes::contains);
      case Condition.Within w when !facts.figures.containsKey(w.fact) -> w.whenUnknown;
      case Condition.Within w -> {
        double figure = facts.figures.get(w.fact);
        yield figure >= w.from.orElse(Double.NEGATIVE_INFINITY)
            && figure < w.below.orElse(Double.POSITIVE_INFINITY);
      }
    };
  }
}
