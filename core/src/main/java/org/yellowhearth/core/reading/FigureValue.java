package org.yellowhearth.core.reading;

import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;

/** What a written figure is in SI units, by what it is a figure of. */
final class FigureValue {
  private static final double LARGEST_RATIO = 10_000;

  /** The steepest receiving valves have some 50 mA/V (common practice). */
  private static final double MOST_MILLIAMPERES_A_VOLT = 60;

  private FigureValue() {}

  /**
   * The value of a figure.
   *
   * @throws UnreadableException where it is none of that sort
   */
  static double of(Figure what, FigureText text) {
    return switch (what) {
      case DISSIPATION, QUALITY -> ratio(text);
      case ESR, RESISTANCE, IMPEDANCE, CALLED_RESISTOR ->
          text.unit().isEmpty()
              ? plain(what, text)
              : of(text, Dimension.RESISTANCE, ReadingWords.RESISTANCE_EXPECTED, what);
      case INSULATION -> of(text, Dimension.RESISTANCE, ReadingWords.RESISTANCE_EXPECTED);
      case CAPACITANCE -> of(text, Dimension.CAPACITANCE, ReadingWords.CAPACITANCE_EXPECTED);
      case LEAKAGE, FULL_SCALE, DRAIN_CURRENT -> amperes(text);
      case CONDUCTANCE -> conductance(text);
      case INDUCTANCE -> of(text, Dimension.INDUCTANCE, ReadingWords.INDUCTANCE_EXPECTED);
      case VOLTS, THRESHOLD ->
          text.unit().isEmpty()
              ? plain(what, text)
              : of(text, Dimension.VOLTAGE, ReadingWords.VOLTAGE_EXPECTED, what);
      case GAIN, PHASE -> plain(what, text);
      case EMISSION, LINEARITY, WIPER ->
          text.unit().isEmpty() || text.unit().equals("%")
              ? plain(what, text) / 100
              : plain(what, text);
    };
  }

  /** A current; after its letter {@code 120u} is 120 µA, {@code 0.3m} is 0.3 mA. */
  private static double amperes(FigureText text) {
    double times =
        switch (text.unit()) {
          case "m" -> 1e-3;
          case "u", "µ", "μ" -> 1e-6;
          case "n" -> 1e-9;
          default -> 0;
        };
    return times > 0 && text.number() > 0
        ? times * text.number()
        : of(text, Dimension.CURRENT, ReadingWords.CURRENT_EXPECTED);
  }

  /** A bare number is mA/V; one that no valve has in mA/V is in micromhos, as testers show it. */
  private static double conductance(FigureText text) {
    return text.unit().isEmpty()
        ? plain(Figure.CONDUCTANCE, text) * (text.number() > MOST_MILLIAMPERES_A_VOLT ? 1e-6 : 1e-3)
        : of(text, Dimension.CONDUCTANCE, ReadingWords.CONDUCTANCE_EXPECTED, Figure.CONDUCTANCE);
  }

  private static double plain(Figure what, FigureText text) {
    boolean unit = !text.unit().isEmpty() && !text.unit().equals("%") && !text.unit().equals("°");
    if (unit || !what.mayBe(text.number()) || text.number() > LARGEST_RATIO * LARGEST_RATIO) {
      throw unreadable(ReadingWords.RATIO_RANGE, text.text(), text.index());
    }
    return text.number();
  }

  private static double ratio(FigureText text) {
    boolean percent = text.unit().equals("%");
    if (!text.unit().isEmpty() && !percent) {
      throw unreadable(ReadingWords.RATIO_EXPECTED, text.text(), text.index());
    }
    double value = percent ? text.number() / 100 : text.number();
    if (!(value > 0 && value <= LARGEST_RATIO)) {
      throw unreadable(ReadingWords.RATIO_RANGE, text.text(), text.index());
    }
    return value;
  }

  /**
   * A figure that must have a dimension.
   *
   * @throws UnreadableException where it has another, or is not above zero
   */
  static double of(FigureText text, Dimension wanted, ReadingWords expected) {
    if (text.meaning().dimension() != wanted) {
      throw unreadable(expected, text.text(), text.index());
    }
    return text.positiveValue();
  }

  /** A figure that may be nothing at all, as a short or a dead battery shows. */
  private static double of(FigureText text, Dimension wanted, ReadingWords expected, Figure what) {
    return what.mayBe(0) && text.number() == 0 && text.meaning().dimension() == wanted
        ? 0
        : of(text, wanted, expected);
  }

  private static UnreadableException unreadable(ReadingWords why, String text, int index) {
    return new UnreadableException(Message.of(why, text), text, index);
  }
}
