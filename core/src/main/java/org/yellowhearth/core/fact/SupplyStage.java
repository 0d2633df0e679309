package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.yellowhearth.core.part.PartRef;

/**
 * A valve stage as a load, by one working point of its data: the cathode current at a grid voltage
 * and an anode voltage, of a pentode a screen voltage.
 *
 * @param amperes that current
 * @param gridVolts at this grid voltage
 * @param volts and at this voltage of anode or screen
 * @param mu amplification factor, of a pentode that of the first grid against the screen
 * @param screenShare the screen's share of the current; none for a triode
 * @param anodeOhms resistance from the point to the anode
 * @param screenOhms from the point to the screen; 0 for straight on it
 * @param screenCap its decoupler
 * @param cathodeOhms cathode resistor; 0 on the chassis
 * @param cathodeCap the capacitor across it
 * @param gridPoint where the grid leak returns to
 * @param heating how its cathode is heated; indirectly where it is not said
 */
public record SupplyStage(
    String id,
    String name,
    Optional<PartRef> part,
    String at,
    double amperes,
    double gridVolts,
    double volts,
    double mu,
    OptionalDouble screenShare,
    double anodeOhms,
    double screenOhms,
    Optional<PartRef> screenCap,
    double cathodeOhms,
    Optional<PartRef> cathodeCap,
    double gridOhms,
    String gridPoint,
    SupplyRectifier.Heating heating)
    implements SupplySection {
  /** A stage of which the heating is not said. */
  public SupplyStage(
      String id,
      String name,
      Optional<PartRef> part,
      String at,
      double amperes,
      double gridVolts,
      double volts,
      double mu,
      OptionalDouble screenShare,
      double anodeOhms,
      double screenOhms,
      Optional<PartRef> screenCap,
      double cathodeOhms,
      Optional<PartRef> cathodeCap,
      double gridOhms,
      String gridPoint) {
    this(
        id,
        name,
        part,
        at,
        amperes,
        gridVolts,
        volts,
        mu,
        screenShare,
        anodeOhms,
        screenOhms,
        screenCap,
        cathodeOhms,
        cathodeCap,
        gridOhms,
        gridPoint,
        SupplyRectifier.Heating.UNSTATED);
  }

  public SupplyStage {
    Item.requireId(id);
    gridPoint = SupplySection.orChassis(gridPoint);
    SupplySection.requirePoint("a stage's name", name);
    SupplySection.requirePoint("the point a stage hangs on", at);
    SupplySection.requirePoint("the point its grid returns to", gridPoint);
    Checked.within("cathode current", amperes, 1e-6, 10);
    Checked.within("grid voltage", gridVolts, -500, 0);
    Checked.within("anode or screen voltage", volts, 1, 5000);
    Checked.within("amplification factor", mu, 1, 500);
    Checked.within("share of the screen", screenShare, 0.01, 0.6);
    Checked.within("anode resistance", anodeOhms, 0.1, 1e7);
    Checked.within("screen resistance", screenOhms, 0, 1e7);
    Checked.within("cathode resistor", cathodeOhms, 0, 1e6);
    Checked.within("grid leak", gridOhms, 1, 1e8);
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of(at);
  }

  @Override
  public List<PartRef> parts() {
    return Stream.of(part, screenCap, cathodeCap).flatMap(Optional::stream).toList();
  }
}
