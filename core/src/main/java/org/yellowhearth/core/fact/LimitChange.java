package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;

/**
 * A limit that this job holds otherwise than the knowledge files.
 *
 * @param kind id of the kind of capacitor
 * @param profile code of the profile it belongs to
 * @param value the limit; capacitance kept and dissipation as fractions, insulation in seconds
 */
public record LimitChange(String id, String kind, String profile, Which which, double value)
    implements Item {
  /** Which limit of a kind is changed. */
  public enum Which implements Coded {
    RENEW_BELOW,
    WATCH_BELOW,
    WATCH_ABOVE,
    RENEW_ABOVE,
    WATCH_DISSIPATION,
    RENEW_DISSIPATION,
    WATCH_INSULATION,
    RENEW_INSULATION,
    LEAKAGE_FACTOR
  }

  public LimitChange {
    Item.requireId(id);
    Checked.present("the kind of capacitor", kind);
    Checked.within("the limit", value, 1e-9, 1e9);
  }

  /** The id of a change: there is one for each limit. */
  public static String idOf(String kind, String profile, Which which) {
    return "limit-" + kind + "-" + profile + "-" + which.code();
  }
}
