package org.yellowhearth.core.safety;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * Capacitors that stand one on another across a rail.
 *
 * @param parts from the rail down, at least two
 */
public record Stack(Rail rail, List<Capacitor> parts) {
  /** A rail so far above what each of its parts is rated for has them one on another. */
  private static final double BEYOND = 1.2;

  /** So much of the rail the ratings of a stack bear together at least. */
  private static final double BORNE = 0.85;

  /** Electrolytics are seldom made smaller than a fifth below their marking (common practice). */
  private static final double USUAL_BELOW = 0.2;

  public Stack {
    parts = List.copyOf(parts);
  }

  /**
   * The stack of a rail: as it was said, else where no part could bear the rail alone and all
   * together can.
   */
  public static Optional<Stack> of(Rail rail, Job job) {
    List<Capacitor> parts =
        rail.parts().stream().flatMap(ref -> job.capacitor(ref).stream()).toList();
    boolean rated = parts.stream().allMatch(c -> c.ratedVolts().isPresent());
    boolean alone = parts.stream().anyMatch(c -> rail.volts() <= BEYOND * c.ratedVolts().orElse(0));
    double together = parts.stream().mapToDouble(c -> c.ratedVolts().orElse(0)).sum();
    boolean stacked =
        parts.size() > 1
            && (rail.series() || (rated && !alone && together >= BORNE * rail.volts()));
    return stacked ? Optional.of(new Stack(rail, parts)) : Optional.empty();
  }

  /** The stack that a part stands in. */
  public static Optional<Stack> with(PartRef part, Job job) {
    return job.items(Rail.class).stream()
        .filter(r -> r.parts().contains(part))
        .flatMap(r -> of(r, job).stream())
        .findFirst();
  }

  /** The capacitance of all in series. */
  double farads(ToDoubleFunction<Capacitor> each) {
    return 1 / parts.stream().mapToDouble(c -> 1 / each.applyAsDouble(c)).sum();
  }

  /**
   * The most of the rail that one of them bears. Where a resistor lies across each, that divides
   * it, by what was measured of them or is marked; else the charge does: the least it may have
   * against the most of the others.
   */
  public double most(Capacitor part, Job job, Knowledge knowledge) {
    List<OptionalDouble> across = parts.stream().map(c -> across(c, job)).toList();
    if (across.stream().allMatch(OptionalDouble::isPresent)) {
      double all = across.stream().mapToDouble(OptionalDouble::getAsDouble).sum();
      return rail.volts() * across.get(parts.indexOf(part)).getAsDouble() / all;
    }
    double own = 1 / spread(part, knowledge, false);
    double others =
        parts.stream()
            .filter(c -> !c.equals(part))
            .mapToDouble(c -> 1 / spread(c, knowledge, true))
            .sum();
    return rail.volts() * own / (own + others);
  }

  private static double spread(Capacitor c, Knowledge knowledge, boolean high) {
    double usual = knowledge.kind(c.kind()).usualTolerance();
    double share =
        high
            ? 1 + c.tolerance().map(Tolerance::above).orElse(usual)
            : 1 + c.tolerance().map(Tolerance::below).orElse(-Math.min(usual, USUAL_BELOW));
    return c.farads() * share;
  }

  private static OptionalDouble across(Capacitor c, Job job) {
    for (Parallel p : job.items(Parallel.class)) {
      Optional<PartRef> other =
          p.part().equals(c.ref())
              ? Optional.of(p.with())
              : p.with().equals(c.ref()) ? Optional.of(p.part()) : Optional.empty();
      Optional<Part> beside = other.flatMap(job::part);
      if (beside.isPresent() && beside.get() instanceof Resistor r) {
        return OptionalDouble.of(ohms(r, job));
      }
    }
    return OptionalDouble.empty();
  }

  private static double ohms(Resistor r, Job job) {
    return job.readingsOf(r.ref()).reversed().stream()
        .filter(x -> x.conditions().connection().alone())
        .map(Reading::figures)
        .flatMapToDouble(f -> f.get(Figure.RESISTANCE).stream())
        .findFirst()
        .orElse(r.ohms());
  }
}
