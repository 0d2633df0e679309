package org.yellowhearth.workshop;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;

/** A clock that can be put forward, for what at a real bench is waited for beside other work. */
public final class PracticeClock extends Clock {
  private final Clock real;
  private final AtomicReference<Duration> ahead;

  /** One that goes as another does. */
  public PracticeClock(Clock real) {
    this(real, new AtomicReference<>(Duration.ZERO));
  }

  private PracticeClock(Clock real, AtomicReference<Duration> ahead) {
    this.real = real;
    this.ahead = ahead;
  }

  /** Puts it forward. */
  public void forward(Duration by) {
    ahead.updateAndGet(by::plus);
  }

  @Override
  public ZoneId getZone() {
    return real.getZone();
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return new PracticeClock(real.withZone(zone), ahead);
  }

  @Override
  public Instant instant() {
    return real.instant().plus(ahead.get());
  }
}
