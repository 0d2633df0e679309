package org.yellowhearth.core.agenda;

import org.yellowhearth.core.message.MessageKey;

/** What can be said of something that is due. */
public enum AgendaWords implements MessageKey {
  OWN,
  REFORM_DEED,
  REFORM_STEP,
  REFORM_RESTED,
  REFORM_CHARGED,
  BURN_READING,
  BURN_LAST,
  WARM,
  WAITED,
  DRY,
  TOUCH_SAFE,
  UNDRAINED,
  CONSENT,
  WISH,
  PARTS
}
