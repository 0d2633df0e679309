package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;
import org.yellowhearth.core.quantity.Edge;

/**
 * How a set gets its first power: what is in and connected, where meters are clipped, and what each
 * should show at each setting of the variable transformer. The figures are those that were worked
 * out when the plan was made; a run is judged by them.
 *
 * @param fed the rails that are connected in a run of one supply of several; empty where all are
 * @param valves whether the valves that the supply feeds are in; its rectifiers always are
 * @param lampWatts of the lamp in series, where there is one
 */
@Stored("ramp-plan")
public record PowerUpPlan(
    String id,
    PowerUpKind kind,
    List<String> fed,
    boolean valves,
    OptionalDouble lampWatts,
    List<Clip> clips,
    List<Step> steps)
    implements Item {
  /** What a ramp is for. */
  public enum PowerUpKind implements Coded {
    /** The whole set up to full line. */
    WHOLE,
    /** The valves out, so little mains that only the sign of each rail shows. */
    POLARITY,
    /** One of several supplies that do not need each other, before the rest is connected. */
    ONE_SUPPLY,
    /**
     * Plugged in at full line with the set's own switch off: what is live or draws all the same.
     */
    STATIC_DRAIN
  }

  /** What a clipped meter shows. */
  public enum Shows implements Coded {
    /** Direct volts. */
    DIRECT,
    /** Alternating volts without the direct part, true RMS. */
    ALTERNATING,
    /** Watts that set and lamp take together. */
    WATTS
  }

  /** How far cathodes have come at a step. */
  public enum Warm implements Coded {
    COLD,
    WARMING,
    CONDUCTING
  }

  /**
   * A meter that is clipped on before the set gets power.
   *
   * @param point against the chassis; of watts, the mains
   */
  public record Clip(String point, Shows shows) {
    /** What reaches the set behind the lamp; where there is a lamp this tells most. */
    public static final Clip BEHIND_LAMP = new Clip("mains.l", Shows.ALTERNATING);

    /** The heater line. */
    public static final Clip HEATERS = new Clip("mains.h", Shows.ALTERNATING);

    /** What the transformer gives. */
    public static final Clip TAKEN = new Clip(SupplyMains.POINT, Shows.WATTS);

    public Clip {
      SupplyEvidence.requireNode("the point a meter is clipped to", point);
      if ((shows == Shows.WATTS) != point.equals(SupplyMains.POINT)) {
        throw new IllegalArgumentException(
            "watts, and nothing else, are read at the point " + SupplyMains.POINT);
      }
    }
  }

  /**
   * What a meter should show, and from where to where is no reason to stop.
   *
   * @param settlingLow the same while cathodes still warm up and nothing is drawn yet
   */
  public record Band(
      double expected, double low, double high, double settlingLow, double settlingHigh) {
    public Band {
      Checked.within("what a meter should show", expected, -100_000, 100_000);
      if (!(settlingLow <= low && low <= high && high <= settlingHigh)) {
        throw new IllegalArgumentException(
            "a band runs from low to high, the one while things settle around it, not "
                + low
                + " to "
                + high
                + " in "
                + settlingLow
                + " to "
                + settlingHigh);
      }
    }

    /** Whether a reading is no reason to stop. */
    public boolean holds(double read, boolean settled) {
      return Edge.within(read, settled ? low : settlingLow, settled ? high : settlingHigh);
    }
  }

  /**
   * One setting of the transformer.
   *
   * @param share of the nominal mains
   * @param settleSeconds until the readings count fully
   * @param holdSeconds held at least so long
   * @param heaters share of their voltage that the heaters get
   * @param glow what the lamp turns to heat, against its rating; nothing where there is none
   * @param bands one for each clip, in their order
   */
  public record Step(
      double share,
      double mainsVolts,
      double settleSeconds,
      double holdSeconds,
      double heaters,
      Warm warm,
      double glow,
      List<Band> bands) {
    public Step {
      Checked.within("a step's share of the mains", share, 0.01, 1.2);
      Checked.within("the mains of a step", mainsVolts, 0.1, 1200);
      Checked.within("the hold of a step", holdSeconds, 0, 1e6);
      Checked.within("the time in which a step settles", settleSeconds, 0, holdSeconds);
      Checked.within("the heaters' share", heaters, 0, 1.5);
      Checked.within("the glow of the lamp", glow, 0, 10);
      bands = List.copyOf(bands);
    }

    /** The same with other bands. */
    public Step with(List<Band> others) {
      return new Step(share, mainsVolts, settleSeconds, holdSeconds, heaters, warm, glow, others);
    }
  }

  public PowerUpPlan {
    Item.requireId(id);
    fed = List.copyOf(fed);
    clips = List.copyOf(clips);
    steps = List.copyOf(steps);
    Checked.within("power of the series lamp", lampWatts, 1, 5000);
    if (steps.isEmpty() || steps.size() > 50) {
      throw new IllegalArgumentException("a ramp has 1 to 50 steps, not " + steps.size());
    }
    for (Step s : steps) {
      if (s.bands().size() != clips.size()) {
        throw new IllegalArgumentException(
            "each of " + clips.size() + " clips has a band at each step, not " + s.bands().size());
      }
    }
    if (clips.size() != clips.stream().distinct().count()) {
      throw new IllegalArgumentException("no two meters show the same thing at the same point");
    }
  }

  /** What a meter should show at a step. */
  public Band band(int step, Clip clip) {
    return steps.get(step).bands().get(clips.indexOf(clip));
  }

  /** Whether the set's own switch is on. */
  public boolean switchedOn() {
    return kind != PowerUpKind.STATIC_DRAIN;
  }
}
