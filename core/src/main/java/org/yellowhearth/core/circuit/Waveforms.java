package org.yellowhearth.core.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Voltages and currents of a circuit over one period of its steady state, at the ends of steps and
 * at a third of each; the steps are shorter where a rectifier begins or ceases to conduct.
 */
public final class Waveforms {
  private final StateSpace space;
  private final double[] times;
  private final List<double[]> states;
  private final List<double[]> currents;
  private final int iterations;

  private Waveforms(
      StateSpace space,
      double[] times,
      List<double[]> states,
      List<double[]> currents,
      int iterations) {
    this.space = space;
    this.times = times;
    this.states = states;
    this.currents = currents;
    this.iterations = iterations;
  }

  /** Takes down what a stepper passes through. */
  static final class Recorder {
    private final StateSpace space;
    private final boolean wanted;
    private final List<Double> times = new ArrayList<>();
    private final List<double[]> states = new ArrayList<>();
    private final List<double[]> currents = new ArrayList<>();

    Recorder(StateSpace space, boolean wanted) {
      this.space = space;
      this.wanted = wanted;
    }

    void record(Stepper stepper) {
      if (wanted) {
        if (stepper.tick() > 0) {
          times.add(stepper.time() - stepper.lastStep() * 2 / 3);
          states.add(stepper.zThird);
          currents.add(stepper.iThird());
        }
        times.add(stepper.time());
        states.add(stepper.z.clone());
        currents.add(stepper.i.clone());
      }
    }

    /** The period that follows from its first half. */
    void goOn(Mirror mirror) {
      int half = times.size();
      double length = times.getLast();
      for (int k = 1; k < half; k++) {
        times.add(times.get(k) + length);
        states.add(states.get(k));
        currents.add(mirror.later(currents.get(k)));
      }
    }

    Waveforms done(int iterations) {
      return new Waveforms(
          space,
          times.stream().mapToDouble(Double::doubleValue).toArray(),
          states,
          currents,
          iterations);
    }
  }

  /** How many periods were computed to find the steady state. */
  public int iterations() {
    return iterations;
  }

  /** How many moments a period has. */
  public int moments() {
    return times.length;
  }

  /**
   * The states at the start of the period: capacitor voltages and inductor currents, in the order
   * of the elements.
   */
  public double[] states() {
    double[] x = new double[space.states];
    for (int k = 0; k < x.length; k++) {
      x[k] = space.state(k, states.getFirst()[k], 0, 1);
    }
    return x;
  }

  /** The same by the names of the elements. */
  public Map<String, Double> namedStates() {
    double[] x = states();
    Map<String, Double> named = new HashMap<>();
    space.stateNames().forEach((name, k) -> named.put(name, x[k]));
    return named;
  }

  /** What a probe sees. */
  public Wave of(Probe probe) {
    return switch (probe) {
      case Probe.Voltage v -> voltage(v.plus(), v.minus());
      case Probe.Current c -> current(c.element(), c.part());
    };
  }

  /** The voltage of one node against another. */
  public Wave voltage(String plus, String minus) {
    return wave(space.voltage(plus, minus));
  }

  /** The voltage of a node against the reference. */
  public Wave voltage(String node) {
    return voltage(node, Circuit.REFERENCE);
  }

  /** The current through an element, from its first node to its second. */
  public Wave current(String element) {
    return current(element, 0);
  }

  /** The current through one winding of a transformer or one pair of a device. */
  public Wave current(String element, int part) {
    return wave(space.current(element, part));
  }

  private Wave wave(StateSpace.Row row) {
    double[] values = new double[times.length];
    for (int k = 0; k < values.length; k++) {
      double angle = space.omega * times[k];
      values[k] = row.at(states.get(k), currents.get(k), Math.sin(angle), Math.cos(angle));
    }
    return new Wave(times, values);
  }
}
