package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;

/**
 * What the shop had seen of each kind of capacitor in its other jobs when somebody let it weigh in
 * this one. It is taken over as figures, so that the job says the same in any shop and later.
 */
public record ShopExperience(List<Seen> kinds) implements Aspect {
  /** Nothing taken over: only the job itself weighs. */
  public static final ShopExperience BLANK = new ShopExperience(List.of());

  /** So many kinds at most. */
  public static final int MOST = 500;

  /** How many of a kind were measured, and how many of them were found bad. */
  public record Seen(String kind, int measured, int bad) {
    public Seen {
      Checked.present("the kind of capacitor", kind);
      if (measured < 0 || bad < 0 || bad > measured) {
        throw new IllegalArgumentException(bad + " of " + measured + " is no count");
      }
    }
  }

  public ShopExperience {
    kinds = List.copyOf(kinds);
    if (kinds.size() > MOST) {
      throw new IllegalArgumentException("at most " + MOST + " kinds can be taken over");
    }
  }

  /** What was seen of a kind. */
  public Optional<Seen> of(String kind) {
    return kinds.stream().filter(s -> s.kind.equals(kind)).findFirst();
  }
}
