package org.yellowhearth.core.assess;

import java.util.Optional;
import org.yellowhearth.core.message.MessageKey;

/** Why a finding does not settle its criterion, and what would. */
public enum Gap {
  IN_CIRCUIT(AssessWords.IN_CIRCUIT, AssessWords.NEXT_LIFT_LEG),
  LOW_IN_CIRCUIT(AssessWords.LOW_IN_CIRCUIT, AssessWords.NEXT_LIFT_LEG),
  NEIGHBOUR(AssessWords.ESR_OF_NEIGHBOUR, AssessWords.NEXT_LIFT_LEG),
  NETWORK_HIDES(AssessWords.NETWORK_HIDES, AssessWords.NEXT_LIFT_LEG),
  NETWORK_UNSURE(AssessWords.NETWORK_UNSURE, AssessWords.NEXT_LIFT_LEG),
  HIDDEN_PATH(AssessWords.HIDDEN_PATH, AssessWords.NEXT_LIFT_LEG),
  HIDDEN_PATH_SUSPECT(AssessWords.HIDDEN_PATH_SUSPECT, AssessWords.NEXT_LIFT_LEG),
  NOTHING_EXPECTED(AssessWords.NOTHING_EXPECTED, AssessWords.NEXT_STATE_EXPECTED),
  SLIP(AssessWords.SLIP, AssessWords.NEXT_SLIP),
  GRID_UNMEASURED(AssessWords.GRID_UNMEASURED, AssessWords.NEXT_MEASURE_INSULATION),
  CAPACITANCE_OVER(AssessWords.CAPACITANCE_OVER, AssessWords.NEXT_MEASURE_INSULATION),
  INSULATION_FROM_LEAKAGE(AssessWords.INSULATION_FROM_LEAKAGE, AssessWords.NEXT_MEASURE_INSULATION),
  FREQUENCY_MISSING(AssessWords.FREQUENCY_MISSING, AssessWords.NEXT_STATE_FREQUENCY),
  HEADROOM_UNKNOWN(AssessWords.HEADROOM_UNKNOWN, AssessWords.NEXT_MEASURE_RAIL),
  /** Nothing could settle it: there is no limit to hold it against. */
  NO_LIMIT(AssessWords.NO_LIMIT),
  /** Good to know, and says nothing of the rest. */
  NO_SHORTS(AssessWords.NO_SHORTS),
  NO_GRID_LEAK(AssessWords.NO_GRID_LEAK),
  REVERSE_BLOCKS(AssessWords.REVERSE_BLOCKS);

  private final MessageKey words;
  private final Optional<MessageKey> next;

  Gap(MessageKey words) {
    this.words = words;
    this.next = Optional.empty();
  }

  Gap(MessageKey words, MessageKey next) {
    this.words = words;
    this.next = Optional.of(next);
  }

  MessageKey words() {
    return words;
  }

  /** What to do about it, where that depends on why and not on the part. */
  Optional<MessageKey> next() {
    return next;
  }

  /** True of what is good to know and yet does not say that the part is good. */
  boolean half() {
    return next.isEmpty();
  }

  /** What lies beside the part hides it: only a lifted leg tells. */
  boolean hidden() {
    return next.filter(n -> n == AssessWords.NEXT_LIFT_LEG).isPresent();
  }
}
