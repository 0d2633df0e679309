package org.yellowhearth.instruments.bench;

import java.time.InstantSource;

/** Time on the simulated bench: it runs as fast as life or up to ten thousand times faster. */
public final class BenchClock {
  public static final double FASTEST = 10_000;

  private final InstantSource wall;
  private long lastMillis;
  private double seconds;
  private double speed = 1;

  public BenchClock(InstantSource wall) {
    this.wall = wall;
    lastMillis = wall.millis();
  }

  /** Seconds of the bench since it was made. */
  public synchronized double seconds() {
    long now = wall.millis();
    seconds += Math.max(0, now - lastMillis) / 1000.0 * speed;
    lastMillis = now;
    return seconds;
  }

  /** Seconds of the wall. */
  double wallSeconds() {
    return wall.millis() / 1000.0;
  }

  public synchronized double speed() {
    return speed;
  }

  /** From now on so many times faster than life, 1 to 10 000. */
  public synchronized void runAt(double times) {
    if (!(times >= 1 && times <= FASTEST)) {
      throw new IllegalArgumentException(
          "the bench runs 1 to 10000 times as fast as life, not " + times);
    }
    seconds();
    speed = times;
  }
}
