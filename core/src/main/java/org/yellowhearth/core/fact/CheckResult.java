package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * What a check before power gave.
 *
 * @param check the code of the check
 * @param measured in the check's own unit
 * @param note what was seen; the reason where it was overridden
 */
public record CheckResult(
    String id, String check, Outcome outcome, OptionalDouble measured, String note, Instant at)
    implements Item {
  /** How it ended. */
  public enum Outcome implements Coded {
    PASSED,
    FAILED,
    OVERRIDDEN
  }

  public CheckResult {
    Item.requireId(id);
    Item.requireId(check);
    Checked.within("measured figure", measured, 0, 1e15);
    if (outcome == Outcome.OVERRIDDEN) {
      Checked.present("the reason for going on all the same", note);
    }
  }
}
