package org.yellowhearth.core.marking;

import org.yellowhearth.core.message.MessageKey;

/** What can be said about text that should have been a figure or a marking. */
public enum MarkingWords implements MessageKey {
  NOT_A_NUMBER,
  THOUSANDS_OR_DECIMAL,
  NUMBER_WITHOUT_UNIT,
  UNKNOWN_UNIT,
  NOT_ABOVE_ZERO,
  TOO_LARGE,
  MILLI_OR_MICRO,
  CHOICE
}
