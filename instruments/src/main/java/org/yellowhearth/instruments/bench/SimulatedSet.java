package org.yellowhearth.instruments.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;
import org.yellowhearth.instruments.scpi.ScpiException;
import org.yellowhearth.instruments.scpi.ScpiFault;

/**
 * A set on the variable transformer, worked out by the supply engine as it settles at the mains it
 * has. Its heaters follow the mains with their own time, and its rails follow what the cathodes
 * pass; switched off, they sink slowly.
 */
public final class SimulatedSet {
  private static final double NOMINAL = 230;
  private static final double HERTZ = 50;
  private static final double HEATER_SECONDS = 9;
  private static final double SINKING_SECONDS = 12;
  private static final double CHARGING_SECONDS = 0.4;
  private static final double LEAST_EMISSION = 1e-4;
  private static final double LEAST_VOLTS = 1;
  private static final double NEAR = 0.01;

  private final Supply supply;
  private final TurnedUp.Loads loads;
  private final List<String> points;
  private final double heaterVolts;
  private double mainsVolts;
  private Optional<Lamp> lamp = Optional.empty();

  /** Share of their voltage that the heaters are as warm as. */
  private double heaters;

  private double settledHeaters;
  private double at;
  private Optional<Settled> settled = Optional.empty();

  /** Direct volts of the points as they are now, on their way to where they settle. */
  private final Map<String, Double> rails = new HashMap<>();

  /**
   * A set that is switched off and cold.
   *
   * @param points that the channels of the multimeter are clipped to
   * @param heaterVolts what its heater line carries at full mains
   */
  public SimulatedSet(
      Supply supply, TurnedUp.Loads loads, List<String> points, double heaterVolts) {
    this.supply = supply;
    this.loads = loads;
    this.points = List.copyOf(points);
    this.heaterVolts = heaterVolts;
  }

  /** A full-wave valve supply with a choke. */
  static SimulatedSet usual() {
    Section.Cap first = new Section.Cap("C1", 14e-6, 2, 4e5);
    Section.Cap second = new Section.Cap("C2", 28e-6, 1.5, 6e5);
    Section.Cap screen = new Section.Cap("C3", 7e-6, 3, 1e6);
    return new SimulatedSet(
        new Supply(
            Supply.Mains.of(NOMINAL, HERTZ),
            new Primary(9, 22, Optional.empty()),
            List.of(
                new Section.Winding("w", 285, 140, true),
                Section.Rectify.of(
                    "V1",
                    "w",
                    Section.Scheme.FULL_WAVE,
                    new RectifierModel.Vacuum(0.125 / Math.pow(20, 1.5)),
                    "b"),
                Section.Filter.at("f1", "b", first),
                Section.Filter.through("f2", "b", Section.Way.Choke.of("L1", 9, 320), "c", second),
                Section.Filter.through(
                    "f3", "c", new Section.Way.Resistor("R1", 22_000), "s", screen),
                new Section.Load("set", "c", Section.Load.Kind.RESISTANCE, 5200),
                new Section.Load("screen", "s", Section.Load.Kind.RESISTANCE, 68_000))),
        TurnedUp.Loads.VALVES,
        List.of("b", "c", "s"),
        6.3);
  }

  /** The points that the channels of the multimeter are clipped to. */
  List<String> points() {
    return points;
  }

  double nominalVolts() {
    return supply.mains().nominalVolts();
  }

  private boolean on() {
    return mainsVolts > LEAST_VOLTS;
  }

  /** Lets time pass over heaters and rails, and puts other mains on. */
  synchronized void until(double now, double volts, Optional<Lamp> series) {
    double seconds = Math.max(0, now - at);
    at = Math.max(at, now);
    double fed = on() ? heaterShare(settled()) : 0;
    heaters = fed + (heaters - fed) * Math.exp(-seconds / HEATER_SECONDS);
    if (volts != mainsVolts || !series.equals(lamp)) {
      follow(seconds);
      seconds = 0;
      mainsVolts = volts;
      lamp = series;
      settled = Optional.empty();
    }
    if (Math.abs(heaters - settledHeaters) > NEAR) {
      settled = Optional.empty();
    }
    follow(seconds);
  }

  private void follow(double seconds) {
    double time = on() ? charging() : SINKING_SECONDS;
    points.stream()
        .filter(this::onSupply)
        .forEach(p -> {
          double target = on() ? settled().waves().voltage(p).mean() : 0;
          rails.merge(
              p,
              target * (1 - Math.exp(-seconds / time)),
              (was, _) -> target + (was - target) * Math.exp(-seconds / time));
        });
  }

  /** The fewer electrons a rectifier's cathode passes, the longer a reservoir takes. */
  private double charging() {
    boolean vacuum = supply.sections().stream().anyMatch(TurnedUp::vacuum);
    return CHARGING_SECONDS / (vacuum ? Math.max(LEAST_EMISSION, TurnedUp.emission(heaters)) : 1);
  }

  private double heaterShare(Settled s) {
    return lamp.isPresent()
        ? s.waves().voltage("mains.l").rms() / nominalVolts()
        : mainsVolts / nominalVolts();
  }

  private boolean onSupply(String point) {
    return !point.equals(PowerUpPlan.Clip.BEHIND_LAMP.point())
        && !point.equals(PowerUpPlan.Clip.HEATERS.point());
  }

  private Settled settled() {
    if (settled.isEmpty()) {
      settledHeaters = heaters;
      Supply now = TurnedUp.at(supply, mainsVolts / nominalVolts(), heaters, loads);
      try {
        settled = Optional.of(Settled.of(lamp.map(now::behind).orElse(now)));
      } catch (NoSolutionException _) {
        throw new ScpiException(
            ScpiFault.STALE, "the simulated set does not come to rest at this mains");
      }
    }
    return settled.get();
  }

  /** Direct voltage and RMS ripple of a point (V). */
  synchronized double[] at(String point) {
    if (!onSupply(point)) {
      double share = on() ? heaterShare(settled()) : 0;
      return new double[] {
        0, share * (point.equals(PowerUpPlan.Clip.HEATERS.point()) ? heaterVolts : nominalVolts())
      };
    }
    double settledVolts = on() ? settled().waves().voltage(point).mean() : 0;
    double here = rails.getOrDefault(point, 0.0);
    // Ripple grows with the current, and that with the rail.
    double grown = settledVolts == 0 ? 0 : Math.clamp(here / settledVolts, 0, 1);
    return new double[] {here, on() ? grown * settled().waves().voltage(point).rippleRms() : 0};
  }

  /** Watts from the mains. */
  synchronized double watts() {
    return on() ? settled().mainsWatts() : 0;
  }
}
