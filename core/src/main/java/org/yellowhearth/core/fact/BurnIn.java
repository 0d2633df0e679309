package org.yellowhearth.core.fact;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * Hours under power before a set goes back, with readings first dense, then sparse.
 *
 * @param hours that it is to run
 * @param end whether it goes on, and how it ended
 * @param reason why it was ended early
 */
public record BurnIn(
    String id, Instant begun, double hours, List<BurnChannel> channels, BurnEnd end, String reason)
    implements Item {
  /** How it stands. */
  public enum BurnEnd implements Coded {
    UNDECIDED,
    PASSED,
    FAILED,
    STOPPED
  }

  /**
   * What is read each time.
   *
   * @param unit of its figures; °C for a hot spot
   * @param expected what it should be; the first settled reading where nobody says
   * @param bound how far it may move over the whole time, in its unit
   */
  public record BurnChannel(String name, String unit, OptionalDouble expected, double bound) {
    public BurnChannel {
      Checked.present("what is read", name);
      Checked.within("what it should be", expected, -1e9, 1e9);
      Checked.within("how far it may move", bound, 1e-9, 1e9);
    }
  }

  public BurnIn {
    Item.requireId(id);
    Checked.within("the hours of a burn-in", hours, 0.5, 2000);
    channels = List.copyOf(channels);
    if (channels.isEmpty() || channels.size() > 50) {
      throw new IllegalArgumentException("a burn-in reads 1 to 50 things, not " + channels.size());
    }
    if (channels.stream().map(BurnChannel::name).distinct().count() < channels.size()) {
      throw new IllegalArgumentException("two things that are read have one name");
    }
    if (end == BurnEnd.STOPPED) {
      Checked.present("why it was stopped", reason);
    }
  }

  /** This ended. */
  public BurnIn ended(BurnEnd how, String why) {
    return new BurnIn(id, begun, hours, channels, how, why);
  }
}
