package org.yellowhearth.core.trace;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.Fault.Mode;

/**
 * A good capacitor was clipped across a part, and what the set did wrong went away or did not.
 *
 * @param part the part it was clipped across
 * @param cured whether it went away
 */
public record Bridged(String part, boolean cured) {
  /** In these ways a capacitor is missing; one that leaks or is shorted no bridge cures. */
  private static final Set<Mode> MISSING = EnumSet.of(Mode.CAPACITANCE_LOW, Mode.OPEN, Mode.LOSSY);

  /** A cure by a bridge is seldom anything but the part; other capacitors help a little too. */
  private static final double CURED_THOUGH_NOT_MISSING = Math.log(0.05);

  /** A bridge may be too small, or badly clipped. */
  private static final double MISSING_BUT_NOT_CURED = Math.log(0.1);

  /** By how much what was tried moves the logarithm of the chance of some faults (our own step). */
  static double log(List<Bridged> tried, List<Fault> faults, Set<String> sections) {
    double log = 0;
    for (Bridged b : tried) {
      boolean missing =
          faults.stream()
              .anyMatch(f ->
                  MISSING.contains(f.mode())
                      && Parameter.whole(f.knob().element(), sections).equals(b.part));
      if (missing != b.cured) {
        log += missing ? MISSING_BUT_NOT_CURED : CURED_THOUGH_NOT_MISSING;
      }
    }
    return log;
  }
}
