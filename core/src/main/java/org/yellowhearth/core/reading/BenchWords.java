package org.yellowhearth.core.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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

  /** Said of a figure that is not exact. */
  private static final List<String> ABOUT =
      List.of(
          "about", "approx", "approx.", "approximately", "ca", "ca.", "circa", "around", "roughly");

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
        "tester says resistor");
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
    say(ANY, "", "avg", "average", "averaged", "reads", "reading", "shows", "tester says");
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
  }

  private BenchWords() {}

  private static void say(Map<List<String>, String> in, String plain, String... said) {
    for (String s : said) {
      in.put(List.of(s.split(" ")), plain);
    }
  }

  /** A line of a reading in plain words. */
  record Plain(List<Token> words, boolean about) {}

  static Plain plain(List<Token> words, Sort sort) {
    List<Token> plain = new ArrayList<>();
    boolean about = false;
    int at = 0;
    while (at < words.size()) {
      Token token = words.get(at);
      Optional<Said> said = said(words, at, sort);
      if (said.isPresent()) {
        if (!said.get().plain.isEmpty()) {
          plain.add(new Token(said.get().plain, token.index()));
        }
        at += said.get().words;
      } else if (ABOUT.contains(folded(token)) && at + 1 < words.size()) {
        about = true;
        at++;
      } else if (token.text().length() > 1 && "~≈".indexOf(token.text().charAt(0)) >= 0) {
        about = true;
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
    return new Plain(plain, about);
  }

  private record Said(String plain, int words) {}

  private static Optional<Said> said(List<Token> words, int at, Sort sort) {
    List<Map<List<String>, String>> heard =
        switch (sort) {
          case RECTIFIER, ZENER, TRANSISTOR -> List.of(JUNCTION, ANY);
          case VALVE -> List.of(VALVE, ANY);
          case CAPACITOR,
              RESISTOR,
              POTENTIOMETER,
              BATTERY,
              RELAY,
              LAMP,
              WINDING,
              MOVEMENT,
              FUSE,
              CONNECTOR ->
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
