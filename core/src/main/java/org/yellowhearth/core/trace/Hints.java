package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.FaultRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;

/** What the signs of a job point at by the rules of the trade, and what they clear. */
public final class Hints {
  private Hints() {}

  /**
   * A rule that a sign brings up.
   *
   * @param candidates the parts of the census it is about
   */
  public record Hint(FaultRule rule, SupplySign sign, List<PartRef> candidates) {
    public Hint {
      candidates = List.copyOf(candidates);
    }
  }

  /** Every hint, in the order of the signs. */
  public static List<Hint> of(Job job, Knowledge knowledge) {
    List<Hint> hints = new ArrayList<>();
    for (SupplySign s : job.items(SupplySign.class)) {
      knowledge.faultRules().stream()
          .filter(r -> r.signs().contains(s.sign()))
          .forEach(r ->
              hints.add(
                  new Hint(
                      r,
                      s,
                      job.census().stream().filter(p -> about(r, p)).map(Part::ref).toList())));
    }
    return hints;
  }

  private static boolean about(FaultRule rule, Part part) {
    return part instanceof Capacitor c
        ? rule.roles().contains(c.role())
        : rule.sorts().contains(part.sort());
  }

  /** How many signs speak for a part, less those that clear it. */
  public static int weight(List<Hint> hints, PartRef part) {
    return hints.stream()
        .filter(h -> h.candidates.contains(part))
        .mapToInt(h -> h.rule.clears() ? -1 : 1)
        .sum();
  }
}
