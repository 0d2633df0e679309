package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * How a part could be replaced, as somebody typed it; it decides whether an old one is worth the
 * hours.
 *
 * @param rare whether it cannot be had again
 * @param price of a new one, in the shop's money
 */
public record Replaceable(String id, PartRef part, boolean rare, OptionalDouble price)
    implements OfPart {
  public Replaceable {
    Item.requireId(id);
    Checked.within("the price", price, 0, 1e6);
  }

  /** The id of what is said of a part: there is one. */
  public static String idOf(PartRef part) {
    return "replaceable-" + part;
  }
}
