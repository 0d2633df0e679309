package org.yellowhearth.core.partslist;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
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
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Tolerance;

/**
 * Reads what is printed on a capacitor and what is said of it: {@code 8 MFD 450 V electrolytic
 * smoothing sees 310 V}. Any order; each thing once.
 */
public final class MarkingParser {
  /** Tolerance letters of IEC 60062 for capacitors of 10 pF and more, from memory. */
  private static final Map<Character, Tolerance> TOLERANCE_LETTERS =
      Map.of(
          'F',
          Tolerance.plusMinus(0.01),
          'G',
          Tolerance.plusMinus(0.02),
          'J',
          Tolerance.plusMinus(0.05),
          'K',
          Tolerance.plusMinus(0.1),
          'M',
          Tolerance.plusMinus(0.2),
          'N',
          Tolerance.plusMinus(0.3),
          'Q',
          new Tolerance(-0.1, 0.3),
          'T',
          new Tolerance(-0.1, 0.5),
          'S',
          new Tolerance(-0.2, 0.5),
          'Z',
          new Tolerance(-0.2, 0.8));

  private static final Pattern CODE =
      Pattern.compile("([0-3][A-HJKV])?([1-9]\\d)(\\d)([FGJKMNQTSZ])([0-3][A-HJKV])?");

  /**
   * The letter of a voltage code is a figure, its digit the power of ten before it: 1H is 50 V, 2A
   * 100 V (from memory).
   */
  private static final Map<Character, Double> VOLTAGE_LETTERS =
      Map.ofEntries(
          Map.entry('A', 1.0),
          Map.entry('B', 1.25),
          Map.entry('C', 1.6),
          Map.entry('D', 2.0),
          Map.entry('E', 2.5),
          Map.entry('F', 3.15),
          Map.entry('V', 3.5),
          Map.entry('G', 4.0),
          Map.entry('H', 5.0),
          Map.entry('J', 6.3),
          Map.entry('K', 8.0));

  private static final Pattern LETTER_FOR_POINT = Pattern.compile("(\\d*)[Rr](\\d+)");
  private static final Pattern BARE_CODE = Pattern.compile("[1-9]\\d[0-7]");
  private static final Pattern SECTIONS =
      Pattern.compile("\\d+(?:[.,]\\d+)?(?:\\+\\d+(?:[.,]\\d+)?)+.*");
  private static final Set<String> NOISE =
      Set.of(
          "dc",
          "d.c.",
          "wkg",
          "wkg.",
          "working",
          "w",
          "vw",
          "volts",
          "capacitor",
          "condenser",
          "cap",
          "cap.",
          ",");
  private static final Set<String> SURGE = Set.of("surge", "peak", "pk");
  private static final double LARGEST_FARADS = 10;
  private static final double MICRO = 1e-6;
  private static final double LARGEST_VOLTS = 100_000;

  private final Vocabulary vocabulary;
  private Stated stated = Stated.NOTHING;

  private MarkingParser(Vocabulary vocabulary) {
    this.vocabulary = vocabulary;
  }

  /**
   * Reads all words of a marking.
   *
   * @throws UnreadableException at the first word that is no part of a marking
   * @throws AmbiguousException where a figure has two honest meanings
   */
  public static Stated parse(List<Token> words, Vocabulary vocabulary) {
    MarkingParser parser = new MarkingParser(vocabulary);
    int at = 0;
    while (at < words.size()) {
      at += parser.one(words, at);
    }
    return parser.stated;
  }

  private int one(List<Token> line, int at) {
    Token token = line.get(at);
    String folded = token.text().toLowerCase(Locale.ROOT);
    if (folded.equals("sees")) {
      return 1 + workingVoltage(line, at + 1, token);
    }
    if (folded.equals("dated")) {
      return 1 + date(line, at + 1, token);
    }
    if (NOISE.contains(folded) || SURGE.contains(folded)) {
      return 1;
    }
    if (folded.equals("ac") || folded.equals("a.c.")) {
      stated = stated.withRatedVolts(stated.ratedVolts(), true);
      return 1;
    }
    int named = name(line, at);
    if (named > 0) {
      return named;
    }
    if (tolerance(token) || code(token)) {
      return 1;
    }
    return figure(line, at);
  }

  private boolean tolerance(Token token) {
    Optional<Tolerance> read = ToleranceText.read(token);
    read.ifPresent(t -> {
      once(stated.tolerance().isPresent(), PartsListWords.WHAT_TOLERANCE, token);
      stated = stated.withTolerance(t);
    });
    return read.isPresent();
  }

  /**
   * Two figures, a power of ten in picofarads and a tolerance letter: {@code 104K} is 0.1 µF ±10 %;
   * perhaps a voltage code.
   */
  private boolean code(Token token) {
    Matcher m = CODE.matcher(token.text());
    if (!m.matches()) {
      return false;
    }
    int power = m.group(3).charAt(0) - '0';
    // Eight and nine are not tens but fractions: 0.01 and 0.1.
    capacitance(
        Double.parseDouble(m.group(2) + "e" + (power >= 8 ? power - 10 : power)) * 1e-12, token);
    once(stated.tolerance().isPresent(), PartsListWords.WHAT_TOLERANCE, token);
    stated = stated.withTolerance(TOLERANCE_LETTERS.get(m.group(4).charAt(0)));
    String volts = m.group(1) != null ? m.group(1) : m.group(5);
    if (volts != null) {
      once(stated.ratedVolts().isPresent(), PartsListWords.WHAT_VOLTAGE, token);
      double figure = VOLTAGE_LETTERS.get(volts.charAt(1)) * Math.pow(10, volts.charAt(0) - '0');
      stated = stated.withRatedVolts(OptionalDouble.of(figure), stated.ratedForMains());
    }
    return true;
  }

  private int figure(List<Token> line, int at) {
    Token token = line.get(at);
    if (SECTIONS.matcher(token.text()).matches()) {
      throw unreadable(PartsListWords.SECTIONS, token);
    }
    if (LETTER_FOR_POINT.matcher(token.text()).matches()) {
      throw microOrPico(token);
    }
    FigureText text =
        FigureText.read(line, at).orElseThrow(() -> unreadable(PartsListWords.UNKNOWN_WORD, token));
    if (text.unit().isEmpty() && BARE_CODE.matcher(text.text()).matches()) {
      throw codeOrPico(text);
    }
    if (text.unit().isEmpty() && text.text().startsWith(".") && text.number() > 0) {
      // Printed with its point first it is in microfarads: .05 (common practice).
      capacitance(MICRO * text.number(), new Token(text.text(), text.index()));
      return text.words();
    }
    switch (text.meaning().dimension()) {
      case CAPACITANCE -> capacitance(text.positiveValue(), new Token(text.text(), text.index()));
      case VOLTAGE -> voltage(line, at, text, false);
      case ALTERNATING_VOLTAGE -> voltage(line, at, text, true);
      case RESISTANCE,
          INDUCTANCE,
          CONDUCTANCE,
          POWER,
          CURRENT,
          FREQUENCY,
          PERCENT,
          MINUTES,
          CELSIUS ->
          throw unreadable(
              PartsListWords.NOT_PART_OF_A_MARKING, new Token(text.text(), text.index()));
    }
    return text.words();
  }

  /** Three figures alone may be the code in picofarads or plain picofarads. */
  private static AmbiguousException codeOrPico(FigureText text) {
    String digits = text.text();
    long pico =
        Long.parseLong(digits.substring(0, 2)) * Math.round(Math.pow(10, digits.charAt(2) - '0'));
    return new AmbiguousException(
        Message.of(PartsListWords.CODE_OR_PICO, digits, pico + " pF"),
        List.of(choice(digits, pico + "p"), choice(digits, digits + "p")));
  }

  /** {@code R47} on a film part is 0.47 µF, on a small ceramic 0.47 pF. */
  private static AmbiguousException microOrPico(Token token) {
    String figure =
        token.text().toLowerCase(Locale.ROOT).replaceFirst("^r", "0r").replace('r', '.');
    return new AmbiguousException(
        Message.of(PartsListWords.MICRO_OR_PICO, token.text()),
        List.of(choice(token.text(), figure + "u"), choice(token.text(), figure + "p")));
  }

  private static AmbiguousException.Choice choice(String text, String written) {
    return new AmbiguousException.Choice(Message.of(MarkingWords.CHOICE, written), text, written);
  }

  private void capacitance(double farads, Token token) {
    once(stated.farads().isPresent(), PartsListWords.WHAT_CAPACITANCE, token);
    if (farads > LARGEST_FARADS) {
      throw unreadable(PartsListWords.FARADS_RANGE, token);
    }
    stated = stated.withFarads(farads);
  }

  /** A voltage that the word surge or peak goes with is not the rating. */
  private void voltage(List<Token> line, int at, FigureText text, boolean mains) {
    double volts = volts(text);
    int after = at + text.words();
    boolean surgeAfter = isSurge(line, after) && !isVoltage(line, after + 1);
    if (isSurge(line, at - 1) || surgeAfter) {
      return;
    }
    once(
        stated.ratedVolts().isPresent(),
        PartsListWords.WHAT_VOLTAGE,
        new Token(text.text(), text.index()));
    stated = stated.withRatedVolts(OptionalDouble.of(volts), mains || stated.ratedForMains());
  }

  private static boolean isVoltage(List<Token> line, int at) {
    return at < line.size()
        && FigureText.read(line, at)
            .flatMap(f -> UnitText.find(f.unit()))
            .filter(u -> u.dimension() == Dimension.VOLTAGE)
            .isPresent();
  }

  private static boolean isSurge(List<Token> line, int at) {
    return at >= 0
        && at < line.size()
        && SURGE.contains(line.get(at).text().toLowerCase(Locale.ROOT));
  }

  private static double volts(FigureText text) {
    double volts = text.positiveValue();
    if (volts > LARGEST_VOLTS) {
      throw unreadable(PartsListWords.VOLTS_RANGE, new Token(text.text(), text.index()));
    }
    return volts;
  }

  private int workingVoltage(List<Token> line, int at, Token asked) {
    FigureText text =
        (at < line.size() ? FigureText.read(line, at) : Optional.<FigureText>empty())
            .orElseThrow(() -> unreadable(PartsListWords.WORKING_VOLTAGE_EXPECTED, asked));
    if (text.meaning().dimension() != Dimension.VOLTAGE) {
      throw unreadable(PartsListWords.WORKING_VOLTAGE_EXPECTED, asked);
    }
    once(stated.workingVolts().isPresent(), PartsListWords.WHAT_WORKING_VOLTAGE, asked);
    stated = stated.withWorkingVolts(volts(text));
    return text.words();
  }

  private int date(List<Token> line, int at, Token asked) {
    Token code = at < line.size() ? line.get(at) : asked;
    if (at >= line.size() || !DateCode.isOne(code.text())) {
      throw unreadable(PartsListWords.DATE_EXPECTED, code);
    }
    once(stated.dateCode().isPresent(), PartsListWords.WHAT_DATE, asked);
    stated = stated.withDateCode(code.text());
    return 1;
  }

  /** Takes the longest run of words that names a kind, a role or a polarity. */
  private int name(List<Token> line, int at) {
    for (int words = Math.min(Vocabulary.LONGEST_NAME, line.size() - at); words > 0; words--) {
      String name =
          String.join(" ", line.subList(at, at + words).stream().map(Token::text).toList())
              .toLowerCase(Locale.ROOT);
      String kind = vocabulary.kinds().get(name);
      Role role = vocabulary.roles().get(name);
      Polarity polarity = vocabulary.polarities().get(name);
      Optional<CanMark> canMark = canMark(name);
      Token token = line.get(at);
      if (kind != null) {
        once(stated.kind().isPresent(), PartsListWords.WHAT_KIND, token);
        stated = stated.withKind(kind);
        return words;
      }
      if (role != null) {
        once(stated.role().isPresent(), PartsListWords.WHAT_ROLE, token);
        stated = stated.withRole(role);
        return words;
      }
      if (polarity != null) {
        once(stated.polarity().isPresent(), PartsListWords.WHAT_POLARITY, token);
        stated = stated.withPolarity(polarity);
        return words;
      }
      if (canMark.isPresent()) {
        once(stated.canMark().isPresent(), PartsListWords.WHAT_CAN_MARK, token);
        stated = stated.withCanMark(canMark.get());
        return words;
      }
    }
    return 0;
  }

  private Optional<CanMark> canMark(String name) {
    return vocabulary.constants().getOrDefault(name, List.of()).stream()
        .filter(CanMark.class::isInstance)
        .map(CanMark.class::cast)
        .findFirst();
  }

  private static void once(boolean already, PartsListWords what, Token token) {
    if (already) {
      throw new UnreadableException(
          Message.of(PartsListWords.STATED_TWICE, token.text(), Message.of(what)),
          token.text(),
          token.index());
    }
  }

  private static UnreadableException unreadable(MessageKey why, Token token) {
    return new UnreadableException(Message.of(why, token.text()), token.text(), token.index());
  }
}
