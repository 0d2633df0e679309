package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/** What the set does wrong, in tags that tracing starts from. */
public enum Symptom implements Coded {
  DEAD,
  HUM,
  MOTOR_BOATING,
  SQUEAL,
  NOISY,
  DISTORTED_AFTER_WARM_UP,
  LOW_RAIL,
  HIGH_RAIL,
  NO_BIAS_CONTROL,
  BIAS_COLLAPSES_WHEN_KEYED,
  FUSE_BLOWS,
  DRAWS_TOO_MUCH,
  DRAWS_WHILE_OFF,
  BURNT_SMELL,
  BLOWN_PART,
  RELAY_SLOW,
  RELAY_CHATTERS,
  SHORT_RASTER,
  NEEDLE_PINNED,
  UNSTABLE_READINGS,
  SOME_RANGES_ONLY,
  INTERMITTENT
}
