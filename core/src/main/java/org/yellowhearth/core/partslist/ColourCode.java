package org.yellowhearth.core.partslist;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.quantity.Unit;

/**
 * Colour bands, dots and bodies as figures. Where a row of colours has several honest meanings, all
 * are given, the likelier first. Bands of resistors follow IEC 60062; dots of mica, moulded paper,
 * ceramic and tantalum the older codes of the industry, all from memory.
 */
public final class ColourCode {
  private static final Map<Colour, Double> RESISTOR_TOLERANCE =
      Map.ofEntries(
          Map.entry(Colour.BROWN, 0.01),
          Map.entry(Colour.RED, 0.02),
          Map.entry(Colour.ORANGE, 0.0005),
          Map.entry(Colour.YELLOW, 0.0002),
          Map.entry(Colour.GREEN, 0.005),
          Map.entry(Colour.BLUE, 0.0025),
          Map.entry(Colour.VIOLET, 0.001),
          Map.entry(Colour.GREY, 0.0001),
          Map.entry(Colour.GOLD, 0.05),
          Map.entry(Colour.SILVER, 0.1),
          Map.entry(Colour.NONE, 0.2));
  private static final Map<Colour, Integer> RESISTOR_PPM =
      Map.of(
          Colour.BLACK,
          250,
          Colour.BROWN,
          100,
          Colour.RED,
          50,
          Colour.ORANGE,
          15,
          Colour.YELLOW,
          25,
          Colour.GREEN,
          20,
          Colour.BLUE,
          10,
          Colour.VIOLET,
          5,
          Colour.GREY,
          1);
  private static final Map<Colour, Double> DOT_TOLERANCE =
      Map.ofEntries(
          Map.entry(Colour.BLACK, 0.2),
          Map.entry(Colour.BROWN, 0.01),
          Map.entry(Colour.RED, 0.02),
          Map.entry(Colour.ORANGE, 0.03),
          Map.entry(Colour.YELLOW, 0.04),
          Map.entry(Colour.GREEN, 0.05),
          Map.entry(Colour.BLUE, 0.06),
          Map.entry(Colour.VIOLET, 0.07),
          Map.entry(Colour.GREY, 0.08),
          Map.entry(Colour.WHITE, 0.09),
          Map.entry(Colour.GOLD, 0.05),
          Map.entry(Colour.SILVER, 0.1),
          Map.entry(Colour.NONE, 0.2));
  private static final Map<Colour, Double> PAPER_TOLERANCE =
      Map.of(
          Colour.BLACK,
          0.2,
          Colour.ORANGE,
          0.3,
          Colour.YELLOW,
          0.4,
          Colour.GREEN,
          0.05,
          Colour.WHITE,
          0.1,
          Colour.SILVER,
          0.1,
          Colour.GOLD,
          0.05);
  private static final Map<Colour, Double> FILM_TOLERANCE =
      Map.of(Colour.BLACK, 0.2, Colour.WHITE, 0.1, Colour.GREEN, 0.05);
  private static final Map<Colour, Double> FILM_VOLTS =
      Map.of(Colour.BROWN, 100.0, Colour.RED, 250.0, Colour.YELLOW, 400.0, Colour.BLUE, 630.0);
  private static final Map<Colour, Double> CERAMIC_TOLERANCE =
      Map.of(
          Colour.BLACK,
          0.2,
          Colour.BROWN,
          0.01,
          Colour.RED,
          0.02,
          Colour.ORANGE,
          0.025,
          Colour.GREEN,
          0.05,
          Colour.WHITE,
          0.1);
  private static final Map<Colour, Integer> CERAMIC_PPM =
      Map.of(
          Colour.BLACK,
          0,
          Colour.BROWN,
          -33,
          Colour.RED,
          -75,
          Colour.ORANGE,
          -150,
          Colour.YELLOW,
          -220,
          Colour.GREEN,
          -330,
          Colour.BLUE,
          -470,
          Colour.VIOLET,
          -750,
          Colour.GREY,
          30,
          Colour.WHITE,
          100);
  private static final Map<Colour, Double> TANTALUM_VOLTS =
      Map.of(
          Colour.WHITE,
          3.0,
          Colour.YELLOW,
          6.3,
          Colour.BLACK,
          10.0,
          Colour.GREEN,
          16.0,
          Colour.BLUE,
          20.0,
          Colour.GREY,
          25.0,
          Colour.PINK,
          35.0);
  private static final double PICO = 1e-12;
  private static final double MICRO = 1e-6;
  private static final double USUAL_MICA_VOLTS = 500;

  private ColourCode() {}

  /** How colours are laid out on a part, and how many of them there are. */
  public enum Scheme implements Coded {
    RESISTOR_BANDS(3, 6),
    BODY_END_DOT(3, 4),
    MICA_DOTS(3, 6),
    PAPER_BANDS(5, 6),
    FILM_BANDS(5, 5),
    CERAMIC_DOTS(3, 5),
    TANTALUM_DOTS(3, 4);

    private final int least;
    private final int most;

    Scheme(int least, int most) {
      this.least = least;
      this.most = most;
    }

    public int least() {
      return least;
    }

    public int most() {
      return most;
    }
  }

  /**
   * One meaning of a row of colours.
   *
   * @param value in ohms or farads
   * @param ppm temperature coefficient in parts per million and kelvin
   * @param why what speaks for this meaning
   */
  public record Reading(
      Scheme scheme,
      double value,
      Unit unit,
      Optional<Tolerance> tolerance,
      OptionalDouble volts,
      OptionalInt ppm,
      Message why) {}

  /** What can speak for a meaning. */
  public enum ColourWords implements MessageKey {
    ONLY_MEANING,
    PREFERRED_VALUE,
    NOT_PREFERRED,
    READ_BACKWARDS,
    THREE_DIGITS,
    TWO_DIGITS_AND_RELIABILITY,
    BODY_IS_FIRST, //
    MICA_PLAIN,
    MICA_OLD_SIX,
    MICA_BLACK_FIRST,
    MICA_WHITE_FIRST,
    MICA_SILVER_FIRST,
    FOR_KIND
  }

  /**
   * A row of colours on a part of this sort where every word is one; empty where it is not, or has
   * no meaning.
   */
  static Optional<Reading> read(Sort sort, List<Token> words) {
    List<Colour> colours = words.stream().flatMap(w -> Colour.named(w.text()).stream()).toList();
    if (colours.size() != words.size() || colours.size() < 3) {
      return Optional.empty();
    }
    List<Scheme> schemes =
        sort == Sort.CAPACITOR
            ? List.of(Scheme.MICA_DOTS, Scheme.PAPER_BANDS, Scheme.CERAMIC_DOTS)
            : List.of(Scheme.RESISTOR_BANDS);
    return schemes.stream().flatMap(s -> decode(s, colours).stream()).findFirst();
  }

  /** All meanings of a row of colours, the likelier first; empty where it has none. */
  public static List<Reading> decode(Scheme scheme, List<Colour> colours) {
    if (colours.size() < scheme.least || colours.size() > scheme.most) {
      return List.of();
    }
    return switch (scheme) {
      case RESISTOR_BANDS -> resistor(colours);
      case BODY_END_DOT -> bodyEndDot(colours);
      case MICA_DOTS -> mica(colours);
      case PAPER_BANDS -> paper(colours);
      case FILM_BANDS -> film(colours);
      case CERAMIC_DOTS -> ceramic(colours);
      case TANTALUM_DOTS -> tantalum(colours);
    };
  }

  private static OptionalDouble digits(List<Colour> colours) {
    if (!colours.stream().allMatch(Colour::isDigit)) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(
        colours.stream().mapToInt(Colour::digit).reduce(0, (a, d) -> 10 * a + d));
  }

  private static OptionalDouble power(Colour colour) {
    return switch (colour) {
      case GOLD -> OptionalDouble.of(0.1);
      case SILVER -> OptionalDouble.of(0.01);
      case PINK -> OptionalDouble.of(0.001);
      case NONE -> OptionalDouble.empty();
      default -> OptionalDouble.of(Double.parseDouble("1e" + colour.digit()));
    };
  }

  /**
   * Digits and a power of ten; empty where a colour cannot be what it should be, or the value would
   * be nothing.
   */
  private static OptionalDouble value(List<Colour> digits, Colour power, double unit) {
    OptionalDouble figure = digits(digits);
    OptionalDouble times = power(power);
    return figure.isEmpty() || times.isEmpty() || figure.getAsDouble() == 0
        ? OptionalDouble.empty()
        : OptionalDouble.of(figure.getAsDouble() * times.getAsDouble() * unit);
  }

  // --- resistors
  // -----------------------------------------------------------------------------------------------------------

  private static List<Reading> resistor(List<Colour> bands) {
    List<Reading> all = new ArrayList<>(resistorOneWay(bands, false));
    boolean turnable =
        bands.getLast().isDigit() && bands.getLast() != Colour.BLACK && bands.size() > 3;
    if (turnable) {
      all.addAll(resistorOneWay(bands.reversed(), true));
    }
    all.sort(Comparator.comparingInt(ColourCode::doubt));
    return List.copyOf(all);
  }

  private static int doubt(Reading r) {
    return switch ((ColourWords) r.why.key()) {
      case PREFERRED_VALUE, ONLY_MEANING -> 0;
      case THREE_DIGITS, TWO_DIGITS_AND_RELIABILITY -> 1;
      case READ_BACKWARDS -> 2;
      default -> 3;
    };
  }

  private static List<Reading> resistorOneWay(List<Colour> bands, boolean backwards) {
    List<Reading> all = new ArrayList<>();
    if (bands.getFirst() == Colour.BLACK && bands.size() > 3) {
      return all;
    }
    int n = bands.size();
    if (n <= 4) {
      bands(
              bands,
              2,
              n == 4 ? bands.get(3) : Colour.NONE,
              Optional.empty(),
              backwards,
              ColourWords.ONLY_MEANING)
          .ifPresent(all::add);
    } else {
      bands(
              bands,
              3,
              bands.get(4),
              n == 6 ? Optional.of(bands.get(5)) : Optional.empty(),
              backwards,
              ColourWords.THREE_DIGITS)
          .ifPresent(all::add);
      boolean old = bands.get(3) == Colour.GOLD || bands.get(3) == Colour.SILVER;
      if (n == 5 && old) {
        bands(
                bands,
                2,
                bands.get(3),
                Optional.empty(),
                backwards,
                ColourWords.TWO_DIGITS_AND_RELIABILITY)
            .ifPresent(all::add);
      }
    }
    return all;
  }

  private static Optional<Reading> bands(
      List<Colour> bands,
      int digits,
      Colour tolerance,
      Optional<Colour> ppm,
      boolean backwards,
      ColourWords plain) {
    OptionalDouble value = value(bands.subList(0, digits), bands.get(digits), 1);
    Double allowed = RESISTOR_TOLERANCE.get(tolerance);
    boolean noPpm = ppm.isPresent() && !RESISTOR_PPM.containsKey(ppm.get());
    if (value.isEmpty() || allowed == null || noPpm) {
      return Optional.empty();
    }
    boolean preferred = preferred(value.getAsDouble(), digits);
    ColourWords why =
        backwards
            ? ColourWords.READ_BACKWARDS
            : preferred
                ? plain == ColourWords.ONLY_MEANING ? ColourWords.PREFERRED_VALUE : plain
                : ColourWords.NOT_PREFERRED;
    return Optional.of(
        new Reading(
            Scheme.RESISTOR_BANDS,
            value.getAsDouble(),
            Unit.OHM,
            Optional.of(Tolerance.plusMinus(allowed)),
            OptionalDouble.empty(),
            ppm.map(p -> OptionalInt.of(RESISTOR_PPM.get(p))).orElse(OptionalInt.empty()),
            Message.of(why)));
  }

  private static boolean preferred(double value, int digits) {
    List<PreferredSeries> series =
        digits == 2
            ? List.of(PreferredSeries.E24)
            : List.of(PreferredSeries.E24, PreferredSeries.E192);
    return series.stream()
        .anyMatch(s -> s.between(value * 0.999, value * 1.001).stream().findAny().isPresent());
  }

  private static List<Reading> bodyEndDot(List<Colour> c) {
    OptionalDouble value = value(c.subList(0, 2), c.get(2), 1);
    Colour other = c.size() > 3 ? c.get(3) : Colour.NONE;
    Double allowed = RESISTOR_TOLERANCE.get(other);
    if (value.isEmpty() || allowed == null) {
      return List.of();
    }
    return List.of(
        new Reading(
            Scheme.BODY_END_DOT,
            value.getAsDouble(),
            Unit.OHM,
            Optional.of(Tolerance.plusMinus(allowed)),
            OptionalDouble.empty(),
            OptionalInt.empty(),
            Message.of(ColourWords.BODY_IS_FIRST)));
  }

  // --- capacitors
  // ----------------------------------------------------------------------------------------------------------

  private static Optional<Reading> capacitor(
      Scheme scheme,
      OptionalDouble farads,
      Optional<Double> tolerance,
      OptionalDouble volts,
      OptionalInt ppm,
      ColourWords why) {
    return farads.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Reading(
                scheme,
                farads.getAsDouble(),
                Unit.FARAD,
                tolerance.map(Tolerance::plusMinus),
                volts,
                ppm,
                Message.of(why)));
  }

  /**
   * Three dots; or six, the upper row from the left and then the lower row from the left as the
   * arrow points to the right.
   */
  private static List<Reading> mica(List<Colour> c) {
    List<Reading> all = new ArrayList<>();
    if (c.size() == 3) {
      capacitor(
              Scheme.MICA_DOTS,
              value(c.subList(0, 2), c.get(2), PICO),
              Optional.of(0.2),
              OptionalDouble.of(USUAL_MICA_VOLTS),
              OptionalInt.empty(),
              ColourWords.MICA_PLAIN)
          .ifPresent(all::add);
    } else if (c.size() == 6) {
      Optional<Double> tolerance = Optional.ofNullable(DOT_TOLERANCE.get(c.get(4)));
      ColourWords first =
          switch (c.getFirst()) {
            case BLACK -> ColourWords.MICA_BLACK_FIRST;
            case WHITE -> ColourWords.MICA_WHITE_FIRST;
            case SILVER -> ColourWords.MICA_SILVER_FIRST;
            default -> ColourWords.MICA_OLD_SIX;
          };
      if (first != ColourWords.MICA_OLD_SIX) {
        capacitor(
                Scheme.MICA_DOTS,
                value(c.subList(1, 3), c.get(5), PICO),
                tolerance,
                OptionalDouble.empty(),
                OptionalInt.empty(),
                first)
            .ifPresent(all::add);
      }
      if (c.getFirst() != Colour.BLACK) {
        capacitor(
                Scheme.MICA_DOTS,
                value(c.subList(0, 3), c.get(5), PICO),
                tolerance,
                hundreds(c.subList(3, 4)),
                OptionalInt.empty(),
                ColourWords.MICA_OLD_SIX)
            .ifPresent(all::add);
      }
    }
    return List.copyOf(all);
  }

  /** The voltage in hundreds; gold a thousand, silver two thousand, none five hundred. */
  private static OptionalDouble hundreds(List<Colour> c) {
    Colour first = c.getFirst();
    return switch (first) {
      case GOLD -> OptionalDouble.of(1000);
      case SILVER -> OptionalDouble.of(2000);
      case NONE -> OptionalDouble.of(USUAL_MICA_VOLTS);
      default -> {
        OptionalDouble figure = digits(c);
        yield figure.isEmpty() || figure.getAsDouble() == 0
            ? OptionalDouble.empty()
            : OptionalDouble.of(100 * figure.getAsDouble());
      }
    };
  }

  private static List<Reading> paper(List<Colour> c) {
    return capacitor(
            Scheme.PAPER_BANDS,
            value(c.subList(0, 2), c.get(2), PICO),
            Optional.ofNullable(PAPER_TOLERANCE.get(c.get(3))),
            hundreds(c.subList(4, c.size())),
            OptionalInt.empty(),
            ColourWords.FOR_KIND)
        .stream()
        .toList();
  }

  private static List<Reading> film(List<Colour> c) {
    return capacitor(
            Scheme.FILM_BANDS,
            value(c.subList(0, 2), c.get(2), PICO),
            Optional.ofNullable(FILM_TOLERANCE.get(c.get(3))),
            looked(FILM_VOLTS, c.get(4)),
            OptionalInt.empty(),
            ColourWords.FOR_KIND)
        .stream()
        .toList();
  }

  private static OptionalDouble looked(Map<Colour, Double> table, Colour colour) {
    Double found = table.get(colour);
    return found == null ? OptionalDouble.empty() : OptionalDouble.of(found);
  }

  /**
   * Three dots without, five with temperature coefficient first and tolerance last; grey and white
   * are fractions here.
   */
  private static List<Reading> ceramic(List<Colour> c) {
    boolean five = c.size() == 5;
    int from = five ? 1 : 0;
    Function<Colour, OptionalDouble> power =
        colour ->
            switch (colour) {
              case GREY -> OptionalDouble.of(0.01);
              case WHITE -> OptionalDouble.of(0.1);
              default -> power(colour);
            };
    OptionalDouble figure = digits(c.subList(from, from + 2));
    OptionalDouble times = power.apply(c.get(from + 2));
    boolean coefficient = !five || CERAMIC_PPM.containsKey(c.getFirst());
    if (figure.isEmpty()
        || times.isEmpty()
        || !coefficient
        || figure.getAsDouble() == 0
        || c.size() == 4) {
      return List.of();
    }
    return capacitor(
            Scheme.CERAMIC_DOTS,
            OptionalDouble.of(figure.getAsDouble() * times.getAsDouble() * PICO),
            five ? Optional.ofNullable(CERAMIC_TOLERANCE.get(c.get(4))) : Optional.empty(),
            OptionalDouble.empty(),
            five ? OptionalInt.of(CERAMIC_PPM.get(c.getFirst())) : OptionalInt.empty(),
            ColourWords.FOR_KIND)
        .stream()
        .toList();
  }

  /**
   * Upper colour, middle colour, dot, and below it the voltage. Seen with the dot in front, the
   * right lead is positive.
   */
  private static List<Reading> tantalum(List<Colour> c) {
    OptionalDouble figure = digits(c.subList(0, 2));
    OptionalDouble times =
        switch (c.get(2)) {
          case BLACK -> OptionalDouble.of(1);
          case BROWN -> OptionalDouble.of(10);
          case RED -> OptionalDouble.of(100);
          case GREY -> OptionalDouble.of(0.01);
          case WHITE -> OptionalDouble.of(0.1);
          default -> OptionalDouble.empty();
        };
    if (figure.isEmpty() || times.isEmpty() || figure.getAsDouble() == 0) {
      return List.of();
    }
    return capacitor(
            Scheme.TANTALUM_DOTS,
            OptionalDouble.of(figure.getAsDouble() * times.getAsDouble() * MICRO),
            Optional.of(0.2),
            c.size() > 3 ? looked(TANTALUM_VOLTS, c.get(3)) : OptionalDouble.empty(),
            OptionalInt.empty(),
            ColourWords.FOR_KIND)
        .stream()
        .toList();
  }
}
