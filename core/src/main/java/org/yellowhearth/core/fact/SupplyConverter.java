package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * A switching converter on the primary side: a steady power at its reservoir, and the start-up of
 * its controller. What it delivers stands in {@link SupplyOutput}s of its name. What is not said is
 * taken as usual for such converters.
 *
 * @param from the point of its reservoir
 * @param efficiency output power by input power
 * @param startVolts below this at its reservoir it has not started
 * @param hertz how often it switches
 * @param duty share of a cycle in which its switch conducts
 * @param startOhms the resistor that charges the controller's capacitor from the reservoir
 * @param startCap that capacitor, and its capacitance where no part says it
 * @param onVolts where the controller starts
 * @param offVolts where it gives up again
 * @param idleAmperes what it takes before it has started
 * @param runAmperes what it takes from the capacitor once it runs
 * @param takeoverSeconds how long until its own winding feeds it
 */
public record SupplyConverter(
    String id,
    String name,
    Optional<PartRef> part,
    String from,
    Shape shape,
    OptionalDouble efficiency,
    OptionalDouble startVolts,
    OptionalDouble hertz,
    OptionalDouble duty,
    OptionalDouble startOhms,
    Optional<PartRef> startCap,
    OptionalDouble startFarads,
    OptionalDouble onVolts,
    OptionalDouble offVolts,
    OptionalDouble idleAmperes,
    OptionalDouble runAmperes,
    OptionalDouble takeoverSeconds)
    implements SupplySection {
  /** How its energy gets to the output. */
  public enum Shape implements Coded {
    /** Stored in the transformer first. */
    FLYBACK,
    /** Through the transformer at once, into a choke. */
    FORWARD
  }

  public SupplyConverter {
    Item.requireId(id);
    SupplySection.requirePoint("a converter's name", name);
    SupplySection.requirePoint("the point a converter hangs on", from);
    Checked.within("efficiency", efficiency, 0.1, 1);
    Checked.within("voltage where it starts", startVolts, 1, 1000);
    Checked.within("switching frequency", hertz, 1000, 2e6);
    Checked.within("duty", duty, 0.02, 0.95);
    Checked.within("start-up resistor", startOhms, 100, 1e8);
    Checked.within("start-up capacitance", startFarads, 1e-9, 0.01);
    Checked.within("voltage where the controller starts", onVolts, 1, 500);
    Checked.within("voltage where the controller stops", offVolts, 0.5, 500);
    Checked.within("current before the start", idleAmperes, 0, 0.1);
    Checked.within("current of the controller", runAmperes, 1e-5, 1);
    Checked.within("time to take over", takeoverSeconds, 1e-6, 10);
    if (onVolts.isPresent()
        && offVolts.isPresent()
        && onVolts.getAsDouble() <= offVolts.getAsDouble()) {
      throw new IllegalArgumentException(
          "a controller starts above the voltage where it stops; expected more than "
              + offVolts.getAsDouble()
              + " V, not "
              + onVolts.getAsDouble());
    }
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of(from);
  }

  @Override
  public List<PartRef> parts() {
    return Stream.of(part, startCap).flatMap(Optional::stream).toList();
  }
}
