package org.yellowhearth.instruments.bench;

import java.util.Arrays;
import java.util.Random;
import org.yellowhearth.core.reform.FormingCapacitor.Drive;
import org.yellowhearth.instruments.scpi.ScpiDevice;

/**
 * Stand-in leakage meter with four channels, each a supply of 0 to 600 V with a current limit and a
 * resistor before the part in its clips. An output that is off discharges its part through 100 kΩ.
 * The ammeter settles with a third of a second, has an offset of 20 nA and noise of five
 * thousandths, and overflows above 100 mA.
 */
final class LeakageMeter extends ScpiDevice {
  static final int CHANNELS = 4;
  private static final double MOST_VOLTS = 600;
  private static final double MOST_AMPERES = 0.025;
  private static final double USUAL_AMPERES = 0.005;
  private static final double USUAL_OHMS = 1000;
  private static final double BLEEDER_OHMS = 100e3;
  private static final double OFFSET_AMPERES = 20e-9;
  private static final double RANGE_AMPERES = 0.1;
  private static final double NOISE = 0.005;
  private static final double SETTLING_SECONDS = 0.33;

  private final StandInBench bench;
  private final Random random;
  private final Channel[] channels = new Channel[CHANNELS];
  private double watchdogSeconds;
  private double heardAt;

  private static final class Channel {
    private double volts;
    private double limit = USUAL_AMPERES;
    private double ohms = USUAL_OHMS;
    private boolean on;
    private Contact contact = Contact.GOOD;
    private double settled;
    private double settledAt;
  }

  LeakageMeter(StandInBench bench, Random random) {
    this.bench = bench;
    this.random = random;
    Arrays.setAll(channels, k -> new Channel());
    command(
        "SOURce:VOLTage[:LEVel][:IMMediate][:AMPLitude]",
        a -> set(a.channel(CHANNELS), c -> c.volts = a.number(0, "V", 0, MOST_VOLTS)));
    query(
        "SOURce:VOLTage[:LEVel][:IMMediate][:AMPLitude]",
        a -> figure(channel(a.channel(CHANNELS)).volts));
    command(
        "SOURce:CURRent:LIMit",
        a -> set(a.channel(CHANNELS), c -> c.limit = a.number(0, "A", 1e-6, MOST_AMPERES)));
    query("SOURce:CURRent:LIMit", a -> figure(channel(a.channel(CHANNELS)).limit));
    command(
        "SOURce:RESistance",
        a -> set(a.channel(CHANNELS), c -> c.ohms = a.number(0, "OHM", 100, 1e6)));
    query("SOURce:RESistance", a -> figure(channel(a.channel(CHANNELS)).ohms));
    command("OUTPut[:STATe]", a -> set(a.channel(CHANNELS), c -> c.on = a.onOff(0)));
    query("OUTPut[:STATe]", a -> channel(a.channel(CHANNELS)).on ? "1" : "0");
    command(
        "OUTPut:WATChdog",
        a -> {
          watchdogSeconds = a.number(0, "S", 0, 3600);
          heardAt = bench.clock().wallSeconds();
        });
    query("OUTPut:WATChdog", a -> figure(watchdogSeconds));
    query("MEASure:CURRent[:DC]", a -> figure(amperes(a.channel(CHANNELS))));
    query("MEASure:VOLTage[:DC]", a -> figure(volts(a.channel(CHANNELS))));
    query(
        "MEASure:TEMPerature",
        a ->
            figure(
                bench.parts().part(a.channel(CHANNELS)).celsius() + 0.2 * random.nextGaussian()));
    query("FETCh:CURRent[:DC]", a -> figure(channel(a.channel(CHANNELS)).settled));
    command(
        "SIMulation:CONTact",
        a ->
            set(
                a.channel(CHANNELS),
                c -> c.contact = Contact.valueOf(a.word(0, "GOOD", "LOOSE", "OPEN"))));
    bench.clockCommands(this::command, this::query);
  }

  private Channel channel(int number) {
    return channels[number - 1];
  }

  private void set(int number, java.util.function.Consumer<Channel> change) {
    Channel c = channel(number);
    change.accept(c);
    bench.parts().part(number).connect(drive(c));
  }

  private static Drive drive(Channel c) {
    if (c.contact == Contact.OPEN) {
      return Drive.open();
    }
    return c.on
        ? Drive.supply(c.volts, c.ohms + c.contact.ohms(), c.limit)
        : Drive.discharge(BLEEDER_OHMS);
  }

  private double amperes(int number) {
    Channel c = channel(number);
    double now = bench.clock().seconds();
    double flows = c.on && !c.contact.lost(random) ? bench.parts().part(number).supplied() : 0;
    c.settled +=
        (flows - c.settled) * (1 - Math.exp(-Math.max(0, now - c.settledAt) / SETTLING_SECONDS));
    c.settledAt = now;
    return c.settled > RANGE_AMPERES
        ? OVERFLOW
        : c.settled * (1 + NOISE * random.nextGaussian()) + OFFSET_AMPERES;
  }

  private double volts(int number) {
    Channel c = channel(number);
    return c.contact.lost(random)
        ? 0
        : bench.parts().part(number).volts() * (1 + 0.001 * random.nextGaussian());
  }

  @Override
  protected String identity() {
    return "Yellow Hearth,stand-in leakage meter,0,1";
  }

  /**
   * Where nobody spoke to it for longer than the watchdog allows, every output went off at that
   * moment.
   */
  private void watch() {
    double now = bench.clock().wallSeconds();
    if (watchdogSeconds > 0 && now - heardAt > watchdogSeconds) {
      bench.catchUpAgo(now - heardAt - watchdogSeconds);
      for (int k = 1; k <= CHANNELS; k++) {
        set(k, c -> c.on = false);
      }
    }
    heardAt = now;
  }

  @Override
  protected void reset() {
    watchdogSeconds = 0;
    for (int k = 1; k <= CHANNELS; k++) {
      channels[k - 1] = new Channel();
      bench.parts().part(k).connect(Drive.discharge(BLEEDER_OHMS));
    }
  }

  @Override
  protected void catchUp() {
    watch();
    bench.catchUp();
  }
}
