package org.yellowhearth.core.practice;

import org.yellowhearth.core.message.MessageKey;

/** What is said after an exercise. */
public enum PracticeWords implements MessageKey {
  TOLD_NOTHING,
  RISK,
  TOUCHED,
  HINTS,
  OVER_TIME,
  OVER_COST,
  SAFE,
  ORDER,
  BURNT,
  BURST,
  OVERRUN,
  OVERVOLTED,
  PLAYS
}
