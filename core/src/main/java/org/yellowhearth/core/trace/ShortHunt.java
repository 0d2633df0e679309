package org.yellowhearth.core.trace;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Winding;

/**
 * A rail that reads as a short, with the set off: which leg to lift first. What is likely and quick
 * comes first: lifting in the order of chance for each minute finds the short soonest on the
 * average. A leg that was lifted without effect is out; signs of warmth weigh.
 *
 * @param legs what hangs on the rail and on what feeds it, best first
 * @param found the part whose lifting ended the short; empty while none did
 */
public record ShortHunt(List<Leg> legs, String found) {
  /** The sign that lifting a leg changed what the rail reads, as it is kept in the job. */
  public static final String CHANGED = "lifted-changed";

  private static final String HOT = "hot";

  private static final double WARM_TIMES = 8;
  private static final double CHANGED_TIMES = 4;
  private static final double CAPACITOR_MINUTES = 4;
  private static final double LOAD_MINUTES = 2;
  private static final double VALVE_MINUTES = 1;
  private static final double SOLID_MINUTES = 6;
  private static final double LOAD_CHANCE = 0.15;
  private static final double VALVE_CHANCE = 0.05;
  private static final double SOLID_CHANCE = 0.15;
  private static final double WIRING_CHANCE = 0.04;
  private static final double WIRING_MINUTES = 15;

  /** Stands for the wiring itself: a solder bridge, a screw, a pinched lead. */
  public static final String WIRING = "wiring";

  /**
   * One leg.
   *
   * @param point the point it hangs on
   * @param chance that it is the short, of all that are left
   * @param minutes to lift it
   */
  public record Leg(String part, String point, double chance, double minutes) {
    double worth() {
      return chance / minutes;
    }
  }

  public ShortHunt {
    legs = List.copyOf(legs);
  }

  /**
   * The hunt on a rail.
   *
   * @param chance how likely a capacitor of the census is bad
   */
  public static ShortHunt of(Job job, String rail, ToDoubleFunction<PartRef> chance) {
    Map<String, Leg> legs = new LinkedHashMap<>();
    SupplyNames names = new SupplyNames(job.items(SupplySection.class));
    for (String point : reach(job, rail)) {
      job.items(SupplySection.class).forEach(s -> hanging(job, names, s, point, chance, legs));
    }
    legs.put(WIRING, new Leg(WIRING, rail, WIRING_CHANCE, WIRING_MINUTES));
    Map<String, Double> weight = new HashMap<>();
    String found = "";
    for (SupplySign s : job.items(SupplySign.class)) {
      switch (s.sign()) {
        case SupplySign.LIFTED_STILL_SHORT -> weight.put(s.place(), 0.0);
        case SupplySign.LIFTED_SHORT_GONE ->
            found = legs.containsKey(s.place()) ? s.place() : found;
        case CHANGED -> weight.merge(s.place(), CHANGED_TIMES, (a, b) -> a * b);
        case HOT -> weight.merge(s.place(), WARM_TIMES, (a, b) -> a * b);
        default -> {}
      }
    }
    double sum =
        legs.values().stream().mapToDouble(l -> l.chance * weight.getOrDefault(l.part, 1.0)).sum();
    List<Leg> left = new ArrayList<>();
    legs.values().stream()
        .filter(l -> weight.getOrDefault(l.part, 1.0) > 0)
        .forEach(l ->
            left.add(
                new Leg(
                    l.part,
                    l.point,
                    l.chance * weight.getOrDefault(l.part, 1.0) / sum,
                    l.minutes)));
    left.sort(Comparator.comparingDouble(Leg::worth).reversed());
    return new ShortHunt(left, found);
  }

  /** The rail, and what wires, regulators and small resistances join to it, up and down. */
  private static Set<String> reach(Job job, String rail) {
    Set<String> points = new LinkedHashSet<>(List.of(rail));
    Deque<String> open = new ArrayDeque<>(List.of(rail));
    while (!open.isEmpty()) {
      String at = open.pop();
      for (SupplySection s : job.items(SupplySection.class)) {
        List<String> ends =
            switch (s) {
              case SupplyRegulator r when r.kind() == SupplyRegulator.Kind.SERIES ->
                  List.of(r.from(), r.to());
              case SupplyFilter f when !f.from().equals(f.to()) && choke(job, f) ->
                  List.of(f.from(), f.to());
              default -> List.of();
            };
        if (ends.contains(at)) {
          ends.stream()
              .filter(e -> !e.equals(SupplySection.CHASSIS) && points.add(e))
              .forEach(open::push);
        }
      }
    }
    return points;
  }

  /**
   * A choke opposes direct current by a few hundred ohms only: a short behind it reads as one
   * before it.
   */
  private static boolean choke(Job job, SupplyFilter f) {
    return f.henries().isPresent()
        || f.through().flatMap(job::part).filter(Winding.class::isInstance).isPresent();
  }

  private static void hanging(
      Job job,
      SupplyNames names,
      SupplySection s,
      String point,
      ToDoubleFunction<PartRef> chance,
      Map<String, Leg> legs) {
    switch (s) {
      case SupplyFilter f -> {
        if (f.to().equals(point) && (f.shunt().isPresent() || f.farads().isPresent())) {
          String part = names.shunt(f);
          legs.put(
              part,
              new Leg(
                  part,
                  point,
                  f.shunt().map(chance::applyAsDouble).orElse(0.2),
                  CAPACITOR_MINUTES));
        }
      }
      case SupplyLoad l when l.at().equals(point) ->
          legs.put(l.name(), new Leg(l.name(), point, LOAD_CHANCE, LOAD_MINUTES));
      case SupplyStage v when v.at().equals(point) -> {
        legs.put(v.name(), new Leg(v.name(), point, VALVE_CHANCE, VALVE_MINUTES));
        v.screenCap()
            .filter(c -> job.part(c).isPresent())
            .ifPresent(c ->
                legs.put(
                    c.toString(),
                    new Leg(c.toString(), point, chance.applyAsDouble(c), CAPACITOR_MINUTES)));
      }
      case SupplyRegulator r when r.to().equals(point) || r.from().equals(point) ->
          legs.put(r.name(), new Leg(r.name(), point, SOLID_CHANCE, SOLID_MINUTES));
      case SupplyRectifier r when r.to().equals(point) -> {
        legs.put(r.name(), new Leg(r.name(), point, SOLID_CHANCE, SOLID_MINUTES));
        List.of(r.first(), r.second())
            .forEach(c ->
                c.ifPresent(ref ->
                    legs.put(
                        ref.toString(),
                        new Leg(
                            ref.toString(), point, chance.applyAsDouble(ref), CAPACITOR_MINUTES))));
      }
      default -> {}
    }
  }

  /** The minutes that lifting in this order takes on the average until the short is found. */
  public double expectedMinutes() {
    double spent = 0;
    double expected = 0;
    for (Leg l : legs) {
      spent += l.minutes;
      expected += l.chance * spent;
    }
    return expected;
  }
}
