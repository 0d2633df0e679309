package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.numeric.Halving;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Inrush;

/**
 * Silicon in the place of an old rectifier, and the resistor that brings the rail back to what the
 * drawing says.
 *
 * <p>The resistor lies between the rectifier and its first capacitor; in the engine it is in the
 * way of each leg (half of it in each leg of a bridge, where two conduct together), which is the
 * same as long as one leg conducts at a time. It is found by halving between nothing and where the
 * rail falls below the drawing's; the direct voltage falls with it throughout.
 *
 * @param drawnVolts what the rectifier makes of the drawing's
 * @param bareVolts what silicon makes without a resistor
 * @param ohms the resistor, as worked out; 0 where none is needed
 * @param standard the nearest E12 value not below it
 * @param volts what comes with that
 * @param watts heat in that resistor, by the RMS current through it
 * @param inverseVolts the most that a leg sees the wrong way, the mains a tenth high
 * @param surge the first surge before, with silicon alone, and with the resistor
 * @param cold what each capacitor comes to before valves draw, the mains a tenth high, against its
 *     rating
 */
public record RectifierChange(
    String rectifier,
    double drawnVolts,
    double bareVolts,
    double ohms,
    double standard,
    double volts,
    double watts,
    double inverseVolts,
    Surge surge,
    List<Cold> cold) {
  /** Diodes are taken for at least so many times the inverse voltage they see (common practice). */
  public static final double INVERSE_MARGIN = 1.5;

  private static final double LARGEST_OHMS = 1e5;

  public RectifierChange {
    cold = List.copyOf(cold);
  }

  /** The first surge at the worst moment of the mains (A). */
  public record Surge(double before, double bare, double after) {}

  /**
   * A capacitor behind it.
   *
   * @param before the most it sees with the old rectifier, which warms up with the valves where it
   *     is a valve; the steady state then
   * @param after with silicon, resistor and all
   * @param ratedVolts what is marked on it
   */
  public record Cold(PartRef part, double before, double after, OptionalDouble ratedVolts) {
    /** Whether it sees more than it is made for. */
    public boolean over() {
      return ratedVolts.isPresent() && after > ratedVolts.getAsDouble();
    }
  }

  /**
   * What comes of it; none where the supply has no such rectifier.
   *
   * @param slow whether the old rectifier comes up with the valves, so that no cold start was ever
   *     higher than the steady state
   * @throws BadCircuitException where the supply cannot be
   * @throws NoSolutionException where it has no steady state
   */
  public static Optional<RectifierChange> of(
      Supply supply,
      String rectifier,
      boolean slow,
      Map<PartRef, Double> ratings,
      Watcher watcher) {
    Optional<Section> section =
        supply.sections().stream()
            .filter(s -> s.id().equals(rectifier))
            .filter(s -> s instanceof Section.Rectify || s instanceof Section.Doubler)
            .findFirst();
    return section.map(s -> of(supply, s, slow, ratings, watcher));
  }

  private static RectifierChange of(
      Supply supply, Section section, boolean slow, Map<PartRef, Double> ratings, Watcher watcher) {
    String id = section.id();
    String point = section instanceof Section.Rectify r ? r.to() : ((Section.Doubler) section).to();
    double share = share(section);
    double drawn = volts(supply, point);
    double bare = volts(Demand.withSilicon(supply, id, 0), point);
    double ohms =
        Math.abs(bare) <= Math.abs(drawn) ? 0 : found(supply, id, point, share, Math.abs(drawn));
    double standard = ohms > 0 ? PreferredSeries.E12.between(ohms, 12 * ohms).getFirst() : 0;
    Supply changed = Demand.withSilicon(supply, id, share * standard);
    double amperes = Ceiling.windingRms(changed, id);
    Supply high = Demand.high(supply);
    Supply highChanged = Demand.high(changed);
    List<Cold> cold = new ArrayList<>();
    Map<PartRef, Demand> before = Demand.of(supply, false, s -> watcher.goOn(0.4 * s));
    Map<PartRef, Demand> after = Demand.of(changed, false, s -> watcher.goOn(0.4 + 0.4 * s));
    Waveforms steady = Settled.of(high).waves();
    after.keySet().stream()
        .sorted()
        .forEach(ref -> {
          Double rated = ratings.get(ref);
          double most =
              slow ? steadyMost(high, steady, ref) : before.get(ref).worstVolts().getAsDouble();
          cold.add(
              new Cold(
                  ref,
                  most,
                  after.get(ref).worstVolts().getAsDouble(),
                  rated == null ? OptionalDouble.empty() : OptionalDouble.of(rated)));
        });
    Surge surge =
        new Surge(
            surge(supply, id, watcher),
            surge(Demand.withSilicon(supply, id, 0), id, watcher),
            surge(changed, id, watcher));
    return new RectifierChange(
        id,
        drawn,
        bare,
        ohms,
        standard,
        volts(changed, point),
        amperes * amperes * standard,
        inverse(Demand.unloaded(highChanged), id),
        surge,
        cold);
  }

  /** In a bridge two legs conduct together and each takes half of the resistor. */
  private static double share(Section section) {
    return section instanceof Section.Rectify r && r.scheme() == Section.Scheme.BRIDGE ? 0.5 : 1;
  }

  /**
   * A supply with silicon and a resistor in the place of a rectifier; the same supply where it has
   * no such rectifier.
   */
  static Supply changed(Supply supply, String rectifier, double ohms) {
    return supply.sections().stream()
        .filter(s -> s.id().equals(rectifier))
        .findFirst()
        .map(s -> Demand.withSilicon(supply, rectifier, share(s) * ohms))
        .orElse(supply);
  }

  private static double steadyMost(Supply supply, Waveforms w, PartRef ref) {
    return supply.circuit().elements().stream()
        .filter(e -> e.name().equals(ref.toString()))
        .mapToDouble(e ->
            Math.max(
                w.voltage(e.nodes().get(0), e.nodes().get(1)).most(),
                -w.voltage(e.nodes().get(0), e.nodes().get(1)).least()))
        .max()
        .orElse(0);
  }

  private static double found(Supply supply, String id, String point, double share, double wanted) {
    double low = 0;
    double high = 1;
    while (high < LARGEST_OHMS
        && Math.abs(volts(Demand.withSilicon(supply, id, share * high), point)) > wanted) {
      low = high;
      high *= 4;
    }
    return Halving.between(
            low,
            high,
            1e-4,
            ohms -> Math.abs(volts(Demand.withSilicon(supply, id, share * ohms), point)) > wanted)
        .middle();
  }

  private static double volts(Supply supply, String point) {
    return Settled.of(supply).waves().voltage(point).mean();
  }

  private static double inverse(Supply supply, String id) {
    return Inrush.of(supply, List.of(), Map.of(), Watcher.NOBODY).stream()
        .flatMap(i -> i.stresses().stream())
        .filter(s -> s.device().equals(id) || s.device().startsWith(id + "."))
        .mapToDouble(Inrush.Stress::inverseVolts)
        .max()
        .orElse(0);
  }

  private static double surge(Supply supply, String id, Watcher watcher) {
    return Inrush.of(supply, List.of(), Map.of(), _ -> watcher.goOn(0.8)).stream()
        .flatMap(i -> i.stresses().stream())
        .filter(s -> s.device().equals(id) || s.device().startsWith(id + "."))
        .mapToDouble(Inrush.Stress::surgeAmperes)
        .max()
        .orElse(0);
  }
}
