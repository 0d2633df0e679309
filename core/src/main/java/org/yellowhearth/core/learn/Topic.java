package org.yellowhearth.core.learn;

import org.yellowhearth.core.message.Coded;

/** What a shop can learn from its jobs, each counted by keys of its own. */
public enum Topic implements Coded {
  /** Found bad, by family of capacitor or sort of part. */
  GROUP,
  /** Found bad, by kind of capacitor. */
  KIND,
  /** Found bad, by family and role. */
  ROLE,
  /** Found bad, by family and age when it was read. */
  AGE,
  /** Found bad, by family and warmth of its place. */
  HEAT,
  /**
   * How a first reading stood to the marking: capacitance by kind, in classes of {@link
   * JobTallies#CLASS}.
   */
  KEPT,
  /** Dissipation by kind, in classes. */
  DISSIPATION,
  /** Brought up with success, by kind. */
  REFORMED,
  /** Brought up with success, by age. */
  REFORMED_AGE,
  /** Minutes by what was done; the hits are the jobs in which it was done at all. */
  MINUTES
}
