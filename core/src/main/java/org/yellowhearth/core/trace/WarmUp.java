package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.knowledge.SupplyRules.Cathode;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * The minute after a set is switched on, its cathodes warming up: how high its rails go before
 * valves draw, when they are there, and whether a bias is there before the valve that needs it
 * draws. Once from cold, once after a short break: capacitors empty, cathodes hot.
 *
 * <p>A cathode comes to its temperature with its time constant, heater voltage taken for steady
 * from the start; what it emits follows by Richardson's law, exp(−12·(T₀/T − 1)) for an oxide
 * cathode (work function about 1 eV at 1000 K; textbook, from memory), and is eight times what is
 * drawn of it when hot (common practice).
 */
public record WarmUp(List<Rail> rails, List<Race> races) {
  private static final double SECONDS = 45;
  private static final double WARM_SECONDS = 5;
  private static final double WORK = 12;
  private static final double RESERVE = 8;
  private static final double NINE_TENTHS = 0.9;
  private static final double DRAWS = 0.1;

  /** A valve stands a little more than its steady current for seconds (common practice). */
  private static final double MUCH = 1.25;

  public WarmUp {
    rails = List.copyOf(rails);
    races = List.copyOf(races);
  }

  /**
   * A point.
   *
   * @param highestVolts the greatest magnitude on the way
   * @param steadyVolts its mean in the end
   * @param secondsToNineTenths until it is there; none where it is not within the time that is
   *     followed
   */
  public record Rail(
      String name, double highestVolts, double steadyVolts, OptionalDouble secondsToNineTenths) {}

  /**
   * A valve against the bias rail of its grid.
   *
   * @param cold from cold
   * @param warm after a short break
   */
  public record Race(String stage, String bias, Start cold, Start warm) {}

  /**
   * One start.
   *
   * @param drawsAt when the valve comes to a tenth of its steady current
   * @param biasAt when the bias is at nine tenths
   * @param mostTimes the greatest current of the valve on the way, against its steady one; means of
   *     a mains period, both
   */
  public record Start(OptionalDouble drawsAt, OptionalDouble biasAt, double mostTimes) {
    /** Whether the bias is there first. */
    public boolean biasFirst() {
      return drawsAt.isEmpty()
          || (biasAt.isPresent() && biasAt.getAsDouble() <= drawsAt.getAsDouble());
    }

    /**
     * Whether the valve is hurt while it waits for its bias; one that makes its own bias never has
     * to wait for it.
     */
    public boolean overdriven() {
      return !biasFirst() && mostTimes > MUCH;
    }
  }

  /** What a cathode emits some seconds after it is heated, 0 to 1 of what is drawn of it. */
  static double emission(Cathode cathode, double seconds) {
    return emission(-Math.expm1(-seconds / cathode.seconds()));
  }

  /** What a cathode emits at a share of its working temperature, 0 to 1 of what is drawn of it. */
  public static double emission(double temperature) {
    return Math.min(1, RESERVE * Math.exp(-WORK * (1 / temperature - 1)));
  }

  /**
   * Follows a supply.
   *
   * @param cathodes of valves and vacuum rectifiers, by the names of their sections; one that is
   *     not named is hot at once
   * @throws StoppedException where the watcher did not want to go on
   */
  public static WarmUp of(
      Supply supply, List<String> points, Map<String, Cathode> cathodes, Watcher watcher) {
    Waveforms steady = Settled.of(supply).waves();
    Set<String> sections = supply.sectionIds();
    Warmth warming =
        (d, seconds) -> {
          Cathode c = cathodes.get(Parameter.whole(d.name(), sections));
          return c == null ? 1 : emission(c, seconds);
        };
    List<Section.Stage> biased =
        supply.sections().stream()
            .filter(Section.Stage.class::isInstance)
            .map(Section.Stage.class::cast)
            .filter(v -> !v.gridPoint().equals(Section.CHASSIS))
            .toList();
    List<Probe> probes = new ArrayList<>();
    points.forEach(p -> probes.add(Probe.voltage(p)));
    biased.forEach(v -> {
      probes.add(Probe.current(v.id()));
      probes.add(Probe.voltage(v.gridPoint()));
    });
    Transient course = Transient.of(supply.circuit());
    double share = SECONDS / (SECONDS + WARM_SECONDS);
    List<Double> means = probes.stream().map(p -> steady.of(p).mean()).toList();
    List<Course> cold =
        course.coldStart(means, SECONDS, warming, probes, done -> watcher.goOn(share * done));
    List<Course> warm =
        biased.isEmpty()
            ? cold
            : course.coldStart(
                means,
                WARM_SECONDS,
                Warmth.HOT,
                probes,
                done -> watcher.goOn(share + (1 - share) * done));
    List<Rail> rails = new ArrayList<>();
    for (int k = 0; k < points.size(); k++) {
      double volts = steady.voltage(points.get(k)).mean();
      Course c = cold.get(k);
      rails.add(
          new Rail(points.get(k), Math.max(c.greatest(), -c.lowest()), volts, there(c, volts)));
    }
    List<Race> races = new ArrayList<>();
    for (int k = 0; k < biased.size(); k++) {
      Section.Stage v = biased.get(k);
      int at = points.size() + 2 * k;
      double amperes = steady.current(v.id()).mean();
      double volts = steady.voltage(v.gridPoint()).mean();
      races.add(
          new Race(
              v.id(),
              v.gridPoint(),
              start(cold.get(at), cold.get(at + 1), amperes, volts),
              start(warm.get(at), warm.get(at + 1), amperes, volts)));
    }
    return new WarmUp(rails, races);
  }

  private static Start start(Course valve, Course bias, double amperes, double volts) {
    double most = Arrays.stream(valve.means()).max().orElse(0);
    return new Start(
        first(valve, DRAWS * amperes), there(bias, volts), amperes > 0 ? most / amperes : 0);
  }

  private static OptionalDouble there(Course c, double volts) {
    return first(c, NINE_TENTHS * volts);
  }

  /** The end of the first period whose mean comes to a value, on its side of nothing. */
  private static OptionalDouble first(Course c, double value) {
    double[] means = c.means();
    return IntStream.range(0, means.length)
        .filter(k -> value >= 0 ? means[k] >= value : means[k] <= value)
        .mapToDouble(k -> c.ends()[k])
        .findFirst();
  }
}
