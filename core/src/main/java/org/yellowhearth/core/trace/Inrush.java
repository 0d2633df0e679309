package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * Switching on with every capacitor empty, the rectifiers hot and the valves they feed still cold:
 * the worst that rectifiers and capacitors see. A rectifier that warms up slowly surges less; a
 * series lamp is still cold.
 *
 * @param rectifier the rectifying device that surges most
 * @param peakAmperes its first surge at the worst moment of the mains
 * @param worstPhaseDegrees that moment
 * @param stresses what each rectifying device carries, at the start and ever after
 */
public record Inrush(
    String rectifier,
    double peakAmperes,
    double worstPhaseDegrees,
    List<Stress> stresses,
    List<Rail> rails) {
  private static final double SECONDS = 1.5;
  private static final double NINE_TENTHS = 0.9;

  public Inrush {
    stresses = List.copyOf(stresses);
    rails = List.copyOf(rails);
  }

  /**
   * A rectifying device, a leg most often.
   *
   * @param meanAmperes in the steady state
   * @param peakAmperes again and again in the steady state
   * @param inverseVolts in the steady state
   * @param surgeAmperes once
   * @param surgeSquareSeconds what the worst period of the start brings, in A²s
   * @param rating what its rectifier is made for, where that is stated
   */
  public record Stress(
      String device,
      double meanAmperes,
      double peakAmperes,
      double inverseVolts,
      double surgeAmperes,
      double surgeSquareSeconds,
      Optional<SupplyModel.Rating> rating) {
    /**
     * The greatest of its shares of what it is made for: mean, peak, surge and A²s; none where no
     * rating is stated.
     */
    public OptionalDouble used() {
      return rating
          .map(r ->
              OptionalDouble.of(
                  Math.max(
                      Math.max(meanAmperes / r.amperes(), peakAmperes / r.peakAmperes()),
                      Math.max(
                          surgeAmperes / r.surgeAmperes(),
                          surgeSquareSeconds / r.squareSeconds()))))
          .orElse(OptionalDouble.empty());
    }
  }

  /**
   * A point.
   *
   * @param highestVolts the greatest magnitude it comes to while the valves are cold
   * @param secondsToNineTenths until it first comes to nine tenths of that; none where it does not
   *     in the time that is followed
   */
  public record Rail(String name, double highestVolts, OptionalDouble secondsToNineTenths) {}

  /** The inrush of a supply; none where it has no rectifier. */
  public static Optional<Inrush> of(
      Supply supply,
      List<String> points,
      Map<String, SupplyModel.Rating> ratings,
      Watcher watcher) {
    Circuit circuit = supply.circuit();
    List<Device> rectifiers =
        circuit.elements().stream()
            .filter(e -> e instanceof Device.Junction || e instanceof Device.VacuumDiode)
            .map(Device.class::cast)
            .toList();
    if (rectifiers.isEmpty()) {
      return Optional.empty();
    }
    Transient cold = Transient.of(circuit);
    Warmth valvesCold = (d, _) -> d instanceof Device.Triode || d instanceof Device.Pentode ? 0 : 1;
    double phase = cold.worstPhase(Probe.current(rectifiers.getFirst().name()), valvesCold);
    List<Probe> probes = new ArrayList<>();
    rectifiers.forEach(d -> probes.add(Probe.current(d.name())));
    points.forEach(p -> probes.add(Probe.voltage(p)));
    List<Course> courses = cold.coldStart(phase, SECONDS, valvesCold, probes, watcher);
    List<Stress> stresses = stresses(supply, rectifiers, courses, ratings);
    Stress most =
        stresses.stream().reduce((a, b) -> b.surgeAmperes > a.surgeAmperes ? b : a).orElseThrow();
    List<Rail> rails = new ArrayList<>();
    for (int k = 0; k < points.size(); k++) {
      Course c = courses.get(rectifiers.size() + k);
      boolean positive = c.greatest() >= -c.lowest();
      double highest = positive ? c.greatest() : -c.lowest();
      double seconds =
          positive ? c.reaches(NINE_TENTHS * highest) : c.fallsTo(-NINE_TENTHS * highest);
      rails.add(new Rail(points.get(k), highest, finite(seconds)));
    }
    return Optional.of(
        new Inrush(most.device, most.surgeAmperes, Math.toDegrees(phase), stresses, rails));
  }

  private static List<Stress> stresses(
      Supply supply,
      List<Device> rectifiers,
      List<Course> courses,
      Map<String, SupplyModel.Rating> ratings) {
    Waveforms steady = Settled.of(supply).waves();
    Set<String> sections = supply.sectionIds();
    List<Stress> all = new ArrayList<>();
    for (int k = 0; k < rectifiers.size(); k++) {
      Device d = rectifiers.get(k);
      Wave i = steady.current(d.name());
      double inverse = -steady.voltage(d.nodes().get(0), d.nodes().get(1)).least();
      all.add(
          new Stress(
              d.name(),
              i.mean(),
              i.most(),
              inverse,
              courses.get(k).greatest(),
              courses.get(k).greatestSquareSeconds(),
              Optional.ofNullable(ratings.get(Parameter.whole(d.name(), sections)))));
    }
    return all;
  }

  private static OptionalDouble finite(double seconds) {
    return Double.isInfinite(seconds) ? OptionalDouble.empty() : OptionalDouble.of(seconds);
  }
}
