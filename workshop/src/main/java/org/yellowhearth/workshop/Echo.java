package org.yellowhearth.workshop;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.Verdict;

/**
 * How the bench line was understood, in words.
 *
 * @param understood what was understood, empty where nothing was
 * @param trouble what is wrong or must be asked, empty where nothing is
 * @param verdict the verdict as it would be with this reading
 * @param choices the answers to a question
 * @param ready whether Enter will keep it
 */
public record Echo(
    String understood,
    String trouble,
    Optional<Verdict> verdict,
    List<BenchOutcome.Choice> choices,
    boolean ready) {
  /** Nothing typed. */
  public static final Echo NOTHING = new Echo("", "", Optional.empty(), List.of(), false);
}
