package org.yellowhearth.core.marking;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Units as they are printed on old parts, drawn on old diagrams and typed at a bench. On capacitors
 * {@code mf} is microfarad, {@code mmf} and {@code µµF} picofarad, {@code jar} 1/900 µF and {@code
 * cm} 1.1126 pF (the electrostatic centimetre); common practice.
 *
 * @param factor what one of the unit is in SI
 */
public record UnitText(Dimension dimension, double factor) {
  /**
   * One electrostatic centimetre in farads: 1/(c² · 10⁻⁵) with c in cm/s, the capacitance of a
   * sphere of 1 cm radius.
   */
  static final double CENTIMETRE = 1.112650056e-12;

  /** The jar of early naval practice in farads. */
  static final double JAR = 1e-6 / 900;

  private static final Map<String, UnitText> EXACT = new HashMap<>();
  private static final Map<String, UnitText> FOLDED = new HashMap<>();

  static {
    folded(Dimension.CAPACITANCE, 1, "f", "farad", "farads");
    folded(
        Dimension.CAPACITANCE,
        1e-6,
        "u",
        "uf",
        "ufd",
        "mf",
        "mfd",
        "mfds",
        "mfrd",
        "microfarad",
        "microfarads");
    folded(Dimension.CAPACITANCE, 1e-9, "n", "nf", "kpf", "nanofarad");
    folded(
        Dimension.CAPACITANCE, 1e-12, "p", "pf", "mmf", "mmfd", "uuf", "uufd", "picofarad", "puff");
    folded(Dimension.CAPACITANCE, CENTIMETRE, "cm");
    folded(Dimension.CAPACITANCE, JAR, "jar", "jars");
    folded(Dimension.RESISTANCE, 1, "r", "ohm", "ohms", "ω");
    folded(Dimension.RESISTANCE, 1e3, "k", "kr", "kω", "kohm", "kohms", "kilohm");
    folded(Dimension.RESISTANCE, 1e6, "meg", "megohm", "megohms", "megs");
    folded(Dimension.RESISTANCE, 1e9, "g", "gω", "gohm");
    exact(Dimension.RESISTANCE, 1e6, "M", "MΩ", "MΩ", "Mohm", "Mohms", "MR");
    exact(Dimension.RESISTANCE, 1e-3, "mΩ", "mΩ", "mohm", "mR", "mr");
    folded(
        Dimension.VOLTAGE,
        1,
        "v",
        "vdc",
        "dcv",
        "vw",
        "wv",
        "vwdc",
        "wvdc",
        "vdcw",
        "volt",
        "volts",
        "v-",
        "v=");
    folded(Dimension.VOLTAGE, 1e3, "kv", "kvdc");
    folded(Dimension.VOLTAGE, 1e-3, "mv");
    folded(Dimension.ALTERNATING_VOLTAGE, 1, "vac", "acv", "v~");
    folded(Dimension.CURRENT, 1, "a", "amp", "amps");
    folded(Dimension.CURRENT, 1e-3, "ma");
    folded(Dimension.CURRENT, 1e-6, "ua");
    folded(Dimension.CURRENT, 1e-9, "na");
    folded(Dimension.CONDUCTANCE, 1e-3, "ma/v", "mmho", "mmhos", "millimho", "millimhos");
    folded(Dimension.CONDUCTANCE, 1e-6, "umho", "umhos", "micromho", "micromhos", "ua/v");
    exact(Dimension.CONDUCTANCE, 1e-3, "mS");
    exact(Dimension.CONDUCTANCE, 1e-6, "uS");
    folded(Dimension.INDUCTANCE, 1, "h", "hy", "henry", "henries");
    folded(Dimension.INDUCTANCE, 1e-3, "mh");
    folded(Dimension.INDUCTANCE, 1e-6, "uh");
    folded(Dimension.POWER, 1, "w", "watt", "watts");
    folded(Dimension.POWER, 1e-3, "mw");
    folded(Dimension.FREQUENCY, 1, "hz", "c/s", "cps", "~", "cycles");
    folded(Dimension.FREQUENCY, 1e3, "khz", "kc/s", "kc");
    folded(Dimension.FREQUENCY, 1e6, "mhz");
    folded(Dimension.PERCENT, 0.01, "%");
    folded(Dimension.MINUTES, 1, "min", "mins", "minute", "minutes");
    folded(Dimension.MINUTES, 1.0 / 60, "s", "sec", "seconds");
    folded(Dimension.CELSIUS, 1, "c", "°c", "degc");
  }

  private static void folded(Dimension dimension, double factor, String... names) {
    for (String name : names) {
      FOLDED.put(name, new UnitText(dimension, factor));
    }
  }

  private static void exact(Dimension dimension, double factor, String... names) {
    for (String name : names) {
      EXACT.put(name, new UnitText(dimension, factor));
    }
  }

  /**
   * What a written unit means, however its micro sign, dots and capitals are written; empty where
   * nobody writes it so.
   */
  public static Optional<UnitText> find(String written) {
    String plain = written.replace('µ', 'u').replace('μ', 'u').replaceAll("[.,]", "");
    UnitText exact = EXACT.get(plain);
    return Optional.ofNullable(exact != null ? exact : FOLDED.get(plain.toLowerCase(Locale.ROOT)));
  }
}
