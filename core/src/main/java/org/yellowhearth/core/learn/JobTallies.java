package org.yellowhearth.core.learn;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Warmth;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.ReformRun;

/**
 * What one job teaches, as counts that add up with those of others. Only what was measured counts;
 * bad is what a reading or a look found bad, not what a school throws out.
 */
public final class JobTallies {
  /** Width of a class of capacitance kept: five hundredths of the marking. */
  public static final double CLASS = 0.05;

  /** Classes of dissipation in every tenfold. */
  public static final int PER_DECADE = 10;

  /** Readings of more than this many times the marking are of something else. */
  private static final double MOST_KEPT = 5;

  private static final double WARM = 5;
  private static final double HOT = 15;
  private static final int BAND = 20;
  private static final int OLDEST_BAND = 80;

  private final Map<Topic, Map<String, long[]>> counts = new EnumMap<>(Topic.class);

  /** How warm a place is. */
  public enum Heat implements Coded {
    UNSTATED,
    COOL,
    WARM,
    HOT
  }

  private JobTallies() {}

  /** The counts of a job with its verdicts. */
  public static List<Tally> of(
      Job job, List<Assessment> assessments, Knowledge knowledge, LocalDate today) {
    JobTallies all = new JobTallies();
    for (Assessment a : assessments) {
      if (a.measured()) {
        all.measured(job, a, knowledge, today);
      }
    }
    all.reformed(job, assessments, today);
    WorkDone.of(job).forEach((work, time) -> all.add(Topic.MINUTES, minutes(time), 1, work.code()));
    return all.tallies();
  }

  private static long minutes(Duration time) {
    return Math.max(1, Math.round(time.toSeconds() / 60.0));
  }

  private void measured(Job job, Assessment a, Knowledge knowledge, LocalDate today) {
    Part part = a.part();
    List<Reading> readings = job.readingsOf(part.ref());
    LocalDate read =
        readings.stream()
            .map(r -> r.at().atZone(ZoneOffset.UTC).toLocalDate())
            .min(LocalDate::compareTo)
            .orElse(today);
    String group = group(part, knowledge);
    long bad = a.foundBad() ? 1 : 0;
    add(Topic.GROUP, 1, bad, group);
    add(Topic.AGE, 1, bad, group, band(Ages.years(job, part, read)));
    add(Topic.HEAT, 1, bad, group, heat(job, part).code());
    if (part instanceof Capacitor c) {
      add(Topic.KIND, 1, bad, c.kind());
      add(Topic.ROLE, 1, bad, group, c.role().code());
      first(readings, Figure.CAPACITANCE).stream()
          .filter(f -> f < MOST_KEPT * c.farads())
          .forEach(f ->
              add(
                  Topic.KEPT,
                  1,
                  0,
                  c.kind(),
                  Integer.toString((int) Math.floor(f / c.farads() / CLASS + 1e-9))));
      first(readings, Figure.DISSIPATION).stream()
          .filter(d -> d > 0)
          .forEach(d ->
              add(
                  Topic.DISSIPATION,
                  1,
                  0,
                  c.kind(),
                  Integer.toString((int) Math.floor(PER_DECADE * Math.log10(d) + 1e-9))));
    }
  }

  private static OptionalDouble first(List<Reading> readings, Figure figure) {
    return readings.stream()
        .map(
            r -> figure == Figure.DISSIPATION ? r.figures().dissipation() : r.figures().get(figure))
        .filter(OptionalDouble::isPresent)
        .findFirst()
        .orElse(OptionalDouble.empty());
  }

  /** The code of the family of a capacitor, or of the sort of any other part. */
  public static String group(Part part, Knowledge knowledge) {
    return part instanceof Capacitor c
        ? knowledge.kind(c.kind()).family().code()
        : part.sort().code();
  }

  /** Twenty years each, by the years at their beginning; a hyphen while the age is unknown. */
  static String band(OptionalDouble years) {
    if (years.isEmpty()) {
      return "-";
    }
    int band = (int) (years.getAsDouble() / BAND);
    return Integer.toString(Math.min(OLDEST_BAND, Math.max(0, band * BAND)));
  }

  private static Heat heat(Job job, Part part) {
    Optional<Place> place = job.of(part.ref(), Place.class).stream().findFirst();
    boolean stated =
        place.isPresent()
            && (place.get().valveMetres().isPresent()
                || place.get().transformerMetres().isPresent()
                || place.get().resistorMetres().isPresent()
                || !place.get().near().isEmpty());
    double kelvin = place.map(Warmth::kelvin).orElse(0.0);
    return !stated
        ? Heat.UNSTATED
        : kelvin > HOT ? Heat.HOT : kelvin >= WARM ? Heat.WARM : Heat.COOL;
  }

  private void reformed(Job job, List<Assessment> assessments, LocalDate today) {
    for (ReformPlan plan : job.items(ReformPlan.class)) {
      Optional<Assessment> assessment =
          assessments.stream().filter(a -> a.part().ref().equals(plan.part())).findFirst();
      Optional<Ending.Upshot> upshot =
          Ending.of(
                  ReformRun.of(plan, job.events()),
                  job,
                  assessment,
                  today.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant())
              .map(Ending::upshot);
      if (upshot.isPresent() && upshot.get() != Ending.Upshot.OPEN) {
        long good = upshot.get() == Ending.Upshot.GOOD ? 1 : 0;
        job.capacitor(plan.part())
            .ifPresent(c -> {
              add(Topic.REFORMED, 1, good, c.kind());
              add(Topic.REFORMED_AGE, 1, good, band(Ages.years(job, c, today)));
            });
      }
    }
  }

  private void add(Topic topic, long seen, long hits, String... codes) {
    long[] count =
        counts
            .computeIfAbsent(topic, _ -> new TreeMap<>())
            .computeIfAbsent(String.join(Tally.BETWEEN, codes), _ -> new long[2]);
    count[0] += seen;
    count[1] += hits;
  }

  private List<Tally> tallies() {
    List<Tally> all = new ArrayList<>();
    counts.forEach(
        (topic, keys) -> keys.forEach((key, n) -> all.add(new Tally(topic, key, n[0], n[1]))));
    return all;
  }
}
