package org.yellowhearth.core.practice;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

/** What can be measured at the practice bench, what it shows of a part, and how long it takes. */
public enum Measuring implements Coded {
  /** Capacitance and dissipation: 100 Hz for a microfarad and more, else 1 kHz. */
  LCR(2),
  /** Leakage or insulation at the rated voltage, after five minutes. */
  LEAKAGE(6), //
  OHMS(1),
  /** Emission of a valve on a tester, in per cent of a new one. */
  TESTER(3);

  private static final double NOISE = 0.003;
  private static final double MICRO = 1e-6;
  private static final double SHORT_OHMS = 50;
  private static final double OXIDE = 0.02;

  private final int minutes;

  Measuring(int minutes) {
    this.minutes = minutes;
  }

  /** What a kept reading was taken by. */
  static Measuring of(Reading r) {
    if (r.figures().has(Figure.EMISSION)) {
      return TESTER;
    }
    return r.conditions().testVolts().isPresent()
        ? LEAKAGE
        : r.conditions().frequencyHertz().isPresent() ? LCR : OHMS;
  }

  /** Minutes it takes. */
  public int minutes() {
    return minutes;
  }

  /** Whether it says anything of such a part. */
  public boolean fits(Part part) {
    return switch (this) {
      case OHMS -> part instanceof Resistor;
      case TESTER -> part instanceof Valve;
      case LCR, LEAKAGE -> part instanceof Capacitor;
    };
  }

  /** The conditions under which it is read. */
  public Conditions conditions(Part part) {
    return Conditions.of(c -> {
      c.instrument = "practice bench";
      if (this == LCR && part instanceof Capacitor p) {
        c.frequencyHertz = OptionalDouble.of(p.farads() >= MICRO ? 100 : 1000);
      } else if (this == LEAKAGE && part instanceof Capacitor p) {
        c.testVolts = OptionalDouble.of(volts(p));
        c.minutesAtVoltage = OptionalDouble.of(5);
      }
    });
  }

  private static double volts(Capacitor p) {
    return p.ratedVolts().orElse(p.workingVolts().orElse(100));
  }

  /** What the meter shows; none where the method says nothing of the part. */
  public Optional<Figures> read(Part part, Truth truth, Random random) {
    if (!fits(part)) {
      return Optional.empty();
    }
    double noise = 1 + NOISE * random.nextGaussian();
    if (part instanceof Capacitor c) {
      return Optional.of(this == LCR ? lcr(c, truth, noise) : leakage(c, truth, noise));
    }
    return Optional.of(
        Figures.of(this == TESTER ? Figure.EMISSION : Figure.RESISTANCE, truth.value() * noise));
  }

  /**
   * A leak across it joins the loss as 1/(ωCR), and a meter that shows the series equivalent reads
   * high by 1 + D².
   */
  private static Figures lcr(Capacitor c, Truth t, double noise) {
    if (t.ailment() == Ailment.SHORTED) {
      return Figures.of(Figure.CALLED_RESISTOR, t.leakOhms() * noise);
    }
    double w = 2 * Math.PI * (c.farads() >= MICRO ? 100 : 1000);
    double loss =
        c.farads() >= MICRO
            ? t.dissipation()
            : Math.min(t.dissipation(), OXIDE + t.dissipation() / 2);
    double leak = 1 / (w * t.value() * t.leakOhms());
    double d = loss + leak;
    return Figures.of(Figure.CAPACITANCE, t.value() * (1 + leak * leak) * noise)
        .with(Figure.DISSIPATION, d * noise);
  }

  private static Figures leakage(Capacitor c, Truth t, double noise) {
    if (t.leakOhms() < SHORT_OHMS) {
      return Figures.of(Figure.CALLED_RESISTOR, t.leakOhms() * noise);
    }
    return c.farads() >= MICRO
        ? Figures.of(Figure.LEAKAGE, volts(c) / t.leakOhms() * noise)
        : Figures.of(Figure.INSULATION, t.leakOhms() * noise);
  }
}
