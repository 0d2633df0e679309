package org.yellowhearth.core.trace;

import java.util.Set;

import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/**
 * A supply on a variable transformer, everything warm as far as it gets there.
 *
 * <p>
 * The temperature of a filament follows its voltage with the power 0.4 (its heat is radiated with the fourth power of its temperature, and
 * its resistance grows with it: V²/T ∝ T⁴), and what it emits follows Richardson's law as in {@link WarmUp}; heaters are taken to hang on the
 * same transformer. Currents stated in amperes or watts are shares of the emission too.
 */
public final class TurnedUp {
    private static final double WARMTH_OF_VOLTS = 0.4;
    /** A cold diode still lets through what its insulation does. */
    private static final double LEAST = 1e-6;

    private TurnedUp() {
    }

    /** What a cathode emits at a share of its heater voltage, 0 to 1 of what is drawn of it. */
    public static double emission(double share) {
        return share > 0 ? WarmUp.emission(Math.pow(share, WARMTH_OF_VOLTS)) : 0;
    }

    /** Whether a section rectifies with a valve. */
    public static boolean vacuum(Section s) {
        return switch (s) {
            case Section.Rectify r -> r.model() instanceof RectifierModel.Vacuum;
            case Section.Doubler d -> d.model() instanceof RectifierModel.Vacuum;
            default -> false;
        };
    }

    /**
     * A supply at a setting of the transformer.
     *
     * @param share of the nominal mains at the plug
     * @param heaters share of their voltage that the heaters get
     * @param valves whether the valves it feeds are in; its rectifiers always are
     */
    public static Supply at(Supply supply, double share, double heaters, boolean valves) {
        double emits = Math.max(LEAST, emission(heaters));
        double drawn = valves ? emits : LEAST;
        Set<String> rectifiers = Set.copyOf(supply.sections().stream().filter(TurnedUp::vacuum).map(Section::id).toList());
        return supply.tuned((knob, now) -> switch (knob.which()) {
            case MAINS_VOLTS -> share * supply.mains().nominalVolts();
            case CONDUCTANCE -> rectifiers.contains(knob.element()) ? now * emits : now;
            case EMISSION -> now * drawn;
            case LOAD -> supply.loadInOhms(knob.element()) ? now / drawn : now * drawn;
            default -> now;
        });
    }
}
