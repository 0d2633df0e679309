package org.yellowhearth.instruments.bench;

import java.util.List;
import java.util.Optional;

import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * A set on the variable transformer: a full-wave valve supply with a choke, worked out by the supply engine as it settles at the
 * mains it has. Its heaters follow the mains with their own time; while the rectifier is cold, nothing conducts.
 */
final class SimulatedSet {
    /** The points that the three channels of the multimeter are clipped to. */
    static final List<String> POINTS = List.of("b", "c", "s");
    private static final double NOMINAL = 230;
    private static final double HERTZ = 50;
    private static final double HEATER_SECONDS = 9;
    private static final double LEAST_WARMTH = 0.25;
    private static final double LEAST_VOLTS = 2;
    private static final double HEATER_WATTS = 22;

    private double mainsVolts;
    private Optional<Lamp> lamp = Optional.empty();
    /** How warm the heaters are: 1 at the nominal voltage. */
    private double warmth;
    private double at;
    private Optional<Settled> settled = Optional.empty();
    private double settledWarmth = -1;

    private static Supply supply(double volts, Optional<Lamp> lamp, double warmth) {
        Section.Cap first = new Section.Cap("C1", 14e-6, 2, 4e5);
        Section.Cap second = new Section.Cap("C2", 28e-6, 1.5, 6e5);
        Section.Cap screen = new Section.Cap("C3", 7e-6, 3, 1e6);
        return new Supply(new Supply.Mains(NOMINAL, volts, HERTZ), new Primary(9, HEATER_WATTS, lamp),
                List.of(new Section.Winding("w", 285, 140, true),
                        Section.Rectify.of("V1", "w", Section.Scheme.FULL_WAVE,
                                new RectifierModel.Vacuum(0.125 / Math.pow(20, 1.5) * warmth), "b"),
                        Section.Filter.at("f1", "b", first),
                        Section.Filter.through("f2", "b", Section.Way.Choke.of("L1", 9, 320), "c", second),
                        Section.Filter.through("f3", "c", new Section.Way.Resistor("R1", 22_000), "s", screen),
                        new Section.Load("set", "c", Section.Load.Kind.RESISTANCE, 5200 / Math.max(0.2, warmth)),
                        new Section.Load("screen", "s", Section.Load.Kind.RESISTANCE, 68_000 / Math.max(0.2, warmth))));
    }

    /** Lets time pass over the heaters, and puts other mains on. */
    synchronized void until(double now, double volts, Optional<Lamp> series) {
        double share = mainsVolts / NOMINAL;
        double wanted = Math.clamp((share - 0.35) / 0.65, 0, 1.3);
        warmth = wanted + (warmth - wanted) * Math.exp(-Math.max(0, now - at) / HEATER_SECONDS);
        at = Math.max(at, now);
        if (volts != mainsVolts || !series.equals(lamp) || Math.abs(warmth - settledWarmth) > 0.01) {
            mainsVolts = volts;
            lamp = series;
            settledWarmth = warmth;
            settled = Optional.empty();
        }
    }

    private boolean conducting() {
        return warmth > LEAST_WARMTH && mainsVolts > LEAST_VOLTS;
    }

    private Settled settled() {
        if (settled.isEmpty()) {
            settled = Optional.of(Settled.of(supply(mainsVolts, lamp, warmth)));
        }
        return settled.get();
    }

    /** Direct voltage and RMS ripple of a point (V). */
    synchronized double[] at(String point) {
        if (!conducting()) {
            return new double[]{0, 0};
        }
        Wave wave = settled().waves().voltage(point);
        double rms = wave.rms();
        double mean = wave.mean();
        return new double[]{mean, Math.sqrt(Math.max(0, rms * rms - mean * mean))};
    }

    /** Watts from the mains. */
    synchronized double watts() {
        double share = mainsVolts / NOMINAL;
        return conducting() ? settled().mainsWatts() : HEATER_WATTS * Math.pow(share, 1.55);
    }
}
