package org.yellowhearth.workshop;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** A clock that stands until a test moves it on. */
public final class MovedClock extends Clock {
  private Instant now = Rooms.CLOCK.instant();

  public void goOn(Duration time) {
    now = now.plus(time);
  }

  @Override
  public Instant instant() {
    return now;
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    throw new UnsupportedOperationException("tests keep to UTC");
  }
}
