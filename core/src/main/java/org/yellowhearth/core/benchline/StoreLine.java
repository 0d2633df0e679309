package org.yellowhearth.core.benchline;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.PartRef;

/**
 * Reads what holds charge, and what happened to it: {@code rail HT 340V C1 C2}, {@code volts HT
 * 0.4V}, {@code clip HT 1k}, {@code unclip HT}.
 */
final class StoreLine {
  private static final String RAIL = "rail";
  private static final Set<String> VERBS = Set.of("volts", "clip", "unclip", RAIL);
  private static final Set<String> FILLING = Set.of("in", "and", "with", "of");
  private static final Set<String> TUBE = Set.of("tube", "crt", "anode");
  private static final double MOST_VOLTS = 100_000;
  private static final double LEAST_OHMS = 0.1;
  private static final double MOST_OHMS = 1e10;

  private final Job job;
  private final String line;
  private final List<Named> stores = new ArrayList<>();

  private record Named(String id, String name) {}

  StoreLine(Job job, String line) {
    this.job = job;
    this.line = line;
    job.items(Rail.class).forEach(r -> stores.add(new Named(r.id(), r.name())));
    if (job.aspect(Build.class).pictureTube().isPresent()) {
      stores.add(new Named(Edit.PICTURE_TUBE, "tube"));
    }
  }

  static boolean begins(String line) {
    return Token.of(line).stream().findFirst().filter(t -> VERBS.contains(folded(t))).isPresent();
  }

  private static String folded(Token token) {
    return token.text().toLowerCase(Locale.ROOT);
  }

  BenchEntry read() {
    List<Token> words = Token.of(line);
    Token verb = words.getFirst();
    if (folded(verb).equals(RAIL)) {
      return rail(words);
    }
    if (stores.isEmpty()) {
      throw refused(BenchWords.NO_RAILS, verb);
    }
    Optional<Named> named = words.size() > 1 ? store(words.get(1)) : Optional.empty();
    int at = named.isPresent() ? 2 : 1;
    if (named.isEmpty() && stores.size() > 1) {
      throw refused(BenchWords.RAIL_EXPECTED, words.size() > 1 ? words.get(1) : verb, names());
    }
    Named store = named.orElse(stores.getFirst());
    return new BenchEntry.Happened(
        switch (folded(verb)) {
          case "volts" -> {
            boolean found = folded(words.getLast()).equals("found");
            yield new Edit.VoltsMeasured(
                store.id,
                volts(found ? words.subList(0, words.size() - 1) : words, at, verb),
                found);
          }
          case "clip" -> new Edit.ClipPut(store.id, ohms(words, at, verb));
          default -> {
            end(words, at);
            yield new Edit.ClipTaken(store.id);
          }
        },
        store.name);
  }

  /** {@code rail HT 340V C1 C2}: what holds charge; of one that is listed what is new. */
  private BenchEntry rail(List<Token> words) {
    if (words.size() < 3 || !words.get(1).text().matches("[\\p{L}\\p{N}+−-]{1,20}")) {
      throw refused(BenchWords.RAIL_LINE_EXPECTED, words.getLast());
    }
    String name = words.get(1).text();
    OptionalDouble volts = OptionalDouble.empty();
    OptionalDouble bleeder = OptionalDouble.empty();
    List<PartRef> parts = new ArrayList<>();
    boolean series = false;
    int at = 2;
    while (at < words.size()) {
      Token word = words.get(at);
      String said = folded(word).replaceAll("[,;+]$", "");
      Optional<PartRef> ref = PartRef.parse(said).filter(r -> job.part(r).isPresent());
      if (said.equals("series")) {
        series = true;
        at++;
      } else if (said.isEmpty() || FILLING.contains(said)) {
        at++;
      } else if (said.equals("bleeder") && at + 1 < words.size()) {
        bleeder = OptionalDouble.of(measure(words, at + 1, Dimension.RESISTANCE));
        at += 1 + FigureText.read(words, at + 1).orElseThrow().words();
      } else if (ref.isPresent()) {
        parts.add(ref.get());
        at++;
      } else if (volts.isEmpty()) {
        volts = OptionalDouble.of(measure(words, at, Dimension.VOLTAGE));
        at += FigureText.read(words, at).orElseThrow().words();
      } else {
        throw refused(BenchWords.RAIL_LINE_EXPECTED, word);
      }
    }
    BenchEntry.KeepRail rail =
        new BenchEntry.KeepRail(name, volts.orElse(0), parts, bleeder, series);
    if (volts.isEmpty() || (parts.isEmpty() && rail.listed(job).isEmpty())) {
      throw refused(BenchWords.RAIL_LINE_EXPECTED, words.getLast());
    }
    return rail;
  }

  /** A figure within what a rail may have. */
  private double measure(List<Token> words, int at, Dimension dimension) {
    FigureText figure =
        FigureText.read(words, at)
            .filter(f -> !f.isMilliOrMicro())
            .filter(f -> f.unit().isEmpty() || f.meaning().dimension() == dimension)
            .orElseThrow(() -> refused(BenchWords.RAIL_LINE_EXPECTED, words.get(at)));
    double value = figure.unit().isEmpty() ? figure.number() : figure.value();
    boolean volts = dimension == Dimension.VOLTAGE;
    if (!(Math.abs(value) >= LEAST_OHMS && Math.abs(value) <= (volts ? MOST_VOLTS : MOST_OHMS))) {
      throw refused(BenchWords.RAIL_LINE_EXPECTED, words.get(at));
    }
    return Math.abs(value);
  }

  private String names() {
    return String.join(", ", stores.stream().map(Named::name).toList());
  }

  private Optional<Named> store(Token token) {
    return stores.stream()
        .filter(s ->
            s.name.equalsIgnoreCase(token.text())
                || (s.id.equals(Edit.PICTURE_TUBE) && TUBE.contains(folded(token))))
        .findFirst();
  }

  private double volts(List<Token> words, int at, Token verb) {
    FigureText figure = figure(words, at, verb, BenchWords.VOLTS_EXPECTED);
    if (!figure.unit().isEmpty() && figure.meaning().dimension() != Dimension.VOLTAGE) {
      throw refused(BenchWords.VOLTS_EXPECTED, words.get(at));
    }
    double volts = figure.unit().isEmpty() ? figure.number() : figure.value();
    if (Math.abs(volts) > MOST_VOLTS) {
      throw refused(BenchWords.VOLTS_EXPECTED, words.get(at));
    }
    return volts;
  }

  private double ohms(List<Token> words, int at, Token verb) {
    FigureText figure = figure(words, at, verb, BenchWords.OHMS_EXPECTED);
    if (!figure.unit().isEmpty() && figure.meaning().dimension() != Dimension.RESISTANCE) {
      throw refused(BenchWords.OHMS_EXPECTED, words.get(at));
    }
    double ohms = figure.unit().isEmpty() ? figure.number() : figure.value();
    if (!(ohms >= LEAST_OHMS && ohms <= MOST_OHMS)) {
      throw refused(BenchWords.OHMS_EXPECTED, words.get(at));
    }
    return ohms;
  }

  private FigureText figure(List<Token> words, int at, Token verb, BenchWords expected) {
    if (at >= words.size()) {
      throw refused(expected, verb);
    }
    FigureText figure =
        FigureText.read(words, at)
            .orElseThrow(() ->
                at == 1
                    ? refused(BenchWords.RAIL_EXPECTED, words.get(at), names())
                    : refused(expected, words.get(at)));
    end(words, at + figure.words());
    return figure;
  }

  private void end(List<Token> words, int at) {
    if (words.size() > at) {
      throw refused(BenchWords.NOTHING_AFTER, words.get(at));
    }
  }

  private UnreadableException refused(MessageKey why, Token token, Object... more) {
    List<Object> gaps = new ArrayList<>(List.of(token.text()));
    gaps.addAll(List.of(more));
    return new UnreadableException(Message.of(why, gaps.toArray()), line, token.index());
  }
}
