package org.yellowhearth.core.benchline;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.message.Message;

/** How a bench line was understood. */
public sealed interface BenchOutcome {
  /** Nothing has been typed. */
  record Empty() implements BenchOutcome {}

  record Understood(BenchEntry entry) implements BenchOutcome {}

  /** The line has more than one honest meaning; each choice gives the line that says it plainly. */
  record Question(Message question, List<Choice> choices) implements BenchOutcome {
    public Question {
      choices = List.copyOf(choices);
    }
  }

  /** One answer to a question. */
  record Choice(Message meaning, String line) {}

  /**
   * The line cannot be taken.
   *
   * @param index where the trouble begins in the line
   * @param soFar the reading understood before it, for the echo
   */
  record Refused(Message problem, int index, Optional<BenchEntry.KeepReading> soFar)
      implements BenchOutcome {}
}
