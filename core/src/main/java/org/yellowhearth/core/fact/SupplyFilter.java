package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.yellowhearth.core.part.PartRef;

/**
 * A stage of a filter: a way from one point to another, and a capacitor behind it. A reservoir is a
 * capacitor at a point, a bleeder or divider a resistor to the chassis.
 *
 * @param through the resistor or choke; none where both points are one
 * @param ohms its resistance where no part says it
 * @param henries its inductance where it is a choke
 * @param shunt the capacitor from the point behind to {@code against}
 * @param farads its capacitance where no part says it
 */
public record SupplyFilter(
    String id,
    String from,
    Optional<PartRef> through,
    OptionalDouble ohms,
    OptionalDouble henries,
    String to,
    Optional<PartRef> shunt,
    OptionalDouble farads,
    OptionalDouble esrOhms,
    OptionalDouble leakOhms,
    String against)
    implements SupplySection {
  public SupplyFilter {
    Item.requireId(id);
    against = SupplySection.orChassis(against);
    SupplySection.requirePoint("the point a stage begins at", from);
    SupplySection.requirePoint("the point a stage ends at", to);
    SupplySection.requirePoint("the point its capacitor lies against", against);
    Checked.within("resistance", ohms, 0.001, 1e9);
    Checked.within("inductance", henries, 1e-6, 10_000);
    Checked.within("capacitance", farads, 1e-12, 10);
    Checked.within("series resistance", esrOhms, 0, 1e7);
    Checked.within("leakage resistance", leakOhms, 1, 1e13);
    if (from.equals(to) && shunt.isEmpty() && farads.isEmpty()) {
      throw new IllegalArgumentException(
          "a stage has a capacitor, or leads from one point to another");
    }
  }

  @Override
  public String title() {
    return from.equals(to) ? to : from + " → " + to;
  }

  @Override
  public List<String> points() {
    return List.of(from, to);
  }

  @Override
  public List<PartRef> parts() {
    return Stream.of(through, shunt).flatMap(Optional::stream).toList();
  }
}
