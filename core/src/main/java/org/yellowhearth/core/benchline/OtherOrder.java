package org.yellowhearth.core.benchline;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Readings under power as people say them in another order than {@link SupplyLine} reads: {@code
 * 26V at C2}, {@code ripple at C1 12V}, {@code draws 63W}, {@code grid of V1 at +2V}.
 */
final class OtherOrder {
  /**
   * One way of saying it, as a whole line.
   *
   * @param put the same in the usual order
   */
  private record Said(Pattern words, String put) {}

  private static final List<Said> SAID =
      List.of(
          new Said(
              Pattern.compile(
                  "(?i)\\s*(?:it |the set |set )?(?:draws|takes|pulls|consumes)\\s+(\\d+(?:[.,]\\d+)?)\\s*w(?:atts)?\\s*"),
              "mains watts $1"),
          new Said(
              Pattern.compile(
                  "(?i)\\s*(?:the )?(pin \\d+|anode|plate|cathode|grid|screen|base|emitter|collector|gate|drain|source) of "
                      + "([a-z]{1,3}\\d{1,5}[a-z]?)(?: (?:is|at|reads|shows))?(?: at)?(\\s.+)"),
              "$2 $1$3"),
          new Said(
              Pattern.compile("(?i)\\s*ripple (?:at|on|of|across) (\\S+)(?: is)?\\s+(.+pp)\\s*"),
              "$1 $2"),
          new Said(
              Pattern.compile("(?i)\\s*ripple (?:at|on|of|across) (\\S+)(?: is)?\\s+(.+)(?<!pp)"),
              "$1 ac $2"),
          new Said(Pattern.compile("(?i)\\s*(\\S+) ripple\\s+(.+pp)\\s*"), "$1 $2"),
          new Said(Pattern.compile("(?i)\\s*(\\S+) ripple\\s+(.+)(?<!pp)"), "$1 ac $2"),
          new Said(
              Pattern.compile("(?i)\\s*(\\S+) ([\\d.,]+) ?(m?v)(?:ac|rms)?(?: of)? ripple\\s*"),
              "$1 ac $2 $3"),
          new Said(
              Pattern.compile(
                  "(?i)\\s*([-−+]?[\\d.,]+) ?(m?v)(?:dc)? (?:at|on|across) (?:the )?(\\S+)\\s*"),
              "$3 dc $1 $2"),
          new Said(
              Pattern.compile(
                  "(?i)\\s*([\\d.,]+ ?m?v(?:ac|pp)) (?:ripple )?(?:at|on|across) (?:the )?(\\S+)\\s*"),
              "$2 $1"),
          new Said(
              Pattern.compile("(?i)\\s*(?:the )?(\\S+) rail(?: is| at| reads| shows)*(\\s.+)"),
              "$1$2"));

  private OtherOrder() {}

  /** The line in the usual order, in each way in which it can be understood; none where in none. */
  static Stream<String> of(String line) {
    return SAID.stream()
        .map(s -> {
          Matcher m = s.words.matcher(line);
          return m.matches() ? m.replaceFirst(s.put) : "";
        })
        .filter(usual -> !usual.isEmpty());
  }
}
