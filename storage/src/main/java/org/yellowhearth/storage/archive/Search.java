package org.yellowhearth.storage.archive;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;

/**
 * What somebody looks for: every word must be there, in the thing itself or on the plate of its
 * set; words may be begun only. A figure with a unit means that value, give or take about one per
 * cent; one without means it too as microfarads, picofarads, ohms or volts.
 *
 * <p>Method: text is folded to words of small letters without accents; a value is one more word,
 * the number of the step of half a per cent that it lies on, so that an index of words finds it,
 * and a search asks for the steps around its own.
 */
public final class Search {
  private static final double STEP = 0.005;
  private static final double ALIKE = 0.01;
  private static final int SHIFT = 100_000;
  private static final double MICRO = 1e-6;
  private static final double PICO = 1e-12;
  private static final int MOST_WORDS = 12;

  /** An index takes no longer ones. */
  private static final int LONGEST_WORD = 200;

  /** What may stand in a word beside letters and figures. */
  private static final String KEPT = "./+%&#*=<>'!?@_$-";

  private final List<Wanted> wanted;

  /** One word of a search: as text, and as the steps of a value where it is a figure. */
  private record Wanted(String text, List<String> steps) {
    /** Whether its text may be the beginning of a word; a figure and its unit are whole. */
    boolean begun() {
      return text.indexOf(' ') < 0;
    }
  }

  private Search(List<Wanted> wanted) {
    this.wanted = wanted;
  }

  /** What was typed. */
  public static Search of(String typed) {
    List<Token> line = Token.of(typed.strip());
    List<Wanted> all = new ArrayList<>();
    for (int at = 0; at < line.size() && all.size() < MOST_WORDS; ) {
      Optional<FigureText> figure = figure(line, at);
      String text = folded(figure.map(FigureText::text).orElse(line.get(at).text()));
      if (!text.isEmpty()) {
        all.add(new Wanted(text, figure.map(Search::steps).orElse(List.of())));
      }
      at += figure.map(FigureText::words).orElse(1);
    }
    return new Search(all);
  }

  /** Whether nothing is looked for. */
  public boolean isEmpty() {
    return wanted.isEmpty();
  }

  /** Small letters without accents, one space between words. */
  static String folded(String text) {
    StringBuilder out = new StringBuilder();
    Normalizer.normalize(text, Normalizer.Form.NFKD)
        .toLowerCase(Locale.ROOT)
        .codePoints()
        .forEach(c -> {
          if (Character.isLetterOrDigit(c) || KEPT.indexOf(c) >= 0) {
            out.appendCodePoint(c);
          } else if (Character.getType(c) != Character.NON_SPACING_MARK) {
            out.append(' ');
          }
        });
    return Stream.of(out.toString().split(" "))
        .filter(w -> !w.isEmpty())
        .map(w -> w.length() > LONGEST_WORD ? w.substring(0, LONGEST_WORD) : w)
        .collect(Collectors.joining(" "));
  }

  /** The word that stands for a value. */
  static String step(Dimension dimension, double value) {
    return word(dimension, Math.log(value));
  }

  private static String word(Dimension dimension, double log) {
    return dimension.name().substring(0, 3).toLowerCase(Locale.ROOT)
        + "_"
        + (SHIFT + Math.round(log / STEP));
  }

  private static Optional<FigureText> figure(List<Token> line, int at) {
    try {
      return FigureText.read(line, at);
    } catch (UnreadableException | AmbiguousException _) {
      // No figure, or one with two meanings: it is looked for as it is written.
      return Optional.empty();
    }
  }

  private static List<String> steps(FigureText f) {
    Optional<UnitText> unit = f.unit().isEmpty() ? Optional.empty() : UnitText.find(f.unit());
    Map<Dimension, List<Double>> values =
        unit.isPresent()
            ? Map.of(unit.get().dimension(), List.of(f.number() * unit.get().factor()))
            : f.unit().isEmpty()
                ? Map.of(
                    Dimension.CAPACITANCE,
                    List.of(f.number() * MICRO, f.number() * PICO),
                    Dimension.RESISTANCE,
                    List.of(f.number()),
                    Dimension.VOLTAGE,
                    List.of(f.number()))
                : Map.of();
    return values.entrySet().stream()
        .flatMap(e -> e.getValue().stream().flatMap(v -> around(e.getKey(), v)))
        .distinct()
        .sorted()
        .toList();
  }

  private static Stream<String> around(Dimension dimension, double value) {
    if (!(value > 0) || !Double.isFinite(value)) {
      return Stream.empty();
    }
    long from = Math.round(Math.log(value * (1 - ALIKE)) / STEP);
    long to = Math.round(Math.log(value * (1 + ALIKE)) / STEP);
    return IntStream.rangeClosed((int) from, (int) to).mapToObj(k -> word(dimension, k * STEP));
  }

  /**
   * This as an expression of SQLite's full-text index, for things of one sort. What is found by the
   * plate of its set alone is not what was looked for, unless it is the set.
   */
  public String fts5(Hit.Where where) {
    String every =
        wanted.stream()
            .map(w -> "{own plate} : (" + fts5(w) + ")")
            .collect(Collectors.joining(" AND "));
    String some =
        where == Hit.Where.SET
            ? ""
            : " AND own : ("
                + wanted.stream().map(Search::fts5).collect(Collectors.joining(" OR "))
                + ")";
    return "place : " + quoted(where.code()) + " AND " + every + some;
  }

  private static String fts5(Wanted w) {
    return Stream.concat(
            Stream.of(quoted(w.text) + (w.begun() ? " *" : "")),
            w.steps.stream().map(Search::quoted))
        .collect(Collectors.joining(" OR "));
  }

  private static String quoted(String text) {
    return "\"" + text.replace("\"", "\"\"") + "\"";
  }

  /** This as a tsquery of PostgreSQL over words of thing and plate. */
  public String tsqueryOfAll() {
    return wanted.stream().map(w -> "(" + tsquery(w) + ")").collect(Collectors.joining(" & "));
  }

  /** The same over the words of the thing alone: one of them must be there. */
  public String tsqueryOfOwn() {
    return wanted.stream().map(Search::tsquery).collect(Collectors.joining(" | "));
  }

  private static String tsquery(Wanted w) {
    List<String> words = List.of(w.text.split(" "));
    String text =
        IntStream.range(0, words.size())
            .mapToObj(k -> lexeme(words.get(k)) + (w.begun() ? ":*" : ""))
            .collect(Collectors.joining(" & "));
    return Stream.concat(Stream.of("(" + text + ")"), w.steps.stream().map(Search::lexeme))
        .collect(Collectors.joining(" | "));
  }

  private static String lexeme(String word) {
    return "'" + word.replace("\\", "\\\\").replace("'", "''") + "'";
  }
}
