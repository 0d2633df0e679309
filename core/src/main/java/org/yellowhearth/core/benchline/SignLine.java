package org.yellowhearth.core.benchline;

import java.util.Locale;
import java.util.Optional;
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
import org.yellowhearth.core.part.PartRef;

/**
 * Reads what is noticed of a set under power that is no figure of a meter, at a part or anywhere:
 * {@code R4 runs hot}, {@code nothing hot}, {@code hums at 100 Hz}.
 */
final class SignLine {
  private static final Pattern SAID = Pattern.compile("\"([^\"]*)\"?\\s*$");
  private static final Pattern HUM =
      Pattern.compile("hums?|hums? (?:at |of )?(\\d+(?:[.,]\\d+)?) ?hz");
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
      return Optional.of(new BenchEntry.Notice(anywhere.get(), "", said));
    }
    int blank = plain.indexOf(' ');
    return blank < 0
        ? Optional.empty()
        : place(job, plain.substring(0, blank))
            .flatMap(at ->
                sign(job, vocabulary, plain.substring(blank + 1), line)
                    .map(s -> new BenchEntry.Notice(s, at, said)));
  }

  private static Optional<String> sign(Job job, Vocabulary vocabulary, String words, String line) {
    String folded =
        words
            .toLowerCase(Locale.ROOT)
            .replaceAll("[,;.]", " ")
            .strip()
            .replaceAll("\\s+", " ")
            .replaceFirst("^(?:it|the set|set) ", "");
    Matcher hum = HUM.matcher(folded);
    if (!hum.matches()) {
      return Optional.ofNullable(vocabulary.signs().get(folded));
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
