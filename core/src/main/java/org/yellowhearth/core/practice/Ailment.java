package org.yellowhearth.core.practice;

import java.util.Optional;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.message.Coded;

/** What is truly the matter with a part of a practice set. */
public enum Ailment implements Coded {
  SOUND,
  /** An electrolytic that dried out: little capacitance, much resistance. */
  DRY,
  /** An electrolytic whose oxide thinned: it may come up again. */
  UNFORMED,
  /** Paper or another dry dielectric that leaks. */
  LEAKY,
  SHORTED,
  OPEN,
  /**
   * An electrolytic that an earlier hand fitted the wrong way round: seen, and forming does not
   * mend it.
   */
  REVERSED,
  /** A lead or joint that corroded: it measures well while it is held. */
  CORRODED,
  /** An electrolytic whose leakage stays, however long it is formed. */
  HOPELESS,
  /** A resistor far from its marking. */
  DRIFTED,
  /** A valve that emits little. */
  WEAK;

  /** What there is to be seen of it, for whoever looks. */
  public Optional<VisualInspection.Sign> shows() {
    return switch (this) {
      case REVERSED -> Optional.of(VisualInspection.Sign.REVERSED);
      case CORRODED -> Optional.of(VisualInspection.Sign.LEAD_CORRODED);
      case SOUND, DRY, UNFORMED, HOPELESS, LEAKY, SHORTED, OPEN, DRIFTED, WEAK -> Optional.empty();
    };
  }

  /**
   * Whether a verdict does right by it.
   *
   * @param formed whether it came up at the bench
   */
  public boolean right(Verdict verdict, boolean formed) {
    return switch (this) {
      case SOUND -> verdict == Verdict.KEEP || verdict == Verdict.WATCH;
      case CORRODED -> verdict == Verdict.WATCH || verdict == Verdict.REPLACE;
      case UNFORMED ->
          verdict == Verdict.REFORM
              || verdict == Verdict.REPLACE
              || (formed && SOUND.right(verdict, true));
      case DRY, HOPELESS, LEAKY, SHORTED, OPEN, DRIFTED, REVERSED, WEAK ->
          verdict == Verdict.REPLACE;
    };
  }
}
