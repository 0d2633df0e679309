package org.yellowhearth.core.supply;

/**
 * The closed forms of the textbooks (Millman and Halkias, Electronic Devices and Circuits, chapter
 * on rectifiers and power supplies; from memory). They take a rectifier without drop, a source
 * without resistance and a capacitor that discharges along a straight line, so each says how far it
 * holds; the engine does not use them and is held against them.
 */
public final class Textbook {
  /**
   * The discharge counts as straight while the capacitor keeps this much of its charge until the
   * next crest: f·R·C at least so much.
   */
  public static final double STRAIGHT = 5;

  private Textbook() {}

  /**
   * Whether a capacitor of C behind pulses of f for each second into R discharges along a line that
   * is straight enough.
   */
  public static boolean straight(double pulsesPerSecond, double ohms, double farads) {
    return pulsesPerSecond * ohms * farads >= STRAIGHT;
  }

  /** RMS ripple by direct voltage behind a half-wave rectifier and a capacitor: 1/(2√3·f·R·C). */
  public static double halfWaveRipple(double hertz, double ohms, double farads) {
    return 1 / (2 * Math.sqrt(3) * hertz * ohms * farads);
  }

  /** RMS ripple by direct voltage behind a full-wave rectifier and a capacitor: 1/(4√3·f·R·C). */
  public static double fullWaveRipple(double hertz, double ohms, double farads) {
    return 1 / (4 * Math.sqrt(3) * hertz * ohms * farads);
  }

  /**
   * RMS ripple by direct voltage behind a full-wave rectifier and a choke input: (√2/3)/(4ω²LC);
   * above the critical inductance only.
   */
  public static double chokeInputRipple(double hertz, double henries, double farads) {
    double omega = 2 * Math.PI * hertz;
    return Math.sqrt(2) / 3 / (4 * omega * omega * henries * farads);
  }

  /**
   * The inductance below which the current of a full-wave choke input ceases between crests:
   * R/(6πf).
   */
  public static double criticalHenries(double hertz, double ohms) {
    return ohms / (6 * Math.PI * hertz);
  }

  /**
   * Direct voltage behind a full-wave rectifier and a choke input: 2√2/π of the RMS voltage of a
   * half, less what resistance drops.
   */
  public static double chokeInputVolts(double rmsVolts, double amperes, double seriesOhms) {
    return 2 * Math.sqrt(2) / Math.PI * rmsVolts - amperes * seriesOhms;
  }

  /** Direct voltage behind a half-wave rectifier and a capacitor: crest − I/(2fC). */
  public static double halfWaveVolts(
      double crestVolts, double amperes, double hertz, double farads) {
    return crestVolts - amperes / (2 * hertz * farads);
  }

  /** Direct voltage behind a full-wave rectifier and a capacitor: crest − I/(4fC). */
  public static double fullWaveVolts(
      double crestVolts, double amperes, double hertz, double farads) {
    return crestVolts - amperes / (4 * hertz * farads);
  }

  /** Direct voltage of a full-wave doubler with two equal capacitors: 2·crest − I/(fC). */
  public static double doublerVolts(
      double crestVolts, double amperes, double hertz, double farads) {
    return 2 * crestVolts - amperes / (hertz * farads);
  }
}
