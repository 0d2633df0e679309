package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.Impedance;
import org.yellowhearth.core.supply.Supply;

/**
 * What a meter shows for a capacitor where it sits, with the set off: the part together with
 * everything around it. Rectifiers and valves conduct nothing at the few tenths of a volt that a
 * meter uses (common practice); windings and chokes, other capacitors and resistors count.
 *
 * @param alone what the part would show out of circuit
 * @param inPlace what it shows where it is
 */
public record InPlace(double hertz, Shown alone, Shown inPlace) {
  /**
   * A series equivalent.
   *
   * @param farads below nothing where the path is inductive
   */
  public record Shown(double farads, double ohms) {}

  /** A part of a supply; none where the supply has no such capacitor. */
  public static Optional<InPlace> of(Supply supply, String part, double hertz) {
    Circuit circuit = supply.circuit();
    Optional<Element.Capacitance> c = Bridge.capacitor(supply, part);
    return c.map(e ->
        new InPlace(
            hertz,
            shown(Impedance.between(List.of(e), e.a(), e.b(), hertz), hertz),
            shown(Impedance.between(circuit.elements(), e.a(), e.b(), hertz), hertz)));
  }

  private static Shown shown(Impedance z, double hertz) {
    return new Shown(-1 / (2 * Math.PI * hertz * z.reactance()), z.ohms());
  }
}
