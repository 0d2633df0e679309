package org.yellowhearth.core.circuit;

import java.util.Collections;

/**
 * What a device takes at a moment, with all that never changes worked out beforehand: it is asked
 * hundreds of thousands of times.
 */
interface Law {
  /** As {@link Device#evaluate}. */
  void at(double[] v, int at, double warm, double[] i, double[][] g);

  /**
   * Whether at a voltage, and at any below, it takes the same current, so that it need not be asked
   * again.
   */
  default boolean dormant(double volts) {
    return false;
  }

  /**
   * Where a step of Newton's method from one voltage to another really ends: a step up an
   * exponential is taken along its current, not along its voltage, or every decade too far would
   * cost a step back of a few thermal voltages each.
   */
  default double limited(double from, double to) {
    return to;
  }

  /**
   * The voltage at which its current, through so many ohms, drops what is left of a voltage; that
   * voltage where it is not known.
   */
  default double behind(double volts, double ohms) {
    return volts;
  }

  /** Whether it is the same law as another, of another device. */
  default boolean alike(Law other) {
    return false;
  }

  /** From now on its sharp corners, if it has any, are so many times as round. */
  default void soften(double times) {}

  /** The laws of all pairs of a circuit. */
  static Law[] ofPairs(StateSpace space) {
    return space.devices.stream()
        .flatMap(d -> Collections.nCopies(d.pairs().size(), of(d)).stream())
        .toArray(Law[]::new);
  }

  /** The law of a device. */
  static Law of(Device device) {
    return switch (device) {
      case Device.Junction j -> new Junction(j);
      case Device.Zener z -> new Zener(z);
      case Device.VacuumDiode d -> new Vacuum(d);
      case Device.Regulator r -> new Regulator(r);
      default -> device::evaluate;
    };
  }

  /**
   * A junction behind its series resistance, by the Wright omega function of the voltage across
   * both.
   */
  final class Junction implements Law {
    /** So many thermal voltages below nothing, nothing but the saturation current is left. */
    private static final double DEEPLY_SHUT = -40;

    /** A step up by fewer thermal voltages is taken as it is. */
    private static final double LONG_STEP = 2;

    private final double scale;
    private final double offset;
    private final double shift;
    private final double shutVolts;
    private final double saturation;
    private final double series;
    private final double amperes;

    Junction(Device.Junction j) {
      scale = j.emission() * Device.THERMAL_VOLTS;
      offset = j.offsetVolts();
      saturation = j.saturationAmperes();
      series = j.seriesOhms();
      double theta = saturation * series / scale;
      shift = theta + Math.log(theta) - offset / scale;
      shutVolts = offset + DEEPLY_SHUT * scale;
      amperes = scale / series;
    }

    @Override
    public void at(double[] v, int at, double warm, double[] i, double[][] g) {
      double volts = v[at];
      if (dormant(volts)) {
        i[at] = -warm * saturation;
        g[at][at] = 0;
        return;
      }
      double w = WrightOmega.of(volts / scale + shift);
      i[at] = warm * (w * amperes - saturation);
      g[at][at] = warm * (w / ((1 + w) * series));
    }

    @Override
    public boolean dormant(double volts) {
      return volts < shutVolts;
    }

    @Override
    public boolean alike(Law other) {
      return other instanceof Junction j
          && j.scale == scale
          && j.offset == offset
          && j.saturation == saturation
          && j.series == series;
    }

    @Override
    public double behind(double volts, double ohms) {
      if (volts < offset) {
        return volts;
      }
      double theta = saturation * (series + ohms) / scale;
      double w = WrightOmega.of((volts - offset) / scale + theta + Math.log(theta));
      return volts - ohms * (w * scale / (series + ohms) - saturation);
    }

    @Override
    public double limited(double from, double to) {
      if (to - from < LONG_STEP * scale || to < offset + scale) {
        return to;
      }
      double base = Math.max(from, offset);
      double w = WrightOmega.of(base / scale + shift);
      double reached = w * amperes + w / ((1 + w) * series) * (to - base);
      return Math.min(
          to, offset + (reached - saturation) * series + scale * Math.log(reached / saturation));
    }
  }

  /** A vacuum diode, which takes nothing below nothing. */
  final class Vacuum implements Law {
    private final double perveance;

    Vacuum(Device.VacuumDiode d) {
      perveance = d.perveance();
    }

    @Override
    public void at(double[] v, int at, double warm, double[] i, double[][] g) {
      double x = Math.max(0, v[at]);
      double root = Math.sqrt(x);
      i[at] = warm * perveance * x * root;
      g[at][at] = warm * 1.5 * perveance * root;
    }

    @Override
    public boolean alike(Law other) {
      return other instanceof Vacuum v && v.perveance == perveance;
    }

    @Override
    public boolean dormant(double volts) {
      return volts < 0;
    }
  }

  /** A regulator, whose corners may be rounded while the search is far. */
  final class Regulator implements Law {
    private final Device.Regulator device;
    private double corner = Device.Regulator.CORNER_AMPERES;

    Regulator(Device.Regulator device) {
      this.device = device;
    }

    @Override
    public void at(double[] v, int at, double warm, double[] i, double[][] g) {
      device.rounded(v, at, warm, corner, i, g);
    }

    @Override
    public void soften(double times) {
      corner = times * Device.Regulator.CORNER_AMPERES;
    }
  }

  /** A junction that holds and one that conducts the other way. */
  final class Zener implements Law {
    private final Junction forward;
    private final Junction hold;
    private final double[] volts = new double[1];
    private final double[] amperes = new double[1];
    private final double[][] slope = new double[1][1];

    Zener(Device.Zener z) {
      forward = new Junction(z.forward());
      hold = new Junction(z.hold());
    }

    @Override
    public void at(double[] v, int at, double warm, double[] i, double[][] g) {
      volts[0] = v[at];
      forward.at(volts, 0, warm, amperes, slope);
      i[at] = amperes[0];
      g[at][at] = slope[0][0];
      volts[0] = -v[at];
      hold.at(volts, 0, warm, amperes, slope);
      i[at] -= amperes[0];
      g[at][at] += slope[0][0];
    }
  }
}
