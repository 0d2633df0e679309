package org.yellowhearth.core.belief;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.supply.Parameter.Which;

/**
 * What a part is taken to be: of a capacitor its capacitance, series and leakage resistance, of a
 * resistor, potentiometer or winding its resistance. The newest reading out of circuit counts
 * first, then what its kind and age make likely, then its marking.
 *
 * @param values none for what nothing is known of
 * @param states how likely each is; they add up to one, or none is weighed
 */
public record Belief(Part part, Map<Which, Believed> values, Map<State, Double> states) {
  /** How roughly a reading in place tells what it tells, as a natural logarithm. */
  private static final double IN_PLACE_SPREAD = 0.3;

  public Belief {
    values = Map.copyOf(values);
    states = Map.copyOf(states);
  }

  /** How likely it is in a state; nothing where that was not weighed. */
  public double chance(State state) {
    return states.getOrDefault(state, 0.0);
  }

  /** The likeliest state; sound where nothing was weighed. */
  public State likeliest() {
    return Stream.of(State.values())
        .max(Comparator.comparingDouble(this::chance).thenComparing(Comparator.reverseOrder()))
        .orElseThrow();
  }

  /** This with the chances of its states. */
  public Belief with(Map<State, Double> weighed) {
    return new Belief(part, values, weighed);
  }

  /** This with the odds that it has failed so many times what they were. */
  public Belief failing(double times) {
    double all =
        states.entrySet().stream()
            .mapToDouble(e -> e.getKey() == State.SOUND ? e.getValue() : e.getValue() * times)
            .sum();
    if (times == 1 || states.isEmpty()) {
      return this;
    }
    Map<State, Double> weighed = new EnumMap<>(State.class);
    states.forEach((s, w) -> weighed.put(s, w * (s == State.SOUND ? 1 : times) / all));
    return with(weighed);
  }

  /** This with another value. */
  public Belief with(Which which, Believed value) {
    Map<Which, Believed> more = new EnumMap<>(Which.class);
    more.putAll(values);
    more.put(which, value);
    return new Belief(part, more, states);
  }

  /** Whether a value was measured. */
  public boolean measured(Which which) {
    return of(which).filter(b -> b.origin() == Origin.MEASURED).isPresent();
  }

  /** A value that every belief of this sort of part has. */
  public double value(Which which) {
    return of(which).orElseThrow().value();
  }

  /** One value; none where nothing is known of it. */
  public Optional<Believed> of(Which which) {
    return Optional.ofNullable(values.get(which));
  }

  /** A part as its marking says, sound. */
  public static Belief asMarked(Part part, Knowledge knowledge) {
    Map<Which, Believed> values = new EnumMap<>(Which.class);
    if (part instanceof Capacitor c) {
      AgeingRule rule = rule(c, knowledge);
      values.put(Which.CAPACITANCE, Believed.of(c.farads(), Origin.MARKED));
      values.put(Which.SERIES_RESISTANCE, Believed.of(rule.esrOhms(c.farads()), Origin.ASSUMED));
      values.put(Which.LEAKAGE_RESISTANCE, Believed.of(rule.leakOhms(c.farads()), Origin.ASSUMED));
    } else {
      marked(part)
          .ifPresent(ohms -> values.put(Which.RESISTANCE, Believed.of(ohms, Origin.MARKED)));
    }
    return new Belief(part, values, Map.of());
  }

  /**
   * A part as its readings, or its kind and age, show it; what it was found to be beside that is
   * not weighed.
   *
   * @param years its age; 0 where that is not known, and then nothing is guessed
   */
  public static Belief now(Job job, Part part, Knowledge knowledge, double years) {
    return now(job.readingsOf(part.ref()), part, knowledge, years);
  }

  /** The same by other readings, oldest first. */
  public static Belief now(List<Reading> readings, Part part, Knowledge knowledge, double years) {
    List<Reading> alone =
        readings.reversed().stream().filter(r -> r.conditions().connection().alone()).toList();
    Map<Which, Believed> values = new EnumMap<>(Which.class);
    values.putAll(asMarked(part, knowledge).values);
    if (part instanceof Capacitor c) {
      Optional<Reading> read = newest(alone, r -> derived(r).seriesFarads());
      if (read.isEmpty() && years > 0) {
        AgeingRule rule = rule(c, knowledge);
        values.put(
            Which.CAPACITANCE,
            Believed.of(c.farads() * rule.capacitanceLeft(years), Origin.GUESSED));
        values.put(
            Which.SERIES_RESISTANCE,
            Believed.of(rule.esrOhms(c.farads()) * rule.esrGrowth(years), Origin.GUESSED));
        values.put(
            Which.LEAKAGE_RESISTANCE,
            Believed.of(rule.leakLeft(years, c.farads()), Origin.GUESSED));
      }
      read.ifPresent(r -> put(values, Which.CAPACITANCE, derived(r).seriesFarads(), r));
      newest(alone, r -> derived(r).esrOhms())
          .ifPresentOrElse(
              r -> put(values, Which.SERIES_RESISTANCE, derived(r).esrOhms(), r),
              () -> inPlace(values, readings));
      newest(alone, Belief::leakOhms)
          .ifPresent(r -> put(values, Which.LEAKAGE_RESISTANCE, leakOhms(r), r));
    } else {
      newest(alone, r -> r.figures().get(Figure.RESISTANCE))
          .ifPresent(r -> put(values, Which.RESISTANCE, r.figures().get(Figure.RESISTANCE), r));
    }
    return new Belief(part, values, Map.of());
  }

  private static Derived derived(Reading r) {
    return Derived.of(r.figures(), r.conditions());
  }

  /** In place a series resistance can only look better than it is: a high one is believed. */
  private static void inPlace(Map<Which, Believed> values, List<Reading> readings) {
    newest(readings.reversed(), r -> derived(r).esrOhms())
        .filter(
            r -> derived(r).esrOhms().getAsDouble() > values.get(Which.SERIES_RESISTANCE).value())
        .ifPresent(r ->
            values.put(
                Which.SERIES_RESISTANCE,
                new Believed(
                    derived(r).esrOhms().getAsDouble(),
                    IN_PLACE_SPREAD,
                    Origin.MEASURED,
                    Optional.of(r))));
  }

  private static void put(
      Map<Which, Believed> values, Which which, OptionalDouble value, Reading from) {
    value.ifPresent(v -> values.put(which, Believed.measured(v, from)));
  }

  private static Optional<Reading> newest(
      List<Reading> newestFirst, Function<Reading, OptionalDouble> telling) {
    return newestFirst.stream().filter(r -> telling.apply(r).isPresent()).findFirst();
  }

  /** Leakage as a resistance, from a current at a stated voltage or from insulation. */
  private static OptionalDouble leakOhms(Reading r) {
    if (r.figures().has(Figure.LEAKAGE) && r.conditions().testVolts().isPresent()) {
      return OptionalDouble.of(
          r.conditions().testVolts().getAsDouble() / r.figures().get(Figure.LEAKAGE).getAsDouble());
    }
    return r.figures().has(Figure.INSULATION)
        ? r.figures().get(Figure.INSULATION)
        : OptionalDouble.empty();
  }

  private static AgeingRule rule(Capacitor c, Knowledge knowledge) {
    return knowledge.supply().ageing(knowledge.kind(c.kind()).family());
  }

  private static OptionalDouble marked(Part part) {
    return switch (part) {
      case Resistor r -> OptionalDouble.of(r.ohms());
      case Potentiometer p -> OptionalDouble.of(p.ohms());
      case Winding w -> w.ohms();
      default -> OptionalDouble.empty();
    };
  }
}
