package org.yellowhearth.core.assess;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.reading.Figure;

/** What a part is judged by. */
public enum Criterion implements Coded {
  CAPACITANCE_KEPT,
  DISSIPATION,
  ESR,
  LEAKAGE,
  INSULATION,
  HEADROOM,
  MAINS_CLASS,
  AGREEMENT, //
  LOOK,
  WITNESSES,
  CONTACT,
  SHORT_OR_OPEN,
  /** What a tester, or who measured it, called it. */
  TESTER,
  GRID_SHIFT,
  HIDDEN_PATH,
  BATCH,
  /** Its like in the same set. */
  SIBLINGS, //
  RESISTANCE,
  INDUCTANCE,
  VOLTS,
  GAIN,
  CONDUCTANCE,
  EMISSION,
  FULL_SCALE,
  LINEARITY,
  WIPER,
  DRAIN_CURRENT,
  THRESHOLD;

  /** The criterion for a figure of a part that is no capacitor. */
  static Criterion of(Figure figure) {
    return switch (figure) {
      case CAPACITANCE -> CAPACITANCE_KEPT;
      case ESR -> ESR;
      case DISSIPATION, QUALITY -> DISSIPATION;
      case LEAKAGE -> LEAKAGE;
      case INSULATION -> INSULATION;
      case RESISTANCE, IMPEDANCE, PHASE -> RESISTANCE;
      case CALLED_RESISTOR -> SHORT_OR_OPEN;
      case INDUCTANCE -> INDUCTANCE;
      case VOLTS -> VOLTS;
      case GAIN -> GAIN;
      case CONDUCTANCE -> CONDUCTANCE;
      case EMISSION -> EMISSION;
      case FULL_SCALE -> FULL_SCALE;
      case LINEARITY -> LINEARITY;
      case WIPER -> WIPER;
      case DRAIN_CURRENT -> DRAIN_CURRENT;
      case THRESHOLD -> THRESHOLD;
    };
  }
}
