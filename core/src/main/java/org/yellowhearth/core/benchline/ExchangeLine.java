package org.yellowhearth.core.benchline;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;

/**
 * Reads that another part is in: {@code C2 replaced with 33u 450V}, {@code fitted 33u 450V for C2};
 * without a value that what was chosen for it is in: {@code C2 replaced}.
 */
final class ExchangeLine {
  private static final String REF = "([A-Za-z]{1,3}\\d{1,5}[A-Za-z]?)";
  private static final String DONE = "(?:replaced|swapped|exchanged|changed|recapped)";
  private static final String NEW = "(?:a |an )?(?:new |another )?";
  private static final Pattern REPLACED =
      Pattern.compile(
          "(?i)\\s*(?:"
              + DONE
              + "\\s+"
              + REF
              + "|"
              + REF
              + "\\s+(?:was |is )?"
              + DONE
              + ")(?:\\s+(?:with|by|for|against)\\s+"
              + NEW
              + "(.+))?\\s*");
  private static final Pattern FITTED =
      Pattern.compile(
          "(?i)\\s*(?:fitted|put in|installed|soldered in)\\s+"
              + NEW
              + "(.+?)\\s+(?:for|as|in place of|at|in)\\s+"
              + REF
              + "\\s*");

  private ExchangeLine() {}

  /**
   * The line, where it says that a part was exchanged.
   *
   * @throws UnreadableException where the part is not of this set, or what is in cannot be read
   */
  static Optional<BenchEntry> of(Job job, PartsListLine list, String line) {
    Matcher replaced = REPLACED.matcher(line);
    if (replaced.matches()) {
      int group = replaced.group(1) != null ? 1 : 2;
      return Optional.of(
          fit(
              job,
              list,
              line,
              new Token(replaced.group(group), replaced.start(group)),
              Optional.ofNullable(replaced.group(3)).map(t -> new Token(t, replaced.start(3)))));
    }
    Matcher fitted = FITTED.matcher(line);
    return fitted.matches()
        ? Optional.of(
            fit(
                job,
                list,
                line,
                new Token(fitted.group(2), fitted.start(2)),
                Optional.of(new Token(fitted.group(1), fitted.start(1)))))
        : Optional.empty();
  }

  private static BenchEntry fit(
      Job job, PartsListLine list, String line, Token named, Optional<Token> with) {
    PartRef ref = PartRef.of(named.text());
    Part old =
        job.part(ref)
            .orElseThrow(() ->
                new UnreadableException(
                    Message.of(BenchWords.UNKNOWN_REFERENCE, ref.toString()), line, named.index()));
    if (with.isEmpty() && job.item(Choice.idOf(ref)).isEmpty()) {
      throw new UnreadableException(
          Message.of(BenchWords.EXCHANGED_WITH, ref.toString()), line, line.length());
    }
    Optional<Part> fitted =
        with.map(t ->
            list.read(ref, Token.of(" ".repeat(t.index()) + t.text()), t.text().strip(), "")
                .getFirst());
    if (fitted.filter(p -> p instanceof Capacitor c && c.ratedVolts().isEmpty()).isPresent()) {
      throw new UnreadableException(
          Message.of(BenchWords.EXCHANGED_VOLTS, ref.toString()), line, line.length());
    }
    return new BenchEntry.Exchange(old, fitted);
  }
}
