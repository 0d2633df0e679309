package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.supply.Supply;

/**
 * Everything a meter can show at the points of a supply. Figures are compared on a scale that is even near nothing and logarithmic
 * above, so that 2 % of 300 V and 2 % of 30 mV weigh the same.
 */
final class Probes {
    /** What is lost in the last digit of a meter, in volts. */
    static final double DIRECT_FLOOR = 0.02;
    static final double ALTERNATING_FLOOR = 0.003;

    private final List<Probe> probes = new ArrayList<>();
    private final List<List<SupplyBridge.Clipped>> setups;

    /**
     * What is measured at a point.
     *
     * @param setup which of the setups of bridges it is measured in
     */
    record Probe(String point, Kind kind, int setup) {
        double floor() {
            return kind.alternating() ? ALTERNATING_FLOOR : DIRECT_FLOOR;
        }

        /** A figure on the scale of comparison. */
        double scaled(double volts) {
            return asinh(volts / (2 * floor()));
        }

        /** A figure back in volts. */
        double volts(double scaled) {
            return 2 * floor() * Math.sinh(scaled);
        }

        /** How uncertain a figure is on that scale. */
        double noise(double volts, double relative) {
            return Math.hypot(relative * volts, floor()) / Math.hypot(volts, 2 * floor());
        }

        private static double asinh(double x) {
            return Math.signum(x) * Math.log(Math.abs(x) + Math.hypot(x, 1));
        }
    }

    /**
     * All points, each in every setup.
     *
     * @param setups what is clipped across what; the first is the set as it is
     */
    Probes(List<String> points, List<List<SupplyBridge.Clipped>> setups) {
        this.setups = List.copyOf(setups);
        for (int setup = 0; setup < setups.size(); setup++) {
            for (String p : points) {
                for (Kind k : List.of(Kind.values())) {
                    probes.add(new Probe(p, k, setup));
                }
            }
        }
    }

    Probe at(int index) {
        return probes.get(index);
    }

    int indexOf(Diagnosis.Datum datum) {
        int at = probes.indexOf(new Probe(datum.point(), datum.kind(), datum.setup()));
        if (at < 0) {
            throw new IllegalArgumentException("“" + datum.point() + "” is no point of this supply");
        }
        return at;
    }

    /** What all of them show, on the scale of comparison; nothing for a supply that cannot be worked out. */
    Optional<double[]> of(Supply supply) {
        try {
            double[] shown = new double[probes.size()];
            int of = probes.size() / setups.size();
            for (int setup = 0; setup < setups.size(); setup++) {
                Waveforms waves = SteadyState.of(Bridge.across(supply, setups.get(setup)).circuit());
                for (int k = setup * of; k < (setup + 1) * of; k += 3) {
                    Wave v = waves.voltage(probes.get(k).point());
                    shown[k] = probes.get(k).scaled(v.mean());
                    shown[k + 1] = probes.get(k + 1).scaled(v.rippleRms());
                    shown[k + 2] = probes.get(k + 2).scaled(v.rippleAverageResponding());
                }
            }
            return Optional.of(shown);
        } catch (BadCircuitException | NoSolutionException _) {
            return Optional.empty();
        }
    }
}
