package org.yellowhearth.core.partslist;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.yellowhearth.core.fact.DrawingStyle;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;

/**
 * Reads how a part is described, whatever sort it is. The sort is said, or follows from the letters
 * of the reference; a can with its sections joined by plus signs becomes one capacitor for each.
 */
public final class PartsListLine {
  /**
   * Before this year drawings wrote M for a thousand ohms as well as for a million (common
   * practice).
   */
  private static final int LAST_YEAR_OF_DOUBT = 1942;

  private static final Pattern SECTIONS =
      Pattern.compile("(\\d*[.,]?\\d+)((?:\\+\\d*[.,]?\\d+)+)(\\D.*)?");
  private static final int MOST_SECTIONS = 6;

  private final Vocabulary vocabulary;
  private final Thousand thousand;

  /** A reader that knows the words of the trade, and what M means on the papers of a set. */
  public PartsListLine(Vocabulary vocabulary, Thousand thousand) {
    this.vocabulary = vocabulary;
    this.thousand = thousand;
  }

  /** A reader for the papers of one job. */
  public static PartsListLine of(Job job, Vocabulary vocabulary) {
    boolean doubt =
        job.plate().made().isPresent() && job.plate().made().getAsInt() <= LAST_YEAR_OF_DOUBT;
    return new PartsListLine(
        vocabulary,
        switch (job.aspect(DrawingStyle.class).capitalM()) {
          case UNSTATED -> doubt ? Thousand.ASK : Thousand.MEGOHM;
          case MEGOHM -> Thousand.MEGOHM;
          case THOUSAND -> Thousand.THOUSAND;
        });
  }

  /**
   * The sort of a new part: as said, else by the letters of its reference; empty where neither
   * tells.
   */
  public Optional<Sort> sort(PartRef ref, List<Token> words) {
    Optional<Sort> byLetters =
        Optional.ofNullable(vocabulary.letters().get(ref.letters().toLowerCase(Locale.ROOT)));
    if (byLetters.isPresent()) {
      // A valve may be a rectifier: a word that says what such a part does is no other sort.
      return named(words, 0)
          .filter(name -> !saysOf(byLetters.get(), name))
          .map(vocabulary.sorts()::get)
          .or(() -> byLetters);
    }
    return IntStream.range(0, words.size())
        .boxed()
        .flatMap(at -> named(words, at).stream())
        .findFirst()
        .map(vocabulary.sorts()::get);
  }

  private boolean saysOf(Sort sort, String name) {
    return vocabulary.constants().getOrDefault(name, List.of()).stream()
        .anyMatch(c -> StatedPart.typesOf(sort).contains(c.getClass()));
  }

  /** The words from a place on that name a sort. */
  private Optional<String> named(List<Token> words, int at) {
    for (int n = Math.min(Vocabulary.LONGEST_NAME, words.size() - at); n > 0; n--) {
      String name =
          String.join(" ", words.subList(at, at + n).stream().map(Token::text).toList())
              .toLowerCase(Locale.ROOT);
      if (vocabulary.sorts().containsKey(name)) {
        return Optional.of(name);
      }
    }
    return Optional.empty();
  }

  /**
   * The parts that a line describes: one, or the sections of a can.
   *
   * @throws UnreadableException where it cannot be understood, or leaves out what such a part must
   *     have
   * @throws org.yellowhearth.core.marking.AmbiguousException where a figure has two honest meanings
   */
  public List<Part> read(PartRef ref, List<Token> words, String marking, String remark) {
    Token whole = words.isEmpty() ? new Token(ref.toString(), 0) : words.getFirst();
    Sort sort =
        sort(ref, words)
            .orElseThrow(() ->
                new UnreadableException(
                    Message.of(PartsListWords.SORT_UNKNOWN, ref.toString()),
                    whole.text(),
                    whole.index()));
    if (sort != Sort.CAPACITOR) {
      return List.of(
          new PartParser(sort, vocabulary, thousand)
              .parse(words)
              .part(ref, marking, remark, Optional.empty())
              .orElseThrow(() -> missing(sort, ref, whole)));
    }
    for (int i = 0; i < words.size(); i++) {
      Matcher m = SECTIONS.matcher(words.get(i).text());
      if (m.matches()) {
        return sections(ref, words, i, m, marking, remark);
      }
    }
    return List.of(capacitor(ref, words, marking, remark));
  }

  private Capacitor capacitor(PartRef ref, List<Token> words, String marking, String remark) {
    Token last = words.isEmpty() ? new Token(ref.toString(), 0) : words.getLast();
    return MarkingParser.parse(withoutSort(words), vocabulary)
        .asPart(ref, marking, remark)
        .orElseThrow(() ->
            new UnreadableException(
                Message.of(PartsListWords.CAPACITANCE_MISSING, ref.toString()),
                last.text(),
                last.index() + last.text().length()));
  }

  private List<Token> withoutSort(List<Token> words) {
    return words.stream()
        .filter(w -> vocabulary.sorts().get(w.text().toLowerCase(Locale.ROOT)) != Sort.CAPACITOR)
        .toList();
  }

  /** {@code 16+16+8 MFD 350 V}: sections a, b, c with the same rating and words. */
  private List<Part> sections(
      PartRef ref, List<Token> words, int at, Matcher joined, String marking, String remark) {
    Token token = words.get(at);
    String unit = joined.group(3) == null ? "" : joined.group(3);
    List<String> values = List.of((joined.group(1) + joined.group(2)).split("\\+", -1));
    if (!ref.section().isEmpty() || values.size() > MOST_SECTIONS) {
      throw new UnreadableException(
          Message.of(PartsListWords.SECTIONS, token.text()), token.text(), token.index());
    }
    List<Part> parts = new ArrayList<>();
    for (int i = 0; i < values.size(); i++) {
      List<Token> one = new ArrayList<>(words);
      one.set(at, new Token(values.get(i) + unit, token.index()));
      PartRef section = new PartRef(ref.letters(), ref.number(), String.valueOf((char) ('a' + i)));
      parts.add(capacitor(section, one, marking, remark));
    }
    return parts;
  }

  /**
   * A part with what a line says put in the place of what was known; empty where the line says
   * nothing.
   *
   * @throws UnreadableException where it cannot be understood
   */
  public Optional<Part> correct(Part part, List<Token> words, String marking) {
    if (part instanceof Capacitor c) {
      Stated stated = MarkingParser.parse(withoutSort(words), vocabulary);
      return stated.equals(Stated.NOTHING)
          ? Optional.empty()
          : Optional.of(stated.correcting(c, marking));
    }
    StatedPart stated = new PartParser(part.sort(), vocabulary, thousand).parse(words);
    boolean typed = !marking.isBlank() && stated.isEmpty();
    String newMarking = typed || !stated.figures().isEmpty() ? marking : part.marking();
    return stated.isEmpty() && !typed
        ? Optional.empty()
        : stated.part(part.ref(), newMarking, part.remark(), Optional.of(part));
  }

  private static UnreadableException missing(Sort sort, PartRef ref, Token token) {
    return new UnreadableException(
        Message.of(
            sort == Sort.ZENER ? PartsListWords.VOLTAGE_MISSING : PartsListWords.RESISTANCE_MISSING,
            ref.toString()),
        token.text(),
        token.index());
  }
}
