package org.yellowhearth.core.benchline;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.yellowhearth.core.benchline.BenchEntry.ReadSupply.Drawn;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.ReadingParser;

/**
 * Reads what a meter shows at a point of the supply under power: {@code HT dc 262 ac 6.6 line 236
 * standby}, or at the mains: {@code mains watts 63}. A capacitor of the supply stands for the point
 * it lies at. Where no supply is described any name stands for a point: {@code TP3 12.4V}, {@code
 * V1 pin 3 212V}, {@code HT 12Vpp}.
 */
final class SupplyLine {
  private static final Map<String, SupplyReading.Kind> KINDS =
      Map.ofEntries(
          Map.entry("dc", SupplyReading.Kind.DIRECT),
          Map.entry("ac", SupplyReading.Kind.TRUE_RMS),
          Map.entry("rms", SupplyReading.Kind.TRUE_RMS),
          Map.entry("avg", SupplyReading.Kind.AVERAGE),
          Map.entry("pp", SupplyReading.Kind.PEAK_TO_PEAK),
          Map.entry("p-p", SupplyReading.Kind.PEAK_TO_PEAK),
          Map.entry("pk-pk", SupplyReading.Kind.PEAK_TO_PEAK),
          Map.entry("vpp", SupplyReading.Kind.PEAK_TO_PEAK),
          Map.entry("watts", SupplyReading.Kind.WATTS));
  private static final Set<String> BESIDE = Set.of("line", "meter");

  /** What the drawing promises follows. */
  private static final Set<String> DRAWN = Set.of("drawing", "expected", "should", "schematic");

  /** {@code 12Vpp}: the figure and what it is, in one word. */
  private static final Pattern GLUED =
      Pattern.compile("(?i)([-−+]?[\\d.,]+m?)(?:V?(?:pp|p-p|pk-pk)|Vp-?p)");

  /** Names of points that are written small. */
  private static final Set<String> SMALL =
      Set.of(
          "heater",
          "heaters",
          "filament",
          "filaments",
          "ht",
          "b+",
          "bias",
          "screen",
          "boost",
          "rail",
          "ripple",
          "eht",
          "lt");

  /** A name that a point may have where no supply is described. */
  private static final Pattern NAME =
      Pattern.compile("(?=.*[\\p{Lu}\\d+])[\\p{L}\\p{N}+−-]{1,20}(\\.[A-Za-z0-9]{1,3})?");

  private static final Set<String> TO = Set.of("to", "…", "..", "...", "and");
  private static final Pattern EITHER = Pattern.compile("(?:±|\\+-|\\+/-)(.*)");
  private static final Set<String> SHOULD = Set.of("be", "is", "says", "has", "have");

  private static final Map<String, String> ELECTRODES =
      Map.ofEntries(
          Map.entry("anode", "a"),
          Map.entry("plate", "a"),
          Map.entry("cathode", "k"),
          Map.entry("grid", "g"),
          Map.entry("g1", "g"),
          Map.entry("screen", "g2"),
          Map.entry("g2", "g2"),
          Map.entry("g3", "g3"),
          Map.entry("base", "b"),
          Map.entry("emitter", "e"),
          Map.entry("collector", "c"),
          Map.entry("gate", "g"),
          Map.entry("drain", "d"),
          Map.entry("source", "s"));
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

  /** {@code mains 63W}: what the whole set takes. */
  private static final Pattern WATTS =
      Pattern.compile("(?i)\\s*mains\\s+(\\d+(?:[.,]\\d+)?)\\s*w(?:atts)?\\b(.*)");

  private final String line;
  private final List<Token> words;
  private final String point;

  /**
   * A line at a point.
   *
   * @param words what follows the name of the point
   */
  private SupplyLine(String line, List<Token> words, String point) {
    this.line = line;
    this.words = words;
    this.point = point;
  }

  /** The line, where it begins with a point and goes on with what is read there. */
  static Optional<SupplyLine> of(Job job, Vocabulary vocabulary, String line) {
    return OtherOrder.of(line)
        .flatMap(usual -> put(job, vocabulary, usual).stream())
        .findFirst()
        .or(() -> put(job, vocabulary, line));
  }

  private static Optional<SupplyLine> put(Job job, Vocabulary vocabulary, String line) {
    Matcher taken = WATTS.matcher(line);
    if (taken.matches()) {
      return put(job, vocabulary, SupplyMains.POINT + " watts " + taken.group(1) + taken.group(2));
    }
    List<Token> words = Token.of(line);
    if (words.size() < 2) {
      return Optional.empty();
    }
    String first = words.getFirst().text();
    List<Token> rest = words.subList(1, words.size());
    String known = points(job).get(first.toLowerCase(Locale.ROOT));
    if (known != null && (begins(rest) || volts(rest))) {
      return Optional.of(new SupplyLine(line, rest, known));
    }
    if (SMALL.contains(first.toLowerCase(Locale.ROOT)) && (volts(rest) || begins(rest))) {
      return Optional.of(new SupplyLine(line, rest, first));
    }
    if (!NAME.matcher(first).matches() || ReadingParser.namesFigure(first)) {
      return Optional.empty();
    }
    Optional<PartRef> ref = PartRef.parse(first);
    Optional<String> pin = ref.flatMap(_ -> pin(rest));
    if (pin.isPresent()) {
      int used = rest.getFirst().text().equalsIgnoreCase("pin") ? 2 : 1;
      List<Token> shown = rest.subList(used, rest.size());
      return begins(shown) || volts(shown)
          ? Optional.of(new SupplyLine(line, shown, ref.get() + "." + pin.get()))
          : Optional.empty();
    }
    boolean listed = ref.filter(r -> job.part(r).isPresent()).isPresent();
    boolean part = listed || ref.filter(r -> sort(r, vocabulary)).isPresent();
    boolean said = begins(rest) && volts(rest.subList(1, rest.size()));
    boolean read =
        part ? said || (listed && (begins(rest) || alternates(rest))) : begins(rest) || volts(rest);
    return read
        ? Optional.of(new SupplyLine(line, rest, ref.map(PartRef::toString).orElse(first)))
        : Optional.empty();
  }

  /** Whether a reference has the letters of a sort of part: it is a part that is not listed. */
  private static boolean sort(PartRef ref, Vocabulary vocabulary) {
    return vocabulary.letters().containsKey(ref.letters().toLowerCase(Locale.ROOT));
  }

  /** {@code pin 3}, {@code base}: which end of a part. */
  private static Optional<String> pin(List<Token> words) {
    String first = words.getFirst().text().toLowerCase(Locale.ROOT);
    if (first.equals("pin") && words.size() > 1) {
      String number = words.get(1).text();
      return number.matches("\\d{1,3}") ? Optional.of(number) : Optional.empty();
    }
    return Optional.ofNullable(ELECTRODES.get(first));
  }

  private static boolean begins(List<Token> words) {
    return !words.isEmpty()
        && (KINDS.containsKey(folded(words.getFirst()))
            || BESIDE.contains(folded(words.getFirst()))
            || (DRAWN.contains(folded(words.getFirst()))
                && words.subList(1, words.size()).stream().anyMatch(w -> volts(List.of(w))))
            || STATES.containsKey(folded(words.getFirst())));
  }

  /** Whether it goes on with volts. */
  private static boolean volts(List<Token> words) {
    return !words.isEmpty()
        && (GLUED.matcher(words.getFirst().text()).matches()
            || FigureText.read(words, 0)
                .filter(f ->
                    UnitText.find(f.unit())
                        .filter(u ->
                            u.dimension() == Dimension.VOLTAGE
                                || u.dimension() == Dimension.ALTERNATING_VOLTAGE)
                        .isPresent())
                .isPresent());
  }

  /** Whether it goes on with alternating volts: those are no reading of any part by itself. */
  private static boolean alternates(List<Token> words) {
    return !words.isEmpty()
        && (GLUED.matcher(words.getFirst().text()).matches()
            || FigureText.read(words, 0)
                .filter(f ->
                    UnitText.find(f.unit())
                        .filter(u -> u.dimension() == Dimension.ALTERNATING_VOLTAGE)
                        .isPresent())
                .isPresent());
  }

  private static String folded(Token token) {
    return token.text().toLowerCase(Locale.ROOT).replaceAll("[,;]$", "");
  }

  /** The points by what they may be called, in small letters. */
  private static Map<String, String> points(Job job) {
    Map<String, String> points = new LinkedHashMap<>();
    points.put(SupplyMains.POINT, SupplyMains.POINT);
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
    Stream.concat(
            job.items(SupplyReading.class).stream().map(SupplyReading::point),
            job.items(Rail.class).stream().map(Rail::name))
        .forEach(p -> points.putIfAbsent(p.toLowerCase(Locale.ROOT), p));
    return points;
  }

  BenchEntry read() {
    List<BenchEntry.ReadSupply.Shown> shown = new ArrayList<>();
    OptionalDouble mains = OptionalDouble.empty();
    OptionalDouble meter = OptionalDouble.empty();
    Optional<Drawn> drawn = Optional.empty();
    SupplyReading.State state = SupplyReading.State.UNSTATED;
    int at = 0;
    while (at < words.size()) {
      Token word = words.get(at);
      String said = folded(word);
      Matcher glued = GLUED.matcher(word.text());
      if (STATES.containsKey(said)) {
        state = STATES.get(said);
        at++;
      } else if (glued.matches()) {
        shown.add(
            shown(
                SupplyReading.Kind.PEAK_TO_PEAK,
                figure("pp", List.of(new Token(glued.group(1), word.index())), 0, word),
                word));
        at++;
      } else if (DRAWN.contains(said)) {
        int from = at + 1;
        while (from < words.size() && SHOULD.contains(folded(words.get(from)))) {
          from++;
        }
        FigureText figure = figure("dc", words, from, word);
        at = from + figure.words();
        Optional<Beyond> beyond = beyond(at);
        drawn =
            Optional.of(
                beyond
                    .map(b -> b.of(value(figure)))
                    .orElse(new Drawn(value(figure), OptionalDouble.empty())));
        at += beyond.map(Beyond::words).orElse(0);
      } else if (BESIDE.contains(said)) {
        FigureText figure = figure(said, words, at + 1, word);
        OptionalDouble value = OptionalDouble.of(within(value(figure), word));
        mains = said.equals("line") ? value : mains;
        meter = said.equals("meter") ? value : meter;
        at += 1 + figure.words();
      } else if (KINDS.containsKey(said)) {
        FigureText figure = figure(said, words, at + 1, word);
        shown.add(shown(KINDS.get(said), figure, word));
        at += 1 + figure.words();
      } else if (volts(words.subList(at, words.size()))) {
        FigureText figure = figure("dc", words, at, word);
        at += figure.words();
        boolean named = at < words.size() && KINDS.containsKey(folded(words.get(at)));
        SupplyReading.Kind kind =
            figure.meaning().dimension() == Dimension.ALTERNATING_VOLTAGE
                ? SupplyReading.Kind.TRUE_RMS
                : SupplyReading.Kind.DIRECT;
        shown.add(shown(named ? KINDS.get(folded(words.get(at))) : kind, figure, word));
        at += named ? 1 : 0;
      } else {
        throw refused(BenchWords.SUPPLY_EXPECTED, word);
      }
    }
    if (shown.isEmpty() && drawn.isEmpty()) {
      throw refused(BenchWords.SUPPLY_EXPECTED, words.getLast());
    }
    if (shown.stream()
        .anyMatch(s -> (s.kind() == SupplyReading.Kind.WATTS) != point.equals(SupplyMains.POINT))) {
      throw refused(BenchWords.WATTS_AT_MAINS, words.getFirst());
    }
    return new BenchEntry.ReadSupply(point, shown, mains, meter, state, drawn);
  }

  /**
   * What follows the first figure of a drawing: the end of a range, or how far it may be off.
   *
   * @param end of a range
   * @param share it may be off, as a fraction
   * @param volts it may be off
   * @param words how many words it took
   */
  private record Beyond(OptionalDouble end, OptionalDouble share, OptionalDouble volts, int words) {
    Drawn of(double first) {
      double middle = end.isPresent() ? (first + end.getAsDouble()) / 2 : first;
      double off =
          end.isPresent()
              ? Math.abs(first - end.getAsDouble()) / 2 / Math.abs(middle)
              : share.orElse(volts.orElse(0) / Math.abs(middle));
      return new Drawn(middle, OptionalDouble.of(off));
    }
  }

  /** {@code -40 to -75V}, {@code 250V ±10%}, {@code 13.8V +-0.1V}. */
  private Optional<Beyond> beyond(int at) {
    if (at >= words.size()) {
      return Optional.empty();
    }
    Token word = words.get(at);
    OptionalDouble none = OptionalDouble.empty();
    if (TO.contains(folded(word))) {
      FigureText figure = figure("dc", words, at + 1, word);
      return Optional.of(
          new Beyond(OptionalDouble.of(value(figure)), none, none, 1 + figure.words()));
    }
    Matcher either = EITHER.matcher(word.text());
    if (!either.matches()) {
      return Optional.empty();
    }
    boolean alone = either.group(1).isEmpty();
    List<Token> rest = new ArrayList<>(words.subList(alone ? at + 1 : at, words.size()));
    if (rest.isEmpty()) {
      throw refused(BenchWords.VOLTS_EXPECTED, word);
    }
    if (!alone) {
      rest.set(0, new Token(either.group(1), word.index()));
    }
    FigureText figure =
        FigureText.read(rest, 0).orElseThrow(() -> refused(BenchWords.VOLTS_EXPECTED, word));
    OptionalDouble off = OptionalDouble.of(value(figure));
    boolean percent = figure.unit().equals("%");
    return Optional.of(
        new Beyond(
            none, percent ? off : none, percent ? none : off, figure.words() + (alone ? 1 : 0)));
  }

  private double within(double value, Token word) {
    if (!(value >= 0 && value <= 1e12)) {
      throw refused(BenchWords.VOLTS_EXPECTED, word);
    }
    return value;
  }

  private static double value(FigureText figure) {
    return figure.unit().isEmpty() ? figure.number() : figure.value();
  }

  private BenchEntry.ReadSupply.Shown shown(
      SupplyReading.Kind kind, FigureText figure, Token word) {
    double value = value(figure);
    return new BenchEntry.ReadSupply.Shown(
        kind, kind == SupplyReading.Kind.DIRECT ? value : within(value, word));
  }

  /** The figure that belongs to a word. */
  private FigureText figure(String said, List<Token> words, int at, Token word) {
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
