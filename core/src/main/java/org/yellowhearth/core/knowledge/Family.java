package org.yellowhearth.core.knowledge;

import org.yellowhearth.core.message.Coded;

/** Families of capacitor that are judged and renewed by the same rules. */
public enum Family implements Coded {
  UNSTATED,
  ELECTROLYTIC,
  TANTALUM,
  PAPER,
  FILM,
  MICA,
  CERAMIC,
  SUPPRESSION,
  AIR
}
