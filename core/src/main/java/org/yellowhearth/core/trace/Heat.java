package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * A part that turns so much more to heat than in a sound set that a hand or a nose would notice.
 *
 * @param part the element or section
 * @param watts with the fault
 * @param soundWatts without it
 * @param ratedWatts what the part is rated for, where that is known
 */
public record Heat(String part, double watts, double soundWatts, OptionalDouble ratedWatts) {
  /** A part carrying so many times its rating burns (common practice). */
  private static final double BURNS = 3;

  /** What each sort of part shows by touch or smell, in W more than usual (our own reading). */
  private static final double RESISTOR = 2;

  private static final double CAPACITOR = 2;
  private static final double CHOKE = 5;
  private static final double RECTIFIER = 4;

  /** What a rail feeds is many parts. */
  private static final double LOAD = 10;

  private static final double WINDING = 12;

  /**
   * What was noticed of heat: at a part, or anywhere where none is named.
   *
   * @param hot whether it was hot, smelt or smoked; or stayed as cool as it should
   */
  public record Felt(String place, boolean hot) {}

  /**
   * What is known of heat.
   *
   * @param felt what was noticed
   * @param rated what parts are rated for, in W
   */
  public record Known(List<Felt> felt, Map<String, Double> rated) {
    /** Nobody felt anything, and no rating is known. */
    public static final Known NOTHING = new Known(List.of(), Map.of());

    public Known {
      felt = List.copyOf(felt);
      rated = Map.copyOf(rated);
    }
  }

  /** What heat says of an explanation. */
  public enum Says {
    /** Nothing was noticed of heat, or nothing would be. */
    NOTHING,
    /** What would be hot was. */
    AGREES,
    /** What would be hot was not, or what was hot would not be. */
    AGAINST
  }

  /** Whether it carries several times what it is rated for. */
  public boolean burns() {
    return ratedWatts.isPresent() && watts > BURNS * ratedWatts.getAsDouble();
  }

  /**
   * Everything that gets noticeably hot, most first.
   *
   * @param rated what parts are rated for, in W
   */
  static List<Heat> of(Settled faulty, Settled sound, Map<String, Double> rated) {
    Map<String, Double> before = watts(sound);
    List<Heat> hot = new ArrayList<>();
    watts(faulty)
        .forEach((part, watts) -> {
          double usual = before.getOrDefault(part, 0.0);
          OptionalDouble most =
              rated.containsKey(part) ? OptionalDouble.of(rated.get(part)) : OptionalDouble.empty();
          boolean over = most.isEmpty() || watts > most.getAsDouble();
          if (over && watts - usual > Math.min(least(faulty, part), most.orElse(1e9))) {
            hot.add(new Heat(part, watts, usual, most));
          }
        });
    hot.sort((a, b) -> Double.compare(b.watts - b.soundWatts, a.watts - a.soundWatts));
    return hot;
  }

  /** What heat says, and by how much that moves the logarithm of a chance (our own step). */
  static double log(Says says) {
    return switch (says) {
      case NOTHING -> 0;
      case AGREES -> Math.log(1.5);
      case AGAINST -> Math.log(0.2);
    };
  }

  /** What was noticed of heat, held against what would be hot. */
  static Says says(List<Heat> hot, List<Felt> felt) {
    boolean agrees = false;
    for (Felt f : felt) {
      boolean there =
          hot.stream().anyMatch(h -> f.place.isEmpty() || h.part.equalsIgnoreCase(f.place));
      if (f.hot != there) {
        return Says.AGAINST;
      }
      agrees |= there;
    }
    return agrees ? Says.AGREES : Says.NOTHING;
  }

  private static double least(Settled faulty, String part) {
    Supply supply = faulty.supply();
    boolean winding =
        supply.sections().stream()
            .anyMatch(s -> s instanceof Section.Winding && s.id().equals(part));
    boolean load =
        supply.sections().stream()
            .anyMatch(s ->
                (s instanceof Section.Load || s instanceof Section.Stage) && s.id().equals(part));
    if (winding || load) {
      return winding ? WINDING : LOAD;
    }
    return faulty.circuit().elements().stream()
        .filter(e -> whole(e, supply.sectionIds()).equals(part))
        .findFirst()
        .map(e ->
            switch (e) {
              case Element.Resistance _ -> RESISTOR;
              case Element.Capacitance _ -> CAPACITOR;
              case Element.Inductance _ -> CHOKE;
              case Device _ -> RECTIFIER;
              case Element.Source _, Element.IdealTransformer _ -> WINDING;
            })
        .orElse(RESISTOR);
  }

  private static String whole(Element e, Set<String> sections) {
    return Parameter.whole(e.name(), sections);
  }

  /** What each part turns to heat, its legs together. */
  private static Map<String, Double> watts(Settled settled) {
    Set<String> sections = settled.supply().sectionIds();
    Map<String, String> sources = new HashMap<>();
    settled.supply().sections().stream()
        .filter(Section.Winding.class::isInstance)
        .forEach(w -> {
          sources.put(w.id() + "a", w.id());
          sources.put(w.id() + "b", w.id());
        });
    Map<String, Double> all = new LinkedHashMap<>();
    for (Element e : settled.circuit().elements()) {
      if (!(e instanceof Element.IdealTransformer) && !e.name().startsWith(Parameter.MAINS)) {
        Wave i = settled.waves().current(e.name());
        all.merge(
            sources.getOrDefault(e.name(), whole(e, sections)),
            e instanceof Element.Source s
                ? i.rms() * i.rms() * s.ohms()
                : SupplyFigures.watts(e, i, settled.waves()).orElse(0),
            Double::sum);
      }
    }
    return all;
  }
}
