package org.yellowhearth.core.reading;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Sort;

/**
 * What people say of a reading in more words than one, or in words that mean the same: each is put
 * as the one word that {@link ReadingParser} knows. The longest that fits is taken.
 */
final class BenchWords {
  private static final Map<List<String>, String> ANY = new LinkedHashMap<>();

  /** Only of what has a junction: that it was asked both ways. */
  private static final Map<List<String>, String> JUNCTION = new LinkedHashMap<>();

  /** Only of valves. */
  private static final Map<List<String>, String> VALVE = new LinkedHashMap<>();

  private static final Map<List<String>, String> FUSE = new LinkedHashMap<>();
  private static final Map<List<String>, String> WINDING = new LinkedHashMap<>();

  /** Said of a figure that is not exact. */
  private static final List<String> ABOUT =
      List.of(
          "about", "approx", "approx.", "approximately", "ca", "ca.", "circa", "around", "roughly");

  /** What "about" leaves open (our own reading of how people say it). */
  private static final double ABOUT_SPREAD = 0.2;

  /** {@code 20-30r}, {@code 2.2–2.6k}: a figure that somebody saw go to and fro. */
  private static final Pattern RANGE =
      Pattern.compile("(\\d+(?:[.,]\\d+)?)([-–…]|\\.\\.)(\\d+(?:[.,]\\d+)?)(\\D*)");

  private static final int LONGEST = 6;

  static {
    say(
        ANY,
        "in",
        "in circuit",
        "in-circuit",
        "in place",
        "in the set",
        "on the board",
        "on board");
    say(
        ANY,
        "out",
        "out of circuit",
        "out-of-circuit",
        "removed",
        "pulled",
        "taken out",
        "off the board");
    say(
        ANY,
        "leg",
        "leg lifted",
        "one leg lifted",
        "leg up",
        "one leg up",
        "one leg",
        "lifted",
        "leg-lifted",
        "one end lifted",
        "one end up",
        "with a leg lifted",
        "with one leg lifted");
    say(
        ANY,
        "reads-open",
        "open",
        "opened",
        "open circuit",
        "open-circuit",
        "o/c",
        "no reading",
        "nothing",
        "no continuity",
        "no capacitance",
        "reads nothing",
        "reads open",
        "reads as open");
    say(
        ANY,
        "reads-short",
        "short",
        "shorted",
        "s/c",
        "short circuit",
        "short-circuit",
        "dead short",
        "shorted out",
        "reads short",
        "a short",
        "reads as a short");
    say(
        ANY,
        "reads-resistor",
        "called a resistor",
        "tester calls it a resistor",
        "calls it a resistor",
        "reads as a resistor",
        "reads as resistor",
        "shows as a resistor",
        "as a resistor",
        "as resistor",
        "says resistor",
        "tester says resistor",
        "leaky",
        "leaks",
        "leaking",
        "leaks badly",
        "very leaky",
        "a bit leaky",
        "slightly leaky",
        "electrically leaky");
    say(
        ANY,
        "called-bad",
        "bad",
        "dead",
        "faulty",
        "fails",
        "failed",
        "no good",
        "ng",
        "n.g.",
        "duff",
        "defective",
        "tests bad",
        "reads bad");
    say(ANY, "called-weak", "weak", "tired", "marginal", "tests weak", "reads weak");
    say(
        ANY,
        "called-good",
        "good",
        "ok",
        "okay",
        "fine",
        "passes",
        "passed",
        "strong",
        "tests good",
        "tests ok",
        "reads good",
        "all right");
    say(ANY, "dried-out", "dried", "dried up", "dried out", "dry", "dried-up", "dried-out");
    say(ANY, "scratchy", "scratchy", "noisy", "crackles", "crackly", "crackling");
    say(ANY, "intermittent", "comes and goes", "cuts out", "cuts in and out", "drops out");
    say(ANY, "bouncing", "does not settle", "jumps", "jumps about");
    say(ANY, "eye-closed", "eye closed", "eye closes", "eye shuts", "eye shut");
    say(ANY, "eye-open", "eye open", "eye stays open", "eye opens");
    say(
        ANY,
        "falls",
        "falling",
        "keeps falling",
        "goes down",
        "going down",
        "drifts down",
        "drops slowly",
        "slowly falls",
        "sinks");
    say(
        ANY,
        "rises",
        "rising",
        "keeps rising",
        "creeps up",
        "creeping up",
        "creeps",
        "climbs",
        "climbing",
        "goes up",
        "going up",
        "drifts up",
        "slowly rises");
    say(ANY, "pulses", "pulsing", "pulsates", "pulsating", "ticks", "comes in pulses");
    say(JUNCTION, "vth", "vgs(th)", "vgs th", "vgsth", "vgs(off)", "vgs off", "vp", "pinch-off");
    say(
        ANY,
        "",
        "avg",
        "average",
        "averaged",
        "reads",
        "reading",
        "shows",
        "tester says",
        "is",
        "it is",
        "seems",
        "seems to be",
        "measures",
        "measured",
        "now",
        "now reads",
        "gives",
        "has drifted to",
        "drifted to",
        "drifted up to",
        "went up to",
        "has gone high",
        "gone high",
        "went high",
        "up to",
        "cap",
        "capacitance",
        "resistance",
        "value");
    say(JUNCTION, "", "one way", "forward", "fwd", "forwards", "in one direction");
    for (String over : List.of("ol", "open", "nothing", "blocks", "blocked")) {
      for (String other :
          List.of(
              "the other way",
              "the other",
              "other way",
              "reverse",
              "rev",
              "reversed",
              "in reverse",
              "backwards",
              "the other direction")) {
        say(
            JUNCTION,
            "reverse-blocks",
            over + " " + other,
            other + " " + over,
            "and " + over + " " + other);
      }
      say(
          JUNCTION,
          "reads-open",
          over + " both ways",
          over + " both",
          over + " each way",
          over + " either way",
          over + " in both directions");
    }
    for (String zero :
        List.of("0r", "0", "0v", "0.0v", "0.00v", "0.00r", "short", "shorted", "conducts")) {
      say(
          JUNCTION,
          "reads-short",
          zero + " both ways",
          zero + " both",
          zero + " each way",
          zero + " either way");
      say(JUNCTION, "reverse-conducts", zero + " the other way", zero + " rev", zero + " reverse");
    }
    say(VALVE, "no-shorts", "no shorts", "no short", "without shorts");
    say(
        VALVE,
        "shorts",
        "shorts",
        "short",
        "shorted",
        "heater-cathode short",
        "h-k short",
        "leaks");
    say(VALVE, "no-grid-leak", "no grid leak", "no grid current", "no gas", "no grid leakage");
    say(VALVE, "grid-leak", "grid leak", "grid current", "gassy", "gas", "grid leakage");
    say(VALVE, "called-weak", "low", "low emission");
    say(VALVE, "em", "emission", "emission of");
    say(VALVE, "gm", "mutual conductance", "transconductance", "conductance", "slope", "gm of");
    say(
        VALVE,
        "reads-open",
        "heater open",
        "open heater",
        "filament open",
        "open filament",
        "heater gone",
        "heater dead",
        "no heater",
        "burnt out",
        "burned out");
    say(
        VALVE,
        "called-bad",
        "white getter",
        "getter white",
        "getter gone",
        "gone to air",
        "let air in",
        "lost vacuum",
        "lost its vacuum",
        "milky");
    say(JUNCTION, "hfe", "beta", "gain", "gain of");
    say(FUSE, "reads-open", "blown", "burnt out", "burned out", "gone");
    say(WINDING, "reads-short", "shorted turns", "shorted turn", "shorting turns");
  }

  private BenchWords() {}

  private static void say(Map<List<String>, String> in, String plain, String... said) {
    for (String s : said) {
      in.put(List.of(s.split(" ")), plain);
    }
  }

  /**
   * A line of a reading in plain words.
   *
   * @param uncertainty what was said of how exact it is, as a fraction
   */
  record Plain(List<Token> words, OptionalDouble uncertainty) {}

  static Plain plain(List<Token> words, Sort sort) {
    List<Token> plain = new ArrayList<>();
    OptionalDouble uncertainty = OptionalDouble.empty();
    int at = 0;
    while (at < words.size()) {
      Token token = words.get(at);
      Optional<Said> said = said(words, at, sort);
      if (said.isPresent()) {
        if (!said.get().plain.isEmpty()) {
          plain.add(new Token(said.get().plain, token.index()));
        }
        at += said.get().words;
      } else if (blocks(words, at, sort)) {
        plain.add(new Token("reverse-blocks", token.index()));
        at++;
      } else if (ABOUT.contains(folded(token)) && at + 1 < words.size()) {
        uncertainty = OptionalDouble.of(ABOUT_SPREAD);
        at++;
      } else if (range(words, at).isPresent()) {
        Range range = range(words, at).orElseThrow();
        plain.add(new Token(range.middle, token.index()));
        uncertainty = OptionalDouble.of(range.half);
        at += range.words;
      } else if (token.text().length() > 1 && "~≈".indexOf(token.text().charAt(0)) >= 0) {
        uncertainty = OptionalDouble.of(ABOUT_SPREAD);
        plain.add(new Token(token.text().substring(1), token.index() + 1));
        at++;
      } else if (folded(token).equals("at")
          && at + 1 < words.size()
          && startsWithDigit(words.get(at + 1))) {
        plain.add(new Token("@" + words.get(at + 1).text(), words.get(at + 1).index() - 1));
        at += 2;
      } else {
        plain.add(token);
        at++;
      }
    }
    return new Plain(plain, uncertainty);
  }

  /** {@code 0.55 OL} of a junction: it conducts one way and not the other. */
  private static boolean blocks(List<Token> words, int at, Sort sort) {
    return (sort == Sort.RECTIFIER || sort == Sort.ZENER)
        && words.size() == 2
        && folded(words.get(at)).equals("ol")
        && startsWithDigit(words.get(1 - at));
  }

  /** A range as its middle, and half of it as a fraction of the middle. */
  private record Range(String middle, double half, int words) {}

  /** {@code 20-30r}, {@code 20 to 30r}, {@code between 20 and 30r}. */
  private static Optional<Range> range(List<Token> words, int at) {
    Matcher glued = RANGE.matcher(words.get(at).text());
    if (glued.matches()) {
      return range(glued.group(1), glued.group(3) + glued.group(4), 1);
    }
    boolean between = folded(words.get(at)).equals("between");
    int from = between ? at + 1 : at;
    return from + 2 < words.size()
            && folded(words.get(from + 1)).equals(between ? "and" : "to")
            && startsWithDigit(words.get(from))
            && startsWithDigit(words.get(from + 2))
        ? range(words.get(from).text(), words.get(from + 2).text(), from + 3 - at)
        : Optional.empty();
  }

  private static Optional<Range> range(String low, String high, int words) {
    Matcher end = Pattern.compile("(\\d+(?:[.,]\\d+)?)(\\D*)").matcher(high);
    Matcher begin = Pattern.compile("(\\d+(?:[.,]\\d+)?)(\\D*)").matcher(low);
    if (!end.matches()
        || !begin.matches()
        || !(begin.group(2).isEmpty() || begin.group(2).equalsIgnoreCase(end.group(2)))) {
      return Optional.empty();
    }
    double a = Double.parseDouble(begin.group(1).replace(',', '.'));
    double b = Double.parseDouble(end.group(1).replace(',', '.'));
    double middle = (a + b) / 2;
    return a > 0 && b > a
        ? Optional.of(new Range(plain(middle) + end.group(2), (b - a) / 2 / middle, words))
        : Optional.empty();
  }

  private static String plain(double value) {
    return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }

  private record Said(String plain, int words) {}

  private static Optional<Said> said(List<Token> words, int at, Sort sort) {
    List<Map<List<String>, String>> heard =
        switch (sort) {
          case RECTIFIER, ZENER, TRANSISTOR -> List.of(JUNCTION, ANY);
          case VALVE -> List.of(VALVE, ANY);
          case FUSE, LAMP -> List.of(FUSE, ANY);
          case WINDING, RELAY -> List.of(WINDING, ANY);
          case CAPACITOR,
              RESISTOR,
              POTENTIOMETER,
              BATTERY,
              MOVEMENT,
              CONNECTOR,
              INTEGRATED_CIRCUIT ->
              List.of(ANY);
        };
    for (int length = Math.min(LONGEST, words.size() - at); length > 0; length--) {
      List<String> piece = words.subList(at, at + length).stream().map(BenchWords::folded).toList();
      for (Map<List<String>, String> map : heard) {
        if (map.containsKey(piece)) {
          return Optional.of(new Said(map.get(piece), length));
        }
      }
    }
    return Optional.empty();
  }

  private static boolean startsWithDigit(Token token) {
    return !token.text().isEmpty() && Character.isDigit(token.text().charAt(0));
  }

  private static String folded(Token token) {
    return token.text().toLowerCase(Locale.ROOT).replaceAll("[,;]$", "");
  }
}
