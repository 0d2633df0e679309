package org.yellowhearth.core.fact;

import org.yellowhearth.core.part.PartRef;

/**
 * A person decided otherwise than the rules, with a reason; what the rules say is kept beside it.
 */
public record Overrule(String id, PartRef part, Verdict verdict, String reason) implements OfPart {
  public Overrule {
    Item.requireId(id);
    Checked.present("the reason for overruling", reason);
  }

  /** The id of the overruling of a part: there is one of each. */
  public static String idOf(PartRef part) {
    return "overrule-" + part;
  }
}
