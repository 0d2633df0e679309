package org.yellowhearth.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The elements by themselves: alternating current theory for the linear ones, their own laws for
 * the others.
 */
public class CircuitTest {
  /**
   * The omega constant and its kin: ω(0) = 0.5671432904…, ω(1) = 1, ω(e + 1) = e (definition of the
   * function).
   */
  @Test
  public void theWrightOmegaFunctionSolvesItsEquation() {
    assertThat(WrightOmega.of(0)).isCloseTo(0.5671432904097838, within(1e-14));
    assertThat(WrightOmega.of(1)).isCloseTo(1, within(1e-15));
    assertThat(WrightOmega.of(Math.E + 1)).isCloseTo(Math.E, within(1e-14));
    for (double z = -700; z < 1e6; z += Math.max(0.37, Math.abs(z) / 50)) {
      double w = WrightOmega.of(z);
      assertThat(w + Math.log(w))
          .as("z = " + z)
          .isCloseTo(z, within(1e-12 * Math.max(1, Math.abs(z))));
    }
  }

  /**
   * Two steps of unequal length, each a parabola: the integrals of s² and of a line, worked by
   * hand.
   */
  @Test
  public void meansSquaresAndExtremesAreThoseOfTheParabolas() {
    // 0 to 3 s: y = (t/3)²; 3 to 4 s: y = 1 − (t − 3), back to 0.
    Wave w =
        new Wave(new double[] {0, 1, 3, 3 + 1 / 3.0, 4}, new double[] {0, 1 / 9.0, 1, 2 / 3.0, 0});
    assertThat(w.mean()).isCloseTo((3 / 3.0 + 0.5) / 4, within(1e-14));
    assertThat(w.rms()).isCloseTo(Math.sqrt((3 / 5.0 + 1 / 3.0) / 4), within(1e-14));
    assertThat(w.at(1.5)).isCloseTo(0.25, within(1e-14));
    assertThat(w.most()).isEqualTo(1);
    // A hump between the points: y = 4s(1 − s) has its crest of 1 at the middle.
    Wave hump = new Wave(new double[] {0, 1 / 3.0, 1}, new double[] {0, 8 / 9.0, 0});
    assertThat(hump.most()).isCloseTo(1, within(1e-14));
    assertThat(hump.peakToPeak()).isCloseTo(1, within(1e-14));
    assertThat(hump.meanProduct(hump)).isCloseTo(8 / 15.0, within(1e-14));
  }

  @DataProvider
  public Object[][] lightLoads() {
    return new Object[][] {{3e5}, {3e6}, {2e7}};
  }

  /**
   * A very light load draws pulses much shorter than the longest step, wherever the crest lies in
   * it; none may be stepped over.
   */
  @Test(dataProvider = "lightLoads")
  public void noPulseIsSteppedOver(double ohms) {
    for (double phase = 0; phase < 0.2; phase += 0.0131) {
      Circuit c =
          new Circuit(
              50,
              List.of(
                  new Element.Source("S", "a", "0", 0, 400, phase, 0.01),
                  new Device.Junction("D", "a", "b", 1e-6, 1, 1e-2, 0),
                  new Element.Capacitance("C", "b", "0", 16e-6, 1e-3, 1e9),
                  new Element.Resistance("R", "b", "0", ohms)));
      Waveforms w = SteadyState.of(c);
      double load = w.current("R").mean();
      assertThat(w.current("D").mean())
          .as("phase " + phase)
          .isCloseTo(load, within(0.05 * load + 6e-6));
      assertThat(w.voltage("b").most()).as("phase " + phase).isBetween(399.5, 400.0);
    }
  }

  private static Element sine(double peak, double ohms) {
    return new Element.Source("S", "a", "0", 0, peak, 0, ohms);
  }

  /** A series circuit of R, L and C: |Z|² = R² + (ωL − 1/ωC)². */
  @Test
  public void aSeriesCircuitTakesTheCurrentOfItsImpedance() {
    Circuit c =
        new Circuit(
            50,
            List.of(
                sine(100, 30),
                new Element.Inductance("L", "a", "b", 0.5, 20, 1e12),
                new Element.Capacitance("C", "b", "0", 15e-6, 10, 1e12)));
    double omega = 2 * Math.PI * 50;
    double impedance = Math.hypot(60, omega * 0.5 - 1 / (omega * 15e-6));
    Wave i = SteadyState.of(c).current("C");
    assertThat(i.rms()).isCloseTo(100 / Math.sqrt(2) / impedance, within(1e-5));
    assertThat(i.harmonic(1)).isCloseTo(100 / impedance, within(1e-4));
    assertThat(i.harmonic(2)).isCloseTo(0, within(1e-4));
    assertThat(i.mean()).isCloseTo(0, within(1e-6));
  }

  /** Voltages by turns, currents against turns, and a load seen through the square of the ratio. */
  @Test
  public void anIdealTransformerTransformsVoltsCurrentsAndOhms() {
    Circuit c =
        new Circuit(
            60,
            List.of(
                sine(100, 0),
                new Element.IdealTransformer(
                    "T",
                    List.of(
                        new Element.IdealTransformer.Winding("a", "0", 1000, 4),
                        new Element.IdealTransformer.Winding("s", "0", 250, 0.5))),
                new Element.Resistance("R", "s", "0", 10)));
    Waveforms w = SteadyState.of(c);
    double primary = 100 / (4 + 16 * 10.5);
    assertThat(w.current("T", 0).peak()).isCloseTo(primary, within(1e-4 * primary));
    assertThat(w.current("R").peak()).isCloseTo(4 * primary, within(4e-4 * primary));
    assertThat(w.voltage("s").peak()).isCloseTo(40 * primary, within(4e-3 * primary));
  }

  @Test
  public void aWireHasACurrentAndNoVoltage() {
    Circuit c =
        new Circuit(
            50,
            List.of(
                sine(10, 5),
                new Element.Resistance("W", "a", "b", 0),
                new Element.Resistance("R", "b", "0", 5)));
    Waveforms w = SteadyState.of(c);
    assertThat(w.voltage("a", "b").peak()).isLessThan(1e-12);
    assertThat(w.current("W").peak()).isCloseTo(1, within(1e-4));
  }

  @DataProvider
  public Object[][] devices() {
    return new Object[][] {
      {new Device.Junction("D", "a", "0", 1e-8, 1.8, 0.05, 0), -2, 2},
      {new Device.Junction("D", "a", "0", 2e-5, 20, 40, 12), -30, 40},
      {new Device.VacuumDiode("D", "a", "0", 2e-4), -50, 90},
      {new Device.CurrentLoad("D", "a", "0", 0.1, 5), -20, 300},
      {new Device.PowerLoad("D", "a", "0", 60, 40), -300, 300},
      {new Device.Triode("D", "a", "g", "k", 2e-3, 20), -20, 250},
      {new Device.Pentode("D", "a", "s", "g", "k", 1e-3, 10, 0.85, 20), -20, 250},
      {Device.Regulator.positive("D", "i", "o", "0", 15, 2, 0.05, 0.5), 0, 20},
      {
        new Device.Regulator(
            "D",
            new Device.Pair("i", "o"),
            new Device.Pair("o", "0"),
            new Device.Pair("m", "0"),
            15,
            12,
            2,
            0.1,
            1,
            Double.POSITIVE_INFINITY),
        0,
        20
      },
      {
        new Device.Regulator(
            "D",
            new Device.Pair("i", "o"),
            new Device.Pair("o", "0"),
            new Device.Pair("o", "0"),
            0,
            12,
            2,
            0.1,
            1,
            1.5),
        0,
        20
      },
      {new Device.Zener("D", "0", "a", 150, 100), -160, 3}
    };
  }

  /**
   * Over coarse steps the corners of a regulator are rounded; what is found in the end is by its
   * own.
   */
  @Test
  public void whatIsFoundIsByTheCornersOfTheRegulator() {
    Device.Regulator u = Device.Regulator.positive("U", "b", "o", "0", 15, 2, 0.5, 0.5);
    Circuit c =
        new Circuit(
            50,
            List.of(
                new Element.Source("S", "a", "0", 17.4, 0.3, 0, 0.2),
                new Element.Resistance("R", "a", "b", 1),
                new Element.Capacitance("C", "b", "0", 1e-4, 0.1, 1e6),
                u,
                new Element.Resistance("L", "o", "0", 4000)));
    Waveforms w = SteadyState.of(c);
    double[] pass = w.voltage("b", "o").values();
    double[] held = w.voltage("o").values();
    double[] through = w.current("U").values();
    for (int k = 0; k < pass.length; k++) {
      double[] i = new double[2];
      u.evaluate(new double[] {pass[k], held[k]}, 0, 1, i, new double[2][2]);
      assertThat(through[k]).isCloseTo(i[0] + pass[k] / Device.SHUT_OHMS, within(1e-4));
    }
  }

  /** The slopes that Newton's method goes by are those of the currents, by central differences. */
  @Test(dataProvider = "devices")
  public void slopesAreThoseOfTheCurrents(Device d, double from, double to) {
    int n = d.pairs().size();
    Random random = new Random(3);
    for (int trial = 0; trial < 200; trial++) {
      double[] v = random.doubles(n, from, to).toArray();
      double[] i = new double[n];
      double[][] g = new double[n][n];
      d.evaluate(v, 0, 0.7, i, g);
      for (int c = 0; c < n; c++) {
        double h = 1e-6 * Math.max(1, Math.abs(v[c]));
        double[] up = new double[n];
        double[] down = new double[n];
        double at = v[c];
        v[c] = at + h;
        d.evaluate(v, 0, 0.7, up, new double[n][n]);
        v[c] = at - h;
        d.evaluate(v, 0, 0.7, down, new double[n][n]);
        v[c] = at;
        for (int r = 0; r < n; r++) {
          double slope = (up[r] - down[r]) / (2 * h);
          assertThat(g[r][c])
              .as(d + " " + r + " " + c)
              .isCloseTo(slope, within(1e-4 * Math.abs(slope) + 1e-7));
        }
      }
    }
  }

  /** i = Is·(exp((v − iRs)/nVt) − 1) holds for what the folded expression gives. */
  @Test
  public void aJunctionBehindItsResistanceObeysItsLaw() {
    Device.Junction d = new Device.Junction("D", "a", "0", 1e-9, 1.7, 0.4, 0);
    double scale = 1.7 * Device.THERMAL_VOLTS;
    for (double v = -1; v < 3; v += 0.1) {
      double[] amperes = new double[1];
      d.evaluate(new double[] {v}, 0, 1, amperes, new double[1][1]);
      double i = amperes[0];
      assertThat(i)
          .isCloseTo(
              1e-9 * (Math.exp((v - i * 0.4) / scale) - 1), within(1e-9 * Math.abs(i) + 1e-15));
    }
  }

  @DataProvider
  public Object[][] refused() {
    Element r = new Element.Resistance("R", "a", "0", 5);
    return new Object[][] {
      {List.of(r, r), "R: stands twice"},
      {List.of(new Element.Resistance("R", "a", "b", 5)), "nothing is connected"},
      {List.of(r, new Element.Resistance("Q", "x", "y", 1)), "node x: has no path to the reference"}
    };
  }

  @Test(dataProvider = "refused")
  public void aCircuitThatHangsInTheAirIsRefused(List<Element> elements, String why) {
    assertThatThrownBy(() -> new Circuit(50, elements))
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining(why);
  }

  @Test
  public void whatIsNotSettledIsRefused() {
    Circuit loop =
        new Circuit(50, List.of(sine(10, 0), new Element.Source("T", "a", "0", 5, 0, 0, 0)));
    assertThatThrownBy(() -> SteadyState.of(loop))
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining("in a loop");
    assertThatThrownBy(() -> SteadyState.of(new Circuit(50, List.of(sine(10, 1)))).voltage("z"))
        .hasMessageContaining("node z");
    assertThatThrownBy(() -> new Device.Junction("D", "a", "0", 1e-9, 1, 0, 0))
        .hasMessageContaining("series resistance");
  }

  /** Rails that differ by their sign only stay two nodes of the netlist. */
  @Test
  public void namesOfANetlistStayApart() {
    assertThat(
            List.of("+15", "-15", "−15", "15", "a.b", "ä").stream().map(SpiceText::node).distinct())
        .hasSize(5);
    assertThat(SpiceText.node("0")).isEqualTo("0");
    assertThat(SpiceText.node("+15")).matches("[a-z0-9_]+");
  }
}
