package org.yellowhearth.core.part;

import org.yellowhearth.core.message.Coded;

/** Which end of a capacitor goes to chassis, as far as it is known. */
public enum Polarity implements Coded {
  UNSTATED,
  NEGATIVE_TO_CHASSIS,
  POSITIVE_TO_CHASSIS,
  NEITHER_TO_CHASSIS,
  NOT_POLARISED
}
