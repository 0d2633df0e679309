package org.yellowhearth.core.supply;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Unit;

/**
 * One value of a supply that can be moved: to try a fault, a tolerance, another part.
 *
 * @param element the name of its element in the circuit, of a rectifier the whole of it or one leg
 */
public record Parameter(String element, Which which) {
  /** Stands for the mains among the elements. */
  public static final String MAINS = "mains";

  /** Which value. */
  public enum Which implements Coded {
    CAPACITANCE,
    SERIES_RESISTANCE,
    LEAKAGE_RESISTANCE,
    RESISTANCE,
    INDUCTANCE,
    WINDING_RESISTANCE,
    WINDING_VOLTS,
    DROP,
    /** What a rectifier or one of its legs conducts, against a whole one. */
    CONDUCTANCE,
    /** What a rail feeds, in Ω, A or W. */
    LOAD,
    /** What a valve draws, against a whole one. */
    EMISSION,
    /** What a regulator holds. */
    HELD_VOLTS,
    DROPOUT,
    OUTPUT_RESISTANCE,
    MAINS_VOLTS,
    /** What heaters and iron take from the mains. */
    OTHER_WATTS,
    /**
     * The law of a junction: its saturation current, emission coefficient, series resistance and
     * arc drop.
     */
    SATURATION_CURRENT,
    EMISSION_COEFFICIENT,
    JUNCTION_RESISTANCE,
    ARC_DROP,
    /** The law of a valve or vacuum rectifier. */
    PERVEANCE,
    AMPLIFICATION,
    ANODE_SHARE,
    /** Where the curve of a pentode or of a steady current bends. */
    KNEE,
    /** Where a steady power starts. */
    START_VOLTS,
    /**
     * The losses of a choke's core, as its Q at 100 Hz: a resistance across it of so many times its
     * reactance.
     */
    CORE_QUALITY,
    PASS_RESISTANCE,
    /** What a regulator gives at the most. */
    CURRENT_LIMIT;

    /** The unit of its figure; what a load draws has that of the load. */
    public Unit unit() {
      return switch (this) {
        case CAPACITANCE -> Unit.FARAD;
        case INDUCTANCE -> Unit.HENRY;
        case SERIES_RESISTANCE,
            LEAKAGE_RESISTANCE,
            RESISTANCE,
            WINDING_RESISTANCE,
            OUTPUT_RESISTANCE,
            JUNCTION_RESISTANCE,
            PASS_RESISTANCE ->
            Unit.OHM;
        case WINDING_VOLTS, DROP, HELD_VOLTS, DROPOUT, MAINS_VOLTS, ARC_DROP, KNEE, START_VOLTS ->
            Unit.VOLT;
        case SATURATION_CURRENT, CURRENT_LIMIT -> Unit.AMPERE;
        case OTHER_WATTS -> Unit.WATT;
        case CONDUCTANCE,
            EMISSION,
            LOAD,
            EMISSION_COEFFICIENT,
            PERVEANCE,
            AMPLIFICATION,
            ANODE_SHARE,
            CORE_QUALITY ->
            Unit.RATIO;
      };
    }
  }

  /** Every value of a supply, in the order of its sections. */
  public static Map<Parameter, Double> all(Supply supply) {
    Map<Parameter, Double> all = new LinkedHashMap<>();
    supply.tuned((knob, now) -> {
      all.put(knob, now);
      return now;
    });
    return all;
  }

  /** A supply with this at another value. */
  public Supply set(Supply supply, double value) {
    return supply.tuned((knob, now) -> equals(knob) ? value : now);
  }

  /** A supply with this many times what it is. */
  public Supply times(Supply supply, double factor) {
    return supply.tuned((knob, now) -> equals(knob) ? factor * now : now);
  }

  /** The value of this in a supply. */
  public double in(Supply supply) {
    Double value = all(supply).get(this);
    if (value == null) {
      throw new IllegalArgumentException(element + " has no " + which.code() + " in this supply");
    }
    return value;
  }

  /**
   * The part of an element: a leg of a rectifier belongs to the rectifier, the resistors of a stage
   * to the stage.
   */
  public static String whole(String element, Set<String> sections) {
    int dot = element.lastIndexOf('.');
    return dot > 0 && sections.contains(element.substring(0, dot))
        ? element.substring(0, dot)
        : element;
  }
}
