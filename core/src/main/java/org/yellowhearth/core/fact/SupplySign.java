package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.OptionalDouble;

/**
 * Something noticed of a set under power that is no voltage: watts from the mains, a sound, a
 * smell, heat, a code, a blown fuse.
 *
 * @param sign what sort, by its id in the knowledge files
 * @param place the part or point it is about
 * @param figure where there is one, in the unit of its sort
 */
public record SupplySign(
    String id, Instant at, String sign, String place, OptionalDouble figure, String said)
    implements SupplyEvidence {
  /** The id of the sign that a good capacitor across a part cured the fault. */
  public static final String BRIDGE_CURED = "bridge-cured";

  /** The same where it changed nothing. */
  public static final String BRIDGE_NO_CHANGE = "bridge-no-change";

  /** The id of the sign that a rail was no short any more once a leg of a part was lifted. */
  public static final String LIFTED_SHORT_GONE = "lifted-short-gone";

  /** The same where it went on being one. */
  public static final String LIFTED_STILL_SHORT = "lifted-still-short";

  public SupplySign {
    Item.requireId(id);
    Item.requireId(sign);
    Checked.within("figure", figure, 0, 1e9);
  }
}
