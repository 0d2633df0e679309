package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * The part of the job that an estimate and the owner's consent are for: the supply first, the rest
 * once it is known to live.
 */
public enum Phase implements Coded {
  SUPPLY,
  REST,
  OPTIONS
}
