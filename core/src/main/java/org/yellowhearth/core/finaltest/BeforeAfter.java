package org.yellowhearth.core.finaltest;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;

/**
 * Every pair of before and after: rails, ripple and power as they were read, and parts as they were
 * and as they are.
 */
public record BeforeAfter(List<Pair> readings, List<Part> parts) {
  /**
   * One thing that was read before the work and after it.
   *
   * @param decibels of ripple, 20·log of the ratio; what hum is told in
   * @param changedBy what was done between, as far as the readings say
   */
  public record Pair(
      String point,
      SupplyReading.Kind kind,
      SupplyReading before,
      SupplyReading after,
      OptionalDouble decibels,
      String changedBy) {}

  /**
   * A part that was exchanged.
   *
   * @param read what the old one read last
   * @param fitted what is there now
   */
  public record Part(PartRef ref, Optional<Reading> read, String fitted) {}

  public BeforeAfter {
    readings = List.copyOf(readings);
    parts = List.copyOf(parts);
  }

  /** The pairs of a job. */
  public static BeforeAfter of(Job job) {
    Optional<Instant> work = VoltageChart.workBegan(job);
    Map<List<Object>, List<SupplyReading>> by = new LinkedHashMap<>();
    job.items(SupplyReading.class).stream()
        .filter(r -> r.bridged().isEmpty())
        .sorted(Comparator.comparing(SupplyReading::at))
        .forEach(r ->
            by.computeIfAbsent(List.of(r.point(), r.kind(), r.state()), _ -> new ArrayList<>())
                .add(r));
    List<Pair> pairs = new ArrayList<>();
    by.values()
        .forEach(all -> {
          Optional<SupplyReading> before =
              all.stream().filter(r -> !VoltageChart.after(r, work)).findFirst();
          Optional<SupplyReading> after =
              all.stream().filter(r -> VoltageChart.after(r, work)).reduce((_, last) -> last);
          if (before.isPresent() && after.isPresent()) {
            pairs.add(pair(before.get(), after.get()));
          }
        });
    List<Part> parts =
        job.items(Fitting.class).stream()
            .filter(Fitting::fitted)
            .map(f ->
                new Part(
                    f.part(),
                    job.readingsOf(f.part()).stream().reduce((_, last) -> last),
                    job.of(f.part(), Choice.class).stream()
                        .map(c -> c.text(Choice.Taken::title))
                        .findFirst()
                        .orElse("")))
            .toList();
    return new BeforeAfter(pairs, parts);
  }

  private static Pair pair(SupplyReading before, SupplyReading after) {
    boolean ripple = before.kind().alternating() && before.volts() > 0 && after.volts() > 0;
    return new Pair(
        before.point(),
        before.kind(),
        before,
        after,
        ripple
            ? OptionalDouble.of(20 * Math.log10(after.volts() / before.volts()))
            : OptionalDouble.empty(),
        after.after());
  }
}
