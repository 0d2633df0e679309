package org.yellowhearth.core.fact;

import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;

/** How the drawing of the set is to be read. */
public record DrawingStyle(CapitalM capitalM) implements Aspect {
  /** Nobody has looked yet. */
  public static final DrawingStyle BLANK = new DrawingStyle(CapitalM.UNSTATED);

  /** What a capital M after a resistance means. */
  public enum CapitalM implements Coded {
    UNSTATED,
    MEGOHM,
    THOUSAND
  }

  /** What is being filled in. */
  public static final class Draft {
    public CapitalM capitalM;

    private Draft(DrawingStyle from) {
      capitalM = from.capitalM;
    }
  }

  /** This with something said anew. */
  public DrawingStyle with(Consumer<Draft> change) {
    Draft draft = new Draft(this);
    change.accept(draft);
    return new DrawingStyle(draft.capitalM);
  }
}
