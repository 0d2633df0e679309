package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/**
 * A capacitor of today, or one kept.
 *
 * @param kind id of its kind in the knowledge files
 * @param farads as marked
 * @param volts its rating
 * @param ratedForMains whether that rating is an alternating voltage
 * @param rippleAmperes alternating current it stands at 100 Hz, RMS
 * @param esrOhms series resistance at 100 Hz
 * @param celsius the highest temperature it is made for
 * @param lifeHours how long it lasts there
 */
public record CapacitorWare(
    String kind,
    double farads,
    double tolerance,
    double volts,
    boolean ratedForMains,
    SafetyClass safety,
    Leads leads,
    OptionalDouble diameterMetres,
    OptionalDouble lengthMetres,
    OptionalDouble rippleAmperes,
    OptionalDouble esrOhms,
    OptionalDouble celsius,
    OptionalDouble lifeHours)
    implements Ware {
  public CapacitorWare {
    Checked.present("the kind of a capacitor", kind);
    Checked.within("the capacitance", farads, 1e-15, 10);
    Checked.within("the rating", volts, 0.5, 100_000);
    Checked.within("the ripple current", rippleAmperes, 1e-6, 1e4);
    Checked.within("the series resistance", esrOhms, 1e-5, 1e6);
    Checked.within("the temperature", celsius, 20, 400);
    Checked.within("the life", lifeHours, 1, 1e6);
    Ware.require(tolerance, diameterMetres, lengthMetres);
  }

  @Override
  public double value() {
    return farads;
  }
}
