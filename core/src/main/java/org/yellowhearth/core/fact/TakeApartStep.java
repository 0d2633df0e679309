package org.yellowhearth.core.fact;

import java.util.Optional;
import org.yellowhearth.core.message.Coded;

/**
 * One step of taking the set apart. Read from last to first, the steps put it together again.
 *
 * @param number its place in the order, from 1
 * @param count how many screws, spacers or wires
 * @param what what it is and what it held
 * @param kept where it lies now: a bag, a tray
 * @param orientation which way round it was
 * @param refitted whether it is back in its place
 */
public record TakeApartStep(
    String id,
    int number,
    Fixing fixing,
    int count,
    String what,
    String kept,
    String orientation,
    Optional<String> photograph,
    boolean refitted)
    implements Item {
  /** What came off. */
  public enum Fixing implements Coded {
    SCREWS,
    SPACERS,
    HIDDEN_FASTENER,
    CONNECTOR,
    WIRE,
    KNOB,
    COVER,
    ASSEMBLY
  }

  public TakeApartStep {
    Item.requireId(id);
    Checked.within("place in the order", number, 1, 10_000);
    Checked.within("count", count, 1, 1000);
    Checked.present("what came off", what);
  }

  /** This back in its place, or out of it again. */
  public TakeApartStep refitted(boolean back) {
    return new TakeApartStep(id, number, fixing, count, what, kept, orientation, photograph, back);
  }
}
