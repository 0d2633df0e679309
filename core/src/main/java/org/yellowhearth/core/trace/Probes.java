package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * Everything a meter can show at the points of a supply. Figures are compared on a scale that is
 * even near nothing and logarithmic above, so that 2 % of 300 V and 2 % of 30 mV weigh the same.
 */
final class Probes {
  /** What is lost in the last digit of a meter, in volts. */
  static final double DIRECT_FLOOR = 0.02;

  static final double ALTERNATING_FLOOR = 0.003;

  /** What is lost in the last digit of a mains analyser, in watts. */
  static final double POWER_FLOOR = 0.1;

  private static final List<Kind> KINDS =
      List.of(Kind.DIRECT, Kind.TRUE_RMS, Kind.AVERAGE, Kind.PEAK_TO_PEAK);

  private final List<Probe> probes = new ArrayList<>();
  private final List<Setup> setups;

  /** What is asked differs from this in a value or a fault. */
  private final Supply sound;

  /**
   * What is measured at a point.
   *
   * @param setup which of the setups it is measured in
   */
  record Probe(String point, Kind kind, int setup) {
    double floor() {
      return switch (kind) {
        case DIRECT -> DIRECT_FLOOR;
        case TRUE_RMS, AVERAGE, PEAK_TO_PEAK -> ALTERNATING_FLOOR;
        case WATTS -> POWER_FLOOR;
      };
    }

    /** A figure on the scale of comparison. */
    double scaled(double volts) {
      return asinh(volts / (2 * floor()));
    }

    /** A figure back in volts. */
    double volts(double scaled) {
      return 2 * floor() * Math.sinh(scaled);
    }

    /** How uncertain a figure is on that scale. */
    double noise(double volts, double relative) {
      return Math.hypot(relative * volts, floor()) / Math.hypot(volts, 2 * floor());
    }

    private static double asinh(double x) {
      return Math.signum(x) * Math.log(Math.abs(x) + Math.hypot(x, 1));
    }
  }

  /**
   * All points, each in every setup, and the watts of the mains in each. The first setup is the set
   * as it is.
   */
  Probes(List<String> points, List<Setup> setups, Supply sound) {
    this.setups = List.copyOf(setups);
    this.sound = sound;
    for (int setup = 0; setup < setups.size(); setup++) {
      for (String p : points) {
        for (Kind k : KINDS) {
          probes.add(new Probe(p, k, setup));
        }
      }
      probes.add(new Probe(SupplyMains.POINT, Kind.WATTS, setup));
    }
  }

  Probe at(int index) {
    return probes.get(index);
  }

  int indexOf(Diagnosis.Datum datum) {
    int at = probes.indexOf(new Probe(datum.point(), datum.kind(), datum.setup()));
    if (at < 0) {
      throw new IllegalArgumentException("“" + datum.point() + "” is no point of this supply");
    }
    return at;
  }

  /**
   * What all of them show, on the scale of comparison; nothing for a supply that cannot be worked
   * out.
   */
  Optional<double[]> of(Supply supply) {
    try {
      double[] shown = new double[probes.size()];
      int of = probes.size() / setups.size();
      for (int setup = 0; setup < setups.size(); setup++) {
        Settled settled =
            Settled.near(setups.get(setup).of(supply), Settled.of(setups.get(setup).of(sound)));
        int watts = (setup + 1) * of - 1;
        for (int k = setup * of; k < watts; k += KINDS.size()) {
          Wave v = settled.waves().voltage(probes.get(k).point());
          shown[k] = probes.get(k).scaled(v.mean());
          shown[k + 1] = probes.get(k + 1).scaled(v.rippleRms());
          shown[k + 2] = probes.get(k + 2).scaled(v.rippleAverageResponding());
          shown[k + 3] = probes.get(k + 3).scaled(v.peakToPeak());
        }
        // Without what heaters and iron take, its watts say nothing.
        shown[watts] =
            supply.primary().otherWatts() > 0 ? probes.get(watts).scaled(settled.mainsWatts()) : 0;
      }
      return Optional.of(shown);
    } catch (BadCircuitException | NoSolutionException _) {
      return Optional.empty();
    }
  }
}
