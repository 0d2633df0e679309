package org.yellowhearth.desk.forms;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.LengthText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.workshop.words.Labels;

/** What a field measures: how its figure is read with or without its unit, and written back. */
public enum Measure {
  VOLTS(Unit.VOLT, Optional.of(Dimension.VOLTAGE), true, "230 V, 14 kV"), //
  HERTZ(Unit.HERTZ, Optional.of(Dimension.FREQUENCY), true, "50 Hz"), //
  AMPERES(Unit.AMPERE, Optional.of(Dimension.CURRENT), true, "0.5 A, 250 mA"), //
  OHMS(Unit.OHM, Optional.of(Dimension.RESISTANCE), true, "4k7, 220 Ω, 12 MΩ"), //
  FARADS(Unit.FARAD, Optional.of(Dimension.CAPACITANCE), false, "8 µF, 2 nF"), //
  HENRIES(Unit.HENRY, Optional.of(Dimension.INDUCTANCE), true, "10 H"), //
  CELSIUS(Unit.CELSIUS, Optional.of(Dimension.CELSIUS), true, "18 °C"), //
  WATTS(Unit.WATT, Optional.empty(), true, "60 W"), //
  HOURS(Unit.HOUR, Optional.empty(), true, "4.5"), //
  KILOGRAMS(Unit.KILOGRAM, Optional.empty(), true, "22 kg"), //
  /** Millimetres, typed as any length. */
  MILLIMETRES(Unit.RATIO, Optional.empty(), true, "16, 16 mm, 5/8\""), //
  PLAIN(Unit.RATIO, Optional.empty(), true, "120");

  private static final double MM = 1000;

  private final Unit unit;
  private final Optional<Dimension> dimension;
  private final boolean bare;
  private final String example;

  Measure(Unit unit, Optional<Dimension> dimension, boolean bare, String example) {
    this.unit = unit;
    this.dimension = dimension;
    this.bare = bare;
    this.example = example;
  }

  /**
   * Reads what was typed; nothing typed is nothing said.
   *
   * @throws IllegalArgumentException with a sentence where it is no such figure
   */
  public OptionalDouble read(String text) {
    String plain = text.strip().replace(" ", "");
    if (plain.isEmpty()) {
      return OptionalDouble.empty();
    }
    if (this == MILLIMETRES) {
      return OptionalDouble.of(MM * LengthText.metres(text).orElseThrow(() -> bad(text)));
    }
    try {
      List<Token> words = Token.of(plain);
      FigureText figure = FigureText.read(words, 0).orElseThrow(() -> bad(text));
      if (figure.unit().isEmpty() ? bare : figure.unit().equalsIgnoreCase(unit.symbol())) {
        return OptionalDouble.of(figure.number());
      }
      if (figure.unit().isEmpty()
          || dimension.filter(d -> d == figure.meaning().dimension()).isEmpty()) {
        throw bad(text);
      }
      return OptionalDouble.of(figure.value());
    } catch (UnreadableException | AmbiguousException e) {
      throw new IllegalArgumentException(bad(text).getMessage(), e);
    }
  }

  private IllegalArgumentException bad(String text) {
    return new IllegalArgumentException(Labels.of("field.bad", text, example));
  }

  /** The figure as a field shows it. */
  public String write(OptionalDouble value) {
    return value.isEmpty() ? "" : Quantity.of(value.getAsDouble(), unit).toString();
  }

  /** An example of how it is written. */
  public String example() {
    return example;
  }
}
