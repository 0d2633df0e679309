package org.yellowhearth.core.marking;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.message.Message;

/**
 * One figure as written: a number with its unit glued on ({@code 9.1u}), after a space ({@code 8
 * MFD}), or with the prefix letter in place of the point as IEC 60062 does ({@code 4n7}, {@code
 * 4k7}, {@code R47}).
 *
 * @param number the number before its unit
 * @param unit the unit as written, empty where none was
 * @param index where the figure begins in its line
 * @param text the figure as written
 * @param words how many words of the line it took
 */
public record FigureText(double number, String unit, int index, String text, int words) {
  private static final Pattern LETTER_FOR_POINT = Pattern.compile("(\\d*)([RrKkMGpnuµμ])(\\d+)");
  private static final Pattern NUMBER_THEN_UNIT =
      Pattern.compile("([+\\-−]?(?=[.,]?\\d)[\\d.,]*[\\d.,])(.*)", Pattern.DOTALL);
  private static final double LARGEST = 1e15;

  /** Whether a word begins as a figure does, so that it must be read as one or refused. */
  public static boolean looksLikeFigure(String word) {
    return LETTER_FOR_POINT.matcher(word).matches() || NUMBER_THEN_UNIT.matcher(word).matches();
  }

  /**
   * Reads the figure that begins at a word of a line; the next word is taken too when the first has
   * no unit and the next is one.
   *
   * @return empty when the word does not begin as a figure does
   * @throws UnreadableException where the number cannot be read
   * @throws AmbiguousException where the number has two honest meanings
   */
  public static Optional<FigureText> read(List<Token> line, int at) {
    Token token = line.get(at);
    Matcher letter = LETTER_FOR_POINT.matcher(token.text());
    if (letter.matches()) {
      double number = Double.parseDouble("0" + letter.group(1) + "." + letter.group(3));
      return Optional.of(new FigureText(number, letter.group(2), token.index(), token.text(), 1));
    }
    Matcher plain = NUMBER_THEN_UNIT.matcher(token.text());
    if (!plain.matches()) {
      return Optional.empty();
    }
    double number = NumberText.parse(plain.group(1), token.index());
    boolean unitFollows =
        plain.group(2).isEmpty()
            && at + 1 < line.size()
            && UnitText.find(line.get(at + 1).text()).isPresent();
    return Optional.of(
        unitFollows
            ? new FigureText(
                number,
                line.get(at + 1).text(),
                token.index(),
                token.text() + " " + line.get(at + 1).text(),
                2)
            : new FigureText(number, plain.group(2), token.index(), token.text(), 1));
  }

  /**
   * What the unit means.
   *
   * @throws UnreadableException where there is none, or none that is known
   */
  public UnitText meaning() {
    if (unit.isEmpty()) {
      throw unreadable(MarkingWords.NUMBER_WITHOUT_UNIT);
    }
    return UnitText.find(unit).orElseThrow(() -> unreadable(MarkingWords.UNKNOWN_UNIT));
  }

  /**
   * The figure in SI units (per cent as a fraction, minutes as minutes), rounded as decimals are,
   * so that 20 µA is 2e-5.
   */
  public double value() {
    return BigDecimal.valueOf(number)
        .multiply(BigDecimal.valueOf(meaning().factor()))
        .doubleValue();
  }

  /**
   * The figure in SI units, refused unless it lies above zero and within reason.
   *
   * @throws UnreadableException where it does not
   */
  public double positiveValue() {
    double value = value();
    if (!(value > 0)) {
      throw unreadable(MarkingWords.NOT_ABOVE_ZERO);
    }
    if (value > LARGEST) {
      throw unreadable(MarkingWords.TOO_LARGE);
    }
    return value;
  }

  private UnreadableException unreadable(MarkingWords why) {
    return new UnreadableException(Message.of(why, text), text, index);
  }

  /**
   * Whether the unit is written {@code mF}: millifarad on a modern meter, microfarad on an old
   * part.
   */
  public boolean isMilliOrMicro() {
    return unit.equals("mF");
  }

  /** The question for {@code mF} on a meter, with both ways to write it. */
  public AmbiguousException milliOrMicro() {
    return new AmbiguousException(
        Message.of(MarkingWords.MILLI_OR_MICRO, text),
        List.of(microfarads(number * 1000), microfarads(number)));
  }

  private AmbiguousException.Choice microfarads(double micro) {
    String written = BigDecimal.valueOf(micro).stripTrailingZeros().toPlainString() + "u";
    return new AmbiguousException.Choice(Message.of(MarkingWords.CHOICE, written), text, written);
  }
}
