package org.yellowhearth.workshop;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.HazardClass;
import org.yellowhearth.workshop.words.Labels;

/** What the hearth says in words. */
public final class ChargeText {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);
  private static final long MINUTE = 60;
  private static final long HOUR = 3600;
  private static final long DAY = 86_400;

  private ChargeText() {}

  /** The one line below the state. */
  public static String line(ChargeReading hearth, Optional<Instant> since) {
    return switch (hearth.state()) {
      case LIT -> Labels.of("hearth.lit", since.map(ChargeText::moment).orElse(""));
      case UNKNOWN -> Labels.of(hearth.stores().isEmpty() ? "hearth.unknown" : "hearth.unmeasured");
      case COLD -> Labels.of("hearth.cold");
      case BANKED -> banked(hearth);
    };
  }

  private static String moment(Instant at) {
    return MOMENT.format(at.atZone(ZoneId.systemDefault()));
  }

  /** Touch first, then the meter; what only holds if a resistor is as marked says so. */
  private static String banked(ChargeReading hearth) {
    if (hearth.touchSafe()) {
      return hearth.volts() < HazardClass.METER_VOLTS
          ? Labels.of("hearth.recovers", Quantity.volts(hearth.highestVolts()))
          : meter(hearth);
    }
    if (hearth.touchSafeIn().isPresent()) {
      return Labels.of("hearth.touch-in", time(hearth.touchSafeIn().get()));
    }
    if (hearth.likelyTouchSafeIn().filter(t -> !t.isZero()).isPresent()) {
      return Labels.of("hearth.touch-likely", time(hearth.likelyTouchSafeIn().get()));
    }
    return hearth.likelyTouchSafeIn().isPresent()
        ? Labels.of("hearth.measure-now")
        : Labels.of("hearth.nothing-drains");
  }

  private static String meter(ChargeReading hearth) {
    if (hearth.meterSafeIn().isPresent()) {
      return Labels.of("hearth.meter-in", time(hearth.meterSafeIn().get()));
    }
    return hearth
        .likelyMeterSafeIn()
        .filter(t -> !t.isZero())
        .map(t -> Labels.of("hearth.meter-likely", time(t)))
        .orElse(Labels.of("hearth.touch-only"));
  }

  /** The state with the volts it holds, where it holds any. */
  public static String state(ChargeReading hearth, String word) {
    return hearth.state() == ChargeState.BANKED
        ? word + "  " + Quantity.volts(shown(hearth.volts()))
        : word;
  }

  /** Volts as a person reads them: no more figures than the estimate is worth. */
  public static double shown(double volts) {
    double v = Math.abs(volts);
    return v >= 10 ? Math.rint(v) : Math.rint(v * 10) / 10;
  }

  /** A countdown: {@code 2 min 05 s}. */
  public static String time(Duration left) {
    long s = (left.toMillis() + 999) / 1000;
    if (s < MINUTE) {
      return s + " s";
    }
    if (s < HOUR) {
      return s / MINUTE + " min " + String.format(Locale.ROOT, "%02d", s % MINUTE) + " s";
    }
    if (s < DAY) {
      return s / HOUR + " h " + s % HOUR / MINUTE + " min";
    }
    return s / DAY + (s < 2 * DAY ? " day" : " days");
  }
}
