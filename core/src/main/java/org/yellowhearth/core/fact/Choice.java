package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * What was chosen to take the place of a part: one ware, or several joined. The wares stand here
 * whole, so that a job that travels tells what is in the set without the shop it came from.
 *
 * @param joined how the groups are joined; the wares of one group are joined the other way
 * @param balanceOhms a resistor across each, where some stand in series
 * @param way what becomes of the old part and where the new one goes
 * @param standing whether the place is under voltage while the set is off
 * @param reason why this one, in a person's words
 */
public record Choice(
    String id,
    PartRef part,
    Joined joined,
    List<Group> groups,
    OptionalDouble balanceOhms,
    Way way,
    boolean standing,
    String reason)
    implements OfPart {
  /** How wares are connected. */
  public enum Joined implements Coded {
    PARALLEL,
    SERIES;

    /** The other way. */
    public Joined other() {
      return this == PARALLEL ? SERIES : PARALLEL;
    }
  }

  /** What becomes of the old part. */
  public enum Way implements Coded {
    UNSTATED,
    /** It goes; the new one takes its place openly. */
    IN_PLACE,
    /**
     * It stays where it is, disconnected; the new one goes beneath the chassis on a terminal strip
     * of its own.
     */
    BENEATH,
    /** It is emptied and the new one goes into its shell. */
    RESTUFFED,
    /** A new can takes its place. */
    NEW_CAN
  }

  /** Where a ware comes from. */
  public enum Whence implements Coded {
    DRAWER,
    CATALOGUE
  }

  /**
   * One ware that was chosen.
   *
   * @param stock id of its line in the drawer or catalogue
   * @param title what it is called there
   */
  public record Taken(String stock, String title, Whence whence, Ware ware) {
    public Taken {
      Checked.present("what is taken", stock);
    }
  }

  /** Wares joined among themselves. */
  public record Group(List<Taken> of) {
    public Group {
      of = List.copyOf(of);
      if (of.isEmpty() || of.size() > MOST) {
        throw new IllegalArgumentException(
            "a group holds 1 to " + MOST + " parts, not " + of.size());
      }
    }
  }

  private static final int MOST = 8;

  public Choice {
    Item.requireId(id);
    groups = List.copyOf(groups);
    if (groups.isEmpty() || groups.size() > MOST) {
      throw new IllegalArgumentException(
          "a choice holds 1 to " + MOST + " groups, not " + groups.size());
    }
    if (groups.stream()
            .flatMap(g -> g.of().stream())
            .map(t -> t.ware().getClass())
            .distinct()
            .count()
        > 1) {
      throw new IllegalArgumentException("a choice is made of wares of one sort");
    }
    Checked.within("a balancing resistor", balanceOhms, 1, 1e9);
  }

  /** The id of the choice for a part: there is one. */
  public static String idOf(PartRef part) {
    return "choice-" + part;
  }

  /** One ware and nothing else. */
  public static Choice one(PartRef part, Taken ware) {
    return new Choice(
        idOf(part),
        part,
        Joined.PARALLEL,
        List.of(new Group(List.of(ware))),
        OptionalDouble.empty(),
        Way.UNSTATED,
        false,
        "");
  }

  /** Every ware of it. */
  public List<Taken> all() {
    return groups.stream().flatMap(g -> g.of().stream()).toList();
  }

  /** This with the old part treated otherwise. */
  public Choice with(Way otherwise) {
    return new Choice(id, part, joined, groups, balanceOhms, otherwise, standing, reason);
  }

  /**
   * The groups and their wares as a person writes them: {@code 220 µF + 47 µF}, {@code 100 µF — 100
   * µF}.
   */
  public String text(Function<Taken, String> name) {
    List<String> parts =
        groups.stream()
            .map(g -> {
              String inner = String.join(sign(joined.other()), g.of().stream().map(name).toList());
              return g.of().size() > 1 && groups.size() > 1 ? "(" + inner + ")" : inner;
            })
            .toList();
    return String.join(sign(joined), parts);
  }

  private static String sign(Joined joined) {
    return joined == Joined.PARALLEL ? " + " : " — ";
  }
}
