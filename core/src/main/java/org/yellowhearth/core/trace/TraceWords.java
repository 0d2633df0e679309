package org.yellowhearth.core.trace;

import org.yellowhearth.core.message.MessageKey;

/**
 * What can be said about a supply that cannot be worked out, or was worked out on an assumption.
 */
public enum TraceWords implements MessageKey {
  /** A part that is pointed at is not in the census: section, part. */
  NO_SUCH_PART,
  /** A part is of a sort that cannot stand there: section, part. */
  WRONG_SORT,
  /** A value is neither typed nor known of a part: section, which. */
  VALUE_MISSING,
  /** The supply as described cannot be: where, why. */
  CANNOT_BE,
  /** A value was typed for an element that is not there, or has no such value: element, which. */
  VALUE_UNUSED,
  /** No steady state was found. */
  NO_STEADY_STATE,
  /** Nothing is described yet. */
  NOTHING_DESCRIBED,
  /** The chassis is on the mains: no earthed instrument, an isolating transformer. */
  METER_LIVE_CHASSIS,
  /** The chassis stands at a high voltage: no earthed instrument. */
  METER_FLOATING,
  /** Nobody said how the chassis stands. */
  METER_CHASSIS_UNKNOWN,
  /** More than a bench meter stands: volts. */
  METER_RATING,
  /** Work for a high-voltage probe: volts. */
  METER_PROBE
}
