package org.yellowhearth.core.job;

import java.time.ZonedDateTime;

/**
 * One entry of a job's journal. Entries are only ever appended.
 *
 * @param number its place in the journal, from 0
 * @param at when it was made, with the zone of the bench
 * @param by who made it, as that person signs; empty where nobody signed
 */
public record Entry(int number, ZonedDateTime at, Act act, String by) {
  /** So many letters a signature has at most. */
  public static final int LONGEST = 60;

  public Entry {
    requireSignature(by);
  }

  /** Refuses what could not stand beside an entry as its signature. */
  public static void requireSignature(String by) {
    if (by.length() > LONGEST || by.chars().anyMatch(Character::isISOControl)) {
      throw new IllegalArgumentException(
          "a signature is one line of at most " + LONGEST + " letters");
    }
  }

  /** An entry that nobody signed. */
  public Entry(int number, ZonedDateTime at, Act act) {
    this(number, at, act, "");
  }
}
