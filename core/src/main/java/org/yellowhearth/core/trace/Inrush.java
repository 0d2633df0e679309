package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.supply.Supply;

/**
 * Switching on with every capacitor empty, the rectifiers hot and the valves they feed still cold: the worst that rectifiers and
 * capacitors see. A rectifier that warms up slowly surges less.
 *
 * @param rectifier the rectifying device that surges most
 * @param peakAmperes its first surge at the worst moment of the mains
 * @param worstPhaseDegrees that moment
 */
public record Inrush(String rectifier, double peakAmperes, double worstPhaseDegrees, List<Rail> rails) {
    private static final double SECONDS = 1.5;
    private static final double NINE_TENTHS = 0.9;

    public Inrush {
        rails = List.copyOf(rails);
    }

    /**
     * A point.
     *
     * @param highestVolts the greatest magnitude it comes to while the valves are cold
     * @param secondsToNineTenths until it first comes to nine tenths of that; none where it does not in the time that is followed
     */
    public record Rail(String name, double highestVolts, OptionalDouble secondsToNineTenths) {
    }

    /** The inrush of a supply; none where it has no rectifier. */
    public static Optional<Inrush> of(Supply supply, List<String> points, Transient.Watcher watcher) {
        Circuit circuit = supply.circuit();
        List<Device> rectifiers = circuit.elements().stream()
                .filter(e -> e instanceof Device.Junction || e instanceof Device.VacuumDiode)
                .map(Device.class::cast).toList();
        if (rectifiers.isEmpty()) {
            return Optional.empty();
        }
        Transient cold = Transient.of(circuit);
        Warmth valvesCold = (d, _) -> d instanceof Device.Triode || d instanceof Device.Pentode ? 0 : 1;
        String most = rectifiers.getFirst().name();
        double phase = cold.worstPhase(Probe.current(most), valvesCold);
        List<Probe> probes = new ArrayList<>();
        rectifiers.forEach(d -> probes.add(Probe.current(d.name())));
        points.forEach(p -> probes.add(Probe.voltage(p)));
        List<Course> courses = cold.coldStart(phase, SECONDS, valvesCold, probes, watcher);
        double peak = 0;
        for (int k = 0; k < rectifiers.size(); k++) {
            if (courses.get(k).greatest() > peak) {
                peak = courses.get(k).greatest();
                most = rectifiers.get(k).name();
            }
        }
        List<Rail> rails = new ArrayList<>();
        for (int k = 0; k < points.size(); k++) {
            Course c = courses.get(rectifiers.size() + k);
            boolean positive = c.greatest() >= -c.lowest();
            double highest = positive ? c.greatest() : -c.lowest();
            double seconds = positive ? c.reaches(NINE_TENTHS * highest) : c.fallsTo(-NINE_TENTHS * highest);
            rails.add(new Rail(points.get(k), highest,
                    Double.isInfinite(seconds) ? OptionalDouble.empty() : OptionalDouble.of(seconds)));
        }
        return Optional.of(new Inrush(most, peak, Math.toDegrees(phase), rails));
    }
}
