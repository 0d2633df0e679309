package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;

/**
 * Which part of a kit, or of the drawer, goes where: as many places as possible are filled, and
 * among all ways the one whose parts serve best.
 *
 * @param placed in the order of the places
 * @param open places that stay open, and why
 * @param left what is left over, each as often as it is left
 */
public record KitMatch(List<Placed> placed, List<Open> open, List<StockPart> left) {
  /**
   * A place that is filled.
   *
   * @param up how much higher than the old one it is rated; 0 where it is not
   */
  public record Placed(PartRef part, StockPart ware, Substitute as, double up) {}

  /**
   * A place that stays open.
   *
   * @param why the reason why most parts were refused, or that others need the parts that would do
   */
  public record Open(PartRef part, Message why) {}

  /** What it weighs that a line is meant for another place. */
  private static final double NOT_MEANT = 5;

  public KitMatch {
    placed = List.copyOf(placed);
    open = List.copyOf(open);
    left = List.copyOf(left);
  }

  /**
   * The best match.
   *
   * @param places what each place asks, whatever stock stands in the questions
   * @param kit the parts, each once for every one there is
   */
  public static KitMatch of(List<Substitutes.Question> places, List<StockPart> kit) {
    return of(places, kit, Map.of());
  }

  /**
   * The same, where the kit's list says for which places its lines are meant; that counts for more
   * than what would serve a little better.
   *
   * @param meant the places of a line, by its title
   */
  public static KitMatch of(
      List<Substitutes.Question> places, List<StockPart> kit, Map<String, List<PartRef>> meant) {
    List<Map<Ware, Substitutes.Judged>> judged = new ArrayList<>();
    for (Substitutes.Question q : places) {
      Map<Ware, Substitutes.Judged> by = new HashMap<>();
      Substitutes.Judge judge = Substitutes.judge(q);
      kit.stream()
          .filter(p -> p.ware() instanceof CapacitorWare)
          .forEach(p -> by.computeIfAbsent(p.ware(), _ -> judge.of(p)));
      judged.add(by);
    }
    // Scores may lie below nothing where the drawer speaks for a part; what counts is their
    // difference.
    double least =
        judged.stream()
            .flatMap(m -> m.values().stream())
            .flatMap(j -> j.as().stream())
            .mapToDouble(Substitute::score)
            .min()
            .orElse(0);
    OptionalInt[] to =
        Assignment.of(
            places.size(),
            kit.size(),
            (i, j) ->
                Optional.ofNullable(judged.get(i).get(kit.get(j).ware()))
                    .flatMap(Substitutes.Judged::as)
                    .map(s ->
                        s.score()
                            - least
                            + (meant
                                    .getOrDefault(kit.get(j).title(), List.of())
                                    .contains(places.get(i).part().ref())
                                ? 0
                                : NOT_MEANT))
                    .orElse(Double.POSITIVE_INFINITY));
    List<StockPart> left = new ArrayList<>(kit);
    List<Placed> placed = new ArrayList<>();
    List<Open> open = new ArrayList<>();
    for (int i = 0; i < to.length; i++) {
      Capacitor old = places.get(i).part();
      if (to[i].isPresent()) {
        StockPart ware = kit.get(to[i].getAsInt());
        double rated = ((CapacitorWare) ware.ware()).volts();
        placed.add(
            new Placed(
                old.ref(),
                ware,
                judged.get(i).get(ware.ware()).as().orElseThrow(),
                Math.max(0, rated - old.ratedVolts().orElse(rated))));
        left.remove(ware);
      } else {
        open.add(new Open(old.ref(), why(judged.get(i))));
      }
    }
    return new KitMatch(placed, open, left);
  }

  private static Message why(Map<Ware, Substitutes.Judged> judged) {
    if (judged.values().stream().anyMatch(j -> j.as().isPresent())) {
      return Message.of(ReplaceWords.KIT_TAKEN);
    }
    // The refusal that comes last is of the part that came furthest.
    return judged.values().stream()
        .flatMap(j -> j.refused().stream())
        .max(Comparator.comparingInt(m -> m.key() instanceof ReplaceWords w ? w.furthest() : 0))
        .orElse(Message.of(ReplaceWords.KIT_EMPTY));
  }
}
