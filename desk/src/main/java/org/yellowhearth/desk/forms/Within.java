package org.yellowhearth.desk.forms;

import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.workshop.words.Labels;

/**
 * How far off something may be, as papers say it: {@code 2 %} or a bare figure in per cent, {@code
 * 5 ppm}, or so much in the unit itself: {@code 3 mHz}, {@code 0.1 dB}.
 *
 * @param share as a fraction
 * @param absolute in the unit of what is judged
 */
public record Within(OptionalDouble share, OptionalDouble absolute) {
  private static final Pattern FIGURE =
      Pattern.compile("(?:±|\\+-|\\+/-)?\\s*(\\d+(?:[.,]\\d+)?(?:[eE]-?\\d+)?)\\s*(.*)");
  private static final double PERCENT = 100;
  private static final double PPM = 1e6;

  /** Nothing said. */
  private static final Within NOTHING = new Within(OptionalDouble.empty(), OptionalDouble.empty());

  /**
   * Reads it.
   *
   * @param unit of what is judged; figures may stand in it, or in thousandths and thousands of it
   * @throws IllegalArgumentException with a sentence where it is neither
   */
  public static Within read(String typed, String unit) {
    if (typed.isBlank()) {
      return NOTHING;
    }
    Matcher m = FIGURE.matcher(typed.strip());
    if (!m.matches()) {
      throw new IllegalArgumentException(Labels.of("field.within", typed, unit));
    }
    double figure = Double.parseDouble(m.group(1).replace(',', '.'));
    String said = m.group(2).strip();
    return switch (said) {
      case "", "%", "per cent", "percent" -> share(figure / PERCENT);
      case "ppm" -> share(figure / PPM);
      default ->
          new Within(
              OptionalDouble.empty(), OptionalDouble.of(figure * scale(typed, said, unit.strip())));
    };
  }

  private static Within share(double share) {
    return new Within(OptionalDouble.of(share), OptionalDouble.empty());
  }

  private static double scale(String typed, String said, String unit) {
    if (!unit.isEmpty() && said.equals(unit)) {
      return 1;
    }
    String prefix =
        !unit.isEmpty() && said.endsWith(unit)
            ? said.substring(0, said.length() - unit.length())
            // The difference of two levels stands in decibels.
            : unit.startsWith("dB") && said.equalsIgnoreCase("dB") ? "one" : said;
    return switch (prefix) {
      case "one" -> 1;
      case "n" -> 1e-9;
      case "µ", "u" -> 1e-6;
      case "m" -> 1e-3;
      case "k" -> 1e3;
      case "M" -> 1e6;
      default -> throw new IllegalArgumentException(Labels.of("field.within", typed, unit));
    };
  }
}
