package org.yellowhearth.core.marking;

import org.yellowhearth.core.message.Message;

/**
 * Text that could not be understood: what was expected, and where in the text the trouble stands.
 */
public final class UnreadableException extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final transient Message problem;
  private final int index;

  /**
   * @param problem the sentence for the person
   * @param text the text that was read
   * @param index where the trouble begins in it, from 0
   */
  public UnreadableException(Message problem, String text, int index) {
    super(problem.key().key() + " at " + index + " in \"" + text + "\"");
    this.problem = problem;
    this.index = index;
  }

  public Message problem() {
    return problem;
  }

  public int index() {
    return index;
  }
}
