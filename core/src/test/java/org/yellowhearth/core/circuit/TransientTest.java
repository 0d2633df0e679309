package org.yellowhearth.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;

/**
 * Charging, discharging and switching on, against the exponentials of any textbook of circuit
 * theory.
 */
public class TransientTest {
  private static final double NEVER = 1e12;

  private static Circuit charging(double dc, double ohms, double farads) {
    return new Circuit(
        50,
        List.of(
            new Element.Source("S", "a", "0", dc, 0, 0, ohms),
            new Element.Capacitance("C", "a", "0", farads, 0, NEVER)));
  }

  @Test
  public void aCapacitorChargesByItsTimeConstant() {
    Course v =
        Transient.of(charging(100, 10e3, 10e-6))
            .coldStart(0, 0.5, Warmth.HOT, List.of(Probe.voltage("a")), Watcher.NOBODY)
            .getFirst();
    for (int k = 0; k < v.ends().length; k++) {
      assertThat(v.last()[k]).isCloseTo(100 * (1 - Math.exp(-v.ends()[k] / 0.1)), within(1e-6));
    }
    assertThat(v.reaches(63.3)).isCloseTo(0.1, within(0.021));
    assertThat(v.reaches(101)).isInfinite();
  }

  /** Charging a capacitor through a resistor turns as much to heat as it stores: ∫i² = CV²/(2R). */
  @Test
  public void aSurgeBringsItsSquareSeconds() {
    Course i =
        Transient.of(charging(100, 20, 50e-6))
            .coldStart(0, 0.1, Warmth.HOT, List.of(Probe.current("C")), Watcher.NOBODY)
            .getFirst();
    double all = 50e-6 * 100 * 100 / (2 * 20);
    assertThat(i.greatestSquareSeconds()).isCloseTo(all, within(0.03 * all));
  }

  @DataProvider
  public Object[][] stores() {
    return new Object[][] {{16e-6, 100e3, 400}, {1e-3, 1e3, 60}, {470e-6, 10e3, 25}};
  }

  /** t = RC·ln(V0/V). */
  @Test(dataProvider = "stores")
  public void itRunsDownInRcTimesTheLogarithm(double farads, double ohms, double volts) {
    Circuit open =
        new Circuit(
            50,
            List.of(
                new Element.Resistance("R", "a", "0", ohms),
                new Element.Capacitance("C", "a", "0", farads, 0.1, NEVER)));
    double tau = ohms * farads;
    Course v =
        Transient.of(open)
            .runDown(new double[] {volts}, 8 * tau, tau / 50, List.of(Probe.voltage("a")))
            .getFirst();
    assertThat(v.fallsBelow(volts / 10))
        .isCloseTo(tau * Math.log(10), within(tau / 50 + 1e-3 * tau));
    assertThat(v.last()[v.last().length - 1])
        .isCloseTo(volts * Math.exp(-8) * ohms / (ohms + 0.1), within(1e-3 * volts * Math.exp(-8)));
  }

  @Test
  public void aCurrentInAChokeRisesByItsTimeConstantAndItsLossTakesTheFirstStep() {
    Circuit c =
        new Circuit(
            50,
            List.of(
                new Element.Source("S", "a", "0", 10, 0, 0, 1),
                new Element.Inductance("L", "a", "0", 2, 19, 1e9)));
    Course i =
        Transient.of(c)
            .coldStart(0, 0.5, Warmth.HOT, List.of(Probe.current("L")), Watcher.NOBODY)
            .getFirst();
    for (int k = 0; k < i.ends().length; k++) {
      assertThat(i.last()[k]).isCloseTo(0.5 * (1 - Math.exp(-i.ends()[k] / 0.1)), within(1e-7));
    }
  }

  private static Circuit bridge(double phase) {
    return new Circuit(
        50,
        List.of(
            new Element.Source("S", "p", "q", 0, 30, phase, 1),
            diode("D1", "p", "b"),
            diode("D2", "q", "b"),
            diode("D3", "0", "p"),
            diode("D4", "0", "q"),
            new Element.Capacitance("C", "b", "0", 4700e-6, 0.02, 1e5),
            new Element.Resistance("load", "b", "0", 50)));
  }

  private static Device diode(String name, String anode, String cathode) {
    return new Device.Junction(name, anode, cathode, 1e-8, 1.8, 0.05, 0);
  }

  /**
   * Whatever the capacitance, the first surge of an empty reservoir is at most crest by resistance.
   */
  @Test
  public void theFirstSurgeIsWorstNearTheCrestAndBoundedByTheResistance() {
    Transient t = Transient.of(bridge(0));
    double worst = t.worstPhase(Probe.current("D1"), Warmth.HOT);
    double atWorst =
        t.coldStart(worst, 0.02, Warmth.HOT, List.of(Probe.current("D1")), Watcher.NOBODY)
            .getFirst()
            .greatest();
    double atZero =
        t.coldStart(0, 0.02, Warmth.HOT, List.of(Probe.current("D1")), Watcher.NOBODY)
            .getFirst()
            .greatest();
    assertThat(Math.toDegrees(worst)).isBetween(60.0, 120.0);
    assertThat(atWorst).isGreaterThan(atZero).isLessThan(30 / 1.12).isGreaterThan(0.85 * 28 / 1.12);
  }

  @Test
  public void longAfterSwitchingOnItIsInTheSteadyState() {
    Course v =
        Transient.of(bridge(0))
            .coldStart(0, 3, Warmth.HOT, List.of(Probe.voltage("b")), Watcher.NOBODY)
            .getFirst();
    Wave steady = SteadyState.of(bridge(0)).voltage("b");
    int end = v.ends().length - 1;
    assertThat(v.most()[end]).isCloseTo(steady.most(), within(5e-3));
    assertThat(v.least()[end]).isCloseTo(steady.least(), within(5e-3));
  }

  /** Once it is steady and hot it need not be followed: what is said of it stays the same. */
  @Test
  public void aRunEndsOnceItIsSteady() {
    List<Probe> b = List.of(Probe.voltage("b"));
    double mean = SteadyState.of(bridge(0)).voltage("b").mean();
    Transient t = Transient.of(bridge(0));
    Course whole = t.coldStart(0, 5, Warmth.HOT, b, Watcher.NOBODY).getFirst();
    Course ended = t.coldStart(List.of(mean), 5, Warmth.HOT, b, Watcher.NOBODY).getFirst();
    assertThat(ended.ends().length).isBetween(25, whole.ends().length / 2);
    assertThat(ended.greatest()).isCloseTo(whole.greatest(), within(1e-3 * mean));
    assertThat(ended.reaches(0.9 * mean)).isEqualTo(whole.reaches(0.9 * mean));
    assertThat(t.coldStart(List.of(1.1 * mean), 2, Warmth.HOT, b, Watcher.NOBODY))
        .as("it never comes there, so it is followed to the end")
        .allMatch(c -> c.ends().length == 100);
    assertThat(t.coldStart(List.of(mean), 2, (_, s) -> s < 1.5 ? 0.999 : 1, b, Watcher.NOBODY))
        .as("not before all is hot")
        .allMatch(c -> c.ends().length >= 75);
  }

  @Test
  public void aColdValveLetsTheRailClimbUntilItWarms() {
    Circuit c =
        new Circuit(
            50,
            List.of(
                new Element.Source("S", "a", "0", 0, 300, 0, 50),
                diode("D1", "a", "b"),
                new Element.Capacitance("C", "b", "0", 50e-6, 1, 1e6),
                new Device.CurrentLoad("V", "b", "0", 0.1, 5)));
    Course v =
        Transient.of(c)
            .coldStart(
                0,
                2,
                (d, s) -> d.name().equals("V") ? Math.min(1, s) : 1,
                List.of(Probe.voltage("b")),
                Watcher.NOBODY)
            .getFirst();
    Wave steady = SteadyState.of(c).voltage("b");
    assertThat(v.greatest()).isGreaterThan(steady.most() + 5).isLessThan(300);
    assertThat(v.most()[v.most().length - 1]).isCloseTo(steady.most(), within(0.2));
  }

  @Test
  public void itCanBeStopped() {
    assertThatThrownBy(() ->
            Transient.of(bridge(0))
                .coldStart(0, 3, Warmth.HOT, List.of(Probe.voltage("b")), s -> s < 0.5))
        .isInstanceOf(StoppedException.class);
  }
}
