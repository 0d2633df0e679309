package org.yellowhearth.core.message;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.quantity.Quantity;

/**
 * A sentence to be said at the edge: which one, and what goes into its gaps. Core itself holds no
 * words.
 */
public record Message(MessageKey key, List<Argument> arguments) {
  public Message {
    arguments = List.copyOf(arguments);
  }

  /** A message whose arguments are quantities, texts, {@link Argument}s or other messages. */
  public static Message of(MessageKey key, Object... arguments) {
    // Tens of thousands are made when a large census is judged: a loop, not a stream.
    List<Argument> made = new ArrayList<>(arguments.length);
    for (Object o : arguments) {
      made.add(argument(o));
    }
    return new Message(key, made);
  }

  private static Argument argument(Object o) {
    return switch (o) {
      case Argument a -> a;
      case Quantity q -> new Argument.Figure(q);
      case String s -> new Argument.Text(s);
      case Message m -> new Argument.Phrase(m);
      default ->
          throw new IllegalArgumentException("a message cannot carry " + o.getClass().getName());
    };
  }

  /** A word of the trade for use as an argument. */
  public static Argument term(String key) {
    return new Argument.Term(key);
  }
}
