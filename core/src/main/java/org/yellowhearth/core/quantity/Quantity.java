package org.yellowhearth.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.Objects;

/**
 * A figure with its unit, for the edges of the program: inside, computation uses plain {@code
 * double} in SI units.
 *
 * @param value the figure in the unit, without prefix (8 µF is 8e-6); always finite
 */
public record Quantity(double value, Unit unit) {
  private static final int FIGURES = 3;

  private record Prefix(double factor, String symbol) {}

  private static final Prefix NONE = new Prefix(1, "");
  private static final Prefix PICO = new Prefix(1e-12, "p");
  private static final Prefix NANO = new Prefix(1e-9, "n");
  private static final Prefix MICRO = new Prefix(1e-6, "µ");
  private static final Prefix MILLI = new Prefix(1e-3, "m");
  private static final Prefix KILO = new Prefix(1e3, "k");
  private static final Prefix MEGA = new Prefix(1e6, "M");
  private static final Prefix GIGA = new Prefix(1e9, "G");

  public Quantity {
    Objects.requireNonNull(unit, "unit");
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException("not a figure that can be shown: " + value + " " + unit);
    }
  }

  public static Quantity of(double value, Unit unit) {
    return new Quantity(value, unit);
  }

  public static Quantity farads(double value) {
    return new Quantity(value, Unit.FARAD);
  }

  public static Quantity ohms(double value) {
    return new Quantity(value, Unit.OHM);
  }

  public static Quantity volts(double value) {
    return new Quantity(value, Unit.VOLT);
  }

  public static Quantity amperes(double value) {
    return new Quantity(value, Unit.AMPERE);
  }

  public static Quantity hertz(double value) {
    return new Quantity(value, Unit.HERTZ);
  }

  public static Quantity joules(double value) {
    return new Quantity(value, Unit.JOULE);
  }

  public static Quantity watts(double value) {
    return new Quantity(value, Unit.WATT);
  }

  public static Quantity seconds(double value) {
    return new Quantity(value, Unit.SECOND);
  }

  public static Quantity ratio(double value) {
    return new Quantity(value, Unit.RATIO);
  }

  /** A fraction shown as per cent: 0.57 is 57 %. */
  public static Quantity percent(double fraction) {
    return new Quantity(fraction * 100, Unit.PERCENT);
  }

  /**
   * The figure as the trade writes it, three significant figures: {@code 8 µF}, {@code 0.05 µF},
   * {@code 470 pF}, {@code 4.7 kΩ}. Capacitance keeps to microfarads and picofarads, as parts of
   * the period are marked.
   */
  @Override
  public String toString() {
    Prefix prefix = prefix();
    String digits = digits(value / prefix.factor);
    String tail = prefix.symbol + unit.symbol();
    return tail.isEmpty() ? digits : digits + " " + tail;
  }

  private Prefix prefix() {
    return switch (unit) {
      case FARAD -> Math.abs(value) < 0.9995e-9 ? PICO : MICRO;
      case OHM -> scaled(List.of(MILLI, NONE, KILO, MEGA, GIGA));
      case HENRY, MHO -> scaled(List.of(MICRO, MILLI, NONE));
      case METRE -> scaled(List.of(MILLI, NONE));
      case AMPERE -> scaled(List.of(NANO, MICRO, MILLI, NONE));
      case VOLT, JOULE, WATT -> scaled(List.of(MILLI, NONE, KILO));
      case SECOND -> scaled(List.of(MILLI, NONE));
      case HERTZ -> scaled(List.of(NONE, KILO, MEGA));
      case OHM_FARAD, MINUTE, HOUR, KILOGRAM, CELSIUS, DEGREE, PERCENT, RATIO -> NONE;
    };
  }

  /**
   * The largest prefix that leaves at least one before the point, after rounding; none for zero.
   */
  private Prefix scaled(List<Prefix> rising) {
    if (value == 0) {
      return NONE;
    }
    Prefix fit = rising.getFirst();
    for (Prefix p : rising) {
      if (rounded(Math.abs(value) / p.factor).compareTo(BigDecimal.ONE) >= 0) {
        fit = p;
      }
    }
    return fit;
  }

  private static BigDecimal rounded(double x) {
    return BigDecimal.valueOf(x).round(new MathContext(FIGURES, RoundingMode.HALF_UP));
  }

  private static String digits(double x) {
    BigDecimal figure = rounded(x).stripTrailingZeros();
    return figure.signum() == 0 ? "0" : figure.toPlainString();
  }
}
