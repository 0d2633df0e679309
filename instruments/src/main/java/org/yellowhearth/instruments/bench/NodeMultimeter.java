package org.yellowhearth.instruments.bench;

import java.util.Arrays;
import java.util.Random;
import org.yellowhearth.instruments.scpi.ScpiDevice;
import org.yellowhearth.instruments.scpi.ScpiException;
import org.yellowhearth.instruments.scpi.ScpiFault;

/**
 * Stand-in multimeter with a channel on each of some points of the simulated set: direct voltage,
 * or true RMS of the ripple. Its ranges are 2, 20, 200 and 1000 V; above its range a channel
 * overflows. Offset 2 mV, noise of a thousandth.
 */
final class NodeMultimeter extends ScpiDevice {
  private static final double[] RANGES = {2, 20, 200, 1000};
  private static final double OFFSET_VOLTS = 0.002;
  private static final double NOISE = 0.001;

  private final StandInBench bench;
  private final Random random;
  private final int channels;
  private final double[] range;
  private final boolean[] alternating;
  private final double[] last;
  private final Contact[] contact;

  NodeMultimeter(StandInBench bench, Random random) {
    this.bench = bench;
    this.random = random;
    channels = bench.set().points().size();
    range = new double[channels];
    alternating = new boolean[channels];
    last = new double[channels];
    contact = new Contact[channels];
    Arrays.fill(last, Double.NaN);
    Arrays.fill(contact, Contact.GOOD);
    for (boolean ac : new boolean[] {false, true}) {
      String header = ac ? "VOLTage:AC" : "VOLTage[:DC]";
      query(
          "MEASure:" + header,
          a -> {
            int c =
                configure(a.channel(channels), ac, a.given(0) ? a.number(0, "V", 0.001, 1000) : 0);
            return figure(take(c));
          });
      command(
          "CONFigure:" + header,
          a -> configure(a.channel(channels), ac, a.given(0) ? a.number(0, "V", 0.001, 1000) : 0));
    }
    query("CONFigure", a -> alternating[a.channel(channels) - 1] ? "VOLT:AC" : "VOLT:DC");
    query("READ", a -> figure(take(a.channel(channels) - 1)));
    query(
        "FETCh",
        a -> {
          double value = last[a.channel(channels) - 1];
          if (Double.isNaN(value)) {
            throw new ScpiException(ScpiFault.STALE, "nothing has been read yet");
          }
          return figure(value);
        });
    command(
        "SIMulation:CONTact",
        a ->
            contact[a.channel(channels) - 1] = Contact.valueOf(a.word(0, "GOOD", "LOOSE", "OPEN")));
    bench.clockCommands(this::command, this::query);
  }

  private int configure(int channel, boolean ac, double volts) {
    alternating[channel - 1] = ac;
    range[channel - 1] = volts;
    return channel - 1;
  }

  private double take(int channel) {
    double[] point = bench.set().at(bench.set().points().get(channel));
    double value = contact[channel].lost(random) ? 0 : point[alternating[channel] ? 1 : 0];
    double most = 1000;
    for (double r : RANGES) {
      most = range[channel] > 0 && r >= range[channel] ? Math.min(most, r) : most;
    }
    last[channel] =
        Math.abs(value) > 1.1 * most
            ? OVERFLOW
            : value * (1 + NOISE * random.nextGaussian()) + OFFSET_VOLTS;
    return last[channel];
  }

  @Override
  protected String identity() {
    return "Yellow Hearth,stand-in multimeter,0,1";
  }

  @Override
  protected void reset() {
    Arrays.fill(range, 0);
    Arrays.fill(alternating, false);
    Arrays.fill(last, Double.NaN);
  }

  @Override
  protected void catchUp() {
    bench.catchUp();
  }
}
