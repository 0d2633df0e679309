package org.yellowhearth.core.marking;

import java.util.List;
import org.yellowhearth.core.message.Message;

/** Text with more than one honest meaning: it is asked about, never guessed. */
public final class AmbiguousException extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final transient Message question;
  private final transient List<Choice> choices;

  /**
   * One meaning and the unambiguous way to write it.
   *
   * @param meaning how it would be understood
   * @param written what to put in place of {@code original}
   */
  public record Choice(Message meaning, String original, String written) {}

  public AmbiguousException(Message question, List<Choice> choices) {
    super(question.key().key());
    this.question = question;
    this.choices = List.copyOf(choices);
  }

  public Message question() {
    return question;
  }

  public List<Choice> choices() {
    return choices;
  }
}
