package org.yellowhearth.core.practice;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;

/**
 * What came of an exercise.
 *
 * @param score 0 to 100
 * @param lines every part against the truth
 * @param asked what was asked beside verdicts, and whether it was reached
 * @param substitutes what was chosen to take the places of parts
 * @param remarks readings that told nothing, risks, time, and the order in which one would have
 *     looked
 * @param spent minutes and money
 * @param readings how many were taken
 * @param enough how many would have done: the first telling reading of each part that was worth one
 * @param ended whether something ended it before it was handed in
 */
public record Debrief(
    int score,
    List<Line> lines,
    List<Asked> asked,
    List<Substituted> substitutes,
    List<Message> remarks,
    Spent spent,
    int readings,
    int enough,
    boolean ended) {
  /** How a verdict stands to the truth. */
  public enum Mark implements Coded {
    RIGHT,
    MISSED,
    NEEDLESS,
    UNDECIDED,
    /** A sound part that a school renews on sight: right by the policy. */
    BY_SCHOOL
  }

  /** One part. */
  public record Line(PartRef part, Ailment truth, Verdict verdict, Mark mark) {}

  /** One thing that was asked. */
  public record Asked(Goal goal, boolean reached) {}

  /**
   * What was chosen in the place of a part.
   *
   * @param title what it is called
   * @param refused why it will not do there; none where it is acceptable
   * @param against what speaks against it all the same
   * @param price of it, in the shop's money
   */
  public record Substituted(
      PartRef part, String title, Optional<Message> refused, List<Message> against, double price) {
    public Substituted {
      against = List.copyOf(against);
    }
  }

  public Debrief {
    lines = List.copyOf(lines);
    asked = List.copyOf(asked);
    substitutes = List.copyOf(substitutes);
    remarks = List.copyOf(remarks);
  }
}
