package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.yellowhearth.core.message.Coded;

/**
 * One simulated leakage curve at constant voltage with the readings somebody took of it: forecasts
 * are tried on these.
 *
 * @param truth leakage (A) by seconds since the voltage was reached
 * @param limit what it has to come down to (A)
 * @param patience how long somebody waits (s)
 * @param reached when it truly got there for good, empty where it did not within ten times the
 *     patience
 */
public record TrialDecay(
    Decay origin,
    DoubleUnaryOperator truth,
    double limit,
    double patience,
    OptionalDouble reached,
    List<Sampled> readings) {
  /** What made the curve. Only the first is the law the forecast has in mind. */
  public enum Decay implements Coded {
    /** The stand-in capacitor: formation by charge, self-heating, plateaus, defects that grow. */
    OXIDE, //
    /** A power of time from −0.4 to −1.8, with a plateau. */
    POWER, //
    /** A stretched exponential. */
    STRETCHED, //
    /** Two exponentials with time constants far apart. */
    DOUBLE, //
    /** The stand-in capacitor in a room whose temperature swings. */
    DRIFTING
  }

  private static final double HOUR = 3600;
  private static final double NOISE = 0.02;
  private static final double ROOM_SWING_KELVIN = 2.5;
  private static final double OFF_LIMIT = 0.9;
  private static final double FARTHEST = 10;
  private static final double GRID = 1.02;

  public TrialDecay {
    readings = List.copyOf(readings);
  }

  /** A curve of an origin; the same random numbers give the same one. */
  public static TrialDecay of(Decay origin, Random random) {
    double patience = HOUR * (6 + 18 * random.nextDouble());
    return switch (origin) {
      case OXIDE -> oxide(origin, random, patience, 0);
      case DRIFTING ->
          oxide(origin, random, patience, ROOM_SWING_KELVIN * (0.4 + 0.6 * random.nextDouble()));
      case POWER -> power(random, patience);
      case STRETCHED -> stretched(random, patience);
      case DOUBLE -> twofold(random, patience);
    };
  }

  private static double between(Random random, double low, double high) {
    return low * Math.pow(high / low, random.nextDouble());
  }

  /** A capacitor of random size, age and trouble. */
  public static FormingCapacitor.Make someCapacitor(Random random) {
    double farads = between(random, 4e-6, 100e-6);
    double[] ratings = {150, 250, 300, 350, 400, 450, 500};
    double rated = ratings[random.nextInt(ratings.length)];
    double limit = limit(farads);
    // A flawless oxide of this size would need about 430 C/V per coulomb of rated charge; only a
    // share of it needs healing.
    double share = between(random, 0.008, 0.12);
    double perCoulomb = 1 / (430 * farads * rated * share);
    double order = Math.clamp(1 + 0.12 * random.nextGaussian(), 0.75, 1.35);
    FormingCapacitor.Oxide oxide =
        new FormingCapacitor.Oxide(
            rated * (0.4 + 0.5 * random.nextDouble()),
            limit * between(random, 0.01, 0.1),
            15 + 15 * random.nextDouble(),
            perCoulomb,
            order);
    double trouble = random.nextDouble();
    double plateau =
        trouble < 0.5
            ? between(random, 0.005, 0.15)
            : trouble < 0.68
                ? 0.3 + 0.6 * random.nextDouble()
                : trouble < 0.92 ? between(random, 1.05, 4) : between(random, 0.2, 0.8);
    double growth = trouble >= 0.92 ? 1 / between(random, 0.5 * HOUR, 4 * HOUR) : 0;
    double area = Math.pow(farads * rated / 15e-3, 0.66);
    return new FormingCapacitor.Make(
        farads,
        2 + 10 * random.nextDouble(),
        rated,
        oxide,
        new FormingCapacitor.Heat(9 / area, 40 * area),
        new FormingCapacitor.Flaw(plateau * limit / rated, growth, 1.3 * rated));
  }

  /** The old service rule at high voltage, from memory. */
  private static double limit(double farads) {
    return Math.min(10e-3, 0.04 * farads * 1000 / 1000 + 0.3e-3);
  }

  private static TrialDecay oxide(Decay origin, Random random, double patience, double swing) {
    FormingCapacitor c = new FormingCapacitor(someCapacitor(random));
    double phase = random.nextDouble();
    double period = HOUR * (2 + 10 * random.nextDouble());
    double rated = c.make().ratedVolts();
    double most = Math.max(2e-3, 4 * limit(c.make().farads()));
    double waited = 0;
    FormingCapacitor.Drive supply = FormingCapacitor.Drive.supply(rated, 1000, most);
    // The curve begins where the supply is no longer at its current limit.
    while (c.supplied(supply) > OFF_LIMIT * most && waited < 40 * HOUR) {
      c.advance(supply, 5);
      waited += 5;
    }
    List<Double> times = new ArrayList<>();
    List<Double> amperes = new ArrayList<>();
    double at = 0;
    for (double next = 5; next < FARTHEST * patience; next *= GRID) {
      double room = 25 + swing * Math.sin(2 * Math.PI * (phase + at / period));
      c.advance(new FormingCapacitor.Drive(rated, 1000, most, false, room), next - at);
      at = next;
      times.add(Math.log(next));
      amperes.add(Math.log(c.leakage()));
    }
    return made(
        origin,
        x -> Math.exp(interpolated(times, amperes, Math.log(x))),
        limit(c.make().farads()),
        patience,
        random);
  }

  private static double interpolated(List<Double> x, List<Double> y, double at) {
    double step = (x.getLast() - x.getFirst()) / (x.size() - 1);
    double place = Math.clamp((at - x.getFirst()) / step, 0, x.size() - 1.000001);
    int k = (int) place;
    return y.get(k) + (place - k) * (y.get(k + 1) - y.get(k));
  }

  private static TrialDecay power(Random random, double patience) {
    double n = 0.4 + 1.4 * random.nextDouble();
    double age = between(random, 20, 1500);
    double start = 10 + 20 * random.nextDouble();
    double end = random.nextDouble() < 0.7 ? between(random, 0.01, 0.7) : between(random, 1.05, 3);
    return made(
        Decay.POWER, x -> 1e-3 * (end + start * Math.pow(1 + x / age, -n)), 1e-3, patience, random);
  }

  private static TrialDecay stretched(Random random, double patience) {
    double stretch = 0.35 + 0.4 * random.nextDouble();
    double tau = between(random, 60, 2000);
    double start = 8 + 12 * random.nextDouble();
    double end = random.nextDouble() < 0.7 ? between(random, 0.01, 0.7) : between(random, 1.05, 3);
    return made(
        Decay.STRETCHED,
        x -> 1e-3 * (end + start * Math.exp(-Math.pow(x / tau, stretch))),
        1e-3,
        patience,
        random);
  }

  private static TrialDecay twofold(Random random, double patience) {
    double fast = between(random, 60, 600);
    double slow = fast * between(random, 6, 30);
    double start = 6 + 10 * random.nextDouble();
    double second = 1.5 + 4 * random.nextDouble();
    double end = random.nextDouble() < 0.7 ? between(random, 0.01, 0.7) : between(random, 1.05, 3);
    return made(
        Decay.DOUBLE,
        x -> 1e-3 * (end + start * Math.exp(-x / fast) + second * Math.exp(-x / slow)),
        1e-3,
        patience,
        random);
  }

  private static TrialDecay made(
      Decay origin, DoubleUnaryOperator truth, double limit, double patience, Random random) {
    return new TrialDecay(
        origin,
        truth,
        limit,
        patience,
        crossing(truth, limit, patience),
        readings(truth, patience, random));
  }

  private static OptionalDouble crossing(DoubleUnaryOperator truth, double limit, double patience) {
    for (double at = 1; at < FARTHEST * patience; at *= 1.005) {
      if (truth.applyAsDouble(at) <= limit) {
        return OptionalDouble.of(at);
      }
    }
    return OptionalDouble.empty();
  }

  /**
   * What a person or a meter notes: dense at first, then ever rarer, with noise, a bad contact now
   * and then, and breaks.
   */
  private static List<Sampled> readings(DoubleUnaryOperator truth, double patience, Random random) {
    boolean linked = random.nextBoolean();
    double first = linked ? 10 : 60;
    double most = linked ? 300 : 1200;
    List<Sampled> all = new ArrayList<>();
    double every = first;
    double gain = 1 + 0.01 * random.nextGaussian();
    for (double at = first; at < patience; at += every * (0.8 + 0.4 * random.nextDouble())) {
      every = Math.min(most, Math.max(first, at / 12));
      double chance = random.nextDouble();
      if (chance < 0.01) {
        at += HOUR * random.nextDouble();
      }
      double value = truth.applyAsDouble(at) * gain * (1 + NOISE * random.nextGaussian());
      if (chance > 0.99) {
        value *= 0.5;
      }
      if (at < patience) {
        all.add(new Sampled(at, Math.max(value, 1e-9)));
      }
    }
    return all;
  }

  /** The readings up to a time. */
  public List<Sampled> until(double seconds) {
    return readings.stream().filter(r -> r.seconds() <= seconds).toList();
  }

  /** Whether the limit is truly met within the patience. */
  public boolean recovers() {
    return reached.isPresent() && reached.getAsDouble() <= patience;
  }
}
