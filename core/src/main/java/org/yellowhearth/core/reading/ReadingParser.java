package org.yellowhearth.core.reading;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Sort;

/**
 * Reads what a meter shows, any order, any subset: {@code 9.1u 400r D2.4 @100 in}. A figure is told
 * by its letter, or by its unit and the sort of part; what follows {@code @} is the condition, told
 * by its unit too (hertz where none is written). After a refusal, what was understood before it can
 * still be asked for, so that it can be echoed while a person types.
 */
public final class ReadingParser {
  private static final Map<String, Figure> LETTERS =
      Map.ofEntries(
          Map.entry("d", Figure.DISSIPATION),
          Map.entry("tan", Figure.DISSIPATION),
          Map.entry("q", Figure.QUALITY),
          Map.entry("esr", Figure.ESR),
          Map.entry("ir", Figure.INSULATION),
          Map.entry("c", Figure.CAPACITANCE),
          Map.entry("i", Figure.LEAKAGE),
          Map.entry("leak", Figure.LEAKAGE),
          Map.entry("r", Figure.RESISTANCE),
          Map.entry("z", Figure.IMPEDANCE),
          Map.entry("ph", Figure.PHASE),
          Map.entry("as", Figure.CALLED_RESISTOR),
          Map.entry("l", Figure.INDUCTANCE),
          Map.entry("v", Figure.VOLTS),
          Map.entry("hfe", Figure.GAIN),
          Map.entry("gm", Figure.CONDUCTANCE),
          Map.entry("em", Figure.EMISSION),
          Map.entry("fs", Figure.FULL_SCALE),
          Map.entry("lin", Figure.LINEARITY),
          Map.entry("wiper", Figure.WIPER),
          Map.entry("idss", Figure.DRAIN_CURRENT),
          Map.entry("vth", Figure.THRESHOLD));
  private static final String GLUED = "d|tan|q|esr|ir|leak|z|ph|l|hfe|gm|em|fs|lin|wiper|idss|vth";
  private static final Pattern LETTERED =
      Pattern.compile(
          "(?i)(?:("
              + GLUED
              + "|c|i|r|v|as)=|("
              + GLUED
              + ")(?=[-−]?[.,\\d<>])|(c|r|i|v)(?=[<>]))(.*)");
  private static final Pattern LETTER_ALONE = Pattern.compile("(?i)(" + GLUED + "|as|c|r|v)");
  private static final Pattern LEFT_RANGE = Pattern.compile("([<>])(.+)");
  private static final Map<String, Mode> MODES =
      Map.of(
          "ser",
          Mode.SERIES,
          "series",
          Mode.SERIES,
          "par",
          Mode.PARALLEL,
          "parallel",
          Mode.PARALLEL);
  private static final Map<String, Connection> CONNECTIONS =
      Map.of(
          "in",
          Connection.IN_CIRCUIT,
          "out",
          Connection.OUT_OF_CIRCUIT,
          "leg",
          Connection.ONE_LEG_LIFTED);
  private static final Map<String, Contact> CONTACTS =
      Map.of("firm", Contact.FIRM, "shaky", Contact.SHAKY);
  private static final Map<String, Qualifier> QUALIFIERS =
      Map.ofEntries(
          Map.entry("oval", Qualifier.OVAL),
          Map.entry("slant", Qualifier.SLANT),
          Map.entry("knee", Qualifier.KNEE),
          Map.entry("flat", Qualifier.FLAT),
          Map.entry("upright", Qualifier.UPRIGHT),
          Map.entry("eye-open", Qualifier.INDICATOR_OPEN),
          Map.entry("eye-closed", Qualifier.INDICATOR_CLOSED),
          Map.entry("intermittent", Qualifier.INTERMITTENT),
          Map.entry("bouncing", Qualifier.BOUNCING),
          Map.entry("reads-open", Qualifier.READS_OPEN),
          Map.entry("reads-short", Qualifier.READS_SHORT),
          Map.entry("reads-resistor", Qualifier.READS_RESISTOR),
          Map.entry("called-bad", Qualifier.CALLED_BAD),
          Map.entry("called-weak", Qualifier.CALLED_WEAK),
          Map.entry("called-good", Qualifier.CALLED_GOOD),
          Map.entry("dried-out", Qualifier.DRIED_OUT),
          Map.entry("scratchy", Qualifier.SCRATCHY),
          Map.entry("reverse-blocks", Qualifier.REVERSE_BLOCKS),
          Map.entry("reverse-conducts", Qualifier.REVERSE_CONDUCTS),
          Map.entry("no-shorts", Qualifier.NO_SHORTS),
          Map.entry("shorts", Qualifier.SHORTS),
          Map.entry("no-grid-leak", Qualifier.NO_GRID_LEAK),
          Map.entry("grid-leak", Qualifier.GRID_LEAK),
          Map.entry("falls", Qualifier.FALLS),
          Map.entry("rises", Qualifier.RISES),
          Map.entry("pulses", Qualifier.PULSES));

  /** What can only be a condition, with or without an {@code @} before it. */
  private static final Set<Dimension> CONDITIONS =
      EnumSet.of(Dimension.FREQUENCY, Dimension.MINUTES, Dimension.CELSIUS);

  /** What depends on the measuring frequency. */
  private static final Set<Figure> AT_FREQUENCY =
      EnumSet.of(
          Figure.CAPACITANCE,
          Figure.ESR,
          Figure.DISSIPATION,
          Figure.QUALITY,
          Figure.IMPEDANCE,
          Figure.PHASE,
          Figure.INDUCTANCE);

  /** Of these sorts a tester shows volts without saying so. */
  private static final Set<Sort> BARE_VOLTS = EnumSet.of(Sort.RECTIFIER, Sort.ZENER);

  /** From here on a resistance is what leaks, with a test voltage said and without. */
  private static final double LEAK_OHMS_AT_VOLTS = 10e3;

  private static final double LEAK_OHMS = 1e6;

  /** What an ESR meter that shows nothing but noughts can tell apart (common practice). */
  private static final double RESOLUTION_OHMS = 0.01;

  private final Sort sort;
  private final Conditions.Draft conditions;
  private Figures figures = Figures.NONE;
  private boolean frequencySaid;
  private boolean bareOhms;

  /**
   * A reader for one line.
   *
   * @param sort the sort of part that was measured; it says what a bare resistance or voltage is
   */
  public ReadingParser(Sort sort) {
    this(sort, Conditions.UNSTATED);
  }

  /**
   * A reader for one line.
   *
   * @param held what holds where the line says nothing else
   */
  public ReadingParser(Sort sort, Conditions held) {
    this.sort = sort;
    this.conditions = new Conditions.Draft(held);
  }

  /**
   * Reads conditions alone: {@code 100 kHz in circuit}.
   *
   * @throws UnreadableException at the first word that is none
   */
  public Conditions conditionsAlone(List<Token> words) {
    understood(words);
    if (!figures.isEmpty()) {
      throw unreadable(
          ReadingWords.CONDITION_EXPECTED, words.getFirst().text(), words.getFirst().index());
    }
    return conditions.done();
  }

  /**
   * Reads all words, or as many as can be understood.
   *
   * @throws UnreadableException at the first word that is no part of a reading, or where no figure
   *     is among them
   * @throws org.yellowhearth.core.marking.AmbiguousException where a figure has two honest meanings
   */
  public void read(List<Token> words) {
    BenchWords.Plain plain = understood(words);
    if (figures.isEmpty()) {
      Token last = words.isEmpty() ? new Token("", 0) : words.getLast();
      throw unreadable(ReadingWords.NO_FIGURE, last.text(), last.index());
    }
    takeOffLeads(words);
    insulation();
    if (conditions.uncertainty.isEmpty()) {
      conditions.uncertainty = plain.uncertainty();
    }
    if (!frequencySaid && figures.values().keySet().stream().noneMatch(AT_FREQUENCY::contains)) {
      conditions.frequencyHertz = OptionalDouble.empty();
    }
  }

  /** Takes every word as a figure, a condition or something said. */
  private BenchWords.Plain understood(List<Token> words) {
    BenchWords.Plain plain = BenchWords.plain(words, sort);
    List<Token> line = partedAtConditions(plain.words());
    int at = 0;
    while (at < line.size()) {
      at += one(line, at);
    }
    return plain;
  }

  /** Whether a word is the letter of a figure, such as {@code ESR} or {@code D}. */
  public static boolean namesFigure(String word) {
    return LETTERS.containsKey(word.toLowerCase(Locale.ROOT));
  }

  /** The figures understood so far. */
  public Figures figures() {
    return figures;
  }

  /** The conditions understood so far. */
  public Conditions conditions() {
    return conditions.done();
  }

  /**
   * Ohms of a capacitor that no ESR can be are what leaks through it: megohms, or with a voltage
   * said some kilohms.
   */
  private void insulation() {
    double ohms = figures.get(Figure.ESR).orElse(0);
    boolean leaks =
        bareOhms && ohms >= (conditions.testVolts.isPresent() ? LEAK_OHMS_AT_VOLTS : LEAK_OHMS);
    if (leaks && !figures.tells(Figure.INSULATION)) {
      figures = figures.without(Figure.ESR).with(Figure.INSULATION, ohms);
    }
  }

  private void takeOffLeads(List<Token> words) {
    conditions.leadOhms.ifPresent(leads -> {
      for (Figure figure : List.of(Figure.ESR, Figure.RESISTANCE, Figure.IMPEDANCE)) {
        double left = figures.get(figure).orElse(Double.MAX_VALUE) - leads;
        if (!figure.mayBe(left)) {
          throw unreadable(
              ReadingWords.LEADS_TOO_MUCH, words.getLast().text(), words.getLast().index());
        }
        if (figures.has(figure)) {
          figures = figures.with(figure, left);
        }
      }
    });
  }

  /** {@code 0.3mA@450V} is a figure and a condition: words are parted before each {@code @}. */
  private static List<Token> partedAtConditions(List<Token> words) {
    List<Token> parted = new ArrayList<>();
    for (Token word : words) {
      int from = 0;
      for (int i = 1; i <= word.text().length(); i++) {
        if (i == word.text().length() || word.text().charAt(i) == '@') {
          parted.add(new Token(word.text().substring(from, i), word.index() + from));
          from = i;
        }
      }
    }
    return parted;
  }

  /** Takes one figure, condition or word, and says how many words it used. */
  private int one(List<Token> line, int at) {
    Token token = line.get(at);
    String word = token.text();
    String folded = word.toLowerCase(Locale.ROOT);
    if (word.startsWith("@")) {
      return word.length() == 1
          ? 1 + condition(line, at + 1, token)
          : condition(replaced(line, at, 1), at, token);
    }
    if (plainWord(folded)) {
      return 1;
    }
    if (folded.equals("less") || folded.equals("on") || folded.equals("by")) {
      return 1 + told(folded, line, at + 1, token);
    }
    if (word.startsWith("±") || word.startsWith("+-") || word.startsWith("+/-")) {
      return uncertainty(
          replaced(line, at, word.startsWith("±") ? 1 : word.indexOf('-') + 1), at, token);
    }
    Matcher lettered = LETTERED.matcher(word);
    if (lettered.matches()) {
      String letter =
          Stream.of(1, 2, 3)
              .map(lettered::group)
              .filter(Objects::nonNull)
              .findFirst()
              .orElseThrow();
      return named(
          LETTERS.get(letter.toLowerCase(Locale.ROOT)),
          replaced(line, at, lettered.start(4)),
          at,
          token);
    }
    if (LETTER_ALONE.matcher(word).matches()) {
      return 1 + named(LETTERS.get(folded), line, at + 1, token);
    }
    return bare(line, at);
  }

  private boolean plainWord(String word) {
    if (MODES.containsKey(word)) {
      conditions.mode = MODES.get(word);
    } else if (CONNECTIONS.containsKey(word)) {
      conditions.connection = CONNECTIONS.get(word);
    } else if (CONTACTS.containsKey(word)) {
      conditions.contact = CONTACTS.get(word);
    } else if (QUALIFIERS.containsKey(word)) {
      figures = figures.with(QUALIFIERS.get(word));
    } else if (overRange(word)) {
      figures = figures.with(ohms(), new Bound(Bound.End.ABOVE, OptionalDouble.empty()));
    } else {
      return false;
    }
    return true;
  }

  private static boolean overRange(String word) {
    return word.equals("ol") || word.equals("over");
  }

  /**
   * {@code less 0.3r} leads taken off, {@code on 45s} since the set was switched on, {@code by
   * bridge} the instrument.
   */
  private int told(String what, List<Token> line, int at, Token asked) {
    if (what.equals("by")) {
      if (at >= line.size()) {
        throw unreadable(ReadingWords.INSTRUMENT_EXPECTED, asked.text(), asked.index());
      }
      conditions.instrument = line.get(at).text();
      return 1;
    }
    boolean leads = what.equals("less");
    FigureText text =
        figure(
            line, at, asked, leads ? ReadingWords.LEADS_EXPECTED : ReadingWords.SECONDS_EXPECTED);
    double value =
        FigureValue.of(
            text,
            leads ? Dimension.RESISTANCE : Dimension.MINUTES,
            leads ? ReadingWords.LEADS_EXPECTED : ReadingWords.SECONDS_EXPECTED);
    if (leads) {
      conditions.leadOhms = within(text, value, 0, 100, ReadingWords.LEADS_EXPECTED);
    } else {
      conditions.secondsOn = within(text, value * 60, 0, 1e7, ReadingWords.SECONDS_EXPECTED);
    }
    return text.words();
  }

  private int uncertainty(List<Token> line, int at, Token asked) {
    FigureText text = figure(line, at, asked, ReadingWords.UNCERTAINTY_EXPECTED);
    if (!text.unit().equals("%")) {
      throw unreadable(ReadingWords.UNCERTAINTY_EXPECTED, asked.text(), asked.index());
    }
    conditions.uncertainty = within(text, text.value(), 1e-6, 1, ReadingWords.UNCERTAINTY_EXPECTED);
    return text.words();
  }

  private static List<Token> replaced(List<Token> line, int at, int skip) {
    List<Token> copy = new ArrayList<>(line);
    Token t = line.get(at);
    copy.set(at, new Token(t.text().substring(skip), t.index() + skip));
    return copy;
  }

  private static FigureText figure(List<Token> line, int at, Token asked, ReadingWords expected) {
    if (at >= line.size()) {
      throw unreadable(expected, asked.text(), asked.index());
    }
    return FigureText.read(line, at)
        .orElseThrow(() -> unreadable(expected, asked.text(), asked.index()));
  }

  /** A figure that its letter names: D, Q, ESR, IR, C, I and so on. */
  private int named(Figure what, List<Token> line, int at, Token asked) {
    if (at < line.size()) {
      Token token = line.get(at);
      Matcher left = LEFT_RANGE.matcher(token.text());
      if (overRange(token.text().toLowerCase(Locale.ROOT))) {
        keep(what, new Bound(Bound.End.ABOVE, OptionalDouble.empty()), token);
        return 1;
      }
      if (left.matches()) {
        return leftRange(what, replaced(line, at, 1), at, left.group(1).equals(">"), token);
      }
      List<String> pieces = repeats(token.text());
      if (!pieces.isEmpty()) {
        repeated(what, token, pieces);
        return 1;
      }
    }
    FigureText text = figure(line, at, asked, ReadingWords.FIGURE_EXPECTED);
    // Some valve testers show the conductance as a share of a new one's.
    take(what == Figure.CONDUCTANCE && text.unit().equals("%") ? Figure.EMISSION : what, text);
    return text.words();
  }

  /** Keeps a figure; an ESR of nothing but noughts is below what the meter can show. */
  private void take(Figure what, FigureText text) {
    boolean ohms = text.unit().isEmpty() || text.meaning().dimension() == Dimension.RESISTANCE;
    if (what == Figure.ESR && text.number() == 0 && ohms) {
      refuseTwice(what, text.text(), text.index());
      figures = figures.with(what, new Bound(Bound.End.BELOW, OptionalDouble.of(RESOLUTION_OHMS)));
    } else {
      keep(what, FigureValue.of(what, text), text);
    }
  }

  private int leftRange(Figure what, List<Token> line, int at, boolean above, Token asked) {
    FigureText text = figure(line, at, asked, ReadingWords.FIGURE_EXPECTED);
    keep(
        what,
        new Bound(
            above ? Bound.End.ABOVE : Bound.End.BELOW,
            OptionalDouble.of(FigureValue.of(what, text))),
        asked);
    return text.words();
  }

  /** A figure without a letter: its unit and the sort of part say what it is. */
  private int bare(List<Token> line, int at) {
    Token token = line.get(at);
    Matcher left = LEFT_RANGE.matcher(token.text());
    if (left.matches()) {
      FigureText text = figure(replaced(line, at, 1), at, token, ReadingWords.FIGURE_EXPECTED);
      return leftRange(
          bareFigure(text), replaced(line, at, 1), at, left.group(1).equals(">"), token);
    }
    List<String> pieces = repeats(token.text());
    if (!pieces.isEmpty()) {
      Token first = new Token(pieces.getFirst(), token.index());
      repeated(
          bareFigure(figure(List.of(first), 0, first, ReadingWords.WORD_NOT_A_READING)),
          token,
          pieces);
      return 1;
    }
    FigureText text =
        FigureText.read(line, at)
            .orElseThrow(
                () -> foreign(ReadingWords.WORD_NOT_A_READING, token.text(), token.index()));
    if (text.unit().isEmpty() && BARE_VOLTS.contains(sort)) {
      // A diode tester shows a bare figure.
      keep(Figure.VOLTS, text.number(), text);
      return text.words();
    }
    boolean condition =
        UnitText.find(text.unit()).filter(u -> CONDITIONS.contains(u.dimension())).isPresent();
    if (condition) {
      return condition(line, at, token);
    }
    Figure what = bareFigure(text);
    bareOhms |= what == Figure.ESR;
    take(what, text);
    return text.words();
  }

  private Figure bareFigure(FigureText text) {
    if (text.isMilliOrMicro()) {
      throw text.milliOrMicro();
    }
    return switch (text.meaning().dimension()) {
      case CAPACITANCE -> Figure.CAPACITANCE;
      case RESISTANCE -> ohms();
      case CURRENT -> sort == Sort.MOVEMENT ? Figure.FULL_SCALE : Figure.LEAKAGE;
      case INDUCTANCE -> Figure.INDUCTANCE;
      case CONDUCTANCE -> Figure.CONDUCTANCE;
      case VOLTAGE ->
          switch (sort) {
            case ZENER, RECTIFIER, TRANSISTOR, BATTERY, RELAY, LAMP, INTEGRATED_CIRCUIT ->
                Figure.VOLTS;
            case CAPACITOR, RESISTOR, POTENTIOMETER, VALVE, WINDING, MOVEMENT, FUSE, CONNECTOR ->
                throw foreign(ReadingWords.VOLTAGE_NOT_A_READING, text.text(), text.index());
          };
      case ALTERNATING_VOLTAGE ->
          throw foreign(ReadingWords.VOLTAGE_NOT_A_READING, text.text(), text.index());
      case FREQUENCY, MINUTES, CELSIUS ->
          throw unreadable(ReadingWords.CONDITION_WITHOUT_FIGURE, text.text(), text.index());
      case PERCENT -> {
        if (sort == Sort.VALVE) {
          yield Figure.EMISSION;
        }
        throw foreign(ReadingWords.NOT_A_READING, text.text(), text.index());
      }
      case POWER -> throw foreign(ReadingWords.NOT_A_READING, text.text(), text.index());
    };
  }

  /** What a bare resistance is: of a capacitor its ESR, of anything else its resistance. */
  private Figure ohms() {
    return sort == Sort.CAPACITOR ? Figure.ESR : Figure.RESISTANCE;
  }

  /**
   * {@code 9.1u/9.0u/9.4u}: the pieces of a figure read several times; empty where the word is no
   * such thing.
   */
  private static List<String> repeats(String word) {
    List<String> pieces = List.of(word.split("/", -1));
    boolean all = pieces.size() > 1 && pieces.stream().allMatch(FigureText::looksLikeFigure);
    return all ? united(pieces) : List.of();
  }

  /**
   * A piece without a unit has that of the last piece, so that {@code 8.1/8.0/8.2r} reads as it is
   * meant.
   */
  private static List<String> united(List<String> pieces) {
    String unit =
        pieces.reversed().stream()
            .map(p -> p.replaceFirst("^[-−\\d.,]+", ""))
            .filter(u -> !u.isEmpty())
            .findFirst()
            .orElse("");
    return pieces.stream().map(p -> p.matches("[-−\\d.,]+") ? p + unit : p).toList();
  }

  private void repeated(Figure what, Token token, List<String> pieces) {
    List<Double> all = new ArrayList<>();
    for (String piece : pieces) {
      Token one = new Token(piece, token.index());
      all.add(FigureValue.of(what, figure(List.of(one), 0, one, ReadingWords.FIGURE_EXPECTED)));
    }
    refuseTwice(what, token.text(), token.index());
    figures = figures.withRepeats(what, all);
  }

  private void keep(Figure what, double value, FigureText text) {
    refuseTwice(what, text.text(), text.index());
    figures = figures.with(what, value);
  }

  private void keep(Figure what, Bound bound, Token token) {
    refuseTwice(what, token.text(), token.index());
    figures = figures.with(what, bound);
  }

  private void refuseTwice(Figure what, String text, int index) {
    boolean loss = what == Figure.QUALITY || what == Figure.DISSIPATION;
    if (figures.tells(what) || (loss && figures.dissipation().isPresent())) {
      throw new UnreadableException(
          Message.of(ReadingWords.FIGURE_TWICE, text, what.term()), text, index);
    }
  }

  private int condition(List<Token> line, int at, Token asked) {
    FigureText text = figure(line, at, asked, ReadingWords.CONDITION_EXPECTED);
    if (text.unit().isEmpty()) {
      frequencySaid = true;
      conditions.frequencyHertz =
          within(text, text.number(), 1, 10e6, ReadingWords.FREQUENCY_RANGE);
      return text.words();
    }
    UnitText unit = text.meaning();
    double value = text.value();
    switch (unit.dimension()) {
      case FREQUENCY -> {
        frequencySaid = true;
        conditions.frequencyHertz = within(text, value, 1, 10e6, ReadingWords.FREQUENCY_RANGE);
      }
      case RESISTANCE -> {
        if (!text.unit().equalsIgnoreCase("k")) {
          throw unreadable(ReadingWords.CONDITION_EXPECTED, text.text(), text.index());
        }
        frequencySaid = true;
        conditions.frequencyHertz = within(text, value, 1, 10e6, ReadingWords.FREQUENCY_RANGE);
      }
      case VOLTAGE ->
          conditions.testVolts = within(text, value, 0.01, 50_000, ReadingWords.VOLTS_RANGE);
      case CURRENT ->
          conditions.testAmperes = within(text, value, 1e-9, 1000, ReadingWords.AMPERES_RANGE);
      case MINUTES ->
          conditions.minutesAtVoltage =
              within(text, value, 0.01, 100_000, ReadingWords.MINUTES_RANGE);
      case CELSIUS ->
          conditions.celsius = within(text, value, -60, 150, ReadingWords.CELSIUS_RANGE);
      case CAPACITANCE, ALTERNATING_VOLTAGE, PERCENT, INDUCTANCE, CONDUCTANCE, POWER ->
          throw unreadable(ReadingWords.CONDITION_EXPECTED, text.text(), text.index());
    }
    return text.words();
  }

  private static OptionalDouble within(
      FigureText text, double value, double low, double high, ReadingWords range) {
    if (!(value >= low && value <= high)) {
      throw unreadable(range, text.text(), text.index());
    }
    return OptionalDouble.of(value);
  }

  private static UnreadableException unreadable(ReadingWords why, String text, int index) {
    return new UnreadableException(Message.of(why, text), text, index);
  }

  /** What is no reading of this sort of part, with what one looks like. */
  private UnreadableException foreign(ReadingWords why, String text, int index) {
    return new UnreadableException(
        Message.of(
            why, text, Message.term("Sort." + sort.code()), Message.term("Reads." + sort.code())),
        text,
        index);
  }
}
