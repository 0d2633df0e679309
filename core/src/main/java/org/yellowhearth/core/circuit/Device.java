package org.yellowhearth.core.circuit;

import java.util.List;
import java.util.stream.Stream;

/**
 * An element whose currents are no straight line of its voltages. It has one or more pairs of
 * terminals; into the first terminal of a pair and out of its second flows a current that depends
 * on the voltages of all its pairs at the same moment.
 */
public sealed interface Device extends Element
    permits Device.Junction,
        Device.VacuumDiode,
        Device.CurrentLoad,
        Device.PowerLoad,
        Device.Triode,
        Device.Pentode,
        Device.Regulator,
        Device.Zener {
  /** Two terminals. */
  record Pair(String plus, String minus) {}

  /** Its pairs of terminals. */
  List<Pair> pairs();

  /**
   * Its currents and how they change with its voltages.
   *
   * @param v voltages of all pairs of the circuit
   * @param at where those of this device begin
   * @param warm what the device is warmed up to, 0 cold to 1 hot
   * @param i the currents, written at the same places
   * @param g the slopes, in A/V: {@code g[at + row][at + column]}; those that are always zero are
   *     not written
   */
  void evaluate(double[] v, int at, double warm, double[] i, double[][] g);

  @Override
  default List<String> nodes() {
    return pairs().stream().flatMap(p -> Stream.of(p.plus, p.minus)).toList();
  }

  /**
   * Resistance beside a device that is shut: a reverse leakage, which also ties what only diodes
   * tie.
   */
  double SHUT_OHMS = 1e8;

  /** Thermal voltage kT/q at 27 °C. */
  double THERMAL_VOLTS = 1.380649e-23 * 300.15 / 1.602176634e-19;

  /**
   * A junction behind its series resistance: i = Is·(exp((v − V0 − i·Rs)/(n·Vt)) − 1). Silicon and
   * germanium diodes have no V0; a selenium or copper oxide stack has a large n, once for each
   * plate; a gas-filled rectifier has its arc drop as V0.
   */
  record Junction(
      String name,
      String anode,
      String cathode,
      double saturationAmperes,
      double emission,
      double seriesOhms,
      double offsetVolts)
      implements Device {
    private static final double LEAST_OHMS = 1e-6;

    public Junction {
      Checks.aboveZero(name, "saturation current in A", saturationAmperes);
      Checks.aboveZero(name, "emission coefficient", emission);
      if (!(seriesOhms >= LEAST_OHMS) || Double.isInfinite(seriesOhms)) {
        throw new BadCircuitException(
            name, "expected series resistance in Ω of a millionth or more, not " + seriesOhms);
      }
      Checks.zeroOrMore(name, "arc drop in V", offsetVolts);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(anode, cathode));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      Law.of(this).at(v, at, warm, i, g);
    }
  }

  /** A vacuum diode by Child's law: i = K·v^1.5 for v above zero. */
  record VacuumDiode(String name, String anode, String cathode, double perveance)
      implements Device {
    public VacuumDiode {
      Checks.aboveZero(name, "perveance in A/V^1.5", perveance);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(anode, cathode));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      Law.of(this).at(v, at, warm, i, g);
    }
  }

  /** A load that takes the same current at any voltage well above its knee: i = I·tanh(v/knee). */
  record CurrentLoad(String name, String a, String b, double amperes, double kneeVolts)
      implements Device {
    public CurrentLoad {
      Checks.zeroOrMore(name, "current in A", amperes);
      Checks.aboveZero(name, "knee in V", kneeVolts);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(a, b));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      double t = Math.tanh(v[at] / kneeVolts);
      i[at] = warm * amperes * t;
      g[at][at] = warm * amperes * (1 - t * t) / kneeVolts;
    }
  }

  /**
   * A converter's input, which takes the same power above the voltage where it starts: i = P·v³/(v⁴
   * + start⁴).
   */
  record PowerLoad(String name, String a, String b, double watts, double startVolts)
      implements Device {
    public PowerLoad {
      Checks.zeroOrMore(name, "power in W", watts);
      Checks.aboveZero(name, "start voltage in V", startVolts);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(a, b));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      double square = v[at] * v[at];
      double fourth = square * square;
      double start = startVolts * startVolts * startVolts * startVolts;
      double d = fourth + start;
      i[at] = warm * watts * v[at] * square / d;
      g[at][at] = warm * watts * square * (3 * start - fourth) / (d * d);
    }
  }

  /**
   * A triode: i = K·(v_g + v_a/µ)^1.5, where that and the anode voltage are above zero; grid
   * current where the grid is positive.
   */
  record Triode(String name, String anode, String grid, String cathode, double perveance, double mu)
      implements Device {
    /** A grid driven positive takes current as a diode of this share of the perveance. */
    static final double GRID_SHARE = 0.3;

    public Triode {
      Checks.aboveZero(name, "perveance in A/V^1.5", perveance);
      Checks.aboveZero(name, "amplification factor", mu);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(anode, cathode), new Pair(grid, cathode));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      double drive = v[at + 1] + v[at] / mu;
      boolean on = drive > 0 && v[at] > 0;
      double root = on ? Math.sqrt(drive) : 0;
      i[at] = on ? warm * perveance * drive * root : 0;
      g[at][at] = on ? warm * 1.5 * perveance * root / mu : 0;
      g[at][at + 1] = on ? warm * 1.5 * perveance * root : 0;
      gridCurrent(v[at + 1], at + 1, warm * perveance * GRID_SHARE, i, g);
    }

    static void gridCurrent(double volts, int at, double perveance, double[] i, double[][] g) {
      double root = volts > 0 ? Math.sqrt(volts) : 0;
      i[at] = perveance * root * root * root;
      g[at][at] = 1.5 * perveance * root;
    }
  }

  /**
   * A pentode or beam valve: cathode current K·(v_g1 + v_g2/µ)^1.5, of which the screen takes a
   * fixed share while the anode is well above its knee, and more below it: i_a =
   * share·i_k·tanh(v_a/knee).
   *
   * @param mu amplification factor of grid 1 against grid 2
   * @param anodeShare the anode's share of the cathode current
   */
  record Pentode(
      String name,
      String anode,
      String screen,
      String grid,
      String cathode,
      double perveance,
      double mu,
      double anodeShare,
      double kneeVolts)
      implements Device {
    public Pentode {
      Checks.aboveZero(name, "perveance in A/V^1.5", perveance);
      Checks.aboveZero(name, "amplification factor", mu);
      if (!(anodeShare > 0 && anodeShare < 1)) {
        throw new BadCircuitException(
            name, "expected an anode's share between 0 and 1, not " + anodeShare);
      }
      Checks.aboveZero(name, "knee in V", kneeVolts);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(anode, cathode), new Pair(screen, cathode), new Pair(grid, cathode));
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      double drive = v[at + 2] + v[at + 1] / mu;
      boolean on = drive > 0 && v[at + 1] > 0;
      double root = on ? Math.sqrt(drive) : 0;
      double whole = warm * perveance * drive * root;
      double slope = warm * 1.5 * perveance * root;
      double t = v[at] > 0 ? Math.tanh(v[at] / kneeVolts) : 0;
      double dt = v[at] > 0 ? anodeShare * (1 - t * t) / kneeVolts : 0;
      double share = anodeShare * t;
      i[at] = whole * share;
      g[at][at] = whole * dt;
      g[at][at + 1] = slope * share / mu;
      g[at][at + 2] = slope * share;
      i[at + 1] = whole * (1 - share);
      g[at + 1][at] = -whole * dt;
      g[at + 1][at + 1] = slope * (1 - share) / mu;
      g[at + 1][at + 2] = slope * (1 - share);
      Triode.gridCurrent(v[at + 2], at + 2, warm * perveance * Triode.GRID_SHARE, i, g);
    }
  }

  /**
   * A series regulator: its pass element gives what holds the output, as far as input less dropout
   * allows, and never takes back. i = pos(min((Vset·share − v_out)/R_out, (v_pass −
   * dropout)/R_pass, limit)) with corners rounded over a milliampere. One that tracks another rail
   * holds only the share of its voltage that the other rail has of its own.
   *
   * @param pass across the pass element, in the direction of its current
   * @param held across the output
   * @param tracked across the rail that it tracks; its own output where it tracks none
   * @param trackedVolts what that rail has when it is whole; 0 where it tracks none
   * @param outOhms its output resistance while it regulates
   * @param passOhms the resistance of its pass element when it is wide open
   * @param mostAmperes what it gives at the most; endless where it has no limit
   */
  record Regulator(
      String name,
      Pair pass,
      Pair held,
      Pair tracked,
      double trackedVolts,
      double setVolts,
      double dropoutVolts,
      double outOhms,
      double passOhms,
      double mostAmperes)
      implements Device {
    /** How far the corners are rounded, in amperes. */
    static final double CORNER_AMPERES = 1e-3;

    public Regulator {
      Checks.aboveZero(name, "output voltage in V", setVolts);
      Checks.zeroOrMore(name, "voltage of the tracked rail in V", trackedVolts);
      Checks.zeroOrMore(name, "dropout in V", dropoutVolts);
      Checks.aboveZero(name, "output resistance in Ω", outOhms);
      Checks.aboveZero(name, "pass resistance in Ω", passOhms);
      if (!(mostAmperes > 0)) {
        throw new BadCircuitException(
            name, "expected a current limit above zero, not " + mostAmperes + " A");
      }
    }

    /** A regulator for itself, between an input and an output above a common point. */
    public static Regulator positive(
        String name,
        String in,
        String out,
        String common,
        double setVolts,
        double dropoutVolts,
        double outOhms,
        double passOhms) {
      Pair held = new Pair(out, common);
      return new Regulator(
          name,
          new Pair(in, out),
          held,
          held,
          0,
          setVolts,
          dropoutVolts,
          outOhms,
          passOhms,
          Double.POSITIVE_INFINITY);
    }

    @Override
    public List<Pair> pairs() {
      return trackedVolts > 0 ? List.of(pass, held, tracked) : List.of(pass, held);
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      rounded(v, at, warm, CORNER_AMPERES, i, g);
    }

    /** The same with its corners rounded over another current. */
    void rounded(double[] v, int at, double warm, double corner, double[] i, double[][] g) {
      double share = trackedVolts > 0 ? v[at + 2] / trackedVolts : 1;
      double held = (setVolts * share - v[at + 1]) / outOhms;
      double most = (v[at] - dropoutVolts) / passOhms;
      double apart = Math.hypot(held - most, corner);
      double least = 0.5 * (held + most - apart);
      double byHeld = 0.5 * (1 - (held - most) / apart);
      double root = Math.hypot(least, corner);
      double byLeast = 0.5 * (1 + least / root);
      double wanted = 0.5 * (least + root);
      double byLimit = byLeast;
      if (Double.isFinite(mostAmperes)) {
        double over = wanted - mostAmperes;
        double bend = Math.hypot(over, corner);
        byLimit *= 0.5 * (1 - over / bend);
        wanted = 0.5 * (wanted + mostAmperes - bend);
      }
      i[at] = warm * wanted;
      g[at][at] = warm * byLimit * (1 - byHeld) / passOhms;
      g[at][at + 1] = -warm * byLimit * byHeld / outOhms;
      i[at + 1] = 0;
      if (trackedVolts > 0) {
        g[at][at + 2] = warm * byLimit * byHeld * setVolts / (trackedVolts * outOhms);
        i[at + 2] = 0;
      }
    }
  }

  /**
   * A zener diode or glow stabiliser: it holds its voltage from cathode to anode, and conducts as a
   * junction the other way.
   */
  record Zener(String name, String anode, String cathode, double holdVolts, double seriesOhms)
      implements Device {
    private static final double SATURATION_AMPERES = 1e-12;
    private static final double HOLD_AMPERES = 1e-6;

    public Zener {
      Checks.aboveZero(name, "voltage in V", holdVolts);
      Checks.aboveZero(name, "series resistance in Ω", seriesOhms);
    }

    @Override
    public List<Pair> pairs() {
      return List.of(new Pair(anode, cathode));
    }

    /** The junction that conducts forward. */
    public Junction forward() {
      return new Junction(name + "f", anode, cathode, SATURATION_AMPERES, 1, seriesOhms, 0);
    }

    /** The junction that holds. */
    public Junction hold() {
      return new Junction(
          name + "z",
          /* anode= */ cathode,
          /* cathode= */ anode,
          HOLD_AMPERES,
          1,
          seriesOhms,
          holdVolts);
    }

    @Override
    public void evaluate(double[] v, int at, double warm, double[] i, double[][] g) {
      Law.of(this).at(v, at, warm, i, g);
    }
  }
}
