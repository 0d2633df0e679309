package org.yellowhearth.core.supply;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

import org.yellowhearth.core.message.Coded;

/**
 * One value of a supply that can be moved: to try a fault, a tolerance, another part.
 *
 * @param element the name of its element in the circuit, of a rectifier the whole of it or one leg
 */
public record Knob(String element, Which which) {
    /** Stands for the mains among the elements. */
    public static final String MAINS = "mains";

    /** Which value. */
    public enum Which implements Coded {
        CAPACITANCE, SERIES_RESISTANCE, LEAKAGE_RESISTANCE, RESISTANCE, INDUCTANCE, WINDING_RESISTANCE, WINDING_VOLTS, DROP,
        /** What a rectifier or one of its legs conducts, against a whole one. */
        CONDUCTANCE,
        /** What a rail feeds, in Ω, A or W. */
        LOAD,
        /** What a valve draws, against a whole one. */
        EMISSION,
        /** What a regulator holds. */
        HELD_VOLTS, DROPOUT, OUTPUT_RESISTANCE, MAINS_VOLTS
    }

    /** Every value of a supply, in the order of its sections. */
    public static Map<Knob, Double> all(Supply supply) {
        Map<Knob, Double> all = new LinkedHashMap<>();
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

    /** The part of an element: a leg of a rectifier belongs to the rectifier, the resistors of a stage to the stage. */
    public static String whole(String element, Set<String> sections) {
        int dot = element.lastIndexOf('.');
        return dot > 0 && sections.contains(element.substring(0, dot)) ? element.substring(0, dot) : element;
    }
}
