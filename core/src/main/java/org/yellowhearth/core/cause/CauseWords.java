package org.yellowhearth.core.cause;

import org.yellowhearth.core.message.MessageKey;

/** What is said of causes. */
public enum CauseWords implements MessageKey {
  FITTED,
  TAKEN_OUT,
  DONE,
  SWAPPED,
  TURNED,
  FORMED, //
  WHY_OPEN,
  WHY_CONFIRMED_BACK,
  WHY_CONFIRMED_READING,
  WHY_LIKELY,
  WHY_CONFOUNDED,
  WHY_NOTHING_CHANGED,
  WHY_REFUTED,
  WHY_RELAPSED,
  WHY_OTHER_PART
}
