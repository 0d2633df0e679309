package org.yellowhearth.desk.forms;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.workshop.words.Labels;

/**
 * A voltage that a drawing or a manual promises, as people write it: one figure, or from one to
 * another; within per cent, or within volts.
 *
 * @param volts of a range its middle
 * @param tolerance as a fraction of that
 * @param alternating whether it was called AC
 */
public record Promised(OptionalDouble volts, OptionalDouble tolerance, boolean alternating) {
  private static final Pattern RANGE =
      Pattern.compile(
          "(?i)(?:from\\s+|between\\s+)?(\\S.*?)\\s*(?:\\bto\\b|\\band\\b|…|\\.{2,3}|\\s[-–—−]\\s)\\s*(\\S.*)");
  private static final Pattern ALTERNATING =
      Pattern.compile("(?i)(.*?)\\s*(?:~|\\bac|(?<=v)ac|(?<=\\d)ac)\\s*");
  private static final double PERCENT = 100;

  /**
   * Reads both fields.
   *
   * @throws IllegalArgumentException with a sentence where it is no voltage, or no tolerance
   */
  public static Promised read(String volts, String within) {
    Matcher ac = ALTERNATING.matcher(volts.strip());
    if (ac.matches()) {
      Promised direct = read(ac.group(1), within);
      return new Promised(direct.volts, direct.tolerance, true);
    }
    Matcher range = RANGE.matcher(volts.strip());
    if (range.matches()) {
      return between(volts, end(range.group(1), volts), end(range.group(2), volts));
    }
    OptionalDouble middle = Measure.VOLTS.read(volts);
    String said = within.replace("±", "").replace("+-", "").replace("+/-", "").strip();
    if (said.isEmpty() || middle.isEmpty()) {
      return new Promised(middle, OptionalDouble.empty(), false);
    }
    if (said.toLowerCase(Locale.ROOT).endsWith("v")) {
      double either = Measure.VOLTS.read(said).orElseThrow();
      return new Promised(
          middle, OptionalDouble.of(either / Math.abs(middle.getAsDouble())), false);
    }
    double percent = Measure.PLAIN.read(said.replace("%", "")).orElseThrow();
    return new Promised(middle, OptionalDouble.of(percent / PERCENT), false);
  }

  private static double end(String figure, String whole) {
    return Measure.VOLTS
        .read(figure)
        .orElseThrow(() ->
            new IllegalArgumentException(Labels.of("field.bad", whole, Measure.VOLTS.example())));
  }

  private static Promised between(String typed, double one, double other) {
    double middle = (one + other) / 2;
    double either = Math.abs(one - other) / 2;
    if (either >= Math.abs(middle)) {
      throw new IllegalArgumentException(Labels.of("field.range-zero", typed));
    }
    return new Promised(
        OptionalDouble.of(middle), OptionalDouble.of(either / Math.abs(middle)), false);
  }
}
