package org.yellowhearth.core.partslist;

/** What the letter M after a resistance means on the papers of a set. */
public enum Thousand {
  /** Nobody has said, and the set is old enough for both. */
  ASK,
  MEGOHM,
  THOUSAND
}
