package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;

/**
 * A rectifier.
 *
 * @param winding the name of the winding that feeds it
 * @param make what it is made of; from the part where that says so
 * @param dropVolts what a vacuum rectifier drops at {@code dropAmperes}, as its data state it; the
 *     arc drop of a gas-filled one
 * @param plates of a selenium or copper oxide stack, for each leg
 * @param negative whether it makes a negative voltage
 * @param to the point it feeds
 * @param common the point its current comes back to
 * @param first the first capacitor of a doubler, and its capacitance where no part is pointed at
 * @param second the other one
 * @param legs what each leg conducts, 1 a whole one; all whole where nothing is said
 * @param heating how a vacuum rectifier is heated
 * @param ratedAmperes the direct current of a leg it is made for
 * @param surgeAmperes the one half-wave of current it stands; from its sort where it is not said
 */
public record SupplyRectifier(
    String id,
    String name,
    Optional<PartRef> part,
    String winding,
    Scheme scheme,
    RectifierTechnology make,
    OptionalDouble dropVolts,
    OptionalDouble dropAmperes,
    OptionalInt plates,
    boolean negative,
    String to,
    String common,
    Optional<PartRef> first,
    OptionalDouble firstFarads,
    Optional<PartRef> second,
    OptionalDouble secondFarads,
    List<Leg> legs,
    Heating heating,
    OptionalDouble ratedAmperes,
    OptionalDouble surgeAmperes)
    implements SupplySection {
  /** How a cathode is heated. */
  public enum Heating implements Coded {
    UNSTATED,
    /** The filament is the cathode. */
    DIRECT,
    INDIRECT
  }

  /** How it is connected. */
  public enum Scheme implements Coded {
    HALF_WAVE,
    FULL_WAVE,
    BRIDGE,
    FULL_WAVE_DOUBLER,
    CASCADE_DOUBLER;

    /** Whether it doubles, with two capacitors of its own. */
    public boolean doubles() {
      return this == FULL_WAVE_DOUBLER || this == CASCADE_DOUBLER;
    }
  }

  /** One leg. */
  public record Leg(double share) {
    public Leg {
      Checked.within("share of a leg", share, 0, 10);
    }
  }

  /** A rectifier of which neither heating nor rating is said. */
  public SupplyRectifier(
      String id,
      String name,
      Optional<PartRef> part,
      String winding,
      Scheme scheme,
      RectifierTechnology make,
      OptionalDouble dropVolts,
      OptionalDouble dropAmperes,
      OptionalInt plates,
      boolean negative,
      String to,
      String common,
      Optional<PartRef> first,
      OptionalDouble firstFarads,
      Optional<PartRef> second,
      OptionalDouble secondFarads,
      List<Leg> legs) {
    this(
        id,
        name,
        part,
        winding,
        scheme,
        make,
        dropVolts,
        dropAmperes,
        plates,
        negative,
        to,
        common,
        first,
        firstFarads,
        second,
        secondFarads,
        legs,
        Heating.UNSTATED,
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }

  public SupplyRectifier {
    Item.requireId(id);
    common = SupplySection.orChassis(common);
    SupplySection.requirePoint("a rectifier's name", name);
    SupplySection.requirePoint("the winding of a rectifier", winding);
    SupplySection.requirePoint("the point a rectifier feeds", to);
    SupplySection.requirePoint("the point a rectifier returns to", common);
    Checked.within("drop of a rectifier", dropVolts, 0.1, 500);
    Checked.within("current of a drop", dropAmperes, 1e-6, 100);
    Checked.within("capacitance", firstFarads, 1e-12, 10);
    Checked.within("capacitance", secondFarads, 1e-12, 10);
    Checked.within("rated current", ratedAmperes, 1e-4, 1000);
    Checked.within("surge current", surgeAmperes, 1e-3, 1e5);
    legs = List.copyOf(legs);
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of(to, common);
  }

  @Override
  public List<PartRef> parts() {
    return Stream.of(part, first, second).flatMap(Optional::stream).toList();
  }
}
