package org.yellowhearth.core.quantity;

/** The SI units that figures in this trade carry. A ratio has none. */
public enum Unit {
  FARAD("F"), //
  OHM("Ω"), //
  VOLT("V"), //
  AMPERE("A"), //
  HERTZ("Hz"), //
  HENRY("H"), //
  DEGREE("°"), //
  /** Amperes a volt, the conductance of the standards; the trade of the time wrote mho. */
  MHO("S"), //
  METRE("m"), //
  JOULE("J"), //
  /** Insulation of a paper or film part as resistance times capacitance; 1 s is 1 MΩ·µF. */
  OHM_FARAD("s"), //
  SECOND("s"), //
  MINUTE("min"), //
  HOUR("h"), //
  WATT("W"), //
  KILOGRAM("kg"), //
  CELSIUS("°C"), //
  PERCENT("%"), //
  RATIO("");

  private final String symbol;

  Unit(String symbol) {
    this.symbol = symbol;
  }

  /** The symbol printed after a figure, without prefix. */
  public String symbol() {
    return symbol;
  }
}
