package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;

/** How well the clips held, as the person saw it. */
public enum Contact implements Coded {
  UNSTATED,
  FIRM,
  SHAKY
}
