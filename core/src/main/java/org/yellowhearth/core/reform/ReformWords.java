package org.yellowhearth.core.reform;

import org.yellowhearth.core.message.MessageKey;

/** Why a capacitor is or is not worth bringing up. */
public enum ReformWords implements MessageKey {
  NO_KIND,
  NO_TANTALUM,
  NO_LOOK,
  NO_SHORT,
  NO_DRY,
  NO_POLICY,
  NO_UNMEASURED,
  NO_RATING,
  NO_CHEAP, //
  YES_LEAKS_ONLY,
  YES_MUSEUM,
  YES_POLICY,
  YES_RARE,
  YES_DEAR,
  YES_GOOD,
  BUT_OLD,
  BUT_SUPPLY
}
