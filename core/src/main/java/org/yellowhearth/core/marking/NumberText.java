package org.yellowhearth.core.marking;

import java.util.List;
import java.util.regex.Pattern;
import org.yellowhearth.core.message.Message;

/**
 * Reads a number as written at a bench anywhere: decimal point or decimal comma, {@code .05} and
 * {@code 5.} allowed. One comma before exactly three digits ({@code 1,000}) could be either and is
 * asked about.
 */
final class NumberText {
  private static final Pattern PLAIN = Pattern.compile("\\d+[.,]?\\d*|[.,]\\d+");
  private static final Pattern EITHER = Pattern.compile("[1-9]\\d{0,2},\\d{3}");
  private static final Pattern COMMA_THOUSANDS =
      Pattern.compile("[1-9]\\d{0,2}(,\\d{3})+\\.\\d*|[1-9]\\d{0,2}(,\\d{3}){2,}");
  private static final Pattern POINT_THOUSANDS =
      Pattern.compile("[1-9]\\d{0,2}(\\.\\d{3})+,\\d*|[1-9]\\d{0,2}(\\.\\d{3}){2,}");

  private NumberText() {}

  /**
   * @throws UnreadableException where it is no number
   * @throws AmbiguousException where a comma may mean a decimal or a thousand
   */
  static double parse(String text, int index) {
    String plain = text.replace('−', '-');
    boolean negative = plain.startsWith("-");
    String digits = negative || plain.startsWith("+") ? plain.substring(1) : plain;
    double size = magnitude(digits, text, index);
    return negative ? -size : size;
  }

  private static double magnitude(String digits, String text, int index) {
    if (digits.length() > 24) {
      throw unreadable(text, index);
    }
    if (EITHER.matcher(digits).matches()) {
      String decimal = digits.replace(',', '.');
      String thousands = digits.replace(",", "");
      throw new AmbiguousException(
          Message.of(MarkingWords.THOUSANDS_OR_DECIMAL, text, decimal, thousands),
          List.of(choice(text, decimal), choice(text, thousands)));
    }
    if (PLAIN.matcher(digits).matches()) {
      return Double.parseDouble(digits.replace(',', '.'));
    }
    if (COMMA_THOUSANDS.matcher(digits).matches()) {
      return Double.parseDouble(digits.replace(",", ""));
    }
    if (POINT_THOUSANDS.matcher(digits).matches()) {
      return Double.parseDouble(digits.replace(".", "").replace(',', '.'));
    }
    throw unreadable(text, index);
  }

  private static AmbiguousException.Choice choice(String text, String written) {
    return new AmbiguousException.Choice(Message.of(MarkingWords.CHOICE, written), text, written);
  }

  private static UnreadableException unreadable(String text, int index) {
    return new UnreadableException(Message.of(MarkingWords.NOT_A_NUMBER, text), text, index);
  }
}
