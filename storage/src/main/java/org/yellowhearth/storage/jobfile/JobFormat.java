package org.yellowhearth.storage.jobfile;

import org.yellowhearth.core.reading.Figure;

/** Names and bounds of the job file. */
final class JobFormat {
  static final String NAME = "yellow-hearth-job";

  /**
   * Version 2 knew only capacitors and fewer figures, version 1 had no aspects, items, events of
   * charge or date codes; files of both are read as they were.
   */
  static final int VERSION = 15;

  static final int MOST_ITEMS = 100_000;
  static final int MOST_PARTS = 20_000;
  static final int MOST_READINGS = 500_000;
  static final int MOST_ENTRIES = 1_000_000;
  static final int LONGEST_NAME = 200;
  static final int LONGEST_TEXT = 10_000;

  private JobFormat() {}

  static String field(Figure figure) {
    return switch (figure) {
      case CAPACITANCE -> "capacitanceFarads";
      case ESR -> "esrOhms";
      case DISSIPATION -> "dissipation";
      case QUALITY -> "quality";
      case LEAKAGE -> "leakageAmperes";
      case INSULATION -> "insulationOhms";
      case RESISTANCE -> "resistanceOhms";
      case IMPEDANCE -> "impedanceOhms";
      case PHASE -> "phaseDegrees";
      case CALLED_RESISTOR -> "calledResistorOhms";
      case INDUCTANCE -> "inductanceHenries";
      case VOLTS -> "volts";
      case GAIN -> "gain";
      case CONDUCTANCE -> "conductanceMhos";
      case EMISSION -> "emission";
      case FULL_SCALE -> "fullScaleAmperes";
      case LINEARITY -> "linearity";
      case WIPER -> "wiper";
      case DRAIN_CURRENT -> "drainCurrentAmperes";
      case THRESHOLD -> "thresholdVolts";
    };
  }
}
