package org.yellowhearth.core.supply;

import java.util.Optional;
import org.yellowhearth.core.circuit.BadCircuitException;

/**
 * What lies between the mains and the windings.
 *
 * @param ohms what the mains and the primary winding oppose to the primary current; 0 where each
 *     winding stands for itself
 * @param otherWatts what else the primary feeds at nominal mains, heaters and iron above all, as a
 *     resistance
 * @param lamp a lamp in series with the whole set, while it is on trial
 */
public record Primary(double ohms, double otherWatts, Optional<Lamp> lamp) {
  /** Each winding stands for itself. */
  public static final Primary NONE = of(0);

  public Primary {
    if (!(ohms >= 0) || !(otherWatts >= 0) || Double.isInfinite(ohms + otherWatts)) {
      throw new BadCircuitException(
          "mains",
          "expected ohms and watts of zero or more, not " + ohms + " Ω, " + otherWatts + " W");
    }
  }

  /** A primary of so many ohms with nothing else on it. */
  public static Primary of(double ohms) {
    return new Primary(ohms, 0, Optional.empty());
  }

  /** Whether all windings hang on one primary, so that what one takes the others feel. */
  boolean shared() {
    return ohms > 0 || lamp.isPresent();
  }

  Primary tuned(Tuner t) {
    return new Primary(
        ohms > 0
            ? t.at(new Parameter(Parameter.MAINS, Parameter.Which.WINDING_RESISTANCE), ohms)
            : 0,
        otherWatts > 0
            ? t.at(new Parameter(Parameter.MAINS, Parameter.Which.OTHER_WATTS), otherWatts)
            : 0,
        lamp);
  }

  Primary with(Lamp other) {
    return new Primary(ohms, otherWatts, Optional.of(other));
  }
}
