package org.yellowhearth.core.benchline;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Winding;

/**
 * Reads what is noticed of a set under power that is no figure of a meter, at a part or anywhere:
 * {@code R4 runs hot}, {@code nothing hot}, {@code hums at 100 Hz}.
 */
final class SignLine {
  private static final Pattern SAID = Pattern.compile("\"([^\"]*)\"?\\s*$");
  private static final Pattern HUM =
      Pattern.compile(
          "hums?|hum stays|hums loudly|loud hum|(?:loud )?hums? (?:at |of )?(\\d+(?:[.,]\\d+)?) ?hz");

  /** {@code fails after 10 min}, {@code dies after ten minutes}. */
  private static final Pattern FAILS_AFTER =
      Pattern.compile(
          "(?:fails?|failed|dies|died|stops?|stopped|cuts out|cut out|goes dead|went dead|quits|fades|goes off|"
              + "fuse (?:blew|blows)|blows (?:the |its )?fuse|blew (?:the |its )?fuse|hums?|crackles?) after (?:about )?"
              + "(\\d+(?:[.,]\\d+)?|[a-z]+) ?(min\\w*|s|sec\\w*|h|hours?)");

  private static final Map<String, Double> NUMBERS =
      Map.ofEntries(
          Map.entry("a", 1.0),
          Map.entry("one", 1.0),
          Map.entry("two", 2.0),
          Map.entry("three", 3.0),
          Map.entry("four", 4.0),
          Map.entry("five", 5.0),
          Map.entry("six", 6.0),
          Map.entry("eight", 8.0),
          Map.entry("ten", 10.0),
          Map.entry("fifteen", 15.0),
          Map.entry("twenty", 20.0),
          Map.entry("thirty", 30.0),
          Map.entry("some", 5.0));
  private static final String FAILS = "minutes-until-failure";
  private static final Pattern SMELLS =
      Pattern.compile("(?:smells?|smelt|stinks?|reeks) (?:of|like) [\\p{L} ]+");
  private static final Pattern SMOKE =
      Pattern.compile("smoke (?:from|out of|at) ([a-z]{1,3}\\d{1,5}[a-z]?)");

  private static final String JOINT =
      "(?:a )?(?:dry|bad|open|cracked|broken|loose|cold|dead|poor|corroded) (?:solder(?:ed)? )?(?:joint|connection|contact)";
  private static final Pattern JOINT_AT =
      Pattern.compile(JOINT + "(?: at| on| of)? ([a-z]{1,3}\\d{1,5}[a-z]?)");
  private static final Pattern JOINT_OF =
      Pattern.compile("([a-z]{1,3}\\d{1,5}[a-z]?)(?: has)? " + JOINT);

  /** A part by what it is. */
  private static final Pattern CALLED =
      Pattern.compile(
          "(regulator|rectifier|choke|mains transformer|power transformer|transformer) (.+)");

  /** What is said besides, and changes nothing. */
  private static final Pattern AT_ONCE =
      Pattern.compile(
          " (?:at once|immediately|straight away|straightaway|right away|instantly|again|every time|"
              + "(?:at|on) switch[- ]?on|when switched on|badly|a lot|loudly)$");

  private static final String HUM_AT_MAINS = "hum-mains";
  private static final String HUM_AT_TWICE = "hum-double";

  /** Where no mains is known hum below this is at its frequency, above it at twice. */
  private static final double BETWEEN_HERTZ = 75;

  private SignLine() {}

  /**
   * The line, where it says what is noticed.
   *
   * @throws UnreadableException where hum is said without its frequency
   */
  static Optional<BenchEntry> of(Job job, Vocabulary vocabulary, String line) {
    Matcher remark = SAID.matcher(line);
    boolean more = remark.find();
    String said = more ? remark.group(1).strip() : "";
    String plain = (more ? line.substring(0, remark.start()) : line).strip();
    Optional<String> anywhere = sign(job, vocabulary, plain, line);
    if (anywhere.isPresent()) {
      return Optional.of(notice(anywhere.get(), "", said));
    }
    int blank = plain.indexOf(' ');
    return (blank < 0
            ? Optional.<BenchEntry>empty()
            : place(job, plain.substring(0, blank))
                .flatMap(at ->
                    sign(job, vocabulary, plain.substring(blank + 1), line)
                        .map(s -> notice(s, at, said))))
        .or(() -> Tried.of(job, plain))
        .or(() -> told(job, vocabulary, plain));
  }

  private static BenchEntry notice(String sign, String place, String said) {
    return new BenchEntry.Notice(sign, place, OptionalDouble.empty(), said);
  }

  /**
   * What is said of no part by its reference: after how long it fails, what it smells of, what
   * smokes, or a part that is called by what it is.
   */
  private static Optional<BenchEntry> told(Job job, Vocabulary vocabulary, String plain) {
    String folded = folded(plain);
    Matcher after = FAILS_AFTER.matcher(folded);
    if (after.matches()) {
      double number =
          NUMBERS.containsKey(after.group(1))
              ? NUMBERS.get(after.group(1))
              : Double.parseDouble(after.group(1).replace(',', '.'));
      double minutes =
          after.group(2).startsWith("h")
              ? number * 60
              : after.group(2).startsWith("s") ? number / 60 : number;
      return Optional.of(
          new BenchEntry.Notice(FAILS, "", OptionalDouble.of(minutes), plain.strip()));
    }
    if (SMELLS.matcher(folded).matches()) {
      return Optional.of(notice("smell", "", plain.strip()));
    }
    for (Pattern form : List.of(JOINT_AT, JOINT_OF)) {
      Matcher joint = form.matcher(folded);
      if (joint.matches()) {
        return place(job, joint.group(1)).map(at -> notice("dry-joint", at, plain.strip()));
      }
    }
    Matcher smoke = SMOKE.matcher(folded);
    if (smoke.matches()) {
      return place(job, smoke.group(1)).map(at -> notice("smoke", at, ""));
    }
    Matcher called = CALLED.matcher(folded);
    return called.matches()
        ? Optional.ofNullable(vocabulary.signs().get(called.group(2)))
            .map(s -> notice(s, only(job, called.group(1)), plain.strip()))
        : Optional.empty();
  }

  /** The only part of the list that is called so; empty where there are several or none. */
  private static String only(Job job, String called) {
    List<String> all =
        job.census().stream()
            .filter(p ->
                switch (called) {
                  case "regulator" ->
                      p instanceof IntegratedCircuit
                          || (p instanceof Transistor t && t.marking().contains("regulator"));
                  case "rectifier" -> p instanceof Rectifier;
                  case "choke" -> p instanceof Winding w && w.task() == Winding.Task.CHOKE;
                  default -> p instanceof Winding w && w.task() != Winding.Task.CHOKE;
                })
            .map(p -> p.ref().toString())
            .toList();
    return all.size() == 1 ? all.getFirst() : "";
  }

  static String folded(String words) {
    return words
        .toLowerCase(Locale.ROOT)
        .replaceAll("[,;.](?!\\d)", " ")
        .strip()
        .replaceAll("\\s+", " ")
        .replaceFirst("^(?:it|the set|set|it is|the) ", "");
  }

  private static Optional<String> sign(Job job, Vocabulary vocabulary, String words, String line) {
    String folded = folded(words);
    Matcher hum = HUM.matcher(folded);
    if (!hum.matches()) {
      return Optional.ofNullable(vocabulary.signs().get(folded))
          .or(() ->
              Optional.ofNullable(
                  vocabulary.signs().get(AT_ONCE.matcher(folded).replaceFirst(""))));
    }
    if (hum.group(1) == null) {
      throw new UnreadableException(Message.of(BenchWords.HUM_FREQUENCY, words), line, 0);
    }
    double hertz = Double.parseDouble(hum.group(1).replace(',', '.'));
    double between =
        Stream.concat(
                job.items(SupplyMains.class).stream().map(SupplyMains::hertz),
                job.plate().mains().stream().map(SetPlate.Mains::hertz))
            .filter(h -> h > 0)
            .findFirst()
            .map(h -> 1.5 * h)
            .orElse(BETWEEN_HERTZ);
    return Optional.of(hertz < between ? HUM_AT_MAINS : HUM_AT_TWICE);
  }

  /** A part of the list, or a section or point of the supply. */
  private static Optional<String> place(Job job, String word) {
    return PartRef.parse(word)
        .filter(ref -> job.part(ref).isPresent())
        .map(PartRef::toString)
        .or(() ->
            job.items(SupplySection.class).stream()
                .flatMap(s -> Stream.concat(Stream.of(s.title()), s.points().stream()))
                .filter(name -> name.equalsIgnoreCase(word))
                .findFirst());
  }
}
