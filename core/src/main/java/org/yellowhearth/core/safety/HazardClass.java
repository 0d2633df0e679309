package org.yellowhearth.core.safety;

import org.yellowhearth.core.message.Coded;

/**
 * What a charged capacitor can do to a person, by volts and joules. The bounds of 100 V with 1 J,
 * 400 V with 0.25 J and 100 J below 100 V are those of NFPA 70E, article 360, and 10 J as able to
 * kill those of DOE-HDBK-1092, both from memory.
 */
public enum HazardClass implements Coded {
  /** Under 60 V and little energy. */
  SLIGHT,
  /** Under 60 V, but enough energy to weld a ring or a screwdriver. */
  BURN,
  /** A jerk that throws a hand into something worse. */
  STARTLE,
  /** Injures. */
  SHOCK,
  /** Can kill. */
  LETHAL;

  /**
   * From this direct voltage on, stored charge is dangerous to touch (IEC 61140 and kin, from
   * memory: 60 V DC).
   */
  public static final double TOUCH_VOLTS = 60;

  /**
   * Under this voltage a meter for C, ESR or ohms comes to no harm (common practice: about 1 V).
   */
  public static final double METER_VOLTS = 1;

  /**
   * Energy above which metal tools and rings burn, whatever the voltage (our choice; IEC 60950-1
   * has 20 J, from memory).
   */
  public static final double BURN_JOULES = 10;

  private static final double LETHAL_JOULES = 10;
  private static final double MIDDLE_VOLTS = 100;
  private static final double MIDDLE_JOULES = 1;
  private static final double HIGH_VOLTS = 400;
  private static final double HIGH_JOULES = 0.25;

  /** The class of a charged capacitor. */
  public static HazardClass of(double volts, double joules) {
    double v = Math.abs(volts);
    if (v < TOUCH_VOLTS) {
      return joules < BURN_JOULES ? SLIGHT : BURN;
    }
    if (v >= MIDDLE_VOLTS && joules >= LETHAL_JOULES) {
      return LETHAL;
    }
    boolean injures =
        v >= HIGH_VOLTS
            ? joules > HIGH_JOULES
            : v >= MIDDLE_VOLTS ? joules > MIDDLE_JOULES : joules > BURN_JOULES;
    return injures ? SHOCK : STARTLE;
  }

  /**
   * The voltage under which a capacitor is safe to touch: 60 V, or less where it holds much energy.
   */
  public static double touchVolts(double farads) {
    return Math.min(TOUCH_VOLTS, Math.sqrt(2 * BURN_JOULES / farads));
  }
}
