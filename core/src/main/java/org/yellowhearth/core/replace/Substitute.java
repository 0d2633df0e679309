package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Group;
import org.yellowhearth.core.fact.Choice.Joined;
import org.yellowhearth.core.fact.Choice.Way;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;

/**
 * What could take the place of an old capacitor, and what speaks for and against it.
 *
 * @param parts the lines of stock it is made of, each as often as it is used
 * @param points the weightiest first
 */
public record Substitute(Combination combination, List<StockPart> parts, List<Point> points) {
  public Substitute {
    parts = List.copyOf(parts);
    points = List.copyOf(points);
  }

  /**
   * One reason.
   *
   * @param weight how much worse it makes the whole, on the scale of a log distance of value; below
   *     nothing where it speaks for it
   * @param look whether it should be looked at before the part is taken, however little it weighs
   */
  public record Point(Message words, double weight, boolean look) {
    Point(Message words, double weight) {
      this(words, weight, false);
    }

    /** Whether it speaks against it. */
    public boolean against() {
      return weight > 0;
    }
  }

  /** The sum of what speaks against it; the least is best. */
  public double score() {
    return points.stream().mapToDouble(Point::weight).sum();
  }

  /** What it costs. */
  public double price() {
    return combination.price();
  }

  /** This as a choice for a part, the resistors that balance it for this voltage with it. */
  public Choice choice(PartRef part, double volts) {
    Map<String, StockPart> byId =
        parts.stream().collect(Collectors.toMap(StockPart::id, p -> p, (a, _) -> a));
    OptionalDouble balance =
        combination
            .balancing(volts)
            .map(b -> OptionalDouble.of(b.ohms()))
            .orElse(OptionalDouble.empty());
    Joined joined = combination instanceof Combination.Series ? Joined.SERIES : Joined.PARALLEL;
    return new Choice(
        Choice.idOf(part),
        part,
        joined,
        groups(combination, joined, byId),
        balance,
        Way.UNSTATED,
        false,
        "");
  }

  /**
   * A tree of two depths as groups; what is joined the same way as the whole stands among the
   * others.
   */
  private static List<Group> groups(Combination c, Joined joined, Map<String, StockPart> byId) {
    List<Combination> of =
        switch (c) {
          case Combination.One one -> List.of(one);
          case Combination.Parallel p -> p.of();
          case Combination.Series s -> s.of();
        };
    List<Group> groups = new ArrayList<>();
    for (Combination inner : of) {
      boolean same =
          inner instanceof Combination.Series ? joined == Joined.SERIES : joined == Joined.PARALLEL;
      if (!(inner instanceof Combination.One) && same) {
        groups.addAll(groups(inner, joined, byId));
      } else {
        groups.add(new Group(inner.members().stream().map(m -> byId.get(m.id()).taken()).toList()));
      }
    }
    return groups;
  }

  /** What a choice makes of its wares, to be worked with as a capacitor. */
  static Combination combined(Choice choice, Function<Choice.Taken, Candidate> candidate) {
    List<Combination> groups =
        choice.groups().stream()
            .map(g ->
                joined(
                    choice.joined().other(),
                    g.of().stream()
                        .map(t -> (Combination) new Combination.One(candidate.apply(t)))
                        .toList()))
            .toList();
    return joined(choice.joined(), groups);
  }

  private static Combination joined(Joined joined, List<Combination> of) {
    if (of.size() == 1) {
      return of.getFirst();
    }
    return joined == Joined.PARALLEL ? new Combination.Parallel(of) : new Combination.Series(of);
  }
}
