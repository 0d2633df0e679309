package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.Ware;

/**
 * What is to be bought, as a counter or a web shop asks for it: alike parts together, ordered by
 * what they are, value and voltage, each with what would do as well.
 */
public record CounterList(List<Line> lines) {
  /** So much above the value is as good (what {@link Substitutes} calls near). */
  private static final double NEAR = Substitutes.NEAR_ENOUGH;

  /** A value that is the same but for rounding. */
  private static final double SAME = 1e-3;

  private static final int ALTERNATES = 3;

  /**
   * Alike parts.
   *
   * @param bought how many, spares and packs in it
   * @param instead what would do as well, the nearest first
   */
  public record Line(
      int bought, Ware ware, String order, List<Shopping.Use> uses, List<StockPart> instead) {
    public Line {
      uses = List.copyOf(uses);
      instead = List.copyOf(instead);
    }

    /** Where its parts go. */
    public String where() {
      return Shopping.Use.where(uses);
    }
  }

  public CounterList {
    lines = List.copyOf(lines);
  }

  /**
   * A shopping list in the order of a counter.
   *
   * @param stock every line that can be had, by its id
   */
  public static CounterList of(Shopping shopping, Map<String, Ware> wares, List<StockPart> stock) {
    Map<String, Line> alike = new LinkedHashMap<>();
    for (Shopping.Line l : shopping.lines()) {
      Ware ware = wares.get(l.stock());
      if (ware == null) {
        throw new IllegalArgumentException("nothing is known of " + l.title());
      }
      alike.merge(
          like(ware),
          new Line(l.bought(), ware, l.title(), l.uses(), instead(ware, l.stock(), stock)),
          CounterList::together);
    }
    return new CounterList(alike.values().stream().sorted(ORDER).toList());
  }

  private static Line together(Line a, Line b) {
    List<Shopping.Use> uses = new ArrayList<>(a.uses);
    uses.addAll(b.uses);
    return new Line(a.bought + b.bought, a.ware, a.order, uses, a.instead);
  }

  private static final Comparator<Line> ORDER =
      Comparator.comparingInt((Line l) -> group(l.ware))
          .thenComparing(l -> l.ware instanceof CapacitorWare c ? c.kind() : "")
          .thenComparingDouble(l -> l.ware.value())
          .thenComparingDouble(l -> rating(l.ware))
          .thenComparing(Line::order);

  private static int group(Ware w) {
    return switch (w) {
      case CapacitorWare _ -> 0;
      case ResistorWare _ -> 1;
      case DeviceWare _ -> 2;
    };
  }

  private static double rating(Ware w) {
    return switch (w) {
      case CapacitorWare c -> c.volts();
      case ResistorWare r -> r.watts();
      case DeviceWare _ -> 0;
    };
  }

  private static String like(Ware w) {
    return switch (w) {
      case CapacitorWare c ->
          c.kind() + " " + c.farads() + " " + c.volts() + " " + c.safety() + " " + c.leads();
      case ResistorWare r -> "r " + r.ohms() + " " + r.watts() + " " + r.tolerance();
      case DeviceWare d -> d.type();
    };
  }

  private static List<StockPart> instead(Ware ware, String id, List<StockPart> stock) {
    return stock.stream()
        .filter(s -> !s.id().equals(id) && serves(s.ware(), ware))
        .sorted(
            Comparator.comparingDouble((StockPart s) -> distance(s.ware(), ware))
                .thenComparingDouble(s -> s.price().orElse(0)))
        .limit(ALTERNATES)
        .toList();
  }

  /** Whether it would do: no less of anything that it must stand, and near in value. */
  private static boolean serves(Ware other, Ware wanted) {
    if (other instanceof CapacitorWare o && wanted instanceof CapacitorWare w) {
      double times = o.farads() / w.farads();
      return o.kind().equals(w.kind())
          && o.safety() == w.safety()
          && o.ratedForMains() == w.ratedForMains()
          && o.leads() == w.leads()
          && o.volts() >= w.volts()
          && times >= 1 - SAME
          && times <= NEAR
          && (Math.abs(times - 1) > SAME || o.volts() > w.volts())
          && noLess(o.celsius(), w.celsius());
    }
    return other instanceof ResistorWare o
        && wanted instanceof ResistorWare w
        && Math.abs(o.ohms() / w.ohms() - 1) < SAME
        && o.watts() > w.watts()
        && o.tolerance() <= w.tolerance();
  }

  private static boolean noLess(OptionalDouble other, OptionalDouble wanted) {
    return wanted.isEmpty() || (other.isPresent() && other.getAsDouble() >= wanted.getAsDouble());
  }

  private static double distance(Ware other, Ware wanted) {
    return Math.abs(Math.log(other.value() / wanted.value()))
        + Math.abs(Math.log(rating(other) / rating(wanted))) / 4;
  }
}
