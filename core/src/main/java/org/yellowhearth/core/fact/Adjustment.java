package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;

/**
 * Something that is set to a target, and how it was set.
 *
 * @param point where the meter is
 * @param unit V, A, W or what it is read in
 * @param tolerance either way, in that unit
 * @param harmful the value from which on something suffers, on its side of the target; empty where
 *     nobody says
 * @param control what is turned: {@code R41, clockwise raises}
 */
public record Adjustment(
    String id,
    Adjusted kind,
    String point,
    String unit,
    double target,
    double tolerance,
    OptionalDouble harmful,
    String control,
    List<Turn> turns)
    implements Item {
  private static final int MOST = 500;

  /** What sort of thing is set. */
  public enum Adjusted implements Coded {
    BIAS,
    IDLE_CURRENT,
    RAIL,
    OFFSET,
    OTHER;

    /** Whether valves or transistors suffer while it is wrong. */
    public boolean urgent() {
      return this == BIAS || this == IDLE_CURRENT;
    }
  }

  /**
   * One turn of the control, or a look without one.
   *
   * @param count of turns, to the right positive; empty where nobody counted
   * @param loaded whether the real load was in its place
   */
  public record Turn(
      Instant at, double before, double after, OptionalDouble count, boolean loaded, String note) {
    public Turn {
      Checked.within("what stood there before", before, -1e6, 1e6);
      Checked.within("what stood there after", after, -1e6, 1e6);
      Checked.within("the number of turns", count, -1000, 1000);
    }
  }

  public Adjustment {
    Item.requireId(id);
    Checked.present("where it is measured", point);
    Checked.present("the unit", unit);
    Checked.within("the target", target, -1e6, 1e6);
    Checked.within("its tolerance", tolerance, 1e-9, 1e6);
    Checked.within("what does harm", harmful, -1e6, 1e6);
    if (harmful.isPresent() && Edge.near(harmful.getAsDouble(), target, tolerance)) {
      throw new IllegalArgumentException("what does harm lies within the tolerance of the target");
    }
    turns = List.copyOf(turns);
    if (turns.size() > MOST) {
      throw new IllegalArgumentException(
          "a control is turned " + MOST + " times at most, not " + turns.size());
    }
  }

  /** This after one more turn. */
  public Adjustment turned(Turn turn) {
    List<Turn> all = new ArrayList<>(turns);
    all.add(turn);
    return new Adjustment(id, kind, point, unit, target, tolerance, harmful, control, all);
  }
}
