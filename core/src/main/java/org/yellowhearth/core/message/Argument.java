package org.yellowhearth.core.message;

import org.yellowhearth.core.quantity.Quantity;

/** What may stand in the gaps of a message; words are found for it only at the edge. */
public sealed interface Argument {
  /** A figure with its unit. */
  record Figure(Quantity quantity) implements Argument {}

  /** Text shown as it is: a reference, a marking, what somebody typed. */
  record Text(String text) implements Argument {}

  /**
   * A word of the trade that the bundle and the job's dialect decide, for example {@code
   * role.reservoir}.
   */
  record Term(String key) implements Argument {}

  /** A message inside a message. */
  record Phrase(Message message) implements Argument {}
}
