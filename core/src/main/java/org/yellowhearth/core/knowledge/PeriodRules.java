package org.yellowhearth.core.knowledge;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.message.Coded;

/**
 * What was done in which years and where: values that were made, colours, wire and sleeving, units.
 */
public record PeriodRules(List<Values> values, List<Custom> customs) {
  public PeriodRules {
    values = List.copyOf(values);
    customs = List.copyOf(customs);
  }

  /**
   * Values that parts of some families were made in before preferred numbers, in F.
   *
   * @param to the last year in which they were usual
   */
  public record Values(Set<Family> families, int to, List<Double> farads, String source) {
    public Values {
      families = Set.copyOf(families);
      farads = List.copyOf(farads);
    }
  }

  /** What a custom is about. */
  public enum Subject implements Coded {
    WIRE,
    SLEEVING,
    COLOURS,
    UNITS,
    SOLDER,
    HARDWARE
  }

  /**
   * Something that was usual.
   *
   * @param id names its words
   * @param region where; empty for everywhere
   */
  public record Custom(String id, Subject subject, int from, int to, String region, String source) {
    /** Whether it was usual in a year. */
    public boolean usualIn(int year) {
      return year >= from && year <= to;
    }
  }

  /**
   * The value that a part of a family would have been made in, in a year; none where preferred
   * numbers were in use.
   */
  public Optional<Double> value(Family family, int year, double farads) {
    return values.stream()
        .filter(v -> v.families.contains(family) && year <= v.to)
        .findFirst()
        .flatMap(v ->
            v.farads.stream().min(Comparator.comparingDouble(f -> Math.abs(Math.log(f / farads)))));
  }
}
