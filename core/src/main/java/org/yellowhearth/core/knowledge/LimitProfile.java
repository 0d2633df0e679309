package org.yellowhearth.core.knowledge;

import org.yellowhearth.core.message.Coded;

/**
 * Two sets of limits kept side by side: what service practice of the period allowed, and what a new
 * part of today must meet.
 */
public enum LimitProfile implements Coded {
  PERIOD,
  MODERN
}
