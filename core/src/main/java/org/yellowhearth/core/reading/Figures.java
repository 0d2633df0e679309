package org.yellowhearth.core.reading;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.OptionalDouble;

/** The figures of one reading, in SI units; each is finite and above zero. */
public record Figures(Map<Figure, Double> values) {
    public Figures {
        EnumMap<Figure, Double> copy = new EnumMap<>(Figure.class);
        copy.putAll(values);
        copy.forEach((figure, value) -> {
            if (!(value > 0) || value.isInfinite()) {
                throw new IllegalArgumentException(figure + " must be a finite figure above zero, not " + value);
            }
        });
        values = Collections.unmodifiableMap(copy);
    }

    public static Figures of(Figure figure, double value) {
        return new Figures(Map.of(figure, value));
    }

    /** These figures and one more, which replaces its like. */
    public Figures with(Figure figure, double value) {
        Map<Figure, Double> more = new EnumMap<>(Figure.class);
        more.putAll(values);
        more.put(figure, value);
        return new Figures(more);
    }

    public OptionalDouble get(Figure figure) {
        Double value = values.get(figure);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    public boolean has(Figure figure) {
        return values.containsKey(figure);
    }

    /** The dissipation factor: as read, or one over the Q that was read. */
    public OptionalDouble dissipation() {
        OptionalDouble q = get(Figure.QUALITY);
        return has(Figure.DISSIPATION) || q.isEmpty() ? get(Figure.DISSIPATION) : OptionalDouble.of(1 / q.getAsDouble());
    }
}
