package org.yellowhearth.core.agenda;

import org.yellowhearth.core.message.Coded;

/** Where it comes from that something is due. */
public enum DueSource implements Coded {
  REFORM,
  BURN_IN,
  WARM_UP,
  WAITING,
  DRYING,
  CHARGE,
  OWNER,
  PARTS,
  TASK
}
