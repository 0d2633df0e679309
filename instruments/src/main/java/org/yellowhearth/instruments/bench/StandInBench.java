package org.yellowhearth.instruments.bench;

import java.time.InstantSource;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import org.yellowhearth.instruments.scpi.ScpiArguments;
import org.yellowhearth.instruments.scpi.ScpiDevice;

/**
 * The simulated bench: a box of old capacitors, a set, four instruments, and one clock for all of
 * them.
 */
public final class StandInBench {
  private final BenchClock clock;
  private final Parts parts;
  private final SimulatedSet set;
  private final LcrMeter lcr;
  private final LeakageMeter leakage;
  private final NodeMultimeter multimeter;
  private final MainsBench mains;

  /** A bench with the usual box of parts. */
  public static StandInBench usual(InstantSource wall, long seed) {
    return new StandInBench(wall, seed, Parts.usual(0, new Random(seed)));
  }

  public StandInBench(InstantSource wall, long seed, Parts parts) {
    this(wall, seed, parts, SimulatedSet.usual());
  }

  /** A bench with another set on it. */
  public StandInBench(InstantSource wall, long seed, SimulatedSet set) {
    this(wall, seed, Parts.usual(0, new Random(seed)), set);
  }

  private StandInBench(InstantSource wall, long seed, Parts parts, SimulatedSet set) {
    clock = new BenchClock(wall);
    this.set = set;
    this.parts = parts;
    lcr = new LcrMeter(this, new Random(seed + 1));
    leakage = new LeakageMeter(this, new Random(seed + 2));
    multimeter = new NodeMultimeter(this, new Random(seed + 3));
    mains = new MainsBench(this, new Random(seed + 4));
  }

  public ScpiDevice lcrMeter() {
    return lcr;
  }

  public ScpiDevice leakageMeter() {
    return leakage;
  }

  public ScpiDevice multimeter() {
    return multimeter;
  }

  public ScpiDevice mainsBench() {
    return mains;
  }

  public BenchClock clock() {
    return clock;
  }

  Parts parts() {
    return parts;
  }

  SimulatedSet set() {
    return set;
  }

  /** Lets time pass over everything on the bench. */
  void catchUp() {
    catchUpAgo(0);
  }

  /** The same up to a moment so many seconds of the wall ago. */
  synchronized void catchUpAgo(double wallSeconds) {
    double now = clock.seconds() - wallSeconds * clock.speed();
    for (int k = 1; k <= parts.count(); k++) {
      parts.part(k).until(now);
    }
    set.until(
        now, mains == null ? 0 : mains.applied(), mains == null ? Optional.empty() : mains.lamp());
  }

  /**
   * The clock, on every instrument: {@code SIMulation:SPEed} 1 to 10 000 and {@code
   * SIMulation:TIME?} in seconds.
   */
  void clockCommands(
      BiConsumer<String, Consumer<ScpiArguments>> command,
      BiConsumer<String, Function<ScpiArguments, String>> query) {
    command.accept("SIMulation:SPEed", a -> clock.runAt(a.number(0, "", 1, BenchClock.FASTEST)));
    query.accept("SIMulation:SPEed", a -> ScpiDevice.figure(clock.speed()));
    query.accept("SIMulation:TIME", a -> ScpiDevice.figure(clock.seconds()));
  }
}
