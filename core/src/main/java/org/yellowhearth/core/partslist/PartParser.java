package org.yellowhearth.core.partslist;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.DateCode;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.MarkingWords;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;

/**
 * Reads what is printed on a part that is no capacitor and what is said of it: {@code 4k7 10% 1W
 * carbon bleeder}. Of parts that carry a type, words that are no figure of theirs are the type:
 * {@code 6V6GT}, {@code 1N4007}.
 */
final class PartParser {
  private static final Pattern GAIN = Pattern.compile("(\\d+)(?:-(\\d+))?");
  private static final Set<String> COUNTED =
      Set.of("plates", "plate", "contacts", "contact", "pins", "pin", "way", "ways");
  private static final Set<String> NOISE = Set.of("type", ",", "dc");

  private final Sort sort;
  private final Vocabulary vocabulary;
  private final Thousand thousand;
  private final Map<Dimension, Double> figures = new EnumMap<>(Dimension.class);
  private final List<Coded> constants = new ArrayList<>();
  private Optional<Tolerance> tolerance = Optional.empty();
  private OptionalInt count = OptionalInt.empty();
  private OptionalDouble leastGain = OptionalDouble.empty();
  private OptionalDouble mostGain = OptionalDouble.empty();
  private Optional<String> dateCode = Optional.empty();

  PartParser(Sort sort, Vocabulary vocabulary, Thousand thousand) {
    this.sort = sort;
    this.vocabulary = vocabulary;
    this.thousand = thousand;
  }

  /**
   * Reads all words.
   *
   * @throws UnreadableException at the first word that has no place in a part of its sort
   * @throws AmbiguousException where a figure has two honest meanings
   */
  StatedPart parse(List<Token> words) {
    int at = 0;
    while (at < words.size()) {
      at += one(words, at);
    }
    return new StatedPart(
        sort, figures, tolerance, constants, count, leastGain, mostGain, dateCode);
  }

  private int one(List<Token> line, int at) {
    Token token = line.get(at);
    String folded = token.text().toLowerCase(Locale.ROOT);
    if (NOISE.contains(folded)) {
      return 1;
    }
    if (folded.equals("dated")) {
      return 1 + date(line, at + 1, token);
    }
    if (folded.startsWith("hfe") && sort == Sort.TRANSISTOR) {
      return gain(line, at, token);
    }
    int named = name(line, at);
    if (named > 0) {
      return named;
    }
    Optional<Tolerance> read = takesTolerance() ? ToleranceText.read(token) : Optional.empty();
    if (read.isPresent()) {
      once(tolerance.isPresent(), PartsListWords.WHAT_TOLERANCE, token);
      tolerance = read;
      return 1;
    }
    if (at + 1 < line.size()
        && COUNTED.contains(line.get(at + 1).text().toLowerCase(Locale.ROOT))
        && folded.matches("\\d{1,3}")) {
      once(count.isPresent(), PartsListWords.WHAT_FIGURE, token);
      count = OptionalInt.of(Integer.parseInt(folded));
      return 2;
    }
    return figure(line, at);
  }

  private boolean takesTolerance() {
    return sort == Sort.RESISTOR || sort == Sort.POTENTIOMETER || sort == Sort.ZENER;
  }

  private Set<Dimension> dimensions() {
    return switch (sort) {
      case RESISTOR, POTENTIOMETER -> EnumSet.of(Dimension.RESISTANCE, Dimension.POWER);
      case RECTIFIER, VALVE, LAMP -> EnumSet.of(Dimension.VOLTAGE, Dimension.CURRENT);
      case ZENER -> EnumSet.of(Dimension.VOLTAGE, Dimension.POWER);
      case WINDING -> EnumSet.of(Dimension.RESISTANCE, Dimension.INDUCTANCE);
      case MOVEMENT -> EnumSet.of(Dimension.RESISTANCE, Dimension.CURRENT);
      case RELAY -> EnumSet.of(Dimension.RESISTANCE, Dimension.VOLTAGE);
      case FUSE -> EnumSet.of(Dimension.CURRENT);
      case BATTERY, INTEGRATED_CIRCUIT -> EnumSet.of(Dimension.VOLTAGE);
      case TRANSISTOR, CONNECTOR, CAPACITOR -> EnumSet.noneOf(Dimension.class);
    };
  }

  private int figure(List<Token> line, int at) {
    Token token = line.get(at);
    Optional<FigureText> read =
        FigureText.looksLikeFigure(token.text()) ? FigureText.read(line, at) : Optional.empty();
    Optional<UnitText> unit = read.flatMap(f -> UnitText.find(f.unit()));
    if (unit.isEmpty() || !dimensions().contains(unit.get().dimension())) {
      if (sort == Sort.RESISTOR || sort == Sort.POTENTIOMETER) {
        throw unreadable(PartsListWords.NOT_FOR_SORT, token, Message.term("Sort." + sort.code()));
      }
      return read.map(FigureText::words).orElse(1);
    }
    FigureText text = read.get();
    once(figures.containsKey(unit.get().dimension()), PartsListWords.WHAT_FIGURE, token);
    figures.put(unit.get().dimension(), text.unit().equals("M") ? meg(text) : text.positiveValue());
    return text.words();
  }

  /** Some pre-war drawings write M for a thousand; where that is open, it is asked. */
  private double meg(FigureText text) {
    return switch (thousand) {
      case MEGOHM -> text.positiveValue();
      case THOUSAND -> text.positiveValue() / 1000;
      case ASK ->
          throw new AmbiguousException(
              Message.of(PartsListWords.MEG_OR_THOUSAND, text.text()),
              List.of(choice(text, "k"), choice(text, "meg")));
    };
  }

  private static AmbiguousException.Choice choice(FigureText text, String unit) {
    String number = BigDecimal.valueOf(text.number()).stripTrailingZeros().toPlainString();
    return new AmbiguousException.Choice(
        Message.of(MarkingWords.CHOICE, number + unit), text.text(), number + unit);
  }

  private int gain(List<Token> line, int at, Token asked) {
    boolean glued = asked.text().length() > 3;
    String text =
        glued ? asked.text().substring(3) : at + 1 < line.size() ? line.get(at + 1).text() : "";
    Matcher m = GAIN.matcher(text);
    if (!m.matches()) {
      throw unreadable(PartsListWords.GAIN_EXPECTED, asked);
    }
    once(leastGain.isPresent(), PartsListWords.WHAT_FIGURE, asked);
    leastGain = OptionalDouble.of(Double.parseDouble(m.group(1)));
    if (m.group(2) != null) {
      mostGain = OptionalDouble.of(Double.parseDouble(m.group(2)));
    }
    return glued ? 1 : 2;
  }

  private int date(List<Token> line, int at, Token asked) {
    if (at >= line.size() || !DateCode.isOne(line.get(at).text())) {
      throw unreadable(PartsListWords.DATE_EXPECTED, at < line.size() ? line.get(at) : asked);
    }
    once(dateCode.isPresent(), PartsListWords.WHAT_DATE, asked);
    dateCode = Optional.of(line.get(at).text());
    return 1;
  }

  /** Takes the longest run of words that says how a part of this sort is made or what it does. */
  private int name(List<Token> line, int at) {
    for (int words = Math.min(Vocabulary.LONGEST_NAME, line.size() - at); words > 0; words--) {
      String name =
          String.join(" ", line.subList(at, at + words).stream().map(Token::text).toList())
              .toLowerCase(Locale.ROOT);
      Optional<Coded> found =
          vocabulary.constants().getOrDefault(name, List.of()).stream()
              .filter(c -> StatedPart.typesOf(sort).contains(c.getClass()))
              .findFirst();
      if (found.isPresent()) {
        once(
            constants.stream().anyMatch(c -> c.getClass() == found.get().getClass()),
            PartsListWords.WHAT_WORD,
            line.get(at));
        constants.add(found.get());
        return words;
      }
      if (vocabulary.sorts().get(name) == sort) {
        return words;
      }
    }
    return 0;
  }

  private static void once(boolean already, PartsListWords what, Token token) {
    if (already) {
      throw new UnreadableException(
          Message.of(PartsListWords.STATED_TWICE, token.text(), Message.of(what)),
          token.text(),
          token.index());
    }
  }

  private static UnreadableException unreadable(MessageKey why, Token token, Object... more) {
    List<Object> arguments = new ArrayList<>(List.of(token.text()));
    arguments.addAll(List.of(more));
    return new UnreadableException(
        Message.of(why, arguments.toArray()), token.text(), token.index());
  }
}
