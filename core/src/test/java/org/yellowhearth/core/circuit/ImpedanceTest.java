package org.yellowhearth.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Impedances of small networks against alternating current theory. */
public class ImpedanceTest {
  private static final double HERTZ = 120;
  private static final double OMEGA = 2 * Math.PI * HERTZ;
  private static final double NEVER = 1e12;

  /** A resistance beside a capacitor: R/(1 + ω²R²C²) − j·ωR²C/(1 + ω²R²C²). */
  @Test
  public void aResistanceBesideACapacitor() {
    double r = 330;
    double c = 4.7e-6;
    Impedance z =
        Impedance.between(
            List.of(
                new Element.Resistance("R", "a", "0", r),
                new Element.Capacitance("C", "a", "0", c, 0, NEVER)),
            "a",
            "0",
            HERTZ);
    double square = 1 + OMEGA * OMEGA * r * r * c * c;
    assertThat(z.ohms()).isCloseTo(r / square, within(1e-6));
    assertThat(z.reactance()).isCloseTo(-OMEGA * r * r * c / square, within(1e-6));
    assertThat(z.magnitude()).isCloseTo(r / Math.sqrt(square), within(1e-6));
  }

  @DataProvider
  public Object[][] neighbours() {
    return new Object[][] {
      {new Element.Resistance("N", "a", "0", 56)},
      {new Element.Capacitance("N", "a", "0", 22e-6, 3, 1e5)},
      {new Element.Inductance("N", "a", "0", 2, 40, 1e5)}
    };
  }

  /** What is put beside a part and taken off again leaves the part. */
  @Test(dataProvider = "neighbours")
  public void whatIsTakenOffLeavesThePart(Element neighbour) {
    Element part = new Element.Capacitance("C", "a", "0", 10e-6, 8, 2e5);
    Impedance alone = Impedance.between(List.of(part), "a", "0", HERTZ);
    Impedance beside = Impedance.between(List.of(neighbour), "a", "0", HERTZ);
    Impedance together = Impedance.between(List.of(part, neighbour), "a", "0", HERTZ);
    Impedance left = together.without(beside, 1);
    assertThat(left.ohms()).isCloseTo(alone.ohms(), within(1e-4));
    assertThat(left.reactance()).isCloseTo(alone.reactance(), within(1e-4));
    assertThat(together.without(beside, 0).ohms()).isCloseTo(together.ohms(), within(1e-9));
  }

  @Test
  public void aNodeThatIsNotThereIsRefused() {
    assertThatThrownBy(() ->
            Impedance.between(List.of(new Element.Resistance("R", "a", "0", 1)), "b", "0", HERTZ))
        .isInstanceOf(BadCircuitException.class)
        .hasMessageContaining("b");
  }
}
