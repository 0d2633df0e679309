package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/** How a part is connected. */
public enum Leads implements Coded {
  UNSTATED,
  AXIAL,
  RADIAL,
  SNAP_IN,
  LUGS
}
