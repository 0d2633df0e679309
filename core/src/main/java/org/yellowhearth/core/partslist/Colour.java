package org.yellowhearth.core.partslist;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;

/**
 * The colours of bands, dots and bodies. The first ten stand for the digits 0 to 9 (IEC 60062, from
 * memory).
 */
public enum Colour implements Coded {
  BLACK,
  BROWN,
  RED,
  ORANGE,
  YELLOW,
  GREEN,
  BLUE,
  VIOLET,
  GREY,
  WHITE,
  GOLD,
  SILVER,
  PINK,
  NONE;

  private static final int DIGITS = 10;
  private static final Map<String, Colour> NAMES =
      Stream.of(values()).collect(Collectors.toMap(Colour::code, Function.identity()));
  private static final Map<String, Colour> OTHER_NAMES =
      Map.of("gray", GREY, "purple", VIOLET, "plain", NONE, "buff", NONE);

  /** The colour of this name; empty where it is none. */
  public static Optional<Colour> named(String word) {
    String folded = word.toLowerCase(Locale.ROOT);
    return Optional.ofNullable(NAMES.getOrDefault(folded, OTHER_NAMES.get(folded)));
  }

  /** Whether it stands for a digit. */
  public boolean isDigit() {
    return ordinalOfDigit() < DIGITS;
  }

  /** The digit it stands for. */
  public int digit() {
    if (!isDigit()) {
      throw new IllegalStateException(this + " is no digit");
    }
    return ordinalOfDigit();
  }

  @SuppressWarnings("EnumOrdinal") // The order of the colours is the code itself.
  private int ordinalOfDigit() {
    return ordinal();
  }
}
