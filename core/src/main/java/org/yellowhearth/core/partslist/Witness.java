package org.yellowhearth.core.partslist;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Resistor;

/**
 * Reads what one witness says of a part: {@code drawn 8u 450V}, {@code bands yellow violet red
 * gold}.
 */
public final class Witness {
  private Witness() {}

  /** The id of what a witness says of a part: there is one of each. */
  public static String idOf(PartRef part, StatedValue.Origin origin) {
    return origin.code() + "-" + part;
  }

  /**
   * What the words say.
   *
   * @throws org.yellowhearth.core.marking.UnreadableException where they cannot be understood
   * @throws org.yellowhearth.core.marking.AmbiguousException where a figure has two honest meanings
   */
  public static StatedValue read(
      Part part, StatedValue.Origin origin, List<Token> words, PartsListLine census, String line) {
    String said = line.substring(words.getFirst().index()).strip();
    Optional<ColourCode.Reading> bands = ColourCode.read(part.sort(), words);
    if (bands.isPresent()) {
      return new StatedValue(
          idOf(part.ref(), origin),
          part.ref(),
          origin,
          said,
          OptionalDouble.of(bands.get().value()),
          bands.get().volts(),
          Polarity.UNSTATED);
    }
    Part as = part instanceof Capacitor ? blank(part.ref()) : part;
    Optional<Part> stated = census.correct(as, words, said);
    return new StatedValue(
        idOf(part.ref(), origin),
        part.ref(),
        origin,
        said,
        stated.map(s -> value(s)).orElse(OptionalDouble.empty()),
        stated
            .flatMap(s -> s instanceof Capacitor c ? Optional.of(c.ratedVolts()) : Optional.empty())
            .orElse(OptionalDouble.empty()),
        stated
            .flatMap(s -> s instanceof Capacitor c ? Optional.of(c.polarity()) : Optional.empty())
            .orElse(Polarity.UNSTATED));
  }

  /** A capacitor of which nothing is known, to be told from one of which the witness spoke. */
  private static Capacitor blank(PartRef ref) {
    return Stated.NOTHING.withFarads(Double.MIN_NORMAL).asPart(ref, "", "").orElseThrow();
  }

  private static OptionalDouble value(Part stated) {
    return switch (stated) {
      case Capacitor c ->
          c.farads() == Double.MIN_NORMAL ? OptionalDouble.empty() : OptionalDouble.of(c.farads());
      case Resistor r -> OptionalDouble.of(r.ohms());
      case Potentiometer p -> OptionalDouble.of(p.ohms());
      default -> OptionalDouble.empty();
    };
  }
}
