package org.yellowhearth.core.reform;

import org.yellowhearth.core.numeric.Halving;

/**
 * A wet aluminium electrolytic while its oxide is formed again, for planning, stand-in instruments
 * and practice.
 *
 * <p>The oxide has a formation voltage Vf. Where the applied voltage comes near it, current leaks
 * through the flaws and heals them:
 *
 * <pre>
 * I   = A·exp(β·(V/Vf − 1))·2^((T − 25 °C)/10 K) + G·V      leakage
 * dVf = k·I·(I/1 mA)^(m − 1)·dt                             formation by the first term's charge
 * C·dV/dt = min(limit, (Vs − V)/Rs) − I                     the supply behind its resistor
 * H·dT/dt = V·I − (T − Ta)/Rth                              self-heating
 * G' = G·rate·(V/Vr)·2^((T − 25 °C)/10 K)                   a defect that grows, in a part that runs away
 * </pre>
 *
 * At constant voltage the leakage falls as 1/(t + t0) for m = 1 and as a power −1/m of time else; G
 * leaves a plateau. Without voltage Vf relaxes with the logarithm of time. Above its breakdown
 * voltage it sparks: a kilohm in parallel. The dielectric's absorption, the inductance of the foil
 * and the drying of the electrolyte are not modelled.
 *
 * <p>Method: backward Euler with the capacitor's voltage found by bisection (the balance is
 * monotone), steps chosen so that neither voltage, leakage nor formation moves by more than about
 * two hundredths. Held against closed forms to about 1 %.
 */
public final class FormingCapacitor {
  /** The room it is in, where nothing else is said. */
  public static final double ROOM_CELSIUS = 25;

  private static final double DOUBLING_KELVIN = 10;
  private static final double REFERENCE_AMPERES = 1e-3;
  private static final double SPARK_CONDUCTANCE = 1e-3;
  private static final double MOST_EXPONENT = 60;
  private static final double MOST_MOVE = 0.02;
  private static final double FIRST_STEP = 1e-3;
  private static final double LEAST_STEP = 1e-6;
  private static final double GROWTH = 1.5;

  private final Make make;
  private double volts;
  private double formationVolts;
  private double celsius;
  private double defectConductance;
  private double coulombs;
  private double joules;
  private double step = FIRST_STEP;

  /**
   * How one is made and what is wrong with it.
   *
   * @param oxide what its oxide does
   * @param heat how it warms
   * @param flaw what will not heal
   */
  public record Make(
      double farads, double esrOhms, double ratedVolts, Oxide oxide, Heat heat, Flaw flaw) {
    public Make {
      positive("capacitance", farads);
      positive("series resistance", esrOhms);
      positive("rated voltage", ratedVolts);
    }
  }

  /**
   * The oxide.
   *
   * @param formedVolts formation voltage at the start
   * @param amperes leakage where the applied voltage equals the formation voltage, at 25 °C (A)
   * @param steepness β of the exponential
   * @param voltsPerCoulomb k, formation gained by charge at 1 mA (V/C)
   * @param order m; 1 is formation by charge alone
   */
  public record Oxide(
      double formedVolts, double amperes, double steepness, double voltsPerCoulomb, double order) {
    public Oxide {
      positive("formation voltage", formedVolts);
      positive("leakage", amperes);
      positive("steepness", steepness);
      positive("formation by charge", voltsPerCoulomb);
      positive("order", order);
    }
  }

  /** Warming: thermal resistance to the room (K/W) and heat capacity (J/K). */
  public record Heat(double kelvinPerWatt, double joulesPerKelvin) {
    public Heat {
      positive("thermal resistance", kelvinPerWatt);
      positive("heat capacity", joulesPerKelvin);
    }
  }

  /**
   * What does not heal.
   *
   * @param conductance conductance in parallel, 0 for none
   * @param growthPerSecond how fast it grows at rated voltage, 0 for a steady one
   * @param breakdownVolts above this it sparks
   */
  public record Flaw(double conductance, double growthPerSecond, double breakdownVolts) {
    public Flaw {
      if (!(conductance >= 0 && growthPerSecond >= 0)) {
        throw new IllegalArgumentException(
            "a flaw of " + conductance + " S growing by " + growthPerSecond + " a second");
      }
      positive("breakdown voltage", breakdownVolts);
    }
  }

  /**
   * What is connected to it.
   *
   * @param volts the supply's voltage, 0 for none
   * @param ohms the resistor before it
   * @param limitAmperes the most the supply gives
   * @param sinks whether current may flow back (a discharge resistor); a bench supply's rectifier
   *     does not let it
   */
  public record Drive(
      double volts, double ohms, double limitAmperes, boolean sinks, double roomCelsius) {
    public Drive {
      positive("series resistance", ohms);
      positive("current limit", limitAmperes);
      if (!(volts >= 0)) {
        throw new IllegalArgumentException("a supply of " + volts + " V");
      }
    }

    /** A supply with a resistor and a current limit, in a room of 25 °C. */
    public static Drive supply(double volts, double ohms, double limitAmperes) {
      return new Drive(volts, ohms, limitAmperes, false, ROOM_CELSIUS);
    }

    /** A resistor across it and no supply. */
    public static Drive discharge(double ohms) {
      return new Drive(0, ohms, 1e6, true, ROOM_CELSIUS);
    }

    /** Nothing: the leads are off, or the output is. */
    public static Drive open() {
      return new Drive(0, 1e12, 1e-12, false, ROOM_CELSIUS);
    }

    double amperes(double across) {
      double free = (volts - across) / ohms;
      return sinks ? Math.min(limitAmperes, free) : Math.clamp(free, 0, limitAmperes);
    }
  }

  public FormingCapacitor(Make make) {
    this.make = make;
    formationVolts = make.oxide.formedVolts;
    celsius = ROOM_CELSIUS;
    defectConductance = make.flaw.conductance;
  }

  private static void positive(String what, double value) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(what + " must be above zero, not " + value);
    }
  }

  public Make make() {
    return make;
  }

  /** Volts across the capacitance. */
  public double volts() {
    return volts;
  }

  public double formationVolts() {
    return formationVolts;
  }

  public double celsius() {
    return celsius;
  }

  /** Leakage at the voltage and temperature it is at (A). */
  public double leakage() {
    return leakage(volts);
  }

  /** What a supply would give now (A): leakage and whatever still charges it. */
  public double supplied(Drive drive) {
    return drive.amperes(volts);
  }

  /** Charge that went into formation and leakage so far (C). */
  public double coulombs() {
    return coulombs;
  }

  /** Heat that went into it so far (J). */
  public double joules() {
    return joules;
  }

  private double oxideLeakage(double at) {
    double exponent = Math.min(MOST_EXPONENT, make.oxide.steepness * (at / formationVolts - 1));
    // Without voltage there is no current: the exponential's foot is taken off.
    double foot = Math.exp(-make.oxide.steepness);
    return make.oxide.amperes * (Math.exp(exponent) - foot) * warmth();
  }

  private double warmth() {
    return Math.exp(
        Math.log(2) * Math.min(MOST_EXPONENT, (celsius - ROOM_CELSIUS) / DOUBLING_KELVIN));
  }

  private double leakage(double at) {
    double spark = Math.max(0, at - make.flaw.breakdownVolts) * SPARK_CONDUCTANCE;
    return oxideLeakage(at) + at * defectConductance + spark;
  }

  /** Lets some seconds pass with a supply connected. */
  public void advance(Drive drive, double seconds) {
    if (!(seconds >= 0)) {
      throw new IllegalArgumentException("time does not run back: " + seconds + " s");
    }
    double left = seconds;
    while (left > 0) {
      double dt = Math.min(left, step);
      if (!move(drive, dt) && step > LEAST_STEP) {
        step = Math.max(LEAST_STEP, dt / 2);
        continue;
      }
      left -= dt;
      if (dt >= step) {
        step *= GROWTH;
      }
    }
  }

  /** One step; false, and nothing changed, where it would move too much. */
  private boolean move(Drive drive, double dt) {
    double next = balanced(drive, dt);
    double through = leakage(next);
    double forming = oxideLeakage(next);
    double gain =
        make.oxide.voltsPerCoulomb
            * forming
            * Math.pow(Math.max(0, forming) / REFERENCE_AMPERES, make.oxide.order - 1)
            * dt;
    double scale = Math.max(Math.max(drive.volts, volts), 1);
    boolean tooFar =
        Math.abs(next - volts) > MOST_MOVE * scale
            || make.oxide.steepness * gain * next / (formationVolts * formationVolts) > MOST_MOVE;
    if (tooFar && dt > LEAST_STEP) {
      return false;
    }
    double power = next * through;
    double settled = drive.roomCelsius + power * make.heat.kelvinPerWatt;
    double warmed =
        settled
            + (celsius - settled)
                * Math.exp(-dt / (make.heat.kelvinPerWatt * make.heat.joulesPerKelvin));
    if (Math.abs(warmed - celsius) > MOST_MOVE * DOUBLING_KELVIN && dt > LEAST_STEP) {
      return false;
    }
    defectConductance *=
        Math.exp(Math.min(1, make.flaw.growthPerSecond * next / make.ratedVolts * warmth() * dt));
    volts = next;
    formationVolts += gain;
    celsius = warmed;
    coulombs += through * dt;
    joules += power * dt;
    return true;
  }

  /**
   * The voltage at the end of a step: C·(v − v0)/dt = supplied(v) − leakage(v), both sides monotone
   * in v.
   */
  private double balanced(Drive drive, double dt) {
    return Halving.between(
            0,
            Math.max(volts, drive.volts),
            1e-9,
            v -> drive.amperes(v) - leakage(v) - make.farads * (v - volts) / dt > 0)
        .middle();
  }

  /**
   * Lets it lie without voltage: it discharges itself and its oxide relaxes, by a share of its
   * formation voltage for every decade of days (share from the trade's experience that leakage
   * rises again on the shelf, common practice; spread is wide).
   */
  public void shelve(double days, double sharePerDecade) {
    volts = 0;
    celsius = ROOM_CELSIUS;
    formationVolts *= Math.max(0.05, 1 - sharePerDecade * Math.log10(1 + days));
  }
}
