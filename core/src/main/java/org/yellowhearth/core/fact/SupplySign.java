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
  public SupplySign {
    Item.requireId(id);
    Item.requireId(sign);
    Checked.within("figure", figure, 0, 1e9);
  }
}
