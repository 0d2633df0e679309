package org.yellowhearth.core.benchline;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;

/**
 * Reads what a meter shows at a point of the supply under power: {@code HT dc 262 ac 6.6 line 236
 * standby}, or at the mains: {@code mains watts 63}. A capacitor of the supply stands for the point
 * it lies at.
 */
final class SupplyLine {
  private static final Set<String> WORDS = Set.of("dc", "ac", "avg", "line", "meter", "watts");
  private static final Map<String, SupplyReading.State> STATES =
      Map.of(
          "standby",
          SupplyReading.State.STANDBY,
          "quiet",
          SupplyReading.State.NO_SIGNAL,
          "driven",
          SupplyReading.State.DRIVEN,
          "keyed",
          SupplyReading.State.KEYED);

  private final String line;
  private final List<Token> words;
  private final String point;

  private SupplyLine(String line, List<Token> words, String point) {
    this.line = line;
    this.words = words;
    this.point = point;
  }

  /** The line, where it begins with a point of the supply and goes on with what is read. */
  static Optional<SupplyLine> of(Job job, String line) {
    List<Token> words = Token.of(line);
    if (words.size() < 2 || !begins(words.get(1).text().toLowerCase(Locale.ROOT))) {
      return Optional.empty();
    }
    return Optional.ofNullable(points(job).get(words.getFirst().text().toLowerCase(Locale.ROOT)))
        .map(p -> new SupplyLine(line, words, p));
  }

  private static boolean begins(String word) {
    return WORDS.contains(word) || STATES.containsKey(word);
  }

  /** The points by what they may be called, in small letters. */
  private static Map<String, String> points(Job job) {
    Map<String, String> points = new LinkedHashMap<>();
    if (!job.items(SupplySection.class).isEmpty()) {
      points.put(SupplyMains.POINT, SupplyMains.POINT);
    }
    for (SupplySection s : job.items(SupplySection.class)) {
      List<String> named = new ArrayList<>(s.points());
      if (s instanceof SupplyStage v) {
        named.addAll(List.of(v.name() + ".a", v.name() + ".k", v.name() + ".g2"));
      }
      named.stream()
          .filter(p -> !p.equals(SupplySection.CHASSIS))
          .forEach(p -> points.putIfAbsent(p.toLowerCase(Locale.ROOT), p));
      if (s instanceof SupplyFilter f) {
        f.shunt().ifPresent(c -> points.putIfAbsent(c.toString().toLowerCase(Locale.ROOT), f.to()));
      }
    }
    return points;
  }

  BenchEntry read() {
    List<BenchEntry.ReadSupply.Shown> shown = new ArrayList<>();
    OptionalDouble mains = OptionalDouble.empty();
    OptionalDouble meter = OptionalDouble.empty();
    SupplyReading.State state = SupplyReading.State.UNSTATED;
    int at = 1;
    while (at < words.size()) {
      Token word = words.get(at);
      if (STATES.containsKey(word.text().toLowerCase(Locale.ROOT))) {
        state = STATES.get(word.text().toLowerCase(Locale.ROOT));
        at++;
        continue;
      }
      FigureText figure = figure(word, at + 1);
      double value = figure.unit().isEmpty() ? figure.number() : figure.value();
      switch (word.text().toLowerCase(Locale.ROOT)) {
        case "dc" -> shown.add(new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.DIRECT, value));
        case "ac" ->
            shown.add(
                new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.TRUE_RMS, within(value, word)));
        case "avg" ->
            shown.add(
                new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.AVERAGE, within(value, word)));
        case "watts" ->
            shown.add(
                new BenchEntry.ReadSupply.Shown(SupplyReading.Kind.WATTS, within(value, word)));
        case "line" -> mains = OptionalDouble.of(within(value, word));
        case "meter" -> meter = OptionalDouble.of(within(value, word));
        default -> throw refused(BenchWords.SUPPLY_EXPECTED, word);
      }
      at += 1 + figure.words();
    }
    if (shown.isEmpty()) {
      throw refused(BenchWords.SUPPLY_EXPECTED, words.getLast());
    }
    if (shown.stream()
        .anyMatch(s -> (s.kind() == SupplyReading.Kind.WATTS) != point.equals(SupplyMains.POINT))) {
      throw refused(BenchWords.WATTS_AT_MAINS, words.getFirst());
    }
    return new BenchEntry.ReadSupply(point, shown, mains, meter, state);
  }

  private double within(double value, Token word) {
    if (!(value >= 0 && value <= 1e12)) {
      throw refused(BenchWords.VOLTS_EXPECTED, word);
    }
    return value;
  }

  private FigureText figure(Token word, int at) {
    String said = word.text().toLowerCase(Locale.ROOT);
    if (!WORDS.contains(said)) {
      throw refused(BenchWords.SUPPLY_EXPECTED, word);
    }
    Set<Dimension> wanted =
        switch (said) {
          case "meter" -> Set.of(Dimension.RESISTANCE);
          case "watts" -> Set.of(Dimension.POWER);
          default -> Set.of(Dimension.VOLTAGE, Dimension.ALTERNATING_VOLTAGE);
        };
    BenchWords expected =
        switch (said) {
          case "meter" -> BenchWords.OHMS_EXPECTED;
          case "watts" -> BenchWords.WATTS_EXPECTED;
          default -> BenchWords.VOLTS_EXPECTED;
        };
    if (at >= words.size()) {
      throw refused(expected, word);
    }
    FigureText figure =
        FigureText.read(words, at).orElseThrow(() -> refused(expected, words.get(at)));
    if (!figure.unit().isEmpty() && !wanted.contains(figure.meaning().dimension())) {
      throw refused(expected, words.get(at));
    }
    return figure;
  }

  private UnreadableException refused(BenchWords why, Token token) {
    return new UnreadableException(Message.of(why, token.text()), line, token.index());
  }
}
