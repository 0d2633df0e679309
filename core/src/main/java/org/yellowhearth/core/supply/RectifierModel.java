package org.yellowhearth.core.supply;

import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.supply.Knob.Which;

/**
 * How a rectifier conducts. The figures are those of a class, not of a type: two parts of one type differ by more than two neighbouring
 * classes do (common practice).
 */
public sealed interface RectifierModel permits RectifierModel.Vacuum, RectifierModel.Junction {
    /** One rectifying path of it in a circuit. */
    Device between(String name, String anode, String cathode);

    /** This with every value as a tuner wants it, in a section of this id. */
    RectifierModel tuned(String id, Tuner tuner);

    /**
     * A vacuum diode.
     *
     * @param perveance in A/V^1.5, of one anode
     */
    record Vacuum(double perveance) implements RectifierModel {
        @Override
        public Device between(String name, String anode, String cathode) {
            return new Device.VacuumDiode(name, anode, cathode, perveance);
        }

        @Override
        public Vacuum tuned(String id, Tuner t) {
            return new Vacuum(t.at(new Knob(id, Which.PERVEANCE), perveance));
        }
    }

    /**
     * A junction, or a stack of them.
     *
     * @param saturationAmperes in A
     * @param emission n of all junctions in series
     * @param seriesOhms in Ω
     * @param offsetVolts arc drop of a gas-filled rectifier in V
     */
    record Junction(double saturationAmperes, double emission, double seriesOhms, double offsetVolts) implements RectifierModel {
        @Override
        public Device between(String name, String anode, String cathode) {
            return new Device.Junction(name, anode, cathode, saturationAmperes, emission, seriesOhms, offsetVolts);
        }

        @Override
        public Junction tuned(String id, Tuner t) {
            return new Junction(t.at(new Knob(id, Which.SATURATION_CURRENT), saturationAmperes),
                    t.at(new Knob(id, Which.EMISSION_COEFFICIENT), emission),
                    t.at(new Knob(id, Which.JUNCTION_RESISTANCE), seriesOhms),
                    t.at(new Knob(id, Which.ARC_DROP), offsetVolts));
        }
    }

    /** A vacuum diode that drops a voltage at a current, as data sheets state it. */
    static Vacuum vacuum(double volts, double amperes) {
        return new Vacuum(amperes / Math.pow(volts, 1.5));
    }

    /** A silicon rectifier of an ampere or so: 0.75 V at 0.1 A, 0.93 V at 1 A (common practice). */
    static Junction silicon() {
        return new Junction(1e-8, 1.8, 0.05, 0);
    }

    /** A germanium rectifier: 0.3 V at 0.1 A (common practice). */
    static Junction germanium() {
        return new Junction(3e-6, 1.1, 0.15, 0);
    }

    /**
     * A selenium stack: about 0.6 V for a plate at a tenth of an ampere when new; its series resistance grows with age, to about three
     * times in thirty years (common practice, wide scatter).
     */
    static Junction selenium(int plates, double ageYears) {
        double ageing = 1 + 2 * Math.min(Math.max(ageYears, 0), 60) / 30;
        return new Junction(2e-5, 1.8 * plates, 1.8 * ageing * plates, 0);
    }

    /** A copper oxide stack: about 0.35 V for a plate at a tenth of its rating, 0.6 V at the rating (common practice). */
    static Junction copperOxide(int plates) {
        return new Junction(1e-4, 1.5 * plates, 2.5 * plates, 0);
    }

    /** A gas-filled rectifier, whose drop hardly moves with its current. */
    static Junction gas(double arcVolts) {
        return new Junction(1e-9, 4, 3, Math.max(0, arcVolts - 2));
    }
}
