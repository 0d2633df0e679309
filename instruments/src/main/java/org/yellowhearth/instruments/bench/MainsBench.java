package org.yellowhearth.instruments.bench;

import java.util.Optional;
import java.util.Random;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.instruments.scpi.ScpiDevice;

/**
 * Stand-in variable transformer with isolation, a lamp in series where one is screwed in, and an
 * analyser of volts, amperes and watts. Current is watts over volts: of the crest of the current
 * nothing is said.
 */
final class MainsBench extends ScpiDevice {
  private static final double MOST_VOLTS = 260;
  private static final double NOISE = 0.002;

  private final StandInBench bench;
  private final Random random;
  private double volts;
  private boolean on;
  private double lampWatts;

  MainsBench(StandInBench bench, Random random) {
    this.bench = bench;
    this.random = random;
    command(
        "SOURce:VOLTage[:LEVel][:IMMediate][:AMPLitude]",
        a -> {
          volts = a.number(0, "V", 0, MOST_VOLTS);
          bench.catchUp();
        });
    query("SOURce:VOLTage[:LEVel][:IMMediate][:AMPLitude]", a -> figure(volts));
    command(
        "SOURce:LAMP",
        a -> {
          lampWatts = a.number(0, "W", 0, 500);
          bench.catchUp();
        });
    query("SOURce:LAMP", a -> figure(lampWatts));
    command(
        "OUTPut[:STATe]",
        a -> {
          on = a.onOff(0);
          bench.catchUp();
        });
    query("OUTPut[:STATe]", a -> on ? "1" : "0");
    query("MEASure:VOLTage[:AC]", a -> figure(noisy(applied())));
    query(
        "MEASure:CURRent[:AC]",
        a -> figure(noisy(applied() < 1 ? 0 : bench.set().watts() / applied())));
    query("MEASure:POWer[:AC]", a -> figure(noisy(bench.set().watts())));
    bench.clockCommands(this::command, this::query);
  }

  private double noisy(double value) {
    return value * (1 + NOISE * random.nextGaussian());
  }

  /** What the set gets (V RMS). */
  double applied() {
    return on ? volts : 0;
  }

  Optional<Lamp> lamp() {
    return lampWatts > 0
        ? Optional.of(Lamp.cold(lampWatts, bench.set().nominalVolts()))
        : Optional.empty();
  }

  @Override
  protected String identity() {
    return "Yellow Hearth,stand-in variable transformer,0,1";
  }

  @Override
  protected void reset() {
    volts = 0;
    on = false;
    lampWatts = 0;
    bench.catchUp();
  }

  @Override
  protected void catchUp() {
    bench.catchUp();
  }
}
