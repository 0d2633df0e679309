package org.yellowhearth.core.partslist;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Tolerance;

/** Reads a tolerance as printed: {@code 20%}, {@code ±5%}, {@code -10+50%}. */
final class ToleranceText {
  private static final Pattern SYMMETRIC = Pattern.compile("(?:±|\\+/-|\\+-)?(\\d+(?:[.,]\\d+)?)%");
  private static final Pattern ASYMMETRIC =
      Pattern.compile("[-−](\\d+)%?/?\\+(\\d+)%|\\+(\\d+)%?/?[-−](\\d+)%");
  private static final double MOST = 5;

  private ToleranceText() {}

  /** The tolerance a word gives; empty where it has not the form of one. */
  static Optional<Tolerance> read(Token token) {
    Matcher same = SYMMETRIC.matcher(token.text());
    Matcher two = ASYMMETRIC.matcher(token.text());
    double below;
    double above;
    if (same.matches()) {
      above = Double.parseDouble(same.group(1).replace(',', '.')) / 100;
      below = above;
    } else if (two.matches()) {
      below = Double.parseDouble(two.group(1) != null ? two.group(1) : two.group(4)) / 100;
      above = Double.parseDouble(two.group(2) != null ? two.group(2) : two.group(3)) / 100;
    } else {
      return Optional.empty();
    }
    if (below > 1 || above > MOST) {
      throw new UnreadableException(
          Message.of(PartsListWords.TOLERANCE_RANGE, token.text()), token.text(), token.index());
    }
    return Optional.of(new Tolerance(-below, above));
  }
}
