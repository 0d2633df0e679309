package org.yellowhearth.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.yellowhearth.core.circuit.StoppedException;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.supply.Knob;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.ToleranceRuns;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * What clipped meters show while the variable transformer is turned up, step by step, through a series lamp or without one, everything warm as
 * far as it gets at each step.
 *
 * <p>
 * Lamp and heaters are found together: what the lamp takes the heaters miss, and what they miss the valves do not draw. The band of a meter
 * is three and a half standard deviations of what sets within their tolerances show, wider by what five per cent of heater voltage either way
 * make of it (where a cathode has just begun to emit that is most of it), and by the meter. Heaters are taken at their working resistance.
 */
public record Ramp(List<Rung> rungs) {
    /** Pauses that tell something: a third, three quarters, full (common practice), with two more before the valves draw. */
    public static final List<Double> USUAL = List.of(0.15, 0.33, 0.5, 0.75, 1.0);
    static final double METER = 0.03;
    static final double DIRECT_FLOOR = 0.1;
    static final double ALTERNATING_FLOOR = 0.02;
    private static final double HEATER_UNSURE = 0.05;
    /** So many standard deviations of sets within their tolerances are no reason to stop. */
    private static final double WIDE = 3.5;
    private static final int MOST = 25;
    private static final double NEAR = 1e-5;
    private static final long SEED = 20_261_129;

    /** How far cathodes have come at a step. */
    public enum Warm implements Coded {
        COLD, WARMING, CONDUCTING;

        static Warm at(double emission) {
            return emission < 0.02 ? COLD : emission < 0.7 ? WARMING : CONDUCTING;
        }
    }

    /**
     * A meter that is clipped on before the set gets power.
     *
     * @param point against the chassis
     * @param alternating whether it stands on alternating volts, true RMS without the direct part
     */
    public record Clip(String point, boolean alternating) {
        /** What reaches the set behind the lamp; where there is a lamp this tells most. */
        public static final Clip BEHIND_LAMP = new Clip("mains.l", true);

        double of(Waveforms w) {
            return alternating ? w.voltage(point).rippleRms() : w.voltage(point).mean();
        }
    }

    /**
     * How a ramp is run.
     *
     * @param lamp in series with the whole set, where there is one
     * @param valves whether the valves that the supply feeds are in; its rectifiers always are
     * @param clips where meters are clipped
     * @param shares of the nominal mains, rising
     */
    public record Setup(Optional<Lamp> lamp, boolean valves, List<Clip> clips, List<Double> shares) {
        public Setup {
            clips = List.copyOf(clips);
            shares = List.copyOf(shares);
            if (shares.isEmpty() || shares.stream().anyMatch(s -> !(s > 0 && s <= 1.2))) {
                throw new IllegalArgumentException("a ramp has steps above nothing, up to a fifth more than the mains");
            }
        }
    }

    /**
     * One step.
     *
     * @param share of the nominal mains at the transformer
     * @param heaters share of their voltage that the heaters get
     * @param glow what the lamp turns to heat, against its rating; nothing where there is none
     * @param watts that the set takes
     * @param supply as it stands at this step, for what comes after
     */
    public record Rung(double share, double mainsVolts, double heaters, Warm warm, double glow, double watts, List<Meter> meters,
            Supply supply) {
        public Rung {
            meters = List.copyOf(meters);
        }

        /** The heater line of so many volts at full mains. */
        public double heaterVolts(double nominal) {
            return nominal * heaters;
        }

        /** What a meter should show. */
        public Optional<Meter> meter(Clip clip) {
            return meters.stream().filter(m -> m.clip().equals(clip)).findFirst();
        }
    }

    /** What a meter should show: as drawn, and from where to where is no reason to stop. */
    public record Meter(Clip clip, double volts, double low, double high) {
        /** Whether a reading is no reason to stop. */
        public boolean holds(double read) {
            return read >= low && read <= high;
        }
    }

    public Ramp {
        rungs = List.copyOf(rungs);
    }

    /**
     * Plans a ramp.
     *
     * @param spread the standard tolerance of each value, as a fraction
     * @param runs how many sets within their tolerances are tried at each step
     * @throws org.yellowhearth.core.circuit.BadCircuitException where the supply cannot be
     * @throws org.yellowhearth.core.circuit.NoSolutionException where it has no steady state
     * @throws StoppedException where the watcher did not want to go on
     */
    public static Ramp of(Supply supply, Setup setup, Map<Knob, Double> spread, int runs, Watcher watcher) {
        List<Rung> rungs = new ArrayList<>();
        int count = setup.shares().size();
        for (int k = 0; k < count; k++) {
            int at = k;
            rungs.add(rung(supply, setup, setup.shares().get(k), spread, runs, s -> watcher.goOn((at + s) / count)));
            if (!watcher.goOn((k + 1.0) / count)) {
                throw new StoppedException();
            }
        }
        return new Ramp(rungs);
    }

    private static Rung rung(Supply supply, Setup setup, double share, Map<Knob, Double> spread, int runs, Watcher watcher) {
        At found = at(supply, setup, share);
        Waveforms now = found.settled.waves();
        double glow = setup.lamp().map(l -> found.lampWatts / l.watts()).orElse(0.0);
        Waveforms less = Settled.of(standing(supply, setup, share, found.heaters * (1 - HEATER_UNSURE))).waves();
        Waveforms more = Settled.of(standing(supply, setup, share, found.heaters * (1 + HEATER_UNSURE))).waves();
        List<String> points = setup.clips().stream().map(Clip::point).distinct().toList();
        ToleranceRuns tolerance = ToleranceRuns.of(found.settled.supply(), points, spread, runs, SEED, watcher);
        List<Meter> meters = setup.clips().stream().map(c -> {
            ToleranceRuns.Rail rail = tolerance.rails().get(points.indexOf(c.point()));
            return meter(c, c.of(now), List.of(c.of(less), c.of(more)), c.alternating() ? rail.rippleRms() : rail.dcVolts());
        }).toList();
        return new Rung(share, share * supply.mains().nominalVolts(), found.heaters, Warm.at(TurnedUp.emission(found.heaters)),
                glow,
                found.settled.mainsWatts() - found.lampWatts, meters, found.settled.supply());
    }

    private static Meter meter(Clip clip, double volts, List<Double> otherwise, List<Double> made) {
        double mean = made.stream().mapToDouble(v -> v).average().orElse(volts);
        double spread = Math.sqrt(made.stream().mapToDouble(v -> (v - mean) * (v - mean)).average().orElse(0));
        double cooler = otherwise.stream().mapToDouble(v -> v - volts).min().orElse(0);
        double warmer = otherwise.stream().mapToDouble(v -> v - volts).max().orElse(0);
        double unsure = WIDE * spread + (clip.alternating() ? ALTERNATING_FLOOR : DIRECT_FLOOR) + METER * Math.abs(volts);
        return new Meter(clip, volts, Math.min(mean, volts) + Math.min(0, cooler) - unsure,
                Math.max(mean, volts) + Math.max(0, warmer) + unsure);
    }

    /** A supply at a step, its heaters and its lamp in agreement. */
    private record At(double heaters, double lampWatts, Settled settled) {
    }

    /**
     * Lamp and heaters: what the heaters get falls as they are taken to get more, since warmer valves draw more and the lamp takes what is
     * drawn; so there is one place where both agree, and false position (Illinois; textbook) finds it.
     */
    private static At at(Supply supply, Setup setup, double share) {
        if (setup.lamp().isEmpty()) {
            return new At(share, 0, Settled.of(standing(supply, setup, share, share)));
        }
        double low = 0;
        double above = tried(supply, setup, share, low).heaters;
        double high = share;
        At now = tried(supply, setup, share, high);
        double below = now.heaters - high;
        for (int k = 0; k < MOST && Math.abs(below) > NEAR; k++) {
            double between = (low * below - high * above) / (below - above);
            At next = tried(supply, setup, share, between);
            double gap = next.heaters - between;
            if (gap * below < 0) {
                low = high;
                above = below;
            } else {
                above /= 2;
            }
            high = between;
            below = gap;
            now = next;
        }
        return now;
    }

    /** What the heaters get where they are taken to get so much. */
    private static At tried(Supply supply, Setup setup, double share, double heaters) {
        Settled settled = Settled.of(standing(supply, setup, share, heaters));
        double nominal = supply.mains().nominalVolts();
        Waveforms w = settled.waves();
        double amperes = w.current(Supply.LAMP).rms();
        double lampOhms = settled.supply().primary().lamp().orElseThrow().ohms();
        return new At(w.voltage("mains.l").rms() / nominal, amperes * amperes * lampOhms, settled);
    }

    private static Supply standing(Supply supply, Setup setup, double share, double heaters) {
        Supply at = TurnedUp.at(supply, share, heaters, setup.valves());
        return setup.lamp().map(at::behind).orElse(at);
    }
}
