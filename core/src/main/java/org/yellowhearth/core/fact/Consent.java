package org.yellowhearth.core.fact;

import java.time.Instant;

/**
 * What the owner agreed to.
 *
 * @param amount the most it may cost
 * @param how by whom and how: by letter, on the telephone
 */
public record Consent(String id, Phase phase, double amount, String how, Instant at)
    implements Item {
  public Consent {
    Item.requireId(id);
    Checked.within("amount", amount, 0, 1e9);
  }
}
