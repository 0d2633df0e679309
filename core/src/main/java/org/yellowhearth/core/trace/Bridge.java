package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/** A good capacitor clipped across one of the supply. */
public final class Bridge {
  private static final double GOOD_DISSIPATION = 0.05;
  private static final double HERTZ = 100;
  private static final double GOOD_SECONDS = 500;

  private Bridge() {}

  /**
   * A supply with good capacitors clipped across its own; a part that the supply does not have is
   * passed over.
   */
  public static Supply across(Supply supply, List<SupplyBridge.Clipped> clipped) {
    Supply bridged = supply;
    int number = 0;
    for (SupplyBridge.Clipped c : clipped) {
      bridged =
          ends(supply, c.across().toString()).isPresent()
              ? across(bridged, c.across().toString(), c.farads(), "bridge" + ++number)
              : bridged;
    }
    return bridged;
  }

  static Optional<Element.Capacitance> capacitor(Supply supply, String element) {
    return supply.circuit().elements().stream()
        .filter(e -> e instanceof Element.Capacitance && e.name().equals(element))
        .map(Element.Capacitance.class::cast)
        .findFirst();
  }

  /** Where a capacitor lies, one that is open too. */
  private static Optional<List<String>> ends(Supply supply, String element) {
    return Parameter.all(supply).containsKey(new Parameter(element, Which.CAPACITANCE))
        ? supply.circuit().elements().stream()
            .filter(e -> e.name().equals(element))
            .map(Element::nodes)
            .findFirst()
        : Optional.empty();
  }

  /** A supply with a good capacitor of this value across one of its own. */
  public static Supply across(Supply supply, String element, double farads) {
    return across(supply, element, farads, "bridge");
  }

  private static Supply across(Supply supply, String element, double farads, String name) {
    List<String> ends =
        ends(supply, element)
            .orElseThrow(
                () -> new IllegalArgumentException(element + " is no capacitor of this supply"));
    Section.Cap good =
        new Section.Cap(
            name,
            farads,
            GOOD_DISSIPATION / (2 * Math.PI * HERTZ * farads),
            Math.min(1e9, GOOD_SECONDS / farads));
    return supply.with(
        new Section.Filter(
            name,
            ends.getFirst(),
            new Section.Way.Wire(),
            ends.getFirst(),
            Optional.of(good),
            ends.getLast()));
  }
}
