package org.yellowhearth.core.benchline;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.benchline.BenchOutcome.Choice;
import org.yellowhearth.core.benchline.BenchOutcome.Refused;
import org.yellowhearth.core.benchline.BenchOutcome.Understood;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.reading.ReadingParser;
import org.yellowhearth.core.reading.ReadingWords;

/**
 * Understands the one line typed at the bench. The grammar, documented in {@code
 * docs/bench-line.md}:
 *
 * <pre>
 * + C21 8 MFD 450 V electrolytic    a part joins the census, as it is printed
 * C21 9.1u 400r D2.4 @100           a reading of C21; without a reference, of the part chosen
 * C21 = bias filter +chassis        what is known of C21 is corrected
 * - C21                             C21 leaves the census
 * C21                               C21 is shown
 * C21 bulged   C21 drawn 8u 450V    what is seen of C21, or what a witness says of its value
 * C21 beside R7   C21 near valve 15mm above   where it lies
 * C21 verdict keep "reason"         a person decides otherwise than the rules
 * " any words                       a note in the journal
 * hold 100 kHz in circuit          what a reading does not say is so, until "hold nothing"
 * lit   off                         the set was put under power, or switched off and unplugged
 * R4 runs hot   nothing hot   hum 100 Hz   what is noticed under power
 * C2 replaced with 33u 450V         another part is in its place
 * bridge C3 cured it   C4 lifted, short gone   what was tried, and what came of it
 * rail HT 340V C1 C2                what holds charge, and at how many volts
 * volts HT 0.4V                     a meter across the rail HT shows this
 * volts HT 0.4V found               the same, on a set that stood unplugged and was not discharged by anybody
 * HT dc 262 ac 6.6 line 236         a meter at the point HT of the supply, under power: DC, AC, and the mains then
 * TP3 12.4V   V1 pin 3 212V   HT 12Vpp   the same at any point that has a name
 * clip HT 1k   unclip HT            a discharge resistor was clipped on, or came off
 * </pre>
 */
public final class BenchLine {
  private static final int LONGEST = 400;
  private static final Set<String> FIGURE_LETTERS =
      Set.of("IR", "ESR", "HFE", "EM", "FS", "PH", "TAN", "LIN");
  private static final Pattern REMARK = Pattern.compile("\"([^\"]*)\"?");
  private static final Pattern HOLD = Pattern.compile("(?i)\\s*hold(?:\\s+(.*)|\\s*)");
  private static final Pattern UNTIL =
      Pattern.compile("(?i)(.*?),?\\s+until (?:i say otherwise|further notice|changed)\\.?\\s*");
  private static final Set<String> FILLING = Set.of("this", "meter", "", "hold", "and");
  private static final Set<String> NOTHING = Set.of("nothing", "off", "none");

  /** {@code +12V 0.1V}: a rail that is called by its volts. */
  private static final Pattern RAIL_BY_VOLTS = Pattern.compile("(?i)\\+\\d+(?:[.,]\\d+)?v\\s+.+");

  private static final Pattern CORRECTION =
      Pattern.compile("\\s*([A-Za-z]{1,3}\\d{1,5}[A-Za-z]?)\\s*=(.*)", Pattern.DOTALL);

  private final Job job;
  private final Optional<PartRef> chosen;
  private final Vocabulary vocabulary;
  private final PartsListLine census;

  /**
   * A reader for the state of one job.
   *
   * @param chosen the part that a reading without a reference belongs to
   */
  public BenchLine(Job job, Optional<PartRef> chosen, Vocabulary vocabulary) {
    this.job = job;
    this.chosen = chosen;
    this.vocabulary = vocabulary;
    this.census = PartsListLine.of(job, vocabulary);
  }

  /** Understands a line; never throws. */
  public BenchOutcome read(String line) {
    if (line.isBlank()) {
      return new BenchOutcome.Empty();
    }
    if (line.length() > LONGEST) {
      return refused(Message.of(BenchWords.TOO_LONG, Integer.toString(LONGEST)), LONGEST);
    }
    ReadingParser reading =
        new ReadingParser(
            chosenOrNamed(line).flatMap(job::part).map(Part::sort).orElse(Sort.CAPACITOR),
            job.aspect(MeterSettings.class).conditions());
    try {
      return new Understood(entry(line, reading));
    } catch (AmbiguousException e) {
      return new BenchOutcome.Question(
          e.question(),
          e.choices().stream()
              .map(c ->
                  new Choice(
                      c.meaning(),
                      line.replaceFirst(
                          Pattern.quote(c.original()), Matcher.quoteReplacement(c.written()))))
              .toList());
    } catch (UnreadableException e) {
      Optional<BenchEntry.KeepReading> soFar =
          reading.figures().isEmpty()
              ? Optional.empty()
              : chosenOrNamed(line)
                  .map(ref ->
                      new BenchEntry.KeepReading(
                          ref, reading.figures(), reading.conditions(), line));
      return new Refused(e.problem(), e.index(), soFar);
    }
  }

  private BenchEntry entry(String line, ReadingParser reading) {
    String text = line.strip();
    Matcher correction = CORRECTION.matcher(line);
    if (text.startsWith("\"")) {
      return note(text.substring(1).replaceFirst("\"$", "").strip(), line);
    }
    if (text.startsWith("+") && !RAIL_BY_VOLTS.matcher(text).matches()) {
      return add(line, line.indexOf('+') + 1);
    }
    if (text.startsWith("-")
        && Token.of(text.substring(1)).stream()
            .findFirst()
            .flatMap(t -> PartRef.parse(t.text()))
            .isPresent()) {
      return remove(line, line.indexOf('-') + 1);
    }
    if (correction.matches()) {
      return correct(
          line, known(correction.group(1), line, correction.start(1)), correction.start(2));
    }
    Optional<String> held = held(line);
    if (held.isPresent()) {
      return hold(line, held.get());
    }
    Optional<SupplyLine> supply = SupplyLine.of(job, vocabulary, line);
    if (supply.isPresent()) {
      return supply.get().read();
    }
    Optional<BenchEntry> exchange = ExchangeLine.of(job, census, line);
    if (exchange.isPresent()) {
      return exchange.get();
    }
    if (StoreLine.begins(line)) {
      return new StoreLine(job, line).read();
    }
    Optional<BenchEntry> sign = SignLine.of(job, vocabulary, line);
    if (sign.isPresent()) {
      return sign.get();
    }
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "lit", "on" -> new BenchEntry.SwitchPower(Edit.Power.LIT);
      case "off" -> new BenchEntry.SwitchPower(Edit.Power.OFF);
      default -> readingOrPart(line, reading);
    };
  }

  /** What is said of the meter from now on, with blanks before it; empty where nothing is. */
  private static Optional<String> held(String line) {
    Matcher until = UNTIL.matcher(line);
    if (until.matches()) {
      return Optional.of(until.group(1));
    }
    Matcher hold = HOLD.matcher(line);
    return hold.matches()
        ? Optional.of(hold.group(1) == null ? "" : " ".repeat(hold.start(1)) + hold.group(1))
        : Optional.empty();
  }

  private static BenchEntry hold(String line, String said) {
    List<Token> words =
        Token.of(said).stream()
            .map(t -> new Token(t.text().replaceAll("[,;]$", ""), t.index()))
            .filter(t -> !FILLING.contains(t.text().toLowerCase(Locale.ROOT)))
            .toList();
    if (words.isEmpty()) {
      throw new UnreadableException(Message.of(BenchWords.HOLD_EXPECTED), line, 0);
    }
    boolean nothing =
        words.size() == 1 && NOTHING.contains(words.getFirst().text().toLowerCase(Locale.ROOT));
    try {
      return new BenchEntry.HoldSettings(
          nothing
              ? MeterSettings.BLANK
              : MeterSettings.of(new ReadingParser(Sort.CAPACITOR).conditionsAlone(words)));
    } catch (UnreadableException e) {
      throw new UnreadableException(Message.of(BenchWords.HOLD_EXPECTED), line, e.index());
    }
  }

  private static BenchEntry note(String text, String line) {
    if (text.isEmpty()) {
      throw new UnreadableException(Message.of(BenchWords.NOTE_EMPTY), line, 0);
    }
    return new BenchEntry.WriteNote(text);
  }

  private BenchEntry add(String line, int from) {
    List<Token> words = tokens(line, from);
    if (words.isEmpty()) {
      throw new UnreadableException(Message.of(BenchWords.REFERENCE_EXPECTED, ""), line, from);
    }
    Token first = words.getFirst();
    PartRef ref =
        PartRef.parse(first.text())
            .orElseThrow(() ->
                new UnreadableException(
                    Message.of(BenchWords.REFERENCE_EXPECTED, first.text()), line, first.index()));
    if (job.part(ref).isPresent()) {
      throw new UnreadableException(
          Message.of(BenchWords.REFERENCE_EXISTS, ref.toString()), line, first.index());
    }
    int markingFrom = first.index() + first.text().length();
    List<Part> parts =
        census.read(
            ref,
            tokens(withoutRemark(line), markingFrom),
            marking(line, markingFrom),
            remark(line));
    parts.stream()
        .filter(p -> job.part(p.ref()).isPresent())
        .findFirst()
        .ifPresent(p -> {
          throw new UnreadableException(
              Message.of(BenchWords.REFERENCE_EXISTS, p.ref().toString()), line, first.index());
        });
    return new BenchEntry.AddParts(parts);
  }

  private BenchEntry correct(String line, Part part, int from) {
    return census
        .correct(part, tokens(withoutRemark(line), from), marking(line, from))
        .map(after -> new BenchEntry.CorrectPart(part, after))
        .orElseThrow(() ->
            new UnreadableException(
                Message.of(BenchWords.NOTHING_TO_CORRECT, part.ref().toString()), line, from));
  }

  private BenchEntry remove(String line, int from) {
    List<Token> words = tokens(line, from);
    if (words.size() > 1) {
      throw new UnreadableException(
          Message.of(BenchWords.NOTHING_AFTER, words.get(1).text()), line, words.get(1).index());
    }
    return new BenchEntry.RemovePart(
        known(words.getFirst().text(), line, words.getFirst().index()));
  }

  private BenchEntry readingOrPart(String line, ReadingParser reading) {
    List<Token> words = Token.of(line);
    Token first = words.getFirst();
    Optional<PartRef> named = PartRef.parse(first.text()).filter(ref -> !isFigure(ref));
    if (named.isPresent() && job.part(named.get()).isEmpty()) {
      if (named.get().letters().equals("TP")) {
        throw new UnreadableException(
            Message.of(BenchWords.POINT_VOLTS_EXPECTED, named.get().toString()),
            line,
            first.index());
      }
      throw unknown(named.get(), words.size() > 1, line, first.index());
    }
    if (named.isPresent() && words.size() == 1) {
      return new BenchEntry.ShowPart(named.get());
    }
    if (named.isEmpty() && chosen.isEmpty()) {
      throw new UnreadableException(Message.of(BenchWords.NO_PART_CHOSEN), line, first.index());
    }
    PartLine written = new PartLine(job, named.or(() -> chosen).orElseThrow(), vocabulary, line);
    Optional<BenchEntry> fact =
        written.read(named.isPresent() ? words.subList(1, words.size()) : words);
    if (fact.isPresent()) {
      return fact.get();
    }
    List<Token> read = named.isPresent() ? words.subList(1, words.size()) : words;
    if (named.isPresent() && read.size() >= 2 && read.getFirst().text().equalsIgnoreCase("pin")) {
      throw new UnreadableException(
          Message.of(BenchWords.PIN_VOLTS_EXPECTED, named.get().toString(), read.get(1).text()),
          line,
          read.getFirst().index());
    }
    try {
      reading.read(read);
    } catch (UnreadableException e) {
      // Nothing named, nothing understood: it may have been meant for something else.
      throw named.isEmpty()
              && e.index() == first.index()
              && e.problem().key() == ReadingWords.WORD_NOT_A_READING
          ? new UnreadableException(
              Message.of(BenchWords.NEITHER, first.text()), first.text(), first.index())
          : e;
    }
    return new BenchEntry.KeepReading(
        named.or(() -> chosen).orElseThrow(),
        reading.figures(),
        reading.conditions(),
        line.strip());
  }

  private Optional<PartRef> chosenOrNamed(String line) {
    return Token.of(line).stream()
        .findFirst()
        .flatMap(t -> PartRef.parse(t.text()))
        .filter(ref -> !isFigure(ref))
        .or(() -> chosen);
  }

  /**
   * {@code IR200M} and {@code hFE80} have the form of a reference; they are figures unless the
   * census has such a part.
   */
  private boolean isFigure(PartRef ref) {
    return FIGURE_LETTERS.contains(ref.letters()) && job.part(ref).isEmpty();
  }

  private Part known(String text, String line, int index) {
    PartRef ref =
        PartRef.parse(text)
            .orElseThrow(() ->
                new UnreadableException(
                    Message.of(BenchWords.REFERENCE_EXPECTED, text), line, index));
    return job.part(ref).orElseThrow(() -> unknown(ref, false, line, index));
  }

  private static UnreadableException unknown(
      PartRef ref, boolean withReading, String line, int index) {
    return new UnreadableException(
        Message.of(
            withReading ? BenchWords.UNKNOWN_REFERENCE_WITH_READING : BenchWords.UNKNOWN_REFERENCE,
            ref.toString()),
        line,
        index);
  }

  private static List<Token> tokens(String line, int from) {
    return Token.of(" ".repeat(from) + line.substring(from));
  }

  /** The remark in quotation marks is blanked out, so that all other words keep their places. */
  private static String withoutRemark(String line) {
    return REMARK.matcher(line).replaceAll(m -> " ".repeat(m.group().length()));
  }

  private static String remark(String line) {
    Matcher m = REMARK.matcher(line);
    return m.find() ? m.group(1).strip() : "";
  }

  private static String marking(String line, int from) {
    return withoutRemark(line).substring(from).strip();
  }

  private static BenchOutcome refused(Message problem, int index) {
    return new Refused(problem, index, Optional.empty());
  }
}
