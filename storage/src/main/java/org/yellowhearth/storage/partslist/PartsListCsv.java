package org.yellowhearth.storage.partslist;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.knowledge.words.Words;

/**
 * The census as a list for a spreadsheet, in words that {@link PartsListImport} reads again: UTF-8,
 * commas, decimal points, a mark of byte order for spreadsheets that guess. The job file is what
 * loses nothing; here each part is one line with its newest figures.
 */
public final class PartsListCsv {
  private static final MathContext SIX_DIGITS = new MathContext(6);
  private static final double MICRO = 1e-6;

  private final Job job;
  private final Vocabulary vocabulary;

  private PartsListCsv(Job job, Vocabulary vocabulary) {
    this.job = job;
    this.vocabulary = vocabulary;
  }

  /** The list of what was judged, in its order. */
  public static String write(
      Job job, List<Assessment> assessments, Vocabulary vocabulary, Words words) {
    PartsListCsv list = new PartsListCsv(job, vocabulary);
    StringBuilder text = new StringBuilder("\uFEFF");
    try (CSVPrinter out = new CSVPrinter(text, CSVFormat.DEFAULT)) {
      out.printRecord(
          "Reference",
          "Sort",
          "Marking",
          "Volts",
          "Tolerance",
          "Kind",
          "Role",
          "Polarity",
          "Sees (V)",
          "Date",
          "C read (µF)",
          "ESR (Ω)",
          "D",
          "At (Hz)",
          "Remark",
          "Verdict");
      for (Assessment a : assessments) {
        out.printRecord(
            list.cells(a.part(), words.word(a.verdict())).stream()
                .map(PartsListCsv::harmless)
                .toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException("a list in memory cannot fail to be written", e);
    }
    return text.toString();
  }

  private List<String> cells(Part part, String verdict) {
    Optional<Capacitor> c =
        Optional.of(part).filter(Capacitor.class::isInstance).map(Capacitor.class::cast);
    return List.of(
        part.ref().toString(),
        typed(vocabulary.sorts(), part.sort()),
        c.map(x -> number(x.farads(), MICRO) + " µF").orElse(part.marking()),
        c.map(x ->
                x.ratedVolts().isPresent()
                    ? plain(x.ratedVolts(), 1) + (x.ratedForMains() ? " VAC" : " V")
                    : "")
            .orElse(""),
        c.flatMap(Capacitor::tolerance).map(PartsListCsv::tolerance).orElse(""),
        c.filter(x -> !x.kind().equals(Capacitor.UNSTATED_KIND))
            .map(x -> typed(vocabulary.kinds(), x.kind()))
            .orElse(""),
        c.filter(x -> x.role() != Role.UNSTATED)
            .map(x -> typed(vocabulary.roles(), x.role()))
            .orElse(""),
        c.map(x -> typed(vocabulary.polarities(), x.polarity())).orElse(""),
        c.map(x -> plain(x.workingVolts(), 1)).orElse(""),
        part.dateCode(),
        newest(part, Figure.CAPACITANCE, MICRO),
        newest(part, Figure.ESR, 1),
        newest(part, Figure.DISSIPATION, 1),
        frequency(part),
        part.remark(),
        verdict);
  }

  /**
   * The plainest word that is read as this, the first; one that begins with a sign is no cell for a
   * spreadsheet.
   */
  private static <T> String typed(Map<String, T> words, T meaning) {
    return words.entrySet().stream()
        .filter(e -> Objects.equals(e.getValue(), meaning))
        .map(Map.Entry::getKey)
        .filter(w -> Character.isLetter(w.charAt(0)))
        .findFirst()
        .orElse("");
  }

  private static String tolerance(Tolerance t) {
    return -t.below() == t.above()
        ? "±" + number(t.above(), 0.01) + "%"
        : "-" + number(-t.below(), 0.01) + "+" + number(t.above(), 0.01) + "%";
  }

  private String newest(Part part, Figure figure, double unit) {
    return job.readingsOf(part.ref()).reversed().stream()
        .filter(r -> r.figures().has(figure))
        .findFirst()
        .map(r -> plain(r.figures().get(figure), unit))
        .orElse("");
  }

  private String frequency(Part part) {
    return job.readingsOf(part.ref()).reversed().stream()
        .filter(r -> r.figures().has(Figure.CAPACITANCE))
        .findFirst()
        .map(r -> plain(r.conditions().frequencyHertz(), 1))
        .orElse("");
  }

  private static String plain(OptionalDouble value, double unit) {
    return value.isPresent() ? number(value.getAsDouble(), unit) : "";
  }

  private static String number(double value, double unit) {
    return new BigDecimal(value / unit).round(SIX_DIGITS).stripTrailingZeros().toPlainString();
  }

  /** No cell that a spreadsheet would take for a formula. */
  private static String harmless(String cell) {
    boolean formula = !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0;
    return (formula ? "'" : "")
        + cell.codePoints()
            .filter(p -> p == '\n' || p >= ' ')
            .mapToObj(Character::toString)
            .collect(Collectors.joining());
  }
}
