package org.yellowhearth.desk.parts;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.workshop.OpenJob;

/**
 * One line of a parts table: the part, its verdict, and the newest figure of each sort in words.
 */
public record PartRow(
    Assessment assessment, String capacitance, String esr, String dissipation, String other) {
  private static final String NONE = "—";

  /** What has columns of its own for a capacitor. */
  private static final Set<Figure> COLUMNS =
      EnumSet.of(Figure.CAPACITANCE, Figure.ESR, Figure.DISSIPATION, Figure.QUALITY);

  /** The rows for some assessments of a job, in their order. */
  public static List<PartRow> of(
      OpenJob open, List<Assessment> shown, Knowledge knowledge, Words words) {
    return shown.stream()
        .map(a ->
            of(
                a,
                open.job().readingsOf(a.part().ref()).reversed(),
                a.part() instanceof Capacitor c && knowledge.kind(c.kind()).lossyByNature(),
                words))
        .toList();
  }

  private static PartRow of(Assessment a, List<Reading> newestFirst, boolean lossy, Words words) {
    Optional<Derived> derived =
        newestFirst.stream()
            .map(r -> Derived.of(r.figures(), r.conditions()))
            .filter(d -> d.esrOhms().isPresent() || d.dissipation().isPresent())
            .findFirst();
    return new PartRow(
        a,
        newest(newestFirst, Figure.CAPACITANCE).orElse(NONE),
        newest(newestFirst, Figure.ESR)
            .or(() -> derived.filter(_ -> lossy).flatMap(d -> words(d.esrOhms(), Figure.ESR)))
            .orElse(NONE),
        derived.flatMap(d -> words(d.dissipation(), Figure.DISSIPATION)).orElse(NONE),
        other(newestFirst, words));
  }

  /** The newest figure that has no column of its own, or what was shown instead of one. */
  private static String other(List<Reading> newestFirst, Words words) {
    for (Reading r : newestFirst) {
      Optional<String> figure =
          r.figures().values().entrySet().stream()
              .filter(e -> !COLUMNS.contains(e.getKey()))
              .map(e -> e.getKey().quantity(e.getValue()).toString())
              .findFirst();
      Optional<String> shown =
          figure
              .or(() ->
                  r.figures().bounds().values().stream().map(b -> words.word(b.side())).findFirst())
              .or(() -> r.figures().qualifiers().stream().map(words::word).findFirst());
      if (shown.isPresent()) {
        return shown.get();
      }
    }
    return NONE;
  }

  private static Optional<String> words(OptionalDouble value, Figure figure) {
    return value.stream().mapToObj(v -> figure.quantity(v).toString()).findFirst();
  }

  private static Optional<String> newest(List<Reading> newestFirst, Figure figure) {
    return newestFirst.stream()
        .filter(r -> r.figures().has(figure))
        .findFirst()
        .flatMap(r -> words(r.figures().get(figure), figure));
  }

  /** The part. */
  public Part part() {
    return assessment.part();
  }
}
