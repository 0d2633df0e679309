package org.yellowhearth.core.knowledge;

import org.yellowhearth.core.message.Coded;

/**
 * Where a limit or a rule comes from.
 *
 * @param title the published source or, for common practice, what is held
 */
public record Source(String id, Standing standing, String title) {
  /** How far a source can be leant on. */
  public enum Standing implements Coded {
    PUBLISHED,
    FROM_MEMORY,
    COMMON_PRACTICE
  }
}
