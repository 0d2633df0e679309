package org.yellowhearth.core.wake;

import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.supply.Knob;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Setup;

/** What the readings of a step most likely mean: the model and the method of Trace, with the set as it stands at that step. */
public final class RampCause {
    private static final double METER = 0.02;

    private RampCause() {
    }

    /**
     * The likeliest single faults, the likeliest first; nothing where nothing was read.
     *
     * @param spread the standard tolerance of each value, as a fraction
     * @param odds of each part being bad before anything was read
     */
    public static List<Diagnosis.Explanation> of(Ramp.Rung rung, Map<Ramp.Clip, Double> read, Map<Knob, Double> spread,
            Map<String, Double> odds, Watcher watcher) {
        List<Diagnosis.Datum> data = rung.meters().stream().filter(m -> read.containsKey(m.clip()))
                .map(m -> Diagnosis.Datum.of(m.clip().point(),
                        m.clip().alternating() ? SupplyReading.Kind.TRUE_RMS : SupplyReading.Kind.DIRECT, read.get(m.clip()),
                        METER))
                .toList();
        List<String> points = rung.meters().stream().map(m -> m.clip().point()).distinct().toList();
        Optional<Diagnosis> d = data.isEmpty()
                ? Optional.empty()
                : Diagnosis.of(new Diagnosis.Question(rung.supply(), points, data, spread, odds, List.of(Setup.PLAIN)), watcher);
        return d.map(Diagnosis::singles).orElse(List.of());
    }
}
