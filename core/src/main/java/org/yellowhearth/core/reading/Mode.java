package org.yellowhearth.core.reading;

import org.yellowhearth.core.message.Coded;

/** The equivalent circuit a meter shows its figures for. */
public enum Mode implements Coded {
  UNSTATED,
  SERIES,
  PARALLEL
}
