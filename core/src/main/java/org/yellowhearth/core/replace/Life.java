package org.yellowhearth.core.replace;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.CapacitorWare;

/**
 * How long an aluminium electrolytic lasts at its place: the stated life, doubled for every 10 °C
 * that its core stays below what it is made for (Arrhenius in the form that makers' application
 * notes use, from memory). The core is warmer than its surroundings by 5 K at its full ripple
 * current, and by the square of the share of it.
 *
 * @param aroundCelsius the air at its place
 * @param coreCelsius its core
 * @param years at the hours a day that are assumed
 */
public record Life(double aroundCelsius, double coreCelsius, double hours, double years) {
  /** Inside a warm set (common practice). */
  static final double IN_SET_CELSIUS = 45;

  static final double FULL_RIPPLE_KELVIN = 5;

  /** A set in use (our own step). */
  static final double HOURS_A_DAY = 3;

  /** Seals age by themselves: nobody promises more (makers' application notes, from memory). */
  static final double MOST_YEARS = 15;

  /**
   * The life at a place; none where the ware does not state one.
   *
   * @param warmerKelvin how much warmer the place is than the rest of the set
   * @param hoursADay that it is under voltage
   */
  public static Optional<Life> of(
      CapacitorWare ware, double warmerKelvin, OptionalDouble rippleAmperes, double hoursADay) {
    if (ware.lifeHours().isEmpty() || ware.celsius().isEmpty()) {
      return Optional.empty();
    }
    double around = IN_SET_CELSIUS + warmerKelvin;
    double share =
        rippleAmperes.isPresent() && ware.rippleAmperes().isPresent()
            ? rippleAmperes.getAsDouble() / ware.rippleAmperes().getAsDouble()
            : 0;
    double core = around + FULL_RIPPLE_KELVIN * share * share;
    double hours =
        ware.lifeHours().getAsDouble() * Math.pow(2, (ware.celsius().getAsDouble() - core) / 10);
    double years = hours / (365.25 * hoursADay);
    return Optional.of(new Life(around, core, hours, Math.min(MOST_YEARS, years)));
  }
}
