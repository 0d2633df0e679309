package org.yellowhearth.core.reading;

import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * What the meter showed, in SI units.
 *
 * @param values the figures; of repeated ones the median
 * @param bounds the figures that left the range of the meter
 * @param qualifiers what it showed beside figures
 * @param repeats the single values of figures that were read several times, as read
 */
public record Figures(
    Map<Figure, Double> values,
    Map<Figure, Bound> bounds,
    Set<Qualifier> qualifiers,
    Map<Figure, List<Double>> repeats) {
  /** Nothing shown. */
  public static final Figures NONE = new Figures(Map.of());

  public Figures {
    values = copy(values);
    bounds = copy(bounds);
    repeats = copy(repeats);
    qualifiers =
        qualifiers.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(qualifiers));
    values.forEach(Figures::require);
    repeats.forEach((figure, all) -> all.forEach(v -> require(figure, v)));
  }

  /** Plain figures. */
  public Figures(Map<Figure, Double> values) {
    this(values, Map.of(), Set.of(), Map.of());
  }

  private static <T> Map<Figure, T> copy(Map<Figure, T> map) {
    EnumMap<Figure, T> copy = new EnumMap<>(Figure.class);
    copy.putAll(map);
    return Collections.unmodifiableMap(copy);
  }

  private static void require(Figure figure, double value) {
    if (!figure.mayBe(value)) {
      throw new IllegalArgumentException("no meter shows a " + figure.code() + " of " + value);
    }
  }

  public static Figures of(Figure figure, double value) {
    return new Figures(Map.of(figure, value));
  }

  /** These without one. */
  Figures without(Figure figure) {
    Map<Figure, Double> left = new EnumMap<>(Figure.class);
    left.putAll(values);
    left.remove(figure);
    return new Figures(left, bounds, qualifiers, repeats);
  }

  /** These figures and one more, which replaces its like. */
  public Figures with(Figure figure, double value) {
    Map<Figure, Double> more = new EnumMap<>(Figure.class);
    more.putAll(values);
    more.put(figure, value);
    return new Figures(more, bounds, qualifiers, repeats);
  }

  /** These figures and one that left the range. */
  public Figures with(Figure figure, Bound bound) {
    Map<Figure, Bound> more = new EnumMap<>(Figure.class);
    more.putAll(bounds);
    more.put(figure, bound);
    return new Figures(values, more, qualifiers, repeats);
  }

  /** These figures and something shown beside them. */
  public Figures with(Qualifier qualifier) {
    Set<Qualifier> more = EnumSet.of(qualifier);
    more.addAll(qualifiers);
    return new Figures(values, bounds, more, repeats);
  }

  /** These figures and one read several times, whose median counts. */
  public Figures withRepeats(Figure figure, List<Double> all) {
    Map<Figure, List<Double>> more = new EnumMap<>(Figure.class);
    more.putAll(repeats);
    more.put(figure, List.copyOf(all));
    return new Figures(values, bounds, qualifiers, more).with(figure, Repeats.of(all).median());
  }

  public OptionalDouble get(Figure figure) {
    Double value = values.get(figure);
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  public boolean has(Figure figure) {
    return values.containsKey(figure);
  }

  /** Whether the figure was shown or left the range. */
  public boolean tells(Figure figure) {
    return values.containsKey(figure) || bounds.containsKey(figure);
  }

  /** Whether nothing was shown at all. */
  public boolean isEmpty() {
    return values.isEmpty() && bounds.isEmpty() && qualifiers.isEmpty();
  }

  /** The dissipation factor: as read, or one over the Q that was read. */
  public OptionalDouble dissipation() {
    OptionalDouble q = get(Figure.QUALITY);
    return has(Figure.DISSIPATION) || q.isEmpty()
        ? get(Figure.DISSIPATION)
        : OptionalDouble.of(1 / q.getAsDouble());
  }
}
