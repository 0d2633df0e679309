package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What of a capacitor does not belong into a set of its year, and what a repairer of that year
 * would have fitted.
 */
public final class Anachronism {
  /** A value that lies so near one of the old ones is one of them. */
  private static final double SAME = 0.005;

  /** Sets were repaired for so long with what was new when they were new (our own step). */
  private static final int REPAIR_YEARS = 5;

  private Anachronism() {}

  /**
   * What is too young, too old, or marked in the wrong way for its set; nothing where all of it may
   * be original.
   */
  public static List<Message> of(Capacitor part, int year, Knowledge knowledge) {
    List<Message> found = new ArrayList<>();
    CapacitorKind kind = knowledge.kind(part.kind());
    if (kind.family() != Family.UNSTATED) {
      if (kind.made().from() > year + 1) {
        found.add(
            Message.of(
                ReplaceWords.TOO_YOUNG,
                Message.term("Capacitor." + kind.id()),
                Integer.toString(kind.made().from()),
                Integer.toString(year)));
      } else if (kind.made().to() < year) {
        found.add(
            Message.of(
                ReplaceWords.TOO_OLD,
                Message.term("Capacitor." + kind.id()),
                Integer.toString(kind.made().to()),
                Integer.toString(year)));
      }
    }
    knowledge
        .period()
        .value(kind.family(), year, part.farads())
        .filter(v -> Math.abs(v / part.farads() - 1) > SAME)
        .ifPresent(v ->
            found.add(
                Message.of(
                    ReplaceWords.PERIOD_VALUE,
                    Quantity.farads(part.farads()),
                    Integer.toString(year),
                    Quantity.farads(v))));
    return found;
  }

  /**
   * What a repairer of the set's day would have fitted.
   *
   * @param kind id of the kind
   * @param farads the value as it was made then
   */
  public record OfItsDay(String kind, double farads) {}

  /**
   * The same kind in the value of the day, or where that kind came later the one of its family that
   * was made then.
   */
  public static Optional<OfItsDay> ofItsDay(Capacitor part, int year, Knowledge knowledge) {
    CapacitorKind kind = knowledge.kind(part.kind());
    Optional<CapacitorKind> then =
        made(kind, year)
            ? Optional.of(kind)
            : knowledge.kinds().values().stream()
                .filter(k -> k.family() == before(kind.family()) && made(k, year))
                .min(
                    Comparator.comparingInt((CapacitorKind k) -> k.made().from())
                        .thenComparing(CapacitorKind::id));
    return then.map(k ->
        new OfItsDay(
            k.id(),
            knowledge.period().value(k.family(), year, part.farads()).orElse(part.farads())));
  }

  private static boolean made(CapacitorKind kind, int year) {
    return kind.made().from() <= year + REPAIR_YEARS
        && kind.made().to() >= year
        && kind.family() != Family.UNSTATED;
  }

  /** What stood where these stand now, before there were these. */
  private static Family before(Family family) {
    return switch (family) {
      case FILM, SUPPRESSION -> Family.PAPER;
      case CERAMIC -> Family.MICA;
      case TANTALUM -> Family.ELECTROLYTIC;
      default -> family;
    };
  }
}
