package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.fact.SupplyRectifier.Heating;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.RectifierTechnology;

/**
 * What the supply model takes where a set says nothing: how parts age and warm up, what rectifiers
 * stand, what is inside a regulator.
 */
public record SupplyRules(
    Map<Family, AgeingRule> ageing,
    List<UsualWatts> usualWatts,
    List<Cathode> cathodes,
    Map<RectifierTechnology, RectifierClass> rectifiers,
    List<Inside> inside) {
  /**
   * What sets of a kind take from the mains, where nothing is known of one.
   *
   * @param kind the code of a kind of set
   * @param technology the code of what it is built of
   * @param least less is hardly met
   * @param most more is hardly met
   */
  public record UsualWatts(
      String kind, String technology, double least, double usual, double most, String source) {}

  /**
   * How fast a cathode comes to emit.
   *
   * @param rectifier whether it is that of a rectifier
   * @param seconds time constant of its temperature
   */
  public record Cathode(Heating heating, boolean rectifier, double seconds, String source) {}

  /**
   * What a sort of rectifier stands, against the direct current of a leg it is made for.
   *
   * @param peakTimes current again and again
   * @param surgeTimes current of one half-wave
   * @param surgeSeconds how long that half-wave is
   */
  public record RectifierClass(
      double peakTimes, double surgeTimes, double surgeSeconds, String source) {}

  /** What sits inside a series regulator. */
  public enum Place implements Coded {
    PASS,
    DRIVER,
    REFERENCE,
    COMPENSATION
  }

  /** How that is bad. */
  public enum How implements Coded {
    SHORTED,
    OPEN,
    LEAKY,
    DRIFTED
  }

  /**
   * One way in which something inside a regulator explains what the whole of it does.
   *
   * @param does what the regulator does, by the code of a fault
   * @param id names the words that say what to measure
   */
  public record Inside(String id, String does, Place place, How how, String source) {}

  public SupplyRules {
    ageing = Map.copyOf(ageing);
    usualWatts = List.copyOf(usualWatts);
    cathodes = List.copyOf(cathodes);
    rectifiers = Map.copyOf(rectifiers);
    inside = List.copyOf(inside);
    for (Family f : Family.values()) {
      if (!ageing.containsKey(f)) {
        throw new IllegalArgumentException("no ageing is stated for " + f.code());
      }
    }
  }

  /** What sets of a kind take, by the codes of kind and technology. */
  public UsualWatts usualWatts(String kind, String technology) {
    return usualWatts.stream()
        .filter(u -> u.kind.equals(kind) && u.technology.equals(technology))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "no usual watts are stated for " + kind + ", " + technology));
  }

  /** How a family ages. */
  public AgeingRule ageing(Family family) {
    return ageing.get(family);
  }

  /**
   * How fast a cathode of this heating warms up; an unstated one is taken for the slower of its
   * sort.
   */
  public Cathode cathode(Heating heating, boolean rectifier) {
    return cathodes.stream()
        .filter(c -> c.rectifier == rectifier)
        .filter(c -> c.heating == (heating == Heating.UNSTATED ? Heating.INDIRECT : heating))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "no warm-up is stated for a cathode heated " + heating.code()));
  }

  /** What a make of rectifier stands; none where nothing is stated. */
  public Optional<RectifierClass> rectifier(RectifierTechnology make) {
    return Optional.ofNullable(rectifiers.get(make));
  }

  /** What inside a regulator may make it do this. */
  public List<Inside> inside(String does) {
    return inside.stream().filter(i -> i.does.equals(does)).toList();
  }
}
