package org.yellowhearth.core.replace;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.message.Message;

/**
 * A part of today proposed for an old one.
 *
 * @param part empty where no single standard part serves; the reasons then say why
 * @param reasons why this value, this rating and this kind
 */
public record Replacement(Optional<Proposed> part, List<Message> reasons) {
  public Replacement {
    reasons = List.copyOf(reasons);
  }

  /**
   * The part itself.
   *
   * @param kind id of its kind in the knowledge files
   * @param ratedForMains whether the rating is volts AC of a mains safety class
   */
  public record Proposed(String kind, double farads, double ratedVolts, boolean ratedForMains) {}
}
