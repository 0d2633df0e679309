package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;

/**
 * Whether an instrument may be put to a point at all, before it is suggested. Common practice;
 * local codes go first.
 */
public final class MeterCheck {
  /** What bench meters and their leads stand. */
  private static final double METER_VOLTS = 600;

  /** What lies above that is work for a high-voltage probe. */
  private static final double PROBE_VOLTS = 1000;

  private MeterCheck() {}

  /**
   * What must be thought of before a meter goes to a point that stands at some volts under power.
   */
  public static List<Message> of(SetPlate plate, double volts) {
    List<Message> all = new ArrayList<>();
    switch (plate.chassis()) {
      case LIVE, PRIMARY_SIDE -> all.add(Message.of(TraceWords.METER_LIVE_CHASSIS));
      case FLOATING_HIGH_VOLTAGE -> all.add(Message.of(TraceWords.METER_FLOATING));
      case UNKNOWN -> all.add(Message.of(TraceWords.METER_CHASSIS_UNKNOWN));
      case ISOLATED, BATTERY -> {}
    }
    if (Math.abs(volts) > PROBE_VOLTS) {
      all.add(Message.of(TraceWords.METER_PROBE, Quantity.volts(volts)));
    } else if (Math.abs(volts) > METER_VOLTS) {
      all.add(Message.of(TraceWords.METER_RATING, Quantity.volts(volts)));
    }
    return all;
  }
}
