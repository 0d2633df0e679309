package org.yellowhearth.instruments.link;

import java.io.IOException;

/**
 * What first power needs of a multimeter with one channel or several: volts, direct or alternating.
 */
public final class MultimeterBench {
  private final Conversation with;

  public MultimeterBench(InstrumentLink link) {
    with = new Conversation(link);
  }

  /** Maker and model, as it tells them. */
  public String name() throws IOException {
    return with.name();
  }

  /**
   * Reads a channel.
   *
   * @param of so many channels that are used; of one alone no channel is named
   * @throws IOException where the line is lost, or where it is over its range
   */
  public double read(int channel, int of, boolean alternating) throws IOException {
    double volts =
        with.figure(
            "MEAS:VOLT:" + (alternating ? "AC?" : "DC?") + (of == 1 ? "" : " (@" + channel + ")"));
    with.check();
    if (!LcrBench.within(volts)) {
      throw new LcrBench.Refusal("channel " + channel + " is over its range");
    }
    return volts;
  }
}
