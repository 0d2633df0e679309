package org.yellowhearth.core.marking;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A length as people write it: {@code 16}, {@code 16mm}, {@code 1.6 cm}, {@code 5/8"}, {@code 1-3/8
 * in}; millimetres where no unit is written.
 */
public final class LengthText {
  /** One inch in metres, by definition (International yard and pound agreement, 1959). */
  private static final double INCH = 0.0254;

  private static final Pattern FORM =
      Pattern.compile(
          "(?:(\\d+)[ -])?(?:(\\d+)/(\\d+)|(\\d+(?:[.,]\\d+)?|[.,]\\d+))\\s*(mm|cm|m|in|inch|inches|\"|″|”)?");

  private LengthText() {}

  /** The length in metres; empty where it is none. */
  public static OptionalDouble metres(String text) {
    Matcher m = FORM.matcher(text.strip().toLowerCase(Locale.ROOT));
    if (!m.matches() || (m.group(3) != null && Integer.parseInt(m.group(3)) == 0)) {
      return OptionalDouble.empty();
    }
    double number =
        m.group(4) != null
            ? Double.parseDouble(m.group(4).replace(',', '.'))
            : Double.parseDouble(m.group(2)) / Double.parseDouble(m.group(3));
    if (m.group(1) != null && m.group(4) != null) {
      return OptionalDouble.empty();
    }
    double whole = m.group(1) == null ? 0 : Double.parseDouble(m.group(1));
    double unit =
        switch (m.group(5) == null ? "mm" : m.group(5)) {
          case "mm" -> 1e-3;
          case "cm" -> 1e-2;
          case "m" -> 1;
          default -> INCH;
        };
    return OptionalDouble.of((whole + number) * unit);
  }
}
